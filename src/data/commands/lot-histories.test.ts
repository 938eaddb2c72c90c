import { inArray } from 'drizzle-orm';
import { daysBetween } from '@/core/calendar/local-date';
import { seeded } from '../../../tests/fixtures/seeded';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { testServer } from '../fixtures/on-server';
import { readPlaces } from '../repositories/household';
import { readLots, readLotsById } from '../repositories/lots';
import { holding } from '../schema/stock';
import { takeLots } from './lot-uses';
import { partLot, receiveLot, weighLot } from './lots';
import { attemptIn, playAndUndo } from '../fixtures/random-history';
import { plannedExample } from '../fixtures/worked-path';
import { contextFor, type Context } from './run';
import { sayOfPacks, unblockPacks } from './said-of-packs';
import { movePacks } from './stock';

const VENISON = '17343';
const KINDS = ['whole meat', 'raw', 'cooked'] as const;
const FIRST = Date.UTC(2026, 10, 25, 12);
const DAY = 86_400_000;
// On a server what may differ is how a text is asked, not what a history adds up to.
const HISTORIES = testServer() === undefined ? 80 : 25;
const ACTS = [
  'receive',
  'part',
  'part',
  'to the fridge',
  'to the freezer',
  'thaw',
  'block',
  'unblock',
  'weigh',
  'cook',
  'cook',
  'night',
] as const;

let house: TestHouse;
let ids: Awaited<ReturnType<typeof plannedExample>>;
beforeAll(async () => {
  house = await freshHouse(new Date(FIRST).toISOString());
  ids = await plannedExample(house, '2026-11-26');
});

/** An ingredient as a cook with a pencil keeps it. */
interface Pencil {
  grams: number;
  blocked: boolean;
  /** Days that it keeps in the fridge from now on, the fewest that it ever had. */
  left: number;
}

test(`${HISTORIES} random histories of ingredients: parts, blocks and thaws say what a pencil says, and nothing keeps longer by an act`, async () => {
  const random = seeded(20261201);
  const upTo = (most: number) => Math.floor(random() * (most + 1));
  const pick = <T>(of: readonly T[]): T | undefined => of[upTo(of.length - 1)];
  const places = await readPlaces(house.db);
  const at = (kind: string) => places.find((place) => place.kind === kind)!.id;
  const counts = { done: 0, refused: 0 };
  let cooked = 0;
  const play = async (start: Context) => {
    let context = start;
    let now = FIRST;
    const pencil = new Map<number, Pencil>();
    const attempt = <T>(work: (own: Context) => Promise<T>) => attemptIn(context, counts, work);
    const look = async () => {
      const lots = await readLots(context.tx);
      expect(new Map(lots.map(({ holdingId, grams }) => [holdingId, grams]))).toEqual(
        new Map([...pencil].flatMap(([id, { grams }]) => (grams > 0 ? [[id, grams]] : []))),
      );
      const rows =
        lots.length === 0
          ? []
          : await context.tx
              .select()
              .from(holding)
              .where(
                inArray(
                  holding.id,
                  lots.map(({ holdingId }) => holdingId),
                ),
              );
      for (const { id, placeId, blocked, safeUntil, keepsThawed } of rows) {
        const own = pencil.get(id)!;
        expect([id, blocked]).toEqual([id, own.blocked]);
        // Found thawed in the freezer it has a day as in the fridge; frozen it has those that are left once it thaws.
        const dated = safeUntil === null ? Infinity : daysBetween(context.today, safeUntil);
        const left = Math.min(dated, placeId === at('fridge') ? Infinity : (keepsThawed ?? Infinity));
        expect([id, left <= own.left]).toEqual([id, true]);
        own.left = left;
      }
    };
    for (let step = 0, steps = 6 + upTo(14); step < steps; step++) {
      const [id, own] = pick([...pencil].filter(([, { grams }]) => grams > 0)) ?? [0, undefined];
      const what = own ? pick(ACTS)! : 'receive';
      const stays = (is: 'thawed' | 'blocked') =>
        attempt((mine) => sayOfPacks(mine, { holdingIds: [id], is, why: 'so' }));
      if (what === 'receive') {
        const grams = 200 + upTo(1500);
        const came = await attempt((mine) =>
          receiveLot(mine, {
            came: 'received',
            key: VENISON,
            name: 'Venison',
            entry: {
              amount: `${grams} g`,
              price: '',
              date: random() < 0.4 ? new Date(now + upTo(6) * DAY).toISOString().slice(0, 10) : '',
              is: 'safe',
              code: '',
              kind: pick(KINDS)!,
              placeId: at(random() < 0.5 ? 'fridge' : 'freezer'),
            },
          }),
        );
        if (came) pencil.set(came.holdingId, { grams, blocked: false, left: Infinity });
      }
      if (!own) continue;
      if (what === 'part') {
        const grams = 1 + upTo(own.grams);
        const placeId = at(random() < 0.5 ? 'fridge' : 'freezer');
        const parted = await attempt((mine) => partLot(mine, { holdingId: id, grams, placeId }));
        // What is past its day goes to no other place, in part neither.
        if (own.left >= 0) expect(parted !== undefined).toBe(grams < own.grams);
        if (parted) {
          own.grams -= grams;
          // A part is what it is of: blocked, and with no more days.
          pencil.set(parted.holdingId, { ...own, grams });
        }
      }
      if (what === 'to the fridge' || what === 'to the freezer')
        await attempt((mine) => movePacks(mine, { holdingIds: [id], placeId: at(what.slice(7)) }));
      if (what === 'thaw') await stays('thawed');
      if (what === 'block') {
        const went = await stays('blocked');
        expect(went !== undefined).toBe(!own.blocked);
        own.blocked = true;
      }
      if (what === 'unblock') {
        const went = await attempt((mine) => unblockPacks(mine, { holdingIds: [id], why: 'looked at' }));
        expect(went !== undefined).toBe(own.blocked);
        own.blocked = false;
      }
      if (what === 'weigh') {
        const grams = 1 + upTo(1800);
        if (await attempt((mine) => weighLot(mine, { holdingId: id, grams }))) own.grams = grams;
      }
      if (what === 'night') {
        now += DAY;
        context = { ...(await contextFor(context.tx, house.reference, new Date(now))), tx: context.tx };
      }
      if (what === 'cook') {
        const grams = 1 + upTo(1200);
        const take = { key: VENISON, name: 'Venison', words: 'venison', planned: grams, component: 0, parts: [] };
        // Even named, what is blocked goes into no pot.
        await attempt((mine) => takeLots(mine, ids.batchId, [{ line: 0, take, grams, named: [id] }]));
        const after = new Map(
          (await readLotsById(context.tx, [...pencil.keys()])).map((lot) => [lot.holdingId, lot.grams]),
        );
        for (const [each, before] of pencil) {
          const is = after.get(each) ?? 0;
          if (before.blocked) expect([each, is]).toEqual([each, before.grams]);
          if (is < before.grams) cooked++;
          before.grams = is;
        }
      }
      await look();
    }
  };
  await playAndUndo(house, new Date(FIRST), HISTORIES, play);
  expect(counts.done).toBeGreaterThan(counts.refused);
  expect(counts.refused).toBeGreaterThan(HISTORIES / 5);
  expect(cooked).toBeGreaterThan(HISTORIES / 5);
});
