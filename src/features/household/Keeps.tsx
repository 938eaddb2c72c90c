'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { countOf } from '@/core/quantity/count-words';
import { nth } from '@/core/sure';
import { Caution } from '@/ui/Caution';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { redateStock, saveKeeps } from './actions';
import styles from './household.module.css';
import type { HouseholdView } from './queries';

const FIELDS = [
  { name: 'days', label: 'safe, days' },
  { name: 'months', label: 'at its best, months' },
  { name: 'fattyMonths', label: 'the same when fat' },
] as const;

/** How many packs are named of those that other rules date. */
const NAMED = 6;

/** How long things keep in this house, each with its source; what is in stock is dated anew only by a press. */
export function Keeps({ keeps }: { keeps: HouseholdView['keeps'] }) {
  const [entry, setEntry] = useState(keeps.entry);
  const save = useCommand(saveKeeps, 'keeps');
  const redate = useCommand(redateStock, 'redate');
  const { old } = keeps;
  return (
    <section aria-labelledby="keeps" className={`stack ${styles.apart}`}>
      <h2 id="keeps">How long things keep</h2>
      {old.length > 0 && (
        <Caution role="status">
          {countOf(old.length, 'pack')} {old.length === 1 ? 'was' : 'were'} packed by other rules and{' '}
          {old.length === 1 ? 'keeps' : 'keep'} the date of that day:{' '}
          {old
            .slice(0, NAMED)
            .map(({ code, said }) => `${code} ${said}`)
            .join(', ')}
          {old.length > NAMED && ` and ${old.length - NAMED} more`}.{' '}
          <Button variant="outlined" size="small" disabled={redate.pending} onClick={() => redate.run({})}>
            Date them by today’s rules
          </Button>
        </Caution>
      )}
      <Problems problems={redate.problems} />
      <Fold title="Days and months, kind by kind" lazy>
        <form
          className="stack"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            save.run({ entry });
          }}
        >
          <ul className="rows">
            {entry.rows.map((row, index) => (
              <li key={index} className={styles.keeps}>
                <span>
                  <b>{row.kind}</b>, {row.place}
                  {row.packaging && `, ${row.packaging.join(', ')}`}{' '}
                  <span className="note">{nth(keeps.sources, index)}</span>
                </span>
                {FIELDS.filter(({ name }) => nth(keeps.entry.rows, index)[name] !== '').map(({ name, label }) => (
                  <Field
                    key={name}
                    label={`${label}: ${row.kind}, ${row.place}`}
                    hideLabel
                    unit={label}
                    inputMode="numeric"
                    autoComplete="off"
                    value={row[name]}
                    onChange={(event) => {
                      save.clear();
                      setEntry({
                        rows: entry.rows.map((own, at) =>
                          at === index ? { ...own, [name]: event.target.value } : own,
                        ),
                      });
                    }}
                    problem={save.at(`rows.${index}.${name}`)}
                  />
                ))}
              </li>
            ))}
          </ul>
          <p className="note">
            The fridge days of cooked food and broth are those above. What is packed from now on is dated by this; what
            is in stock only when you say so.
          </p>
          <Problems
            problems={save.atHead(
              ...entry.rows.flatMap((_, index) => FIELDS.map(({ name }) => `rows.${index}.${name}`)),
            )}
          />
          <div>
            <Button type="submit" variant="outlined" disabled={save.pending}>
              Keep so long
            </Button>
          </div>
        </form>
      </Fold>
    </section>
  );
}
