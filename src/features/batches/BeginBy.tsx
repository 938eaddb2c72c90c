'use client';

import { useState } from 'react';
import { beginBy } from '@/core/cook/begin-by';
import { writeMinutes } from '@/core/plan/stove';
import { capital } from '@/core/quantity/write';
import { Field } from '@/ui/form/Field';
import styles from './weigh-out.module.css';

/** How long the day takes, and when to begin so that it is done at a time. */
export function BeginBy({ minutes, habits }: { minutes: number; habits: readonly string[] }) {
  const [done, setDone] = useState('');
  const begin = beginBy(done, minutes);
  return (
    <div className={styles.beginBy}>
      <p className="soft">
        About <b>{writeMinutes(minutes)}</b> from the first root to the pans, for one cook.
        {habits.map((said) => (
          <span key={said} className="note">
            {' '}
            {capital(said)}.
          </span>
        ))}
      </p>
      <Field
        label="All done at"
        placeholder="18:00"
        autoComplete="off"
        value={done}
        onChange={(event) => setDone(event.target.value)}
        problem={!begin.ok && done.length > 3 ? begin.problem.message : undefined}
      />
      {begin.ok && (
        <p role="status">
          Begin at <b>{begin.value.clock}</b>
          {begin.value.daysBefore > 0 &&
            ` ${begin.value.daysBefore === 1 ? 'the day' : `${begin.value.daysBefore} days`} before`}
          .
        </p>
      )}
    </div>
  );
}
