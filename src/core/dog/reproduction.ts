import { kilocalories, type Grams, type Kilocalories } from '../quantity/units';
import { metabolicSize, restingEnergy } from './resting-energy';
import { NURSING_WEEKS } from './stage';
import { nth } from '../sure';

/**
 * Energy of a pregnant dog in kcal/day: maintenance for the first four weeks, then 130 · BW^0.75 + 26 · BW.
 * Takes the weight in g, the day since mating and the dog's maintenance in kcal/day. Source: NRC 2006, from memory.
 */
export const gestationEnergy = (weight: Grams, day: number, maintenance: Kilocalories): Kilocalories =>
  day < 28 ? maintenance : kilocalories(130 * metabolicSize(weight) + 26 * (weight / 1000));

/** The other school of gestation: 1.8 × RER until day 42, 3.0 × RER after, in kcal/day. Source: AAHA, from memory. */
export const gestationEnergyShortForm = (weight: Grams, day: number): Kilocalories =>
  kilocalories((day <= 42 ? 1.8 : 3) * restingEnergy(weight));

/** How far milk has come in, in weeks 1 to 4. Source: NRC 2006. */
export const MILK_BY_WEEK = [0.75, 0.95, 1.1, 1.2] as const;

/** Energy of a nursing dog in one of the first four weeks, in kcal/day. Source: NRC 2006. */
function nursing(weight: Grams, week: number, pups: number): number {
  const kg = weight / 1000;
  const n = Math.min(pups, 4);
  const m = Math.min(Math.max(pups - 4, 0), 4);
  return 145 * metabolicSize(weight) + kg * (24 * n + 12 * m) * nth(MILK_BY_WEEK, week - 1);
}

/**
 * Energy of a nursing dog in kcal/day: 145 · BW^0.75 + BW · (24 n + 12 m) · L, n = min(pups, 4), m the next four,
 * L = 0.75, 0.95, 1.1, 1.2 in weeks 1 to 4 (NRC 2006). From week 5 NRC leaves it to the vet's weaning plan: we step
 * down in equal parts from week 4 to maintenance after week 8 (common practice, no source).
 */
export function lactationEnergy(weight: Grams, week: number, pups: number, maintenance: Kilocalories): Kilocalories {
  if (week <= 4) return kilocalories(nursing(weight, week, pups));
  const peak = nursing(weight, 4, pups);
  const left = Math.max(0, NURSING_WEEKS + 1 - week) / (NURSING_WEEKS + 1 - 4);
  return kilocalories(maintenance + Math.max(0, peak - maintenance) * left);
}
