import type { Dog } from '../dog/dog';
import { homeEnergyOn } from '../dog/meals';
import { addDays, type LocalDate } from '../calendar/local-date';
import type { Explanation } from '../explanation';
import { fine, refused, type Outcome } from '../problem';
import type { EnergyFactors } from '../nutrition/energy';
import type { Kilocalories } from '../quantity/units';
import { linesAt, type At } from '../recipe/bases';
import { recipeSheet } from '../recipe/sheet';
import type { WrittenLine } from '../recipe/written';

/** One dog's part of a plan: its home-cooked kcal of each day from the first feeding day. */
export interface DogNeed {
  readonly dogId: number;
  readonly name: string;
  readonly byDay: readonly Kilocalories[];
}

/** A recipe's energy in kcal as a line over the scale: what each unit of scale brings, and what is there anyway. */
export interface RecipeEnergy {
  readonly perScale: number;
  readonly fixed: number;
}

/** The energy of a recipe's lines over the scale, for so many dog-days, kg-days and loads. All bases are linear in it. */
export function energyOverScale(
  written: readonly WrittenLine[],
  at: Omit<At, 'scale'>,
  factors: EnergyFactors,
): RecipeEnergy {
  const kcal = (scale: number) => recipeSheet(linesAt(written, { ...at, scale }), factors).kcal;
  const fixed = kcal(0);
  return { fixed, perScale: kcal(1) - fixed };
}

/** No household plans further ahead than its freezer's best-by dates reach: three months and a bit (common practice, no source). */
export const LONGEST_PLAN_DAYS = 120;

export const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** The home-cooked energy of each dog on each day of a plan, in the meals that this recipe may fill. */
export const needsOf = (
  dogs: readonly (Dog & { id: number })[],
  first: LocalDate,
  days: number,
  recipeId?: number,
): DogNeed[] =>
  dogs.map((dog) => ({
    dogId: dog.id,
    name: dog.name,
    byDay: Array.from({ length: days }, (_, index) => homeEnergyOn(dog, addDays(first, index), recipeId)),
  }));

/**
 * What every line is multiplied by so that the batch holds so many kcal.
 *
 * Takes the need in kcal and the recipe's energy over the scale. Refuses a recipe without energy, and lines by dog and
 * day that alone hold more. Source: arithmetic.
 */
export function scaleOf(need: number, { perScale, fixed }: RecipeEnergy): Outcome<number> {
  if (!(perScale > 0)) return refused('This recipe holds no energy yet: give it a line that does.', 'recipeId');
  if (need <= fixed) return refused('The lines by dog and day alone hold more than these dogs need.', 'recipeId');
  return fine((need - fixed) / perScale);
}

/** The last feeding day of a plan. */
export const lastDay = (first: LocalDate, days: number): LocalDate => addDays(first, days - 1);

/** Where a scale comes from, dog by dog. */
export function explainNeeds(
  needs: readonly DogNeed[],
  need: number,
  { perScale, fixed }: RecipeEnergy,
  scale: number,
): Explanation {
  const days = needs[0]?.byDay.length ?? 0;
  return {
    title: `The recipe × ${scale.toFixed(4)}`,
    steps: [
      ...needs.map((dog) => ({
        what: `${dog.name}, ${days} ${days === 1 ? 'day' : 'days'}`,
        sum:
          Math.abs((dog.byDay.at(-1) ?? 0) - (dog.byDay[0] ?? 0)) < 0.05
            ? `${days} × ${dog.byDay[0]!.toFixed(1)} = ${sum(dog.byDay).toFixed(1)} kcal`
            : `${dog.byDay[0]!.toFixed(1)} rising to ${dog.byDay.at(-1)!.toFixed(1)}, in all ${sum(dog.byDay).toFixed(1)} kcal`,
      })),
      { what: 'needed', sum: `${need.toFixed(1)} kcal` },
      { what: 'the recipe as written', sum: `${perScale.toFixed(2)} kcal` },
      ...(fixed > 0 ? [{ what: 'from lines by dog, day and load', sum: `${fixed.toFixed(1)} kcal` }] : []),
      {
        what: 'scale',
        sum: `${fixed > 0 ? `(${need.toFixed(1)} − ${fixed.toFixed(1)})` : need.toFixed(1)} ÷ ${perScale.toFixed(2)} = ${scale.toFixed(4)}`,
      },
    ],
    source: 'Each dog’s ration in force, summed day by day.',
  };
}
