import type { HeatPoint } from './lethality';
import { AROUND, stretchNow, USUAL_DEPTH, type PanState, type Stretch, type Where } from './pans';
import { coolSlab, COOKED_FOOD, timeDownTo, type Slab } from './slab';

export interface Remedy {
  readonly words: string;
  /** Minutes from now until the next limit's temperature; undefined: not within a day. */
  readonly minutes: number | undefined;
  readonly where: Where;
  readonly pans?: 2;
  readonly stirred?: true;
}

const DAY = 24 * 60;

/** How much more or less than the table a pan's surface may give off: open and wet three times, under a lid a third. */
const SURFACE = { least: 0.2, most: 6 };

/** A pan as it stands: where, in which °C, and how deep in cm. */
export type Standing = Pick<Stretch, 'where' | 'ambient'> & Pick<PanState, 'depth'>;

/** A pan where it stands now. */
export function standingOf(pan: PanState): Standing {
  const { where, ambient } = stretchNow(pan);
  return { where, ambient, depth: pan.depth };
}

/** What stands around a pan where it is or would be, with its own surface where that is air: a bath gives off by its water. */
const aroundOf = (pan: Standing, where: Where, surface: number) => {
  const around = where === pan.where ? { ...AROUND[where], celsius: pan.ambient } : AROUND[where];
  return where === 'counter' || where === 'fridge' ? { ...around, transfer: around.transfer * surface } : around;
};

/**
 * How much more heat than the table says this pan gives off to air, so that a slab of it cools as its own readings do: 1
 * where there is no forecast or the pan stands in a bath. By halving between bounds.
 *
 * Takes the pan, °C now and wanted, and the minutes that its own curve says. Source: the heat equation; ours.
 */
export function surfaceOf(pan: Standing, from: number, to: number, likely: number | undefined): number {
  if (likely === undefined || (pan.where !== 'counter' && pan.where !== 'fridge')) return 1;
  const takes = (surface: number) => slabTime(pan, pan.depth ?? USUAL_DEPTH, pan.where, surface, from, to) ?? Infinity;
  let { least, most } = SURFACE;
  for (let turn = 0; turn < 10; turn++) {
    const middle = Math.sqrt(least * most);
    if (takes(middle) > likely) least = middle;
    else most = middle;
  }
  return Math.sqrt(least * most);
}

function slabTime(
  pan: Standing,
  cm: number,
  where: Where,
  surface: number,
  from: number,
  to: number,
): number | undefined {
  const slab: Slab = { depth: cm / 100, sides: AROUND[where].sides, food: COOKED_FOOD };
  return timeDownTo(coolSlab(slab, from, aroundOf(pan, where, surface), DAY, 4), to);
}

/**
 * What helps, each with its own time for this pan: the minutes from now until the core comes down to `to` °C, from `from` °C, by a
 * slab of this food. Stirred, the pan is one temperature and only its surface counts (lumped).
 *
 * Takes depth in cm, and the pan's surface by its own curve. Source: the heat equation; constants handbook 12.
 */
export function remediesFor(pan: Standing, from: number, to: number, surface = 1): Remedy[] {
  const depth = pan.depth ?? USUAL_DEPTH;
  const here = pan.where;
  const moves = (['ice water', 'cold water', 'fridge'] as const).filter((where) => where !== here);
  return [
    { words: 'leave it so', minutes: slabTime(pan, depth, here, surface, from, to), where: here },
    ...moves.map((where) => ({
      words: `set it ${AROUND[where].words}`,
      minutes: slabTime(pan, depth, where, surface, from, to),
      where,
    })),
    {
      words: `split it: two pans, ${trim(depth / 2)} cm`,
      minutes: slabTime(pan, depth / 2, here, surface, from, to),
      where: here,
      pans: 2 as const,
    },
    {
      words: 'stir every ten minutes',
      minutes: stirred(pan, depth / 100, surface, from, to),
      where: here,
      stirred: true as const,
    },
  ];
}

/** The core of a pan from now on if a remedy is taken, from `from` °C, for twelve hours. */
function remedyCurve(
  pan: Standing,
  { where, pans, stirred: isStirred }: Remedy,
  from: number,
  surface: number,
): HeatPoint[] {
  const depth = (pan.depth ?? USUAL_DEPTH) / 100 / (pans ?? 1);
  if (isStirred) {
    const celsius = pan.ambient;
    const rate = lumpedRate(pan, depth, surface) * 60;
    return Array.from({ length: DAY / 4 }, (_, step) => ({
      minutes: step * 2,
      celsius: celsius + (from - celsius) * Math.exp(-rate * step * 2),
    }));
  }
  const curve = coolSlab(
    { depth, sides: AROUND[where].sides, food: COOKED_FOOD },
    from,
    aroundOf(pan, where, surface),
    DAY / 2,
    2,
  );
  return curve.minutes.map((minutes, step) => ({ minutes, celsius: curve.core[step] ?? from }));
}

/** A remedy with its way, minute by minute from now. */
export interface Help extends Remedy {
  readonly curve: readonly HeatPoint[];
}

/** All that helps a pan, each with its curve: what a worker is asked. Arguments as of `remediesFor` and `surfaceOf`. */
export function helpFor(pan: Standing, from: number, to: number, likely: number | undefined): Help[] {
  const surface = surfaceOf(pan, from, to, likely);
  return remediesFor(pan, from, to, surface).map((remedy) => ({
    ...remedy,
    curve: remedyCurve(pan, remedy, from, surface),
  }));
}

const trim = (value: number) => String(Math.round(value * 10) / 10);

/** How fast a stirred pan cools, per second: its surface over what it stores. */
function lumpedRate(pan: Standing, depth: number, surface: number): number {
  const { transfer, sides } = aroundOf(pan, pan.where, surface);
  return (transfer * sides) / (COOKED_FOOD.density * COOKED_FOOD.capacity * depth);
}

function stirred(pan: Standing, depth: number, surface: number, from: number, to: number): number | undefined {
  const { ambient } = pan;
  if (to <= ambient) return undefined;
  const minutes = Math.log((from - ambient) / (to - ambient)) / lumpedRate(pan, depth, surface) / 60;
  return minutes <= DAY ? minutes : undefined;
}
