import fc from 'fast-check';
import type { CookedComponent } from '../batch/evidence';
import type { WeighedTake } from '../batch/observations';
import { observedIn, type NodeKey, type Reading, type ReadingKind } from '../batch/reading';
import type { Moment, Part } from '../recipe/recipe';
import { cookDayOf, isSafe, keptWarm, mayGoOn, orderOf } from './cook-day';
import { planDay, tasksAtHand } from './day-plan';
import { mayGoInFrozen } from './frozen';
import { loadMinutes } from './learned';
import { broughtBy, tasksOf } from './tasks';

// A stew in three loads of one pot, its grain in a pot of its own. Minutes are the recipe's own.
const take = (
  words: string,
  name: string,
  group: string,
  part: Part,
  grams: number,
  over: Partial<WeighedTake> = {},
  moment: Moment = 'cook',
): WeighedTake => ({
  name,
  words,
  planned: grams,
  weighed: grams,
  component: 0,
  parts: [{ text: words, food: { ndb: '0', name, group, per100: {} }, part, moment, share: 1 }],
  ...over,
});
const TAKES = [
  take('venison, minced', 'Game meat, deer, ground, raw', 'Lamb, veal and game', 'muscle', 3000),
  take('parsnips, diced', 'Parsnips, raw', 'Vegetables', 'vegetable', 1200),
  take('kale, chopped, last 10 min', 'Kale, raw', 'Vegetables', 'vegetable', 300),
  take('peas, frozen', 'Peas, green, raw', 'Vegetables', 'vegetable', 300, {}, 'off heat'),
  take('barley, rinsed', 'Barley, pearled, raw', 'Grains', 'carbohydrate', 900, { component: 1 }),
  take('calcium carbonate', 'Calcium carbonate', 'Supplements', 'supplement', 38, { perFinished: 0.005 }, 'stir-in'),
];
const COMPONENTS: CookedComponent[] = [
  { name: 'stew', loads: 3, minutes: 40, vessel: 'stockpot' },
  { name: 'grain', loads: 1, minutes: 30, vessel: 'saucepan' },
];
const START = new Date('2026-11-26T10:00:00Z');
const at = (minutes: number) => new Date(START.getTime() + minutes * 60_000);
let id = 0;
const reading = (node: NodeKey, kind: ReadingKind, minutes: number, over: Partial<Reading> = {}): Reading => ({
  id: ++id,
  node,
  kind,
  at: at(minutes),
  writtenAt: at(minutes),
  ...over,
});
const dayOf = (...readings: Reading[]) => cookDayOf(TAKES, COMPONENTS, observedIn(readings));
const loadOf = (day: ReturnType<typeof dayOf>, key: string) => day.loads.find((load) => load.key === key)!;
const plan = (day: ReturnType<typeof dayOf>, now: Date) => {
  const made = planDay(day, START, now);
  if (!made.ok) throw new Error(made.problem.message);
  return made.value;
};

test('tasks: what is cut is cut once, each load is filled with its third, and grain stands in its own pot', () => {
  const tasks = tasksOf(TAKES, COMPONENTS);
  expect(tasks.filter((task) => task.kind === 'take apart').map((task) => task.title)).toEqual([
    'Dice the parsnips',
    'Chop the kale',
    'Rinse the barley',
  ]);
  const fill = tasks.find((task) => task.key === 'fill.0.1')!;
  expect(fill.brings.map(({ name, grams }) => [name, grams])).toEqual([
    ['venison, minced', 1000],
    ['parsnips, diced', 400],
  ]);
  expect(tasks.find((task) => task.key === 'late.2.1')).toMatchObject({
    kind: 'add',
    after: [{ key: 'fill.0.1', least: 30, most: 33 }, { key: 'apart.2' }],
  });
  expect(tasks.find((task) => task.key === 'add.0.1')).toMatchObject({ after: [{ key: 'cook.0.1' }] });
  // The core is measured after everything raw; grain has none.
  expect(tasks.find((task) => task.key === 'core.0.1')!.after.map(({ key }) => key)).toEqual([
    'cook.0.1',
    'late.2.1',
    'add.0.1',
  ]);
  expect(tasks.some((task) => task.key.startsWith('core.1'))).toBe(false);
  // What is stirred in when it has cooled is no task of the stove.
  expect(tasks.flatMap((task) => task.brings).some(({ name }) => name === 'calcium carbonate')).toBe(false);
});

test('every gram that is cooked is brought into a load once (conservation)', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 3 }), (loads, vessels) => {
      const tasks = tasksOf(TAKES, [{ ...COMPONENTS[0]!, loads, vessels }, COMPONENTS[1]!]);
      const brought = tasks.filter((task) => task.kind === 'fill' || task.kind === 'add').map(broughtBy);
      expect(brought.reduce((sum, each) => sum + each, 0)).toBeCloseTo(3000 + 1200 + 300 + 300 + 900, 6);
    }),
  );
});

test('a pressure cooker is let off by itself; a pot whose minutes nobody knows says so', () => {
  const tasks = tasksOf(TAKES, [{ name: 'all', loads: 1, vessel: 'cooker', pressure: true }]);
  expect(tasks.find((task) => task.key === 'cook.0.0')).toMatchObject({ hands: 0, guessed: true });
  expect(tasks.find((task) => task.key === 'let off.0.0')).toMatchObject({ hands: 0, after: [{ key: 'cook.0.0' }] });
});

// Handbook 6: from frozen a pot cooks half as long again (common practice, no source); a slow cooker takes thawed meat (USDA).
test('meat that went in frozen: half as long again in its own vessel, said in the load and at the pot, and it teaches nothing', () => {
  const frozen = TAKES.map((each, line) => (line === 0 ? { ...each, frozen: true as const } : each));
  const tasks = tasksOf(frozen, COMPONENTS);
  const of = (key: string) => tasks.find((task) => task.key === key)!;
  expect([of('cook.0.0').minutes, of('cook.0.2').minutes, of('cook.1.0').minutes]).toEqual([60, 60, 30]);
  expect(of('cook.0.0')).toMatchObject({ frozen: true, note: expect.stringContaining('half as long again') });
  expect(of('cook.1.0')).not.toHaveProperty('frozen');
  expect(of('fill.0.0').brings.map(({ name }) => name)).toContain('venison, minced, frozen');
  // What goes in for the last ten minutes waits for the longer time.
  expect(of('late.2.0').after[0]).toMatchObject({ least: 50 });
  const inSlow = tasksOf(frozen, [
    { name: 'stew', loads: 1, minutes: 240, vessel: 'the old one', slow: true },
    COMPONENTS[1]!,
  ]);
  expect(inSlow.find(({ key }) => key === 'cook.0.0')!.note).toMatch(/Thaw meat first/);
  const done = [reading('task:cook.0.0', 'timer', 0, { value: 60 }), reading('task:cook.0.0', 'task done', 58)];
  expect(loadMinutes(cookDayOf(frozen, COMPONENTS, observedIn(done)), 0)).toEqual([]);
  expect(loadMinutes(dayOf(...done), 0)).toEqual([58]);
});

test('frozen matters of meat that cooks along: not of peas that are bought so, nor of what is stirred in', () => {
  const asked = TAKES.map(({ parts: [first] }) => mayGoInFrozen(first!));
  expect(asked).toEqual([true, false, false, false, false, false]);
});

test('a core before the last addition does not count; after it, it does; a reason goes on and is no proof', () => {
  const filled = reading('task:fill.0.0', 'task done', 20);
  const early = reading('load:0.0', 'temperature', 50, { value: 80 });
  const peas = reading('task:add.0.0', 'task done', 62);
  expect(loadOf(dayOf(filled, early), '0.0').verdict.is).toBe('proven');
  const day = dayOf(filled, early, peas);
  expect(loadOf(day, '0.0').verdict.is).toBe('before the last addition');
  expect(mayGoOn(loadOf(day, '0.0'))).toBe(false);
  expect(
    loadOf(dayOf(filled, early, peas, reading('load:0.0', 'temperature', 66, { value: 73 })), '0.0').verdict.is,
  ).toBe('proven');
  const reasoned = dayOf(filled, early, peas, reading('load:0.0', 'note', 66, { text: 'the probe is broken' }));
  expect(mayGoOn(loadOf(reasoned, '0.0'))).toBe(true);
  expect(isSafe(loadOf(reasoned, '0.0').verdict)).toBe(false);
});

test('a core that is too cold is kept, and its task stays open until it is proven', () => {
  const cold = reading('load:0.0', 'temperature', 50, { value: 66 });
  const core = (day: ReturnType<typeof dayOf>) => day.tasks.find((task) => task.key === 'core.0.0')!;
  expect(core(dayOf(cold)).state).toBe('open');
  const hot = reading('load:0.0', 'temperature', 60, { value: 74 });
  expect(core(dayOf(cold, hot))).toMatchObject({ state: 'done', at: at(60), readingId: hot.id });
  // Something raw went in since: it is open again.
  expect(core(dayOf(cold, hot, reading('task:add.0.0', 'task done', 70))).state).toBe('open');
});

test('meat that went in on the spot after the core was measured asks for another reading', () => {
  const core = reading('load:0.0', 'temperature', 50, { value: 80 });
  const more = reading(`line:${TAKES.length}`, 'gross', 55, { value: 200 });
  const takes = [...TAKES, take('more venison', 'Game meat, deer, ground, raw', 'Lamb, veal and game', 'muscle', 200)];
  const day = cookDayOf(takes, COMPONENTS, observedIn([core, more]), TAKES.length);
  expect(loadOf(day, '0.0').verdict.is).toBe('before the last addition');
  // The next day it is a correction of what is written down, and the reading stands.
  const pot = reading('vessel:0.0', 'gross', 90, { value: 5000 });
  const late = { ...more, id: ++id, at: at(1500) };
  const next = cookDayOf(takes, COMPONENTS, observedIn([core, pot, late]), TAKES.length);
  expect(loadOf(next, '0.0').verdict.is).toBe('proven');
});

test('the day is planned anew: a load that stands in the pot keeps it, and what slips moves the end', () => {
  const day = dayOf();
  const planned = plan(day, START);
  expect(planned.end).toEqual(planned.plannedEnd);
  expect(tasksAtHand(day, planned, START)[0]!.kind).toBe('take apart');
  const begun = dayOf(
    reading('task:apart.1', 'task done', 12),
    reading('task:fill.0.0', 'task done', 15),
    reading('task:cook.0.0', 'timer', 15, { value: 40 }),
  );
  const running = plan(begun, at(30));
  expect(running.times.find((time) => time.key === 'cook.0.0')).toMatchObject({ start: at(15), end: at(55) });
  // Rang at 55, and nobody came until 75: the day is so much longer.
  const slipped = plan(begun, at(75));
  expect(slipped.end.getTime() - running.end.getTime()).toBeGreaterThanOrEqual(15 * 60_000);
  expect(tasksAtHand(begun, slipped, at(75))[0]!.key).toBe('cook.0.0');
  const starts = (key: string) => slipped.times.find((time) => time.key === key)!.start.getTime();
  expect(starts('fill.0.1')).toBeGreaterThanOrEqual(starts('pour.0.0'));
  expect(tasksAtHand(begun, slipped, at(75)).some((task) => task.key === 'fill.0.1')).toBe(false);
});

test('the order of the last time comes again where it costs no time; the cook’s own day says it for the next', () => {
  const cut = TAKES.map((each) => each.words);
  const first = dayOf(
    reading('task:apart.2', 'task done', 3),
    reading('task:apart.4', 'task done', 6),
    reading('task:apart.1', 'task done', 12),
  );
  expect(orderOf(first)).toEqual(['Chop the kale', 'Rinse the barley', 'Dice the parsnips']);
  const again = cookDayOf(TAKES, COMPONENTS, observedIn([]), cut.length, [...orderOf(first), 'Peel the forgotten']);
  const free = plan(dayOf(), START);
  const usual = plan(again, START);
  const starts = (key: string) => usual.times.find((time) => time.key === key)!.start.getTime();
  expect(usual.end.getTime()).toBeLessThanOrEqual(START.getTime() + (free.end.getTime() - START.getTime()) * 1.03);
  // Either the usual order is kept whole, or it would have cost time and the free one stands.
  const kept = starts('apart.2') <= starts('apart.4') && starts('apart.4') <= starts('apart.1');
  expect(kept || JSON.stringify(usual.times) === JSON.stringify(free.times)).toBe(true);
  const two = [TAKES[0]!, TAKES[1]!, take('carrots, sliced', 'Carrots, raw', 'Vegetables', 'vegetable', 1200)];
  const in_ = (...order: string[]) =>
    plan(cookDayOf(two, [COMPONENTS[0]!], observedIn([]), 3, order), START)
      .times.filter(({ key }) => key.startsWith('apart'))
      .sort((a, b) => a.start.getTime() - b.start.getTime())
      .map(({ key }) => key);
  expect(in_('Slice the carrots', 'Dice the parsnips')).toEqual(['apart.2', 'apart.1']);
  expect(in_('Dice the parsnips', 'Slice the carrots')).toEqual(['apart.1', 'apart.2']);
});

test('what is off the heat and not poured is kept warm, counted from when it came off', () => {
  const begun = [
    reading('task:fill.0.0', 'task done', 15),
    reading('task:cook.0.0', 'timer', 15, { value: 40 }),
    reading('task:cook.0.0', 'task done', 56),
  ];
  expect(keptWarm(dayOf(...begun))).toEqual([{ key: '0.0', name: 'stew, load 1 of 3', since: at(56) }]);
  expect(keptWarm(dayOf(...begun, reading('task:pour.0.0', 'task done', 70)))).toEqual([]);
  expect(keptWarm(dayOf(...begun.slice(0, 2)))).toEqual([]);
});

test('under pressure nothing waits: it is kept warm from when the cooker was let off', () => {
  const cooker = [{ ...COMPONENTS[0]!, loads: 1, pressure: true as const }];
  const begun = [
    reading('task:fill.0.0', 'task done', 15),
    reading('task:cook.0.0', 'timer', 15, { value: 40 }),
    reading('task:cook.0.0', 'task done', 55),
  ];
  const of = (...more: Reading[]) => keptWarm(cookDayOf(TAKES, cooker, observedIn([...begun, ...more])));
  expect(of(reading('task:let off.0.0', 'timer', 55, { value: 15 }))).toEqual([]);
  expect(of(reading('task:let off.0.0', 'task done', 70))).toMatchObject([{ since: at(70) }]);
});

test('struck out, a reading leaves the day as it would have been without it (property)', () => {
  const kinds = ['apart.1', 'fill.0.0', 'cook.0.0', 'add.0.0', 'core.0.0', 'pour.0.0'];
  fc.assert(
    fc.property(fc.uniqueArray(fc.constantFrom(...kinds), { minLength: 1 }), fc.nat(), (keys, which) => {
      const made = keys.map((key, index) => reading(`task:${key}`, 'task done', index));
      const struck = made[which % made.length]!;
      const with_ = dayOf(...made, reading(struck.node, 'struck', 99, { takesBack: struck.id }));
      expect(with_).toEqual(dayOf(...made.filter((each) => each !== struck)));
    }),
  );
});
