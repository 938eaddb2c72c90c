import 'server-only';
import type { BowlLineEntry } from '@/core/dog/keeping-entry';
import type { SupplyEntry } from '@/core/food/supply-entry';
import type { DogEntry } from '@/core/dog/entry';
import type { EquipmentEntry } from '@/core/plan/equipment';
import type { AvoidEntry } from '@/core/dog/avoid';
import type { LineEntry, RecipeEntry } from '@/core/recipe/entry-schema';

/** The made-up dogs of the boatyard; `gained` is what they weigh more than six weeks ago, in kg. */
export const DOGS: readonly (Pick<DogEntry, 'name' | 'neutered' | 'work' | 'proneToGain' | 'meals'> & {
  readonly ageDays: number;
  readonly kg: number;
  readonly gained: number;
  readonly adultKg?: number;
  readonly bodyCondition: number;
  readonly avoids?: Pick<AvoidEntry, 'what' | 'reason' | 'note'>;
  readonly bowl?: readonly Pick<BowlLineEntry, 'what' | 'unit' | 'amount'>[];
})[] = [
  {
    name: 'Juniper',
    ageDays: 7 * 365 + 90,
    kg: 26.4,
    gained: -0.4,
    bodyCondition: 5,
    bowl: [{ what: 'fish oil', unit: 'mL', amount: '3' }],
    neutered: true,
    work: 'light',
    proneToGain: false,
    meals: '2',
  },
  {
    name: 'Otto',
    ageDays: 9 * 365 + 40,
    kg: 7.2,
    gained: 0.2,
    bodyCondition: 6,
    avoids: { what: { kind: 'food', ndb: '20038' }, reason: 'reaction', note: 'scratched for a week' },
    neutered: true,
    work: 'none',
    proneToGain: true,
    meals: '2',
  },
  {
    name: 'Wren',
    ageDays: 122,
    kg: 8.0,
    gained: 4.9,
    bodyCondition: 5,
    adultKg: 19,
    neutered: false,
    work: 'none',
    proneToGain: false,
    meals: '',
  },
];

const cooked = (ndb: string, amount: string, part: LineEntry['part'], preparation?: string): LineEntry => ({
  ndb,
  amount,
  part,
  moment: 'cook',
  preparation,
});

/** What closes the gaps of a pot, for the pup too: the mineral mix and a spoon of fish oil, by their labels below. */
const FROM_THE_CUPBOARD = (mix: string): readonly LineEntry[] => [
  { ...cooked('L3', mix, 'supplement', 'Boathouse mineral mix'), moment: 'stir-in' },
  { ...cooked('L2', '1 tsp', 'fat', 'Slipway fish oil'), moment: 'stir-in' },
];

export const RECIPES: readonly RecipeEntry[] = [
  {
    name: 'Venison, barley & parsnip',
    components: [{ name: 'pot', vessel: 'stockpot', method: 'simmered, lid on', minutes: '50' }],
    lines: [
      cooked('17343', '1 kg', 'muscle', 'venison, minced'),
      cooked('20005', '300 g', 'carbohydrate', 'pearl barley, dry'),
      cooked('11298', '400 g', 'vegetable', 'parsnips, diced'),
      cooked('11233', '100 g', 'vegetable', 'kale, chopped fine'),
      { ...cooked('04582', '35 g', 'fat', 'rapeseed oil'), moment: 'stir-in' },
      cooked('14411', '800 ml', 'liquid', 'water'),
      ...FROM_THE_CUPBOARD('38 g'),
    ],
  },
  {
    // Lean fish carries little energy: oil instead of water, so that a meal of it fits into a pup too.
    name: 'Pollock, potato & peas',
    components: [{ name: 'pot', vessel: 'stockpot', method: 'simmered, lid on', minutes: '30' }],
    lines: [
      cooked('15065', '900 g', 'muscle', 'pollock fillets'),
      cooked('11352', '2 medium', 'carbohydrate', 'potatoes, boiled soft'),
      { ...cooked('11312', '1 1/2 cups', 'vegetable', 'peas, frozen'), moment: 'off heat' },
      cooked('11124', '1 medium', 'vegetable', 'carrots, grated'),
      { ...cooked('04582', '60 g', 'fat', 'rapeseed oil'), moment: 'stir-in' },
      cooked('14411', '100 ml', 'liquid', 'water'),
      ...FROM_THE_CUPBOARD('30 g'),
    ],
  },
  {
    name: 'Goat, millet & beetroot',
    // Two vessels side by side: the grain does not wait for the meat.
    components: [
      { name: 'goat and roots', vessel: 'pressure cooker', method: 'under pressure', minutes: '35' },
      { name: 'millet', vessel: 'stockpot', method: 'simmered, lid on', minutes: '25' },
    ],
    lines: [
      cooked('17168', '2 lb', 'muscle', 'goat shoulder, boned'),
      cooked('11080', '3', 'vegetable', 'beetroot, grated'),
      cooked('11507', '1 cup', 'vegetable', 'sweet potato, cubed'),
      cooked('01123', '2 large', 'egg', 'eggs'),
      cooked('14411', '200 ml', 'liquid', 'water'),
      { ...cooked('20031', '1 1/4 cups', 'carbohydrate', 'millet, rinsed'), component: 1 },
      { ...cooked('14411', '500 ml', 'liquid', 'water'), component: 1 },
      { ...cooked('04582', '15 g', 'fat', 'rapeseed oil'), moment: 'stir-in' },
      ...FROM_THE_CUPBOARD('28 g'),
    ],
  },
];

/** Labels of the boatyard's cupboard, made up. */
export const SUPPLIES: readonly SupplyEntry[] = [
  {
    name: 'Skerry kelp powder',
    measure: 'tsp',
    measureGrams: '3 g',
    amounts: [{ nutrient: 'iodine', amount: '1.5', unit: 'mg', as: 'element' }],
    price: '9.50',
    priceGrams: '250 g',
    mostPerKg: '0.03',
  },
  {
    name: 'Slipway fish oil',
    measure: 'tsp',
    measureGrams: '4.6 g',
    amounts: [
      { nutrient: 'protein', amount: '0', unit: 'g' },
      { nutrient: 'fat', amount: '4.6', unit: 'g' },
      { nutrient: 'carbohydrate', amount: '0', unit: 'g' },
      { nutrient: 'EPA + DHA', amount: '1.2', unit: 'g' },
      { nutrient: 'vitamin E', amount: '4', unit: 'IU' },
    ],
    gramsPerMl: '0.92',
    price: '18.00',
    priceGrams: '460 g',
  },
  {
    name: 'Boathouse mineral mix',
    measure: 'tsp',
    measureGrams: '6 g',
    amounts: (
      [
        ['protein', '0', 'g'],
        ['fat', '0', 'g'],
        ['carbohydrate', '0', 'g'],
        ['calcium', '1500', 'mg', 'element'],
        ['phosphorus', '750', 'mg', 'element'],
        ['sodium', '300', 'mg', 'element'],
        ['chloride', '620', 'mg', 'element'],
        ['potassium', '100', 'mg', 'element'],
        ['magnesium', '30', 'mg', 'element'],
        ['iron', '6', 'mg', 'element'],
        ['zinc', '8', 'mg', 'element'],
        ['copper', '1.3', 'mg', 'element'],
        ['manganese', '1.5', 'mg', 'element'],
        ['selenium', '20', 'µg', 'element'],
        ['iodine', '0.3', 'mg', 'element'],
        ['vitamin E', '15', 'IU'],
        ['vitamin D', '90', 'IU'],
        ['thiamin', '0.4', 'mg'],
        ['riboflavin', '0.6', 'mg'],
        ['pantothenic acid', '1.5', 'mg'],
        ['vitamin B6', '0.4', 'mg'],
        ['vitamin B12', '3', 'µg'],
        ['choline', '120', 'mg', 'element'],
      ] as const
    ).map(([nutrient, amount, unit, as]) => ({ nutrient, amount, unit, ...(as ? { as } : {}) })),
    price: '24.00',
    priceGrams: '1000 g',
    mostPerKg: '0.5',
  },
  {
    // What the dogs ate before: beside it stands what a day of cooking costs.
    name: 'Harbour kibble',
    measure: 'cup',
    measureGrams: '95 g',
    amounts: [],
    kcal: '3650',
    kcalPer: 'kg',
    crude: { protein: '26', fat: '14', fibre: '3', moisture: '9', ash: '7' },
    price: '34.00',
    priceGrams: '6000 g',
  },
];

/** What stands in the boatyard's galley. */
export const EQUIPMENT: readonly EquipmentEntry[] = [
  { kind: 'pot', name: 'stockpot', size: '12 L', count: '1' },
  { kind: 'pressure cooker', name: 'pressure cooker', size: '6 L', count: '1' },
  { kind: 'oven trays', name: 'oven trays', size: '1.2 kg', count: '2' },
  { kind: 'container', name: 'tubs', size: '450 g', count: '48' },
  {
    kind: 'freeze-dryer',
    name: 'freeze-dryer',
    size: '1.4 kg',
    count: '4',
    tare: '805 g',
    inside: '20 × 45',
    watts: '1000',
    dividers: '1',
  },
];
