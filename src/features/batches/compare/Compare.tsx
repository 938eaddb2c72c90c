'use client';

import { kcalADay, lastsOf } from '@/core/portion/lasts';
import { useState } from 'react';
import { compareFates, type FateFigures, type KeptFate } from '@/core/preserve/fates';
import { writeHours } from '@/core/preserve/drying-words';
import { writeDay } from '@/core/calendar/local-date';
import { countOf } from '@/core/quantity/count-words';
import { writeMoney, writeNumber } from '@/core/quantity/write';
import { keepingBars } from '@/ui/charts/keeping-bars';
import { Field } from '@/ui/form/Field';
import { Fold } from '@/ui/Fold';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import type { BatchView } from '../view';
import type { YieldView } from '../weighed/view';
import styles from './compare.module.css';

const TITLES: Readonly<Record<KeptFate, string>> = {
  fridge: 'Fridge',
  freezer: 'Freezer',
  dehydrated: 'Dehydrated',
  'freeze-dried': 'Freeze-dried',
};
const FILLS: Readonly<Record<KeptFate, string>> = {
  fridge: 'var(--fjord-pale)',
  freezer: 'color-mix(in srgb, var(--fjord) 45%, var(--enamel-raised))',
  dehydrated: 'color-mix(in srgb, var(--honey) 45%, var(--enamel-raised))',
  'freeze-dried': 'color-mix(in srgb, var(--honey) 22%, var(--enamel-raised))',
};
const [WIDTH, HEIGHT] = [200, 90];
/** A usual pack, g, where nobody has divided it yet (ours, no source). */
const PACK = 500;

/** Before it is divided: one amount, and what each fate would make of it, side by side. */
export function Compare({ view, of }: { view: BatchView; of: YieldView }) {
  return (
    <Fold title="What could become of it, side by side" lazy>
      <Fates view={view} of={of} />
    </Fold>
  );
}

function Fates({ view, of }: { view: BatchView; of: YieldView }) {
  const { inMass, readScale, scaleUnit, toType } = useUnits();
  const usual = Math.max(0, Math.round(of.net) - of.suggested.today - of.suggested.fridge);
  const [text, setText] = useState(toType(usual > 0 ? usual : Math.round(of.net)));
  const read = readScale(text);
  const { weighed, compare } = view;
  if (!weighed || !compare) return null;
  const grams = read.ok ? Number(read.value) : undefined;
  const fates =
    grams === undefined || grams <= 0
      ? []
      : compareFates({
          ...compare,
          grams,
          water: of.water,
          density: of.density,
          kcalADay: kcalADay(weighed.portions, of.density),
          packs: Array.from({ length: Math.ceil(grams / PACK) }, (_, index) => Math.min(PACK, grams - index * PACK)),
        });
  const aDay = weighed.portions.map(({ gramsADay }) => gramsADay);
  const days = grams === undefined ? undefined : lastsOf(grams, aDay).together;
  const drawn = keepingBars(
    fates.map(({ until, millilitres }) => ({ until, millilitres })),
    view.today,
    { width: WIDTH, height: HEIGHT },
  );
  return (
    <div className="stack">
      <div className={styles.asked}>
        <Field
          label="For an amount of"
          unit={scaleUnit}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(event) => setText(event.target.value)}
          problem={read.ok ? undefined : read.problem.message}
        />
        {days !== undefined && <p className="soft">feeds all of them {writeNumber(days, 1)} days</p>}
      </div>
      <div className={styles.fates}>
        {fates.map((fate, index) => (
          <section key={fate.fate} aria-label={TITLES[fate.fate]} className="stack">
            <h3>{TITLES[fate.fate]}</h3>
            <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" aria-hidden>
              <rect
                x="1"
                y={HEIGHT - 22 - (drawn[index]?.tall ?? 0)}
                width={drawn[index]?.wide ?? 0}
                height={drawn[index]?.tall ?? 0}
                fill={FILLS[fate.fate]}
                stroke="var(--slate)"
                strokeWidth="1.5"
              />
              <path d={`M0 ${HEIGHT - 8}H${WIDTH}`} stroke="var(--edge)" />
              <path d={`M0 ${HEIGHT - 8}H${drawn[index]?.keeps ?? 0}`} stroke="var(--kale)" strokeWidth="6" />
            </svg>
            <dl className={styles.figures}>
              <Figures fate={fate} today={view.today} currency={compare.currency} inMass={inMass} />
              {compare.notes[fate.fate] && (
                <>
                  <dt>noted</dt>
                  <dd>{compare.notes[fate.fate]}</dd>
                </>
              )}
            </dl>
          </section>
        ))}
      </div>
      <p className="note">
        Boxes are as large as what is stored, green lines as long as it keeps (a year is the whole width).
        {compare.kwhMinor === undefined && ' What a kWh costs stands in the Household: then it says the price.'}
      </p>
    </div>
  );
}

interface FiguresProps {
  fate: FateFigures;
  today: BatchView['today'];
  currency: string;
  inMass: (grams: number) => string;
}

function Figures({ fate, today, currency, inMass }: FiguresProps) {
  const { hours, energy, cost, costADay } = fate;
  return (
    <>
      <dt>keeps</dt>
      <dd>
        {fate.until ? `to ${writeDay(fate.until, today)}` : 'open'} <span className="note">{fate.why}</span>
      </dd>
      <dt>takes up</dt>
      <dd>
        {writeNumber(fate.millilitres / 1000, 1)} L, {inMass(Math.round(fate.grams))}
      </dd>
      <dt>ready in</dt>
      <dd>
        {hours === undefined ? 'not known' : hours.hours === 0 ? 'at once' : writeHours(hours.hours)}
        {hours && hours.high - hours.low > 0.5 && (
          <span className="note">
            {' '}
            {writeHours(hours.low)} to {writeHours(hours.high)},
          </span>
        )}
        {hours?.why && (
          <span className="note">
            {' '}
            {hours.of > 0 ? `by ${countOf(hours.of, 'measurement')} of this kitchen` : 'as reckoned'}{' '}
            <Why of={hours.why} about={`when it is ready, ${TITLES[fate.fate]}`} />
          </span>
        )}
      </dd>
      <dt>electricity</dt>
      <dd>
        {energy === undefined
          ? fate.fate === 'fridge'
            ? 'it runs anyway'
            : 'not known'
          : `${writeNumber(energy, 1)} kWh${cost === undefined ? '' : `, ${writeMoney(cost, currency)}`}`}
        {costADay !== undefined && <span className="note"> {writeMoney(costADay, currency)} a day</span>}
      </dd>
      <dt>work</dt>
      <dd>{fate.work}</dd>
      <dt>room</dt>
      <dd className={fate.room && !fate.room.fits ? 'caution' : undefined}>{fate.room?.said ?? 'not known'}</dd>
    </>
  );
}
