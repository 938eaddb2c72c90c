'use client';

import { COOLING_LIMITS } from '@/core/heat/cooling';
import type { PanCooling } from '@/core/heat/pan-cooling';
import type { HeatPoint } from '@/core/heat/lethality';
import { writeMinutes } from '@/core/plan/stove';
import { coolingCurve } from '@/ui/charts/cooling-curve';
import { useUnits } from '@/ui/units';
import styles from './stove.module.css';

const SIZE = { width: 760, height: 330, left: 74 };
const LIMITS = [COOLING_LIMITS.first, COOLING_LIMITS.second];

/** A pan's readings, the curve through them, both limits, and what a remedy would do. */
export function CoolingCurve({
  cooling,
  now,
  other,
  otherWords,
}: {
  cooling: PanCooling;
  now: number;
  other: readonly HeatPoint[] | undefined;
  otherWords: string | undefined;
}) {
  const { inDegrees } = useUnits();
  const { limits, pieces } = cooling;
  const chart = coolingCurve(
    {
      points: cooling.points,
      begins: cooling.begins,
      limits: LIMITS,
      now,
      pieces: pieces.flatMap(({ fit, from, to }) => (fit ? [{ at: fit.at, from, to }] : [])),
      ...(other ? { other } : {}),
    },
    SIZE,
  );
  const crossing = limits?.[0].crossing;
  const said = cooling.points
    .map((point) => `${inDegrees(point.celsius)} after ${writeMinutes(point.minutes)}`)
    .join(', ');
  const end = other?.at(Math.min(other.length - 1, Math.floor(other.length / 3)));
  return (
    <svg
      viewBox={`0 -8 ${SIZE.width} ${SIZE.height + 40}`}
      className={`${styles.drawn} ${styles.cooling}`}
      role="img"
      aria-label={`The pan as it cools: ${said === '' ? 'no reading yet' : said}`}
    >
      {chart.zones.map((zone) => (
        <rect key={zone.x} x={zone.x} y={zone.y} width={zone.width} height={zone.height} className={styles.zone} />
      ))}
      <text x={SIZE.width - 10} y={20} textAnchor="end" className={styles.zoneName}>
        too warm for too long
      </text>
      {chart.lines.map((line) => (
        <g key={line.celsius}>
          <text x={SIZE.left - 10} y={line.y + 5} textAnchor="end" className={styles.limit}>
            {inDegrees(line.celsius)}
          </text>
          <line x1={SIZE.left} x2={SIZE.width} y1={line.y} y2={line.y} className={styles.rule} />
        </g>
      ))}
      {chart.hours.map(({ minutes, x }) => (
        <g key={minutes} className={styles.mark}>
          <line x1={x} x2={x} y1={SIZE.height} y2={SIZE.height + 6} />
          <text x={x} y={SIZE.height + 24} textAnchor="middle">
            {minutes === 0 ? 'poured' : `${minutes / 60} h`}
          </text>
        </g>
      ))}
      {chart.curves.map((curve) => (
        <path key={curve} d={curve} className={styles.curve} />
      ))}
      {other && <path d={chart.other} className={styles.remedy} />}
      {end && otherWords && (
        <text x={chart.x(end.minutes) + 8} y={chart.y(end.celsius) - 8} className={styles.remedyName}>
          {otherWords}
        </text>
      )}
      {crossing && chart.x(crossing.minutes) < SIZE.width && (
        <g className={limits?.[0].verdict === 'kept' ? styles.kept : styles.missed}>
          <line
            x1={chart.x(crossing.low)}
            x2={Math.min(SIZE.width, chart.x(crossing.high))}
            y1={chart.y(COOLING_LIMITS.first.celsius)}
            y2={chart.y(COOLING_LIMITS.first.celsius)}
            className={styles.band}
          />
          <circle cx={chart.x(crossing.minutes)} cy={chart.y(COOLING_LIMITS.first.celsius)} r={7} />
        </g>
      )}
      {chart.points.map((point) => (
        <circle key={point.minutes} cx={point.x} cy={point.y} r={6} className={styles.point} />
      ))}
    </svg>
  );
}
