import 'server-only';
import { inArray } from 'drizzle-orm';
import type { KcalPrice } from '@/core/stock/cost';
import { packContent } from '../schema/stock';
import { readBatchIfReadable, type CookedBatch } from './batches';
import { readCosts } from './costs';

type Here = Parameters<typeof readCosts>[0];

/** What a kcal of each pot costs, by its id; pots of which nothing has a price are left out, and what is kept beside a pot is of it. */
export async function readKcalPrices(here: Here, batchIds: readonly number[]): Promise<ReadonlyMap<number, KcalPrice>> {
  const found = new Map<number, CookedBatch>();
  const rootOf = new Map<number, number>();
  const open = async (id: number): Promise<CookedBatch | undefined> => {
    const known = found.get(id);
    if (known) return known;
    const batch = await readBatchIfReadable(here.tx, id, here.household.energyFactors);
    if (!batch || batch.state === 'planned') return undefined;
    found.set(id, batch);
    return batch;
  };
  for (const id of new Set(batchIds)) {
    let batch = await open(id);
    while (batch?.parentId !== undefined) batch = await open(batch.parentId);
    if (batch) rootOf.set(id, batch.id);
  }
  const roots = [...new Set(rootOf.values())].flatMap((id) => found.get(id) ?? []);
  const costs = await readCosts(here, roots);
  return new Map(
    [...rootOf].flatMap(([id, root]) => {
      const cost = costs.get(root);
      const kcal = found.get(root)?.sheet.kcal ?? 0;
      return cost && kcal > 0 ? [[id, { perKcal: cost.minor / kcal, known: cost.known }] as const] : [];
    }),
  );
}

/** What a bowl got of one source, pot by pot; `batchId` undefined: of a pack that no pot made. */
export function byPot(
  {
    holdingId,
    warmOf,
    kcal,
  }: { readonly holdingId: number | null; readonly warmOf: number | null; readonly kcal: number },
  pots: Awaited<ReturnType<typeof readPotsOfPacks>>,
): { readonly batchId: number | undefined; readonly kcal: number }[] {
  const own = holdingId === null ? [] : (pots.get(holdingId) ?? []);
  return own.length === 0
    ? [{ batchId: warmOf ?? undefined, kcal }]
    : own.map(({ batchId, part }) => ({ batchId, kcal: kcal * part }));
}

/** Of which pots packs are, by their holdings, with the part of each in it by kcal. */
export async function readPotsOfPacks(
  tx: Here['tx'],
  holdingIds: readonly number[],
): Promise<ReadonlyMap<number, readonly { readonly batchId: number; readonly part: number }[]>> {
  if (holdingIds.length === 0) return new Map();
  const rows = await tx
    .select({
      holdingId: packContent.holdingId,
      batchId: packContent.batchId,
      amount: packContent.sealedAmount,
      density: packContent.density,
    })
    .from(packContent)
    .where(inArray(packContent.holdingId, [...holdingIds]));
  const totals = new Map<number, number>();
  for (const row of rows) totals.set(row.holdingId, (totals.get(row.holdingId) ?? 0) + row.amount * row.density);
  const out = new Map<number, { batchId: number; part: number }[]>();
  for (const { holdingId, batchId, amount, density } of rows) {
    const total = totals.get(holdingId) ?? 0;
    if (total > 0) out.set(holdingId, [...(out.get(holdingId) ?? []), { batchId, part: (amount * density) / total }]);
  }
  return out;
}
