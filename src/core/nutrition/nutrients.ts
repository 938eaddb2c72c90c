/** A figure of a food for a limit: its columns summed, in the profile's unit. */
interface Figure<Column extends string> {
  readonly of: readonly Column[];
  /** What one unit of the column is in the profile's. */
  readonly times: number;
  /** A column that it cannot exceed. */
  readonly noMoreThan?: Column;
}

interface NutrientKind<Column extends string> {
  /** Its amount per 100 g, in the unit that the name ends with; where it comes from. Null: a sum of others. */
  readonly column: { readonly key: Column; readonly in: 'table' | 'labels' } | null;
  /** How a profile's limit of this name reads it, and what only stands in; null: no profile limits it. */
  readonly limit:
    | (Figure<Column> & {
        /** What counts against the most, where that is something else. */
        readonly most?: Figure<Column>;
        /** Bone brings it, and nobody has measured how much. */
        readonly inBone?: true;
        readonly standIn?: string;
      })
    | null;
  /** How a label prints it; null: labels that we read do not. */
  readonly label: {
    readonly unit: 'g' | 'mg' | 'µg' | 'IU';
    readonly column?: Column;
    /** A mineral may be printed as a compound of it. */
    readonly element?: true;
    /** What an IU of it is in its unit. */
    readonly iu?: number;
    readonly iuPerMicrogram?: number;
    /** Its forms, by what a mg of each is in IU. */
    readonly forms?: Readonly<Record<string, number>>;
  } | null;
}

/** Forms of vitamin E by what a mg of them is in IU (handbook 3). */
const VITAMIN_E = {
  'natural (d-alpha-tocopherol)': 1.49,
  'natural acetate (d-alpha-tocopheryl acetate)': 1.36,
  'synthetic (all-rac-alpha-tocopherol)': 1.1,
  'synthetic acetate (dl-alpha-tocopheryl acetate)': 1,
};

/**
 * Every nutrient, whole: its column, how a profile reads it, how a label prints it. A new one is an entry here, its column
 * in data/food-composition.csv and its limits in data/profiles.json. Source: handbook 3; units of USDA SR 24.
 */
export const NUTRIENT_KINDS = {
  // Energy and what makes it
  energy: { column: { key: 'energy_kcal', in: 'table' }, limit: null, label: null },
  water: { column: { key: 'water_g', in: 'table' }, limit: null, label: { unit: 'g' } },
  protein: { column: { key: 'protein_g', in: 'table' }, limit: { of: ['protein_g'], times: 1 }, label: { unit: 'g' } },
  fat: { column: { key: 'fat_g', in: 'table' }, limit: { of: ['fat_g'], times: 1 }, label: { unit: 'g' } },
  carbohydrate: { column: { key: 'carbohydrate_g', in: 'table' }, limit: null, label: { unit: 'g' } },
  fibre: { column: { key: 'fiber_g', in: 'table' }, limit: null, label: { unit: 'g' } },
  sugars: { column: { key: 'sugars_g', in: 'table' }, limit: null, label: null },
  starch: { column: { key: 'starch_g', in: 'table' }, limit: null, label: null },
  ash: { column: { key: 'ash_g', in: 'table' }, limit: null, label: null },
  // Fats
  'EPA + DHA': {
    column: { key: 'epa_dha_g', in: 'labels' },
    limit: {
      of: ['epa_dha_g'],
      times: 1,
      standIn: 'from labels alone: the omega-3 of fish in the food table is only an upper bound, and is not counted',
    },
    label: { unit: 'g' },
  },
  'alpha-linolenic acid': {
    column: { key: 'ala_g', in: 'labels' },
    limit: { of: ['ala_g'], times: 1, standIn: 'in plants all omega-3 stands in for it' },
    label: { unit: 'g' },
  },
  // In some pork rows omega-6 exceeds all polyunsaturated fat: the smaller holds.
  'linoleic acid': {
    column: null,
    limit: {
      of: ['omega6_g'],
      times: 1,
      noMoreThan: 'polyunsaturated_fat_g',
      standIn: 'all omega-6 stands in for linoleic acid: a little too high in eggs and liver',
    },
    label: { unit: 'g', column: 'omega6_g' },
  },
  'omega-3': { column: { key: 'omega3_g', in: 'table' }, limit: { of: ['omega3_g'], times: 1 }, label: null },
  'omega-6': { column: { key: 'omega6_g', in: 'table' }, limit: null, label: null },
  'saturated fat': { column: { key: 'saturated_fat_g', in: 'table' }, limit: null, label: null },
  'monounsaturated fat': { column: { key: 'monounsaturated_fat_g', in: 'table' }, limit: null, label: null },
  'polyunsaturated fat': { column: { key: 'polyunsaturated_fat_g', in: 'table' }, limit: null, label: null },
  cholesterol: { column: { key: 'cholesterol_mg', in: 'table' }, limit: null, label: null },
  // Minerals
  calcium: {
    column: { key: 'calcium_mg', in: 'table' },
    limit: { of: ['calcium_mg'], times: 0.001, inBone: true },
    label: { unit: 'mg', element: true },
  },
  phosphorus: {
    column: { key: 'phosphorus_mg', in: 'table' },
    limit: { of: ['phosphorus_mg'], times: 0.001, inBone: true },
    label: { unit: 'mg', element: true },
  },
  potassium: {
    column: { key: 'potassium_mg', in: 'table' },
    limit: { of: ['potassium_mg'], times: 0.001 },
    label: { unit: 'mg', element: true },
  },
  sodium: {
    column: { key: 'sodium_mg', in: 'table' },
    limit: { of: ['sodium_mg'], times: 0.001 },
    label: { unit: 'mg', element: true },
  },
  chloride: {
    column: { key: 'chloride_mg', in: 'labels' },
    limit: { of: ['chloride_mg'], times: 0.001, standIn: 'from labels and from table salt alone' },
    label: { unit: 'mg', element: true },
  },
  magnesium: {
    column: { key: 'magnesium_mg', in: 'table' },
    limit: { of: ['magnesium_mg'], times: 0.001 },
    label: { unit: 'mg', element: true },
  },
  iron: {
    column: { key: 'iron_mg', in: 'table' },
    limit: { of: ['iron_mg'], times: 1 },
    label: { unit: 'mg', element: true },
  },
  copper: {
    column: { key: 'copper_mg', in: 'table' },
    limit: { of: ['copper_mg'], times: 1 },
    label: { unit: 'mg', element: true },
  },
  manganese: {
    column: { key: 'manganese_mg', in: 'table' },
    limit: { of: ['manganese_mg'], times: 1 },
    label: { unit: 'mg', element: true },
  },
  zinc: {
    column: { key: 'zinc_mg', in: 'table' },
    limit: { of: ['zinc_mg'], times: 1 },
    label: { unit: 'mg', element: true },
  },
  iodine: {
    column: { key: 'iodine_ug', in: 'labels' },
    limit: { of: ['iodine_ug'], times: 0.001, standIn: 'from labels alone: the food table does not hold it' },
    label: { unit: 'µg', element: true },
  },
  selenium: {
    column: { key: 'selenium_ug', in: 'table' },
    limit: { of: ['selenium_ug'], times: 0.001 },
    label: { unit: 'µg', element: true },
  },
  // Vitamins. A that can be overdone is retinol alone, 0.3 µg to the IU; D: 40 IU are 1 µg; E in IU of the natural form.
  'vitamin A': {
    column: { key: 'vitamin_a_iu', in: 'table' },
    limit: {
      of: ['vitamin_a_iu'],
      times: 1,
      most: { of: ['retinol_ug'], times: 1 / 0.3 },
      standIn: 'carotene counts for the least, not for the most',
    },
    label: { unit: 'IU', iu: 1, iuPerMicrogram: 1 / 0.3 },
  },
  retinol: { column: { key: 'retinol_ug', in: 'table' }, limit: null, label: null },
  'beta carotene': { column: { key: 'beta_carotene_ug', in: 'table' }, limit: null, label: null },
  'vitamin D': {
    column: { key: 'vitamin_d_iu', in: 'table' },
    limit: { of: ['vitamin_d_iu'], times: 1 },
    label: { unit: 'IU', iu: 1, iuPerMicrogram: 40 },
  },
  'vitamin E': {
    column: { key: 'vitamin_e_mg', in: 'table' },
    limit: { of: ['vitamin_e_mg'], times: 1.49 },
    label: { unit: 'mg', iu: 1 / 1.49, forms: VITAMIN_E },
  },
  'vitamin K': { column: { key: 'vitamin_k_ug', in: 'table' }, limit: null, label: { unit: 'µg' } },
  thiamin: {
    column: { key: 'thiamin_mg', in: 'table' },
    limit: { of: ['thiamin_mg'], times: 1 },
    label: { unit: 'mg' },
  },
  riboflavin: {
    column: { key: 'riboflavin_mg', in: 'table' },
    limit: { of: ['riboflavin_mg'], times: 1 },
    label: { unit: 'mg' },
  },
  niacin: { column: { key: 'niacin_mg', in: 'table' }, limit: { of: ['niacin_mg'], times: 1 }, label: { unit: 'mg' } },
  'pantothenic acid': {
    column: { key: 'pantothenic_acid_mg', in: 'table' },
    limit: { of: ['pantothenic_acid_mg'], times: 1 },
    label: { unit: 'mg' },
  },
  'vitamin B6': {
    column: { key: 'vitamin_b6_mg', in: 'table' },
    limit: { of: ['vitamin_b6_mg'], times: 1 },
    label: { unit: 'mg' },
  },
  folate: {
    column: { key: 'folate_ug', in: 'table' },
    limit: { of: ['folate_ug'], times: 0.001 },
    label: { unit: 'µg' },
  },
  'vitamin B12': {
    column: { key: 'vitamin_b12_ug', in: 'table' },
    limit: { of: ['vitamin_b12_ug'], times: 0.001 },
    label: { unit: 'µg' },
  },
  'vitamin C': { column: { key: 'vitamin_c_mg', in: 'table' }, limit: null, label: null },
  choline: {
    column: { key: 'choline_mg', in: 'table' },
    limit: { of: ['choline_mg'], times: 1 },
    label: { unit: 'mg', element: true },
  },
  // Amino acids
  arginine: { column: { key: 'arginine_g', in: 'table' }, limit: { of: ['arginine_g'], times: 1 }, label: null },
  histidine: { column: { key: 'histidine_g', in: 'table' }, limit: { of: ['histidine_g'], times: 1 }, label: null },
  isoleucine: { column: { key: 'isoleucine_g', in: 'table' }, limit: { of: ['isoleucine_g'], times: 1 }, label: null },
  leucine: { column: { key: 'leucine_g', in: 'table' }, limit: { of: ['leucine_g'], times: 1 }, label: null },
  lysine: { column: { key: 'lysine_g', in: 'table' }, limit: { of: ['lysine_g'], times: 1 }, label: null },
  methionine: { column: { key: 'methionine_g', in: 'table' }, limit: { of: ['methionine_g'], times: 1 }, label: null },
  cystine: { column: { key: 'cystine_g', in: 'table' }, limit: null, label: null },
  'methionine + cystine': { column: null, limit: { of: ['methionine_g', 'cystine_g'], times: 1 }, label: null },
  phenylalanine: {
    column: { key: 'phenylalanine_g', in: 'table' },
    limit: { of: ['phenylalanine_g'], times: 1 },
    label: null,
  },
  tyrosine: { column: { key: 'tyrosine_g', in: 'table' }, limit: null, label: null },
  'phenylalanine + tyrosine': { column: null, limit: { of: ['phenylalanine_g', 'tyrosine_g'], times: 1 }, label: null },
  threonine: { column: { key: 'threonine_g', in: 'table' }, limit: { of: ['threonine_g'], times: 1 }, label: null },
  tryptophan: { column: { key: 'tryptophan_g', in: 'table' }, limit: { of: ['tryptophan_g'], times: 1 }, label: null },
  valine: { column: { key: 'valine_g', in: 'table' }, limit: { of: ['valine_g'], times: 1 }, label: null },
} as const satisfies Readonly<Record<string, NutrientKind<string>>>;

type Kind = (typeof NUTRIENT_KINDS)[keyof typeof NUTRIENT_KINDS];
/** A column of amounts per 100 g. */
export type Nutrient = NonNullable<Kind['column']>['key'];

/** The kinds by name; a column that none of them has does not compile. */
const KINDS: Readonly<Record<string, NutrientKind<Nutrient>>> = NUTRIENT_KINDS;

const columnsIn = (where: 'table' | 'labels'): readonly Nutrient[] =>
  Object.values(KINDS).flatMap(({ column }) => (column?.in === where ? [column.key] : []));
/** Columns of the composition table. */
export const NUTRIENTS = columnsIn('table');
/** What the table does not hold and only labels say; ALA and chloride are told from other columns where that is sound. */
export const LABEL_ONLY = columnsIn('labels');

/** Amounts per 100 g. A nutrient that was not measured is absent, never 0. */
export type Composition = Readonly<Partial<Record<Nutrient, number>>>;

/** In the profile's unit, per 100 g; undefined where a column has no value. */
const read =
  ({ of, times, noMoreThan }: Figure<Nutrient>) =>
  (food: Composition): number | undefined => {
    let sum = 0;
    for (const column of of) {
      const value = food[column];
      if (value === undefined) return undefined;
      sum += value;
    }
    return Math.min(sum, (noMoreThan && food[noMoreThan]) ?? Infinity) * times;
  };

/** How a nutrient of a profile is read from a food. */
export interface LimitedNutrient {
  readonly of: (food: Composition) => number | undefined;
  readonly most: ((food: Composition) => number | undefined) | undefined;
  readonly inBone: boolean;
  readonly standIn: string | undefined;
}

/** By the name that its limits go by. */
export const LIMITED: Readonly<Record<string, LimitedNutrient>> = Object.fromEntries(
  Object.entries(KINDS).flatMap(([name, { limit }]) =>
    limit
      ? [
          [
            name,
            {
              of: read(limit),
              most: limit.most && read(limit.most),
              inBone: limit.inBone === true,
              standIn: limit.standIn,
            },
          ],
        ]
      : [],
  ),
);

/** What a label may name, with its column. */
export const LABEL_NUTRIENTS: Readonly<
  Record<string, NonNullable<NutrientKind<Nutrient>['label']> & { readonly column: Nutrient }>
> = Object.fromEntries(
  Object.entries(KINDS).flatMap(([name, { column, label }]) => {
    const key = label?.column ?? column?.key;
    return label && key ? [[name, { ...label, column: key }]] : [];
  }),
);

const NAMES = new Map(Object.entries(KINDS).flatMap(([name, { column }]) => (column ? [[column.key, name]] : [])));

/** A nutrient in words: "calcium", "vitamin B6". */
export const nutrientName = (nutrient: Nutrient): string => NAMES.get(nutrient) ?? nutrient;
