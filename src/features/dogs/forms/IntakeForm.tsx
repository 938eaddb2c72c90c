'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { addDays, writeDay } from '@/core/calendar/local-date';
import { dayEnergy } from '@/core/dog/day-energy';
import { recentWeighIns } from '@/core/dog/trend';
import { writeNumber } from '@/core/quantity/write';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { reportIntake } from '../actions';
import type { DogHistory, DogView } from '../queries';
import { nth } from '@/core/sure';

/** What a dog really got over some weeks, where no bowls were pressed: it lets the proposal be fitted to this dog. */
export function IntakeForm({ view, reports }: { view: DogView; reports: DogHistory['reports'] }) {
  const { dog, today } = view;
  const [typed, setTyped] = useState<Partial<Record<'from' | 'to' | 'kcal', string>>>({});
  const yesterday = addDays(today, -1);
  const first = nth(recentWeighIns(dog.weighIns), 0).date;
  // What nobody has typed over follows the weigh-ins as they come in.
  const entry = {
    from: first < yesterday ? first : yesterday,
    to: yesterday,
    kcal: String(Math.round(dayEnergy(dog, today).kcal)),
    ...typed,
  };
  const save = useCommand(reportIntake, `intake-${dog.id}`);
  const change = (part: typeof typed) => setTyped({ ...typed, ...part });
  return (
    <section aria-labelledby="eaten">
      <h2 id="eaten">What it really ate</h2>
      <p className="note">
        Bowls that were pressed on Today count by themselves. For other weeks say it here, extras and all: then the
        proposal is fitted to {dog.name}.
      </p>
      {reports.map((report) => (
        <p key={report.from + report.to} className="note">
          {writeDay(report.from, today)} to {writeDay(report.to, today)}: {writeNumber(report.kcal, 0)} kcal a day
        </p>
      ))}
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          save.run({ dogId: dog.id, from: entry.from, to: entry.to, kcal: Number(entry.kcal.replace(',', '.')) || 0 });
        }}
      >
        <Problems problems={save.atHead('from', 'to', 'kcal')} />
        <Field
          label="From day"
          type="date"
          value={entry.from}
          problem={save.at('from')}
          onChange={(event) => change({ from: event.target.value })}
        />
        <Field
          label="To day"
          type="date"
          value={entry.to}
          problem={save.at('to')}
          onChange={(event) => change({ to: event.target.value })}
        />
        <Field
          label="kcal a day, all in all"
          inputMode="numeric"
          value={entry.kcal}
          problem={save.at('kcal')}
          onChange={(event) => change({ kcal: event.target.value })}
        />
        <div>
          <Button type="submit" variant="outlined" disabled={save.pending}>
            Note it
          </Button>
        </div>
      </form>
    </section>
  );
}
