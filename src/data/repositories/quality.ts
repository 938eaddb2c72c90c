import 'server-only';
import { and, asc, desc, eq, isNull } from 'drizzle-orm';
import type { QualityAbout } from '@/core/preserve/quality';
import type { FoodKind } from '@/core/preserve/shelf-life';
import type { Tx } from '../database';
import { batch, qualityNote } from '../schema/batches';
import { dog } from '../schema/dogs';
import { recipeVersion } from '../schema/recipes';
import { holding } from '../schema/stock';

export interface StoredQuality {
  readonly id: number;
  readonly holdingId: number | undefined;
  readonly dogName: string | undefined;
  readonly about: QualityAbout;
  readonly good: boolean;
  readonly words: string | undefined;
  readonly at: Date;
}

/** What was noted of a batch, or of one of its packs, the oldest first. */
export const readQuality = async (
  tx: Tx,
  of: { readonly batchId: number } | { readonly holdingId: number },
): Promise<StoredQuality[]> =>
  (
    await tx
      .select({ note: qualityNote, dogName: dog.name })
      .from(qualityNote)
      .leftJoin(dog, eq(dog.id, qualityNote.dogId))
      .where(
        and(
          'batchId' in of ? eq(qualityNote.batchId, of.batchId) : eq(qualityNote.holdingId, of.holdingId),
          isNull(qualityNote.takenBackAt),
        ),
      )
      .orderBy(asc(qualityNote.id))
  ).map(({ note, dogName }) => ({
    id: note.id,
    holdingId: note.holdingId ?? undefined,
    dogName: dogName ?? undefined,
    about: note.about,
    good: note.good,
    words: note.words ?? undefined,
    at: note.at,
  }));

/** How many notes back are looked at (ours, no source). */
const NOTES_BACK = 200;

/** What was noted of a recipe's food, with what kind of food it was where a pack was meant, the newest first. */
export const readQualityOfRecipe = async (
  tx: Tx,
  recipeId: number,
): Promise<{ readonly kind: FoodKind | undefined; readonly about: QualityAbout; readonly good: boolean }[]> =>
  (
    await tx
      .select({ kind: holding.foodKind, about: qualityNote.about, good: qualityNote.good })
      .from(qualityNote)
      .innerJoin(batch, eq(batch.id, qualityNote.batchId))
      .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
      .leftJoin(holding, eq(holding.id, qualityNote.holdingId))
      .where(and(eq(recipeVersion.recipeId, recipeId), isNull(qualityNote.takenBackAt)))
      .orderBy(desc(qualityNote.id))
      .limit(NOTES_BACK)
  ).map(({ kind, ...note }) => ({ ...note, kind: kind ?? undefined }));
