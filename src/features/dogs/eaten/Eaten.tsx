'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import { hatchFill } from '@/ui/badges/hatch-defs';
import { ProteinSwatch } from '@/ui/badges/badges';
import { Caution, STANDING_CAUTION } from '@/ui/Caution';
import { eatenBars } from '@/ui/charts/eaten-bars';
import { Pointed } from '@/ui/charts/Pointed';
import { LinkButton } from '@/ui/LinkButton';
import styles from './eaten.module.css';
import type { EatenRow, EatenView } from './queries';

const [WIDTH, LEFT, TOP, HIGH, STRIP] = [1120, 64, 20, 150, 26];
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
  const from = days.findIndex(({ inFortnight }) => inFortnight);
  const to = days.findLastIndex(({ inFortnight }) => inFortnight);
  const shown = all ? view.rows : view.rows.slice(0, FIRST);
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>{view.headline}</h1>
        <p className="soft">{view.under}</p>
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
          <svg viewBox={`0 0 ${WIDTH + 4} ${base + STRIP + 12}`} className={styles.drawing} aria-hidden>
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
            {days.map((day, index) => {
              const bar = bars[index] ?? { y: HIGH, high: 0, whole: false, reported: false };
              return (
                <g key={day.day}>
                  {day.isMonday && (
                    <text x={x(index)} y="12" fontSize="12" fill="var(--slate-soft)">
                      {day.day.slice(8)}.{day.day.slice(5, 7)}.
                    </text>
                  )}
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
                    x={x(index) + 1}
                    y={base + 6}
                    width={cell - 2}
                    height={STRIP}
                    fill={day.hatch ? hatchFill(day.hatch) : 'none'}
                    stroke="var(--slate)"
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
          </svg>
        </Pointed>
      </div>
      <p className="note">
        The line is what its ration asks for. A pale bar is a day as you reported it; a dashed one a day of which not
        all is known: at least so much.
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
              <span>{row.said}</span>
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
