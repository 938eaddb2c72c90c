import { grams, kilocalories, type Grams, type Kilocalories } from '../quantity/units';
import { metabolicSize, restingEnergy } from './resting-energy';

/**
 * Energy of a growing dog after weaning: 130 · BW^0.75 · 3.2 · (e^(−0.87 p) − 0.1), p = BW / expected adult BW, at most 1.
 * Takes both weights in g; returns kcal/day. Source: NRC 2006.
 */
export function growthEnergy(weight: Grams, adultWeight: Grams): Kilocalories {
  const p = Math.min(1, weight / adultWeight);
  return kilocalories(130 * metabolicSize(weight) * 3.2 * (Math.exp(-0.87 * p) - 0.1));
}

/**
 * The short form for pups: 3.0 × RER below 122 days of age, 2.0 × RER from then, in kcal/day.
 * Source: common veterinary tables, from memory.
 */
export const growthEnergyShortForm = (weight: Grams, ageDays: number): Kilocalories =>
  kilocalories((ageDays < 122 ? 3 : 2) * restingEnergy(weight));

/** The part of the adult weight at which growth is taken as done. */
const GROWN = 0.99;

/**
 * The age in days at which a dog of this expected adult weight (g) reaches 99 % of it.
 * Source: ages from memory; larger dogs grow longer.
 */
export function grownAtDays(adultWeight: Grams): number {
  const kg = adultWeight / 1000;
  if (kg < 8) return 274;
  if (kg < 15) return 304;
  if (kg < 25) return 365;
  return kg < 40 ? 456 : 548;
}

/**
 * Weight to come, in g: a Gompertz curve through the last weigh-in that reaches 99 % of the adult weight at the age
 * at which such dogs are grown. At 99 % and beyond, or past that age, the weight stays.
 * Source: shape as in published growth studies, ages from memory.
 */
export function projectedWeight(
  lastWeighIn: { readonly grams: Grams; readonly ageDays: number },
  adultWeight: Grams,
  ageDays: number,
): Grams {
  const ratio = lastWeighIn.grams / adultWeight;
  const left = grownAtDays(adultWeight) - lastWeighIn.ageDays;
  const days = ageDays - lastWeighIn.ageDays;
  if (ratio >= GROWN || left <= 0 || days <= 0) return lastWeighIn.grams;
  const rate = Math.log(Math.log(ratio) / Math.log(GROWN)) / left;
  return grams(Math.min(adultWeight * Math.pow(ratio, Math.exp(-rate * days)), adultWeight));
}
