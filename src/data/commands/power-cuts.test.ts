import { placeInCut } from '@/core/preserve/power-cut';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, sealedExample, weighedExample } from '../fixtures/worked-path';
import { readPlaces } from '../repositories/household';
import { readLatestMovements } from '../repositories/movements';
import { readOpenCut } from '../repositories/power-cuts';
import { readStock } from '../repositories/stock';
import { beginCut, sayOfCut, settleCut } from './power-cuts';
import { reverseAll } from './stock';
import type { CutAct } from '@/core/preserve/power-cut';

let house: TestHouse;

beforeAll(async () => {
  house = await freshHouse('2026-11-24T10:00:00Z');
  const ids = await plannedExample(house, '2026-11-24');
  await weighedExample(house, ids);
  await sealedExample(house, ids.batchId, { today: 0, fridge: 1400, freezer: 910, dry: 0 });
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const begin = (at?: string) => house.run((context) => beginCut(context, at === undefined ? {} : { at }));
const say = async (of: CutAct['of']) => {
  const cut = await readOpenCut(house.db);
  return house.run((context) => sayOfCut(context, { cutId: cut?.id ?? 0, of }));
};
const cut = async () => (await readOpenCut(house.db))!;

test('a cut begins when it was noticed or before; what cannot be is said at its field', async () => {
  house.setNow('2026-11-25T06:00:00Z');
  expect(await begin('yesterday')).toMatchObject({ problems: [{ field: 'at' }] });
  expect(await begin('2026-11-26T22:05')).toMatchObject({ problems: [{ message: 'That is still to come.' }] });
  valueOf(await begin('2026-11-24T22:05'));
  // Oslo is an hour ahead.
  expect((await cut()).startedAt.toISOString()).toBe('2026-11-24T21:05:00.000Z');
  expect(await begin()).toMatchObject({ ok: false });
  expect(await say({ what: 'back', at: '2026-11-24T21:00' })).toMatchObject({ problems: [{ field: 'at' }] });
  valueOf(await say({ what: 'never' }));
  expect(await readOpenCut(house.db)).toBeUndefined();
});

test('what was said of a place counts until it is unsaid; a second page cannot settle twice', async () => {
  valueOf(await begin());
  const [fridge, freezer] = ['fridge', 'freezer'].map(
    (kind) => (places: Awaited<ReturnType<typeof readPlaces>>) => places.find((place) => place.kind === kind)!,
  );
  const places = await readPlaces(house.db);
  const cold = freezer!(places);
  house.setNow('2026-11-24T20:00:00Z');
  valueOf(await say({ what: 'read', placeId: cold.id, celsius: -6.2 }));
  valueOf(await say({ what: 'opened', placeId: cold.id }));
  const state = async () => {
    const now = await cut();
    return placeInCut({ id: cold.id, kind: 'freezer', used: 900, capacity: 60_000 }, now.startedAt, now.events);
  };
  expect(await state()).toMatchObject({ opened: 1, readings: [{ hours: 10, celsius: -6.2 }] });
  const read = (await cut()).events.find(({ kind }) => kind === 'read')!;
  valueOf(await say({ what: 'unsay', eventId: read.id }));
  expect((await state()).readings).toEqual([]);
  const stock = await readStock(house.db);
  const inFridge = stock.filter((pack) => pack.placeId === fridge!(places).id).map(({ holdingId }) => holdingId);
  const frozen = stock.filter((pack) => pack.placeId === cold.id).map(({ holdingId }) => holdingId);
  const settle = async () => {
    const { id } = await cut();
    return house.run((context) => settleCut(context, { cutId: id, throwAway: inFridge, refreeze: frozen }));
  };
  expect(await settle()).toMatchObject({ ok: false });
  valueOf(await say({ what: 'back' }));
  const { id } = await cut();
  const done = valueOf(await settle());
  expect((await readStock(house.db)).map(({ holdingId }) => holdingId)).toEqual(frozen);
  expect((await readStock(house.db)).every((pack) => pack.thawedOn === '2026-11-24')).toBe(true);
  expect((await readLatestMovements(house.db, 20)).filter(({ note }) => note === 'power cut')).toHaveLength(
    stock.length,
  );
  expect(await house.run((context) => settleCut(context, { cutId: id, throwAway: [], refreeze: [] }))).toMatchObject({
    ok: false,
  });
  valueOf(await house.run((context) => reverseAll(context, { movementIds: done.movementIds })));
  expect(await readStock(house.db)).toHaveLength(stock.length);
});

test('nothing is half done: one pack that is gone meanwhile stops the whole settling', async () => {
  valueOf(await begin());
  valueOf(await say({ what: 'back' }));
  const [first, second] = await readStock(house.db);
  const { id } = await cut();
  const both = { cutId: id, throwAway: [first!.holdingId, 99_999], refreeze: [second!.holdingId] };
  expect((await house.run((context) => settleCut(context, both))).ok).toBe(false);
  expect((await readStock(house.db))[0]!.grams).toBe(first!.grams);
});
