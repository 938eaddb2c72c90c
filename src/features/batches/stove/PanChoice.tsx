'use client';

import { useState } from 'react';
import { COOLING_LIMITS } from '@/core/heat/cooling';
import { AROUND } from '@/core/heat/pans';
import { writeMinutes } from '@/core/plan/stove';
import { Segments } from '@/ui/form/Segments';
import { Working } from '@/ui/Working';
import { useUnits } from '@/ui/units';
import styles from './stove.module.css';
import { useHelp } from './use-help';

const DEPTHS = ['2', '3', '4', '6'] as const;
type Depth = (typeof DEPTHS)[number];
const OPTIONS = DEPTHS.map((depth) => ({ value: depth, label: `${depth} cm` }));

/** The pan chosen before it is filled: how deep, and where it comes down in time. The depth is kept with the pan. */
export function PanChoice({ onDepth }: { onDepth: (cm: number) => void }) {
  const { inDegrees } = useUnits();
  // Nobody is taken to have said a depth: it is chosen, or not known.
  const [depth, setDepth] = useState<Depth | ''>('');
  const { from, first } = COOLING_LIMITS;
  const help = useHelp(
    { where: 'counter', depth: Number(depth), ambient: AROUND.counter.celsius },
    depth === '' ? undefined : from,
    first.celsius,
    undefined,
  );
  return (
    <div className={styles.why}>
      <p className="soft">
        How deep it lies, and from {inDegrees(from)} to {inDegrees(first.celsius)} within {writeMinutes(first.minutes)}:
      </p>
      <Segments<Depth | ''>
        label="How deep"
        value={depth}
        options={OPTIONS}
        onChange={(next) => {
          setDepth(next);
          if (next !== '') onDepth(Number(next));
        }}
      />
      {help === undefined ? (
        <Working said="Working out how it cools" />
      ) : help.length === 0 ? null : (
        <ul className="rows" aria-label="How long it cools">
          {help
            .filter((each) => !each.pans && !each.stirred)
            .map(({ where, minutes }) => {
              const inTime = minutes !== undefined && minutes <= first.minutes;
              return (
                <li key={where} className="spread">
                  <span>{AROUND[where].words}</span>
                  <b className={inTime ? styles.inOrder : styles.danger}>
                    {inTime ? '' : '✕ '}
                    {minutes === undefined ? 'not in a day' : writeMinutes(minutes)}
                  </b>
                </li>
              );
            })}
        </ul>
      )}
      <p className="note">a covered slab of this food; conductivity and surfaces from memory</p>
    </div>
  );
}
