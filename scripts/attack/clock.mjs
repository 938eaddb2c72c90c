import { rmSync } from 'node:fs';
import { seeded } from './random.mjs';
import { roomsDown } from './rooms.mjs';
import { actionIds, ask, startOnClock } from './server.mjs';

const HOUR = 3_600_000;
const START = Date.parse('2026-11-25T12:00:00Z');
const DAY = 24 * HOUR;
/** So far the clock goes on with every try, so that there is always a day that was not said to be right. */
const ONWARD = 4 * DAY;

/** Instants near one at which days and clocks change in Oslo: midnight in winter, the beginning and the end of summer time. */
function edgesNear(instant) {
  const year = new Date(instant).getUTCFullYear();
  const lastSunday = (month) => {
    const last = new Date(Date.UTC(year, month + 1, 0));
    return last.getTime() - last.getUTCDay() * DAY + HOUR;
  };
  const edges = [lastSunday(2), lastSunday(9)].filter((at) => Math.abs(at - instant) < 40 * DAY);
  return [...edges, Math.floor(instant / DAY) * DAY + 23 * HOUR].flatMap((at) => [at - 1000, at]);
}
/** Something that always comes in. */
const FOUND = {
  came: 'found',
  key: '04582',
  name: 'oil',
  entry: { amount: '500 g', price: '', date: '', is: 'best', code: '', kind: 'pantry', placeId: 3 },
};
const dayIn = new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/Oslo' });

/**
 * The clock jumps: ahead, back, to the edges of days. A day before the newest one writes nothing until the clock was said to be
 * right, every other day does, and no room goes down.
 */
export async function attack(count, seed) {
  const random = seeded(seed);
  const ids = actionIds();
  const { server, folder, set, now } = await startOnClock(START);
  const broke = [];
  let newest = dayIn.format(START);
  let said;
  let refused = 0;
  let written = 0;
  let tried = 0;
  const gives = async (name, input) => ask(server, ids.get(name), `clock-${tried}-${name}`, input);
  for (; tried < count; tried++) {
    const about = START + tried * ONWARD + (random.below(60) - 30) * DAY + random.below(24) * HOUR;
    set(random.chance(0.3) ? random.pick(edgesNear(about)) : about);
    const today = dayIn.format(now());
    if (random.chance(0.2)) {
      const right = await gives('clockIsRight', {});
      if (!right.done) broke.push(`clock ${tried}: could not be said to be right: ${right.said.slice(0, 200)}`);
      said = newest;
    }
    const isBack = today < newest && (said === undefined || newest > said);
    const move = random.chance(0.5)
      ? await gives('movePacks', { holdingIds: [1 + random.below(90)], placeId: 1 + random.below(3) })
      : await gives('receiveLot', FOUND);
    if (move.status >= 500) broke.push(`clock ${tried}: ${move.status} on ${today}`);
    if (move.done && isBack) broke.push(`clock ${tried}: ${today} was written before ${newest}, and nobody was asked`);
    if (move.said.includes('Is the clock right?')) {
      refused += 1;
      if (!isBack) broke.push(`clock ${tried}: asked on ${today}, though the newest is ${newest}`);
    }
    if (move.done) {
      written += 1;
      if (today > newest) newest = today;
    }
    if (tried % 10 === 9) broke.push(...(await roomsDown(server)).map((down) => `clock ${tried}, ${today}: ${down}`));
  }
  if (written === 0 || refused === 0) broke.push(`${written} written and ${refused} refused: not enough was tried`);
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
  return { tried, said: `${written} written, ${refused} asked about`, broke };
}
