import { register } from 'node:module';
import { entry, timeEach } from './measure.mjs';

register('../scripts/typescript.mjs', import.meta.url);
const { scheduleTasks } = await import('../src/core/cook/schedule.ts');
const { helpFor } = await import('../src/core/heat/remedies.ts');

/** Ten loads in three vessels with their prep: sixty tasks. */
const sixty = Array.from({ length: 10 }, (_, load) => {
  const within = { vessel: `vessel ${load % 3}`, load: `load ${load}` };
  return [
    { key: `peel ${load}`, minutes: 5 + load, hands: 1, after: [] },
    { key: `dice ${load}`, minutes: 3 + load, hands: 1, after: [] },
    {
      key: `fill ${load}`,
      minutes: 3,
      hands: 1,
      in: within,
      after: [{ key: `peel ${load}` }, { key: `dice ${load}` }],
    },
    { key: `cook ${load}`, minutes: 30 + load, hands: 0, in: within, after: [{ key: `fill ${load}`, most: 0 }] },
    { key: `core ${load}`, minutes: 1, hands: 1, in: within, after: [{ key: `cook ${load}`, most: 10 }] },
    { key: `pour ${load}`, minutes: 4, hands: 1, in: within, after: [{ key: `core ${load}` }] },
  ];
}).flat();

const RUNS = Array.from({ length: 15 }, (_, run) => run);

/** A cook day of sixty tasks is placed, and all that helps a cooling pan is worked out. */
export async function cookDay() {
  return [
    entry('schedule-60', `${sixty.length} tasks`, await timeEach(RUNS, () => scheduleTasks(sixty, 1))),
    entry(
      'pan-simulation',
      '6 remedies with their curves',
      await timeEach(RUNS, (run) => helpFor({ where: 'counter', ambient: 20, depth: 4 + run / 10 }, 57, 21, 150)),
    ),
  ];
}
