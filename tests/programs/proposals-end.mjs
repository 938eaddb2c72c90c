// Two thousand seeded recipes with caps are balanced, one after the other: the last line says how many came to an end.
// A program of its own: inside the test runner the solver is slower by a factor of twenty.
import { readFileSync } from 'node:fs';
import { register } from 'node:module';
import Papa from 'papaparse';

register('../../scripts/typescript.mjs', import.meta.url);
const { readFoodRow } = await import('../../src/core/food/rows.ts');
const { programmeOf } = await import('../../src/core/nutrition/programme.ts');
const { leastRelaxed, leastSum } = await import('../../src/core/nutrition/solve-programme.ts');
const { seeded } = await import('../fixtures/seeded.ts');

const foods = Papa.parse(readFileSync('data/food-composition.csv', 'utf8'), { header: true, skipEmptyLines: true })
  .data.map(readFoodRow)
  .filter((food) => food.group !== 'Water');
const byNdb = new Map(foods.map((food) => [food.ndb, food]));
const { nutrients, profiles } = JSON.parse(readFileSync('data/profiles.json', 'utf8'));
const { candidates, supplements } = JSON.parse(readFileSync('data/additions.json', 'utf8'));
const pure = new Map(
  supplements.map(({ ndb, calcium_mg }) => [ndb, { ndb, name: ndb, group: 'Supplement', per100: { calcium_mg } }]),
);

const random = seeded(2_000);
let ended = 0;
for (let recipe = 0; recipe < 2000; recipe++) {
  const lines = Array.from({ length: 2 + Math.floor(random() * 6) }, () => ({
    food: foods[Math.floor(random() * foods.length)],
    grams: 20 + random() * 900,
  }));
  const capped = candidates.map(({ ndb, cap }) => ({
    food: byNdb.get(ndb) ?? pure.get(ndb),
    cap: cap * (0.2 + 3 * random()),
  }));
  const programme = programmeOf(lines, capped, nutrients, profiles[recipe % profiles.length], '4-9-4');
  const exact = leastSum(programme) ?? leastRelaxed(programme).grams;
  if (exact.every((mass, index) => mass <= capped[index].cap)) ended++;
}
console.log(`${ended} of 2000 ended within their caps`);
