'use client';

import { useEffect, useRef } from 'react';
import { ringsAt } from '@/core/cook/cook-day';
import { writeMinutes } from '@/core/plan/stove';
import { cookTimeline, type TimeSpan } from '@/ui/charts/cook-timeline';
import { Pointed } from '@/ui/charts/Pointed';
import { useUnits } from '@/ui/units';
import type { StoveView } from './queries';
import styles from './stove.module.css';
import type { Stove } from './use-stove';

const SIZE = { width: 1200, names: 112, row: 44, bar: 30, head: 30 };
const HANDS = 'hands';
const PANS = 'pans';
/** px that a letter of a label takes, at the least. */
const LETTER = 7;

type Tone = 'done' | 'now' | 'planned' | 'cold';
interface Shown extends TimeSpan {
  readonly tone: Tone;
  readonly label: string;
  readonly said: string;
}

const SHORT: Readonly<Record<string, string>> = {
  fill: 'fill',
  add: 'add',
  core: 'core',
  strain: 'strain',
  pour: 'pour',
};

/** As many of a label's parts, or of its words, as there are letters for. */
function fitting(label: string, letters: number): string {
  if (label.length <= letters) return label;
  const [first = ''] = label.split(' · ');
  if (first.length <= letters) return first;
  const [word = ''] = label.split(' ');
  return word.length <= letters && word !== label ? word : '';
}

/** The day of hands, vessels and pans, with the line of now: what was done, what runs, and what is planned. */
export function Timeline({ stove, of: { plan, now, clock, atHand } }: { stove: StoveView; of: Stove }) {
  const { inDegrees } = useUnits();
  const frame = useRef<HTMLElement>(null);
  const isPlanned = plan !== undefined;
  useEffect(() => {
    // Where the day is wider than the screen, now is in sight.
    const line = frame.current?.querySelector<SVGGraphicsElement>('[data-now]');
    if (!frame.current || !line) return;
    const box = line.getBoundingClientRect();
    const seen = frame.current.getBoundingClientRect();
    frame.current.scrollLeft += box.left - seen.left - seen.width / 2;
  }, [isPlanned]);
  if (!plan) return null;
  const { day, pans } = stove;
  const timeOf = new Map(plan.times.map((time) => [time.key, time]));
  const [first] = atHand;
  const toneOf = (state: string, key: string): Tone =>
    state === 'done' ? 'done' : key === first?.key || state === 'running' ? 'now' : 'planned';

  const hands: Shown[] = day.tasks.flatMap((task): Shown[] => {
    const time = timeOf.get(task.key);
    if (!time || task.hands === 0) return [];
    const label = SHORT[task.kind] ?? task.title;
    const said = `${task.title}, ${clock(time.start)} to ${clock(time.end)}`;
    return [
      { key: task.key, row: HANDS, start: time.start, end: time.end, tone: toneOf(task.state, task.key), label, said },
    ];
  });
  const loads: Shown[] = day.loads.flatMap((load): Shown[] => {
    const own = day.tasks.filter((task) => task.in?.load === load.key);
    const times = own.flatMap((task) => timeOf.get(task.key) ?? []);
    const vessel = own[0]?.in?.vessel;
    if (times.length === 0 || !vessel) return [];
    const running = own.find((task) => task.state === 'running');
    const start = new Date(Math.min(...times.map((time) => time.start.getTime())));
    const end = new Date(Math.max(...times.map((time) => time.end.getTime())));
    const open = own.some((task) => task.state === 'open' || task.state === 'running');
    const begun = own.some((task) => task.state !== 'open');
    const core = load.readings.at(-1);
    const left = running?.state === 'running' ? ringsAt(running.timer).getTime() - now.getTime() : undefined;
    const label = [
      load.name,
      core ? inDegrees(core.celsius) : '',
      left !== undefined && left > 0 ? `${Math.ceil(left / 60_000)} min left` : '',
    ]
      .filter((part) => part !== '')
      .join(' · ');
    const tone: Tone = !open ? 'done' : begun ? 'now' : 'planned';
    return [
      {
        key: `load ${load.key}`,
        row: vessel,
        start,
        end,
        tone,
        label,
        said: `${label}, ${clock(start)} to ${clock(end)}`,
      },
    ];
  });
  const cooling: Shown[] = day.loads.flatMap((load): Shown[] => {
    const pan = pans.find((each) => each.key === load.key);
    const poured = timeOf.get(`pour.${load.key}`);
    const start = pan?.pouredAt ?? poured?.end;
    if (!start) return [];
    const last = pan?.readings.at(-1);
    const label = last ? `${load.name} · ${inDegrees(last.celsius)}` : load.name;
    const end = new Date(Math.max(plan.end.getTime(), now.getTime(), start.getTime() + 15 * 60_000));
    return [
      {
        key: `pan ${load.key}`,
        row: `${PANS}${load.key}`,
        start,
        end,
        tone: pan ? 'cold' : 'planned',
        label,
        said: `${label}, in the pan from ${clock(start)}`,
      },
    ];
  });
  const vessels = [...new Set(loads.map((load) => load.row))];
  // Pans cool side by side: one below the other in one row of thin bars.
  const spans = [...hands, ...loads, ...cooling.map((span) => ({ ...span, row: PANS }))];
  const rows = [HANDS, ...vessels, ...(cooling.length > 0 ? [PANS] : [])];
  const chart = cookTimeline(rows, spans, [stove.startedAt, now, plan.end, plan.plannedEnd], SIZE);
  const late = Math.round((plan.end.getTime() - plan.plannedEnd.getTime()) / 60_000);
  const height = chart.height + 26;
  const thin = SIZE.bar / Math.max(1, cooling.length);

  return (
    <figure ref={frame} className={styles.timeline}>
      <Pointed>
        <svg
          viewBox={`0 0 ${SIZE.width} ${height}`}
          className={styles.drawn}
          role="img"
          aria-label={`The day: ${first ? `now ${first.title}` : 'nothing for hands now'}, done at ${clock(plan.end)}`}
        >
          {chart.marks.map(({ at, x }) => (
            <g key={at.getTime()} className={styles.mark}>
              <text x={x} y={12} textAnchor="middle">
                {clock(at)}
              </text>
              <line x1={x} x2={x} y1={18} y2={SIZE.head - 4} />
            </g>
          ))}
          {chart.rows.map(({ name, y, middle }) => (
            <g key={name}>
              <text x={0} y={middle + 5} className={styles.rowName}>
                {name}
              </text>
              <line x1={SIZE.names} x2={SIZE.width} y1={y + SIZE.row} y2={y + SIZE.row} className={styles.rule} />
            </g>
          ))}
          {chart.bars.map((bar, index) => {
            const span = spans[index];
            if (!span) return null;
            const place = span.row === PANS ? cooling.findIndex((each) => each.key === span.key) : 0;
            const isPan = span.row === PANS;
            const y = isPan ? bar.y + place * thin : bar.y;
            const tall = isPan ? Math.max(6, thin - 2) : bar.height;
            // What is left over of a narrow bar has room for the first words of its label.
            const label = tall < 14 ? '' : fitting(span.label, (bar.width - 12) / LETTER);
            return (
              <g key={bar.key} className={styles[span.tone]} data-said={span.said}>
                <rect x={bar.x} y={y} width={bar.width} height={tall} />
                {label !== '' && (
                  <text x={bar.x + 8} y={y + tall / 2 + 5}>
                    {label}
                  </text>
                )}
              </g>
            );
          })}
          <line
            x1={chart.x(plan.plannedEnd)}
            x2={chart.x(plan.plannedEnd)}
            y1={SIZE.head}
            y2={chart.height}
            className={styles.planned_}
          />
          <line
            x1={chart.x(plan.end)}
            x2={chart.x(plan.end)}
            y1={SIZE.head - 8}
            y2={chart.height + 6}
            className={styles.end}
          />
          <g className={styles.nowLine} data-now>
            <line x1={chart.x(now)} x2={chart.x(now)} y1={SIZE.head - 8} y2={chart.height + 4} />
            <text x={Math.max(SIZE.names + 20, chart.x(now))} y={chart.height + 20} textAnchor="middle">
              {clock(now)}
            </text>
          </g>
        </svg>
      </Pointed>
      <figcaption>
        {late >= 1
          ? `${writeMinutes(late)} later than planned, `
          : late <= -1
            ? `${writeMinutes(-late)} earlier than planned, `
            : ''}
        all in pans at <b>{clock(plan.end)}</b>
      </figcaption>
    </figure>
  );
}
