'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { FATES, checkShares, readShare, type Fate, type Shares } from '@/core/portion/shares';
import type { Outcome } from '@/core/problem';
import { stackedBar } from '@/ui/charts/stacked-bar';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useKept } from '@/ui/form/use-kept';
import { DogMark } from '@/ui/marks/marks';
import { Why } from '@/ui/Why';
import { setShares } from './actions';
import styles from './batches.module.css';
import type { BatchView, WeighedView } from './queries';
import { FATE_WORDS } from './stations';
import { writeDensity } from '@/core/quantity/write';
import { useUnits } from '@/ui/units';

const WIDTH = 640;
const FILLS: Readonly<Record<Fate, string>> = {
  today: 'color-mix(in srgb, var(--carrot) 30%, var(--enamel-raised))',
  fridge: 'var(--fjord-pale)',
  freezer: 'color-mix(in srgb, var(--fjord) 45%, var(--enamel-raised))',
  dry: 'color-mix(in srgb, var(--honey) 30%, var(--enamel-raised))',
};
const DRY_METHODS = [
  { value: 'freeze-dried', label: 'freeze-dryer' },
  { value: 'dehydrated', label: 'dehydrator' },
] as const;

/** Each dog's grams of this pot, and the yield divided into shares. */
export function Divide({ view, weighed }: { view: BatchView; weighed: WeighedView }) {
  const { inMass, scaleUnit, set, toType } = useUnits();
  const whole = Math.round(weighed.net);
  const [typed, setTyped, forget] = useKept<Record<Fate, string>>(
    `divide-${view.id}-${whole}`,
    firstShares(weighed, toType),
  );
  const [dryMethod, setDryMethod] = useState<'freeze-dried' | 'dehydrated'>(
    weighed.shares.find((share) => share.fate === 'dry')?.dryMethod ?? 'freeze-dried',
  );
  const save = useCommand(setShares, `shares-${view.id}`, () => forget(typed));
  const read = Object.fromEntries(FATES.map((fate) => [fate, readShare(typed[fate], set)])) as Record<
    Fate,
    Outcome<number>
  >;
  const allRead = FATES.every((fate) => read[fate].ok);
  const shares = Object.fromEntries(FATES.map((fate) => [fate, read[fate].ok ? read[fate].value : 0])) as Record<
    Fate,
    number
  > as Shares;
  const check = allRead ? checkShares(shares, whole, inMass) : undefined;
  const total = FATES.reduce((sum, fate) => sum + shares[fate], 0);
  const at = (fate: Fate) => {
    const own = read[fate];
    if (!own.ok) return own.problem.message;
    return check && !check.ok && check.problem.field === fate ? check.problem.message : save.at(fate);
  };
  const takeRest = (fate: Fate) => setTyped({ ...typed, [fate]: toType(Math.max(0, shares[fate] + whole - total)) });
  const bar = stackedBar(FATES, (fate) => (total > 0 ? shares[fate] / Math.max(total, whole) : 0), WIDTH);

  return (
    <form
      className="stack"
      aria-labelledby="divide"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (check?.ok) save.run({ batchId: view.id, shares, dryMethod });
      }}
    >
      <div className="spread">
        <h2 id="divide">
          Divide {inMass(whole)}
          {weighed.estimated && <span className="caution"> (an estimate)</span>}
        </h2>
        <p className="soft">suggested by what the fridge keeps, to {weighed.fridgeUntil}</p>
      </div>
      {weighed.energyUnknown.length > 0 && (
        <p className="caution" role="status">
          At least {writeDensity(weighed.density)} kcal/g: the energy of {weighed.energyUnknown.join(', ')} is unknown,
          so every portion is at most what is needed. Enter its label.
        </p>
      )}
      <div className={styles.divide}>
        <div className="stack">
          <svg viewBox={`0 0 ${WIDTH} 44`} width="100%" aria-hidden>
            <rect x="1" y="1" width={WIDTH - 2} height="42" fill="none" stroke="var(--slate)" strokeDasharray="5 4" />
            {bar
              .filter((segment) => segment.width > 0)
              .map((segment) => (
                <g key={segment.of}>
                  <rect
                    x={segment.x}
                    y="1"
                    width={segment.width}
                    height="42"
                    fill={FILLS[segment.of]}
                    stroke="var(--slate)"
                    strokeWidth="1.5"
                  />
                  {segment.width > 84 && (
                    <text x={segment.x + 10} y="27" fontSize="14" fill="var(--slate)">
                      {FATE_WORDS[segment.of]}
                    </text>
                  )}
                </g>
              ))}
          </svg>
          <Problems
            problems={[
              ...(check && !check.ok && check.problem.field === 'shares' ? [check.problem] : []),
              ...save.atHead(...FATES),
            ]}
          />
          <div className={styles.shares}>
            {FATES.map((fate) => (
              <div key={fate} className={styles.share}>
                <Field
                  label={FATE_WORDS[fate]}
                  unit={scaleUnit}
                  inputMode="decimal"
                  autoComplete="off"
                  value={typed[fate]}
                  onChange={(event) => setTyped({ ...typed, [fate]: event.target.value })}
                  problem={at(fate)}
                />
                <Button
                  variant="text"
                  size="small"
                  onClick={() => takeRest(fate)}
                  aria-label={`The rest to: ${FATE_WORDS[fate]}`}
                >
                  the rest here
                </Button>
              </div>
            ))}
          </div>
          {shares.dry > 0 && (
            <div className={styles.eaten}>
              <Choice label="Dry it in the" value={dryMethod} options={DRY_METHODS} onChange={setDryMethod} />
            </div>
          )}
          <div>
            <Button type="submit" variant="contained" size="large" disabled={!check?.ok || save.pending}>
              Divide it so
            </Button>
          </div>
        </div>
        <section aria-labelledby="portions">
          <h3 id="portions">Each dog, each day</h3>
          <ul className="rows">
            {weighed.portions.map((portion) => (
              <li key={portion.dogId} className={styles.portion}>
                <DogMark letters={portion.letters} mark={portion.mark} size={40} />
                <div>
                  <p>
                    {portion.name} <b className={styles.perDay}>{inMass(portion.gramsADay)}</b> a day{' '}
                    <Why of={portion.explanation} about={`${portion.name}’s grams`} />
                  </p>
                  <p className="note">
                    {portion.meals.map((meal) => `${meal.name} ${inMass(meal.grams)}`).join(' · ')}
                  </p>
                  {portion.caution && <p className="note">{portion.caution}</p>}
                </div>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </form>
  );
}

function firstShares(weighed: WeighedView, toType: (grams: number) => string): Record<Fate, string> {
  const stored = weighed.shares;
  return Object.fromEntries(
    FATES.map((fate) => [
      fate,
      toType(stored.length > 0 ? (stored.find((share) => share.fate === fate)?.grams ?? 0) : weighed.suggested[fate]),
    ]),
  ) as Record<Fate, string>;
}
