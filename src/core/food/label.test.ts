import { testProfiles } from '../../../tests/fixtures/reference-files';
import { balanceOf } from '../nutrition/balance';
import { energyEstimated } from '../nutrition/energy';
import { grams } from '../quantity/units';
import { COMPOUNDS } from './compounds';
import { estimatedOf, readLabel, supplyAsFood, type Label, type LabelAmount } from './label';
import { capOfLabel, overLabels } from './label-limits';
import { readSupply, supplyEntryOf, type SupplyEntry } from './supply-entry';

const label = (measureGrams: number, ...amounts: LabelAmount[]): Label => ({ measure: 'tsp', measureGrams, amounts });
const per100 = (given: Label) => {
  const read = readLabel(given);
  if (!read.ok) throw new Error(read.problem.message);
  return read.value;
};

// Percentages as supplement handbooks print them, from memory; calcium carbonate: 40.078 / 100.087 (stoichiometry).
test.each([
  ['calcium carbonate', 'calcium', 40.04],
  ['calcium citrate, with water', 'calcium', 21.1],
  ['calcium lactate', 'calcium', 18.4],
  ['dicalcium phosphate', 'calcium', 29.5],
  ['dicalcium phosphate', 'phosphorus', 22.8],
  ['salt', 'sodium', 39.3],
  ['salt', 'chloride', 60.7],
  ['potassium chloride', 'potassium', 52.4],
  ['magnesium oxide', 'magnesium', 60.3],
  ['iron sulfate, with 7 water', 'iron', 20.1],
  ['copper gluconate', 'copper', 14.0],
  ['copper sulfate, with 5 water', 'copper', 25.5],
  ['manganese gluconate', 'manganese', 12.3],
  ['zinc gluconate', 'zinc', 14.3],
  ['zinc sulfate, with water', 'zinc', 36.4],
  ['zinc oxide', 'zinc', 80.3],
  ['potassium iodide', 'iodine', 76.4],
  ['sodium selenite', 'selenium', 45.7],
])('%s is %s to %d %%', (name, element, percent) => {
  const found = COMPOUNDS.find((each) => each.name === name && each.element === element)!;
  expect(Math.abs(found.share * 100 - percent)).toBeLessThan(0.06);
});

test('compound is not element: 1.25 g of calcium carbonate are 500 mg of calcium', () => {
  const powder = (as: string) =>
    per100(label(5, { nutrient: 'calcium', amount: 1.25, unit: 'g', as })).calcium_mg! / 20;
  expect(powder('calcium carbonate')).toBeCloseTo(500.5, 1);
  expect(powder('element')).toBeCloseTo(1250, 6);
});

// Handbook 3: 40 IU of D are 1 µg; 1 IU of A is 0.3 µg of retinol; vitamin E natural 1.49, acetate 1.36, synthetic 1.00.
test.each([
  [{ nutrient: 'vitamin D', amount: 10, unit: 'µg' as const }, 'vitamin_d_iu', 400],
  [{ nutrient: 'vitamin D', amount: 400, unit: 'IU' as const }, 'vitamin_d_iu', 400],
  [{ nutrient: 'vitamin A', amount: 300, unit: 'µg' as const }, 'vitamin_a_iu', 1000],
  [{ nutrient: 'vitamin A', amount: 1000, unit: 'IU' as const }, 'retinol_ug', 300],
  [{ nutrient: 'vitamin E', amount: 149, unit: 'IU' as const }, 'vitamin_e_mg', 100],
  [
    {
      nutrient: 'vitamin E',
      amount: 149,
      unit: 'mg' as const,
      as: 'synthetic acetate (dl-alpha-tocopheryl acetate)',
    },
    'vitamin_e_mg',
    100,
  ],
  [{ nutrient: 'EPA + DHA', amount: 30, unit: '%' as const }, 'epa_dha_g', 30],
  [{ nutrient: 'iodine', amount: 0.5, unit: 'mg' as const, as: 'element' }, 'iodine_ug', 500],
] as const)('%j in 100 g is %s %d', (row, column, value) => {
  expect(per100(label(100, row))[column]).toBeCloseTo(value, 6);
});

test('what a label does not name is unknown, never 0', () => {
  expect(Object.keys(per100(label(3, { nutrient: 'iodine', amount: 1, unit: 'mg', as: 'element' })))).toEqual([
    'iodine_ug',
  ]);
});

test.each([
  [label(1, { nutrient: 'calcium', amount: 500, unit: 'mg' }), 'amounts.0.as'],
  [label(1, { nutrient: 'vitamin E', amount: 10, unit: 'mg' }), 'amounts.0.as'],
  [label(1, { nutrient: 'zinc', amount: 10, unit: 'IU' }), 'amounts.0.unit'],
  [label(1, { nutrient: '', amount: 10, unit: 'mg' }), 'amounts.0.nutrient'],
  [
    label(5, { nutrient: 'fat', amount: 1, unit: 'g' }, { nutrient: 'fat', amount: 1, unit: 'g' }),
    'amounts.1.nutrient',
  ],
  [
    label(1, { nutrient: 'protein', amount: 0.7, unit: 'g' }, { nutrient: 'fat', amount: 0.4, unit: 'g' }),
    'measureGrams',
  ],
])('%j is refused at %s', (given, field) => {
  expect(readLabel(given)).toMatchObject({ ok: false, problem: { field } });
});

test('fatty acids are a part of the fat: a capsule of oil may be all fat and name its EPA and DHA', () => {
  expect(
    readLabel(label(1, { nutrient: 'fat', amount: 1, unit: 'g' }, { nutrient: 'EPA + DHA', amount: 600, unit: 'mg' }))
      .ok,
  ).toBe(true);
});

const KELP: SupplyEntry = {
  name: 'Kelp',
  measure: 'tsp',
  measureGrams: '3 g',
  amounts: [{ nutrient: 'iodine', amount: '1.5', unit: 'mg', as: 'element' }],
  price: '9.50',
  priceGrams: '250 g',
  mostPerKg: '0.03',
};

test('a label as typed is read, and typed again it is the same', () => {
  const read = readSupply(KELP);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  expect(read.value.label).toEqual({
    measure: 'tsp',
    measureGrams: 3,
    amounts: [{ nutrient: 'iodine', amount: 1.5, unit: 'mg', as: 'element' }],
    price: { minor: 950, grams: 250 },
    mostPerKg: 0.03,
  });
  const again = readSupply(supplyEntryOf('Kelp', read.value.label));
  expect(again).toEqual(read);
  const { food, measures } = supplyAsFood({ id: 7, ...read.value }, 'metric');
  expect(food).toMatchObject({ ndb: 'L7', per100: { iodine_ug: 50_000 } });
  // A metric household's spoon holds 5 mL (common practice): its label's spoon is that one.
  expect(measures).toEqual([{ amount: 1, unit: 'tsp', grams: 3, millilitres: 5, own: true }]);
});

test('every field that cannot be is said at once', () => {
  const read = readSupply({
    ...KELP,
    name: ' ',
    measureGrams: 'some',
    amounts: [{ nutrient: 'iodine', amount: '-1', unit: 'mg' }],
    priceGrams: '',
    mostPerKg: '0',
  });
  expect(read.ok ? [] : read.problems.map((problem) => problem.field)).toEqual([
    'name',
    'measureGrams',
    'amounts.0.amount',
    'priceGrams',
    'mostPerKg',
  ]);
});

test('more than a label allows for the weight of the dog is said with both figures', () => {
  const labels = new Map([['L1', { measure: 'tsp', measureGrams: 3, mostPerKg: 0.03 }]]);
  const food = { ndb: 'L1', name: 'Kelp', group: 'Supplement' };
  const dogs = [{ id: 1, name: 'Otto', kg: 10, kcal: 500 }];
  // 6 g are 2 tsp in 2000 kcal: at 500 kcal a day half a tsp for 10 kg, 0.05 a kg.
  const over = overLabels([{ food, grams: 6 }], 2000, dogs, labels);
  expect(over).toEqual([{ dogId: 1, name: 'Kelp', dog: 'Otto', measure: 'tsp', given: 0.05, most: 0.03 }]);
  expect(overLabels([{ food, grams: 3.6 }], 2000, dogs, labels)).toEqual([]);
  // NRC 2006: at 130 kcal per kg^0.75, 1000 kcal feed 15.2 kg.
  expect(capOfLabel({ measureGrams: 3, mostPerKg: 0.03 })).toBeCloseTo(0.09 * 15.18, 2);
});

// Fatty acids are parts of the fat: two of them that weigh more than the measure cannot be (arithmetic).
test('fatty acids together weigh no more than the measure', () => {
  const acids = (epa: number, ala: number): Label => ({
    measure: 'capsule',
    measureGrams: 1,
    amounts: [
      { nutrient: 'EPA + DHA', amount: epa, unit: 'g' },
      { nutrient: 'alpha-linolenic acid', amount: ala, unit: 'g' },
    ],
  });
  expect(readLabel(acids(0.6, 0.5))).toMatchObject({ ok: false, problem: { field: 'measureGrams' } });
  expect(readLabel(acids(0.6, 0.4)).ok).toBe(true);
});

// A bag as it is printed: 3600 kcal/kg, crude protein 24 %, fat 12 %, fibre 4 %, moisture 9 %, ash 7 %; sums by hand.
test('a base mix is entered from its bag: kcal per kg, cups, crude figures, and what follows is estimated', () => {
  const entry: SupplyEntry = {
    name: 'Base mix',
    measure: 'g',
    measureGrams: '',
    amounts: [],
    otherMeasures: [{ unit: 'cup', grams: '110' }],
    kcal: '3600',
    kcalPer: 'kg',
    crude: { protein: '24', fat: '12', fibre: '4', moisture: '9', ash: '7' },
  };
  const read = readSupply(entry);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  const { food, measures } = supplyAsFood({ id: 3, ...read.value }, 'us');
  expect(food.per100).toMatchObject({
    protein_g: 24,
    fat_g: 12,
    fiber_g: 4,
    water_g: 9,
    carbohydrate_g: 48,
    energy_kcal: 360,
  });
  expect(measures.find(({ unit }) => unit === 'cup')).toMatchObject({ grams: 110, own: true });
  expect(estimatedOf(read.value.label)).toContain('carbohydrate_g');
  const { nutrients, profiles } = testProfiles();
  const { rows } = balanceOf([{ text: 'mix', food, grams: grams(500) }], nutrients, profiles[0]!, '4-9-4');
  expect(rows.find(({ name }) => name === 'protein')).toMatchObject({ estimated: ['Base mix'] });
  expect(rows.find(({ name }) => name === 'zinc')).toMatchObject({ estimated: [], amount: undefined });
  // Its own kcal are printed, so the energy is none; without them it is.
  expect(energyEstimated([{ food, grams: grams(500) }])).toEqual([]);
  expect(energyEstimated([{ food: { ...food, labelEnergy: undefined }, grams: grams(500) }])).toEqual(['Base mix']);
  const exact = { ...read.value.label, amounts: [{ nutrient: 'protein', amount: 25, unit: '%' as const }] };
  expect(estimatedOf(exact)).not.toContain('protein_g');
  expect(supplyEntryOf('Base mix', read.value.label)).toMatchObject({
    kcal: '3600',
    kcalPer: 'kg',
    crude: entry.crude,
  });
  const wrong = readSupply({ ...entry, crude: { ...entry.crude, protein: '80' } });
  expect(wrong).toMatchObject({ ok: false, problems: [{ field: 'crude.protein' }] });
  expect(readSupply({ ...entry, otherMeasures: [], kcalPer: 'cup' })).toMatchObject({
    ok: false,
    problems: [{ field: 'kcal' }],
  });
});
