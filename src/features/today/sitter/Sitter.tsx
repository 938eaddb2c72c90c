'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { BOWL_HOURS } from '@/core/stock/left';
import { REHYDRATED_RULE } from '@/core/preserve/rehydrate';
import { DogBadge } from '@/ui/badges/badges';
import { Field } from '@/ui/form/Field';
import { Print } from '@/ui/print/Print';
import { figureDay } from '@/ui/figure';
import { EmptyRoom } from '@/ui/room';
import styles from './sitter.module.css';
import type { SitterMeal, SitterView } from './queries';

/** The days to be fed, one under the other: what goes into each bowl, what comes out of the freezer, what no dog gets. */
export function Sitter({ view }: { view: SitterView }) {
  const router = useRouter();
  const [from, setFrom] = useState(view.typed.from);
  const [to, setTo] = useState(view.typed.to);
  if (view.dogs.length === 0) {
    return (
      <EmptyRoom title="Nobody to feed yet" act={{ href: '/dogs/new', label: 'Add the first dog' }}>
        Then a sheet for whoever looks after the dogs can be printed here.
      </EmptyRoom>
    );
  }
  const at = (field: string) => (view.problem?.field === field ? view.problem.message : undefined);
  return (
    <Print
      beside={
        <form
          className={styles.range}
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            router.push(`/sitter?${new URLSearchParams({ from, to }).toString()}`);
          }}
        >
          <Field
            label="From"
            type="date"
            value={from}
            onChange={(event) => setFrom(event.target.value)}
            problem={at('from')}
          />
          <Field label="To" type="date" value={to} onChange={(event) => setTo(event.target.value)} problem={at('to')} />
          <Button type="submit" variant="outlined">
            Show these days
          </Button>
        </form>
      }
    >
      <h1>Feeding the dogs</h1>
      <p>{view.said}</p>
      <ul className={styles.dogs}>
        {view.dogs.map((dog) => (
          <li key={dog.id}>
            <DogBadge letters={dog.letters} badge={dog.badge} size={28} />
            <span>
              <b>{dog.name}</b> {dog.facts.join(', ')}
              {dog.never.length > 0 && <b> · never: {dog.never.join(', ')}</b>}
            </span>
          </li>
        ))}
      </ul>
      {view.before.length > 0 && (
        <p>
          Before these days, from the freezer into the fridge: <b>{view.before.join(', ')}</b>
        </p>
      )}
      {view.days.map((day) => (
        <section key={day.day} className={styles.day} aria-label={day.said}>
          <h2>{day.said}</h2>
          <table className={styles.meals}>
            <thead className="away">
              <tr>
                <th scope="col">When</th>
                <th scope="col">Dog</th>
                <th scope="col">Into the bowl</th>
              </tr>
            </thead>
            <tbody>
              {rowsOf(day).map(({ key, clock, slotName, name, from: parts, additions, off }) => (
                <tr key={key}>
                  <td>
                    <span className={styles.box} aria-hidden /> {clock} {slotName}
                  </td>
                  <th scope="row">{name}</th>
                  <td>
                    {off ??
                      [
                        ...(parts.length > 0 ? parts : ['nothing is there: ask']),
                        ...additions.map((each) => `+ ${each}`),
                      ].map((each) => <div key={each}>{each}</div>)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {day.dogs
            .filter(({ isShort }) => isShort)
            .map(({ id, name }) => (
              <p key={id}>
                <b>What is in store is not enough for {name} on this day: ask.</b>
              </p>
            ))}
          {day.dogs
            .filter(({ beside }) => beside.length > 0)
            .map(({ id, name, beside }) => (
              <p key={id}>
                {name} gets besides: {beside.join('; ')}
              </p>
            ))}
          {day.takeOut.length > 0 && (
            <p>
              <span className={styles.box} aria-hidden /> in the evening, from the freezer into the fridge:{' '}
              {day.takeOut.map(({ code, said }, index) => (
                <b key={code} {...figureDay('out of the freezer', code, day.day)}>
                  {index > 0 && ', '}
                  {said}
                </b>
              ))}
            </p>
          )}
        </section>
      ))}
      <p>
        What is left in a bowl for {BOWL_HOURS} hours is thrown away, and so is what smells odd.
        {view.isDry && ` Dry food: ${REHYDRATED_RULE}.`}
      </p>
      <p className={styles.write}>Vet, and where we are:</p>
    </Print>
  );
}

interface Row extends Omit<SitterMeal, 'slotId'> {
  readonly key: string;
  readonly name: string;
  readonly off: string | undefined;
}

/** The meals of a day by the clock; a dog that gets nothing is one line. */
function rowsOf(day: SitterView['days'][number]): Row[] {
  return day.dogs
    .flatMap(({ id, name, off, meals }): Row[] =>
      off === undefined
        ? meals.map((meal) => ({ ...meal, key: `${id}-${meal.slotId}`, name, off: meal.off }))
        : [{ key: `${id}`, clock: '', slotName: '', name, from: [], additions: [], off }],
    )
    .sort((a, b) => a.clock.localeCompare(b.clock));
}
