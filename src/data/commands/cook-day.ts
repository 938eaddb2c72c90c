import 'server-only';
import type { BatchState } from '@/core/batch/fold';
import type { NewReading } from '@/core/batch/reading';
import { yieldAt } from '@/core/batch/apart';
import { asksOf, type CookAct } from '@/core/batch/steps/cook';
import { standing } from '@/core/standing';
import { countOf } from '@/core/quantity/count-words';
import { writeTemperature } from '@/core/quantity/temperature';
import { isAtLeast } from '@/core/heat/rule-degrees';
import { HEATED_AGAIN } from '@/core/heat/cooling-words';
import { AROUND, inSentence, type Where } from '@/core/heat/pans';
import { pansAsked } from '@/core/heat/warm-pans';
import { readAmbient, readReadings } from '../repositories/readings';
import { atClock } from './at-clock';
import { batchIn, observe, observed, refreshBatch } from './batch-at-hand';
import { refuse, type Context } from './run';

type OnStove = Exclude<BatchState, { state: 'planned' }> & { readonly id: number };

/** Longer than a slow cooker runs (common practice, no source). */
const MOST_MINUTES = 24 * 60;
const MINUTE = 60_000;
/** How deep a pan may be, in cm. */
const DEPTH = { least: 0.5, most: 40 };

/**
 * Writes down what happened on a cook day. The same task pressed on two devices is done once: the second press finds it
 * done and changes nothing.
 */
export async function cookBatch(context: Context, input: { batchId: number; of: CookAct }): Promise<void> {
  const found = await batchIn(context, input, ['cooking', 'weighed']);
  const readings = await readingsOf(context, found, input.of);
  if (readings.length === 0) return;
  await observe(context, input.batchId, readings);
  await refreshBatch(context, input.batchId);
}

async function readingsOf(context: Context, found: OnStove, of: CookAct): Promise<NewReading[]> {
  switch (of.act) {
    case 'done':
      return done(context, found, of.key);
    case 'skip': {
      const task = taskOf(found, of.key);
      if (task.state === 'done' || task.state === 'skipped') return [];
      if (task.kind === 'core' && task.in) return goesOn(found, task.in.load, of.why);
      return [{ node: `task:${of.key}`, kind: 'skipped', text: of.why }];
    }
    case 'take back':
      return takeBack(found, of.key);
    case 'timer':
      return setTimer(context, found, of.key, of.minutes);
    case 'core':
      loadOf(found, of.load);
      return [
        {
          node: nodeOf('load', of.load),
          kind: 'temperature',
          value: of.celsius,
          at: timeOf(context, found, of.clock),
          ...by(of),
        },
      ];
    case 'by time':
      loadOf(found, of.load);
      return [{ node: nodeOf('load', of.load), kind: 'count', value: of.on ? 1 : 0 }];
    case 'log':
      return logged(context, found, of);
    case 'go on':
      return goesOn(found, of.load, of.why);
    case 'hands':
      return found.day.hands === of.hands ? [] : [{ node: 'batch', kind: 'count', value: of.hands }];
    case 'lot':
      if (!found.takes[of.line]) refuse('This line is not here any more. Look again.');
      return [{ node: `line:${of.line}`, kind: 'note', text: of.lot || 'not known' }];
    case 'frozen': {
      const take = found.takes[of.line];
      if (!take) return refuse('This line is not here any more. Look again.');
      if ((take.frozen === true) === of.on) return [];
      return [{ node: `line:${of.line}`, kind: 'frozen', value: of.on ? 1 : 0 }];
    }
    case 'own': {
      const place = found.day.tasks.filter((task) => task.kind === 'own').length + 1;
      return [{ node: `own:${place}`, kind: 'note', text: of.title }];
    }
    case 'pan':
      return panReading(context, found, of);
    case 'where':
      loadOf(found, of.load);
      return [await standsNow(context, of.load, of.where, of.celsius), ...panTimer(of)];
    case 'heat again':
      return heatAgain(context, found, of);
    case 'depth':
      loadOf(found, of.load);
      if (!(of.cm >= DEPTH.least && of.cm <= DEPTH.most))
        refuse(`How deep is it in the pan? From ${DEPTH.least} to ${DEPTH.most} cm.`, 'cm');
      return [{ node: nodeOf('pan', of.load), kind: 'depth', value: of.cm }, ...panTimer(of)];
    case 'look at pan':
      loadOf(found, of.load);
      return panTimer(of);
    case 'keep':
      loadOf(found, of.load);
      return [{ node: nodeOf('pan', of.load), kind: 'skipped', text: of.why }];
    case 'strike': {
      const of_ = standing(await readReadings(context.tx, found.id)).find((each) => each.id === of.readingId);
      if (!of_ || (of_.kind !== 'temperature' && of_.kind !== 'note' && of_.kind !== 'skipped')) return [];
      return [{ node: of_.node, kind: 'struck', takesBack: of_.id, text: of.why }];
    }
    case 'stir in':
      return stirIn(context, found, of);
    case 'leave out': {
      if (!found.day.stirIns.some((each) => each.line === of.line)) return refuse(GONE);
      return [
        { node: `task:stir.${of.line}`, kind: 'task done', text: `left out: ${of.why}` },
        { node: `line:${of.line}`, kind: 'gross', value: 0 },
      ];
    }
  }
}

const by = ({ instrument }: { readonly instrument?: string | undefined }) => (instrument ? { instrument } : {});

const GONE = 'This is not here any more. Look again.';

const nodeOf = <Kind extends 'load' | 'pan'>(kind: Kind, key: string) =>
  `${kind}:${key}` as `${Kind}:${number}.${number}`;

const taskOf = (found: OnStove, key: string) => found.day.tasks.find((task) => task.key === key) ?? refuse(GONE);
const loadOf = (found: OnStove, key: string) => found.day.loads.find((load) => load.key === key) ?? refuse(GONE);

/** A load goes on without a passed check, with the reason. */
function goesOn(found: OnStove, load: string, why: string): NewReading[] {
  loadOf(found, load);
  const open = found.day.tasks.some((task) => task.key === `core.${load}` && task.state === 'open');
  return [
    { node: nodeOf('load', load), kind: 'note', text: why },
    ...(open ? [{ node: `task:core.${load}`, kind: 'skipped', text: why } as const] : []),
  ];
}

/** A task is done, and what cooks by itself after it begins: its timer is this recipe's own. */
async function done(context: Context, found: OnStove, key: string): Promise<NewReading[]> {
  const task = taskOf(found, key);
  if (task.state === 'done' || task.state === 'skipped') return [];
  if (task.kind === 'core') refuse('Measure the core, or say why it goes on without.', 'core');
  const missing = task.after
    .map((each) => found.day.tasks.find((other) => other.key === each.key))
    .filter((other) => other && other.state !== 'done' && other.state !== 'skipped' && other.kind === 'core');
  // Food is not poured away from a check that nobody made.
  if (missing.length > 0) refuse('Its core was not measured yet: measure it, or say why it goes on without.', 'core');
  const next = found.day.tasks.filter(
    (other) =>
      other.hands === 0 && other.state === 'open' && other.after.some((each) => each.key === key && each.most === 0),
  );
  const poured = task.kind === 'pour' && task.in ? [await standsNow(context, task.in.load, 'counter')] : [];
  return [
    { node: `task:${key}`, kind: 'task done' },
    ...poured,
    ...next.map((other): NewReading => ({ node: `task:${other.key}`, kind: 'timer', value: other.minutes })),
  ];
}

/** What was done or left out is open again; a timer that it began runs on until it is stopped. */
async function takeBack(found: OnStove, key: string): Promise<NewReading[]> {
  const task = taskOf(found, key);
  if (task.state !== 'done' && task.state !== 'skipped') return [];
  if (task.kind === 'core' && found.state === 'weighed' && found.shares.length > 0)
    refuse('The pot was divided by this core. Measure again instead: the last one holds.', 'core');
  const node =
    task.kind === 'core' && task.in && task.state === 'done' ? nodeOf('load', task.in.load) : (`task:${key}` as const);
  return [{ node, kind: 'struck', takesBack: task.readingId, text: 'not done yet' }];
}

/** Sets a timer, or makes a running one longer or shorter: it still counts from when it began. */
async function setTimer(context: Context, found: OnStove, key: string, minutes: number): Promise<NewReading[]> {
  const task = taskOf(found, key);
  if (task.hands > 0) refuse('This is done by hand: it has no timer.', 'minutes');
  if (!(minutes >= 1 && minutes <= MOST_MINUTES) || !Number.isFinite(minutes))
    refuse('A timer runs from 1 minute to 24 hours.', 'minutes');
  if (task.state === 'done' || task.state === 'skipped') return refuse('This is over already. Look again.');
  const before = (await observed(context, found.id)).of(`task:${key}`, 'timer');
  const at = before?.at ?? context.now;
  return [{ node: `task:${key}`, kind: 'timer', value: minutes, at }];
}

/** When something was measured: now, or at a clock of the last day since cooking began. */
const timeOf = (context: Context, found: OnStove, clock: string | undefined): Date =>
  atClock(context, clock, found.startedAt, 'cooking began');

/** A pan stands somewhere from now on: at what is said, or at what it was there the last time in this kitchen. */
async function standsNow({ tx }: Context, load: string, where: Where, celsius?: number): Promise<NewReading> {
  const value = celsius ?? (await readAmbient(tx, where)) ?? AROUND[where].celsius;
  return { node: nodeOf('pan', load), kind: 'note', text: where, value };
}

/** The timer of what was begun to help a pan. */
const panTimer = ({ load, minutes }: { readonly load: string; readonly minutes?: number | undefined }): NewReading[] =>
  minutes === undefined ? [] : [{ node: nodeOf('pan', load), kind: 'timer', value: Math.round(minutes) }];

/** What missed 21 °C is heated through and cools a second time, and not a third. */
function heatAgain(
  { household }: Context,
  found: OnStove,
  { load, celsius }: Extract<CookAct, { act: 'heat again' }>,
): NewReading[] {
  const pan = found.pans.find((each) => each.key === load) ?? refuse(GONE);
  if (pan.again) refuse('It was heated again once already: the rules ask to throw it away.', 'celsius');
  if (!isAtLeast(celsius, HEATED_AGAIN))
    refuse(`It is heated to ${writeTemperature(HEATED_AGAIN, household.unitSet)} before it cools again.`, 'celsius');
  return [{ node: nodeOf('pan', load), kind: 'task done', value: celsius }];
}

/** The readings of a probe's log: each at its time, all of them or none. */
function logged(
  context: Context,
  found: OnStove,
  { load, of, points }: Extract<CookAct, { act: 'log' }>,
): NewReading[] {
  loadOf(found, load);
  const timed = points.map(({ time, celsius }) => ({ celsius, at: timeOfLog(context, found, time) }));
  if (timed.some((point, index) => index > 0 && point.at <= (timed[index - 1]?.at ?? point.at)))
    refuse('Its times run backwards. Sort it, or cut it there.', 'log');
  return timed.map(({ celsius, at }) => ({
    node: nodeOf(of, load),
    kind: 'temperature',
    value: celsius,
    at,
    instrument: 'log',
  }));
}

function timeOfLog(context: Context, found: OnStove, time: string): Date {
  if (/^\d{1,2}:\d{2}/.test(time)) {
    const [, clock = time, seconds = '0'] = /^(\d{1,2}:\d{2})(?::(\d{2}))?/.exec(time) ?? [];
    return new Date(timeOf(context, found, clock).getTime() + Number(seconds) * 1000);
  }
  const at = new Date(time);
  if (Number.isNaN(at.getTime()) || at > context.now || at.getTime() < found.startedAt.getTime() - MINUTE)
    return refuse(`${time} is not in this cook day. Check the times of the log.`, 'log');
  return at;
}

function panReading(
  context: Context,
  found: OnStove,
  { load, celsius, clock, instrument }: Extract<CookAct, { act: 'pan' }>,
): NewReading[] {
  loadOf(found, load);
  const at = timeOf(context, found, clock);
  const pan = found.pans.find((each) => each.key === load);
  if (pan?.readings.some((each) => each.at.getTime() === at.getTime()))
    refuse('There is a reading of this minute already. Measure again in a few minutes.', 'clock');
  return [{ node: nodeOf('pan', load), kind: 'temperature', value: celsius, at, ...by({ instrument }) }];
}

/** Something is stirred in: in the weight of the pot already, or on top of it. */
async function stirIn(
  context: Context,
  found: OnStove,
  { line, grams, when }: Extract<CookAct, { act: 'stir in' }>,
): Promise<NewReading[]> {
  const own = found.day.stirIns.find((each) => each.line === line) ?? refuse(GONE);
  if (own.done) return [];
  if (!(grams > 0)) refuse('How much of it went in? A weight above 0.', 'grams');
  const readings: NewReading[] = [{ node: `task:stir.${line}`, kind: 'task done', value: grams }];
  if (Math.abs(grams - own.grams) >= 0.05) readings.push({ node: `line:${line}`, kind: 'gross', value: grams });
  if (when === 'before weighing' || found.state !== 'weighed') return readings;
  const take = found.takes[line];
  const place = found.apart && take ? yieldAt(found.apart, take, line) : undefined;
  const pot = found.yields.find((each) => each.weighing.by === 'scale' && each.place === (place ?? each.place));
  if (!pot) return readings;
  const nodes = (await observed(context, found.id))
    .nodes('vessel')
    .filter((node) => node.startsWith(`vessel:${pot.place}.`));
  const next = Math.max(-1, ...nodes.map((node) => Number(node.split('.')[1]))) + 1;
  return [
    ...readings,
    { node: `vessel:${pot.place}.${next}`, kind: 'gross', value: grams, text: `${own.name}, stirred in` },
    { node: `vessel:${pot.place}.${next}`, kind: 'tare', value: 0 },
  ];
}

/** Refuses to seal what nobody can say how warm it is. */
export function needsCold(found: Pick<Extract<BatchState, { state: 'weighed' }>, 'pans'>, now: Date): void {
  const [pan, ...others] = pansAsked(found.pans, now);
  if (pan)
    refuse(
      `How warm is ${inSentence(pan)} by now${others.length > 0 ? `, and ${countOf(others.length, 'other pan')}` : ''}? Measure once more, or say that you did not.`,
      'asks',
    );
}

/** Refuses to divide what is not proven hot enough, what still lacks what is stirred in, or what nobody can say how warm it is. */
export function needsNothing(found: Extract<BatchState, { state: 'weighed' }>, now: Date): void {
  const { heat, stirIns } = asksOf(found, now);
  const [load] = heat;
  if (load)
    refuse(
      `${heat.length > 1 ? countOf(heat.length, 'core') : 'The core'} of ${load.name} was not measured hot enough: measure it, or say why it goes on.`,
      'asks',
    );
  const [forgotten] = stirIns;
  if (forgotten) refuse(`${forgotten.name} is not in yet: stir it in, or say why it is left out.`, 'asks');
  needsCold(found, now);
}
