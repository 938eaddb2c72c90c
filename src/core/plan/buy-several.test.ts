import { grams } from '../quantity/units';
import { asOneItem, boughtOnce } from './buy-several';
import { usualLot } from './list-entry';
import { shoppingList, type ShoppingItem } from './shopping';
import { plainRecipe, TODAY } from '../../../tests/fixtures/plans';

const recipe = plainRecipe();
const PLACES = [
  { id: 7, kind: 'fridge' as const, name: 'Fridge' },
  { id: 8, kind: 'cupboard' as const, name: 'Cupboard' },
];
/** The list of a pot of so many g of each line, with nothing in the house. */
const list = (mass: number): ShoppingItem[] =>
  shoppingList(
    recipe.written.map((line) => ({ recipe: recipe.name, line, grams: mass })),
    'metric',
    { lots: [], promised: [], today: TODAY, cookDay: TODAY },
  );
const none = new Set<string>();

test('two pots want the same food: it is bought once, for both, and comes into the house once', () => {
  const plans = [
    { planId: 1, items: list(700), bought: none },
    { planId: 2, items: list(500), bought: none },
  ];
  const all = boughtOnce(plans, 'metric');
  expect(all.map(({ grams: mass, planIds, ticked }) => [mass, planIds, ticked])).toEqual([
    [1200, [1, 2], false],
    [1200, [1, 2], false],
  ]);
  // Water from the tap is not bought.
  expect(all.map(({ name }) => name).some((name) => /water/i.test(name))).toBe(false);
  expect(usualLot(asOneItem(all[0]!), PLACES, 'metric')).toMatchObject({ amount: '1200 g' });
});

test('what is in the house is not bought; what one pot has already is bought for the other alone', () => {
  const [first, second] = [list(700), list(500)];
  const half = second.map((item, index) => (index === 0 ? { ...item, toBuy: grams(200) } : item));
  expect(
    boughtOnce(
      [
        { planId: 1, items: first, bought: none },
        { planId: 2, items: half, bought: none },
      ],
      'metric',
    )[1]!.grams,
  ).toBe(900);
  const key = first[0]!.key;
  const of = boughtOnce(
    [
      { planId: 1, items: first, bought: new Set([key]) },
      { planId: 2, items: second, bought: none },
    ],
    'metric',
  ).find((each) => each.key === key)!;
  expect([of.grams, of.ticked]).toEqual([500, false]);
});

test('bought for all of them it stands ticked, last, with what they need', () => {
  const [first, second] = [list(700), list(500)];
  const key = first[0]!.key;
  // In the house by its tick: nothing of it is missing any more.
  const there = (items: readonly ShoppingItem[]) =>
    items.map((item) => (item.key === key ? { ...item, toBuy: grams(0) } : item));
  const all = boughtOnce(
    [
      { planId: 1, items: there(first), bought: new Set([key]) },
      { planId: 2, items: there(second), bought: new Set([key]) },
    ],
    'metric',
  );
  expect(all.at(-1)).toMatchObject({ key, ticked: true, grams: 1200 });
});
