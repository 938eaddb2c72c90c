'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { writeMinutes } from '@/core/plan/stove';
import { countOf } from '@/core/quantity/count-words';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { writeNextTime } from '../actions';
import type { BatchView } from '../view';
import type { StoveView } from './queries';
import styles from './stove.module.css';

/** What this cook day taught, offered to the recipe's next version: how long it took, and the cook's own words. */
export function NextTime({ view, stove }: { view: BatchView; stove: StoveView }) {
  const [note, setNote] = useState(stove.note ?? '');
  const [kept, setKept] = useState<number>();
  const save = useCommand(writeNextTime, `next-time-${view.id}`, ({ number }: { number: number }) => setKept(number));
  const isOver = stove.day.tasks.some((task) => task.kind === 'cook' && task.state === 'done');
  if (!isOver) return null;
  const { taught } = stove;
  const changed = note.trim() !== (stove.note ?? '');
  return (
    <form
      className={styles.why}
      aria-labelledby="next-time"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        save.run({
          batchId: view.id,
          minutes: taught.map(({ component, minutes }) => ({ component, minutes })),
          note,
        });
      }}
    >
      <h3 id="next-time">Next time</h3>
      <Problems problems={save.problems} />
      {taught.map(({ component, name, said, minutes, loads, spread }) => (
        <p key={component}>
          {name}: it took <b>{writeMinutes(minutes)}</b>
          {loads > 1 && ` (${countOf(loads, 'load')}, ${spread} min apart)`},{' '}
          {said === undefined ? 'and the recipe says nothing' : `the recipe says ${writeMinutes(said)}`}.
        </p>
      ))}
      <Field
        label="To remember"
        placeholder="less water"
        value={note}
        onChange={(event) => setNote(event.target.value)}
        autoComplete="off"
      />
      <div className={styles.acts}>
        <Button type="submit" variant="outlined" disabled={save.pending || (taught.length === 0 && !changed)}>
          Into the next version
        </Button>
        {kept !== undefined && <p role="status">It is in version {kept}.</p>}
      </div>
    </form>
  );
}
