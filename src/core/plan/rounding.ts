import type { FoodMeasure } from '../food/food';
import { energyOf, type EnergyFactors } from '../nutrition/energy';
import type { Nutrient } from '../nutrition/nutrients';
import { totalsOf } from '../nutrition/totals';
import { grams, type Grams, type UnitSet } from '../quantity/units';
import { writeMass, writeMassIn } from '../quantity/write';
import { batchLines, type WeighedLine } from '../recipe/recipe';
import { kitchenMeasure, type MeasuredLine } from './kitchen-measure';
import { nth, keysOf } from '../sure';
import { addUp } from '../add-up';

export interface ScaledLine {
  readonly grams: Grams;
  /** The amount as a person measures it; absent where that is the g themselves. */
  readonly measure: string | undefined;
  /** The measure is a weight: beside a figure that says it already it is no news. */
  readonly byWeight: boolean;
  /** The nearest g that can be measured or bought, and in which words. */
  readonly rounded: Grams;
  readonly roundedTo: string;
}

/** A pack as sold is taken whole where that moves the line by no more than this (common practice, no source). */
const WHOLE_PACK_WITHIN = 0.1;
/** Above this part of the energy the rounding of kitchen measures is said (handbook 1). */
export const TOLD_FROM = 0.01;

/** What one pack of a food weighs as this kitchen buys it; undefined where nobody has said. */
export const packOf = (measures: readonly FoodMeasure[]): number | undefined => {
  const pack = measures.find((measure) => measure.unit === 'pack');
  return pack && pack.grams / pack.amount;
};

/** The nearest amount that can be measured or bought: packs as sold, whole eggs, spoons and cups, steps of the scale. */
function nearest(line: MeasuredLine, mass: Grams, set: UnitSet): { readonly text: string; readonly amount: Grams } {
  const pack = packOf(line.source.measures);
  const packs = pack === undefined ? 0 : Math.round(mass / pack);
  if (pack !== undefined && packs > 0 && Math.abs(packs * pack - mass) <= mass * WHOLE_PACK_WITHIN)
    return { text: `${packs} × ${writeMassIn(pack, set)}`, amount: grams(packs * pack) };
  if (line.quantity.kind === 'mass') return writeMass(mass, set);
  return kitchenMeasure(line, mass, set, 'measured');
}

/**
 * Every line with what is to be bought for it, in g and in kitchen measures, and the nearest amount that can be measured
 * or bought. Source: common practice, no source.
 */
export const scaledForKitchen = (
  lines: readonly MeasuredLine[],
  bought: readonly Grams[],
  set: UnitSet,
): readonly ScaledLine[] =>
  lines.map((line, index) => {
    const mass = nth(bought, index);
    const written = kitchenMeasure(line, mass, set, 'beside');
    const near = nearest(line, mass, set);
    return {
      grams: mass,
      measure: set === 'metric' && written.byWeight ? undefined : written.text,
      byWeight: written.byWeight,
      rounded: near.amount,
      roundedTo: near.text,
    };
  });

/** What rounding moves. */
export interface Drift {
  /** Parts of the energy and of the weight: 0.004 is 0.4 % more. */
  readonly kcal: number;
  readonly grams: number;
  /** Nutrients per 1000 kcal that move by more than 1 %, most first. */
  readonly nutrients: readonly { readonly nutrient: Nutrient; readonly part: number }[];
}

/** From what a batch holds exactly to what it holds rounded. Source: arithmetic; composition USDA SR 24. */
export function driftOf(exact: readonly WeighedLine[], rounded: readonly WeighedLine[], factors: EnergyFactors): Drift {
  const tell = (all: readonly WeighedLine[]) => {
    const lines = batchLines(all);
    const kcal = energyOf(lines, factors);
    return { kcal, mass: addUp(lines, (line) => line.grams), nutrients: totalsOf(lines).nutrients };
  };
  const [from, to] = [tell(exact), tell(rounded)];
  const nutrients = keysOf(from.nutrients).flatMap((nutrient) => {
    const before = (from.nutrients[nutrient]?.amount ?? 0) / from.kcal;
    const after = (to.nutrients[nutrient]?.amount ?? 0) / to.kcal;
    return before > 0 ? [{ nutrient, part: after / before - 1 }] : [];
  });
  return {
    kcal: from.kcal > 0 ? to.kcal / from.kcal - 1 : 0,
    grams: from.mass > 0 ? to.mass / from.mass - 1 : 0,
    nutrients: nutrients
      .filter(({ nutrient, part }) => nutrient !== 'energy_kcal' && Math.abs(part) > TOLD_FROM)
      .sort((a, b) => Math.abs(b.part) - Math.abs(a.part)),
  };
}
