import type { Dog } from '../dog/dog';
import { weightOn } from '../dog/day-energy';
import { homeEnergyOn } from '../dog/meals';
import { addDays, type LocalDate } from '../calendar/local-date';
import type { Explanation } from '../explanation';
import { fine, refused, type Outcome } from '../problem';
import type { EnergyFactors } from '../nutrition/energy';
import { kilocalories, type Kilocalories } from '../quantity/units';
import { linesAt, type At } from '../recipe/bases';
import { recipeSheet } from '../recipe/sheet';
import type { WrittenLine } from '../recipe/written';

/** One dog's part of a plan: its home-cooked kcal of each day from the first feeding day. */
export interface DogNeed {
  readonly dogId: number;
  readonly name: string;
  readonly byDay: readonly Kilocalories[];
}

export interface Scale {
  /** What every line of the recipe is multiplied by. */
  readonly factor: number;
  readonly need: Kilocalories;
  readonly explanation: Explanation;
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

/** Each dog's weight summed over the days of a plan, in kg × days: what lines by body weight are reckoned from. */
export const kgDaysOf = (dog: Dog, first: LocalDate, days: number): number =>
  sum(Array.from({ length: days }, (_, index) => weightOn(dog, addDays(first, index)) / 1000));

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
 * By how much a recipe is multiplied so that it covers exactly these dogs for these days.
 *
 * Takes the needs in kcal, day by day, and the energy of the unscaled recipe in kcal, with what its lines by dog, day
 * and load bring whatever the scale. Refuses a plan without dogs or days and a recipe without energy. Source: arithmetic.
 */
export function scaleFor(needs: readonly DogNeed[], recipe: Kilocalories | RecipeEnergy): Outcome<Scale> {
  const { perScale: recipeKcal, fixed } = typeof recipe === 'number' ? { perScale: recipe, fixed: 0 } : recipe;
  if (needs.length === 0) return refused('Choose at least one dog to cook for.', 'dogIds');
  const days = needs[0]!.byDay.length;
  if (days < 1) return refused('Cook for at least one day.', 'days');
  if (days > LONGEST_PLAN_DAYS) return refused(`Cook for ${LONGEST_PLAN_DAYS} days at the most.`, 'days');
  if (!(recipeKcal > 0)) return refused('This recipe holds no energy yet: give it a line that does.', 'recipeId');
  const need = sum(needs.map((dog) => sum(dog.byDay)));
  if (need <= fixed) return refused('The lines by dog and day alone hold more than these dogs need.', 'recipeId');
  const factor = (need - fixed) / recipeKcal;
  return fine({
    factor,
    need: kilocalories(need),
    explanation: explainNeeds(needs, need, { perScale: recipeKcal, fixed }, factor),
  });
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
