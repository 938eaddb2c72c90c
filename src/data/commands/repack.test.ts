import { addUp } from '@/core/add-up';
import { labelOff } from '@/core/stock/label';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, sealedExample, weighedBatch, weighedExample } from '../fixtures/worked-path';
import { readPlaces } from '../repositories/household';
import { readHistory, readLatestMovements } from '../repositories/movements';
import { readPackByCode, readStock, type StoredPack } from '../repositories/stock';
import { countPlace } from './count';
import { correctPack } from './pack-weights';
import { mixPacks, splitPack } from './repack';
import { sayOfPacks, unblockPacks } from './said-of-packs';
import { discardPacks, movePacks, reverseAll, reverseMovement, takeBackShare } from './stock';
import { feedBowl } from './bowls';
import { readDog } from '../repositories/dogs';

let house: TestHouse;
let batchId: number;
let dogId: number;
let places: Awaited<ReturnType<typeof readPlaces>>;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T10:00:00Z');
  const ids = await plannedExample(house, '2026-11-25');
  ({ batchId, dogId } = ids);
  await weighedExample(house, ids);
  await sealedExample(house, batchId, { today: 0, fridge: 1400, freezer: 910, dry: 0 });
  places = await readPlaces(house.db);
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const place = (kind: string) => places.find((each) => each.kind === kind)!;
const stock = () => readStock(house.db);
const inPlace = async (kind: string): Promise<StoredPack> => (await stock()).find((pack) => pack.placeKind === kind)!;
const code = async (text: string) => (await readPackByCode(house.db, text))!;
const mass = async () =>
  addUp(await stock(), (pack) => pack.grams) +
  addUp((await weighedBatch(house, batchId)).shares, (each) => each.left ?? 0);
const messageOf = (answer: { ok: boolean }) =>
  (answer as { problems?: { message: string }[] }).problems?.map(({ message }) => message).join(' ') ?? '';

test('a pack that held more than was sealed in it is parted: what was found goes along as found, none of it is of the pot', async () => {
  const frozen = await inPlace('freezer');
  const mass0 = frozen.grams;
  valueOf(await house.run((context) => correctPack(context, { holdingId: frozen.holdingId, grams: mass0 * 1.5 })));
  // By hand: of 1.5 times as much two thirds came out of the pot, of what is taken out as of what stays.
  const made = valueOf(
    await house.run((context) => splitPack(context, { holdingId: frozen.holdingId, grams: mass0 * 1.2 })),
  );
  const [rest, part] = [await code(frozen.code), await code(made.code)];
  expect([rest.grams, part.grams]).toEqual([0.3, 1.2].map((times) => expect.closeTo(mass0 * times, 1)));
  expect([rest.sealedGrams, part.sealedGrams]).toEqual([0.2, 0.8].map((times) => expect.closeTo(mass0 * times, 1)));
  // All of it into another container: what came of the pot stays what came of it.
  const all = valueOf(
    await house.run((context) =>
      mixPacks(context, { parts: [rest, part].map(({ holdingId, grams }) => ({ holdingId, grams })) }),
    ),
  );
  expect((await code(all.code)).sealedGrams).toBeCloseTo(mass0, 1);
  for (const { movementIds } of [all, made])
    valueOf(await house.run((context) => reverseAll(context, { movementIds })));
  expect(await code(frozen.code)).toMatchObject({ grams: mass0 * 1.5, sealedGrams: mass0 });
});

test('a part of a thawed pack is a pack of its own: as old as the other, of the same batch, and back with one press', async () => {
  const frozen = await inPlace('freezer');
  house.setNow('2026-12-10T10:00:00Z');
  const fridge = place('fridge').id;
  valueOf(await house.run((context) => movePacks(context, { holdingIds: [frozen.holdingId], placeId: fridge })));
  house.setNow('2026-12-12T10:00:00Z');
  const before = await code(frozen.code);
  const whole = await mass();
  expect(
    messageOf(await house.run((context) => splitPack(context, { holdingId: frozen.holdingId, grams: before.grams }))),
  ).toMatch(/something of it stays/);
  const made = valueOf(await house.run((context) => splitPack(context, { holdingId: frozen.holdingId, grams: 100.5 })));
  const [rest, part] = [await code(frozen.code), await code(made.code)];
  expect([rest.grams, part.grams]).toEqual([before.grams - 100.5, 100.5]);
  // Nothing got fresher by it: thawed on the 10th, none of its four days used before (USDA).
  expect(part).toMatchObject({ safeUntil: '2026-12-14', thawedOn: '2026-12-10', density: before.density });
  expect(rest.safeUntil).toBe(part.safeUntil);
  expect(labelOff(part)).toBeUndefined();
  expect(labelOff(rest)).toMatch(/write it again/);
  expect(part.contents.map((each) => [each.batchId, each.grams])).toEqual([[batchId, 100.5]]);
  expect(rest.contents[0]!.grams).toBe(before.contents[0]!.grams - 100.5);
  expect(await mass()).toBe(whole);
  // Neither can go back into its share before the two are one again.
  const shareId = frozen.contents[0]!.shareId;
  valueOf(await house.run((context) => takeBackShare(context, { batchId, shareId })));
  expect((await code(frozen.code)).void).toBe(false);
  const split = (await readHistory(house.db, part.holdingId))[0]!;
  valueOf(await house.run((context) => reverseMovement(context, { movementId: split.id })));
  expect(await code(frozen.code)).toMatchObject({ grams: before.grams });
  expect((await code(frozen.code)).contents[0]!.grams).toBe(before.contents[0]!.grams);
  expect(await code(made.code)).toMatchObject({ grams: 0, void: true });
  // And split after all.
  const back = (await readHistory(house.db, part.holdingId)).at(-1)!;
  valueOf(await house.run((context) => reverseMovement(context, { movementId: back.id })));
  expect((await code(made.code)).grams).toBe(100.5);
});

test('packs mixed into one keep no longer than the oldest of them; what does not go together is refused', async () => {
  const all = (await stock()).filter((pack) => pack.placeKind === 'fridge');
  const [first, second] = all;
  const frozen = await inPlace('freezer');
  const mix = (parts: { holdingId: number; grams: number }[]) => house.run((context) => mixPacks(context, { parts }));
  const part = (pack: StoredPack, grams: number) => ({ holdingId: pack.holdingId, grams });
  expect(messageOf(await mix([part(first!, 10), part(frozen, 10)]))).toMatch(/two places/);
  expect(messageOf(await mix([part(first!, first!.grams + 1), part(second!, 10)]))).toMatch(/Only .* are left/);
  expect(messageOf(await mix([part(first!, 10), part(first!, 10)]))).toMatch(/twice/);
  // The second spent a day in the fridge and two in the freezer: thawed it has three of its four days left.
  const move = (kind: string) =>
    house.run((context) => movePacks(context, { holdingIds: [second!.holdingId], placeId: place(kind).id }));
  house.setNow('2026-11-26T10:00:00Z');
  valueOf(await move('freezer'));
  house.setNow('2026-11-28T10:00:00Z');
  valueOf(await move('fridge'));
  expect([(await code(first!.code)).safeUntil, (await code(second!.code)).safeUntil]).toEqual([
    '2026-11-29',
    '2026-12-01',
  ]);
  const whole = await mass();
  const made = valueOf(await mix([part(first!, first!.grams), part(second!, 50)]));
  const mixed = await code(made.code);
  expect(mixed).toMatchObject({
    grams: first!.grams + 50,
    safeUntil: '2026-11-29',
    // The one was a dog's, the other anybody's.
    dogId: undefined,
  });
  expect(await code(first!.code)).toMatchObject({ grams: 0, void: false });
  expect(mixed.contents).toHaveLength(1);
  expect(await mass()).toBe(whole);
  const merged = (await readHistory(house.db, mixed.holdingId))[0]!;
  valueOf(await house.run((context) => reverseMovement(context, { movementId: merged.id })));
  expect((await code(first!.code)).grams).toBe(first!.grams);
});

test('a blocked pack is not fed, not proposed and not mixed until somebody says why it may be', async () => {
  const pack = await inPlace('fridge');
  const say = (why?: string) =>
    house.run((context) =>
      sayOfPacks(context, { holdingIds: [pack.holdingId], is: 'blocked', ...(why ? { why } : {}) }),
    );
  expect(await say()).toMatchObject({ problems: [{ field: 'why' }] });
  valueOf(await say('Otto was sick after it'));
  const dog = (await readDog(house.db, dogId))!;
  const feed = () =>
    house.run((context) =>
      feedBowl(context, {
        dogId,
        slotId: dog.slots[0]!.id,
        day: context.today,
        at: 'now',
        parts: [{ holdingId: pack.holdingId, grams: 50 }],
      }),
    );
  expect(messageOf(await feed())).toMatch(/is blocked/);
  expect(messageOf(await say('again'))).toMatch(/blocked already/);
  const unblock = (why: string) => house.run((context) => unblockPacks(context, { holdingIds: [pack.holdingId], why }));
  valueOf(await unblock('the vet found another cause'));
  expect((await code(pack.code)).blocked).toBe(false);
  expect((await readHistory(house.db, pack.holdingId)).at(-1)).toMatchObject({ note: 'the vet found another cause' });
  expect(messageOf(await unblock('twice'))).toMatch(/not blocked/);
  valueOf(await feed());
});

test('thawed in the freezer by accident, a pack keeps a day less once it is thawed on purpose', async () => {
  const pack = await inPlace('freezer');
  valueOf(await house.run((context) => sayOfPacks(context, { holdingIds: [pack.holdingId], is: 'thawed' })));
  expect(await code(pack.code)).toMatchObject({ thawedOn: '2026-11-25', placeKind: 'freezer', safeUntil: undefined });
  house.setNow('2026-12-01T10:00:00Z');
  const fridge = place('fridge').id;
  valueOf(await house.run((context) => movePacks(context, { holdingIds: [pack.holdingId], placeId: fridge })));
  expect((await code(pack.code)).safeUntil).toBe('2026-12-04');
});

test('a count: what is not there is lost, what lay elsewhere moves, what was lost is found; all of it or nothing', async () => {
  const [gone, stays] = (await stock()).filter((pack) => pack.placeKind === 'fridge');
  const frozen = await inPlace('freezer');
  const fridge = place('fridge').id;
  const count = (input: { missing?: number[]; also?: string[]; placeId?: number }) =>
    house.run((context) => countPlace(context, { placeId: fridge, missing: [], also: [], ...input }));
  expect(await count({ missing: [gone!.holdingId], also: ['Z99'] })).toMatchObject({ problems: [{ field: 'also.0' }] });
  expect((await code(gone!.code)).grams).toBe(gone!.grams);
  const counted = valueOf(await count({ missing: [gone!.holdingId], also: [frozen.code.toLowerCase()] }));
  expect(counted).toMatchObject({ lost: [gone!.code], moved: [frozen.code], found: [] });
  expect(await code(gone!.code)).toMatchObject({ grams: 0 });
  expect(await code(frozen.code)).toMatchObject({ placeKind: 'fridge', thawedOn: '2026-11-25' });
  // A second device that counted too is told.
  expect(messageOf(await count({ missing: [gone!.holdingId] }))).toMatch(/empty by now/);
  // It lay behind the others, in the freezer.
  const again = valueOf(await count({ placeId: place('freezer').id, also: [gone!.code] }));
  expect(again.found).toEqual([gone!.code]);
  expect(await code(gone!.code)).toMatchObject({ grams: gone!.grams, placeKind: 'freezer' });
  valueOf(await house.run((context) => reverseAll(context, { movementIds: again.movementIds })));
  expect(await code(gone!.code)).toMatchObject({ grams: 0 });
  // What was thrown away does not come back by a count.
  valueOf(await house.run((context) => discardPacks(context, { holdingIds: [stays!.holdingId], why: 'mould' })));
  expect(messageOf(await count({ also: [stays!.code] }))).toMatch(/used up or thrown away/);
  expect((await readLatestMovements(house.db, 1))[0]).toMatchObject({ kind: 'discarded', note: 'mould' });
});

test('a split is not taken back under a pack that something was done with since', async () => {
  const whole = await inPlace('fridge');
  const made = valueOf(await house.run((context) => splitPack(context, { holdingId: whole.holdingId, grams: 100 })));
  const part = await code(made.code);
  const blocked = valueOf(
    await house.run((context) => sayOfPacks(context, { holdingIds: [part.holdingId], is: 'blocked', why: 'smells' })),
  );
  const back = () => house.run((context) => reverseMovement(context, { movementId: made.movementIds[0]! }));
  expect(messageOf(await back())).toMatch(/take that back first/);
  expect((await code(made.code)).void).toBe(false);
  valueOf(await house.run((context) => reverseAll(context, { movementIds: blocked.movementIds })));
  valueOf(await back());
  expect((await code(whole.code)).grams).toBe(whole.grams);
});

test('forty packs are moved together or not at all: a fault half way leaves every one of them where it was', async () => {
  const fridge = place('fridge').id;
  const frozen = await inPlace('freezer');
  const codes: string[] = [];
  for (let each = 0; each < 40; each++)
    codes.push(
      valueOf(await house.run((context) => splitPack(context, { holdingId: frozen.holdingId, grams: 5 }))).code,
    );
  const ids = (await Promise.all(codes.map(code))).map(({ holdingId }) => holdingId);
  const where = async () =>
    (await stock()).filter(({ holdingId }) => ids.includes(holdingId)).map(({ placeKind }) => placeKind);
  // The power goes while they are written: the last of the statements never comes.
  const fault = house.run(async (context) => {
    await movePacks(context, { holdingIds: ids, placeId: fridge });
    throw new Error('the power went');
  });
  await expect(fault).rejects.toThrow('the power went');
  expect(new Set(await where())).toEqual(new Set(['freezer']));
  // One of them that is elsewhere by now stops all of them.
  valueOf(await house.run((context) => movePacks(context, { holdingIds: ids.slice(7, 8), placeId: fridge })));
  expect(messageOf(await house.run((context) => movePacks(context, { holdingIds: ids, placeId: fridge })))).toMatch(
    /already/,
  );
  expect((await where()).filter((kind) => kind === 'fridge')).toHaveLength(1);
});
