'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { PlatingEntry } from '@/core/portion/plated';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { sure } from '@/core/sure';
import { platePot } from './actions';
import styles from './batches.module.css';
import type { BatchView } from './view';

const WAYS = [
  { value: 'as weighed', label: 'as much of each as there is' },
  { value: 'parts', label: 'our own parts' },
  { value: 'same', label: 'every dog the same of one' },
] as const;

/** How what is kept apart goes into the bowls, so that every dog's day is met. */
export function PlatingForm({ view, plating }: { view: BatchView; plating: PlatingEntry }) {
  const { scaleUnit } = useUnits();
  const { yields } = sure(view.weighed);
  const [typed, setTyped] = useState(plating);
  const save = useCommand(platePot, `plate-${view.id}`);
  const send = (entry: PlatingEntry) => save.run({ batchId: view.id, entry, revision: view.revision });
  const change = (part: Partial<PlatingEntry>) => {
    save.clear();
    setTyped({ ...typed, ...part });
  };
  const shown = [...yields.map((_, index) => `parts.${index}`), 'size'];
  return (
    <form
      className={styles.packPlan}
      noValidate
      aria-label="How they are plated"
      onSubmit={(event) => {
        event.preventDefault();
        send(typed);
      }}
    >
      <Choice
        label="Each dog’s day is made of"
        value={typed.by}
        options={WAYS}
        onChange={(by) => {
          change({ by });
          if (by === 'as weighed') send({ ...typed, by });
        }}
      />
      {typed.by === 'parts' &&
        yields.map(({ place, name }, index) => (
          <Field
            key={place}
            label={`Parts of ${name}`}
            inputMode="decimal"
            autoComplete="off"
            value={typed.parts[index] ?? ''}
            onChange={(event) =>
              change({ parts: yields.map((_, at) => (at === index ? event.target.value : (typed.parts[at] ?? ''))) })
            }
            problem={save.at(`parts.${index}`)}
            hint="by weight"
          />
        ))}
      {typed.by === 'same' && (
        <>
          <Choice
            label="The same of"
            value={String(typed.place)}
            options={yields.map(({ place, name }) => ({ value: String(place), label: name }))}
            onChange={(place) => change({ place: Number(place) })}
          />
          <Field
            label="Each dog, a day"
            unit={scaleUnit}
            inputMode="decimal"
            autoComplete="off"
            value={typed.size}
            onChange={(event) => change({ size: event.target.value })}
            problem={save.at('size')}
            hint="the rest of its day from the others"
          />
        </>
      )}
      {typed.by !== 'as weighed' && (
        <Button type="submit" variant="outlined" disabled={save.pending}>
          Plate it so
        </Button>
      )}
      <Problems problems={save.atHead(...shown)} />
    </form>
  );
}
