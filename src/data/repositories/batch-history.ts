import 'server-only';
import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import type { BatchHistory } from '@/core/batch/fold';
import { nameOfByProduct, type ByProduct } from '@/core/batch/by-product';
import { fromTenths } from '@/core/stock/ledger';
import { Unreadable, type CannotBeRead } from '@/core/unreadable';
import type { Tx } from '../database';
import { batch, share, tray } from '../schema/batches';
import { isUnread } from '../schema/kept-json';
import { recipe, recipeVersion } from '../schema/recipes';
import { bowl, bowlPart } from '../schema/bowls';
import { holding, pack, packContent } from '../schema/stock';
import { readReadings } from './readings';

/** The name of a batch: its recipe's, or what of it was kept beside. */
export const nameOfBatch = (row: { readonly recipeName: string; readonly byProduct: ByProduct | null }): string =>
  row.byProduct ? nameOfByProduct(row.byProduct, row.recipeName) : row.recipeName;

/** A batch that cannot be read. */
export const unreadBatch = (id: number, name: string, why: string): CannotBeRead => ({ kind: 'batch', id, name, why });

/** What a batch's name is made of. */
const NAMED = { recipeName: recipe.name, byProduct: batch.byProduct };

/** All that one batch's fold looks at. Throws `Unreadable`. */
export async function readBatchHistory(tx: Tx, batchId: number): Promise<BatchHistory> {
  const [own] = await tx
    .select({ startedAt: batch.startedAt, evidence: batch.evidence, plating: batch.plating, ...NAMED })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(eq(batch.id, batchId));
  if (!own?.startedAt || !own.evidence) return { readings: [], shares: [], packed: [], fed: [] };
  const { evidence } = own;
  if (isUnread(evidence)) throw new Unreadable(unreadBatch(batchId, nameOfBatch(own), 'what went into it'));
  const shares = await tx.select().from(share).where(eq(share.batchId, batchId)).orderBy(asc(share.id));
  const trays = await tx
    .select({ id: tray.id, shareId: tray.shareId, cycleId: tray.cycleId, slot: tray.slot, dogId: tray.dogId })
    .from(tray)
    .innerJoin(share, eq(share.id, tray.shareId))
    .where(eq(share.batchId, batchId))
    .orderBy(asc(tray.position));
  const packed = await tx
    .select({
      holdingId: packContent.holdingId,
      code: pack.code,
      shareId: packContent.shareId,
      dogId: pack.dogId,
      split: pack.split,
      amount: packContent.amount,
      trays: packContent.trays,
    })
    .from(packContent)
    .innerJoin(pack, eq(pack.holdingId, packContent.holdingId))
    .innerJoin(holding, eq(holding.id, packContent.holdingId))
    .where(and(eq(packContent.batchId, batchId), eq(holding.void, false)))
    .orderBy(asc(packContent.id));
  const fed = await tx
    .select({ shareId: bowlPart.shareId, amount: sql<number>`sum(${bowlPart.amount})::int` })
    .from(bowlPart)
    .innerJoin(bowl, eq(bowl.id, bowlPart.bowlId))
    .innerJoin(share, eq(share.id, bowlPart.shareId))
    .where(and(eq(share.batchId, batchId), isNull(bowl.reversedBy)))
    .groupBy(bowlPart.shareId);
  return {
    startedAt: own.startedAt,
    evidence,
    ...(own.plating ? { plating: own.plating } : {}),
    readings: await readReadings(tx, batchId),
    shares: shares.map((row) => ({
      id: row.id,
      yield: row.yield,
      fate: row.fate,
      grams: row.grams,
      day: row.day,
      ...(row.placeId === null ? {} : { placeId: row.placeId }),
      ...(row.method === null ? {} : { method: row.method }),
      ...(row.machineId === null ? {} : { machineId: row.machineId }),
      ...(row.packPlan === null ? {} : { plan: row.packPlan }),
      ...(row.loadDay === null ? {} : { loadDay: row.loadDay }),
      ...(row.waitsIn === null ? {} : { waitsIn: row.waitsIn }),
      ...(row.form === null ? {} : { form: row.form }),
      trays: trays
        .filter((each) => each.shareId === row.id)
        .map(({ id, cycleId, slot, dogId }) => ({
          id,
          ...(cycleId === null ? {} : { cycleId }),
          ...(slot === null ? {} : { slot }),
          ...(dogId === null ? {} : { dogId }),
        })),
    })),
    packed: packed.map(({ dogId, split, amount, trays: from, ...row }) => {
      if (isUnread(from))
        throw new Unreadable(unreadBatch(batchId, nameOfBatch(own), `from which trays pack ${row.code} is`));
      return {
        ...row,
        ...(dogId === null ? {} : { dogId }),
        ...(split === null ? {} : { split: true }),
        ...(from === null ? {} : { trays: from }),
        grams: fromTenths(amount),
      };
    }),
    fed: fed.flatMap(({ shareId, amount }) => (shareId === null ? [] : [{ shareId, grams: fromTenths(amount) }])),
  };
}
