import type { KnownFood } from '../food/food';
import type { Candidate, Programme } from './programme';
import { nth } from '../sure';
import { addUp } from '../add-up';

/** A spoon measures eighths of a teaspoon up to two tablespoons; a scale tenths below 10 g and whole g above. */
const spoonStep = ({ tspGrams }: Candidate) => (tspGrams === undefined ? undefined : tspGrams / 8);
const MOST_SPOONS = 6 * 8;
/** Steps that rounding is mended by, at most. */
const MOST_STEPS = 40;

/** What a level teaspoon weighs of things that are spooned: supplements, oils, powders (common practice, no source). */
export function spoonOf({ food, measures }: KnownFood): Pick<Candidate, 'tspGrams'> {
  const spoon = measures.find(({ unit, amount }) => /^(tsp|teaspoon)\b/i.test(unit) && amount > 0);
  const spooned = /^(Supplement|Fats and oils|Spices and herbs)$/.test(food.group);
  return spoon && spooned ? { tspGrams: spoon.grams / spoon.amount } : {};
}

/** The step by which so much of a candidate is measured, in g (common practice, no source). */
function stepOf(candidate: Candidate, mass: number): number {
  const spoon = spoonStep(candidate);
  if (spoon !== undefined && spoon >= 0.1 && mass <= spoon * MOST_SPOONS) return spoon;
  return mass < 10 ? 0.1 : 1;
}

/** The least of a candidate that a kitchen can measure, in g. */
export const smallestOf = (candidate: Candidate): number => Math.max(0.1, spoonStep(candidate) ?? 0.1);

/** How far rows are missed by these amounts, in parts of their limits; what floating point may lose is none. */
export function missedBy({ rows }: Programme, amounts: readonly number[]): readonly number[] {
  return rows.map(({ side, bound, perGram, whole }) => {
    const brought = addUp(perGram, (value, index) => value * nth(amounts, index));
    const by = (side === 'least' ? bound - brought : brought - bound) / whole;
    return by > 1e-6 ? by : 0;
  });
}

/**
 * Amounts as they can be measured: each up to its next step, then a step up or down where rounding missed a limit.
 * Caps are kept. Source: common practice, no source.
 */
export function measurable(programme: Programme, candidates: readonly Candidate[], exact: readonly number[]): number[] {
  const step = (index: number) => stepOf(nth(candidates, index), nth(exact, index));
  const up = exact.map((mass, index) => {
    if (mass < smallestOf(nth(candidates, index)) / 2) return 0;
    const steps = Math.ceil(mass / step(index) - 1e-6);
    const most = Math.floor(nth(programme.caps, index) / step(index) + 1e-9);
    return Math.max(1, Math.min(steps, Math.max(1, most))) * step(index);
  });
  const wrong = (amounts: readonly number[]) => addUp(missedBy(programme, amounts), (by) => by);
  const least = wrong(exact) + 1e-9;
  let best = up;
  // A step up or down at a time, the one that helps most, until rounding misses nothing or nothing helps.
  for (let round = 0; round < MOST_STEPS && wrong(best) > least; round++) {
    const tries = best.flatMap((mass, index) =>
      mass === 0
        ? []
        : [mass + step(index), mass - step(index)]
            .filter((next) => next > 0 && next <= nth(programme.caps, index) * (1 + 1e-9))
            .map((next) => best.map((each, at) => (at === index ? next : each))),
    );
    const next = tries.sort((a, b) => wrong(a) - wrong(b))[0];
    if (!next || wrong(next) >= wrong(best) - 1e-9) break;
    best = next;
  }
  return best.map((mass) => Number(mass.toFixed(4)));
}
