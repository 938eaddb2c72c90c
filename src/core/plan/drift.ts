import type { KnownFood } from '../food/food';
import { energyOf, type EnergyFactors } from '../nutrition/energy';
import type { Quantity } from '../quantity/quantity';
import type { Grams, UnitSet } from '../quantity/units';
import { kitchenMeasure } from './kitchen-measure';

interface MeasuredLine {
  readonly grams: Grams;
  readonly quantity: Quantity;
  readonly source: Pick<KnownFood, 'food' | 'measures'>;
}

export interface ScaledLine {
  readonly grams: Grams;
  /** The amount as a person measures it; absent where that is the g themselves. */
  readonly measure: string | undefined;
}

/** Above this part of the energy the rounding of kitchen measures is said (handbook 1). */
const TOLD_FROM = 0.01;

/**
 * Every line of a recipe with what is to be bought for it, in g and in kitchen measures, and by how much the energy moves when all of
 * it is measured that way; undefined where that is at most 1 %. Source: common practice, no source.
 */
export function scaledForKitchen(
  lines: readonly MeasuredLine[],
  bought: readonly Grams[],
  set: UnitSet,
  factors: EnergyFactors,
): { readonly lines: readonly ScaledLine[]; readonly drift: number | undefined } {
  const scaled = lines.map((line, index) => ({ line, grams: bought[index]! }));
  const written = scaled.map(({ line, grams: mass }) =>
    kitchenMeasure(
      { grams: mass, unscaledGrams: line.grams, quantity: line.quantity },
      line.source.food,
      line.source.measures,
      set,
    ),
  );
  const exact = energyOf(
    scaled.map(({ line, grams: mass }) => ({ grams: mass, food: line.source.food })),
    factors,
  );
  const measured = energyOf(
    scaled.map(({ line }, index) => ({ grams: written[index]!.amount, food: line.source.food })),
    factors,
  );
  const drift = exact > 0 ? measured / exact - 1 : 0;
  return {
    lines: scaled.map(({ grams: mass }, index) => ({
      grams: mass,
      measure: set === 'metric' && written[index]!.byWeight ? undefined : written[index]!.text,
    })),
    drift: Math.abs(drift) > TOLD_FROM ? drift : undefined,
  };
}
