import { rmSync } from 'node:fs';
import { register } from 'node:module';
import { seeded } from './random.mjs';
import { roomsDown } from './rooms.mjs';
import { actionIds, ask, startOnClock } from './server.mjs';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const START = Date.parse('2026-11-25T12:00:00Z');
const [FRIDGE, FREEZER] = [1, 2];
const daysFrom = (from, to) => Math.round((Date.parse(to) - Date.parse(from)) / DAY);
const dayIn = new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/Oslo' });

/** The rows of the file of packs by their codes. */
async function packsOf({ address }) {
  const [head, ...rows] = (await (await fetch(`${address}/api/stock/packs`)).text()).trim().split('\n');
  const names = head.split(',');
  // A quoted cell is no figure that is looked at here.
  const cells = (row) => row.match(/("([^"]|"")*"|[^,]*)(,|$)/g).map((cell) => cell.replace(/,$/, ''));
  return new Map(
    rows.map((row) => {
      const own = Object.fromEntries(cells(row).map((cell, index) => [names[index], cell]));
      return [own.code, own];
    }),
  );
}

/**
 * A careless cook at the counter: blocked packs are fed, parted, mixed and moved, thawed food is frozen again and again, a pot is sealed whose core
 * nobody measured. Whatever is pressed, no pack has more days than it had, nothing that is blocked or past its day is fed, and
 * no pack of an unproven pot goes unmarked.
 */
export async function attack(count, seed) {
  const random = seeded(seed);
  const ids = actionIds();
  const { server, folder, set, now } = await startOnClock(START);
  const broke = [];
  let [tried, done, refused] = [0, 0, 0];
  const gives = async (name, input) => {
    const answer = await ask(server, ids.get(name), `careless-${tried}-${done}-${refused}-${name}`, input);
    if (answer.status >= 500) broke.push(`careless ${tried}: ${name} answers ${answer.status}`);
    if (answer.done) done += 1;
    else refused += 1;
    return answer;
  };
  const known = new Map();
  const idOf = async (code) => {
    if (known.has(code)) return known.get(code);
    const page = await (await fetch(`${server.address}/p/${encodeURIComponent(code)}`)).text();
    const id = Number(/\\?"holdingId\\?":(\d+)/.exec(page)?.[1]);
    known.set(code, id);
    return id;
  };
  const feed = (holdingId, grams) =>
    gives('feedExtra', { dogId: 1 + random.below(3), parts: [{ holdingId, grams }], takesOff: false });
  /** Codes that somebody blocked, and what was parted from them or mixed with them. */
  const blocked = new Set();
  /** Days that a pack would still keep in the fridge, the fewest that were ever shown. */
  const left = new Map();
  /** Until when it is at its best in the freezer: frozen again it gains no months. */
  const best = new Map();
  const look = async (after) => {
    const today = dayIn.format(now());
    const packs = await packsOf(server);
    for (const [code, { place, safe_until: safe, best_by: by, blocked: isBlocked }] of packs) {
      const isFrozen = /freezer/i.test(place);
      if (safe !== '' && !isFrozen) {
        const days = daysFrom(today, safe);
        if (days > (left.get(code) ?? Infinity))
          broke.push(`careless ${tried}: ${code} keeps ${days} days after ${after}, ${left.get(code)} before`);
        left.set(code, Math.min(days, left.get(code) ?? Infinity));
      }
      if (by !== '' && isFrozen && by > (best.get(code) ?? '9'))
        broke.push(`careless ${tried}: ${code} is best by ${by} after ${after}, ${best.get(code)} before`);
      if (by !== '' && isFrozen) best.set(code, by);
      if (blocked.has(code) && isBlocked !== 'yes')
        broke.push(`careless ${tried}: ${code} is blocked no more after ${after}`);
    }
    return packs;
  };
  let packs = await look('nothing');
  const PRESSES = {
    block: async (code, id) => {
      if ((await gives('sayOfPacks', { holdingIds: [id], is: 'blocked', why: 'smells' })).done) blocked.add(code);
    },
    'feed what is blocked': async () => {
      const code = random.pick([...blocked]);
      if (code === undefined || !packs.has(code)) return;
      if ((await feed(await idOf(code), 20)).done) broke.push(`careless ${tried}: ${code} is blocked and was fed`);
    },
    'feed what is past': async () => {
      const today = dayIn.format(now());
      const past = [...packs.values()].filter(({ safe_until: safe }) => safe !== '' && safe < today);
      if (past.length === 0) return;
      const { code } = random.pick(past);
      if ((await feed(await idOf(code), 20)).done) broke.push(`careless ${tried}: ${code} is past its day and was fed`);
    },
    part: async (code, id) => {
      const answer = await gives('splitPack', { holdingId: id, grams: 20 + random.below(80) });
      const made = /"code":"([^"]+)"/.exec(answer.said)?.[1];
      if (!answer.done || made === undefined) return;
      if (blocked.has(code)) blocked.add(made);
      // What is of a pack has no more days than it.
      for (const of of [left, best]) if (of.has(code)) of.set(made, of.get(code));
    },
    mix: async (code, id) => {
      const other = random.pick([...packs.keys()]);
      const answer = await gives('mixPacks', {
        parts: [
          { holdingId: id, grams: 20 },
          { holdingId: await idOf(other), grams: 20 },
        ],
      });
      const made = /"code":"([^"]+)"/.exec(answer.said)?.[1];
      if (answer.done && made !== undefined && (blocked.has(code) || blocked.has(other))) blocked.add(made);
    },
    'into the freezer': (_, id) => gives('movePacks', { holdingIds: [id], placeId: FREEZER }),
    'out of the freezer': (_, id) => gives('movePacks', { holdingIds: [id], placeId: FRIDGE }),
    thaw: (_, id) => gives('sayOfPacks', { holdingIds: [id], is: 'thawed', why: 'left out' }),
    open: (_, id) => gives('sayOfPacks', { holdingIds: [id], is: 'opened' }),
    'weigh again': (_, id) => gives('correctPack', { holdingId: id, grams: 1 + random.below(900) }),
    feed: (_, id) => feed(id, 5 + random.below(60)),
    'a night goes by': async () => set(now() + (1 + random.below(20)) * HOUR),
  };
  for (; tried < count; tried++) {
    const press = random.pick(Object.keys(PRESSES));
    const code = random.pick([...packs.keys()]);
    await PRESSES[press](code, await idOf(code));
    packs = await look(`${press} ${code}`);
  }
  if (blocked.size === 0 || done < count / 4) broke.push('hardly anything was done: nothing was tried');
  const unproven = await sealUnproven(server, gives, dayIn.format(now()), broke);
  broke.push(...(await roomsDown(server)));
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
  return {
    tried,
    said: `${done} presses done, ${refused} refused, ${blocked.size} blocked, ${unproven} sealed of an unproven pot`,
    broke,
  };
}

/** Cooks a pot whose core nobody measures, and says in the end that it goes on without: how many marked packs came of it. */
async function sealUnproven(server, gives, today, broke) {
  register('../typescript.mjs', import.meta.url);
  const { plainPlan } = await import(new URL('../../src/core/plan/plan-entry.ts', import.meta.url).href);
  const entry = plainPlan(1, [1, 2], today, { binding: { days: '2' }, seen: ['oxalate', 'calcium-1', 'calcium-2'] });
  const planned = await gives('savePlan', { entry });
  const batchId = Number(/"batchIds":\[(\d+)/.exec(planned.said)?.[1]);
  const need = async (name, input) => {
    const answer = await gives(name, input);
    if (!answer.done) broke.push(`careless: ${name} was refused: ${answer.said.slice(0, 300)}`);
  };
  await need('startCooking', { batchId, grams: [1500, 450, 600, 150, 50, 1200, 57, 7] });
  await need('weighBatch', {
    batchId,
    weighing: { by: 'scale', vessels: [{ name: 'pot', gross: 5000, tare: 1400 }] },
    eatenBefore: 0,
  });
  const shares = { batchId, shares: [{ fate: 'fridge', grams: 3600 }] };
  if ((await gives('setShares', shares)).done) broke.push('careless: a pot was divided whose core nobody measured');
  for (const line of [4, 6, 7])
    await need('cookBatch', { batchId, of: { act: 'stir in', line, grams: 20, when: 'before weighing' } });
  if ((await gives('setShares', shares)).done)
    broke.push('careless: a pot was divided whose core nobody measured, with all stirred in');
  await need('cookBatch', { batchId, of: { act: 'core', load: '0.0', celsius: 52 } });
  if ((await gives('setShares', shares)).done) broke.push('careless: a pot was divided whose core was 52 °C');
  await need('cookBatch', { batchId, of: { act: 'go on', load: '0.0', why: 'no thermometer' } });
  // It went to the scale without a word of its cooling.
  if ((await gives('setShares', shares)).done)
    broke.push('careless: a pot was divided, and nobody asked how warm it is');
  await need('cookBatch', { batchId, of: { act: 'keep', load: '0.0', why: 'not measured while it cooled' } });
  await need('setShares', shares);
  const page = await (await fetch(`${server.address}/batches/${batchId}?step=pack`)).text();
  const shareId = Number(
    /\\?"id\\?":(\d+),\\?"fate\\?":\\?"fridge/.exec(page)?.[1] ?? /\\?"shareId\\?":(\d+)/.exec(page)?.[1],
  );
  const before = await packsOf(server);
  await need('sealShare', { batchId, shareId });
  const made = [...(await packsOf(server))].filter(([code]) => !before.has(code));
  if (made.length === 0) broke.push('careless: nothing was sealed');
  for (const [code, { unproven }] of made)
    if (unproven !== 'yes')
      broke.push(`careless: ${code} is of a pot whose core nobody measured, and says nothing of it`);
  return made.length;
}
