import type { Hatch } from '@/core/recipe/protein';
import { hatchFill } from '../badges/hatch-defs';

export interface StripDay {
  readonly day: string;
  readonly said: string;
  readonly hatch: Hatch | undefined;
}

interface DogStripProps {
  name: string;
  days: readonly StripDay[];
  coverDays: number;
  /** "14 days, to 8 Dec", beside the day on which it runs out; under the name where it lasts. */
  runsOut: string;
  y: number;
  xOf: (index: number) => number;
  cell: number;
  high: number;
}

/** px that a word's letter is wide in the strip, in the mean. */
const LETTER = 7.1;

/** One dog's coming days as squares, filled by what will feed it, up to the day on which nothing is left. */
export function DogStrip({ name, days, coverDays, runsOut, y, xOf, cell, high }: DogStripProps) {
  const lasts = coverDays === days.length;
  const ends = xOf(coverDays);
  const wide = runsOut.length * LETTER + 6;
  // Where it runs out far to the right, the words stand before that day.
  const words = ends + wide + 8 > xOf(days.length) ? ends - wide - 4 : ends + 4;
  return (
    <g>
      <text x="0" y={lasts ? y + high / 2 - 2 : y + high / 2 + 5} fontSize="14" fontWeight="600" fill="var(--slate)">
        {name.length > 11 ? `${name.slice(0, 10)}…` : name}
      </text>
      {days.map((own, index) => {
        const isCovered = index < coverDays;
        return (
          <rect
            key={own.day}
            x={xOf(index) + 1}
            y={y}
            width={cell - 2}
            height={high}
            fill={own.hatch ? hatchFill(own.hatch) : isCovered ? 'var(--enamel-raised)' : 'none'}
            stroke={isCovered ? 'var(--slate)' : 'var(--edge)'}
            strokeWidth={isCovered ? 1.5 : 1}
            data-said={own.said}
          />
        );
      })}
      {!lasts ? (
        <>
          <path d={`M${ends} ${y - 3}V${y + high + 3}`} stroke="var(--beet)" strokeWidth="3" />
          <rect x={words} y={y + high / 2 - 10} width={wide} height={20} fill="var(--enamel)" />
          <text x={words + 4} y={y + high / 2 + 5} fontSize="13" fontWeight="600" fill="var(--beet)">
            {runsOut}
          </text>
        </>
      ) : (
        <text x="0" y={y + high - 2} fontSize="11" fill="var(--kale)">
          {runsOut}
        </text>
      )}
    </g>
  );
}
