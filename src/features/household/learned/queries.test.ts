import type { Observation } from '@/core/learned/figure';
import { runCommand } from '@/data/commands/run';
import { freezeTime } from '@/core/preserve/freezing';
import { readFreezing } from '@/data/repositories/measured-here';
import { noteFrozen, strikeObservation, writeAgreedMinutes } from '@/data/commands/learned';
import { serve } from '@/data/fixtures/served';
import { readPots } from '@/data/repositories/pots';
import { readLatestVersion } from '@/data/repositories/recipes';
import { learnedView } from './queries';

const NOON = '2026-11-25T12:00:00Z';
let served: Awaited<ReturnType<typeof serve>>;
let presses = 0;

beforeAll(async () => {
  served = await serve(NOON, { demo: true });
});

const rows = async (group: string) => (await learnedView()).groups.find(({ title }) => title === group)!.rows;
const venison = async () => (await rows('Yields and vapour')).find(({ title }) => title.startsWith('Venison'))!;
const strike = (key: string, isStruck: boolean) =>
  runCommand({ ...served, now: new Date(NOON) }, { id: `strike-${++presses}`, kind: 'strike' }, (context) =>
    strikeObservation(context, { key, isStruck }),
  );

test('the boatyard’s yields are the mean of its weighed pots, beside what the table says', async () => {
  const row = await venison();
  expect(row.isTaken).toBe(true);
  expect(row.observations.map(({ value }) => Math.round(value))).toEqual([88, 86]);
  expect(row.figure.mean).toBeCloseTo(87, 0);
  // A lid keeps most water in: a tenth boils away (common practice, no source).
  expect(row.table!.value).toBeGreaterThan(85);
  const dryer = (await rows('Drying'))[0]!;
  expect(dryer.observations.length).toBe(dryer.figure.of);
});

test('struck out, a pot counts for no plan; counted again it does, and each twice is once', async () => {
  const before = await venison();
  const [first] = before.observations as readonly [Observation, ...Observation[]];
  const recipeId = (await readPots(served.db, [1, 2, 3])).keys().next().value!;
  const pots = async () => [...(await readPots(served.db, [1, 2, 3])).values()].flat().length;
  const all = await pots();
  await strike(first.key, true);
  await strike(first.key, true);
  const after = await venison();
  expect(after.observations.find(({ key }) => key === first.key)!.isStruck).toBe(true);
  expect([after.figure.of, await pots()]).toEqual([before.figure.of - 1, all - 1]);
  await strike(first.key, false);
  await strike(first.key, false);
  expect([await venison(), await pots()]).toEqual([before, all]);
  expect(recipeId).toBeGreaterThan(0);
});

test('minutes that the pots agree on are the recipe’s next version, for a vessel that it has', async () => {
  const write = (name: string) =>
    runCommand({ ...served, now: new Date(NOON) }, { id: `agree-${++presses}`, kind: 'agree' }, (context) =>
      writeAgreedMinutes(context, { recipeId: 1, name, minutes: 47 }),
    );
  const latest = async () => (await readLatestVersion(served.db, served.reference, 1))!;
  const { number, components } = await latest();
  expect((await write('no such pot')).ok).toBe(false);
  expect(await write(components[0]!.name)).toEqual({ ok: true, value: { number: number + 1 } });
  expect((await latest()).components[0]!.minutes).toBe(47);
});

test('who leaves what is said of every dog', async () => {
  expect((await learnedView()).left.map(({ dog }) => dog)).toEqual(['Juniper', 'Otto', 'Wren']);
});

test('two times until something was frozen are this freezer’s own; one struck out, it is as reckoned again', async () => {
  const note = (hours: string) =>
    runCommand({ ...served, now: new Date(NOON) }, { id: `frozen-${++presses}`, kind: 'frozen' }, (context) =>
      noteFrozen(context, { entry: { form: 'tub', centimetres: '6', sides: '2', fan: true, hours } }),
    );
  const own = () => rows('Freezing, beside what is reckoned');
  expect(await own()).toEqual([]);
  expect((await note('200')).ok).toBe(false);
  await note('9');
  expect((await own())[0]).toMatchObject({ isTaken: false, figure: { of: 1 } });
  await note('11');
  const [row] = await own();
  expect(row).toMatchObject({ isTaken: true, figure: { of: 2 }, table: { value: 100 } });
  const reckoned = freezeTime({ form: 'tub', centimetres: 6, sides: 2, fan: true, water: 0.7 }).hours;
  expect((await readFreezing(served.db, 'UTC')).factor).toBeCloseTo(10 / reckoned, 9);
  await strike(row!.observations[0]!.key, true);
  expect(await readFreezing(served.db, 'UTC')).toEqual({ factor: 1, of: 0 });
});
