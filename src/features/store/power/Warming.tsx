'use client';

import {
  celsiusAt,
  FREEZER_HOURS,
  FRIDGE_HOURS,
  lastsUntil,
  ROOM,
  sayCut,
  STARTS,
  THAWS,
  WARM,
} from '@/core/preserve/power-cut';
import { warmingCurve } from '@/ui/charts/warming-curve';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import type { PowerView } from './queries';

const [WIDTH, HEIGHT, LEFT] = [760, 220, 64];

/** How warm the cold places got, or will get while the power is away: a curve each, with the two limits and what was read. */
export function Warming({ view }: { view: PowerView }) {
  const { inDegrees } = useUnits();
  const { cut, places } = view;
  if (!cut) return null;
  const ends = places.map(lastsUntil);
  const until = Math.max(6, cut.hours * 1.25, Math.min(60, ...ends) * 1.3);
  const drawn = warmingCurve(
    {
      places: places.map((place) => ({ key: place.name, at: (hours) => celsiusAt(place, hours) })),
      readings: places.flatMap((place) => place.readings.map((reading) => ({ ...reading, key: place.name }))),
      away: cut.hours,
      until,
    },
    { width: WIDTH, height: HEIGHT, left: LEFT },
  );
  const colour = (name: string) =>
    places.find((place) => place.name === name)?.kind === 'fridge' ? 'var(--slate)' : 'var(--fjord)';
  return (
    <figure>
      <svg
        viewBox={`0 -14 ${WIDTH + 8} ${HEIGHT + 46}`}
        width="100%"
        role="img"
        aria-label={places
          .map((place) => `${place.name}: about ${inDegrees(place.verdict.celsius, 0)} after ${sayCut(cut.hours)}`)
          .join('; ')}
      >
        <rect x={drawn.away.x} y="-6" width={drawn.away.width} height={HEIGHT + 6} fill="var(--edge)" opacity="0.5" />
        <text x={drawn.away.x + 8} y="10" fontSize="15" fontWeight="700" fill="var(--slate)">
          no power{cut.isAway ? ' so far' : ''}, {sayCut(cut.hours)}
        </text>
        {[
          { celsius: WARM, tone: 'var(--beet)', dash: '6 4' },
          { celsius: THAWS, tone: 'var(--fjord)', dash: '2 4' },
          { celsius: STARTS.freezer, tone: 'var(--edge)', dash: '' },
        ].map(({ celsius, tone, dash }) => (
          <g key={celsius}>
            <path d={`M${LEFT} ${drawn.y(celsius)}H${WIDTH}`} stroke={tone} strokeDasharray={dash} />
            <text x={LEFT - 8} y={drawn.y(celsius) + 5} textAnchor="end" fontSize="15" fill="var(--slate-soft)">
              {inDegrees(celsius, celsius === THAWS ? 1 : 0)}
            </text>
          </g>
        ))}
        {drawn.curves.map(({ key, path, end }, index) => (
          <g key={key}>
            <path d={path} fill="none" stroke={colour(key)} strokeWidth="3" />
            <text
              x={end.x - 6}
              y={index % 2 === 0 ? Math.max(12, end.y - 8) : end.y + 20}
              textAnchor="end"
              fontSize="15"
              fontWeight="700"
              fill={colour(key)}
            >
              {key.toLowerCase()}
            </text>
          </g>
        ))}
        {drawn.readings.map(({ key, hours, x, y }) => (
          <circle
            key={`${key} ${hours}`}
            cx={x}
            cy={y}
            r="6"
            fill="var(--enamel)"
            stroke={colour(key)}
            strokeWidth="2.5"
          />
        ))}
        {drawn.hours.map(({ hours, x }) => (
          <text key={hours} x={x} y={HEIGHT + 24} textAnchor="middle" fontSize="15" fill="var(--slate-soft)">
            {hours} h
          </text>
        ))}
      </svg>
      <Why
        about="how warm it got"
        of={{
          title: 'How warm the places get',
          steps: places.map((place) => ({
            what: place.name,
            sum:
              place.readings.length > 0
                ? `Newton’s curve from ${inDegrees(STARTS[place.kind], 0)} to what was read, and from one reading to the next; after the last by its own hours, towards a kitchen of ${inDegrees(ROOM, 0)}`
                : place.kind === 'fridge'
                  ? `${FRIDGE_HOURS} h shut (USDA), less a twentieth for each of ${place.opened} times it was opened`
                  : `${Math.round(place.full * 100)} % full: between ${FREEZER_HOURS.half} h half full and ${FREEZER_HOURS.full} h full (USDA), less a twentieth for each of ${place.opened} times it was opened; at ${inDegrees(THAWS, 1)} its ice takes up the heat until it has melted`,
          })),
          source:
            'USDA, keep your food safe during emergencies, from memory; Newton’s law of cooling. A thermometer knows better.',
        }}
      />
    </figure>
  );
}
