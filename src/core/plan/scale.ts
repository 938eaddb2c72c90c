import { countOf } from '../quantity/count-words';
import type { Explanation } from '../explanation';
import { fine, refused, type Outcome } from '../problem';
import { writeFixed, writeNumber } from '../quantity/write';
import type { DogNeed } from './demand';
import { nth, sure } from '../sure';
import { addUp } from '../add-up';

/** A recipe's energy in kcal as a line over the scale: what each unit of scale brings, and what is there anyway. */
export interface RecipeEnergy {
  readonly perScale: number;
  readonly fixed: number;
}

/** No household plans further ahead than its freezer's best-by dates reach: three months and a bit (common practice, no source). */
export const LONGEST_PLAN_DAYS = 120;

export const sum = (values: readonly number[]): number => addUp(values, (value) => value);

/**
 * What every line is multiplied by so that the batch holds so many kcal.
 *
 * Takes the need in kcal and the recipe's energy over the scale. Refuses a recipe without energy, and lines by dog and
 * day that alone hold more. Source: arithmetic.
 */
export function scaleOf(need: number, { perScale, fixed }: RecipeEnergy): Outcome<number> {
  if (!(perScale > 0)) return refused('This recipe holds no energy yet: give it a line that does.', 'recipeId');
  if (need <= fixed) return refused('The lines by dog, day and load alone hold more than these dogs need.', 'recipeId');
  return fine((need - fixed) / perScale);
}

/** Where the scale of one recipe of a plan comes from, dog by dog. `batch` is its place among the plan's recipes. */
export function explainScale(
  needs: readonly DogNeed[],
  batch: number,
  bound: { readonly days: number; readonly need: number; readonly energy: RecipeEnergy; readonly scale: number },
): Explanation {
  const { need, scale } = bound;
  const { perScale, fixed } = bound.energy;
  const days = needs[0]?.byDay.length ?? 0;
  return {
    title: `The recipe × ${writeFixed(scale, 4)}`,
    steps: [
      ...needs.map((dog) => ({
        what: `${dog.name}, ${countOf(days, 'day')}`,
        sum:
          dog.byBatch.length > 1
            ? `${writeFixed(nth(dog.byBatch, batch), 1)} of ${writeFixed(sum(dog.byDay), 1)} kcal`
            : Math.abs((dog.byDay.at(-1) ?? 0) - (dog.byDay[0] ?? 0)) < 0.05
              ? `${days} × ${writeFixed(nth(dog.byDay, 0), 1)} = ${writeFixed(sum(dog.byDay), 1)} kcal`
              : `${writeFixed(nth(dog.byDay, 0), 1)} to ${writeFixed(sure(dog.byDay.at(-1)), 1)}, in all ${writeFixed(sum(dog.byDay), 1)} kcal`,
      })),
      {
        what: Math.abs(bound.days - days) < 0.005 ? 'needed' : `needed in ${writeNumber(bound.days, 2)} days`,
        sum: `${writeFixed(need, 1)} kcal`,
      },
      { what: 'the recipe as written', sum: `${writeFixed(perScale, 2)} kcal` },
      ...(fixed > 0 ? [{ what: 'from lines by dog, day and load', sum: `${writeFixed(fixed, 1)} kcal` }] : []),
      {
        what: 'scale',
        sum: `${fixed > 0 ? `(${writeFixed(need, 1)} − ${writeFixed(fixed, 1)})` : writeFixed(need, 1)} ÷ ${writeFixed(perScale, 2)} = ${writeFixed(scale, 4)}`,
      },
    ],
    source: 'Each dog’s ration in force, summed day by day.',
  };
}
