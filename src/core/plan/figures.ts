import { energyOf, type EnergyFactors } from '../nutrition/energy';
import { boughtAt, linesOfWeights, type At } from '../recipe/bases';
import { batchLines } from '../recipe/recipe';
import type { WrittenLine } from '../recipe/written';
import { guessYield, type YieldGuess } from './predict';
import { goesIntoVessel, roomOf } from './volume';
import { nth, sure } from '../sure';
import { addUp } from '../add-up';

/** What the amounts of a recipe's lines come to. */
export interface Figures {
  readonly kcal: number;
  /** g of all that goes in, bowl lines left out. */
  readonly inPot: number;
  /** g of finished food, as predicted: the likely figure, and how low and high it may be. */
  readonly finished: number;
  readonly finishedLow: number;
  readonly finishedHigh: number;
  /** Of each component what goes into its vessel: mL of room, and g. */
  readonly rooms: readonly number[];
  readonly weights: readonly number[];
  /** g of each written line, as bought. */
  readonly bought: readonly number[];
}

/** What is asked about a recipe, whatever its amounts. */
export interface Measured {
  readonly written: readonly WrittenLine[];
  readonly components: number;
  readonly guess: YieldGuess;
  /** The room of each line, raw, in mL for each g. */
  readonly room: readonly number[];
  readonly factors: EnergyFactors;
}

/** A recipe made ready to be planned with. `pots` are this kitchen's weighed ones: what was there of each g that went in. */
export const measuredRecipe = (
  written: readonly WrittenLine[],
  pots: readonly number[],
  factors: EnergyFactors,
): Measured => ({
  written,
  components: 1 + Math.max(0, ...written.map((line) => line.component ?? 0)),
  guess: guessYield(written, pots),
  room: written.map(roomOf),
  factors,
});

/** The figures of given amounts: g bought of each written line. */
export function figuresOf(recipe: Measured, bought: readonly number[]): Figures {
  const lines = batchLines(linesOfWeights(recipe.written, bought));
  const rooms = Array.from({ length: recipe.components }, () => 0);
  const weights = [...rooms];
  recipe.written.forEach((line, index) => {
    if (!goesIntoVessel(line)) return;
    const place = line.component ?? 0;
    // Peel and core come off before; bones go into the vessel and are strained out afterwards.
    const goesIn = nth(bought, index) * (line.strained ? 1 : 1 - line.refuse);
    weights[place] = nth(weights, place) + goesIn;
    rooms[place] = nth(rooms, place) + goesIn * nth(recipe.room, index);
  });
  const kept = (which: 'likely' | 'low' | 'high') =>
    addUp(lines, (line) => line.grams * nth(recipe.guess.lines, line.line)[which]);
  return {
    kcal: energyOf(lines, recipe.factors),
    inPot: addUp(lines, (line) => line.grams),
    finished: kept('likely'),
    finishedLow: kept('low'),
    finishedHigh: kept('high'),
    rooms,
    weights,
    bought,
  };
}

/** The figures of a recipe as a sum of parts: each unit of scale, dog-day, kg-day, and load of a component. */
export interface FigureParts {
  readonly perScale: Figures;
  readonly perDogDay: Figures;
  readonly perKgDay: Figures;
  readonly perLoad: readonly Figures[];
}

/** Every basis is linear in what it is bound to, so that four kinds of parts tell a recipe at any amounts. */
export function partsOf(recipe: Measured, choices: At['choices']): FigureParts {
  const none = { scale: 0, dogDays: 0, kgDays: 0, loads: Array.from({ length: recipe.components }, () => 0), choices };
  const at = (over: Partial<At>) => figuresOf(recipe, boughtAt(recipe.written, { ...none, ...over }));
  return {
    perScale: at({ scale: 1 }),
    perDogDay: at({ dogDays: 1 }),
    perKgDay: at({ kgDays: 1 }),
    perLoad: none.loads.map((_, place) => at({ loads: none.loads.map((__, other) => (other === place ? 1 : 0)) })),
  };
}

const partsIn = ({ perScale, perDogDay, perKgDay, perLoad }: FigureParts): readonly Figures[] => [
  perScale,
  perDogDay,
  perKgDay,
  ...perLoad,
];

/** How much there is of each part. */
const timesOf = (at: At, loads: number): readonly number[] => [
  at.scale,
  at.dogDays,
  at.kgDays,
  ...Array.from({ length: loads }, (_, place) => at.loads[place] ?? 1),
];

/**
 * kcal in each g of a recipe's finished food, as it is predicted; 0 where nothing of it is bound to the batch. What is added for
 * each dog or load is left out: nobody knows yet for how many. Source: handbook 7, or this kitchen's pots.
 */
export const finishedDensity = ({ perScale }: FigureParts): number =>
  perScale.finished > 0 ? perScale.kcal / perScale.finished : 0;

/** The energy of a recipe at so much of each part, in kcal. */
export function kcalAt(parts: FigureParts, at: At): number {
  const times = timesOf(at, parts.perLoad.length);
  return addUp(partsIn(parts), (own, index) => nth(times, index) * own.kcal);
}

/** The parts put together: the figures of a recipe at so much of each. */
export function figuresAt(parts: FigureParts, at: At): Figures {
  const own = partsIn(parts);
  const times = timesOf(at, parts.perLoad.length);
  const sum = (figure: 'kcal' | 'inPot' | 'finished' | 'finishedLow' | 'finishedHigh') => {
    let total = 0;
    for (let index = 0; index < own.length; index++) total += nth(times, index) * nth(own, index)[figure];
    return total;
  };
  const each = (figure: 'rooms' | 'weights' | 'bought') => {
    const totals = parts.perScale[figure].map(() => 0);
    for (let index = 0; index < own.length; index++)
      for (let place = 0; place < totals.length; place++)
        totals[place] = nth(totals, place) + nth(times, index) * sure(nth(own, index)[figure][place]);
    return totals;
  };
  let bought: readonly number[] | undefined;
  return {
    kcal: sum('kcal'),
    inPot: sum('inPot'),
    finished: sum('finished'),
    finishedLow: sum('finishedLow'),
    finishedHigh: sum('finishedHigh'),
    rooms: each('rooms'),
    weights: each('weights'),
    // Asked for by few of the many times that a plan is tried.
    get bought() {
      return (bought ??= each('bought'));
    },
  };
}
