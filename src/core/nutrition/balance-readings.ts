import type { Composition, Nutrient } from './nutrients';

/** How a nutrient of a profile is read from a row of the food table. */
export interface Reading {
  /** In the profile's unit, per 100 g; undefined where the table has no value. */
  readonly of: (food: Composition) => number | undefined;
  readonly standIn?: string;
}

const column =
  (nutrient: Nutrient, factor = 1) =>
  (food: Composition): number | undefined => {
    const value = food[nutrient];
    return value === undefined ? undefined : value * factor;
  };

const both = (a: Nutrient, b: Nutrient) => (food: Composition) =>
  food[a] === undefined || food[b] === undefined ? undefined : food[a] + food[b];

/**
 * How each nutrient of a profile is read from a food. Iodine, EPA and DHA come from labels alone, chloride from labels
 * and table salt; ALA also from plants. Source: handbook 3; units of USDA SR 24.
 */
export const READINGS: Readonly<Record<string, Reading>> = {
  protein: { of: column('protein_g') },
  arginine: { of: column('arginine_g') },
  histidine: { of: column('histidine_g') },
  isoleucine: { of: column('isoleucine_g') },
  leucine: { of: column('leucine_g') },
  lysine: { of: column('lysine_g') },
  methionine: { of: column('methionine_g') },
  'methionine + cystine': { of: both('methionine_g', 'cystine_g') },
  phenylalanine: { of: column('phenylalanine_g') },
  'phenylalanine + tyrosine': { of: both('phenylalanine_g', 'tyrosine_g') },
  threonine: { of: column('threonine_g') },
  tryptophan: { of: column('tryptophan_g') },
  valine: { of: column('valine_g') },
  fat: { of: column('fat_g') },
  'linoleic acid': {
    // In some pork rows omega-6 exceeds all polyunsaturated fat: the smaller holds.
    of: (food) =>
      food.omega6_g === undefined ? undefined : Math.min(food.omega6_g, food.polyunsaturated_fat_g ?? Infinity),
    standIn: 'all omega-6 stands in for linoleic acid: a little too high in eggs and liver',
  },
  'alpha-linolenic acid': { of: column('ala_g'), standIn: 'in plants all omega-3 stands in for it' },
  'EPA + DHA': {
    of: column('epa_dha_g'),
    standIn: 'from labels alone: the omega-3 of fish in the food table is only an upper bound, and is not counted',
  },
  iodine: { of: column('iodine_ug', 0.001), standIn: 'from labels alone: the food table does not hold it' },
  chloride: { of: column('chloride_mg', 0.001), standIn: 'from labels and from table salt alone' },
  'omega-3': { of: column('omega3_g') },
  calcium: { of: column('calcium_mg', 0.001) },
  phosphorus: { of: column('phosphorus_mg', 0.001) },
  potassium: { of: column('potassium_mg', 0.001) },
  sodium: { of: column('sodium_mg', 0.001) },
  magnesium: { of: column('magnesium_mg', 0.001) },
  iron: { of: column('iron_mg') },
  copper: { of: column('copper_mg') },
  manganese: { of: column('manganese_mg') },
  zinc: { of: column('zinc_mg') },
  selenium: { of: column('selenium_ug', 0.001) },
  'vitamin A': { of: column('vitamin_a_iu'), standIn: 'carotene counts for the least, not for the most' },
  'vitamin D': { of: column('vitamin_d_iu') },
  'vitamin E': { of: column('vitamin_e_mg', 1.49) },
  thiamin: { of: column('thiamin_mg') },
  riboflavin: { of: column('riboflavin_mg') },
  niacin: { of: column('niacin_mg') },
  'pantothenic acid': { of: column('pantothenic_acid_mg') },
  'vitamin B6': { of: column('vitamin_b6_mg') },
  folate: { of: column('folate_ug', 0.001) },
  'vitamin B12': { of: column('vitamin_b12_ug', 0.001) },
  choline: { of: column('choline_mg') },
};

/** What bone brings, and nobody has measured: unknown while bone of unknown content is in the food. */
export const IN_BONE: ReadonlySet<string> = new Set(['calcium', 'phosphorus']);

/** Vitamin A that can be overdone: retinol alone, 0.3 µg to the IU. */
export const RETINOL: Reading['of'] = column('retinol_ug', 1 / 0.3);
