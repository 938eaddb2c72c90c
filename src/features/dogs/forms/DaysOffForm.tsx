'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { writeDay } from '@/core/calendar/local-date';
import { DAYS_OFF, sayOff, type DaysOffEntry } from '@/core/dog/days-off';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { addDaysOff, endDaysOff } from '../actions';
import styles from '../dogs.module.css';
import type { DogView } from '../queries';
import { DogForm } from './DogForm';

const WORDS = {
  away: 'is away: not fed here',
  fast: 'fasts, before the vet',
  guest: 'is a guest: fed here on these days alone',
} as const;
const SHORT = { away: 'away', fast: 'fasts', guest: 'a guest' } as const;

/** Days away, a fast, a guest's stay: nothing is fed, planned or thawed for the other days. */
export function DaysOffForm({ view: { dog, today } }: { view: DogView }) {
  const empty: DaysOffEntry = { kind: 'away', from: today, to: today };
  const [entry, setEntry] = useState(empty);
  const add = useCommand(addDaysOff, `days-off-${dog.id}`, () => setEntry(empty));
  const end = useCommand(endDaysOff, `end-days-off-${dog.id}`);
  const change = (part: Partial<DaysOffEntry>) => {
    add.clear();
    setEntry({ ...entry, ...part });
  };
  const nameOf = (slotId: number) => dog.slots.find(({ id }) => id === slotId)?.name ?? 'one meal';
  const now = sayOff(dog.daysOff, today);
  return (
    <DogForm dog={dog} title={`${dog.name}’s days`} beside={<p>{now ? `${dog.name} ${now}.` : 'Fed here today.'}</p>}>
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          add.run({ dogId: dog.id, entry });
        }}
      >
        <Choice
          label={`${dog.name} …`}
          value={entry.kind}
          options={DAYS_OFF.map((value) => ({ value, label: WORDS[value] }))}
          onChange={(kind) => change({ kind })}
        />
        <div className={styles.fields}>
          <Field
            label="From"
            type="date"
            value={entry.from}
            onChange={(event) => change({ from: event.target.value })}
            problem={add.at('from')}
          />
          <Field
            label="To and with"
            type="date"
            value={entry.to}
            onChange={(event) => change({ to: event.target.value })}
            problem={add.at('to')}
          />
          {entry.kind !== 'guest' && (
            <Choice
              label="Which meals"
              value={entry.slotId === undefined ? '' : String(entry.slotId)}
              options={[
                { value: '', label: 'all of them' },
                ...dog.slots.map(({ id, name }) => ({ value: String(id), label: `${name} alone` })),
              ]}
              onChange={(slot) => {
                const { kind, from, to } = entry;
                add.clear();
                setEntry({ kind, from, to, ...(slot === '' ? {} : { slotId: Number(slot) }) });
              }}
            />
          )}
        </div>
        <Problems problems={add.atHead('from', 'to')} />
        <div>
          <Button type="submit" variant="contained" size="large" disabled={add.pending} data-next-act>
            Keep these days
          </Button>
        </div>
      </form>
      <Problems problems={end.problems} />
      {dog.daysOff.length > 0 && (
        <ul className="rows" aria-label="Kept days">
          {dog.daysOff.map((off) => (
            <li key={off.id} className="spread">
              <span>
                <b>{SHORT[off.kind]}</b> {writeDay(off.from, today)}
                {off.to !== off.from && ` to ${writeDay(off.to, today)}`}
                {off.slotId !== undefined && `, ${nameOf(off.slotId)} alone`}
              </span>
              <Button
                variant="text"
                size="small"
                disabled={end.pending}
                onClick={() => end.run({ dogId: dog.id, offId: off.id })}
              >
                take back
              </Button>
            </li>
          ))}
        </ul>
      )}
    </DogForm>
  );
}
