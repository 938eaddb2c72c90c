/** Columns of the composition table that are amounts per 100 g, in the table's own units (the name ends with it). */
export const NUTRIENTS = [
  'energy_kcal',
  'water_g',
  'protein_g',
  'fat_g',
  'carbohydrate_g',
  'fiber_g',
  'sugars_g',
  'starch_g',
  'ash_g',
  'calcium_mg',
  'phosphorus_mg',
  'potassium_mg',
  'sodium_mg',
  'magnesium_mg',
  'iron_mg',
  'copper_mg',
  'manganese_mg',
  'zinc_mg',
  'selenium_ug',
  'vitamin_a_iu',
  'retinol_ug',
  'beta_carotene_ug',
  'vitamin_d_iu',
  'vitamin_e_mg',
  'vitamin_k_ug',
  'thiamin_mg',
  'riboflavin_mg',
  'niacin_mg',
  'pantothenic_acid_mg',
  'vitamin_b6_mg',
  'folate_ug',
  'vitamin_b12_ug',
  'vitamin_c_mg',
  'choline_mg',
  'saturated_fat_g',
  'monounsaturated_fat_g',
  'polyunsaturated_fat_g',
  'omega3_g',
  'omega6_g',
  'cholesterol_mg',
  'arginine_g',
  'histidine_g',
  'isoleucine_g',
  'leucine_g',
  'lysine_g',
  'methionine_g',
  'cystine_g',
  'phenylalanine_g',
  'tyrosine_g',
  'threonine_g',
  'tryptophan_g',
  'valine_g',
] as const;

/** What the table does not hold and only labels say; ALA and chloride are told from other columns where that is sound. */
export const LABEL_ONLY = ['iodine_ug', 'chloride_mg', 'ala_g', 'epa_dha_g'] as const;

export type Nutrient = (typeof NUTRIENTS)[number] | (typeof LABEL_ONLY)[number];

/** Amounts per 100 g. A nutrient that was not measured is absent, never 0. */
export type Composition = Readonly<Partial<Record<Nutrient, number>>>;

/** A nutrient in words: "calcium", "vitamin b6". */
export const nutrientName = (nutrient: Nutrient): string =>
  nutrient
    .replace(/_(g|mg|ug|iu|kcal)$/, '')
    .replaceAll('_', ' ')
    .replace(/omega(\d)/, 'omega-$1')
    .replace('fiber', 'fibre');
