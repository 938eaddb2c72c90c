import fc from 'fast-check';
import { dogOf, kilograms } from '../../../../tests/fixtures/dogs';
import { lineOf, pouredWaterLine, workedExample } from '../../../../tests/fixtures/worked-example';
import { addDays, type LocalDate } from '../../calendar/local-date';
import { energyDensity } from '../../quantity/units';
import { foodFactsOf } from '../../recipe/food-facts-of';
import type { FoodFacts } from '../food-facts';
import { schoolDay, USUAL_SCHOOLS, type School } from './schools';
import { amountsOf, schoolSpread } from '../spread';

const TODAY = '2026-11-25' as LocalDate;
const senior = { birthDate: addDays(TODAY, -9 * 366) };
const juniper = dogOf(26.4, TODAY, { ...senior, name: 'Juniper', ration: { work: 'light' } });
const otto = dogOf(7.2, TODAY, { ...senior, name: 'Otto', ration: { proneToGain: true } });

/** The worked example of issue 2 at 1.2271 kcal/g, a cup of which weighs 240 g. */
const lines = [...workedExample(), pouredWaterLine(800)];
const venison = foodFactsOf({ name: 'Venison', lines, density: energyDensity(1.2271), gramsPerCup: 240 }, '4-9-4');

const kcalOf = (school: School, dog: typeof otto, food: FoodFacts = venison) => {
  const said = schoolDay(school, dog.weighIns[0]!.grams, food);
  if (!said.ok) throw new Error(said.problem.message);
  return said.value;
};

test('the pieces rule gives Otto 0.33 times its energy need with this recipe: pieces are of a raw weight', () => {
  const spread = schoolSpread(otto, TODAY, venison);
  const pieces = spread.marks.find((mark) => mark.school === 'pieces')!;
  // By hand: 7200 / 453.59237 / 8 × 2 × 28.3495 g raw × 2834.56 kcal / 2615 g in the pot = 121.95; 369.2 needed.
  expect(pieces.kcal!.mark).toBeCloseTo(121.95, 1);
  expect(spread.said).toBe('The pieces rule gives Otto 0.33 times its energy need with this recipe.');
});

// Rules: common practice, no source (handbook 2). Worked by hand for 26.4 kg = 58.202 lb.
test.each([
  ['protein', 26_400 / 50, (26_400 / 50) * 2.83456],
  ['cups', ((58.202 / 25 + 58.202 / 20) / 2) * 240, ((58.202 / 25 + 58.202 / 20) / 2) * 240 * 1.2271],
  ['percent', 660, 660 * 1.2271],
  ['pieces', 412.5, 412.5 * (2834.56 / 2615)],
])('%s for Juniper', (kind, _, kcal) => {
  const school = USUAL_SCHOOLS.find((each) => each.kind === kind)!;
  expect(kcalOf(school, juniper).mark).toBeCloseTo(kcal, 0);
});

const NOT_OF_DENSITY = ['energy', 'protein', 'pieces'];

test('from 1.2 to 1.8 kcal/g cups, percent and like for like move; energy, raw protein and raw pieces do not', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 2, max: 80, noNaN: true }),
      fc.double({ min: 1.2, max: 1.8, noNaN: true }),
      (kg, density) => {
        const dog = dogOf(kg, TODAY);
        const further: School[] = [{ kind: 'like for like', cups: 2 }];
        const marks = (at: number) => schoolSpread(dog, TODAY, { ...venison, density: at }, further).marks;
        const before = marks(1.2);
        marks(density).forEach((mark, index) => {
          const ratio = mark.kcal!.mark / before[index]!.kcal!.mark;
          expect(ratio).toBeCloseTo(NOT_OF_DENSITY.includes(mark.school) ? 1 : density / 1.2, 9);
        });
      },
    ),
  );
});

test('without a weighed cup cups are unknown, not 0; without animal protein so is the protein rule', () => {
  const plants = foodFactsOf(
    { name: 'Barley', lines: [lineOf('20005', 300, 'carbohydrate')], density: undefined, gramsPerCup: undefined },
    '4-9-4',
  );
  const marks = schoolSpread(otto, TODAY, plants).marks;
  const of = (school: string) => marks.find((mark) => mark.school === school)!;
  expect(of('cups').kcal).toBeUndefined();
  expect(of('cups').missing).toMatch(/Weigh one cup/);
  expect(of('protein').kcal).toBeUndefined();
  expect(amountsOf(369, plants).cups).toBeUndefined();
  expect(plants.measured).toBe(false);
});

test('a printed table goes by its row and its mixing ratio; above its last row it says nothing', () => {
  const table: School = {
    kind: 'weight table',
    unit: 'cup',
    makes: 3,
    bands: [
      { upTo: 5000, low: 0.25, high: 0.25 },
      { upTo: 10_000, low: 0.5, high: 0.75 },
    ],
  };
  // By hand: half to three quarters of a cup of mix make 1.5 to 2.25 cups of food, 240 g each.
  expect(kcalOf(table, otto).low).toBeCloseTo(1.5 * 240 * 1.2271, 6);
  expect(kcalOf(table, otto).high).toBeCloseTo(2.25 * 240 * 1.2271, 6);
  expect(schoolDay(table, kilograms(26.4), venison)).toMatchObject({ ok: false, problem: { field: 'bands' } });
});

test('a prescribed range stays a range, in kcal, g or cups', () => {
  const vet = { kind: 'prescribed' as const, low: 280, high: 320, by: 'the vet' };
  expect(kcalOf({ ...vet, unit: 'kcal' }, otto)).toMatchObject({ low: 280, mark: 300, high: 320 });
  expect(kcalOf({ ...vet, unit: 'g' }, otto).mark).toBeCloseTo(300 * 1.2271, 6);
  expect(kcalOf({ ...vet, low: 1, high: 2, unit: 'cup' }, otto).low).toBeCloseTo(240 * 1.2271, 6);
});

test('every band holds its mark, and amounts turn back into the kcal that they came from', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 90, noNaN: true }),
      fc.double({ min: 0.5, max: 3, noNaN: true }),
      (kg, density) => {
        const food = { ...venison, density };
        for (const mark of schoolSpread(dogOf(kg, TODAY), TODAY, food).marks) {
          expect(mark.kcal!.low).toBeLessThanOrEqual(mark.kcal!.mark + 1e-9);
          expect(mark.kcal!.high).toBeGreaterThanOrEqual(mark.kcal!.mark - 1e-9);
          const amounts = amountsOf(mark.kcal!.mark, food);
          expect(amounts.grams * density).toBeCloseTo(mark.kcal!.mark, 6);
          expect(amounts.cups! * 240).toBeCloseTo(amounts.grams, 6);
          expect(amounts.pieces * 28.349523125).toBeCloseTo(amounts.grams, 6);
        }
      },
    ),
  );
});

test('the school in force is marked, whatever it is', () => {
  const methods = [
    { kind: 'table' as const },
    { kind: 'factor' as const, factor: 1.33 },
    { kind: 'nrc' as const, k: 95 },
    { kind: 'nrc' as const, k: 110 },
    { kind: 'kcal' as const, kcal: 400 },
    { kind: 'school' as const, school: USUAL_SCHOOLS[2]!, food: venison },
    { kind: 'school' as const, school: { kind: 'like for like' as const, cups: 1.5 }, food: venison },
  ];
  for (const method of methods) {
    const { marks, energy } = schoolSpread(dogOf(20, TODAY, { ration: { method } }), TODAY, venison);
    const inForce = marks.filter((mark) => mark.inForce);
    expect(inForce).toHaveLength(1);
    expect(inForce[0]!.kcal!.mark).toBeCloseTo(energy.kcal, 6);
  }
});
