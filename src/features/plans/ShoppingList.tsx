'use client';

import ButtonBase from '@mui/material/ButtonBase';
import Checkbox from '@mui/material/Checkbox';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { LocalDate } from '@/core/calendar/local-date';
import { typedMass } from '@/core/quantity/write';
import { FETCHED_FROM, sayThaw, thawOf, type FetchedFrom, type ShoppingItem } from '@/core/plan/shopping';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { Why } from '@/ui/Why';
import { useUnits } from '@/ui/units';
import { savePack, setPlanItem } from './actions';
import styles from './plans.module.css';
import type { PlanView } from './queries';

const FROM_WORDS: Readonly<Record<FetchedFrom, string>> = {
  shop: 'to buy',
  freezer: 'out of the freezer',
  cupboard: 'out of the cupboard',
};

type Said = Omit<PlanView['items'][number], 'foodKey'>;
const UNSAID: Said = { fetchedFrom: 'shop', ticked: false };

interface ShoppingListProps {
  items: readonly ShoppingItem[];
  cookDay: LocalDate;
  today: LocalDate;
  /** The kept plan that it belongs to: without one there is nothing to tick yet. */
  planId: number | undefined;
  said: PlanView['items'];
}

/** What to buy and to take out, merged over the plan; of a kept plan it is ticked off. */
export function ShoppingList({ items, cookDay, today, planId, said }: ShoppingListProps) {
  const { set } = useUnits();
  const [now, setNow] = useState<Readonly<Record<string, Said>>>(() =>
    Object.fromEntries(said.map(({ foodKey, ...rest }) => [foodKey, rest])),
  );
  const [noted, setNoted] = useState(false);
  const save = useCommand(setPlanItem, `list-${planId ?? 0}`, () => setNoted(true));
  const [open, setOpen] = useState<string>();
  const say = (foodKey: string, change: Partial<Said>) => {
    const next = { ...UNSAID, ...now[foodKey], ...change };
    setNow({ ...now, [foodKey]: next });
    setNoted(false);
    if (planId !== undefined) save.run({ planId, foodKey, ...next });
  };
  return (
    <section aria-labelledby="list" className={styles.list}>
      <div className="spread">
        <h2 id="list">Pull and buy</h2>
        <p role="status" className="note">
          {save.pending ? 'noting …' : noted ? 'Noted.' : ''}
        </p>
      </div>
      <Problems problems={save.problems} />
      <ul>
        {items.map((item) => {
          const own = now[item.key] ?? UNSAID;
          const thaw = own.fetchedFrom === 'freezer' ? thawOf(item, cookDay, set) : undefined;
          return (
            <li key={item.key} data-ticked={own.ticked || undefined}>
              {planId !== undefined && (
                <Checkbox
                  checked={own.ticked}
                  slotProps={{ input: { 'aria-label': `${item.name}: got it` } }}
                  onChange={(_, ticked) => say(item.key, { ticked })}
                />
              )}
              <ButtonBase
                className={styles.item}
                aria-expanded={open === item.key}
                onClick={() => setOpen(open === item.key ? undefined : item.key)}
              >
                <span>{item.name}</span>
                <span className="note">
                  {thaw ? (
                    <span className={thaw.day < today ? 'caution' : undefined}>{sayThaw(thaw, today)}</span>
                  ) : (
                    FROM_WORDS[own.fetchedFrom]
                  )}
                  {(item.packs ?? item.measure) && ` · ${item.packs ?? item.measure}`}
                </span>
              </ButtonBase>
              <b>{item.amount}</b>
              {open === item.key && (
                <div className={styles.itemMore}>
                  {item.recipes.length > 1 && <p className="note">for {item.recipes.join(' and ')}</p>}
                  {planId === undefined ? (
                    <p className="note">Keep the plan to say where it comes from and to tick it off.</p>
                  ) : (
                    <Choice
                      label="It comes"
                      value={own.fetchedFrom}
                      options={FETCHED_FROM.map((value) => ({ value, label: FROM_WORDS[value] }))}
                      onChange={(fetchedFrom) => say(item.key, { fetchedFrom })}
                    />
                  )}
                  {thaw && (
                    <p className="note">
                      Thaws in the fridge. <Why of={thaw.explanation} about={`taking ${item.name} out`} />
                    </p>
                  )}
                  <SoldIn item={item} />
                </div>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** How a food is sold here: remembered for every plan. */
function SoldIn({ item }: { item: ShoppingItem }) {
  const { set } = useUnits();
  const [weight, setWeight] = useState(item.packGrams === undefined ? '' : typedMass(item.packGrams, set));
  const keep = useCommand(savePack, `pack-${item.key}`);
  return (
    <div className={styles.soldIn}>
      <Field
        label="Sold in packs of"
        value={weight}
        onChange={(event) => setWeight(event.target.value)}
        problem={keep.at('weight') ?? keep.problems[0]?.message}
        hint={`such as ${set === 'us' ? '1 lb' : '500 g'}`}
        autoComplete="off"
      />
      <Button
        variant="outlined"
        disabled={keep.pending || weight.trim() === ''}
        onClick={() => keep.run({ ndb: item.key, unit: 'pack', weight })}
      >
        Remember
      </Button>
    </div>
  );
}
