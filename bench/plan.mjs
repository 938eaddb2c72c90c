import { readFileSync } from 'node:fs';
import { register } from 'node:module';
import Papa from 'papaparse';
import { entry, timeEach } from './measure.mjs';

register('../scripts/typescript.mjs', import.meta.url);
const { readFoodRow } = await import('../src/core/food/rows.ts');
const { workOutPlan } = await import('../src/core/plan/result');
const { inputsOf } = await import('../tests/fixtures/plans.ts');
const { plainBatch, plainPlan } = await import('../src/core/plan/plan-entry.ts');

const TODAY = '2026-11-25';
const csv = (name) => Papa.parse(readFileSync(`data/${name}`, 'utf8'), { header: true, skipEmptyLines: true }).data;
const foods = csv('food-composition.csv').map(readFoodRow);
const measures = new Map();
for (const row of csv('food-measures.csv')) {
  const own = measures.get(row.ndb) ?? [];
  own.push({ amount: Number(row.amount), unit: row.unit, grams: Number(row.grams) });
  measures.set(row.ndb, own);
}
const PARTS = ['muscle', 'carbohydrate', 'vegetable', 'fruit', 'fat'];
const BASES = ['batch', 'batch', 'batch', 'dog and day', 'finished food', 'animal protein', 'load'];

/** A recipe of thirty lines of all bases, out of foods of the table; the first line is meat of the batch. */
const recipe = (id) => ({
  id,
  name: `Recipe ${id}`,
  mark: { word: 'goat', hatch: 'dots' },
  components: [{ name: 'pot', minutes: 40 }],
  cupGrams: 240,
  pots: [0.86, 0.9],
  uncounted: [],
  protein: { word: 'goat', hatch: 'dots' },
  learned: [],
  written: Array.from({ length: 30 }, (_, index) => {
    const food =
      index === 0 ? foods.find(({ ndb }) => ndb === '17343') : foods[(id * 997 + index * 131) % foods.length];
    const basis = index === 0 ? 'batch' : BASES[index % BASES.length];
    const mass = basis === 'batch' ? (index === 0 ? 5000 : 120) : 5;
    return {
      text: food.name,
      grams: mass,
      quantity: { kind: 'mass', grams: mass, low: mass, high: mass },
      source: { food, measures: measures.get(food.ndb) ?? [] },
      part: index === 0 ? 'muscle' : PARTS[index % PARTS.length],
      moment: 'cook',
      basis,
      ...(basis === 'finished food' || basis === 'animal protein' ? { per: { amount: 1000 } } : {}),
      refuse: 0,
      strained: false,
      state: 'raw',
    };
  }),
});

const SLOTS = [
  { id: 1, name: 'breakfast', clock: '07:30' },
  { id: 2, name: 'supper', clock: '18:00' },
];
const dog = (id) => ({
  id,
  name: `Dog ${id}`,
  badge: id,
  avoids: [],
  vetNotes: [],
  birthDate: '2022-05-01',
  neutered: true,
  litters: [],
  weighIns: [{ date: TODAY, grams: 6000 + id * 3000 }],
  rations: [{ from: TODAY, work: 'none', proneToGain: false, method: { kind: 'table' }, extras: [] }],
  slots: SLOTS,
  bowlLines: [],
});
// What a plan stands on besides is as the tests have it: a field that is new stands there first.
const inputs = {
  ...inputsOf(),
  today: TODAY,
  tomorrow: '2026-11-26',
  recipes: [1, 2, 3].map(recipe),
  dogs: Array.from({ length: 8 }, (_, index) => dog(index + 1)),
  equipment: [
    { id: 1, kind: 'pot', name: 'pot', millilitres: 12_000, count: 1 },
    { id: 2, kind: 'container', name: 'tub', grams: 450, count: 48 },
  ],
  freezer: { capacity: 60_000, used: 0 },
};

/** A whole plan worked out anew in core: three recipes of thirty lines for eight dogs; `size` is lines × dogs. */
export async function planRecompute() {
  const batches = inputs.recipes.map(({ id }) => plainBatch(id));
  const dogIds = inputs.dogs.map(({ id }) => id);
  let grams = 20_000;
  const work = () => {
    grams += 10;
    const plan = plainPlan(1, dogIds, TODAY, { batches, binding: { by: 'amount', amount: `${grams} g` } });
    const answer = workOutPlan(inputs, plan);
    if (!answer.ok) throw new Error(answer.problem.message);
  };
  await timeEach(Array(60), work);
  return [entry('plan-recompute', 90 * 8, await timeEach(Array(200), work))];
}

/** From a key pressed in the plan's sentence to the repainted total, in Chromium; `size` is the number of keys. */
export async function planKeystroke(address) {
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/plan`, { waitUntil: 'networkidle' });
    const ask = (days) =>
      page.evaluate(async (typed) => {
        const field = document.querySelector('input[aria-label="Days"]');
        const total = [...document.querySelectorAll('section[aria-labelledby="bindings"] li')][1];
        const before = total.textContent;
        const painted = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
        const start = performance.now();
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, typed);
        field.dispatchEvent(new Event('input', { bubbles: true }));
        do await painted();
        while (total.textContent === before && performance.now() - start < 5000);
        if (total.textContent === before) throw new Error(`nothing changed at ${typed} days`);
        return performance.now() - start;
      }, String(days));
    const times = [];
    for (let days = 8; days < 33; days++) times.push(await ask(days));
    return [entry('plan-keystroke', 20, times.slice(-20))];
  } finally {
    await browser.close();
  }
}
