import 'server-only';
import { and, eq, gt, inArray } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import { avoidedIn, stops } from '@/core/dog/avoid';
import { hazardsIn, stopsPlan } from '@/core/recipe/hazards';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { batch, share } from '../schema/batches';
import { holding, packContent } from '../schema/stock';
import type { StoredDog } from './dogs';

/** Something in stored food that a dog does not get: by its own list, or because it can hurt any dog. */
export interface NotForIt {
  readonly said: string;
  /** A dislike only keeps it out of what is proposed. */
  readonly stops: boolean;
}

/** What of each stored batch and pack each dog does not get. */
export interface Avoided {
  readonly ofBatch: (batchId: number, dogId: number) => readonly NotForIt[];
  readonly ofPack: (holdingId: number, dogId: number) => readonly NotForIt[];
  readonly dogsNotFor: (where: { readonly batchId: number } | { readonly holdingId: number }) => number[];
}

/**
 * What was really cooked of the food that is there, in packs or warm on `today`, against the dogs' lists and what can hurt
 * any dog.
 */
export async function readAvoided(
  tx: Tx,
  reference: Reference,
  dogs: readonly StoredDog[],
  today: LocalDate,
): Promise<Avoided> {
  const contents = await tx
    .select({ holdingId: packContent.holdingId, batchId: packContent.batchId })
    .from(packContent)
    .innerJoin(holding, eq(holding.id, packContent.holdingId))
    .where(gt(holding.amount, 0));
  const warm = await tx
    .selectDistinct({ batchId: share.batchId })
    .from(share)
    .where(and(eq(share.fate, 'today'), eq(share.day, today)));
  const living = [...new Set([...contents, ...warm].map((row) => row.batchId))];
  // What went in stands in the summary of each batch, as it was put right: its evidence is large and not asked for.
  const batches = (
    living.length === 0
      ? []
      : await tx.select({ id: batch.id, summary: batch.summary }).from(batch).where(inArray(batch.id, living))
  ).map(({ id, summary }) => ({ id, lines: summary?.foods ?? [] }));
  const nameOf = (ndb: string) => reference.foods.get(ndb)?.name;
  const found = new Map<string, readonly NotForIt[]>();
  for (const { id, lines } of batches) {
    const foods = lines.flatMap((line) => reference.foods.get(line.ndb) ?? []);
    const hurts = hazardsIn(
      lines.map((line) => ({ ...line, words: '' })),
      reference.hazards.filter((hazard) => hazard.level !== 'caution'),
    );
    for (const dog of dogs) {
      const allowed = dog.vetNotes.map((note) => note.hazardId);
      const own = avoidedIn(dog.avoids, foods, nameOf).map((avoid) => ({
        said: `${avoid.label} (${avoid.reason})`,
        stops: stops(avoid),
      }));
      const any = hurts
        .filter(({ hazard }) => stopsPlan(hazard, allowed))
        .map(({ hazard }) => ({ said: hazard.name, stops: true }));
      if (own.length + any.length > 0) found.set(`${id}-${dog.id}`, [...own, ...any]);
    }
  }
  const ofBatch = (batchId: number, dogId: number) => found.get(`${batchId}-${dogId}`) ?? [];
  const ofPack = (holdingId: number, dogId: number) =>
    contents.filter((row) => row.holdingId === holdingId).flatMap((row) => ofBatch(row.batchId, dogId));
  return {
    ofBatch,
    ofPack,
    dogsNotFor: (where) =>
      dogs
        .filter(
          (dog) => ('batchId' in where ? ofBatch(where.batchId, dog.id) : ofPack(where.holdingId, dog.id)).length > 0,
        )
        .map((dog) => dog.id),
  };
}
