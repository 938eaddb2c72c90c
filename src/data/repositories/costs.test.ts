import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { loadReference, type Reference } from '../reference/reference';
import { demoDatabase } from '../fixtures/database';
import type { Database } from '../database';
import { readBatch, readBatchList, type CookedBatch } from './batches';
import { readCosts } from './costs';
import { readEatenKcal } from './eaten-kcal';
import { readHousehold } from './household';
import { readKcalPrices } from './kcal-prices';
import { readLotsById, readUses } from './lots';
import { readWaste } from './waste';

const NOW = '2026-11-25T12:00:00Z';
let db: Database;
let reference: Reference;
let pots: CookedBatch[];
let here: Parameters<typeof readCosts>[0];

beforeAll(async () => {
  reference = await loadReference();
  db = await demoDatabase(NOW, reference);
  const household = await readHousehold(db);
  here = { tx: db, reference, household, now: new Date(NOW) };
  pots = [];
  for (const { id } of await readBatchList(db, {})) {
    const batch = await readBatch(db, id, household.energyFactors);
    if (batch && batch.state !== 'planned') pots.push(batch);
  }
});

test('every pot of the boatyard costs what was paid for what went in, by weight, and no line takes more than it weighed', async () => {
  const costs = await readCosts(here, pots);
  expect(pots.length).toBeGreaterThan(3);
  for (const pot of pots) {
    const cost = costs.get(pot.id)!;
    const uses = await readUses(db, { batchIds: [pot.id] });
    const lots = new Map(
      (await readLotsById(db, [...new Set(uses.map(({ holdingId }) => holdingId))])).map((lot) => [lot.holdingId, lot]),
    );
    // By hand, line by line: g of a lot by what a g of it cost.
    const food = uses.reduce((sum, use) => {
      const lot = lots.get(use.holdingId)!;
      return sum + (use.grams * (lot.priceMinor ?? 0)) / lot.receivedGrams;
    }, 0);
    expect(cost.known).toBeCloseTo(1, 2);
    // The rest is electricity: some cents.
    expect(cost.minor).toBeGreaterThanOrEqual(food);
    expect(cost.minor - food).toBeLessThan(31 * 40);
    for (const [line, take] of pot.takes.entries()) {
      const taken = uses.filter((use) => use.line === line).reduce((sum, use) => sum + use.grams, 0);
      expect(taken).toBeLessThanOrEqual(take.weighed + 0.05);
    }
  }
});

test('what the dogs were given is of pots that have a price, and every kcal of a bowl is of one of them', async () => {
  const eaten = await readEatenKcal(db, addDays('2026-11-25' as LocalDate, -40));
  const prices = await readKcalPrices(here, [...new Set(eaten.flatMap(({ batchId }) => batchId ?? []))]);
  const bowls = await db.execute<{ kcal: number }>(
    'select sum(p.kcal)::float8 as kcal from bowl_part p join bowl b on b.id = p.bowl_id where b.reversed_by is null',
  );
  expect(eaten.reduce((sum, each) => sum + each.kcal, 0)).toBeCloseTo(bowls.rows[0]!.kcal, 4);
  for (const { batchId } of eaten) expect(prices.get(batchId!)!.perKcal).toBeGreaterThan(0);
});

test('what was wasted says of which pack or ingredient it was', async () => {
  const wasted = await readWaste(db, '2026-10-01' as LocalDate);
  expect(wasted.length).toBeGreaterThan(0);
  expect(wasted.every(({ holdingId }) => holdingId !== undefined)).toBe(true);
});
