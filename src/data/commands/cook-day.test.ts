import { ringsAt, type TaskState } from '@/core/cook/cook-day';
import { sharesOf } from '@/core/portion/shares';
import { grams } from '@/core/quantity/units';
import { stretchNow } from '@/core/heat/pans';
import type { CookAct } from '@/core/batch/steps/cook';
import { freshHouse, valueOf, type TestHouse } from '../fixtures/database';
import { answerAsks, plannedExample, planOne, SEEN, weighedBatch } from '../fixtures/worked-path';
import { readBatch } from '../repositories/batches';
import { readReadings, readTares } from '../repositories/readings';
import { readLearned } from '../repositories/pots';
import { readLatestVersion } from '../repositories/recipes';
import { readStock } from '../repositories/stock';
import { correctLine, weighBatch } from './batches';
import { startCooking } from './start-batch';
import { cookBatch } from './cook-day';
import { addAvoid } from './keeping';
import { writeNextTime } from './next-time';
import { sealShare } from './packs';
import { setShares } from './shares';

const TODAY = '2026-11-25';
let house: TestHouse;
let ids: Awaited<ReturnType<typeof plannedExample>>;

beforeAll(async () => {
  house = await freshHouse(`${TODAY}T10:00:00Z`);
  ids = await plannedExample(house, TODAY);
  const version = await readLatestVersion(house.db, house.reference, ids.recipeId);
  const went = version!.lines.map((line) => line.grams);
  valueOf(
    await house.run((context) => startCooking(context, { batchId: ids.batchId, grams: went, lots: ['D 2291', ''] })),
  );
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const clock = (at: string) => house.setNow(`${TODAY}T${at}:00Z`);
const act = (of: CookAct) => house.run((context) => cookBatch(context, { batchId: ids.batchId, of }));
async function batch() {
  const found = await readBatch(house.db, ids.batchId, '4-9-4');
  if (!found || found.state === 'planned') throw new Error('it is on the stove');
  return found;
}
const task = async (key: string): Promise<TaskState> => (await batch()).day.tasks.find((each) => each.key === key)!;
const refusal = async (of: CookAct) => {
  const answer = await act(of);
  return answer.ok ? undefined : answer.problems[0]!.message;
};
const weigh = () =>
  house.run((context) =>
    weighBatch(context, {
      batchId: ids.batchId,
      weighing: { by: 'scale', vessels: [{ name: 'pot', gross: grams(3550), tare: grams(1240) }] },
      eatenBefore: 0,
    }),
  );
const divide = () =>
  house.run((context) =>
    setShares(context, { batchId: ids.batchId, shares: sharesOf({ today: 0, fridge: 2310, freezer: 0, dry: 0 }) }),
  );

test('a pot that is on starts its recipe’s own timer; longer and shorter it still counts from when it was on', async () => {
  clock('10:20');
  valueOf(await act({ act: 'done', key: 'fill.0.0' }));
  const on = await task('cook.0.0');
  if (on.state !== 'running') throw new Error('it runs');
  const minutes = on.minutes;
  expect(ringsAt(on.timer)).toEqual(new Date(new Date(`${TODAY}T10:20:00Z`).getTime() + minutes * 60_000));
  clock('10:30');
  valueOf(await act({ act: 'timer', key: 'cook.0.0', minutes: minutes + 5 }));
  const longer = await task('cook.0.0');
  expect(longer.state === 'running' && longer.timer).toEqual({
    startedAt: new Date(`${TODAY}T10:20:00Z`),
    minutes: minutes + 5,
  });
  for (const wrong of [0, -5, 10_000, NaN, Infinity])
    expect(await refusal({ act: 'timer', key: 'cook.0.0', minutes: wrong })).toBe(
      'A timer runs from 1 minute to 24 hours.',
    );
  expect(await refusal({ act: 'timer', key: 'fill.0.0', minutes: 5 })).toMatch(/by hand/);
});

test('the same task pressed on two devices is done once, and can be taken back', async () => {
  clock('10:20');
  valueOf(await act({ act: 'done', key: 'fill.0.0' }));
  const count = (await readReadings(house.db, ids.batchId)).length;
  clock('10:21');
  valueOf(await act({ act: 'done', key: 'fill.0.0' }));
  expect((await readReadings(house.db, ids.batchId)).length).toBe(count);
  valueOf(await act({ act: 'take back', key: 'fill.0.0' }));
  expect((await task('fill.0.0')).state).toBe('open');
  // It stays to be seen: struck out, not gone.
  expect((await readReadings(house.db, ids.batchId)).length).toBe(count + 1);
});

test('nothing is poured, and nothing divided, that was not proven; a reason goes on, and its packs are marked', async () => {
  expect(await refusal({ act: 'done', key: 'core.0.0' })).toMatch(/Measure the core/);
  expect(await refusal({ act: 'done', key: 'pour.0.0' })).toMatch(/was not measured yet/);
  clock('11:00');
  valueOf(await act({ act: 'core', load: '0.0', celsius: 66 }));
  valueOf(await weigh());
  const refused = await divide();
  expect(refused.ok ? '' : refused.problems[0]!.message).toMatch(/not measured hot enough/);
  valueOf(await act({ act: 'go on', load: '0.0', why: 'the probe is broken' }));
  const still = await divide();
  // The core is settled; the oil is not in yet.
  expect(still.ok ? '' : still.problems[0]!.message).toMatch(/is not in yet/);
  const [oil] = (await batch()).day.stirIns;
  valueOf(await act({ act: 'stir in', line: oil!.line, grams: oil!.grams, when: 'before weighing' }));
  // It went to the scale without a word of its cooling: how warm it is by now is asked all the same.
  const unread = await divide();
  expect(unread.ok ? '' : unread.problems[0]!.message).toMatch(/How warm is the pot by now\?/);
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 5 }));
  valueOf(await divide());
  const [share] = (await weighedBatch(house, ids.batchId)).shares;
  valueOf(await house.run((context) => sealShare(context, { batchId: ids.batchId, shareId: share!.id })));
  expect((await readStock(house.db)).every((pack) => pack.unproven)).toBe(true);
  // Measured all the same a little later: the mark is gone wherever it was.
  valueOf(await act({ act: 'core', load: '0.0', celsius: 75 }));
  expect((await readStock(house.db)).some((pack) => pack.unproven)).toBe(false);
  // The pot was divided by it: it is not simply taken away again.
  expect(await refusal({ act: 'take back', key: 'core.0.0' })).toMatch(/Measure again instead/);
});

test('what is stirred in after weighing is in the yield; left out, it is in neither energy nor weight', async () => {
  valueOf(await act({ act: 'core', load: '0.0', celsius: 75 }));
  valueOf(await weigh());
  const before = await weighedBatch(house, ids.batchId);
  const [oil] = before.day.stirIns;
  expect(before.yield.net).toBeCloseTo(2310, 6);
  valueOf(await act({ act: 'stir in', line: oil!.line, grams: 20, when: 'now' }));
  const after = await weighedBatch(house, ids.batchId);
  expect(after.yield.net).toBeCloseTo(2330, 6);
  // 5 g of oil more than the 15 that were weighed out: 9 kcal each (handbook 3).
  expect(after.yield.kcal - before.yield.kcal).toBeCloseTo(5 * 9, 0);
  valueOf(await act({ act: 'stir in', line: oil!.line, grams: 20, when: 'now' }));
  expect((await weighedBatch(house, ids.batchId)).yield.net).toBeCloseTo(2330, 6);
});

test('left out on purpose, a line is not in the batch', async () => {
  const [oil] = (await batch()).day.stirIns;
  valueOf(await act({ act: 'leave out', line: oil!.line, why: 'none in the cupboard' }));
  expect((await batch()).lines.some((line) => line.moment === 'stir-in')).toBe(false);
  expect((await batch()).day.stirIns.every((each) => each.done)).toBe(true);
});

test('times of a pan: not still to come, not before it was cooked, not twice; past midnight it was yesterday', async () => {
  valueOf(await act({ act: 'core', load: '0.0', celsius: 75 }));
  clock('11:00');
  valueOf(await act({ act: 'done', key: 'pour.0.0' }));
  // The household is an hour east of Greenwich: its clock shows 12:10.
  clock('11:10');
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 60 }));
  expect(await refusal({ act: 'pan', load: '0.0', celsius: 59 })).toMatch(/of this minute already/);
  expect(await refusal({ act: 'pan', load: '0.0', celsius: 50, clock: '13:30' })).toBe(
    'That is still to come. Check the time.',
  );
  expect(await refusal({ act: 'pan', load: '0.0', celsius: 50, clock: '9:15' })).toMatch(/before cooking began/);
  expect(await refusal({ act: 'pan', load: '0.0', celsius: 50, clock: '25:00' })).toMatch(/time of the clock/);
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 63, clock: '12:05' }));
  house.setNow('2026-11-25T23:20:00Z');
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 9, clock: '23:50' }));
  const [pan] = (await batch()).pans;
  expect(pan!.readings.map((reading) => [reading.celsius, reading.at.toISOString().slice(11, 16)])).toEqual([
    [63, '11:05'],
    [60, '11:10'],
    [9, '22:50'],
  ]);
  valueOf(await act({ act: 'strike', readingId: pan!.readings[0]!.id, why: 'read wrongly' }));
  expect((await batch()).pans[0]!.readings).toHaveLength(2);
});

test('after the clock was changed a timer rings when its minutes are over', async () => {
  // Summer time ends at 01:00Z on 25 October: the household's 02:30 comes twice.
  const late = await freshHouse('2026-10-25T00:00:00Z');
  const own = await plannedExample(late, '2026-10-25');
  const version = await readLatestVersion(late.db, late.reference, own.recipeId);
  const run = (of: CookAct) => late.run((context) => cookBatch(context, { batchId: own.batchId, of }));
  valueOf(
    await late.run((context) =>
      startCooking(context, { batchId: own.batchId, grams: version!.lines.map((line) => line.grams) }),
    ),
  );
  late.setNow('2026-10-25T00:30:00Z');
  valueOf(await run({ act: 'done', key: 'fill.0.0' }));
  valueOf(await run({ act: 'timer', key: 'cook.0.0', minutes: 90 }));
  const found = await readBatch(late.db, own.batchId, '4-9-4');
  const cook = found?.state === 'cooking' ? found.day.tasks.find((each) => each.key === 'cook.0.0') : undefined;
  expect(cook?.state === 'running' && ringsAt(cook.timer).toISOString()).toBe('2026-10-25T02:00:00.000Z');
  late.setNow('2026-10-25T02:10:00Z');
  valueOf(await late.run((context) => answerAsks(context, own.batchId)));
});

test('what the day taught goes into the recipe’s next version: the minutes that it took, and the cook’s words', async () => {
  clock('10:10');
  valueOf(await act({ act: 'done', key: 'fill.0.0' }));
  clock('11:02');
  valueOf(await act({ act: 'done', key: 'cook.0.0' }));
  const before = await readLatestVersion(house.db, house.reference, ids.recipeId);
  const answer = valueOf(
    await house.run((context) =>
      writeNextTime(context, { batchId: ids.batchId, minutes: [{ component: 0, minutes: 52 }], note: 'less water' }),
    ),
  );
  const after = await readLatestVersion(house.db, house.reference, ids.recipeId);
  expect(after).toMatchObject({ number: before!.number + 1, note: 'less water', components: [{ minutes: 52 }] });
  expect(answer.number).toBe(after!.number);
  expect(after!.lines.map((line) => line.grams)).toEqual(before!.lines.map((line) => line.grams));
});

test('a vessel’s empty weight is known by its name from the last time it was weighed', async () => {
  valueOf(await weigh());
  expect(await readTares(house.db)).toEqual([{ name: 'pot', tare: 1240 }]);
  clock('12:00');
  valueOf(
    await house.run((context) =>
      weighBatch(context, {
        batchId: ids.batchId,
        weighing: {
          by: 'scale',
          vessels: [
            { name: 'pot', gross: grams(2000), tare: grams(1238) },
            { name: 'bowl', gross: grams(1700), tare: grams(300) },
          ],
        },
        eatenBefore: 0,
      }),
    ),
  );
  expect(await readTares(house.db)).toEqual([
    { name: 'bowl', tare: 300 },
    { name: 'pot', tare: 1238 },
  ]);
});

test('the log of a probe is read in whole or not at all, each reading at its time', async () => {
  clock('11:30');
  const log = (...points: (readonly [string, number])[]): CookAct => ({
    act: 'log',
    load: '0.0',
    of: 'load',
    points: points.map(([time, celsius]) => ({ time, celsius })),
  });
  // The household's clock is an hour ahead: 12:00 is 11:00Z.
  expect(await refusal(log(['12:00', 60], ['13:30', 70]))).toMatch(/still to come/);
  expect(await refusal(log(['12:10', 60], ['12:00', 70]))).toMatch(/run backwards/);
  expect(await refusal(log(['2026-11-24T12:00:00Z', 60], ['2026-11-24T12:10:00Z', 70]))).toMatch(
    /not in this cook day/,
  );
  expect((await batch()).day.loads[0]!.readings).toHaveLength(0);
  valueOf(await act(log(['12:00', 55], ['12:10:30', 66], ['12:20', 72])));
  const [load] = (await batch()).day.loads;
  expect(load!.readings.map(({ celsius, at }) => [celsius, at.toISOString().slice(11, 19)])).toEqual([
    [55, '11:00:00'],
    [66, '11:10:30'],
    [72, '11:20:00'],
  ]);
  expect(load!.verdict.is).toBe('proven');
});

test('a lot is kept with its line, also where the weight is put right; another food is not of that lot', async () => {
  const lotOf = async (line: number) => (await batch()).takes[line]!.lot;
  expect(await lotOf(0)).toBe('D 2291');
  valueOf(await act({ act: 'lot', line: 1, lot: 'best by 3 Dec' }));
  const right = (line: number, mass: number, ndb?: string) =>
    house.run((context) => correctLine(context, { batchId: ids.batchId, line, grams: mass, ...(ndb ? { ndb } : {}) }));
  valueOf(await right(1, 310));
  expect(await lotOf(1)).toBe('best by 3 Dec');
  valueOf(await right(1, 320, '20004'));
  expect(await lotOf(1)).toBeUndefined();
  expect(await refusal({ act: 'lot', line: 99, lot: 'x' })).toMatch(/not here any more/);
});

test('what is taken instead is checked before it goes in: what hurts any dog, and what this one does not get', async () => {
  const instead = (ndb: string) =>
    house.run((context) => correctLine(context, { batchId: ids.batchId, line: 2, grams: 400, ndb }));
  // 11282: onions, raw; 11695: tomatoes are no hazard.
  const onion = valueOf(await instead('11282'));
  expect(onion.notFor).toMatchObject([{ stops: true, dogs: ['Test'] }]);
  expect(onion.notFor![0]!.said).toMatch(/onion/i);
  expect(valueOf(await instead('11124')).notFor).toBeUndefined();
  valueOf(
    await house.run((context) =>
      addAvoid(context, {
        dogId: ids.dogId,
        entry: { what: { kind: 'food', ndb: '11124' }, reason: 'reaction', tryAgainOn: '', note: '' },
      }),
    ),
  );
  expect(valueOf(await instead('11124')).notFor).toMatchObject([
    { said: expect.stringMatching(/carrot.*reaction/i), dogs: ['Test'] },
  ]);
});

test('the next cook day of a recipe begins in the order of the last one, and the plan knows its times', async () => {
  const took = (await batch()).day.tasks.filter((each) => each.kind === 'take apart').map((each) => each.key);
  expect(took.length).toBeGreaterThan(1);
  for (const [index, key] of [...took].reverse().entries()) {
    clock(`10:0${index + 1}`);
    valueOf(await act({ act: 'done', key }));
  }
  clock('10:20');
  valueOf(await act({ act: 'done', key: 'fill.0.0' }));
  clock('11:12');
  valueOf(await act({ act: 'done', key: 'cook.0.0' }));
  expect((await readLearned(house.db)).of(ids.recipeId)).toEqual([
    { cooked: [{ name: (await batch()).components[0]!.name, minutes: 52 }], cooled: [] },
  ]);
  const { batchId } = valueOf(
    await house.run((context) =>
      planOne(context, ids.recipeId, [ids.dogId], 5, { firstDay: '2026-11-30', seen: SEEN }),
    ),
  );
  const version = await readLatestVersion(house.db, house.reference, ids.recipeId);
  const went = version!.lines.map((line) => line.grams);
  valueOf(await house.run((context) => startCooking(context, { batchId, grams: went })));
  const next = await readBatch(house.db, batchId, '4-9-4');
  if (next?.state !== 'cooking') throw new Error('it is on the stove');
  expect(next.day.order).toEqual([...took].reverse());
});

test('how cold it is around a pan is remembered for the next pot; what missed 21 °C is heated again once', async () => {
  valueOf(await act({ act: 'core', load: '0.0', celsius: 75 }));
  clock('11:00');
  valueOf(await act({ act: 'done', key: 'pour.0.0' }));
  const pan = async () => (await batch()).pans[0]!;
  expect(stretchNow(await pan()).ambient).toBe(20);
  valueOf(await act({ act: 'where', load: '0.0', where: 'counter', celsius: 16 }));
  valueOf(await act({ act: 'where', load: '0.0', where: 'ice water' }));
  expect(stretchNow(await pan()).ambient).toBe(0);
  valueOf(await act({ act: 'where', load: '0.0', where: 'counter' }));
  expect(stretchNow(await pan()).ambient).toBe(16);
  clock('13:30');
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 30 }));
  expect(await refusal({ act: 'heat again', load: '0.0', celsius: 70 })).toMatch(/heated to 74 °C/);
  clock('13:50');
  valueOf(await act({ act: 'heat again', load: '0.0', celsius: 76 }));
  // Its clock begins anew, and what was read before is no part of it.
  expect(await pan()).toMatchObject({ again: true, readings: [], pouredAt: new Date(`${TODAY}T13:50:00Z`) });
  expect(await refusal({ act: 'heat again', load: '0.0', celsius: 76 })).toMatch(/once already/);
});

test('what goes in frozen is said when it is weighed out or later, cooks longer, and stays said when its weight is put right', async () => {
  const minutes = async () => (await task('cook.0.0')).minutes;
  const usual = await minutes();
  valueOf(await act({ act: 'frozen', line: 0, on: true }));
  expect(await minutes()).toBe(Math.round(usual * 1.5));
  const { revision, takes } = await batch();
  valueOf(
    await house.run((context) =>
      correctLine(context, { batchId: ids.batchId, revision, line: 0, grams: takes[0]!.weighed + 20 }),
    ),
  );
  expect((await batch()).takes[0]!.frozen).toBe(true);
  valueOf(await act({ act: 'frozen', line: 0, on: false }));
  expect(await minutes()).toBe(usual);
  expect(await refusal({ act: 'frozen', line: 99, on: true })).toMatch(/not here any more/);
  const { batchId } = valueOf(
    await house.run((context) => planOne(context, ids.recipeId, [ids.dogId], 2, { seen: SEEN })),
  );
  const went = takes.map(({ planned }) => Math.round(planned));
  valueOf(
    await house.run((context) =>
      startCooking(context, { batchId, grams: went, frozen: went.map((_, line) => line === 0) }),
    ),
  );
  const second = await readBatch(house.db, batchId, '4-9-4');
  if (!second || second.state === 'planned') throw new Error('it is on the stove');
  expect(second.day.tasks.find(({ key }) => key === 'cook.0.0')).toMatchObject({
    frozen: true,
    minutes: Math.round(usual * 1.5),
  });
});
