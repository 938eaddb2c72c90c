import { sql } from 'drizzle-orm';
import fc from 'fast-check';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { plannedExample, sealedExample, weighedExample } from '../fixtures/worked-path';
import { readDog, type StoredDog } from '../repositories/dogs';
import { readPlaces } from '../repositories/household';
import { readLatestMovements } from '../repositories/movements';
import { readPackByCode, type StoredPack } from '../repositories/stock';
import { feedBowl } from './bowls';
import { correctPack } from './pack-weights';
import type { CommandResult } from '@/core/problem';
import { SAID_OF_PACKS } from '@/core/stock/store-acts';
import { countPlace } from './count';
import { mixPacks, splitPack } from './repack';
import { sayOfPacks } from './said-of-packs';
import { discardPacks, movePacks, reverseMovement } from './stock';

/** One thing that somebody may try with the stock, possible or not. */
const attempt = fc.record({
  what: fc.constantFrom('feed', 'move', 'correct', 'discard', 'reverse', 'next day', 'split', 'mix', 'say', 'count'),
  pack: fc.nat(30),
  place: fc.nat(2),
  grams: fc.integer({ min: -5, max: 900 }),
  pick: fc.nat(30),
});

let house: TestHouse;
let stock: StoredPack[];
let dog: StoredDog;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T12:00:00Z');
  const ids = await plannedExample(house, '2026-11-26');
  await weighedExample(house, ids);
  stock = await sealedExample(house, ids.batchId, { today: 0, fridge: 1400, freezer: 910, dry: 0 });
  dog = (await readDog(house.db, ids.dogId))!;
});

test('whatever is tried with the stock, in whatever order: balanced, equal to the ledger, never below zero', async () => {
  const places = await readPlaces(house.db);
  let day = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(attempt, { minLength: 5, maxLength: 25 }), async (attempts) => {
      for (const { what, pack, place, grams, pick } of attempts) {
        const { holdingId } = stock[pack % stock.length]!;
        if (what === 'next day') house.setNow(new Date(Date.UTC(2026, 10, 25 + (++day % 20), 12)).toISOString());
        const { today } = await house.context();
        const slotId = dog.slots[pick % dog.slots.length]!.id;
        if (what === 'feed') {
          const { code } = stock[pack % stock.length]!;
          const { blocked, safeUntil = '9' } = (await readPackByCode(house.db, code))!;
          const fed = await house.run((context) =>
            feedBowl(context, { dogId: dog.id, slotId, day: today, at: 'now', parts: [{ holdingId, grams }] }),
          );
          if (fed.ok) expect([code, blocked, safeUntil >= today]).toEqual([code, false, true]);
        }
        if (what === 'move')
          await house.run((context) => movePacks(context, { holdingIds: [holdingId], placeId: places[place]!.id }));
        if (what === 'correct') await house.run((context) => correctPack(context, { holdingId, grams }));
        const made: string[] = [];
        const keep = (answer: CommandResult<{ code: string }>) => answer.ok && made.push(answer.value.code);
        // What is of a blocked pack is blocked, whatever it is mixed with.
        const isOf = async (codes: readonly string[]) => {
          const blocked = await Promise.all(codes.map(async (code) => (await readPackByCode(house.db, code))!.blocked));
          for (const code of made)
            expect([code, (await readPackByCode(house.db, code))!.blocked]).toEqual([code, blocked.includes(true)]);
        };
        if (what === 'split') {
          keep(await house.run((context) => splitPack(context, { holdingId, grams })));
          await isOf([stock[pack % stock.length]!.code]);
        }
        if (what === 'mix') {
          const parts = [stock[pack % stock.length]!, stock[pick % stock.length]!];
          const of = parts.map((each) => ({ holdingId: each.holdingId, grams }));
          keep(await house.run((context) => mixPacks(context, { parts: of })));
          await isOf(parts.map(({ code }) => code));
        }
        for (const code of made) stock.push((await readPackByCode(house.db, code))!);
        if (what === 'say') {
          const is = SAID_OF_PACKS[pick % SAID_OF_PACKS.length]!;
          await house.run((context) => sayOfPacks(context, { holdingIds: [holdingId], is, why: 'so' }));
        }
        if (what === 'count') {
          const [missing, also] = grams % 2 ? [[holdingId], []] : [[], [stock[pack % stock.length]!.code]];
          await house.run((context) => countPlace(context, { placeId: places[place]!.id, missing, also }));
        }
        if (what === 'discard') await house.run((context) => discardPacks(context, { holdingIds: [holdingId] }));
        const latest = await readLatestMovements(house.db, 31);
        const target = latest[pick % latest.length];
        if (what === 'reverse' && target)
          await house.run((context) => reverseMovement(context, { movementId: target.id }));
      }
      const { rows } = await house.db.execute<{
        unbalanced: number;
        drift: number;
        below: number;
        doubled: number;
        packed: number;
      }>(sql`select
        (select count(*)::int from (select movement_id from leg group by movement_id having sum(amount) <> 0) m) unbalanced,
        (select count(*)::int from holding h where h.amount <> coalesce((select sum(amount) from leg where holding_id = h.id), 0)) drift,
        (select count(*)::int from (select holding_id from leg where holding_id is not null group by holding_id, place_id having sum(amount) < 0) n) below,
        (select count(*)::int from (select 1 from bowl where reversed_by is null group by dog_id, day, slot_id having count(*) > 1) b) doubled,
        (select sum(c.amount)::int from pack_content c join holding h on h.id = c.holding_id where not h.void) packed`);
      // Whatever was split and mixed, what packs hold of the pot is what came out of it.
      const out = await house.db.execute<{ out: number }>(
        sql`select -coalesce(sum(l.amount), 0)::int out from leg l where l.account = 'cooked'`,
      );
      expect(rows[0]).toEqual({ unbalanced: 0, drift: 0, below: 0, doubled: 0, packed: out.rows[0]!.out });
    }),
    { numRuns: 12 },
  );
});

test('a bowl counts as fed exactly while its movement stands', async () => {
  const { rows } = await house.db.execute<{ wrong: number }>(
    sql`select count(*)::int wrong from bowl b where (b.reversed_by is not null) <> exists (select 1 from movement m where m.reverses = b.movement_id)`,
  );
  expect(rows[0]!.wrong).toBe(0);
});
