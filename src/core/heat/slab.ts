import { nth } from '../sure';

/** How food lets heat through: W/mK, kg/m³, J/kgK. */
export interface Thermal {
  readonly conductivity: number;
  readonly density: number;
  readonly capacity: number;
}

/** Cooked food above freezing. Source: handbook 12 (from memory). */
export const COOKED_FOOD: Thermal = { conductivity: 0.5, density: 1040, capacity: 3600 };

/** Surface transfer, radiation included, in W/m²K. Source: handbook 12 (from memory). */
export const SURFACE_TRANSFER = {
  'still room air': 8,
  fridge: 10,
  'fridge with a fan': 15,
  'still cold water': 100,
  'ice water': 400,
} as const;

/** A flat pan of food: how deep, and whether it gives off heat above alone or on both sides. */
export interface Slab {
  /** In m. */
  readonly depth: number;
  readonly sides: 1 | 2;
  readonly food: Thermal;
}

/** What stands around it. */
export interface Surroundings {
  readonly celsius: number;
  /** In W/m²K. */
  readonly transfer: number;
}

export interface SlabCurve {
  /** Minutes from the beginning, in even steps. */
  readonly minutes: readonly number[];
  /** Of the slowest place: the middle, or the bottom where heat leaves above alone. */
  readonly core: readonly number[];
  readonly mean: readonly number[];
  /** What went out by then through the surface, in J/m². */
  readonly heatOut: readonly number[];
}

/** Odd, so that one of them is the middle. */
const CELLS = 61;

/**
 * Simulates the cooling (or warming) of a flat pan: conduction in one dimension with transfer at its surface, by cells
 * that keep their energy and steps that are taken half by what was and half by what comes (Crank and Nicolson).
 *
 * Takes the pan, its even temperature in °C, what is around it, how long in minutes, and the step in minutes.
 * Source: the heat equation; constants handbook 12.
 */
export function coolSlab(slab: Slab, start: number, around: Surroundings, until: number, step = 0.5): SlabCurve {
  const { conductivity, density, capacity } = slab.food;
  const wide = slab.depth / CELLS;
  const store = density * capacity * wide;
  const inner = conductivity / wide;
  // From the middle of the outermost cell through half of it and the surface.
  const outer = 1 / (1 / around.transfer + wide / 2 / conductivity);
  const [top, bottom] = [outer, slab.sides === 2 ? outer : 0];
  const seconds = step * 60;
  let cells = Array.from({ length: CELLS }, () => start);
  const flowOut = (own: readonly number[]) =>
    top * (nth(own, 0) - around.celsius) + bottom * (nth(own, CELLS - 1) - around.celsius);
  const core = slab.sides === 2 ? (CELLS - 1) / 2 : CELLS - 1;
  const curve = { minutes: [0], core: [start], mean: [start], heatOut: [0] };
  let out = 0;
  for (let count = 1; count <= Math.ceil(until / step); count++) {
    const before = cells;
    cells = stepOf(before, { inner, top, bottom, ambient: around.celsius, share: seconds / store / 2 });
    out += ((flowOut(before) + flowOut(cells)) / 2) * seconds;
    curve.minutes.push(count * step);
    curve.core.push(nth(cells, core));
    curve.mean.push(cells.reduce((sum, each) => sum + each, 0) / CELLS);
    curve.heatOut.push(out);
  }
  return curve;
}

interface Conductances {
  readonly inner: number;
  readonly top: number;
  readonly bottom: number;
  readonly ambient: number;
  /** Half a step over what a cell stores. */
  readonly share: number;
}

/** One step: the tridiagonal system of all cells, solved from the top down and back (Thomas). */
function stepOf(now: readonly number[], { inner, top, bottom, ambient, share }: Conductances): number[] {
  const last = now.length - 1;
  const above = (cell: number) => (cell === 0 ? top : inner);
  const below = (cell: number) => (cell === last ? bottom : inner);
  const neighbour = (cell: number) => (cell < 0 || cell > last ? ambient : nth(now, cell));
  const factors: number[] = [];
  const values: number[] = [];
  for (let cell = 0; cell <= last; cell++) {
    const [up, down, own] = [above(cell), below(cell), nth(now, cell)];
    const known =
      own +
      share * (up * (neighbour(cell - 1) - own) + down * (neighbour(cell + 1) - own)) +
      (cell === 0 ? share * up * ambient : 0) +
      (cell === last ? share * down * ambient : 0);
    const fromAbove = cell === 0 ? 0 : -share * up;
    const pivot = 1 + share * (up + down) - (cell === 0 ? 0 : fromAbove * nth(factors, cell - 1));
    factors.push(cell === last ? 0 : (-share * down) / pivot);
    values.push((known - (cell === 0 ? 0 : fromAbove * nth(values, cell - 1))) / pivot);
  }
  const next = [...values];
  for (let cell = last - 1; cell >= 0; cell--)
    next[cell] = nth(values, cell) - nth(factors, cell) * nth(next, cell + 1);
  return next;
}

/** When a curve first comes down to a temperature, in minutes; undefined where it does not. */
export function timeDownTo(curve: Pick<SlabCurve, 'minutes' | 'core'>, celsius: number): number | undefined {
  const at = curve.core.findIndex((each) => each <= celsius);
  if (at === -1) return undefined;
  if (at === 0) return nth(curve.minutes, 0);
  const [warm, cold] = [nth(curve.core, at - 1), nth(curve.core, at)];
  const [from, to] = [nth(curve.minutes, at - 1), nth(curve.minutes, at)];
  return from + ((warm - celsius) / (warm - cold)) * (to - from);
}
