import 'server-only';
import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import { densityIn, type BatchSummary } from '@/core/batch/summary';
import type { LocalDate } from '@/core/calendar/local-date';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { energyParts, plateOf } from '@/core/portion/plated';
import { isDried } from '@/core/preserve/shelf-life';
import type { Source } from '@/core/stock/draw';
import { fromTenths } from '@/core/stock/ledger';
import type { Tx } from '../database';
import { batch, share } from '../schema/batches';
import { recipe, recipeVersion } from '../schema/recipes';
import { ifRead } from '../schema/kept-json';
import { bowl, bowlPart } from '../schema/bowls';
import type { StoredPack } from './stock';

/** kcal of each dog's day, by its id. */
export type DayKcal = ReadonlyMap<number, number>;

/** kcal of a day where nobody's is known: by parts of the weight it makes no difference. */
const SOME_DAY = 1000;

/** What is kept apart is put into a bowl with what belongs to it: what part of each dog's kcal it gives. */
function plateIn(batchId: number, place: number, apart: BatchSummary['apart'], days: DayKcal): Source['plate'] {
  if (!apart) return undefined;
  const plate = plateOf(apart.yields, apart.plating);
  const partOf = (kcal: number) => energyParts(plate, apart.yields, kcal).get(place) ?? 0;
  return {
    of: batchId,
    place,
    usual: partOf(days.size === 0 ? SOME_DAY : addUp([...days.values()], (kcal) => kcal) / days.size),
    parts: Object.fromEntries([...days].map(([dogId, kcal]) => [dogId, partOf(kcal)])),
  };
}

/** A pack as the bowl sees it; kcal of the dogs' days say how much of each belongs together, where parts are kept apart. */
export const sourceOf = (stored: StoredPack, days: DayKcal = new Map()): Source => ({
  key: `pack-${stored.holdingId}`,
  code: stored.code,
  dogId: stored.dogId,
  dogIds: stored.split?.map(({ dogId }) => dogId),
  recipeId: stored.recipeId,
  grams: stored.grams,
  density: stored.density,
  waterPerGram: stored.waterPerGram,
  place: stored.placeKind,
  safeUntil: stored.safeUntil,
  bestBy: stored.bestBy,
  keeps: stored.keeps,
  opened: isDried(stored.foodKind) ? stored.openedOn !== undefined : stored.grams < stored.labelGrams,
  short: stored.short,
  blocked: stored.blocked,
  beside: stored.beside,
  ...(stored.contents.length === 1 && stored.contents[0]?.apart
    ? { plate: plateIn(stored.contents[0].batchId, stored.contents[0].place, stored.contents[0].apart, days) }
    : {}),
});

export interface WarmShare {
  /** Its heat was not proven. */
  readonly unproven: boolean;
  readonly shareId: number;
  readonly batchId: number;
  readonly recipeId: number;
  readonly recipeName: string;
  readonly grams: number;
  readonly density: number;
  /** The yield that it is of, and those of its batch where they are kept apart. */
  readonly place: number;
  readonly apart: BatchSummary['apart'];
}

/** Shares that are eaten warm on `day`, with what is left of each. */
export async function readWarmShares(tx: Tx, day: LocalDate, factors: EnergyFactors): Promise<WarmShare[]> {
  const rows = await tx
    .select({
      id: share.id,
      place: share.yield,
      grams: share.grams,
      batchId: share.batchId,
      summary: batch.summary,
      recipeId: recipe.id,
      recipeName: recipe.name,
    })
    .from(share)
    .innerJoin(batch, eq(batch.id, share.batchId))
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(and(eq(share.fate, 'today'), eq(share.day, day)));
  if (rows.length === 0) return [];
  const eaten = await tx
    .select({ shareId: bowlPart.shareId, amount: sql<number>`sum(${bowlPart.amount})::int` })
    .from(bowlPart)
    .innerJoin(bowl, eq(bowl.id, bowlPart.bowlId))
    .where(
      and(
        isNull(bowl.reversedBy),
        inArray(
          bowlPart.shareId,
          rows.map((row) => row.id),
        ),
      ),
    )
    .groupBy(bowlPart.shareId);
  const eatenOf = new Map(eaten.map((row) => [row.shareId, row.amount]));
  return rows.flatMap(({ id, grams, summary: kept, ...row }) => {
    const summary = ifRead(kept);
    const { apart } = summary ?? {};
    const density = apart?.yields.find((own) => own.place === row.place)?.density ?? densityIn(summary, factors);
    return density === undefined
      ? []
      : [
          {
            ...row,
            unproven: summary?.unproven === true,
            shareId: id,
            apart,
            grams: grams - fromTenths(eatenOf.get(id) ?? 0),
            density,
          },
        ];
  });
}

/** A share eaten today as the bowl sees it. */
export const warmSourceOf = (warm: WarmShare, days: DayKcal = new Map()): Source => ({
  key: `share-${warm.shareId}`,
  code: 'the pot',
  recipeId: warm.recipeId,
  grams: warm.grams,
  density: warm.density,
  waterPerGram: 0,
  place: 'warm',
  keeps: {},
  opened: true,
  short: false,
  beside: false,
  ...(warm.apart ? { plate: plateIn(warm.batchId, warm.place, warm.apart, days) } : {}),
});
