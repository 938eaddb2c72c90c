import { kilocalories, type Kilocalories } from '../quantity/units';
import type { Portioned } from './totals';
import { nutrientIn } from './totals';

/** The household's way from grams of protein, fat and carbohydrate to metabolisable energy. */
export type EnergyFactors = '4-9-4' | 'modified' | 'table';

export const ENERGY_FACTORS: Readonly<
  Record<
    EnergyFactors,
    { readonly name: string; readonly source: string; readonly perGram?: readonly [number, number, number] }
  >
> = {
  '4-9-4': { name: '4-9-4', perGram: [4, 9, 4], source: 'NRC 2006: Atwater factors for home-prepared food' },
  modified: {
    name: 'modified Atwater',
    perGram: [3.5, 8.5, 3.5],
    source: 'AAFCO: modified Atwater factors, for labels',
  },
  table: { name: "the table's own", source: 'USDA SR 24: specific factors of each food' },
};

/** Grams of what an energy is computed from. */
export interface Macros {
  readonly protein: number;
  readonly fat: number;
  /** Nitrogen-free extract: carbohydrate by difference less fibre, never below 0. */
  readonly nfe: number;
}

/**
 * Protein, fat and NFE of a mixture, in g. NFE is taken line by line and never falls below 0;
 * fibre that was not measured counts as 0 here, and its coverage tells so. Source: NRC 2006.
 */
export function macrosOf(lines: readonly Portioned[]): Macros {
  let protein = 0;
  let fat = 0;
  let nfe = 0;
  for (const { food, grams } of lines) {
    protein += nutrientIn(food.per100, 'protein_g', grams) ?? 0;
    fat += nutrientIn(food.per100, 'fat_g', grams) ?? 0;
    const carbohydrate = nutrientIn(food.per100, 'carbohydrate_g', grams) ?? 0;
    nfe += Math.max(0, carbohydrate - (nutrientIn(food.per100, 'fiber_g', grams) ?? 0));
  }
  return { protein, fat, nfe };
}

/**
 * Metabolisable energy of a mixture in kcal, by the household's factors.
 * Source: NRC 2006 (4-9-4), AAFCO (3.5-8.5-3.5), USDA SR 24 (the table's own kcal).
 */
export function energyOf(lines: readonly Portioned[], factors: EnergyFactors): Kilocalories {
  const perGram = ENERGY_FACTORS[factors].perGram;
  if (!perGram) {
    return kilocalories(
      lines.reduce((sum, { food, grams }) => sum + (nutrientIn(food.per100, 'energy_kcal', grams) ?? 0), 0),
    );
  }
  const macros = macrosOf(lines);
  return kilocalories(macros.protein * perGram[0] + macros.fat * perGram[1] + macros.nfe * perGram[2]);
}
