import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { grownAtDays } from './dog/growth';
import { maintenanceFactor } from './dog/maintenance-factor';
import { USUAL_SCHOOLS } from './dog/schools/schools';
import { COMPOUNDS } from './food/compounds';
import { readLabel, type LabelUnit } from './food/label';
import { LABEL_NUTRIENTS, LIMITED } from './nutrition/nutrients';
import type { Nutrient } from './nutrition/nutrients';
import { profilesSchema } from './nutrition/profiles';
import { massOf, volumeOf, grams } from './quantity/units';
import { boneShare } from './recipe/bone';

/**
 * Every cell of the tables that a verdict, a date or a portion hangs on, against values written here from the named source,
 * not read from the data that is checked. `npm run bench -- mutate-data` changes each number tenfold and sees this
 * test fail; it names another folder for that.
 */
const FOLDER = process.env.HODMAN_TABLES ?? join(process.cwd(), 'data');
const json = (name: string) => JSON.parse(readFileSync(join(FOLDER, name), 'utf8')) as Record<string, never>;

// AAFCO Dog Food Nutrient Profiles 2016 and NRC 2006, both from memory; per 1000 kcal ME. Columns: unit, AAFCO adult,
// AAFCO growth and reproduction, AAFCO maximum, NRC adult allowance, NRC safe upper limit; a dash is no limit.
const PROFILE_TABLE = `
protein | g | 45 | 56.3 | - | 25 | -
arginine | g | 1.28 | 2.50 | - | 0.88 | -
histidine | g | 0.48 | 1.10 | - | 0.48 | -
isoleucine | g | 0.95 | 1.78 | - | 0.95 | -
leucine | g | 1.70 | 3.23 | - | 1.70 | -
lysine | g | 1.58 | 2.25 | - | 0.88 | -
methionine | g | 0.83 | 0.88 | - | 0.83 | -
methionine + cystine | g | 1.63 | 1.75 | - | 1.63 | -
phenylalanine | g | 1.13 | 2.08 | - | 1.13 | -
phenylalanine + tyrosine | g | 1.85 | 3.25 | - | 1.85 | -
threonine | g | 1.20 | 2.60 | - | 1.08 | -
tryptophan | g | 0.40 | 0.50 | - | 0.35 | -
valine | g | 1.23 | 1.70 | - | 1.23 | -
fat | g | 13.8 | 21.3 | - | 13.8 | 82.5
linoleic acid | g | 2.8 | 3.3 | - | 2.8 | 16.3
alpha-linolenic acid | g | - | 0.2 | - | 0.11 | -
EPA + DHA | g | - | 0.1 | - | 0.11 | 2.8
calcium | g | 1.25 | 3.0 | 6.25 | 1.0 | -
phosphorus | g | 1.00 | 2.5 | 4.0 | 0.75 | -
potassium | g | 1.5 | 1.5 | - | 1.0 | -
sodium | g | 0.20 | 0.80 | - | 0.20 | 3.75
chloride | g | 0.30 | 1.10 | - | 0.30 | 5.88
magnesium | g | 0.15 | 0.15 | - | 0.15 | -
iron | mg | 10 | 22 | - | 7.5 | -
copper | mg | 1.83 | 3.1 | - | 1.5 | -
manganese | mg | 1.25 | 1.8 | - | 1.2 | -
zinc | mg | 20 | 25 | - | 15 | -
iodine | mg | 0.25 | 0.25 | 2.75 | 0.22 | 1.0
selenium | mg | 0.08 | 0.09 | 0.5 | 0.0875 | -
vitamin A | IU | 1250 | 1250 | 62500 | 1263 | 53300
vitamin D | IU | 125 | 125 | 750 | 136 | 800
vitamin E | IU | 12.5 | 12.5 | - | 11.2 | -
thiamin | mg | 0.56 | 0.56 | - | 0.56 | -
riboflavin | mg | 1.3 | 1.3 | - | 1.3 | -
niacin | mg | 3.4 | 3.4 | - | 4.25 | -
pantothenic acid | mg | 3.0 | 3.0 | - | 3.75 | -
vitamin B6 | mg | 0.38 | 0.38 | - | 0.375 | -
folate | mg | 0.054 | 0.054 | - | 0.0675 | -
vitamin B12 | mg | 0.007 | 0.007 | - | 0.00875 | -
choline | mg | 340 | 340 | - | 425 | -`
  .trim()
  .split('\n')
  .map((row) => row.split('|').map((cell) => cell.trim()));

const PROFILES = profilesSchema.parse(json('profiles.json'));
const limitsOf = (id: string) => PROFILES.profiles.find((profile) => profile.id === id)!.limits;
const cell = (text: string) => (text === '-' ? undefined : Number(text));

test.each(PROFILE_TABLE)('%s', (name, unit, adult, growth, most, allowance, safe) => {
  expect(PROFILES.nutrients.find((each) => each.name === name)?.unit).toBe(unit);
  const limit = (least: string, upper: string) => {
    const said = { least: cell(least), most: cell(upper) };
    return said.least === undefined && said.most === undefined ? undefined : said;
  };
  const told = (id: string) => {
    const own = limitsOf(id)[name!];
    return own && { least: own.least, most: own.most };
  };
  expect(told('aafco-adult')).toEqual(limit(adult!, most!));
  expect(told('aafco-growth')).toEqual(limit(growth!, most!));
  expect(told('nrc-adult')).toEqual(limit(allowance!, safe!));
});

test('no profile knows a nutrient that the table does not', () => {
  const names = PROFILE_TABLE.map(([name]) => name);
  for (const { limits } of PROFILES.profiles)
    expect(Object.keys(limits).filter((name) => !names.includes(name))).toEqual([]);
  expect(PROFILES.nutrients).toHaveLength(names.length);
});

// AAFCO 2016 (from memory): Ca : P 1 to 2, n-6 : n-3 at most 30; pups beside it NRC 2006, vitamin A, from memory.
test('proportions, and what pups must not pass', () => {
  for (const id of ['aafco-adult', 'aafco-growth'])
    expect(PROFILES.profiles.find((each) => each.id === id)!.ratios).toEqual([
      { name: 'Ca : P', of: 'calcium', to: 'phosphorus', least: 1, most: 2 },
      { name: 'n-6 : n-3', of: 'linoleic acid', to: 'omega-3', most: 30 },
    ]);
  expect(PROFILES.pups.map(({ name, most, fromAdultKg }) => [name, most, fromAdultKg])).toEqual([
    ['calcium', 4.5, 31.8],
    ['calcium', 6.25, undefined],
    ['vitamin A', 12_500, undefined],
    ['vitamin D', 750, undefined],
    ['iodine', 2.75, undefined],
  ]);
});

// Handbook 10: USDA, NCHFP; what has no source is common practice. safe days, best months, best months of fatty food.
test('shelf lives', () => {
  const { rows, openedDriedDays } = json('shelf-lives.json') as unknown as {
    rows: { kind: string; place: string; safeDays?: number; bestMonths?: number; fattyBestMonths?: number }[];
    openedDriedDays: { days: number };
  };
  expect(rows.map((row) => [row.kind, row.place, row.safeDays, row.bestMonths, row.fattyBestMonths])).toEqual([
    ['cooked', 'fridge', 4, undefined, undefined],
    ['raw', 'fridge', 2, undefined, undefined],
    ['broth', 'fridge', 4, undefined, undefined],
    ['cooked', 'freezer', undefined, 3, undefined],
    ['raw', 'freezer', undefined, 4, undefined],
    ['broth', 'freezer', undefined, 3, undefined],
    ['dehydrated', 'cupboard', 14, undefined, undefined],
    ['dehydrated', 'fridge', 14, undefined, undefined],
    ['dehydrated', 'freezer', undefined, 6, undefined],
    ['freeze-dried', 'cupboard', undefined, 12, 6],
    ['freeze-dried', 'fridge', undefined, 12, 6],
    ['freeze-dried', 'freezer', undefined, 12, 6],
    // By what it is packed in (common practice, no source): a vacuum bag, no absorber, what lets air in.
    ['cooked', 'freezer', undefined, 6, undefined],
    ['freeze-dried', 'cupboard', undefined, 6, 3],
    ['freeze-dried', 'cupboard', undefined, 1, undefined],
    // Ingredients: USDA, whole cuts 3–5 days and, from memory, 4–12 months; of the pantry the label says it.
    ['whole meat', 'fridge', 5, undefined, undefined],
    ['whole meat', 'freezer', undefined, 4, undefined],
    ['pantry', 'cupboard', undefined, undefined, undefined],
    ['pantry', 'fridge', undefined, undefined, undefined],
    ['pantry', 'freezer', undefined, undefined, undefined],
  ]);
  expect(openedDriedDays.days).toBe(14);
});

// Common practice, no source: what a recipe should consist of.
test('shapes', () => {
  const { shapes } = json('shapes.json') as unknown as {
    shapes: { id: string; rows: { name: string; about?: number; least?: number; most?: number }[] }[];
  };
  expect(
    shapes.map(({ id, rows }) => [id, ...rows.map(({ name, about, least, most }) => [name, about, least, most])]),
  ).toEqual([
    [
      'half-by-volume',
      ['animal protein', 0.5, undefined, undefined],
      ['carbohydrate', 0.25, undefined, undefined],
      ['vegetables and fruit', 0.25, undefined, undefined],
    ],
    [
      'assembled-raw',
      ['muscle', undefined, 0.7, 0.85],
      ['bone', undefined, 0.1, 0.15],
      ['liver', 0.05, undefined, undefined],
      ['another secreting organ', 0.05, undefined, undefined],
    ],
  ]);
});

// Pure substances: stoichiometry over IUPAC weights (eggshell from memory); caps in g per 1000 kcal: common practice.
test('additions', () => {
  const { supplements, candidates } = json('additions.json') as unknown as {
    supplements: { ndb: string; calcium_mg: number; tspGrams?: number }[];
    candidates: { ndb: string; cap: number; moment: string }[];
  };
  expect(supplements.map(({ ndb, calcium_mg, tspGrams }) => [ndb, calcium_mg, tspGrams])).toEqual([
    ['S0001', 40_040, undefined],
    ['S0002', 38_000, 5],
    ['S0003', 13_000, undefined],
    ['S0004', 21_070, undefined],
    ['S0005', 8_940, undefined],
  ]);
  expect(candidates.map(({ ndb, cap }) => `${ndb} ${cap}`)).toEqual(
    (
      'S0002 8,S0001 8,13325 15,10106 20,05025 60,01123 60,15164 60,15167 20,15088 40,15039 60,12036 15,12014 20,' +
      '20078 15,04038 4,04506 8,04582 8,04589 1.5,11297 10,02047 1'
    ).split(','),
  );
});

// Units of USDA SR 24 (the column says them) to the profile's: by hand. One of the column's unit is so much.
const READING_TABLE: readonly [name: string, column: Nutrient, perUnit: number][] = [
  ['protein', 'protein_g', 1],
  ['arginine', 'arginine_g', 1],
  ['histidine', 'histidine_g', 1],
  ['isoleucine', 'isoleucine_g', 1],
  ['leucine', 'leucine_g', 1],
  ['lysine', 'lysine_g', 1],
  ['methionine', 'methionine_g', 1],
  ['phenylalanine', 'phenylalanine_g', 1],
  ['threonine', 'threonine_g', 1],
  ['tryptophan', 'tryptophan_g', 1],
  ['valine', 'valine_g', 1],
  ['fat', 'fat_g', 1],
  ['linoleic acid', 'omega6_g', 1],
  ['alpha-linolenic acid', 'ala_g', 1],
  ['EPA + DHA', 'epa_dha_g', 1],
  ['omega-3', 'omega3_g', 1],
  ['calcium', 'calcium_mg', 0.001],
  ['phosphorus', 'phosphorus_mg', 0.001],
  ['potassium', 'potassium_mg', 0.001],
  ['sodium', 'sodium_mg', 0.001],
  ['chloride', 'chloride_mg', 0.001],
  ['magnesium', 'magnesium_mg', 0.001],
  ['iron', 'iron_mg', 1],
  ['copper', 'copper_mg', 1],
  ['manganese', 'manganese_mg', 1],
  ['zinc', 'zinc_mg', 1],
  ['iodine', 'iodine_ug', 0.001],
  ['selenium', 'selenium_ug', 0.001],
  ['vitamin A', 'vitamin_a_iu', 1],
  ['vitamin D', 'vitamin_d_iu', 1],
  ['vitamin E', 'vitamin_e_mg', 1.49],
  ['thiamin', 'thiamin_mg', 1],
  ['riboflavin', 'riboflavin_mg', 1],
  ['niacin', 'niacin_mg', 1],
  ['pantothenic acid', 'pantothenic_acid_mg', 1],
  ['vitamin B6', 'vitamin_b6_mg', 1],
  ['folate', 'folate_ug', 0.001],
  ['vitamin B12', 'vitamin_b12_ug', 0.001],
  ['choline', 'choline_mg', 1],
];

test.each(READING_TABLE)('%s is read from %s', (name, column, perUnit) => {
  expect(LIMITED[name]!.of({ [column]: 100 })).toBeCloseTo(100 * perUnit, 9);
  expect(LIMITED[name]!.of({})).toBeUndefined();
});

test('readings of two columns, and retinol in IU (0.3 µg to the IU)', () => {
  expect(Object.keys(LIMITED)).toHaveLength(READING_TABLE.length + 2);
  expect(LIMITED['methionine + cystine']!.of({ methionine_g: 2, cystine_g: 3 })).toBe(5);
  expect(LIMITED['phenylalanine + tyrosine']!.of({ phenylalanine_g: 2, tyrosine_g: 3 })).toBe(5);
  expect(LIMITED['vitamin A']!.most!({ retinol_ug: 30 })).toBeCloseTo(100, 9);
});

// Element shares by mass: stoichiometry over IUPAC standard atomic weights, worked out by hand to four places.
const SHARES: Readonly<Record<string, number>> = {
  'calcium carbonate calcium': 0.4004,
  'dicalcium phosphate calcium': 0.2946,
  'calcium citrate, with water calcium': 0.2107,
  'calcium lactate calcium': 0.1837,
  'calcium lactate, with 5 water calcium': 0.13,
  'calcium gluconate, with water calcium': 0.0894,
  'eggshell calcium': 0.38,
  'dicalcium phosphate phosphorus': 0.2277,
  'salt sodium': 0.3934,
  'salt chloride': 0.6066,
  'potassium chloride potassium': 0.5244,
  'potassium chloride chloride': 0.4755,
  'magnesium oxide magnesium': 0.603,
  'magnesium citrate magnesium': 0.1616,
  'iron sulfate, with 7 water iron': 0.2009,
  'copper gluconate copper': 0.14,
  'copper sulfate, with 5 water copper': 0.2545,
  'manganese gluconate manganese': 0.1234,
  'zinc gluconate zinc': 0.1435,
  'zinc sulfate, with water zinc': 0.3643,
  'zinc oxide zinc': 0.8034,
  'potassium iodide iodine': 0.7645,
  'choline bitartrate choline': 0.4113,
  'choline chloride choline': 0.7461,
  'sodium selenite selenium': 0.4566,
};
test('compounds', () => {
  expect(COMPOUNDS.map(({ name, element }) => `${name} ${element}`).sort()).toEqual(Object.keys(SHARES).sort());
  for (const { name, element, share } of COMPOUNDS) expect(share).toBeCloseTo(SHARES[`${name} ${element}`]!, 3);
});

// Handbook 3: 40 IU of D are 1 µg, 0.3 µg of retinol 1 IU of A; vitamin E 1.49, 1.36, 1.10, 1.00 IU/mg.
test('IU', () => {
  expect(Object.values(LABEL_NUTRIENTS['vitamin E']!.forms!).sort()).toEqual([1, 1.1, 1.36, 1.49]);
  const per100 = (nutrient: string, unit: LabelUnit, as?: string) => {
    const read = readLabel({
      measure: 'g',
      measureGrams: 1,
      amounts: [{ nutrient, amount: 1, unit, ...(as ? { as } : {}) }],
    });
    if (!read.ok) throw new Error(read.problem.message);
    return read.value[LABEL_NUTRIENTS[nutrient]!.column]! / 100;
  };
  expect(per100('vitamin D', 'µg')).toBeCloseTo(40, 9);
  expect(per100('vitamin A', 'µg')).toBeCloseTo(1 / 0.3, 9);
  expect(per100('vitamin E', 'IU')).toBeCloseTo(1 / 1.49, 9);
  expect(per100('vitamin E', 'mg', 'synthetic (all-rac-alpha-tocopherol)')).toBeCloseTo(1.1 / 1.49, 9);
});

// Handbook 4 and 2: common practice or from memory, as said there.
test.each([
  ['feet', 0.6],
  ['wings', 0.45],
  ['necks', 0.36],
])('%s are bone to %d', (cut, share) => expect(boneShare(cut)).toBe(share));

test.each([
  [7.9, 274],
  [8, 304],
  [14.9, 304],
  [15, 365],
  [24.9, 365],
  [25, 456],
  [39.9, 456],
  [40, 548],
])('a dog that grows to %d kg is grown at %d days', (kg, days) => expect(grownAtDays(grams(kg * 1000))).toBe(days));

// AAHA 2021 and common veterinary tables, from memory: factor, and what the table allows; the low end of light work is ours.
test.each([
  [{ work: 'none', proneToGain: true, neutered: true }, 1.2, 1.0, 1.4],
  [{ work: 'none', proneToGain: false, neutered: true }, 1.6, 1.4, 1.6],
  [{ work: 'none', proneToGain: false, neutered: false }, 1.8, 1.6, 1.8],
  [{ work: 'light', proneToGain: false, neutered: true }, 2.0, 1.6, 2.0],
  [{ work: 'moderate', proneToGain: false, neutered: true }, 3.0, 2.0, 5.0],
] as const)('%p: %d × RER', (dog, factor, low, high) =>
  expect(maintenanceFactor(dog)).toMatchObject({ factor, low, high }),
);
test('heavy work is 5 to 11 × RER', () =>
  expect(maintenanceFactor({ work: 'heavy', proneToGain: false, neutered: true })).toMatchObject({ low: 5, high: 11 }));

// Handbook 2, common practice: the schools' usual figures.
test('portion schools', () =>
  expect(USUAL_SCHOOLS).toEqual([
    { kind: 'protein', poundsOfDogPerPound: 50 },
    { kind: 'cups', cups: 0.5, low: 20, high: 25, meals: 2 },
    { kind: 'percent', low: 2, high: 3 },
    { kind: 'pieces', ounces: 1, poundsOfDogPerPiece: 8, meals: 2 },
  ]));

// NIST Handbook 44, appendix C; metric cups and spoons, dash, pinch and drop: common practice.
test('units', () => {
  const us = {
    cup: 236.588,
    tbsp: 14.787,
    tsp: 4.929,
    floz: 29.574,
    qt: 946.353,
    pt: 473.176,
    gal: 3785.41,
    dash: 0.616,
    pinch: 0.308,
  };
  for (const [unit, volume] of Object.entries(us)) expect(volumeOf(unit as 'cup', 'us')).toBeCloseTo(volume, 2);
  const metric = { cup: 250, tbsp: 15, tsp: 5, ml: 1, l: 1000, dl: 100, drop: 0.05 };
  for (const [unit, volume] of Object.entries(metric)) expect(volumeOf(unit as 'cup', 'metric')).toBeCloseTo(volume, 6);
  expect(massOf('lb')).toBeCloseTo(453.59237, 6);
  expect(massOf('oz')).toBeCloseTo(28.349523, 5);
});
