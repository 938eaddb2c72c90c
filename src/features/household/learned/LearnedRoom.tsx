'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { writeDay, type LocalDate } from '@/core/calendar/local-date';
import { countOf } from '@/core/quantity/count-words';
import { writeNumber } from '@/core/quantity/write';
import { axisOf, dotPlot } from '@/ui/charts/dot-plot';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { strikeObservation, writeAgreedMinutes } from '../actions';
import { FrozenThrough } from './FrozenThrough';
import styles from './learned.module.css';
import type { LearnedGroup, LearnedRow, LearnedView } from './queries';

const [WIDE, HIGH] = [300, 36];

const write = (value: number, unit: LearnedRow['unit']) => `${writeNumber(value, unit === 'min' ? 0 : 1)} ${unit}`;

/** What this kitchen has learned: each figure by which something is foretold, on what it stands, and whether it is taken. */
export function LearnedRoom({ view: { today, groups, left } }: { view: LearnedView }) {
  const taken = groups.flatMap(({ rows }) => rows).filter(({ isTaken }) => isTaken).length;
  const leaves = left.filter(({ foods }) => foods.length > 0);
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>
          {taken === 0 ? 'The tables say everything yet' : `This kitchen says ${countOf(taken, 'figure')} by itself`}
        </h1>
        <p className="soft">
          A dot is one time that it was measured here, the bar their mean, a hollow mark what the table or the recipe
          says.
        </p>
      </div>
      <p>
        <Link href="/household">To the household</Link>
      </p>
      {groups.map((group) => (
        <Group key={group.title} group={group} today={today} />
      ))}
      <FrozenThrough />
      <section className="stack" aria-label="Who leaves what">
        <h2>Who leaves what</h2>
        <p className="note">
          Of the bowls of twelve weeks, where a food was fed four times or more. It changes no figure by itself.
        </p>
        {leaves.length === 0 ? (
          <p className="soft">Too few bowls were fed yet.</p>
        ) : (
          <ul className="rows">
            {leaves.map(({ dog, dogId, foods }) => (
              <li key={dogId}>
                <b>{dog}</b>:{' '}
                {foods
                  .map(({ food, part, bowls, left: of }) =>
                    of === 0
                      ? `empties every bowl of ${food} (${bowls})`
                      : `leaves ${writeNumber(part * 100, 0)} % of ${food}, something in ${of} of ${countOf(bowls, 'bowl')}`,
                  )
                  .join('; ')}
                .
              </li>
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}

/** What stands on a row's axis. */
const plotted = ({ observations, figure: { mean, spread }, table }: LearnedRow) => ({
  values: observations.filter(({ isStruck }) => !isStruck).map(({ value }) => value),
  mean,
  spread,
  table: table?.value,
});

function Group({ group: { title, used, rows }, today }: { group: LearnedGroup; today: LocalDate }) {
  const axis = axisOf(rows.map(plotted));
  const unit = rows[0]?.unit;
  return (
    <section className="stack" aria-label={title}>
      <h2>{title}</h2>
      <p className="note">
        {used}
        {unit &&
          rows.some(({ observations }) => observations.length > 0) &&
          ` Drawn from ${write(axis[0], unit)} to ${write(axis[1], unit)}.`}
      </p>
      {rows.length === 0 ? (
        <p className="soft">Nothing was measured here yet.</p>
      ) : (
        <ul className="rows">
          {rows.map((row) => (
            <Row key={row.title} row={row} axis={axis} today={today} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Row({ row, axis, today }: { row: LearnedRow; axis: readonly [number, number]; today: LocalDate }) {
  const { title, unit, figure, observations, table, isTaken, offer } = row;
  const [open, setOpen] = useState(false);
  const agree = useCommand(writeAgreedMinutes, `agree-${title}`);
  const said =
    figure.mean === undefined
      ? 'not measured'
      : `${write(figure.mean, unit)}${figure.spread === undefined ? '' : ` ± ${writeNumber(figure.spread, 1)}`}`;
  return (
    <li className="stack">
      <div className={styles.row}>
        <b>{title}</b>
        <span className={styles.figure}>{said}</span>
        <Dots of={plotted(row)} axis={axis} />
        <span className="soft">
          {[
            isTaken ? `this kitchen’s, ${figure.of} measured` : '',
            table
              ? `${table.whose}: ${[table.value === undefined ? '' : write(table.value, unit), table.said].filter(Boolean).join(', ')}`
              : '',
            !isTaken && figure.of === 1 ? 'one more measured is taken' : '',
          ]
            .filter(Boolean)
            .join('; ')}
        </span>
        {observations.length > 0 && (
          <Button variant="text" aria-expanded={open} onClick={() => setOpen(!open)}>
            {figure.far.length > 0 ? 'one is far off' : `${countOf(observations.length, 'measurement')}`}
            <span className="away"> of {title}</span>
          </Button>
        )}
      </div>
      {offer && (
        <p>
          The pots agree on {offer.minutes} min.{' '}
          <Button
            variant="outlined"
            disabled={agree.pending}
            onClick={() => agree.run({ recipeId: offer.recipeId, name: offer.name, minutes: offer.minutes })}
          >
            Write it into {offer.said}
          </Button>
        </p>
      )}
      <Problems problems={agree.problems} />
      {open && <Measured row={row} today={today} />}
    </li>
  );
}

function Measured({ row: { unit, observations, figure, title }, today }: { row: LearnedRow; today: LocalDate }) {
  const strike = useCommand(strikeObservation, `strike-${title}`);
  return (
    <>
      <Problems problems={strike.problems} />
      <ul className={styles.measured}>
        {observations.map(({ key, day, said, href, value, isStruck }) => (
          <li key={key}>
            <span className={isStruck ? styles.struck : undefined}>
              {writeDay(day, today)}, {href ? <Link href={href}>{said}</Link> : said}: <b>{write(value, unit)}</b>
            </span>
            {figure.far.includes(key) && <span className="caution"> far from the others: perhaps a slip</span>}{' '}
            <Button
              variant="text"
              size="small"
              disabled={strike.pending}
              onClick={() => strike.run({ key, isStruck: !isStruck })}
            >
              {isStruck ? 'count it again' : 'strike it out'}
              <span className="away">
                : {said} of {writeDay(day, today)}
              </span>
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

function Dots({ of, axis }: { of: ReturnType<typeof plotted>; axis: readonly [number, number] }) {
  const { dots, mean, band, table } = dotPlot(of, axis, WIDE);
  const middle = HIGH / 2;
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className={styles.dots} aria-hidden>
      <path d={`M0 ${middle}H${WIDE}`} stroke="var(--edge)" />
      {band && <rect x={band.x} y={middle - 9} width={band.width} height="18" fill="var(--carrot-pale)" />}
      {table !== undefined && (
        <path
          d={`M${table} ${middle - 9}l7 9l-7 9l-7 -9Z`}
          fill="var(--enamel)"
          stroke="var(--slate)"
          strokeWidth="1.5"
        />
      )}
      {dots.map((x, index) => (
        <circle key={index} cx={x} cy={middle} r="5" fill="var(--slate)" fillOpacity="0.75" />
      ))}
      {mean !== undefined && (
        <path d={`M${mean} ${middle - 13}V${middle + 13}`} stroke="var(--carrot)" strokeWidth="3" />
      )}
    </svg>
  );
}
