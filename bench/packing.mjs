import { register } from 'node:module';
import { entry, timeEach } from './measure.mjs';

register('../scripts/typescript.mjs', import.meta.url);
const { fillUnits } = await import('../src/core/portion/pack-plan.ts');
const { packsFor } = await import('../src/core/portion/packs.ts');

/** Five dogs on forty days, two meals a day: 200 dog-days. */
const days = Array.from({ length: 40 }, (_, day) =>
  [980, 301, 640, 455, 120].map((grams, dogId) => ({ dogId, day, grams, meals: [grams * 0.55, grams * 0.45] })),
).flat();
const grams = Math.round(days.reduce((sum, day) => sum + day.grams, 0));
const containers = [
  { name: 'large', grams: 950, count: 90 },
  { name: 'middle', grams: 450, count: 120 },
  { name: 'small', grams: 212, count: 60 },
];
const RUNS = Array.from({ length: 15 }, (_, run) => run);

/** A pot is cut into two hundred packs, and into the containers that leave the least short pack. */
export async function packing() {
  const cut = (plan) => {
    const units = fillUnits(plan, { grams, days, gramsPerMl: 0.96, containers });
    if (!units.ok) throw new Error(units.problem.message);
    return packsFor(grams, units.value);
  };
  return [
    entry('divide-200', `${days.length} dog-days`, await timeEach(RUNS, () => cut({ by: 'dog and day' }))),
    entry(
      'divide-containers',
      'the least short of 270',
      await timeEach(RUNS, () => cut({ by: 'containers', aim: 'least short' })),
    ),
  ];
}
