import { sql } from 'drizzle-orm';
import { batchGraph, imbalance } from '@/core/batch/graph';
import { mealsOn } from '@/core/dog/meals';
import { grams } from '@/core/quantity/units';
import { seeded } from '../../../tests/fixtures/seeded';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { testServer } from '../fixtures/on-server';
import { attemptIn, playAndUndo } from '../fixtures/random-history';
import { plannedExample, weighedExample } from '../fixtures/worked-path';
import { readBatch } from '../repositories/batches';
import { readDog } from '../repositories/dogs';
import { readPacksOfBatch } from '../repositories/stock';
import { correctLine, weighBatch } from './batches';
import { feedBowl, takeBackBowl } from './bowls';
import { weighPacksAgain } from './pack-weights';
import { sealShare } from './packs';
import type { Context } from './run';
import { setShares } from './shares';
import { takeBackShare } from './stock';

const TODAY = '2026-11-25';
const vessels = (net: number) => [{ name: 'pot', gross: grams(net + 1240), tare: grams(1240) }];

let house: TestHouse;
let ids: Awaited<ReturnType<typeof plannedExample>>;

beforeAll(async () => {
  house = await freshHouse(`${TODAY}T12:00:00Z`);
  ids = await plannedExample(house, TODAY);
  await weighedExample(house, ids);
});

/** A batch as a cook with a pencil keeps it: a weight for every share, a weight for every pack. */
interface Pencil {
  net: number;
  shares: Map<number, { fate: string; grams: number; fed: number }>;
  packs: Map<number, { share: number; grams: number; eaten: number }>;
}

// On a server what may differ is how a text is asked, not what a history adds up to.
const HISTORIES = testServer() === undefined ? 500 : 100;

test(`${HISTORIES} random histories with corrections: flow and ledger close, and say what a pencil says`, async () => {
  const random = seeded(20261125);
  const pick = <T>(of: readonly T[]): T | undefined => of[Math.floor(random() * of.length)];
  const upTo = (most: number) => Math.floor(random() * (most + 1));
  const dog = (await readDog(house.db, ids.dogId))!;
  const slots = mealsOn(dog, TODAY as never);
  const counts = { done: 0, refused: 0 };
  const play = async (context: Context) => {
    const attempt = <T>(work: (own: Context) => Promise<T>) => attemptIn(context, counts, work);
    const pencil: Pencil = { net: 2310, shares: new Map(), packs: new Map() };
    const bowls: { id: number; holdingId?: number; shareId?: number; grams: number }[] = [];
    const used = (id: number) =>
      (pencil.shares.get(id)?.fed ?? 0) +
      [...pencil.packs.values()].filter((pack) => pack.share === id).reduce((sum, pack) => sum + pack.grams, 0);
    const { batchId } = ids;
    const here = async () => {
      const now = await readBatch(context.tx, batchId, '4-9-4');
      if (now?.state !== 'weighed') throw new Error('it was weighed');
      return now;
    };
    for (let step = 0, steps = 3 + upTo(4); step < steps; step++) {
      const what = pick([
        'weigh',
        'divide',
        'divide',
        'seal',
        'seal',
        'back',
        'feed',
        'feed',
        'unfeed',
        'line',
        'reweigh',
      ] as const);
      if (what === 'weigh') {
        const net = 1600 + upTo(900);
        const stand = random() < 0.5;
        const follows = await attempt((own) =>
          weighBatch(own, {
            batchId,
            weighing: { by: 'scale', vessels: vessels(net) },
            eatenBefore: 0,
            packsStand: stand,
          }),
        );
        if (!follows) continue;
        pencil.net = net;
        let over = [...pencil.shares.values()].reduce((sum, share) => sum + share.grams, 0) - net;
        for (const [id, share] of [...pencil.shares].reverse()) {
          const gives = Math.max(0, Math.min(over, Math.floor(share.grams - used(id))));
          share.grams -= gives;
          over -= gives;
        }
        if (over > 0) expect(stand).toBe(true);
      }
      if (what === 'divide') {
        const kept = [...pencil.shares].map(([id, share]) => ({
          id,
          fate: share.fate as 'fridge',
          grams: Math.ceil(used(id)),
        }));
        const rest = pencil.net - kept.reduce((sum, share) => sum + share.grams, 0);
        const [a, b] = [upTo(Math.max(0, rest)), random()];
        const said = [
          ...kept,
          { fate: 'today' as const, grams: Math.floor(a * b) },
          { fate: 'fridge' as const, grams: a - Math.floor(a * b) },
          { fate: 'freezer' as const, grams: rest - a },
        ].filter((share) => share.grams > 0);
        if ((await attempt(async (own) => (await setShares(own, { batchId, shares: said }), true))) !== true) continue;
        pencil.shares = new Map();
      }
      if (what === 'divide')
        for (const share of (await here()).shares)
          pencil.shares.set(share.id, {
            fate: share.fate,
            grams: share.grams,
            fed: bowls.filter((bowl) => bowl.shareId === share.id).reduce((sum, bowl) => sum + bowl.grams, 0),
          });
      const shareId = pick([...pencil.shares.keys()]);
      if (what === 'seal' && shareId !== undefined) {
        if (await attempt((own) => sealShare(own, { batchId, shareId })))
          for (const pack of await readPacksOfBatch(context.tx, batchId))
            if (!pencil.packs.has(pack.holdingId))
              pencil.packs.set(pack.holdingId, { share: shareId, grams: pack.labelGrams, eaten: 0 });
      }
      if (what === 'back' && shareId !== undefined) {
        const free = [...pencil.packs].filter(([, pack]) => pack.share === shareId && pack.eaten === 0);
        const went = await attempt(async (own) => (await takeBackShare(own, { batchId, shareId }), true));
        expect(went === true).toBe(free.length > 0);
        if (went) for (const [id] of free) pencil.packs.delete(id);
      }
      if (what === 'feed') {
        const warm = [...pencil.shares].find(([, share]) => share.fate === 'today' && share.grams > 0);
        const holdingId = pick([...pencil.packs.keys()]);
        const mass = 20 + upTo(400);
        const from =
          warm && random() < 0.5 ? { shareId: warm[0] } : holdingId === undefined ? undefined : { holdingId };
        const slot = pick(slots)!;
        if (!from) continue;
        const fed = await attempt((own) =>
          feedBowl(own, {
            dogId: dog.id,
            slotId: slot.id,
            day: TODAY,
            at: 'now',
            parts: [{ ...from, grams: mass } as never],
          }),
        );
        if (!fed) continue;
        bowls.push({ id: fed.bowlId, ...from, grams: mass });
        if ('shareId' in from) pencil.shares.get(from.shareId!)!.fed += mass;
        else pencil.packs.get(from.holdingId)!.eaten += mass;
      }
      if (what === 'unfeed') {
        const bowl = pick(bowls);
        if (!bowl || !(await attempt(async (own) => (await takeBackBowl(own, { bowlId: bowl.id }), true)))) continue;
        bowls.splice(bowls.indexOf(bowl), 1);
        if (bowl.shareId !== undefined) pencil.shares.get(bowl.shareId)!.fed -= bowl.grams;
        if (bowl.holdingId !== undefined) pencil.packs.get(bowl.holdingId)!.eaten -= bowl.grams;
      }
      const holding = what === 'reweigh' ? pick([...pencil.packs]) : undefined;
      if (holding) {
        const [holdingId, pack] = holding;
        const mass = Math.max(1, pack.grams - 60 + upTo(120));
        const packs = [{ holdingId, grams: mass }];
        const went = await attempt(async (own) => (await weighPacksAgain(own, { batchId, packs }), true));
        // What was fed from cannot be weighed any more, and what weighs the same is no news.
        expect(went === true).toBe(pack.eaten === 0 && mass !== pack.grams);
        if (went) pack.grams = mass;
      }
      if (what === 'line') await attempt((own) => correctLine(own, { batchId, line: 0, grams: 900 + upTo(200) }));
    }
    const now = await here();
    expect(now.whole.net).toBe(pencil.net);
    for (const [key, gap] of imbalance(batchGraph(now, [], '4-9-4')))
      expect([key, Math.abs(gap) < 1e-6]).toEqual([key, true]);
    const stock = await readPacksOfBatch(context.tx, batchId);
    expect(new Map(stock.map((pack) => [pack.holdingId, pack.grams]))).toEqual(
      new Map([...pencil.packs].map(([id, pack]) => [id, Math.round((pack.grams - pack.eaten) * 10) / 10])),
    );
    for (const share of now.shares.filter((each) => pencil.shares.has(each.id)))
      expect([share.id, share.grams, share.used]).toEqual([
        share.id,
        pencil.shares.get(share.id)!.grams,
        used(share.id),
      ]);
    const { rows } = await context.tx.execute<{ unbalanced: number; drift: number }>(sql`select
      (select count(*)::int from (select movement_id from leg group by movement_id having sum(amount) <> 0) m) unbalanced,
      (select count(*)::int from holding h where h.amount <> coalesce((select sum(amount) from leg where holding_id = h.id), 0)) drift`);
    expect(rows[0]).toEqual({ unbalanced: 0, drift: 0 });
  };
  await playAndUndo(house, new Date(`${TODAY}T12:00:00Z`), HISTORIES, play);
  // Most of what is tried is possible; some of it is not.
  expect(counts.done).toBeGreaterThan(counts.refused);
  expect(counts.refused).toBeGreaterThan(HISTORIES / 5);
});
