import { sharesOf } from '@/core/portion/shares';
import type { CommandResult } from '@/core/problem';
import { eq } from 'drizzle-orm';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, weighedBatch, weighedExample } from '../fixtures/worked-path';
import { readCycle, readCyclesOf, readPastCycles, runningOf } from '../repositories/cycles';
import { cycleEvent } from '../schema/household';
import { readReadings } from '../repositories/readings';
import { cookBatch } from './cook-day';
import { cycleAct, loadCycle, splitLoads } from './cycles';
import { saveEquipment } from './kitchen';
import { setShares } from './shares';
import { saveTrays, sayHowDried } from './trays';
import { weeksDryers } from '../weeks/dryers';

const problemOf = (answer: CommandResult<unknown>) => (answer.ok ? undefined : answer.problems[0]);
let house: TestHouse;
let batchId: number;
let shareId: number;
let machineId: number;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T10:00:00Z');
  const ids = await plannedExample(house, '2026-11-25');
  batchId = ids.batchId;
  await weighedExample(house, ids);
  const entry = {
    kind: 'freeze-dryer' as const,
    name: 'dryer',
    size: '1 kg',
    count: '2',
    dividers: '1',
    tare: '600 g',
  };
  machineId = valueOf(await house.run((context) => saveEquipment(context, { entry }))).id;
  const shares = sharesOf({ today: 0, fridge: 310, freezer: 0, dry: 2000 });
  valueOf(await house.run((context) => setShares(context, { batchId, shares })));
  shareId = (await dryShare()).id;
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const dryShare = async () => (await weighedBatch(house, batchId)).shares.find((each) => each.fate === 'dry')!;
const wet = (...gross: number[]) =>
  house.run((context) =>
    saveTrays(context, { batchId, shareId, trays: gross.map((wetGross) => ({ tare: 600, wetGross })) }),
  );
const load = (...slots: number[]) => house.run((context) => loadCycle(context, { batchId, shareId, machineId, slots }));
const act = (cycleId: number, of: Parameters<typeof cycleAct>[1]['of']) =>
  house.run((context) => cycleAct(context, { cycleId, of }));

test('trays go into a machine, and its limits are named where they are passed; nothing is half-stored', async () => {
  expect(problemOf(await load(1))?.field).toBe('slots');
  valueOf(await wet(1600, 1600));
  expect(problemOf(await load(1, 3))).toMatchObject({
    field: 'slots.1',
    message: expect.stringMatching(/has 2 trays/),
  });
  expect(problemOf(await load(1, 1))).toMatchObject({
    field: 'slots.1',
    message: expect.stringMatching(/it takes 1000 g/),
  });
  expect((await dryShare()).trays.every(({ cycleId }) => cycleId === undefined)).toBe(true);
  const { cycleId } = valueOf(await load(1, 2));
  expect((await dryShare()).trays.map(({ slot }) => slot)).toEqual([1, 2]);
  // The same trays are not put in twice.
  expect(problemOf(await load(1, 2))?.message).toMatch(/lie in a machine already/);
  // And out again where that was a slip.
  valueOf(await act(cycleId, { act: 'not loaded' }));
  expect((await dryShare()).trays.every(({ cycleId: own }) => own === undefined)).toBe(true);
  expect(runningOf(await readCyclesOf(house.db, machineId), (await house.context()).now)).toBeUndefined();
});

test('the weeks count on a full machine from when it is free; what was loaded today is of today’s pots', async () => {
  const dryer = async () => {
    const { reference, household, now } = await house.context();
    return (await weeksDryers({ db: house.db, reference, household }, now))[0]!;
  };
  // Two trays of a kilogram; common practice says 20 to 50 h, and 3 h between two loads. Six months are no shorter than 168 days.
  expect(await dryer()).toMatchObject({ method: 'freeze-dried', grams: 2000, hours: 38, freeIn: 0, keepsDays: 6 * 28 });
  valueOf(await wet(1600, 1600));
  valueOf(await load(1, 2));
  expect((await dryer()).freeIn).toBe(0);
  house.setNow('2026-11-26T10:00:00Z');
  expect((await dryer()).freeIn).toBeCloseTo(35 - 24, 1);
});

test('two parts share a divided tray up to what it takes', async () => {
  valueOf(await wet(1100, 1100, 1600));
  valueOf(await load(1, 1, 2));
  expect((await dryShare()).trays.map(({ slot }) => slot)).toEqual([1, 1, 2]);
});

test('a power cut in mid-cycle is looked at before it runs again, and what is struck out did not happen', async () => {
  valueOf(await wet(1600, 1600));
  const { cycleId } = valueOf(await load(1, 2));
  house.setNow('2026-11-25T20:00:00Z');
  valueOf(await act(cycleId, { act: 'power cut', clock: '18:00' }));
  expect(problemOf(await act(cycleId, { act: 'ended' }))?.message).toMatch(/without power/);
  expect(problemOf(await act(cycleId, { act: 'power back', clock: '' }))).toMatchObject({ field: 'like' });
  expect(problemOf(await act(cycleId, { act: 'power back', clock: '17:00' }))).toMatchObject({ field: 'clock' });
  valueOf(await act(cycleId, { act: 'power back', clock: '', like: 'ice' }));
  expect(problemOf(await act(cycleId, { act: 'energy', kwh: 9500 }))).toMatchObject({ field: 'kwh' });
  valueOf(await act(cycleId, { act: 'energy', kwh: 9.5 }));
  house.setNow('2026-11-26T20:00:00Z');
  expect(problemOf(await act(cycleId, { act: 'ended', hours: 4000 }))).toMatchObject({ field: 'hours' });
  valueOf(await act(cycleId, { act: 'ended' }));
  const trays = [
    { tare: 600, wetGross: 1600, dryGross: 910 },
    { tare: 600, wetGross: 1600, dryGross: 912 },
  ];
  valueOf(await house.run((context) => saveTrays(context, { batchId, shareId, trays })));
  const cycles = await readCyclesOf(house.db, machineId);
  // 34 h in it, 2 or 3 of them without power by the clock of the household; the water is what left the trays.
  const [past] = await readPastCycles(house.db, cycles, '4-9-4', (await house.context()).now);
  expect(past).toMatchObject({ water: 1378, energy: 9.5 });
  expect(past!.hours).toBeLessThan(34);
  const ended = (await readCycle(house.db, cycleId))!.events.find(({ kind }) => kind === 'ended')!;
  valueOf(await act(cycleId, { act: 'strike', eventId: ended.id }));
  expect(runningOf(await readCyclesOf(house.db, machineId), (await house.context()).now)?.cycle.id).toBe(cycleId);
  expect(problemOf(await act(cycleId, { act: 'not loaded' }))?.message).toMatch(/weighed dry/);
  await expect(house.db.delete(cycleEvent).where(eq(cycleEvent.id, ended.id))).rejects.toThrow();
});

test('a machine’s log ends its cycle with its own hours, also those without power', async () => {
  valueOf(await wet(1600, 1600));
  const { cycleId } = valueOf(await load(1, 2));
  const log = { act: 'log' as const, hours: 30, kwh: 21.3, cuts: [{ from: 5, to: 9 }] };
  expect(problemOf(await act(cycleId, log))).toMatchObject({ field: 'like' });
  valueOf(await act(cycleId, { ...log, like: 'ice' }));
  const found = (await readCycle(house.db, cycleId))!;
  expect(found.events.map(({ kind }) => kind)).toEqual(['power cut', 'power back', 'energy', 'ended']);
});

test('a share is divided into loads that wait; nothing of it is lost', async () => {
  const split = (...loads: { grams: number; days: number; waitsIn?: 'fridge' | 'freezer' }[]) =>
    house.run((context) => splitLoads(context, { batchId, shareId, loads }));
  expect(problemOf(await split({ grams: 1000, days: 0 }, { grams: 900, days: 2 }))).toMatchObject({ field: 'loads' });
  valueOf(await split({ grams: 1000, days: 0 }, { grams: 1000, days: 2, waitsIn: 'fridge' }));
  const shares = (await weighedBatch(house, batchId)).shares.filter(({ fate }) => fate === 'dry');
  expect(shares.map(({ grams, loadDay, waitsIn }) => [grams, loadDay, waitsIn])).toEqual([
    [1000, undefined, undefined],
    [1000, '2026-11-27', 'fridge'],
  ]);
});

test('raw meat is not put into warm air before its core was hot, or somebody says why', async () => {
  const entry = { kind: 'dehydrator' as const, name: 'warm', size: '1 kg', count: '4' };
  const warm = valueOf(await house.run((context) => saveEquipment(context, { entry }))).id;
  const shares = (await weighedBatch(house, batchId)).shares.map(({ id, fate, grams }) => ({
    id,
    fate,
    grams,
    ...(fate === 'dry' ? { method: 'dehydrated' as const } : {}),
  }));
  valueOf(await house.run((context) => setShares(context, { batchId, shares })));
  valueOf(await wet(1600));
  const into = () =>
    house.run((context) => loadCycle(context, { batchId, shareId, machineId: warm, slots: [1], celsius: 57 }));
  const heat = (of: Parameters<typeof sayHowDried>[1]['of']) =>
    house.run((context) => sayHowDried(context, { batchId, shareId, of }));
  // Its pot was measured at 76 °C: struck out, nothing proves it any more.
  const [core] = (await readReadings(house.db, batchId)).filter(({ kind }) => kind === 'temperature');
  const of = { act: 'strike' as const, readingId: core!.id, why: 'the probe lay on the bottom' };
  valueOf(await house.run((context) => cookBatch(context, { batchId, of })));
  expect(problemOf(await into())).toMatchObject({ field: 'heat', message: expect.stringMatching(/71 °C/) });
  valueOf(await heat({ what: 'heat', celsius: 66 }));
  expect(problemOf(await into())).toMatchObject({ field: 'heat' });
  valueOf(await heat({ what: 'heat', celsius: 72 }));
  valueOf(await into());
});
