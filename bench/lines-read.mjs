import { readFileSync } from 'node:fs';
import { register } from 'node:module';
import Papa from 'papaparse';
import { entry } from './measure.mjs';

register('../scripts/typescript.mjs', import.meta.url);
const { readFoodRow } = await import('../src/core/food/rows.ts');
const { addCounts } = await import('../src/core/food/counts.ts');
const { foldWords } = await import('../src/core/food/fold.ts');
const { indexPhrases, readPhrase } = await import('../src/core/food/kitchen-words.ts');
const { indexFoods } = await import('../src/core/food/search.ts');
const { readFoundLine } = await import('../src/core/recipe/found-line.ts');

const csv = (path) => Papa.parse(readFileSync(path, 'utf8'), { header: true, skipEmptyLines: true }).data;
const foods = csv('data/food-composition.csv').map(readFoodRow);
const measures = new Map();
for (const row of csv('data/food-measures.csv'))
  measures.set(row.ndb, [
    ...(measures.get(row.ndb) ?? []),
    { amount: Number(row.amount), unit: row.unit, grams: Number(row.grams) },
  ]);
addCounts(measures, csv('data/kitchen-counts.csv'));
const byNdb = new Map(foods.map((food) => [food.ndb, food]));
const words = indexPhrases(
  csv('data/kitchen-words.csv').map(readPhrase),
  foods.flatMap(({ name }) => foldWords(name)),
);
const index = indexFoods(foods, words);
const knownOf = (key) => byNdb.get(key) && { food: byNdb.get(key), measures: measures.get(key) ?? [] };

/** Three percent: what a table's measure and a printed ounce may differ by. */
const TOLERANCE = 0.03;

/** Our own two hundred lines, read in a household of each set: what was read right, weighed right, and wrong in silence. */
export function linesRead(report = () => {}) {
  const lines = csv('tests/fixtures/kitchen-lines.csv');
  return ['us', 'metric'].map((set) => {
    const reader = { set, words, index, own: [], named: [], knownOf };
    const times = [];
    const count = { clear: 0, right: 0, weighable: 0, weighed: 0, silent: 0, unclear: 0, asked: 0 };
    for (const { line, kind, food, us_g, metric_g } of lines) {
      const start = performance.now();
      const read = readFoundLine(line, reader);
      times.push(performance.now() - start);
      const wanted = food === '' ? [] : food.split('|');
      const right = wanted.includes(read.entry.ndb);
      const asksFood = read.asks?.some(({ about }) => about !== 'amount') ?? false;
      if (kind === 'clear') {
        count.clear++;
        if (right && !asksFood) count.right++;
        else
          report(
            `${set} ${right ? 'ASKED' : 'FOOD'} ${line} -> ${read.known?.food.name ?? 'words'} ${JSON.stringify(read.asks)}`,
          );
      } else {
        count.unclear++;
        if (asksFood || read.entry.words) count.asked++;
        else report(`${set} SILENT ${kind} ${line} -> ${read.known?.food.name}`);
      }
      if (!read.entry.words && !right && !asksFood) count.silent++;
      const grams = Number(set === 'us' ? us_g : metric_g);
      if (us_g !== '') {
        count.weighable++;
        if (read.grams !== null && Math.abs(read.grams / grams - 1) <= TOLERANCE) count.weighed++;
        else report(`${set} GRAMS ${line} -> ${read.grams} not ${grams} (${read.entry.amount})`);
      }
    }
    const percent = (part, whole) => Number(((part / whole) * 100).toFixed(1));
    return {
      ...entry(`lines-read-${set}`, lines.length, times),
      food_right_percent: percent(count.right, count.clear),
      grams_right_percent: percent(count.weighed, count.weighable),
      silently_wrong_percent: percent(count.silent, lines.length),
      unclear_asked_percent: percent(count.asked, count.unclear),
    };
  });
}
