import { evaluate } from 'mathjs';
import { dogOf } from '../../tests/fixtures/dogs';
import { lineOf, pouredWaterLine, workedExample } from '../../tests/fixtures/worked-example';
import { addDays, type LocalDate } from './calendar/local-date';
import { dayEnergy } from './dog/day-energy';
import type { Dog } from './dog/dog';
import { fillingAlone } from './dog/filling';
import type { Explanation } from './explanation';
import { demandOf } from './plan/demand';
import { explainScale, sum } from './plan/scale';
import { portionOf } from './portion/dog-portions';
import { weighYield } from './portion/yield';
import { dryTrays } from './preserve/dry';
import { grams } from './quantity/units';
import { recipeSheet } from './recipe/sheet';
import { drawMeal } from './stock/draw';
import { explainMeal } from './stock/explain-meal';

const TODAY = '2026-11-25' as LocalDate;
const dog = (over: Partial<Dog> = {}) => dogOf(20, TODAY, over);

/** Works every "a × b = c" of an explanation out again with mathjs, apart from the code that wrote it. */
function wrongSums(explanation: Explanation): string[] {
  return explanation.steps.flatMap(({ sum }) => {
    const plain = sum
      .replace(/(\d) (\d{3})/g, '$1$2')
      .replace(/\b(kcal\/g dry|kcal\/g|kcal|kg|mL|g)\b/g, '')
      .replace(/×/g, '*')
      .replace(/÷/g, '/')
      .replace(/−/g, '-');
    const match = /^([\d.*/^()+\- ]+)=([\d. ]+)(,|$)/.exec(plain.trim());
    if (!match) return [];
    const expected = evaluate(match[1]!) as number;
    const shown = Number(match[2]);
    return Math.abs(expected - shown) <= Math.max(0.06, Math.abs(shown) * 0.0006) ? [] : [`${sum}: really ${expected}`];
  });
}

const sheet = recipeSheet([...workedExample(), pouredWaterLine(800)], '4-9-4');
const weighed = weighYield(
  { by: 'scale', vessels: [{ name: 'pot', gross: grams(3550), tare: grams(1240) }] },
  { eatenBefore: grams(0), kept: grams(0) },
  sheet,
);
if (!weighed.ok) throw new Error(weighed.problem.message);
const density = weighed.value.density;

const pup = dog({
  birthDate: addDays(TODAY, -122),
  weighIns: [{ date: TODAY, grams: grams(8000) }],
  expectedAdultWeight: grams(19_000),
});
const needs = demandOf([dog(), pup], TODAY, fillingAlone(1).batches).byDog(5);
const need = sum(needs.map((each) => sum(each.byDay)));
const scale = explainScale(needs, 0, {
  days: 5,
  need,
  energy: { perScale: sheet.kcal, fixed: 0 },
  scale: need / sheet.kcal,
});
const dried = dryTrays([{ tare: grams(600), wetGross: grams(1500), dryGross: grams(870) }], 0.29, density);
const bowl = drawMeal(529.6, [
  {
    key: 'pack-1',
    code: 'V1',
    grams: 900,
    density,
    waterPerGram: 0,
    place: 'fridge',
    opened: false,
    short: false,
    keeps: {},
  },
]);

const CASES: readonly [string, Explanation][] = [
  ['an adult’s day', dayEnergy(dog(), TODAY).explanation],
  ['a pup’s day', dayEnergy(pup, TODAY).explanation],
  ['a recipe', sheet.explanation],
  ['a yield', weighed.value.explanation],
  ['a scale', scale],
  ['a portion', portionOf(dog(), TODAY, density).explanation],
  ['trays', dried.ok ? dried.value.explanation : { title: '', steps: [], source: '' }],
  [
    'a bowl',
    explainMeal({
      dog: 'Test',
      meal: 'supper',
      energy: dayEnergy(dog(), TODAY),
      additions: [],
      less: 0,
      fraction: 0.5,
      kcal: 529.6,
      drawn: bowl.drawn,
      sources: [],
    }),
  ],
];

test.each(CASES)('%s explains itself with sums that are right, and names its source', (_, explanation) => {
  expect(wrongSums(explanation)).toEqual([]);
  expect(explanation.steps.length).toBeGreaterThan(1);
  expect(explanation.source.length).toBeGreaterThan(10);
});

test('the check itself finds a wrong sum', () => {
  expect(wrongSums({ title: '', steps: [{ what: '', sum: '70 × 20 kg^0.75 = 700 kcal' }], source: '' })).toHaveLength(
    1,
  );
  expect(wrongSums({ title: '', steps: [{ what: '', sum: '70 × 20 kg^0.75 = 662 kcal' }], source: '' })).toHaveLength(
    0,
  );
});

test('an explanation names the way that is in force', () => {
  expect(
    recipeSheet([lineOf('17343', 100)], 'modified')
      .explanation.steps.map((step) => step.what)
      .join(),
  ).toContain('modified Atwater (in force)');
  expect(dayEnergy(pup, TODAY).explanation.source).toMatch(/NRC 2006/);
});
