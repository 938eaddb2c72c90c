import { countOf } from '@/core/quantity/count-words';
import type { ReactNode } from 'react';
import { addDays, daysBetween, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { weightOn } from '@/core/dog/day-energy';
import type { Dog } from '@/core/dog/dog';
import { isGrowing } from '@/core/dog/stage';
import { targetBand } from '@/core/dog/target';
import { trendOf, withoutSlips } from '@/core/dog/trend';
import { GRAMS_PER_POUND, type UnitSet } from '@/core/quantity/units';
import { writeNumber, writeWeight } from '@/core/quantity/write';
import { weightCurve } from '@/ui/charts/weight-curve';
import styles from './dogs.module.css';
import { nth, sure } from '@/core/sure';

/** Across a column, or in the margin beside what a dog eats. */
const SIZES = { wide: { width: 720, height: 150 }, slim: { width: 290, height: 150 } } as const;
const WEEKS_AHEAD = 8;

interface WeightCurveProps {
  dog: Dog;
  today: LocalDate;
  set: UnitSet;
  /** The first day that is drawn; none: all of it. */
  from?: LocalDate;
  size?: keyof typeof SIZES;
  children?: ReactNode;
}

/** The weigh-ins so far with their trend and the target band, and for a pup the way it is expected to grow. */
export function WeightCurve({ dog, today, set, from, size = 'wide', children }: WeightCurveProps) {
  const SIZE = SIZES[size];
  const all = withoutSlips(dog.weighIns);
  const late = from === undefined ? all : all.filter((each) => each.date >= from);
  // A dog that was last weighed long ago still shows where it was.
  const weighed = late.length > 1 ? late : all.slice(-2);
  const counted = dog.weighIns.filter((each) => from === undefined || each.date >= from).length;
  const past = weighed.map((each) => ({ day: daysBetween(today, each.date), grams: each.grams }));
  const growing = isGrowing(dog, today);
  const ahead = growing
    ? Array.from({ length: WEEKS_AHEAD + 1 }, (_, week) => ({
        day: week * 7,
        grams: weightOn(dog, addDays(today, week * 7)),
      }))
    : [];
  const trend = growing ? undefined : trendOf(dog.weighIns);
  const line = trend?.ok
    ? [trend.value.first, trend.value.last].map((day) => ({
        day: daysBetween(today, day),
        grams: trend.value.at(day),
      }))
    : [];
  const band = targetBand(dog, today);
  const curve = weightCurve({ past, ahead, trend: line, band }, SIZE, set === 'us' ? GRAMS_PER_POUND : 1000);
  const last = sure(dog.weighIns.at(-1));
  const slipped = weighed.filter((each) => each.slipped);
  return (
    <section aria-labelledby="scale" className="stack">
      <div className="spread">
        <div className="titleRow">
          <h2 id="scale">On the scale</h2>
          <p className="note">
            {countOf(counted, 'weigh-in')}
            {counted < dog.weighIns.length && ' of late'}, last {writeWeight(last.grams, set)} on{' '}
            {writeDay(last.date, today)}
            {trend?.ok && `; ${signed(trend.value.percentAWeek)} % a week`}
            {ahead.length > 0 && `; in eight weeks about ${writeWeight(sure(ahead.at(-1)).grams, set)}`}
            {band && `; target ${writeWeight(band[0], set)} to ${writeWeight(band[1], set)}, shaded`}
          </p>
        </div>
        {children}
      </div>
      <svg
        viewBox={`-44 -10 ${SIZE.width + 80} ${SIZE.height + 40}`}
        width="100%"
        className={`${styles.curve} ${size === 'slim' ? styles.slim : ''}`}
        aria-hidden
      >
        {curve.band && (
          <rect
            x="0"
            y={curve.band.y}
            width={SIZE.width}
            height={curve.band.height}
            fill="var(--kale)"
            opacity="0.13"
          />
        )}
        {curve.ticks.map((tick) => (
          <g key={tick.value}>
            <path d={`M0 ${tick.y}H${SIZE.width}`} stroke="var(--edge)" />
            <text x="-8" y={tick.y + 4} textAnchor="end" fill="var(--slate-soft)">
              {tick.value}
            </text>
          </g>
        ))}
        <path d={curve.aheadPath} fill="none" stroke="var(--carrot)" strokeWidth="2" strokeDasharray="5 5" />
        <path
          d={line.length > 0 ? curve.trendPath : curve.pastPath}
          fill="none"
          stroke="var(--carrot)"
          strokeWidth="3"
        />
        {curve.points.map((point, index) => (
          <circle
            key={index}
            cx={point.x}
            cy={point.y}
            r="5"
            fill="var(--enamel-raised)"
            stroke="var(--slate)"
            strokeWidth="2"
            strokeDasharray={nth(weighed, index).slipped ? '2 2' : undefined}
          />
        ))}
        {curve.days.map((tick) => (
          <text key={tick.day} x={tick.x} y={SIZE.height + 20} textAnchor="middle" fill="var(--slate-soft)">
            {tick.day === 0 ? 'today' : writeDay(addDays(today, tick.day), today).slice(4)}
          </text>
        ))}
        <text x="-8" y={SIZE.height + 20} textAnchor="end" fill="var(--slate-soft)">
          {set === 'us' ? 'lb' : 'kg'}
        </text>
      </svg>
      {slipped.length > 0 && (
        <p className="caution">
          {slipped.map((each) => writeDay(each.date, today)).join(', ')}: kg and lb look swapped. The trend reads{' '}
          {slipped.map((each) => writeWeight(each.grams, set)).join(', ')}; take the weigh-in back and write it anew.
        </p>
      )}
    </section>
  );
}

const signed = (value: number) => `${value < -0.004 ? '−' : '+'}${writeNumber(Math.abs(value), 2)}`;
