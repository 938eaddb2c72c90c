import 'server-only';
import { and, asc, between, eq, inArray, isNull } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import { fromTenths } from '@/core/stock/ledger';
import type { Tx } from '../database';
import { share } from '../schema/batches';
import { bowl, bowlLeft, bowlPart } from '../schema/bowls';
import { holding, pack, packContent } from '../schema/stock';

export interface StoredBowl {
  readonly id: number;
  readonly dogId: number;
  /** null: another meal, beside its own. */
  readonly slotId: number | null;
  /** What was ticked of what is added in the bowl. */
  readonly ticked: readonly string[];
  readonly day: LocalDate;
  readonly fedAt: Date;
  /** What the dog left of it, g as stored, and what became of that. */
  readonly left:
    { readonly grams: number; readonly fate: 'thrown' | 'fridge'; readonly movementId: number } | undefined;
  readonly parts: readonly {
    readonly code: string;
    readonly grams: number;
    readonly waterMl: number;
    readonly frozen: boolean;
    /** What it was from, as a source of food is named. */
    readonly key: string;
  }[];
}

/** The bowls of a day that were not taken back. */
export const readBowlsOn = (tx: Tx, day: LocalDate): Promise<StoredBowl[]> => readBowlsBetween(tx, day, day);

/** The bowls of some days that were not taken back, in the order of marking. */
export async function readBowlsBetween(tx: Tx, from: LocalDate, to: LocalDate): Promise<StoredBowl[]> {
  const rows = await tx
    .select()
    .from(bowl)
    .where(and(between(bowl.day, from, to), isNull(bowl.reversedBy)))
    .orderBy(asc(bowl.id));
  if (rows.length === 0) return [];
  const parts = await tx
    .select({ part: bowlPart, code: pack.code })
    .from(bowlPart)
    .leftJoin(pack, eq(pack.holdingId, bowlPart.holdingId))
    .where(
      inArray(
        bowlPart.bowlId,
        rows.map((row) => row.id),
      ),
    )
    .orderBy(asc(bowlPart.id));
  const left = await tx
    .select()
    .from(bowlLeft)
    .where(
      and(
        isNull(bowlLeft.reversedBy),
        inArray(
          bowlLeft.bowlId,
          rows.map((row) => row.id),
        ),
      ),
    );
  const leftOf = new Map(
    left.map(({ bowlId, amount, fate, movementId }) => [bowlId, { grams: fromTenths(amount), fate, movementId }]),
  );
  return rows.map((row) => ({
    id: row.id,
    left: leftOf.get(row.id),
    dogId: row.dogId,
    slotId: row.slotId,
    ticked: (row.additions ?? []).map(({ said }) => said),
    day: row.day,
    fedAt: row.fedAt,
    parts: parts
      .filter(({ part }) => part.bowlId === row.id)
      .map(({ part, code }) => ({
        code: code ?? 'the pot',
        grams: fromTenths(part.amount),
        waterMl: part.waterMl,
        frozen: part.frozen,
        key: part.shareId === null ? `pack-${part.holdingId}` : `share-${part.shareId}`,
      })),
  }));
}

/** What was fed of a batch, warm or from its packs: kcal as they were reckoned then, g, and what a g holds now. */
export async function readFedOfBatch(
  tx: Tx,
  batchId: number,
): Promise<
  { readonly kcal: number; readonly grams: number; readonly density: number | undefined; readonly place: number }[]
> {
  const fromPacks = await tx
    .selectDistinct({ id: bowlPart.id, kcal: bowlPart.kcal, amount: bowlPart.amount, density: holding.density })
    .from(packContent)
    .innerJoin(bowlPart, eq(bowlPart.holdingId, packContent.holdingId))
    .innerJoin(holding, eq(holding.id, packContent.holdingId))
    .innerJoin(bowl, eq(bowl.id, bowlPart.bowlId))
    .where(and(eq(packContent.batchId, batchId), isNull(bowl.reversedBy)));
  const warm = await tx
    .select({ kcal: bowlPart.kcal, amount: bowlPart.amount, place: share.yield })
    .from(share)
    .innerJoin(bowlPart, eq(bowlPart.shareId, share.id))
    .innerJoin(bowl, eq(bowl.id, bowlPart.bowlId))
    .where(and(eq(share.batchId, batchId), isNull(bowl.reversedBy)));
  return [
    ...fromPacks.map(({ kcal, amount, density }) => ({
      kcal,
      grams: fromTenths(amount),
      density: density ?? undefined,
      place: 0,
    })),
    ...warm.map(({ kcal, amount, place }) => ({ kcal, grams: fromTenths(amount), density: undefined, place })),
  ];
}
