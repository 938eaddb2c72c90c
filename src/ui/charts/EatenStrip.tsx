import type { Hatch } from '@/core/recipe/protein';
import { hatchFill } from '../badges/hatch-defs';

interface EatenStripProps {
  days: readonly { readonly day: string; readonly week: string | undefined; readonly hatch: Hatch | undefined }[];
  xOf: (index: number) => number;
  y: number;
  cell: number;
  high: number;
}

/** Days by what was mostly eaten on them, each week under its first day; a day of which nobody knows is empty. */
export function EatenStrip({ days, xOf, y, cell, high }: EatenStripProps) {
  return days.map(({ day, week, hatch }, index) => (
    <g key={day}>
      {week && (
        <text x={xOf(index)} y="12" fontSize="12" fill="var(--slate-soft)">
          {week}
        </text>
      )}
      <rect
        x={xOf(index) + 1}
        y={y}
        width={cell - 2}
        height={high}
        fill={hatch ? hatchFill(hatch) : 'none'}
        stroke="var(--slate)"
      />
    </g>
  ));
}
