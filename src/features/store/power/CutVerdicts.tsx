'use client';

import Button from '@mui/material/Button';
import { kcalOfAll } from '@/core/stock/pack-kcal';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { addUp } from '@/core/add-up';
import { countOf } from '@/core/quantity/count-words';
import { countHeld } from '@/core/stock/find';
import { coverOf } from '@/core/stock/cover';
import { nth } from '@/core/sure';
import { writeKcal } from '@/core/quantity/write';
import { Tub } from '@/ui/badges/badges';
import { Segments } from '@/ui/form/Segments';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { settleCut } from '../actions';
import styles from './power.module.css';
import type { PowerView } from './queries';

type Fate = 'keep' | 'refreeze' | 'throw';
type Pack = PowerView['packs'][number];

const FATES = [
  { value: 'throw', label: 'throw away' },
  { value: 'refreeze', label: 'had ice: freeze again' },
  { value: 'keep', label: 'keep' },
] as const;
const IN_FRIDGE = FATES.filter(({ value }) => value !== 'refreeze');

/** What the verdict proposes; what is to be looked at has no fate before somebody looked. */
const proposed = ({ verdict }: Pack): Fate | undefined =>
  verdict.fate === 'look' ? undefined : verdict.fate === 'keep' ? 'keep' : 'throw';

/** What is past its date stands apart from what the cut did. */
const groupOf = ({ verdict }: Pack): (typeof GROUPS)[number]['fate'] => (verdict.isPast ? 'past' : verdict.fate);

const GROUPS = [
  { fate: 'look', title: 'Look at each, one press each', style: 'look' },
  { fate: 'throw', title: 'Throw away', style: 'gone' },
  { fate: 'keep', title: 'Keep', style: 'kept' },
  { fate: 'past', title: 'Past their date, whatever the cut did', style: 'gone' },
] as const;

/** The power is back: what is to become of every pack, with the rule that says so, carried out after a look. */
export function CutVerdicts({ view }: { view: PowerView }) {
  const { inMass } = useUnits();
  const router = useRouter();
  const [said, setSaid] = useState<ReadonlyMap<number, Fate>>(new Map());
  const settle = useCommand(settleCut, `settle-${view.cut?.id ?? 0}`, () => router.push('/store'));
  const fateOf = (pack: Pack): Fate | undefined => said.get(pack.holdingId) ?? proposed(pack);
  const thrown = view.packs.filter((pack) => fateOf(pack) === 'throw');
  const unseen = view.packs.filter((pack) => fateOf(pack) === undefined);
  const refrozen = view.packs.filter((pack) => fateOf(pack) === 'refreeze');
  return (
    <div className="stack">
      {GROUPS.map(({ fate, title, style }) => {
        const own = view.packs.filter((pack) => groupOf(pack) === fate);
        if (own.length === 0) return null;
        const rules = [...new Map(own.map(({ verdict }) => [verdict.said, verdict.rule]))];
        return (
          <section key={fate} aria-labelledby={`fate-${fate}`} className={styles[style]}>
            <h2 id={`fate-${fate}`}>
              {title}{' '}
              <span className="soft">
                {countCut(own)}, {inMass(addUp(own, (pack) => pack.grams))}
              </span>
            </h2>
            <ul className={styles.packs}>
              {own.map((pack) => (
                <li key={pack.holdingId}>
                  <Tub hatch={pack.protein.hatch} full={pack.full} size={28} />
                  <b>{pack.code}</b>
                  <span className="note">{inMass(pack.grams)}</span>
                  {fate !== 'keep' && (
                    <Segments
                      label={`What becomes of ${pack.code}`}
                      value={fateOf(pack)}
                      options={pack.isFrozen && groupOf(pack) !== 'past' ? FATES : IN_FRIDGE}
                      onChange={(next: Fate) => setSaid(new Map([...said, [pack.holdingId, next]]))}
                    />
                  )}
                </li>
              ))}
            </ul>
            {rules.map(([what, rule]) => (
              <p key={what} className="note">
                {what} ({rule})
              </p>
            ))}
          </section>
        );
      })}
      <section aria-labelledby="look" className={styles.before}>
        <h2 id="look">Look before you press</h2>
        <p>
          Ice crystals in a pack, or no warmer than the fridge should be: freeze it again or use it. Soft and warmer:
          away with it. A thermometer, or your nose and a vet’s word, count more than this estimate.
        </p>
        <Costs view={view} thrown={thrown} />
        <Problems problems={settle.problems} />
        <Button
          variant="contained"
          size="large"
          fullWidth
          data-next-act
          disabled={settle.pending || unseen.length > 0}
          onClick={() =>
            settle.run({
              cutId: view.cut?.id ?? 0,
              throwAway: thrown.map(({ holdingId }) => holdingId),
              refreeze: refrozen.map(({ holdingId }) => holdingId),
            })
          }
        >
          {unseen.length > 0
            ? `Look at ${countCut(unseen)} first`
            : thrown.length + refrozen.length === 0
              ? 'All of it stays'
              : `Do all this: ${countCut(thrown)} away${refrozen.length > 0 ? `, ${refrozen.length} frozen again` : ''}`}
        </Button>
      </section>
    </div>
  );
}

const countCut = (of: readonly Pack[]): string => {
  const lots = of.filter(({ isLot }) => isLot).length;
  return countHeld(of.length - lots, lots);
};

/** What it costs: food, and days of cover. */
function Costs({ view, thrown }: { view: PowerView; thrown: readonly Pack[] }) {
  const { inMass } = useUnits();
  const { sources, dogs, today, keeps } = view.ahead;
  const cover = (of: typeof sources) =>
    coverOf(
      dogs.map(({ dogId, meals }) => ({ dogId, mealsOn: (index) => meals[index] ?? [] })),
      dogs[0]?.meals.length ?? 0,
      of,
      today,
      keeps,
    );
  const { kcal, isAtLeast } = kcalOfAll(thrown);
  const gone = new Set(thrown.map(({ holdingId }) => `pack-${holdingId}`));
  const before = cover(sources);
  const after = gone.size === 0 ? before : cover(sources.filter((source) => !gone.has(source.key)));
  return (
    <dl className={styles.facts}>
      <dt>thrown away</dt>
      <dd>
        {inMass(addUp(thrown, (pack) => pack.grams))}, {isAtLeast && 'at least '}
        {writeKcal(kcal)} kcal
      </dd>
      {dogs.map(({ dogId, name }, index) => {
        const [had, has] = [nth(before, index).coverDays, nth(after, index).coverDays];
        return (
          <div key={dogId} className={styles.fact}>
            <dt>cover for {name}</dt>
            <dd>{had === has ? `${countOf(has, 'day')}, as before` : `${had} to ${countOf(has, 'day')}`}</dd>
          </div>
        );
      })}
    </dl>
  );
}
