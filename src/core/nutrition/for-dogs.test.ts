import { testProfiles } from '../../../tests/fixtures/reference-files';
import { workedExample } from '../../../tests/fixtures/worked-example';
import { restingEnergy } from '../dog/resting-energy';
import { grams } from '../quantity/units';
import type { NamedDog } from '../recipe/preview';
import { balanceOf } from './balance';
import { energyOf } from './energy';
import { lowAtRation, tooMuchForPups } from './for-dogs';
import { rotationLines } from './rotation';

const PROFILES = testProfiles();
const nrc = PROFILES.profiles.find((each) => each.id === 'nrc-adult')!;
const growth = PROFILES.profiles.find((each) => each.id === 'aafco-growth')!;
const dog = (more: Partial<NamedDog>): NamedDog => ({
  id: 1,
  name: 'Otto',
  kg: 10,
  kcal: 130 * 10 ** 0.75,
  meals: [],
  growing: false,
  adultKg: undefined,
  ...more,
});
const row = (name: string, amount: number, againstMost?: number) => ({
  name,
  unit: name.startsWith('vitamin') ? 'IU' : 'g',
  least: undefined,
  most: undefined,
  amount,
  ...(againstMost === undefined ? {} : { againstMost }),
  coverage: 1,
  verdict: 'met' as const,
  toward: 'met' as const,
  ofLeast: undefined,
  lines: [],
  estimated: [],
  standIn: undefined,
});

// Handbook 3 (NRC 2006): at 1.2 × RER a recipe that just meets the allowance delivers 65 % of it.
test('a dog at 1.2 × RER gets 65 % of what just meets NRC’s allowance; one at 130 kcal per kg^0.75 gets all', () => {
  const just = { rows: [row('calcium', 1.0), row('zinc', 15)] };
  const small = dog({ kcal: 1.2 * restingEnergy(grams(10_000)) });
  const low = lowAtRation(just, nrc, [small]);
  expect(low.map((each) => each.nutrient).sort()).toEqual(['calcium', 'zinc']);
  for (const { part } of low) expect(part).toBeCloseTo((1.2 * 70) / 130, 6);
  expect(lowAtRation(just, nrc, [dog({})])).toEqual([]);
});

test('what is short per 1000 kcal is short on a low ration all the more, and pups have their own profile', () => {
  const short = { rows: [row('calcium', 0.5)] };
  expect(lowAtRation(short, nrc, [dog({ kcal: 1.2 * restingEnergy(grams(10_000)) })])[0]!.part).toBeCloseTo(
    (0.5 * 1.2 * 70) / 130,
    6,
  );
  expect(lowAtRation({ rows: [{ ...row('calcium', 0.5), coverage: 0.6 }] }, nrc, [dog({})])[0]!.perhaps).toBe(true);
  expect(lowAtRation({ rows: [row('calcium', 1)] }, nrc, [dog({ kcal: 200, growing: true })])).toEqual([]);
});

// AAFCO 2016: calcium at most 6.25 g, 4.5 g where the adult weighs 31.8 kg; NRC 2006: pups 12 500 IU of vitamin A.
test.each([
  [5, 20, undefined],
  [5, 35, 4.5],
  [6.5, 20, 6.25],
  [4.4, 35, undefined],
])('%d g of calcium for a pup that grows to %d kg: the most is %s', (amount, adultKg, most) => {
  const found = tooMuchForPups({ rows: [row('calcium', amount)] }, PROFILES.pups, [dog({ growing: true, adultKg })]);
  expect(found[0]?.most).toBe(most);
});

test('of vitamin A retinol alone counts against a pup’s most; grown dogs are not asked', () => {
  const pup = dog({ growing: true, adultKg: 20 });
  expect(tooMuchForPups({ rows: [row('vitamin A', 20_000, 9000)] }, PROFILES.pups, [pup])).toEqual([]);
  expect(tooMuchForPups({ rows: [row('vitamin A', 20_000, 13_000)] }, PROFILES.pups, [pup])[0]).toMatchObject({
    amount: 13_000,
    most: 12_500,
  });
  expect(tooMuchForPups({ rows: [row('vitamin A', 20_000, 13_000)] }, PROFILES.pups, [dog({})])).toEqual([]);
});

test('in a rotation each recipe brings the energy of its days, rich or lean', () => {
  const rich = workedExample();
  const half = rich.map((line) => ({ ...line, grams: grams(line.grams / 2) }));
  const both = rotationLines(
    [
      { name: 'a', lines: rich, days: 3 },
      { name: 'b', lines: half, days: 1 },
      { name: 'never', lines: rich, days: 0 },
    ],
    '4-9-4',
  );
  const of = (name: string) =>
    energyOf(
      both.filter((line) => line.text.endsWith(`(${name})`)),
      '4-9-4',
    );
  expect(of('a') / of('b')).toBeCloseTo(3, 9);
  // The same food twice is balanced as that food.
  const together = balanceOf(both, PROFILES.nutrients, growth, '4-9-4');
  const alone = balanceOf(rich, PROFILES.nutrients, growth, '4-9-4');
  expect(together.rows.map((each) => each.amount?.toFixed(9))).toEqual(
    alone.rows.map((each) => each.amount?.toFixed(9)),
  );
});

// AAFCO 2016: calcium to phosphorus 1–2 : 1, n-6 to n-3 at most 30 : 1; the worked example has 476 : 3013 mg.
test('the profile’s proportions are checked', () => {
  const ratios = balanceOf(workedExample(), PROFILES.nutrients, growth, '4-9-4').ratios;
  expect(ratios.find((each) => each.name === 'Ca : P')).toMatchObject({ verdict: 'short', least: 1, most: 2 });
  expect(ratios.find((each) => each.name === 'Ca : P')!.value).toBeCloseTo(476 / 3013, 3);
  expect(ratios.find((each) => each.name === 'n-6 : n-3')).toMatchObject({ verdict: 'met', most: 30 });
});
