'use client';

import { figure, figureDay } from '@/ui/figure';
import { DndContext, PointerSensor, pointerWithin, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { litresSaid } from '@/core/stock/room';
import { ProteinSwatch } from '@/ui/badges/badges';
import { DogStrips } from '@/ui/charts/DogStrips';
import { FreezerSteps } from '@/ui/charts/FreezerSteps';
import { Pointed } from '@/ui/charts/Pointed';
import { weeksStrip } from '@/ui/charts/weeks-strip';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { freePack, holdPack } from '../actions';
import styles from './ahead.module.css';
import { DropDays } from './DropDays';
import { PackOfDay } from './PackOfDay';
import type { AheadView } from './queries';

const [WIDTH, LEFT, ROW, HIGH, TOP] = [1120, 92, 40, 88, 22];

/** Eight weeks: which pack feeds which dog on which day and why, when it runs out, and how the freezer empties. */
export function WeeksAhead({ view }: { view: AheadView }) {
  const { set } = useUnits();
  const [at, setAt] = useState(0);
  const { freezer, days, dogs } = view;
  const strip = weeksStrip(days.length, freezer.days, freezer.capacity, { width: WIDTH, left: LEFT, high: HIGH });
  const below = TOP + dogs.length * ROW + 30;
  const [moved, setMoved] = useState<number>();
  const hold = useCommand(holdPack, 'hold-pack', (_, input) => {
    setMoved(input.holdingId);
    const index = days.findIndex((each) => each.day === input.day);
    if (index >= 0) setAt(index);
  });
  const free = useCommand(freePack, 'free-pack');
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const keep = (holdingId: number | undefined, dogId: number, index: number) => {
    const to = days[index];
    if (holdingId !== undefined && to) hold.run({ holdingId, dogId, day: to.day });
  };
  const drop = ({ active, over }: DragEndEvent) => {
    const [dogId, to] = String(over?.id ?? '').split('|');
    const { holdingId } = (active.data.current ?? {}) as { holdingId?: number };
    if (over)
      keep(
        holdingId,
        Number(dogId),
        days.findIndex((each) => each.day === to),
      );
  };
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
        <p className="soft" {...figure('cook by', 'house', view.cookBy?.index)}>
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
          <li key={dog.dogId} {...figure('cover days', dog.dogId, dog.coverDays)}>
            {dog.name}: {dog.runsOut}
          </li>
        ))}
      </ul>
      <DndContext id="ahead" sensors={sensors} collisionDetection={pointerWithin} onDragEnd={drop}>
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
              <DogStrips dogs={dogs} top={TOP} row={ROW} xOf={strip.x} cell={strip.cell} high={28} />
              {dogs.map((dog, row) => (
                <DropDays
                  key={dog.dogId}
                  dogId={dog.dogId}
                  days={days}
                  y={TOP + row * ROW}
                  xOf={strip.x}
                  cell={strip.cell}
                  high={28}
                  saidOf={(index) => dog.days[index]?.said ?? ''}
                  onDay={setAt}
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
              <FreezerSteps
                strip={strip}
                said={`${litresSaid(freezer.days[0] ?? 0, set)} now`}
                y={below}
                left={LEFT}
                width={WIDTH}
                high={HIGH}
              />
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
                    ? own.packs.map((pack) => (
                        <PackOfDay
                          key={pack.code}
                          dog={dog}
                          pack={pack}
                          before={days[at - 1]?.said}
                          after={days[at + 1]?.said}
                          pending={hold.pending || free.pending}
                          moved={pack.holdingId === moved}
                          onShift={(shift) => keep(pack.holdingId, dog.dogId, at + shift)}
                          onFree={() => pack.holdingId !== undefined && free.run({ holdingId: pack.holdingId })}
                        />
                      ))
                    : own?.covered
                      ? 'fed already, or away'
                      : 'nothing is there'}
                </li>
              );
            })}
          </ul>
          <Problems problems={[...hold.problems, ...free.problems]} />
          <p className="note">
            Take a pack by its code and drop it on another day, or move it there with ‹ ›: until then nobody gets it,
            and on that day it is that dog’s first.
          </p>
        </section>
      </DndContext>
      <div className={styles.two}>
        {view.held.length > 0 && (
          <section aria-labelledby="held">
            <h2 id="held">Kept for a day</h2>
            <ul className="rows">
              {view.held.map(({ holdingId, code, said }) => (
                <li key={code}>
                  <Link href={`/store?pack=${code}`}>{code}</Link> <span className="soft">{said}</span>{' '}
                  <Button
                    variant="text"
                    size="small"
                    disabled={free.pending}
                    aria-label={`Let ${code} go, ${said}`}
                    onClick={() => free.run({ holdingId })}
                  >
                    let it go
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
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
              {view.takeOuts.map(({ day, on, codes }) => (
                <li key={day}>
                  <b>{on}</b>{' '}
                  {codes.map((code, index) => (
                    <span key={code} {...figureDay('out of the freezer', code, day)}>
                      {index > 0 && ', '}
                      {code}
                    </span>
                  ))}
                </li>
              ))}
            </ul>
          )}
        </section>
      </div>
    </div>
  );
}
