import { writeFixed } from '../quantity/write';
import type { Explanation } from '../explanation';
import { isWater } from '../food/food';
import {
  energyEstimated,
  energyKnown,
  energyOf,
  ENERGY_FACTORS,
  macrosOf,
  type EnergyFactors,
} from '../nutrition/energy';
import { solidsOf, totalsOf, type NutrientTotal } from '../nutrition/totals';
import { grams, type Grams, type Kilocalories } from '../quantity/units';
import { batchLines, PARTS, type Part, type WeighedLine } from './recipe';
import { addUp } from '../add-up';

/** A sum and the part of the food's weight that has a value for it, from 0 to 1; undefined where nothing has. */
export interface Known {
  readonly amount: number;
  readonly coverage: number;
}

/** What a recipe comes to: everything that goes into the batch. */
export interface RecipeSheet {
  /** All that goes into the pot, with the poured water. */
  readonly inPot: Grams;
  /** What goes in without the poured water. */
  readonly food: Grams;
  readonly solids: Grams;
  readonly kcal: Kilocalories;
  /** Foods of which a macronutrient is unknown: the energy is at least what is said. Empty where it is known. */
  readonly energyUnknown: readonly string[];
  /** Foods whose energy is estimated from a bag's crude figures. */
  readonly energyEstimated: readonly string[];
  /** By each of the three ways, for comparison. */
  readonly kcalBy: Readonly<Record<EnergyFactors, Kilocalories>>;
  /** kcal per 100 g of what goes in without the poured water; undefined for an empty recipe. */
  readonly kcalPer100: number | undefined;
  readonly protein: Known | undefined;
  readonly fat: Known | undefined;
  readonly carbohydrate: Known | undefined;
  readonly fibre: Known | undefined;
  /** Water in the food itself, without the poured water. */
  readonly water: Known | undefined;
  readonly shares: readonly { readonly part: Part; readonly weight: number; readonly energy: number }[];
  readonly explanation: Explanation;
}

/**
 * Sums a recipe: mass, energy, the main nutrients with their coverage, and the shares of its parts.
 *
 * Takes weighed lines (bowl lines are left out: they never enter the density) and the household's energy factors.
 * Poured water is a line that fills the pot and brings nothing else. Source: USDA SR 24; NRC 2006 for 4-9-4.
 */
export function recipeSheet(lines: readonly WeighedLine[], factors: EnergyFactors): RecipeSheet {
  const inBatch = batchLines(lines);
  const foods = inBatch.filter((line) => !isWater(line.food));
  const totals = totalsOf(foods);
  const inPot = addUp(inBatch, (line) => line.grams);
  const kcalBy = {
    '4-9-4': energyOf(foods, '4-9-4'),
    modified: energyOf(foods, 'modified'),
    table: energyOf(foods, 'table'),
  };
  const kcal = kcalBy[factors];
  const known = (total: NutrientTotal | undefined): Known | undefined =>
    total && { amount: total.amount, coverage: totals.mass === 0 ? 0 : total.coveredGrams / totals.mass };
  const labelled = foods.filter((line) => line.food.labelEnergy === true);
  const macros = macrosOf(foods.filter((line) => line.food.labelEnergy !== true));
  const perGram = ENERGY_FACTORS[factors].perGram;

  return {
    inPot: grams(inPot),
    food: totals.mass,
    solids: solidsOf(foods),
    kcal,
    energyUnknown: energyKnown(foods, factors).unknown,
    energyEstimated: factors === 'table' ? [] : energyEstimated(foods),
    kcalBy,
    kcalPer100: totals.mass > 0 ? (kcal / totals.mass) * 100 : undefined,
    protein: known(totals.nutrients.protein_g),
    fat: known(totals.nutrients.fat_g),
    carbohydrate: known(totals.nutrients.carbohydrate_g),
    fibre: known(totals.nutrients.fiber_g),
    water: known(totals.nutrients.water_g),
    shares: sharesOf(foods, kcal, factors),
    explanation: {
      title: `${writeFixed(kcal, 0)} kcal in the pot`,
      steps: [
        ...(perGram
          ? [
              { what: 'protein', sum: `${writeFixed(macros.protein, 2)} g × ${perGram[0]}` },
              { what: 'fat', sum: `${writeFixed(macros.fat, 2)} g × ${perGram[1]}` },
              { what: 'carbohydrate less fibre', sum: `${writeFixed(macros.nfe, 2)} g × ${perGram[2]}` },
            ]
          : []),
        ...(labelled.length > 0 && perGram
          ? [{ what: 'by their own labels', sum: `${writeFixed(energyOf(labelled, factors), 2)} kcal` }]
          : []),
        ...(['4-9-4', 'modified', 'table'] as const).map((key) => ({
          what: `by ${ENERGY_FACTORS[key].name}${key === factors ? ' (in force)' : ''}`,
          sum: `${writeFixed(kcalBy[key], 2)} kcal`,
        })),
      ],
      source: `Composition: USDA SR 24. Energy: ${ENERGY_FACTORS[factors].source}.`,
    },
  };
}

function sharesOf(foods: readonly WeighedLine[], kcal: number, factors: EnergyFactors): RecipeSheet['shares'] {
  const mass = addUp(foods, (line) => line.grams);
  return PARTS.map((part) => {
    const own = foods.filter((line) => line.part === part);
    return {
      part,
      weight: mass === 0 ? 0 : addUp(own, (line) => line.grams) / mass,
      energy: kcal === 0 ? 0 : energyOf(own, factors) / kcal,
    };
  }).filter((share) => share.weight > 0);
}

/** Poured water in g: the lines that only fill the pot. */
export const pouredWater = (sheet: RecipeSheet): Grams => grams(sheet.inPot - sheet.food);

/** Said before every energy of a recipe: "at least " where the energy of something in it is unknown. */
export const leastOf = ({ energyUnknown }: Pick<RecipeSheet, 'energyUnknown'>): '' | 'at least ' =>
  energyUnknown.length > 0 ? 'at least ' : '';
