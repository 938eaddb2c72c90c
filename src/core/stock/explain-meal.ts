import { writeFixed } from '../quantity/write';
import type { BowlAddition } from '../dog/bowl-line';
import type { DayEnergy } from '../dog/day-energy';
import type { Explanation } from '../explanation';
import type { Drawn, Source } from './draw';

/** The way from a dog's day to the grams in one bowl, with this case's figures. */
export function explainMeal(meal: {
  readonly dog: string;
  readonly meal: string;
  readonly energy: DayEnergy;
  readonly fraction: number;
  readonly additions: readonly BowlAddition[];
  /** kcal that it had already, besides. */
  readonly less: number;
  readonly kcal: number;
  readonly drawn: readonly Drawn[];
  readonly sources: readonly Source[];
}): Explanation {
  const density = (part: Drawn) =>
    meal.sources.find((source) => source.key === part.key)?.density ?? part.kcal / part.grams;
  return {
    title: `${meal.dog}, ${meal.meal}: ${writeFixed(meal.kcal, 1)} kcal`,
    steps: [
      ...meal.energy.explanation.steps,
      {
        what: 'this meal',
        sum: `${writeFixed(meal.energy.homeKcal, 1)} × ${writeFixed(meal.fraction, 3)} = ${writeFixed(meal.energy.homeKcal * meal.fraction, 1)} kcal`,
      },
      ...meal.additions
        .filter((each) => each.kcal > 0)
        .map((each) => ({ what: `less ${each.what}`, sum: `${writeFixed(each.kcal, 1)} kcal` })),
      ...(meal.less > 0 ? [{ what: 'less what it had besides', sum: `${writeFixed(meal.less, 1)} kcal` }] : []),
      ...meal.drawn.map((part) => ({
        what: `from ${part.code}`,
        sum: `${part.grams} g × ${writeFixed(density(part), 3)} kcal/g = ${writeFixed(part.kcal, 1)} kcal${part.water > 0 ? `, with ${part.water} mL of water` : ''}`,
      })),
    ],
    source: `${meal.energy.explanation.source} A whole gram at a time; a rest of up to 3 % goes along with a finished pack.`,
  };
}
