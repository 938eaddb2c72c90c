import { readFileSync } from 'node:fs';
import { register } from 'node:module';
import highsLoader from 'highs';
import Papa from 'papaparse';
import { entry, timeEach } from './measure.mjs';

register('../scripts/typescript.mjs', import.meta.url);
const { readFoodRow } = await import('../src/core/food/rows.ts');
const { totalsOf } = await import('../src/core/nutrition/totals.ts');
const { programmeOf } = await import('../src/core/nutrition/programme.ts');
const { propose } = await import('../src/core/nutrition/propose.ts');

const foods = Papa.parse(readFileSync('data/food-composition.csv', 'utf8'), { header: true, skipEmptyLines: true })
  .data.map(readFoodRow)
  .filter((food) => food.group !== 'Water');
const profiles = JSON.parse(readFileSync('data/profiles.json', 'utf8'));
const profile = profiles.profiles.find((each) => each.id === 'aafco-adult');
const byNdb = new Map(foods.map((food) => [food.ndb, food]));

/** The worked example of the recipe sheet: what is proposed for it is what a cook asks for. */
const recipe = [
  ['17343', 1000],
  ['20005', 300],
  ['11298', 400],
  ['11233', 100],
  ['04582', 15],
].map(([ndb, grams]) => ({ food: byNdb.get(ndb), grams }));

const carbonate = { ndb: 'S0001', name: 'Calcium carbonate', group: 'Supplement', per100: { calcium_mg: 40_040 } };
const caps = (list) => list.map((food) => ({ food, cap: 300 }));
const every = (step) => foods.filter((_, index) => index % step === 0);
const sixty = caps([carbonate, ...every(Math.floor(foods.length / 59)).slice(0, 59)]);
const all = caps([carbonate, ...foods]);
const ask = (candidates, objective = 'weight') =>
  propose(recipe, candidates, profiles.nutrients, profile, '4-9-4', objective);

/** Sixty things that could close the gaps: those that are shipped, and others of the table. */
const shipped = JSON.parse(readFileSync('data/additions.json', 'utf8')).candidates.flatMap(({ ndb, cap }) =>
  byNdb.has(ndb) ? [{ food: byNdb.get(ndb), cap: cap * 2.83456 }] : [],
);
const sixtyUseful = [
  { food: carbonate, cap: 23 },
  ...shipped,
  ...caps(every(Math.floor(foods.length / 45))).slice(0, 59 - shipped.length),
];

/** The same programme in HiGHS's own language. */
function asText({ rows, caps: most }) {
  const term = (value, index) => `${value < 0 ? '-' : '+'} ${Math.abs(value).toPrecision(15)} x${index}`;
  return [
    'Minimize',
    ` weight: ${most.map((_, index) => `+ x${index}`).join(' ')}`,
    'Subject To',
    ...rows.map(
      ({ side, bound, perGram }, index) =>
        ` r${index}: ${perGram.map(term).join(' ')} ${side === 'least' ? '>=' : '<='} ${bound.toPrecision(15)}`,
    ),
    'Bounds',
    ...most.map((cap, index) => ` 0 <= x${index} <= ${cap}`),
    'End',
  ].join('\n');
}

/** Sums of a recipe, and proposals over sixty candidates and over the whole table; HiGHS beside them in the same run. */
export async function balance() {
  const lines = Array.from({ length: 25 }, (_, index) => ({ food: foods[index * 37], grams: 100 + index }));
  const totals = () => totalsOf(lines);
  await timeEach(Array(500), totals);
  const sums = entry('recipe-totals', 25, await timeEach(Array(500), totals));

  const highs = await highsLoader();
  const text = asText(programmeOf(recipe, sixty, profiles.nutrients, profile, '4-9-4'));
  const theirs = () => highs.solve(text);
  const own = () => ask(sixty);
  await timeEach(Array(3), own);
  await timeEach(Array(3), theirs);
  const times = await timeEach(Array(20), own);
  const highsTimes = await timeEach(Array(20), theirs);
  const sixtyEntry = entry('balance-60', sixty.length, times);
  const highsEntry = entry('balance-60-vs-highs', sixty.length, highsTimes);
  const few = () => ask(sixtyUseful, 'fewest');
  await timeEach(Array(2), few);
  const fewest = entry('balance-fewest-60', sixtyUseful.length, await timeEach(Array(10), few));
  const whole = () => ask(all);
  await timeEach(Array(1), whole);
  return [
    sums,
    sixtyEntry,
    fewest,
    entry('balance-all', all.length, await timeEach(Array(5), whole)),
    { ...highsEntry, ratio: Number((sixtyEntry.median_ms / highsEntry.median_ms).toFixed(2)) },
  ];
}
