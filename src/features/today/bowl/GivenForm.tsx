'use client';

import Button from '@mui/material/Button';
import { bowlPart } from '@/core/stock/draw';
import { useState } from 'react';
import { readGiven, type GivenEntry, type GivenMeasure } from '@/core/dog/given';
import type { Problem } from '@/core/problem';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { Segments } from '@/ui/form/Segments';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { feedExtra, giveBetween } from '../actions';
import styles from '../today.module.css';
import type { ShownSource } from '../view';

const WHAT = [
  { value: 'treat', label: 'treat' },
  { value: 'topper', label: 'topper' },
  { value: 'bought', label: 'bought' },
  { value: 'meal', label: 'a meal' },
] as const;
const MEASURES: readonly { value: GivenMeasure; label: string }[] = [
  { value: 'kcal', label: 'kcal' },
  { value: 'piece', label: 'pieces, by kcal each' },
  { value: '100 g', label: 'g, by kcal per 100 g' },
  { value: 'cup', label: 'cups, by kcal a cup' },
  { value: 'unknown', label: 'nobody knows its kcal' },
];
const TAKES = [
  { value: 'off', label: 'take it off its next meals' },
  { value: 'noted', label: 'only write it down' },
] as const;

interface GivenFormProps {
  dog: { readonly id: number; readonly name: string };
  sources: readonly ShownSource[];
  onDone: (over: number) => void;
}

/** A treat, a topper, bought food or another meal, counted into the day and the next one. */
export function GivenForm({ dog, sources, onDone }: GivenFormProps) {
  const { inMass, readScale, scaleUnit } = useUnits();
  const fit = sources.filter((source) => source.place !== 'warm' && !source.notFor?.includes(dog.id));
  const [what, setWhat] = useState<(typeof WHAT)[number]['value']>('treat');
  const [entry, setEntry] = useState<Omit<GivenEntry, 'kind'>>({ name: '', amount: '', measure: 'kcal', label: '' });
  const [takes, setTakes] = useState<(typeof TAKES)[number]['value']>('off');
  const [key, setKey] = useState(fit[0]?.key ?? '');
  const [text, setText] = useState('');
  const [time, setTime] = useState('');
  const [wrong, setWrong] = useState<readonly Problem[]>([]);
  const give = useCommand(giveBetween, `give-${dog.id}`, ({ over }) => onDone(over));
  const feed = useCommand(feedExtra, `extra-${dog.id}`, ({ over }) => onDone(over));
  const used = what === 'meal' ? feed : give;
  const problems = [...wrong, ...used.problems];
  const at = (field: string) => problems.find((problem) => problem.field === field)?.message;
  const change = (part: Partial<typeof entry>) => {
    setWrong([]);
    setEntry({ ...entry, ...part });
  };
  const submit = () => {
    const takesOff = takes === 'off';
    const at = time.trim() === '' ? undefined : time.trim();
    if (what === 'meal') {
      const read = readScale(text);
      setWrong(read.ok ? [] : [{ field: 'grams', message: read.problem.message }]);
      if (read.ok) feed.run({ dogId: dog.id, parts: [bowlPart({ key, grams: read.value })], at, takesOff });
      return;
    }
    const typed = { ...entry, kind: what };
    const read = readGiven(typed);
    setWrong(read.ok ? [] : read.problems);
    if (read.ok) give.run({ dogId: dog.id, entry: typed, at, takesOff });
  };
  const shown = what === 'meal' ? ['grams', 'at'] : ['name', 'amount', 'label', 'at'];
  return (
    <form
      className={styles.given}
      noValidate
      aria-label={`${dog.name} got something else`}
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Segments
        label="What it got"
        value={what}
        options={WHAT}
        onChange={(value) => {
          setWrong([]);
          setWhat(value);
        }}
      />
      {what === 'meal' ? (
        fit.length === 0 ? (
          <p className="note">Nothing is ready that it may have.</p>
        ) : (
          <>
            <Choice
              label="From"
              value={key}
              options={fit.map((source) => ({ value: source.key, label: `${source.code}, ${inMass(source.grams)}` }))}
              onChange={setKey}
            />
            <Field
              label="It got"
              unit={scaleUnit}
              inputMode="decimal"
              autoComplete="off"
              value={text}
              onChange={(event) => setText(event.target.value)}
              problem={at('grams')}
            />
          </>
        )
      ) : (
        <>
          <Field
            label="What it is called"
            autoComplete="off"
            value={entry.name}
            onChange={(event) => change({ name: event.target.value })}
            problem={at('name')}
          />
          <Choice
            label="Counted in"
            value={entry.measure}
            options={MEASURES}
            onChange={(measure) => change({ measure })}
          />
          {entry.measure !== 'unknown' && (
            <Field
              label="How much"
              inputMode="decimal"
              autoComplete="off"
              value={entry.amount}
              onChange={(event) => change({ amount: event.target.value })}
              problem={at('amount')}
            />
          )}
          {entry.measure !== 'unknown' && entry.measure !== 'kcal' && (
            <Field
              label={`kcal per ${entry.measure}`}
              inputMode="decimal"
              autoComplete="off"
              value={entry.label}
              onChange={(event) => change({ label: event.target.value })}
              problem={at('label')}
            />
          )}
        </>
      )}
      <Field
        label="At what time"
        placeholder="now"
        hint="today, such as 07:30; empty means now"
        autoComplete="off"
        value={time}
        onChange={(event) => {
          setWrong([]);
          setTime(event.target.value);
        }}
        problem={at('at')}
      />
      <Segments label="Its next meals" value={takes} options={TAKES} onChange={setTakes} />
      {what !== 'meal' && entry.measure === 'unknown' && takes === 'off' && (
        <p className="note">Of what nobody knows, nothing can be taken off.</p>
      )}
      <Problems problems={problems.filter(({ field }) => field === undefined || !shown.includes(field))} />
      <Button type="submit" variant="contained" disabled={used.pending || (what === 'meal' && fit.length === 0)}>
        It got that
      </Button>
    </form>
  );
}
