import 'server-only';
import { and, eq, gt, inArray, isNotNull } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import type { LocalDate } from '@/core/calendar/local-date';
import { avoidedOf, type KeptFrom } from '@/core/stock/avoided';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { batch, share } from '../schema/batches';
import { everyLine } from '@/core/recipe/bases';
import { ifRead, isUnread } from '../schema/kept-json';
import { holding, pack, packContent } from '../schema/stock';
import type { StoredDog } from './dogs';
import { isReadVersion, readLatestAsKept } from './recipes';

/**
 * What was really cooked of the food that is there, in packs or warm on `today`, against the dogs' lists and what can hurt
 * any dog.
 */
export async function readAvoided(
  tx: Tx,
  reference: Reference,
  dogs: readonly StoredDog[],
  today: LocalDate,
): Promise<KeptFrom> {
  const contents = await tx
    .select({ holdingId: packContent.holdingId, batchId: packContent.batchId })
    .from(packContent)
    .innerJoin(holding, eq(holding.id, packContent.holdingId))
    .where(gt(holding.amount, 0));
  // What was found is of its recipe as that is now, as far as anybody knows.
  const found = (
    await tx
      .select({ holdingId: pack.holdingId, found: pack.found })
      .from(pack)
      .innerJoin(holding, eq(holding.id, pack.holdingId))
      .where(and(gt(holding.amount, 0), isNotNull(pack.found)))
  ).flatMap((row) => {
    const own = ifRead(row.found);
    return own ? [{ holdingId: row.holdingId, recipeId: own.recipeId }] : [];
  });
  const warm = await tx
    .selectDistinct({ batchId: share.batchId })
    .from(share)
    .where(and(eq(share.fate, 'today'), eq(share.day, today)));
  const living = [...new Set([...contents, ...warm].map((row) => row.batchId))];
  // In what is kept of a pot is what was in the pot.
  const parent = alias(batch, 'parent');
  // What went in stands in the summary of each batch, as it was put right: its evidence is large and not asked for.
  const batches =
    living.length === 0
      ? []
      : await tx
          .select({ id: batch.id, summary: batch.summary, parent: parent.summary })
          .from(batch)
          .leftJoin(parent, eq(parent.id, batch.parentId))
          .where(inArray(batch.id, living));
  const recipes = await readFoundFoods(
    tx,
    reference,
    found.map(({ recipeId }) => recipeId),
  );
  return avoidedOf(
    {
      batches: [
        ...batches.map((own) => {
          const summary = own.parent ?? own.summary;
          return { id: own.id, foods: isUnread(summary) ? undefined : (summary?.foods ?? []) };
        }),
        ...recipes.map(({ recipeId, foods }) => ({ id: -recipeId, foods })),
      ],
      contents: [...contents, ...found.map(({ holdingId, recipeId }) => ({ holdingId, batchId: -recipeId }))],
    },
    dogs,
    reference.foods,
    reference.hazards,
  );
}

/** The foods of recipes as they are now, choices and all: whatever may be in a pack that nobody sealed here. */
async function readFoundFoods(tx: Tx, reference: Reference, recipeIds: readonly number[]) {
  const out = [];
  for (const recipeId of new Set(recipeIds)) {
    const version = await readLatestAsKept(tx, reference, recipeId);
    if (version)
      out.push({
        recipeId,
        foods: isReadVersion(version)
          ? version.written
              .flatMap((line) => everyLine([line], {}))
              .map(({ food, part, moment }) => ({ ndb: food.ndb, part, moment }))
          : undefined,
      });
  }
  return out;
}
