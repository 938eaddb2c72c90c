import { addAvoid } from '@/data/commands/keeping';
import { discardPacks, movePacks, reverseAll } from '@/data/commands/stock';
import { contextFor } from '@/data/commands/run';
import { beginCut, sayOfCut } from '@/data/commands/power-cuts';
import { readDogs } from '@/data/repositories/dogs';
import { serve } from '@/data/fixtures/served';
import type { LocalDate } from '@/core/calendar/local-date';
import { mealsOn } from '@/core/dog/meals';
import { takeBackBowl } from '@/data/commands/bowls';
import { readBowlsBetween } from '@/data/repositories/bowls';
import { readReports } from '@/data/repositories/eaten';
import { readEatenKcal } from '@/data/repositories/eaten-kcal';
import { readKcalPrices } from '@/data/repositories/kcal-prices';
import { valueView } from './value/queries';
import { powerView } from './power/queries';
import { storeView } from './queries';
import { wasteView } from './waste/queries';

const NOON = '2026-11-25T12:00:00Z';
let served: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  served = await serve(NOON, { demo: true });
});

const context = () => contextFor(served.db, served.reference, new Date(NOON));

test('three shelves, each in order of use: the dates only rise where nothing is opened or short', async () => {
  const { shelves } = await storeView({});
  expect(shelves.map((shelf) => shelf.kind)).toEqual(['fridge', 'freezer', 'cupboard']);
  for (const shelf of shelves) expect(shelf.packs.length).toBeGreaterThan(0);
  // Of each pot in the freezer the short pack comes before the whole ones.
  for (const letter of ['G', 'V']) {
    const own = shelves[1]!.packs.filter((pack) => pack.code.startsWith(letter));
    expect(own.map((pack) => pack.notes.includes('short'))).toEqual([true, ...own.slice(1).map(() => false)]);
  }
});

test('a pack in hand tells where it may go, what it holds and what was done with it', async () => {
  const { open } = await storeView({ code: 'v7' });
  expect(open).toMatchObject({ code: 'V7', placeName: 'Fridge', moveTo: [{ name: 'Freezer' }] });
  expect(open!.history.at(-1)!.said).toMatch(/^packed \d+ g into the fridge$/);
  expect(open!.kcal).toBeCloseTo(open!.grams * open!.density, 6);
});

test('dried food may go anywhere dry, cooked food never into a cupboard', async () => {
  const { shelves } = await storeView({});
  const dry = shelves[2]!.packs.find((pack) => pack.notes.includes('dry'))!;
  expect((await storeView({ code: dry.code })).open!.moveTo.map((place) => place.name)).toEqual(['Fridge', 'Freezer']);
});

test('a code that no pack has is said', async () => {
  expect(await storeView({ code: 'Z99' })).toMatchObject({ open: undefined, unknownCode: 'Z99' });
});

test('what is done shows at once: in the shelf, in the history and in what was done last', async () => {
  const { shelves } = await storeView({});
  const pack = shelves[0]!.packs.at(-1)!;
  await movePacks(await context(), { holdingIds: [pack.holdingId], placeId: shelves[1]!.placeId });
  const moved = await storeView({ code: pack.code });
  expect(moved.shelves[1]!.packs.map((each) => each.code)).toContain(pack.code);
  expect(moved.open!.history[0]).toMatchObject({
    said: expect.stringMatching(/^moved \d+ g to the freezer$/) as string,
    canReverse: true,
  });
  await discardPacks(await context(), { holdingIds: [pack.holdingId] });
  const gone = await storeView({ code: pack.code });
  expect(gone.shelves.flatMap((shelf) => shelf.packs).map((each) => each.code)).not.toContain(pack.code);
  expect(gone.latest[0]).toMatchObject({ codes: pack.code, said: expect.stringMatching(/^threw away/) as string });
  expect(gone.open).toMatchObject({ grams: 0 });
});

test('what came into the fridge after the power was back is kept; what lay in it longer than USDA’s 4 h is not', async () => {
  const { shelves } = await storeView({});
  const frozen = shelves[1]!.packs.at(-1)!;
  const at = (text: string) => contextFor(served.db, served.reference, new Date(text));
  await beginCut(await at('2026-11-25T01:00:00Z'), {});
  const { cut } = await powerView();
  await sayOfCut(await at('2026-11-25T08:00:00Z'), { cutId: cut!.id, of: { what: 'back' } });
  await movePacks(await context(), { holdingIds: [frozen.holdingId], placeId: shelves[0]!.placeId });
  const { packs } = await powerView();
  const fateOf = (holdingId: number) => packs.find((pack) => pack.holdingId === holdingId)!.verdict;
  expect(fateOf(frozen.holdingId)).toMatchObject({ fate: 'keep', said: 'came in after the power was back' });
  const lay = shelves[0]!.packs.find((pack) => pack.holdingId !== frozen.holdingId)!;
  expect(fateOf(lay.holdingId)).toMatchObject({ fate: 'throw', rule: expect.stringContaining('4 h') as string });
});

test('what was thrown away stands in its month by its reason, and what came back in none', async () => {
  const before = (await wasteView()).months;
  const { shelves } = await storeView({});
  const pack = shelves[1]!.packs[0]!;
  const { movementIds } = await discardPacks(await context(), { holdingIds: [pack.holdingId], why: 'mould on it' });
  const [month] = (await wasteView()).months;
  expect(month).toMatchObject({ month: '2026-11', said: 'November 2026' });
  const spoiled = month!.reasons.find(({ reason }) => reason === 'spoiled or past its date')!;
  const had = before[0]?.reasons.find(({ reason }) => reason === 'spoiled or past its date');
  expect(spoiled.grams - (had?.grams ?? 0)).toBeCloseTo(pack.grams, 6);
  expect(spoiled.kcal - (had?.kcal ?? 0)).toBeCloseTo(pack.kcal, 6);
  await reverseAll(await context(), { movementIds });
  expect((await wasteView()).months).toEqual(before);
});

test('a shelf says of a pack that its dog does not get it, and not its date alone', async () => {
  const freezer = async () => (await storeView({})).shelves.find(({ kind }) => kind === 'freezer')!;
  const pack = (await freezer()).packs.find(({ tags, tone }) => tags.length === 1 && tone === 'plain')!;
  const dog = (await readDogs(served.db)).find(({ name }) => name === pack.whose)!;
  await addAvoid(await context(), {
    dogId: dog.id,
    entry: {
      what: { kind: 'protein', protein: pack.protein.word },
      reason: 'reaction',
      tryAgainOn: '',
      note: '',
    },
  });
  const said = (await freezer()).presses.find(({ said: each }) => each.includes(pack.code))!;
  expect(said).toMatchObject({ tone: 'danger' });
  expect(said.said).toMatch(new RegExp(`: not for ${dog.name}: `));
  expect(said.said).not.toMatch(/best by/);
});

test('a dog’s day costs what whole days cost: one of which only a part was pressed says nothing', async () => {
  const bowls = await readBowlsBetween(served.db, '2026-11-10' as LocalDate, '2026-11-24' as LocalDate);
  // Every breakfast of some days is taken back: what is left of them is no day.
  const own = bowls.filter(({ dogId, slotId }) => dogId === 2 && slotId !== null);
  const days = [...new Set(own.map(({ day }) => day))].slice(0, 3);
  for (const day of days) await takeBackBowl(await context(), { bowlId: own.find((bowl) => bowl.day === day)!.id });
  const after = (await valueView()).dogs.find(({ dogId }) => dogId === 2)!;
  // By hand: what the whole days cost over how many they are.
  const slotsOn = new Map<LocalDate, Set<number | null>>();
  for (const { day, slotId } of own.filter((bowl) => !days.includes(bowl.day)))
    slotsOn.set(day, (slotsOn.get(day) ?? new Set()).add(slotId));
  const [dog] = await readDogs(served.db, 2);
  const reports = await readReports(served.db, 2);
  const told = new Set(
    [...slotsOn].flatMap(([day, slots]) =>
      slots.size === mealsOn(dog!, day).length && !reports.some(({ from, to }) => from <= day && day <= to)
        ? [day]
        : [],
    ),
  );
  const { db, reference, household, now } = await context().then(({ tx, ...rest }) => ({ db: tx, ...rest }));
  const all = (await readEatenKcal(served.db, '2026-10-28' as LocalDate)).filter(
    ({ dogId, day }) => dogId === 2 && day < '2026-11-25',
  );
  const eaten = all.filter(({ day }) => told.has(day));
  const prices = await readKcalPrices({ tx: db, reference, household, now }, [
    ...new Set(eaten.map(({ batchId }) => batchId!)),
  ]);
  const minor = eaten.reduce((sum, { kcal, batchId }) => sum + kcal * prices.get(batchId!)!.perKcal, 0) / told.size;
  expect(after.home!.minor).toBeCloseTo(minor, 6);
  expect(days.every((day) => !told.has(day))).toBe(true);
  // With the half days in it, as if they were days, it was less.
  const spread = all.reduce((sum, { kcal, batchId }) => sum + kcal * (prices.get(batchId ?? NaN)?.perKcal ?? 0), 0);
  expect(spread / new Set(all.map(({ day }) => day)).size).toBeLessThan(minor);
});
