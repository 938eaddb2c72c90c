import { addUp } from '../add-up';
import { coolSlab, COOKED_FOOD, timeDownTo } from '../heat/slab';
import type { Explanation } from '../explanation';
import { writeFixed, writeNumber } from '../quantity/write';
import { nth } from '../sure';

export const PACK_FORMS = ['flat bag', 'tub', 'cubes'] as const;
/** How a pack lies in the freezer: a flat bag or a tub is a slab, a cube nearly a ball. */
export type PackForm = (typeof PACK_FORMS)[number];

/** P and R of Plank's equation, by the shape (handbook 10). */
const SHAPES = { slab: { p: 1 / 2, r: 1 / 8 }, sphere: { p: 1 / 6, r: 1 / 24 } } as const;

export interface Freezing {
  readonly shape: keyof typeof SHAPES;
  /** m: full thickness, or diameter. */
  readonly thickness: number;
  /** kg/m³. */
  readonly density: number;
  /** J/kg that freezing takes. */
  readonly latent: number;
  /** °C at which it freezes, and of the air. */
  readonly freezesAt: number;
  readonly air: number;
  /** W/m²K at the surface, and W/mK within the frozen food. */
  readonly surface: number;
  readonly conductivity: number;
}

/**
 * How long freezing alone takes, in hours: t = ρL/(Tf − Ta)·(P·a/h + R·a²/k). The cooling before it comes on top, so that it is
 * a lower bound. Takes SI units. Source: Plank's equation (handbook 10; Singh & Heldman, from memory).
 */
export function plankHours({
  shape,
  thickness,
  density,
  latent,
  freezesAt,
  air,
  surface,
  conductivity,
}: Freezing): number {
  const { p, r } = SHAPES[shape];
  return (
    (((density * latent) / (freezesAt - air)) * ((p * thickness) / surface + (r * thickness ** 2) / conductivity)) /
    3600
  );
}

/** Freezer air, °C; what freezes where; what holds the heat: handbook 10 and 12, from memory. */
const AIR = -18;
const FREEZES_AT = -1.5;
const LATENT = 333_600;
const DENSITY = 1050;
const FROZEN_CONDUCTIVITY = 1.4;
/** W/m²K without and with a fan (handbook 12, from memory). */
const SURFACE = { still: 8, fan: 20 } as const;

/** A pack as it is frozen: how it lies, cm of thickness, from how many sides the cold comes, and whether a fan moves the air. */
export interface PackToFreeze {
  readonly form: PackForm;
  readonly centimetres: number;
  readonly sides: 1 | 2;
  readonly fan: boolean;
  /** Part of the food that is water, from 0 to 1. */
  readonly water: number;
  /** °C that it goes in with; absent: cold from the fridge, and its cooling is not counted. */
  readonly from?: number;
}

/** Hours until the middle comes down to freezing, for food that was not cooled first. Source: the slab of core/heat. */
function hoursToCool({ centimetres, sides, from = 0 }: PackToFreeze, surface: number): number {
  if (from <= 5) return 0;
  const slab = { depth: centimetres / 100, sides, food: COOKED_FOOD };
  const curve = coolSlab(slab, from, { celsius: AIR, transfer: surface }, MOST_MINUTES);
  return (timeDownTo(curve, 0) ?? MOST_MINUTES) / 60;
}
/** Longer than two days nobody waits for. */
const MOST_MINUTES = 2880;

/** How long a pack of this food takes to freeze through, with the way it was worked out. Source: as {@link plankHours}. */
export function freezeTime(pack: PackToFreeze): {
  readonly hours: number;
  readonly explanation: Explanation;
} {
  const { form, centimetres, sides, fan, water } = pack;
  const surface = fan ? SURFACE.fan : SURFACE.still;
  const cooling = hoursToCool(pack, surface);
  // On a shelf the cold comes from above alone: it is as a slab twice as thick.
  const thickness = (centimetres / 100) * (sides === 1 ? 2 : 1);
  const latent = water * LATENT;
  const shape = form === 'cubes' ? 'sphere' : 'slab';
  const freezing = plankHours({
    shape,
    thickness,
    density: DENSITY,
    latent,
    freezesAt: FREEZES_AT,
    air: AIR,
    surface,
    conductivity: FROZEN_CONDUCTIVITY,
  });
  const hours = cooling + freezing;
  return {
    hours,
    explanation: {
      title: `${writeFixed(hours, 1)} h to freeze ${writeNumber(centimetres, 1)} cm through`,
      steps: [
        {
          what: 'heat of freezing',
          sum: `${writeNumber(water * 100, 0)} % water × 333.6 kJ/kg = ${writeFixed(latent / 1000, 1)} kJ/kg`,
        },
        { what: 'air and food', sum: `${AIR} °C, freezing at ${FREEZES_AT} °C` },
        { what: 'surface', sum: `${surface} W/m²K, ${fan ? 'a fan moves the air' : 'still air'}` },
        { what: 'cold comes', sum: sides === 1 ? 'from one side: counted twice as thick' : 'from both sides' },
        ...(cooling > 0
          ? [
              {
                what: 'cooled down to freezing first',
                sum: `${writeFixed(cooling, 1)} h, its middle, and ${writeFixed(freezing, 1)} h freezing`,
              },
            ]
          : []),
        { what: 'shape', sum: form === 'cubes' ? 'nearly a ball: P 1/6, R 1/24' : 'a slab: P 1/2, R 1/8' },
      ],
      source: 'Plank’s equation, from memory. It counts freezing alone, food that is cold already: a lower bound.',
    },
  };
}

/** g of unfrozen food that a freezer of so many L takes in 24 h: 0.9 to 1.4 kg per 28 L (NCHFP, from memory). */
export const freezesADay = (litres: number) => ({
  least: Math.round((litres * 900) / 28),
  mean: Math.round((litres * 1150) / 28),
  most: Math.round((litres * 1400) / 28),
});

/** On which day each pack goes into the freezer, 0 is today; undefined: one alone is more than a day takes. */
export type LoadingPlan = { readonly days: number; readonly dayOf: readonly number[] } | undefined;

/** Above this many packs no fewer days are looked for than by filling up (ours). */
const TRIED = 24;
/** So many tries are enough to know, or to let it be (ours). */
const TRIES = 200_000;

/**
 * Spreads packs over days so that no day takes more than the freezer can freeze, in as few days as possible: largest first
 * into the first day that has room, and where that is more than the weights ask for, every way is tried.
 *
 * Takes g of each pack, g a day, and g that it has already from each day on. Source: bin packing, first fit decreasing with branch and bound.
 */
export function loadFreezer(packs: readonly number[], aDay: number, taken: readonly number[] = []): LoadingPlan {
  if (packs.some((grams) => grams > aDay)) return undefined;
  const order = [...packs.keys()].sort((a, b) => nth(packs, b) - nth(packs, a) || a - b);
  const dayOf = packs.map(() => 0);
  const loads: number[] = [...taken];
  for (const index of order) {
    const grams = nth(packs, index);
    const found = loads.findIndex((load) => load + grams <= aDay);
    const day = found === -1 ? loads.length : found;
    loads[day] = (loads[day] ?? 0) + grams;
    dayOf[index] = day;
  }
  const days = Math.max(0, ...dayOf.map((day) => day + 1));
  const free = (day: number) => Math.max(0, aDay - (taken[day] ?? 0));
  let least = 0;
  for (let room = 0, all = addUp(packs, (grams) => grams); room < all - 1e-9; least++) room += free(least);
  if (days > least && packs.length <= TRIED) {
    for (let fewer = least; fewer < days; fewer++) {
      const better = intoDays(packs, order, aDay, fewer, taken);
      if (better) return { days: fewer, dayOf: better };
    }
  }
  return { days, dayOf };
}

/** Whether packs go into so many days, and how; undefined where they do not, or nobody knows after enough tries. */
function intoDays(
  packs: readonly number[],
  order: readonly number[],
  aDay: number,
  days: number,
  taken: readonly number[],
): readonly number[] | undefined {
  const loads = Array.from({ length: days }, (_, day) => taken[day] ?? 0);
  const dayOf = packs.map(() => 0);
  let tries = 0;
  const place = (at: number): boolean => {
    const index = order[at];
    if (index === undefined) return true;
    if (++tries > TRIES) return false;
    const grams = nth(packs, index);
    const seen = new Set<number>();
    for (let day = 0; day < days; day++) {
      const load = nth(loads, day);
      // Days that are alike are tried once.
      if (load + grams > aDay || seen.has(load)) continue;
      seen.add(load);
      loads[day] = load + grams;
      dayOf[index] = day;
      if (place(at + 1)) return true;
      loads[day] = load;
    }
    return false;
  };
  return place(0) ? dayOf : undefined;
}
