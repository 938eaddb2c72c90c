'use client';

import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Checkbox from '@mui/material/Checkbox';
import { useState } from 'react';
import { typedMass } from '@/core/quantity/write';
import { writeDay, type LocalDate } from '@/core/calendar/local-date';
import { FETCHED_FROM, sayThaw, thawOf, usuallyFrom, type FetchedFrom, type ShoppingItem } from '@/core/plan/shopping';
import type { LotEntry } from '@/core/stock/lot-entry';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { LOT_FIELDS, LotFields } from '@/ui/lots/LotFields';
import { Why } from '@/ui/Why';
import { useUnits } from '@/ui/units';
import { describeLot, savePack } from './actions';
import styles from './plans.module.css';
import type { ListHouse, PlanItem } from './list-view';

const FROM_WORDS: Readonly<Record<FetchedFrom, string>> = {
  shop: 'to buy',
  freezer: 'out of the freezer',
  cupboard: 'in the house',
};

export interface ListItemProps {
  item: ShoppingItem;
  said: PlanItem | undefined;
  cookDay: LocalDate;
  today: LocalDate;
  house: ListHouse;
  /** There is a kept plan to tick it off on. */
  isKept: boolean;
  onSay: (ticked: boolean, from: FetchedFrom) => void;
}

/** One thing to fetch: how much, from where, and once it is got what it was. */
export function ListItem({ item, said, cookDay, today, house, isKept, onSay }: ListItemProps) {
  const { set, inSum } = useUnits();
  const [open, setOpen] = useState(false);
  const from = said?.fetchedFrom ?? usuallyFrom(item);
  const isTicked = said?.ticked === true;
  const thaw = from === 'freezer' && !isTicked ? thawOf(item, cookDay, set) : undefined;
  const { here, toBuy } = item;
  const inHouse = here.ready + here.frozen;
  const isPart = !isTicked && from === 'shop' && inHouse > 0 && toBuy > 0;
  const isMissing = isTicked && toBuy > 0 && (inHouse > 0 || said.lot !== undefined);
  return (
    <li data-ticked={isTicked || undefined}>
      {isKept && (
        <Checkbox
          checked={isTicked}
          slotProps={{ input: { 'aria-label': `${item.name}: got it` } }}
          onChange={(_, on) => onSay(on, from)}
        />
      )}
      <ButtonBase className={styles.item} aria-expanded={open} onClick={() => setOpen(!open)}>
        <span>{item.name}</span>
        <span className="note">
          {isTicked && said.lot ? (
            said.lot.said
          ) : thaw ? (
            <span className={thaw.day < today ? 'caution' : undefined}>{sayThaw(thaw, today)}</span>
          ) : (
            FROM_WORDS[from]
          )}
          {!isTicked && (item.packs ?? item.measure) && ` · ${item.packs ?? item.measure}`}
          {isPart && ` · ${inSum(inHouse)} in the house`}
          {!isTicked && item.promised > 0 && ` · ${inSum(item.promised)} is for an earlier pot`}
        </span>
        {isMissing && <span className="caution">{inSum(toBuy)} more to buy</span>}
        {here.freezeBy && !isTicked && (
          <span className="caution">
            {inSum(here.tooOld)} in the fridge will not keep until {writeDay(cookDay, today)}: freeze it by{' '}
            {writeDay(here.freezeBy, today)}
          </span>
        )}
      </ButtonBase>
      <b>{isPart ? inSum(toBuy) : item.amount}</b>
      {open && (
        <div className={styles.itemMore}>
          {isPart && (
            <p className="note">
              {item.amount} in all: {inSum(here.ready)} ready
              {here.frozen > 0 && `, ${inSum(here.frozen)} frozen`}.
            </p>
          )}
          {item.recipes.length > 1 && <p className="note">for {item.recipes.join(' and ')}</p>}
          {!isKept ? (
            <p className="note">Keep the plan to say where it comes from and to tick it off.</p>
          ) : isTicked && said.lot && said.holdingId !== undefined ? (
            <Got key={said.holdingId} holdingId={said.holdingId} lot={said.lot.entry} house={house} />
          ) : (
            <Choice
              label="It comes"
              value={from}
              options={FETCHED_FROM.map((value) => ({ value, label: FROM_WORDS[value] }))}
              onChange={(next) => onSay(isTicked, next)}
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
}

/** What was got: its weight, price, dates and lot, as they stand on the wrapper and the bill. */
function Got({ holdingId, lot, house }: { holdingId: number; lot: LotEntry; house: ListHouse }) {
  const [entry, setEntry] = useState(lot);
  const [kept, setKept] = useState(false);
  const keep = useCommand(describeLot, `lot-${holdingId}`, () => setKept(true));
  return (
    <form
      className="stack"
      noValidate
      aria-label="What was got"
      onSubmit={(event) => {
        event.preventDefault();
        keep.run({ holdingId, entry });
      }}
    >
      <LotFields
        entry={entry}
        onChange={(part) => {
          keep.clear();
          setKept(false);
          setEntry({ ...entry, ...part });
        }}
        at={keep.at}
        places={house.places}
        currency={house.currency}
      />
      <Problems problems={keep.atHead(...LOT_FIELDS)} />
      <div className="spread">
        <Button type="submit" variant="outlined" disabled={keep.pending}>
          Note it
        </Button>
        <span role="status" className="note">
          {kept && 'Noted.'}
        </span>
      </div>
    </form>
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
