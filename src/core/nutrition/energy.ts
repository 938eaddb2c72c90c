import { kilocalories, type Kilocalories } from '../quantity/units';
import type { Nutrient } from './nutrients';
import type { Portioned } from './totals';
import { nutrientIn } from './totals';
import { addUp } from '../add-up';

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

/** kcal of a gram of fat by a household's factors; the table's own are near those of NRC. */
export const fatKcalOf = (factors: EnergyFactors): number => ENERGY_FACTORS[factors].perGram?.[1] ?? 9;

/** What an energy is computed from. */
const MACROS: ReadonlySet<Nutrient> = new Set(['protein_g', 'fat_g', 'carbohydrate_g']);

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
 * Metabolisable energy of a mixture in kcal, by the household's factors; of a supply whose label says it, as it says.
 * Source: NRC 2006 (4-9-4), AAFCO (3.5-8.5-3.5), USDA SR 24 (the table's own kcal).
 */
export function energyOf(lines: readonly Portioned[], factors: EnergyFactors): Kilocalories {
  const perGram = ENERGY_FACTORS[factors].perGram;
  const told = (of: readonly Portioned[]) =>
    addUp(of, ({ food, grams }) => nutrientIn(food.per100, 'energy_kcal', grams) ?? 0);
  if (!perGram) return kilocalories(told(lines));
  const labelled = lines.filter(({ food }) => food.labelEnergy === true);
  const macros = macrosOf(labelled.length === 0 ? lines : lines.filter(({ food }) => food.labelEnergy !== true));
  return kilocalories(macros.protein * perGram[0] + macros.fat * perGram[1] + macros.nfe * perGram[2] + told(labelled));
}

/**
 * Names of the foods whose energy follows from a bag's crude figures, which are a least or a most: it is an estimate.
 * A label that says its own kcal is none.
 */
export const energyEstimated = (lines: readonly Portioned[]): readonly string[] => [
  ...new Set(
    lines
      .filter(({ food }) => food.labelEnergy !== true && food.estimated?.some((column) => MACROS.has(column)))
      .map(({ food }) => food.name ?? food.group),
  ),
];

/** Below this part of the whole energy an unknown line is no matter: a pinch of a supplement (ours, no source). */
const NO_MATTER = 0.005;
/** No food holds more kcal in a g than fat. */
const RICHEST = 9;

/** Whether the energy of a mixture is known, or only at least what the known lines bring. */
export interface EnergyKnown {
  /** The part of the weight whose macronutrients are known, from 0 to 1. */
  readonly coverage: number;
  /** Names of the foods of which one is unknown and that may matter; empty where the energy is known. */
  readonly unknown: readonly string[];
}

/**
 * Which lines lack protein, fat or carbohydrate (by the table's factors: its own kcal), as far as they could bring half
 * a percent of the energy. Fibre that was not measured counts as none, which makes the energy too large, not too small.
 * Source: ours (common practice, no source); 9 kcal/g as the richest a food can be.
 */
export function energyKnown(lines: readonly Portioned[], factors: EnergyFactors): EnergyKnown {
  const columns = factors === 'table' ? (['energy_kcal'] as const) : [...MACROS];
  const lacking = lines.filter(
    ({ food }) => food.labelEnergy !== true && columns.some((column) => food.per100[column] === undefined),
  );
  const mass = addUp(lines, (line) => line.grams);
  const unknown = addUp(lacking, (line) => line.grams);
  if (unknown * RICHEST <= energyOf(lines, factors) * NO_MATTER && unknown < mass) return { coverage: 1, unknown: [] };
  return {
    coverage: mass === 0 ? 0 : 1 - unknown / mass,
    unknown: [...new Set(lacking.map(({ food }) => food.name ?? food.group))],
  };
}
