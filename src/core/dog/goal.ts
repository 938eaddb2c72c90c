import type { LocalDate } from '../calendar/local-date';
import { grams, kilocalories, type Grams, type Kilocalories } from '../quantity/units';
import type { WeighIn } from './dog';
import { restingEnergy } from './resting-energy';

/**
 * The weight in g that a body condition points to: from 6 upwards BW / (1 + 0.1 · (score − 5)), at 4 and 5 the
 * weight itself; below 4 undefined, since that is for a vet. Source: WSAVA, from memory: a point is about 10 %.
 */
export function targetWeight(weight: Grams, bodyCondition: number): Grams | undefined {
  if (bodyCondition < 4) return undefined;
  return bodyCondition <= 5 ? weight : grams(weight / (1 + 0.1 * (bodyCondition - 5)));
}

/** Within this part of the goal the goal is reached (common practice, no source). */
const NEAR = 0.02;

/** Whether a goal in g was reached by a weigh-in since the ration that set it began. */
export function goalReached(goal: Grams, from: LocalDate, weighIns: readonly WeighIn[], day: LocalDate): boolean {
  const start = weighIns.filter((entry) => entry.date <= from).at(-1) ?? weighIns[0];
  if (!start) return false;
  const near = (weight: number) => (start.grams >= goal ? weight <= goal * (1 + NEAR) : weight >= goal * (1 - NEAR));
  return weighIns.some((entry) => entry.date >= start.date && entry.date <= day && near(entry.grams));
}

/** What a goal asks for, in kcal/day, with what the table allows. */
export interface GoalEnergy {
  readonly factor: number;
  readonly low: Kilocalories;
  readonly kcal: Kilocalories;
  readonly high: Kilocalories;
}

/**
 * Energy towards a goal weight (g): loss 1.0 × RER of the goal, gain 1.2 to 1.8, in the middle 1.5, × RER of the
 * goal. Source: AAHA 2021 and common veterinary tables, from memory.
 */
export function goalEnergy(weight: Grams, goal: Grams): GoalEnergy {
  const rer = restingEnergy(goal);
  const [low, factor, high] = goal < weight ? [1, 1, 1] : [1.2, 1.5, 1.8];
  return {
    factor,
    low: kilocalories(low * rer),
    kcal: kilocalories(factor * rer),
    high: kilocalories(high * rer),
  };
}
