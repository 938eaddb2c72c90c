import { kilocalories, type Grams, type Kilocalories } from '../quantity/units';

/** Metabolic body size, kg^0.75, of a body weight in g. */
export const metabolicSize = (weight: Grams) => Math.pow(weight / 1000, 0.75);

/**
 * Resting energy requirement, 70 · BW^0.75, in kcal/day for a body weight in g.
 * The linear short form is not used: it strays by +10 % at 2 kg and +17 % at 45 kg.
 * Source: NRC 2006; AAHA nutrition guidelines.
 */
export const restingEnergy = (weight: Grams): Kilocalories => kilocalories(70 * metabolicSize(weight));
