import { addUp } from '../add-up';
import { fatKcalOf, type EnergyFactors } from '../nutrition/energy';
import type { Composition } from '../nutrition/nutrients';
import type { Part } from '../recipe/recipe';
import type { Evidence } from './evidence';

export const BY_PRODUCTS = ['broth', 'fat'] as const;
/** What is kept of a pot beside its food: the liquid that was poured off, or the fat that was skimmed. */
export type ByProduct = (typeof BY_PRODUCTS)[number];

/** Where a by-product may go: it is no meal, so that nobody is fed it warm, and neither is dried at home. */
export const BY_PRODUCT_FATES = ['fridge', 'freezer'] as const;

/** g of what was kept of a weighed pot beside its food; what nothing was kept of is left out. */
export const keptBeside = ({
  yields,
}: {
  readonly yields: readonly { readonly kept: number; readonly skimmed: number }[];
}): readonly { readonly of: ByProduct; readonly grams: number }[] =>
  BY_PRODUCTS.map((of) => ({
    of,
    grams: addUp(yields, (each) => (of === 'broth' ? each.kept : each.skimmed)),
  })).filter(({ grams }) => grams > 0);

/** The name of a by-product's batch, by its parent's recipe. */
export const nameOfByProduct = (of: ByProduct, recipeName: string): string =>
  of === 'broth' ? `Broth of ${recipeName}` : `Fat of ${recipeName}`;

/** Where the energy of a broth comes from. */
export const BROTH_SOURCE =
  'An estimate: home-made chicken stock of USDA SR 28 (06172), from memory; nobody measured this broth.';

/**
 * What 100 g of a by-product hold: only what an energy needs, the rest is unknown. Source of the broth: USDA SR 28, 06172
 * "Soup, stock, chicken, home-prepared", from memory; of this pot nobody measured it.
 */
function compositionOf(of: ByProduct, factors: EnergyFactors): Composition {
  if (of === 'broth')
    return { water_g: 92.04, protein_g: 2.52, fat_g: 1.2, carbohydrate_g: 3.53, fiber_g: 0, energy_kcal: 36 };
  // What the pot lost in energy is what the fat has: both by the same factor.
  const kcal = fatKcalOf(factors) * 100;
  return { water_g: 0, protein_g: 0, fat_g: 100, carbohydrate_g: 0, fiber_g: 0, energy_kcal: kcal };
}

const PART: Readonly<Record<ByProduct, Part>> = { broth: 'liquid', fat: 'fat' };

/** The evidence of a by-product's batch: g of it as its pot was weighed. A broth's energy is an estimate, and says so. */
export function byProductEvidence(of: ByProduct, grams: number, factors: EnergyFactors): Evidence {
  const name = of === 'broth' ? 'broth, an estimate' : 'fat, skimmed off';
  const food = { ndb: of === 'broth' ? 'B1' : 'B2', name, group: 'By-products', per100: compositionOf(of, factors) };
  return {
    byProduct: of,
    takes: [
      {
        name,
        words: of === 'broth' ? 'liquid poured off' : 'fat skimmed off',
        planned: grams,
        component: 0,
        parts: [{ text: name, food, part: PART[of], moment: 'cook', share: 1 }],
      },
    ],
  };
}
