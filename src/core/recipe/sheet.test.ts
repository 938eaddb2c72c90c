import { dogOf } from '../../../tests/fixtures/dogs';
import fc from 'fast-check';
import { demandOf } from '../plan/demand';
import { scaleOf, sum } from '../plan/scale';
import type { WeighedLine } from './recipe';
import { ALONE, linesAt } from './bases';
import { grams } from '../quantity/units';
import { asWritten, lineOf, pouredWaterLine, workedExample } from '../../../tests/fixtures/worked-example';
import { weighYield } from '../portion/yield';
import { guessPart } from './part-of-food';
import { proteinOf } from './protein';
import { pouredWater, recipeSheet } from './sheet';
import { addDays, type LocalDate } from '../calendar/local-date';

/** Nothing was taken out before the weighing. */
const none = { eatenBefore: grams(0), kept: grams(0) };

// Source of every figure here: the worked example of issue 2, summed by hand from USDA SR 24.
describe('the worked example', () => {
  const sheet = recipeSheet([...workedExample(), pouredWaterLine(800)], '4-9-4');

  test('masses and nutrients', () => {
    expect(sheet.protein?.amount).toBeCloseTo(255.63, 2);
    expect(sheet.fat?.amount).toBeCloseTo(91.68, 2);
    expect(sheet.carbohydrate?.amount).toBeCloseTo(315.13, 2);
    expect(sheet.fibre?.amount).toBeCloseTo(68.4, 2);
    expect(sheet.water?.amount).toBeCloseTo(1144.35, 2);
    expect(sheet.food).toBe(1815);
    expect(sheet.inPot).toBe(2615);
    expect(sheet.solids).toBeCloseTo(670.65, 2);
    expect(pouredWater(sheet)).toBe(800);
  });

  test('energy by all three ways', () => {
    expect(sheet.kcal).toBeCloseTo(2834.56, 2);
    expect(sheet.kcalBy.modified).toBeCloseTo(2537.54, 2);
    expect(sheet.kcalBy.table).toBeCloseTo(3108.6, 1);
    expect(sheet.kcalPer100).toBeCloseTo(156.17, 2);
  });

  test('five days of a neutered 20 kg adult scale it by 1.8684', () => {
    const dog = dogOf(20, '2026-11-01' as LocalDate);
    const batches = [{ recipeId: 1, share: 1, meals: 'every meal' }] as const;
    const [need] = demandOf([dog], '2026-11-25' as LocalDate, batches).byDog(5);
    const scale = scaleOf(sum(need!.byDay), { perScale: sheet.kcal, fixed: 0 });
    expect(scale.ok && scale.value).toBeCloseTo(1.8684, 4);
  });

  test('2310 g of yield hold 1.2271 kcal/g, and the day is 863.2 g', () => {
    const vessels = [{ name: 'pot', gross: grams(2310 + 1240), tare: grams(1240) }];
    const weighed = weighYield({ by: 'scale', vessels }, none, sheet);
    if (!weighed.ok) throw new Error(weighed.problem.message);
    expect(weighed.value.density).toBeCloseTo(1.2271, 4);
    expect(1059.2 / weighed.value.density).toBeCloseTo(863.2, 1);
  });

  test('fat that was skimmed off takes 9 kcal a gram along (handbook 3); more than there was is refused', () => {
    const vessels = [{ name: 'pot', gross: grams(2310 + 1240), tare: grams(1240) }];
    const at = (skimmed: number) =>
      weighYield({ by: 'scale', vessels }, { ...none, skimmed: grams(skimmed) }, { ...sheet, fatInPot: 91.68 });
    const weighed = at(50);
    if (!weighed.ok) throw new Error(weighed.problem.message);
    expect(weighed.value.kcal).toBeCloseTo(2834.56 - 450, 2);
    expect(weighed.value.density).toBeCloseTo((2834.56 - 450) / 2310, 6);
    expect(at(95)).toMatchObject({ ok: false, problem: { field: 'skimmed' } });
  });

  test.each([
    [2700, /more than went in/],
    [600, /less than the solids/],
  ])('a yield of %d g is refused', (net, reason) => {
    const weighed = weighYield(
      { by: 'scale', vessels: [{ name: 'pot', gross: grams(net), tare: grams(0) }] },
      none,
      sheet,
    );
    expect(weighed.ok).toBe(false);
    if (!weighed.ok) expect(weighed.problem.message).toMatch(reason);
  });

  test('what was eaten before the weighing counts for the density', () => {
    const vessels = [{ name: 'pot', gross: grams(2110), tare: grams(0) }];
    const weighed = weighYield({ by: 'scale', vessels }, { ...none, eatenBefore: grams(200) }, sheet);
    if (!weighed.ok) throw new Error(weighed.problem.message);
    expect(weighed.value.density).toBeCloseTo(1.2271, 4);
    expect(weighed.value.net).toBe(2110);
  });

  // Handbook 7: yield = what went in − vapour − what was poured off; drippings are mostly water, so no energy leaves.
  test('liquid that was kept is no vapour and takes no energy along; with it, no more than went in', () => {
    const of = (net: number, kept: number) =>
      weighYield(
        { by: 'scale', vessels: [{ name: 'pot', gross: grams(net), tare: grams(0) }] },
        { ...none, kept: grams(kept) },
        sheet,
      );
    const drained = of(2010, 300);
    expect(drained).toMatchObject({ ok: true, value: { net: 2010, kept: 300 } });
    if (drained.ok) expect(drained.value.density).toBeCloseTo(2834.56 / 2010, 4);
    expect(of(2010, 700)).toMatchObject({ problem: { message: expect.stringMatching(/700 g poured off is more/) } });
    expect(of(2010, -1)).toMatchObject({ problem: { field: 'kept' } });
  });
});

test('a counted yield is an estimate; impossible readings are refused at their field', () => {
  const sheet = recipeSheet([...workedExample(), pouredWaterLine(800)], '4-9-4');
  const counted = weighYield({ by: 'cups', cups: 9.5, cupGrams: grams(243) }, none, sheet);
  expect(counted).toMatchObject({ ok: true, value: { estimated: true, net: 2308.5 } });
  expect(weighYield({ by: 'cups', cups: 0, cupGrams: grams(243) }, none, sheet)).toMatchObject({
    problem: { field: 'cups' },
  });
  const swapped = { by: 'scale' as const, vessels: [{ name: 'pot', gross: grams(900), tare: grams(1240) }] };
  expect(weighYield(swapped, none, sheet)).toMatchObject({ problem: { field: 'vessels.0.gross' } });
  expect(weighYield({ by: 'scale', vessels: [] }, none, sheet)).toMatchObject({ problem: { field: 'vessels' } });
});

const scaled = (lines: readonly WeighedLine[], scale: number) => linesAt(asWritten(lines), { ...ALONE, scale });

test('scaling is linear, and its inverse restores the recipe', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 100, noNaN: true }),
      fc.double({ min: 0.01, max: 100, noNaN: true }),
      (a, b) => {
        const lines = workedExample();
        const kcal = (factor: number) => recipeSheet(scaled(lines, factor), '4-9-4').kcal;
        expect(kcal(a + b) / (kcal(a) + kcal(b))).toBeCloseTo(1, 9);
        const back = scaled(scaled(lines, a), 1 / a);
        back.forEach((line, index) => expect(line.grams / lines[index]!.grams).toBeCloseTo(1, 9));
      },
    ),
  );
});

test('a scaled recipe holds exactly what the dogs need', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 50, max: 4000, noNaN: true }), { minLength: 1, maxLength: 30 }), (byDay) => {
      const recipe = recipeSheet(workedExample(), '4-9-4').kcal;
      const scale = scaleOf(sum(byDay), { perScale: recipe, fixed: 0 });
      if (!scale.ok) throw new Error(scale.problem.message);
      const kcal = recipeSheet(scaled(workedExample(), scale.value), '4-9-4').kcal;
      expect(kcal / sum(byDay)).toBeCloseTo(1, 9);
    }),
  );
});

test('a recipe without energy scales to nothing', () => {
  expect(scaleOf(500, { perScale: 0, fixed: 0 })).toMatchObject({ problem: { field: 'recipeId' } });
});

test('what was not measured stays unknown, and its coverage says so', () => {
  const line = lineOf('17343', 100);
  const blank = { ...line, food: { ...line.food, per100: { protein_g: 10, fat_g: 2, energy_kcal: 58 } } };
  const sheet = recipeSheet([blank, lineOf('11298', 300, 'vegetable')], '4-9-4');
  expect(sheet.fibre?.coverage).toBeCloseTo(0.75, 9);
  expect(recipeSheet([blank], '4-9-4').fibre).toBeUndefined();
  expect(recipeSheet([], '4-9-4').kcalPer100).toBeUndefined();
});

test('bowl lines never enter the density', () => {
  const withOil = [...workedExample(), lineOf('04582', 100, 'fat', 'bowl')];
  expect(recipeSheet(withOil, '4-9-4').kcal).toBeCloseTo(2834.56, 2);
});

test('shares of parts sum to one, and the protein gives the mark', () => {
  const sheet = recipeSheet(workedExample(), '4-9-4');
  expect(sheet.shares.reduce((sum, share) => sum + share.weight, 0)).toBeCloseTo(1, 9);
  expect(sheet.shares.reduce((sum, share) => sum + share.energy, 0)).toBeCloseTo(1, 9);
  expect(proteinOf(workedExample())).toEqual({ word: 'venison', hatch: 'diagonal' });
  expect(proteinOf([lineOf('20005', 5, 'carbohydrate')]).word).toBe('plants');
});

test.each([
  ['05027', 'secreting organ'],
  ['17343', 'muscle'],
  ['01123', 'egg'],
  ['20005', 'carbohydrate'],
  ['11352', 'carbohydrate'],
  ['11233', 'vegetable'],
  ['04582', 'fat'],
  ['14411', 'liquid'],
])('%s is guessed as %s', (ndb, part) => expect(guessPart(lineOf(ndb, 1).food)).toBe(part));

test('a plan of days ends on its last feeding day', () => {
  expect(addDays('2026-11-25' as LocalDate, 4)).toBe('2026-11-29');
});
