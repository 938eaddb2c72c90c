import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import type { QualityEntry } from '@/core/preserve/quality';
import { readPacks } from '../repositories/stock';
import { batch, qualityNote } from '../schema/batches';
import { readDog } from '../repositories/dogs';
import { refuse, type Context } from './run';

/** Notes how a batch or one of its packs turned out. */
export async function noteQuality({ tx, now }: Context, input: QualityEntry): Promise<void> {
  const [found] = await tx.select({ id: batch.id }).from(batch).where(eq(batch.id, input.batchId));
  if (!found) refuse('This batch is not here any more.');
  if (input.holdingId !== undefined) {
    const [pack] = await readPacks(tx, [input.holdingId]);
    if (!pack?.contents.some(({ batchId }) => batchId === input.batchId)) refuse('This pack is not of that batch.');
  }
  if (input.dogId !== undefined && !(await readDog(tx, input.dogId))) refuse('This dog is not here any more.', 'dogId');
  if (input.about === 'eaten' && input.dogId === undefined) refuse('Which dog?', 'dogId');
  await tx.insert(qualityNote).values({
    batchId: input.batchId,
    holdingId: input.holdingId ?? null,
    dogId: input.dogId ?? null,
    about: input.about,
    good: input.good,
    words: input.words || null,
    at: now,
  });
}

/** Takes a note back; it stays to be seen that it was made. */
export async function dropQuality({ tx, now }: Context, { noteId }: { noteId: number }): Promise<void> {
  const gone = await tx
    .update(qualityNote)
    .set({ takenBackAt: now })
    .where(and(eq(qualityNote.id, noteId), isNull(qualityNote.takenBackAt)))
    .returning({ id: qualityNote.id });
  if (gone.length === 0) refuse('This note was taken back already.');
}
