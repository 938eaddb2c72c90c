'use client';

import { DndContext, PointerSensor, pointerWithin, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import type { Hatch } from '@/core/recipe/protein';
import { countOf } from '@/core/quantity/count-words';
import { litresSaid } from '@/core/stock/room';
import { isFree } from '@/core/weeks/said';
import { potfulsIn } from '@/core/weeks/weeks';
import { hatchFill } from '@/ui/badges/hatch-defs';
import { DogStrips } from '@/ui/charts/DogStrips';
import { FreezerSteps } from '@/ui/charts/FreezerSteps';
import { Pointed } from '@/ui/charts/Pointed';
import { potPile, stepsRow } from '@/ui/charts/weeks-picture';
import { weeksStrip } from '@/ui/charts/weeks-strip';
import { useUnits } from '@/ui/units';
import { DayColumn } from './DayColumn';
import { DryRow, dryersIn, LANE } from './DryRow';
import type { WeeksNow } from './now/queries';
import type { WeeksDay, WeeksView } from './queries';
import styles from './weeks.module.css';

const [WIDTH, LEFT, TOP, POTS, ROW, FREEZER, COVER, GAP] = [1120, 92, 22, 74, 40, 84, 44, 26];

interface WeeksPictureProps {
  view: WeeksView;
  /** While it is solved, what the best so far cooks. */
  soFar: WeeksNow['soFar'];
  at: number;
  disabled: boolean;
  onDay: (index: number) => void;
  /** A cook day was dropped on another day: the rest is solved around it. */
  onMove: (from: WeeksDay, to: WeeksDay) => void;
}

/** The weeks as one picture: cook days with their pots and dryers, each dog's days by protein, the freezer against its limit, the days of cover. */
export function WeeksPicture({ view, soFar, at, disabled, onDay, onMove }: WeeksPictureProps) {
  const { set } = useUnits();
  const { days, dogs } = view;
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const drop = ({ active, over }: DragEndEvent) => {
    const [from, to] = [active, over].map(
      (each) => days[(each?.data.current as { index?: number } | undefined)?.index ?? -1],
    );
    if (from && to && isFree(to)) onMove(from, to);
  };
  const millilitres = view.litres.map((litres) => litres * 1000);
  const capacity = view.capacity === undefined ? undefined : view.capacity * 1000;
  const strip = weeksStrip(days.length, millilitres, capacity, { width: WIDTH, left: LEFT, high: FREEZER });
  const dryers = dryersIn(days).length * LANE;
  const strips = TOP + POTS + 14 + dryers;
  const freezer = strips + dogs.length * ROW + GAP;
  const cover = freezer + FREEZER + GAP;
  const asked = Number(view.ask.cover.replace(',', '.'));
  const covered = stepsRow(
    // Cover goes on beyond the weeks: drawn no higher than a fortnight.
    view.cover.map((own) => Math.min(14, own)),
    asked > 0 ? asked : undefined,
    strip.x,
    COVER,
  );
  // What is found so far is drawn over what was there before, which steps back.
  const found = new Map(
    soFar.map(({ day, pots }) => [
      day,
      pots.map((pot) => ({
        ...pot,
        hatch: view.recipes.find(({ recipeId }) => recipeId === pot.recipeId)?.hatch ?? ('bricks' as const),
      })),
    ]),
  );
  const isFinding = soFar.length > 0;
  const most = Math.max(1, ...[...days.map(({ pots }) => pots), ...found.values()].map(potfulsIn));
  const unit = Math.min(22, (POTS - 16) / most);
  const saidOf = ({ said, pots, cycles, eats }: WeeksDay, index: number) =>
    [
      `${said}${pots.length > 0 ? `: ${pots.map((pot) => `${pot.potfuls} × ${pot.name}`).join(', ')}` : ''}`,
      ...cycles.map(({ name, count }) => `${countOf(count, 'cycle')} of the ${name}`),
      dogs.map(({ name }) => `${name} ${eats.find((each) => each.name === name)?.word ?? ''}`).join(', '),
      `${litresSaid(millilitres[index] ?? 0, set)} frozen, ${view.cover[index] ?? 0} days of cover`,
    ].join('; ');
  return (
    <DndContext id="weeks" sensors={sensors} collisionDetection={pointerWithin} onDragEnd={drop}>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label="The weeks as a picture">
        <Pointed>
          <svg viewBox={`0 0 ${WIDTH + 4} ${cover + COVER + 20}`} className={styles.drawing} aria-hidden>
            <rect
              x={strip.x(at)}
              y={TOP - 4}
              width={strip.cell}
              height={cover + COVER - TOP + 4}
              fill="var(--carrot-pale)"
            />
            {days.map(({ day, said, isMonday, cookable, fixed, pots }, index) => {
              const x = strip.x(index);
              const now = found.get(index) ?? [];
              return (
                <g key={day}>
                  {isMonday && (
                    <text x={x} y="14" fontSize="12" fill="var(--slate-soft)">
                      {said.replace(/^\w+ /, '')}
                    </text>
                  )}
                  {isMonday && <path d={`M${x} ${TOP}V${cover + COVER}`} stroke="var(--edge)" />}
                  {cookable && (
                    <path
                      d={`M${x + 3} ${TOP + POTS}H${x + strip.cell - 3}`}
                      stroke="var(--slate-soft)"
                      strokeWidth="3"
                    />
                  )}
                  <g opacity={isFinding ? 0.25 : 1}>
                    <PotPile pots={pots} x={x} width={strip.cell} unit={unit} mark={fixed ? '*' : ''} />
                  </g>
                  <PotPile pots={now} x={x} width={strip.cell} unit={unit} isDashed />
                </g>
              );
            })}
            <Name y={TOP + POTS - 6} said="cook" />
            <DryRow days={days} y={TOP + POTS + 6} xOf={strip.x} />
            <DogStrips
              dogs={dogs.map((dog) => ({ ...dog, name: dog.short }))}
              top={strips}
              row={ROW}
              xOf={strip.x}
              cell={strip.cell}
              high={28}
            />
            <FreezerSteps
              strip={strip}
              said={capacity === undefined ? 'size unknown' : `of ${litresSaid(capacity, set)}`}
              y={freezer}
              left={LEFT}
              width={WIDTH}
              high={FREEZER}
            />
            <g transform={`translate(0 ${cover})`}>
              <Name y={14} said="cover" />
              <text x="0" y="32" fontSize="12" fill="var(--slate-soft)">
                {covered.most >= 14 ? '14 days or more' : `up to ${covered.most} days`}
              </text>
              <path d={covered.fill} fill="var(--edge)" />
              {covered.limit !== undefined && (
                <path d={`M${LEFT} ${covered.limit}H${WIDTH}`} stroke="var(--honey)" strokeDasharray="5 4" />
              )}
              <path d={`M${LEFT} ${COVER}H${WIDTH}`} stroke="var(--slate)" />
            </g>
            {days.map((day, index) => (
              <DayColumn
                key={day.day}
                day={day}
                index={index}
                x={strip.x(index)}
                y={TOP - 4}
                width={strip.cell}
                height={cover + COVER - TOP + 4}
                said={saidOf(day, index)}
                disabled={disabled}
                onDay={onDay}
              />
            ))}
          </svg>
        </Pointed>
      </div>
    </DndContext>
  );
}

interface PotPileProps {
  pots: readonly { readonly hatch: Hatch; readonly potfuls: number }[];
  x: number;
  width: number;
  unit: number;
  mark?: string;
  /** It is not settled yet. */
  isDashed?: boolean;
}

/** The pots of a cook day, piled up, with their potfuls above. */
function PotPile({ pots, x, width, unit, mark = '', isDashed = false }: PotPileProps) {
  if (pots.length === 0) return null;
  const pile = potPile(
    pots.map(({ potfuls }) => potfuls),
    unit,
    POTS - 4,
  );
  return (
    <>
      {pile.map(({ y, high }, pot) => (
        <rect
          key={pot}
          x={x + 1.5}
          y={TOP + y}
          width={width - 3}
          height={high}
          rx="2"
          fill={hatchFill(pots[pot]?.hatch ?? 'bricks')}
          stroke="var(--slate)"
          strokeWidth="1.5"
          strokeDasharray={isDashed ? '4 3' : undefined}
        />
      ))}
      <text
        x={x + width / 2}
        y={TOP + (pile.at(-1)?.y ?? POTS) - 4}
        textAnchor="middle"
        fontSize="12"
        fontWeight="700"
        fill="var(--carrot)"
      >
        {potfulsIn(pots)}
        {mark}
      </text>
    </>
  );
}

const Name = ({ y, said }: { y: number; said: string }) => (
  <text x="0" y={y} fontSize="14" fontWeight="600" fill="var(--slate)">
    {said}
  </text>
);
