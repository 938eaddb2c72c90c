import type { Hatch } from '@/core/recipe/protein';
import { hatchFill } from '@/ui/badges/hatch-defs';
import { POT_HEIGHT, potLevel } from '@/ui/charts/pot-level';

const [LEFT, RIGHT, FLOOR] = [18, 106, 78];

interface PotLevelProps {
  load: { readonly each: number; readonly full: number };
  millilitres: number;
  hatch: Hatch;
}

/** How full a pot is with one load, and the mark that it is not to be filled beyond. What it says stands beside it. */
export function PotLevel({ load, millilitres, hatch }: PotLevelProps) {
  const { food, mark } = potLevel(load, millilitres);
  const over = food > mark + 0.5;
  return (
    <svg viewBox="0 0 150 88" width="150" height="88" aria-hidden>
      <rect x={LEFT} y={FLOOR - food} width={RIGHT - LEFT} height={food} fill={hatchFill(hatch)} />
      <path
        d={`M${LEFT} ${FLOOR - food}H${RIGHT}`}
        stroke={over ? 'var(--beet)' : 'var(--slate)'}
        strokeWidth={over ? 3 : 1.5}
      />
      <path
        d={`M${LEFT} ${FLOOR - POT_HEIGHT}V${FLOOR - 6}q0 6 6 6H${RIGHT - 6}q6 0 6 -6V${FLOOR - POT_HEIGHT}M6 ${FLOOR - POT_HEIGHT + 10}h12M${RIGHT} ${FLOOR - POT_HEIGHT + 10}h12`}
        fill="none"
        stroke="var(--slate)"
        strokeWidth="2.6"
      />
      <path d={`M${RIGHT - 10} ${FLOOR - mark}H${RIGHT + 22}`} stroke="var(--carrot)" strokeWidth="2.6" />
      <text x={RIGHT + 26} y={FLOOR - mark + 4} fontSize="12" fill="var(--slate)">
        full
      </text>
    </svg>
  );
}
