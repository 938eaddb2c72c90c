'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import { litresSaid } from '@/core/stock/room';
import { ProteinSwatch } from '@/ui/badges/badges';
import { DogStrip } from '@/ui/charts/DogStrip';
import { Pointed } from '@/ui/charts/Pointed';
import { weeksStrip } from '@/ui/charts/weeks-strip';
import { useUnits } from '@/ui/units';
import styles from './ahead.module.css';
import type { AheadView } from './queries';

const [WIDTH, LEFT, ROW, HIGH, TOP] = [1120, 92, 40, 88, 22];

/** Eight weeks: which pack feeds which dog on which day and why, when it runs out, and how the freezer empties. */
export function WeeksAhead({ view }: { view: AheadView }) {
  const { set } = useUnits();
  const [at, setAt] = useState(0);
  const { freezer, days, dogs } = view;
  const strip = weeksStrip(days.length, freezer.days, freezer.capacity, { width: WIDTH, left: LEFT, high: HIGH });
  const below = TOP + dogs.length * ROW + 30;
  const day = days[at];
  if (dogs.length === 0 || !day)
    return (
      <div className="page">
        <h1>Nobody to feed yet</h1>
        <p>
          <Link href="/dogs/new">Add the first dog</Link>
        </p>
      </div>
    );
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>Eight weeks ahead</h1>
        <p className="soft">
          {view.cookBy ? `${view.cookBy.said}, and nobody runs out` : 'as the packs will be eaten'}
        </p>
        <div className={styles.legend}>
          {view.legend.map((protein) => (
            <ProteinSwatch key={protein.word} protein={protein} />
          ))}
        </div>
      </div>
      <ul className="away">
        {dogs.map((dog) => (
          <li key={dog.dogId}>
            {dog.name}: {dog.runsOut}
          </li>
        ))}
      </ul>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label="Strips of eight weeks">
        <Pointed>
          <svg viewBox={`0 0 ${WIDTH + 4} ${below + HIGH + 24}`} className={styles.drawing} aria-hidden>
            {days.map(({ day: each, said, isMonday }, index) => (
              <g key={each}>
                {isMonday && (
                  <text x={strip.x(index)} y="14" fontSize="12" fill="var(--slate-soft)">
                    {said.replace(/^\w+ /, '')}
                  </text>
                )}
                {index === at && (
                  <rect
                    x={strip.x(index)}
                    y={TOP - 4}
                    width={strip.cell}
                    height={below + HIGH - TOP + 4}
                    fill="var(--carrot-pale)"
                  />
                )}
              </g>
            ))}
            {dogs.map((dog, row) => (
              <DogStrip
                key={dog.dogId}
                name={dog.name}
                days={dog.days}
                coverDays={dog.coverDays}
                runsOut={dog.runsOut}
                y={TOP + row * ROW}
                xOf={strip.x}
                cell={strip.cell}
                high={28}
              />
            ))}
            {view.cookBy && (
              <path
                d={`M${strip.x(view.cookBy.index) + strip.cell / 2} ${TOP - 6}V${below - 16}`}
                stroke="var(--carrot)"
                strokeWidth="2"
                strokeDasharray="4 4"
              />
            )}
            <g transform={`translate(0 ${below})`}>
              <text x="0" y="14" fontSize="14" fontWeight="600" fill="var(--fjord)">
                freezer
              </text>
              <text x="0" y="32" fontSize="12" fill="var(--slate-soft)">
                {litresSaid(freezer.days[0] ?? 0, set)} now
              </text>
              <path d={strip.fill} fill="var(--fjord-pale)" />
              <path d={strip.edge} fill="none" stroke="var(--fjord)" strokeWidth="2.5" />
              {strip.limit !== undefined && (
                <path d={`M${LEFT} ${strip.limit}H${WIDTH}`} stroke="var(--fjord)" strokeDasharray="5 4" />
              )}
              <path d={`M${LEFT} ${HIGH}H${WIDTH}`} stroke="var(--slate)" />
            </g>
          </svg>
        </Pointed>
      </div>
      <section aria-labelledby="one-day" className="stack">
        <div className={styles.day}>
          <Button variant="outlined" disabled={at === 0} onClick={() => setAt(at - 1)} aria-label="The day before">
            ‹
          </Button>
          <h2 id="one-day" aria-live="polite">
            {day.said}
          </h2>
          <Button
            variant="outlined"
            disabled={at === days.length - 1}
            onClick={() => setAt(at + 1)}
            aria-label="The day after"
          >
            ›
          </Button>
        </div>
        <ul className="rows">
          {dogs.map((dog) => {
            const own = dog.days[at];
            return (
              <li key={dog.dogId}>
                <b>{dog.name}</b> {own?.rotated && <span className="note">{own.rotated} </span>}
                {own && own.packs.length > 0
                  ? own.packs.map(({ code, said }) => (
                      <span key={code}>
                        <Link href={`/store?pack=${code}`}>{code}</Link> <span className="soft">{said}</span>{' '}
                      </span>
                    ))
                  : own?.covered
                    ? 'fed already, or away'
                    : 'nothing is there'}
              </li>
            );
          })}
        </ul>
      </section>
      <div className={styles.two}>
        <section aria-labelledby="passes">
          <h2 id="passes">Passes its date first</h2>
          {view.passes.length === 0 ? (
            <p className="soft">Nothing: all of it is eaten in time, or keeps longer than these weeks.</p>
          ) : (
            <ul className="rows">
              {view.passes.map(({ code, said, tone }) => (
                <li key={code}>
                  <Link href={`/store?pack=${code}`}>{code}</Link> <span className={tone}>{said}</span>
                </li>
              ))}
            </ul>
          )}
        </section>
        <section aria-labelledby="out">
          <h2 id="out">Out of the freezer</h2>
          {view.takeOuts.length === 0 ? (
            <p className="soft">Nothing that is frozen is needed.</p>
          ) : (
            <ul className="rows">
              {view.takeOuts.map(({ on, codes }) => (
                <li key={on}>
                  <b>{on}</b> {codes}
                </li>
              ))}
            </ul>
          )}
        </section>
      </div>
    </div>
  );
}
