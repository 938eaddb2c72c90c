'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { addDays } from '@/core/calendar/local-date';
import { groupsOf, type Section } from '@/core/vet/sheet';
import { Field } from '@/ui/form/Field';
import { LinkButton } from '@/ui/LinkButton';
import type { VetView } from './queries';
import styles from './vet.module.css';

/** Days back that are chosen with a press. */
const SPANS = [
  { days: 14, name: 'A fortnight' },
  { days: 42, name: 'Six weeks' },
  { days: 91, name: 'A quarter' },
  { days: 366, name: 'A year' },
];

/** The two pages for a dog's vet: over which days, to the printer or as CSV, and as they will be read. */
export function VetPages({ view: { dog, today, made, problems, ...asked } }: { view: VetView }) {
  const router = useRouter();
  const [from, setFrom] = useState(asked.from);
  const [to, setTo] = useState(asked.to);
  const query = (range: { from: string; to: string }) => new URLSearchParams(range).toString();
  const show = (range: { from: string; to: string }) => router.push(`/dogs/${dog.id}/vet?${query(range)}`);
  const at = (field: string) => problems.find((problem) => problem.field === field)?.message;
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>Two pages for {dog.name}’s vet</h1>
        {made && <p className="soft">{made.sheet.under}</p>}
      </div>
      <form
        className={styles.days}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          show({ from, to });
        }}
      >
        <Field
          label="From"
          type="date"
          value={from}
          problem={at('from')}
          onChange={(event) => setFrom(event.target.value)}
        />
        <Field label="To" type="date" value={to} problem={at('to')} onChange={(event) => setTo(event.target.value)} />
        <Button type="submit" variant="outlined">
          Show these days
        </Button>
        <span className={styles.spans}>
          {SPANS.map(({ days, name }) => (
            <LinkButton
              key={days}
              variant="text"
              href={`/dogs/${dog.id}/vet?${query({ from: addDays(today, 1 - days), to: today })}`}
            >
              {name}
            </LinkButton>
          ))}
        </span>
      </form>
      {made && (
        <>
          <div className={styles.acts}>
            <Button
              variant="contained"
              size="large"
              component="a"
              href={`/api/vet/${dog.id}?${query(made.range)}`}
              target="_blank"
              rel="noopener"
            >
              Print two pages
            </Button>
            <Button variant="outlined" component="a" href={`/api/vet/${dog.id}?${query(made.range)}&as=csv`}>
              All figures as CSV
            </Button>
            <Link href={`/dogs/${dog.id}`}>To {dog.name}</Link>
            <Link href={`/dogs/${dog.id}/diary`}>Its diary</Link>
          </div>
          <article className={styles.paper} aria-label="The pages">
            <h2>{made.sheet.title}</h2>
            {made.sheet.sections.map((section) => (
              <Part key={section.heading} section={section} />
            ))}
            <p className="note">{made.sheet.foot}</p>
          </article>
        </>
      )}
    </div>
  );
}

/** Rows of a long table that stand there at first. */
const FIRST = 8;

function Part({ section }: { section: Section }) {
  const { heading, said, columns, rows, isGrouped, figures = [] } = section;
  const [all, setAll] = useState(false);
  const hasHead = columns.some((name) => name !== '');
  const isLong = !isGrouped && rows.length > FIRST + 4;
  const at = (column: number) => (figures.includes(column) ? styles.figure : undefined);
  return (
    <section className="stack" aria-label={heading}>
      <h3>{heading}</h3>
      {said.length > 0 && <p>{said.join(' ')}</p>}
      {isGrouped &&
        groupsOf(rows).map(([head, own]) => (
          <p key={head}>
            <b>{head}</b>: {own.map(([what, mass, per]) => `${what} ${mass} g (${per})`).join(', ')}. In brackets: g in
            1000 kcal.
          </p>
        ))}
      {!isGrouped && rows.length > 0 && (
        <div className={styles.scroll} tabIndex={0} role="group" aria-label={`${heading}, as a table`}>
          <table className={styles.table}>
            {hasHead && (
              <thead>
                <tr>
                  {columns.map((name, column) => (
                    <th key={name} scope="col" className={at(column)}>
                      {name}
                    </th>
                  ))}
                </tr>
              </thead>
            )}
            <tbody>
              {rows.slice(0, isLong && !all ? FIRST : rows.length).map(([name, ...cells], index) => (
                <tr key={`${name}-${index}`}>
                  <th scope="row">{name}</th>
                  {cells.map((cell, column) => (
                    <td key={column} className={at(column + 1)}>
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {isLong && (
        <div>
          <Button variant="text" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? 'fewer rows' : `all ${rows.length} rows, as they are printed`}
          </Button>
        </div>
      )}
    </section>
  );
}
