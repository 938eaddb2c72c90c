import 'server-only';
import { and, asc, eq, isNotNull, isNull, like, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import type { LocalDate } from '@/core/calendar/local-date';
import type { TraceGraph } from '@/core/stock/trace';
import type { ByProduct } from '@/core/batch/by-product';
import { fromTenths } from '@/core/stock/ledger';
import type { Tx } from '../database';
import { batch, reading, share } from '../schema/batches';
import { recipe, recipeVersion } from '../schema/recipes';
import { ifRead } from '../schema/kept-json';
import { bowl, bowlPart } from '../schema/bowls';
import { holding, pack, packContent } from '../schema/stock';
import { nameOfBatch } from './batch-history';
import { readTracedLots, type TracedLot } from './lot-keys';
import { readUses } from './lots';

export interface TracedBatch {
  readonly id: number;
  readonly name: string;
  readonly startedAt: Date;
}

export interface TracedBowl {
  readonly id: number;
  readonly dogId: number;
  readonly day: LocalDate;
  readonly parts: readonly {
    readonly holdingId: number | undefined;
    readonly batchId: number | undefined;
    readonly grams: number;
  }[];
}

/** Everything that was cooked, packed and fed, as far as who is from whom. */
export async function readTraceGraph(tx: Tx): Promise<{
  graph: TraceGraph;
  batches: ReadonlyMap<number, TracedBatch>;
  bowls: ReadonlyMap<number, TracedBowl>;
  lots: readonly TracedLot[];
}> {
  const pots = await tx
    .select({
      id: batch.id,
      parentId: batch.parentId,
      byProduct: batch.byProduct,
      startedAt: sql<Date>`${batch.startedAt}`.mapWith(batch.startedAt),
      recipeName: recipe.name,
    })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(sql`${batch.startedAt} is not null`)
    .orderBy(asc(batch.id));
  const struck = alias(reading, 'struck');
  const lots = await tx
    .select({ batchId: reading.batchId, lot: reading.text })
    .from(reading)
    .leftJoin(struck, eq(struck.takesBack, reading.id))
    .where(and(eq(reading.kind, 'note'), like(reading.node, 'line:%'), isNull(struck.id)));
  const noted = new Map<number, string[]>();
  for (const { batchId, lot: text } of lots)
    if (text !== null) noted.set(batchId, [...(noted.get(batchId) ?? []), text]);
  const traced = await readTracedLots(tx);
  const taken = new Map<number, string[]>();
  for (const { batchId, holdingId } of await readUses(tx, 'all'))
    taken.set(batchId, [...(taken.get(batchId) ?? []), ...(traced.get(holdingId)?.keys ?? [])]);
  const contents = await tx
    .select({ holdingId: packContent.holdingId, batchId: packContent.batchId })
    .from(packContent)
    .innerJoin(holding, eq(holding.id, packContent.holdingId))
    .where(eq(holding.void, false));
  // What was found is of no pot that anybody knows: it, and what was split off it, is one food of its own.
  const found = (
    await tx
      .select({ holdingId: pack.holdingId, found: pack.found, packedOn: pack.packedOn })
      .from(pack)
      .innerJoin(holding, eq(holding.id, pack.holdingId))
      .where(and(eq(holding.void, false), isNotNull(pack.found)))
  ).flatMap(({ holdingId, found: own, packedOn }) => {
    const { root, name } = ifRead(own) ?? { root: undefined, name: 'nobody can read what' };
    return own ? [{ holdingId, batchId: -(root ?? holdingId), name: `found: ${name}`, packedOn }] : [];
  });
  const parts = await tx
    .select({
      id: bowl.id,
      dogId: bowl.dogId,
      day: bowl.day,
      holdingId: bowlPart.holdingId,
      batchId: share.batchId,
      amount: bowlPart.amount,
    })
    .from(bowl)
    .innerJoin(bowlPart, eq(bowlPart.bowlId, bowl.id))
    .leftJoin(share, eq(share.id, bowlPart.shareId))
    .where(isNull(bowl.reversedBy))
    .orderBy(asc(bowl.day), asc(bowl.id));
  const bowls = new Map<number, TracedBowl>();
  for (const { id, dogId, day, holdingId, batchId, amount } of parts) {
    const before = bowls.get(id);
    const part = { holdingId: holdingId ?? undefined, batchId: batchId ?? undefined, grams: fromTenths(amount) };
    bowls.set(id, { id, dogId, day, parts: [...(before?.parts ?? []), part] });
  }
  const packs = new Map<number, number[]>();
  for (const { holdingId, batchId } of [...contents, ...found])
    packs.set(holdingId, [...(packs.get(holdingId) ?? []), batchId]);
  return {
    graph: {
      batches: [
        ...[...new Set(found.map(({ batchId }) => batchId))].map((id) => ({ id, lots: [] })),
        ...pots.map(({ id, parentId }) => ({
          id,
          ...(parentId === null ? {} : { parentId }),
          lots: [...new Set([...(noted.get(id) ?? []), ...(taken.get(id) ?? [])])],
        })),
      ],
      packs: [...packs].map(([holdingId, batchIds]) => ({ holdingId, batchIds })),
      bowls: [...bowls.values()].map(({ id, dogId, day, parts: own }) => ({
        id,
        dogId,
        day,
        holdingIds: own.flatMap((part) => part.holdingId ?? []),
        batchIds: own.flatMap((part) => part.batchId ?? []),
      })),
    },
    batches: new Map([
      ...found.map(
        ({ batchId, name, packedOn }) =>
          [batchId, { id: batchId, name, startedAt: new Date(`${packedOn}T12:00:00Z`) }] as const,
      ),
      ...pots.map(
        (row) =>
          [
            row.id,
            {
              id: row.id,
              name: nameOfBatch({ ...row, byProduct: row.byProduct as ByProduct | null }),
              startedAt: row.startedAt,
            },
          ] as const,
      ),
    ]),
    bowls,
    lots: [...traced.values()],
  };
}
