import { addUp } from '../add-up';
import type { Explanation } from '../explanation';
import { platedDensity } from '../portion/plated';
import { energyDensity, grams, type EnergyDensity, type Grams } from '../quantity/units';
import { writeFixed } from '../quantity/write';
import type { BatchYield, WeighedState } from './fold';

/** All yields of a batch together. */
export interface WholeYield {
  readonly net: Grams;
  readonly eatenBefore: number;
  readonly kept: number;
  readonly skimmed: number;
  readonly strained: number;
  readonly estimated: boolean;
  readonly density: EnergyDensity;
  readonly explanation: Explanation;
}

/**
 * kcal in each g of a pot's food as it comes into a bowl: of one yield its own, of several as they are plated. It is what a dog's
 * day and a ration in cups are reckoned by. Source: arithmetic.
 */
export function foodDensityOf({ yields, plating }: Pick<WeighedState, 'yields' | 'plating'>): EnergyDensity {
  const [only] = yields;
  return only && yields.length === 1 ? only.density : energyDensity(platedDensity(yields, plating));
}

/** What was weighed of a batch in all: one yield as it is, several with their mean density. Source: arithmetic. */
export function wholeOf(yields: readonly BatchYield[]): WholeYield {
  const [only] = yields;
  if (only && yields.length === 1) return only;
  const sum = (of: (each: BatchYield) => number) => addUp(yields, of);
  const net = sum((each) => each.net);
  const kcal = sum((each) => each.net * each.density);
  const density = energyDensity(platedDensity(yields));
  return {
    net: grams(net),
    eatenBefore: sum((each) => each.eatenBefore),
    kept: sum((each) => each.kept),
    skimmed: sum((each) => each.skimmed),
    strained: sum((each) => each.strained),
    estimated: yields.some((each) => each.estimated),
    density,
    explanation: {
      title: `${writeFixed(density, 4)} kcal in each gram, all of it together`,
      steps: [
        ...yields.map((each) => ({
          what: each.name,
          sum: `${writeFixed(each.net, 1)} g × ${writeFixed(each.density, 4)} kcal/g = ${writeFixed(each.net * each.density, 1)} kcal`,
        })),
        { what: 'density', sum: `${writeFixed(kcal, 1)} ÷ ${writeFixed(net, 1)} = ${writeFixed(density, 4)} kcal/g` },
      ],
      source: only?.explanation.source ?? 'Your scale.',
    },
  };
}
