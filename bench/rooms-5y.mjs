// The rooms on a house of five years and on one of half a year: the whole answer, the queries alone, and the ratio.
import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { feedAnswers } from './feed-answer.mjs';
import { fiveYears } from './five-years.mjs';
import { withServer } from './house.mjs';
import { entry, timeEach } from './measure.mjs';

const PATHS = {
  'today-5y': '/',
  'store-5y': '/store',
  'plan-5y': '/plan',
  'dog-5y': '/dogs/1',
  'batches-5y': '/batches',
};
const RUNS = 25;
const round = (value) => Number(value.toFixed(2));

async function measured(demo, part) {
  const folder = mkdtempSync(join(tmpdir(), 'hodman-5y-'));
  try {
    cpSync(join(demo, 'pg'), join(folder, 'pg'), { recursive: true });
    await fiveYears(folder, part);
    const inside = JSON.parse(
      execFileSync(
        process.execPath,
        ['--conditions=react-server', '--import', './bench/register.mjs', 'bench/house-5y.mjs', folder],
        { maxBuffer: 1e8 },
      ).toString(),
    );
    const answers = await withServer(folder, 'scripts/start.mjs', async (address) => {
      const times = {};
      for (const [name, path] of Object.entries(PATHS)) {
        const ask = async () => void (await (await fetch(address + path)).arrayBuffer());
        await timeEach(Array(5), ask);
        times[name] = await timeEach(Array(RUNS), ask);
      }
      return times;
    });
    // At supper, so that no press asks whether it was now.
    const supper = { HODMAN_NOW: `${new Date().toISOString().slice(0, 10)}T17:05:00Z` };
    const feeding = await withServer(folder, 'scripts/start.mjs', feedAnswers, supper);
    return { inside, answers, feeding };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** `ratio` is the room's work beside its bare queries; `growth` beside the same with a tenth of the history. */
export async function roomsOfFiveYears(demo) {
  const whole = await measured(demo, 1);
  const tenth = await measured(demo, 0.1);
  const rooms = Object.keys(PATHS).map((name) => {
    const { queries, bare, work } = whole.inside[name];
    const own = entry(name, queries, whole.answers[name]);
    const before = entry(name, queries, tenth.answers[name]);
    return { ...own, ratio: round(work / bare), growth: round(own.median_ms / before.median_ms) };
  });
  const commands = ['ahead-8-weeks', 'feed-5y', 'feed-committed', 'feed-synced', 'seal-60'].flatMap((name) => {
    const of = whole.inside[name];
    if (!of) return [];
    return [
      {
        name,
        size: of.queries,
        median_ms: round(of.work),
        p95_ms: round(of.work),
        ...(of.bare ? { ratio: round(of.work / of.bare) } : {}),
        growth: round(of.work / tenth.inside[name].work),
      },
    ];
  });
  const feeding = entry('feed-answer-5y', 8, whole.feeding);
  const before = entry('feed-answer-5y', 8, tenth.feeding);
  return [...rooms, ...commands, { ...feeding, growth: round(feeding.median_ms / before.median_ms) }];
}
