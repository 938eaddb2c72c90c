'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { ProteinSwatch } from '@/ui/badges/badges';
import { Caution, STANDING_CAUTION } from '@/ui/Caution';
import { eatenBars, weightsOver } from '@/ui/charts/eaten-bars';
import { EatenStrip } from '@/ui/charts/EatenStrip';
import { Pointed } from '@/ui/charts/Pointed';
import { LinkButton } from '@/ui/LinkButton';
import { Why } from '@/ui/Why';
import styles from './eaten.module.css';
import type { EatenRow, EatenView } from './queries';

const [WIDTH, LEFT, TOP, HIGH, STRIP, WEIGHT] = [1120, 64, 20, 150, 26, 44];
/** So many nutrients stand there, the worst of them first; the others behind a press. */
const FIRST = 8;
const TONES: Readonly<Record<EatenRow['tone'], string>> = {
  danger: 'danger',
  caution: 'caution',
  soft: 'soft',
  plain: '',
};

/** What a dog really ate: its days against its need, its proteins, and a fortnight's nutrients against its profile. */
export function Eaten({ view }: { view: EatenView }) {
  const [all, setAll] = useState(false);
  const { dog, days } = view;
  const { cell, x, bars, need } = eatenBars(days, { width: WIDTH, left: LEFT, high: HIGH });
  const base = TOP + HIGH;
  const foot = base + STRIP + 14;
  const weighed = view.weights.map((each) => ({ ...each, index: days.findIndex(({ day }) => day === each.day) }));
  const curve = weightsOver(weighed, { x, cell, high: WEIGHT });
  const from = days.findIndex(({ inFortnight }) => inFortnight);
  const to = days.findLastIndex(({ inFortnight }) => inFortnight);
  const shown = all ? view.rows : view.rows.slice(0, FIRST);
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>{view.headline}</h1>
        <p className="soft">
          {view.under} <Why of={view.why} about="the part of its energy" />
        </p>
      </div>
      <div className={styles.acts}>
        {view.before && (
          <LinkButton variant="outlined" href={`/dogs/${dog.id}/eaten?to=${view.before}`}>
            The fortnight before
          </LinkButton>
        )}
        {view.after && (
          <LinkButton variant="outlined" href={`/dogs/${dog.id}/eaten?to=${view.after}`}>
            The fortnight after
          </LinkButton>
        )}
        <Link href={`/dogs/${dog.id}`}>To {dog.name}</Link>
        <span className={styles.legend}>
          {view.legend.map((protein) => (
            <ProteinSwatch key={protein.word} protein={protein} />
          ))}
        </span>
      </div>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label="Six weeks of what it ate">
        <Pointed>
          <svg
            viewBox={`0 0 ${WIDTH + 4} ${weighed.length > 0 ? foot + WEIGHT : foot}`}
            className={styles.drawing}
            aria-hidden
          >
            {from >= 0 && (
              <rect
                x={x(from)}
                y={TOP - 4}
                width={(to - from + 1) * cell}
                height={HIGH + STRIP + 12}
                fill="var(--carrot-pale)"
              />
            )}
            <text x="0" y={TOP + 14} fontSize="13" fill="var(--slate-soft)">
              kcal
            </text>
            <EatenStrip days={days} xOf={x} y={base + 6} cell={cell} high={STRIP} />
            {days.map((day, index) => {
              const bar = bars[index] ?? { y: HIGH, high: 0, whole: false, reported: false };
              return (
                <g key={day.day}>
                  <rect
                    x={x(index) + 3}
                    y={TOP + bar.y}
                    width={cell - 6}
                    height={bar.high}
                    fill={!bar.whole ? 'none' : bar.reported ? 'var(--edge)' : 'var(--slate-soft)'}
                    stroke="var(--slate-soft)"
                    strokeDasharray={bar.whole ? undefined : '3 3'}
                  />
                  <rect
                    x={x(index)}
                    y={TOP - 4}
                    width={cell}
                    height={HIGH + STRIP + 12}
                    fill="transparent"
                    data-said={day.said}
                  />
                </g>
              );
            })}
            <path d={need} transform={`translate(0 ${TOP})`} fill="none" stroke="var(--carrot)" strokeWidth="2.5" />
            <path d={`M${LEFT} ${base}H${WIDTH}`} stroke="var(--slate)" />
            {weighed.length > 0 && (
              <g transform={`translate(0 ${foot})`}>
                <text x="0" y={WEIGHT / 2 + 4} fontSize="13" fill="var(--slate-soft)">
                  weight
                </text>
                <path d={curve.path} fill="none" stroke="var(--slate)" strokeWidth="2" />
                {curve.points.map((point, index) => (
                  <circle
                    key={weighed[index]?.day}
                    cx={point.x}
                    cy={point.y}
                    r="5"
                    fill="var(--slate)"
                    data-said={`${weighed[index]?.said} on ${weighed[index]?.day}`}
                  />
                ))}
              </g>
            )}
          </svg>
        </Pointed>
      </div>
      <p className="note">
        The line is what its ration asks for. A pale bar is a day as you reported it; a dashed one a day of which not
        all is known: at least so much.
        {weighed.length > 0 && ` Weighed: ${weighed.map(({ said }) => said).join(', ')}.`}
      </p>
      <ul className="away">
        {days
          .filter(({ inFortnight }) => inFortnight)
          .map(({ day, said }) => (
            <li key={day}>{said}</li>
          ))}
      </ul>
      {view.since.length > 0 && <p>Last had: {view.since.join(', ')}.</p>}
      {view.notes.length > 0 && <p className="soft">In this fortnight: {view.notes.join(' · ')}.</p>}
      {view.gaps.length > 0 && (
        <Caution>
          <ul>
            {view.gaps.map((gap) => (
              <li key={gap}>{gap}</li>
            ))}
          </ul>
        </Caution>
      )}
      <section aria-labelledby="eaten-balance" className="stack">
        <div className="spread">
          <h2 id="eaten-balance">In 1000 kcal, against {view.profile}</h2>
          <p className="soft">{view.covered}</p>
        </div>
        <ul className={styles.rows} aria-label="Nutrients, worst first">
          {shown.map((row) => (
            <li key={row.name}>
              <b>{row.name}</b>
              <span>
                {row.said} <Why of={row.why} about={row.name} />
              </span>
              <span className={TONES[row.tone]}>
                {row.verdict}
                {row.limits && <span className="note"> {row.limits}</span>}
              </span>
            </li>
          ))}
        </ul>
        {view.rows.length > FIRST && (
          <Button variant="outlined" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? 'Only the worst' : `All ${view.rows.length} nutrients`}
          </Button>
        )}
        <p className="note">{STANDING_CAUTION}</p>
      </section>
    </div>
  );
}
