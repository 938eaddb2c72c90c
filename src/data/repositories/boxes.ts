import 'server-only';
import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import { storedAs, type BatchYield } from '@/core/batch/fold';
import type { ShareState } from '@/core/batch/share-state';
import { kindOfShare } from '@/core/batch/kind-of-share';
import type { BoxesFilled, BoxPlan, Ingredient } from '@/core/portion/boxes';
import type { FoodKind } from '@/core/preserve/shelf-life';
import type { WeighedLine } from '@/core/recipe/recipe';
import { sure } from '@/core/sure';
import type { Tx } from '../database';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { batch, boxPlan, share } from '../schema/batches';
import { readBatchIfReadable, type WeighedBatch } from './batches';

/** Boxes that are being built. */
export interface StoredBoxes {
  readonly id: number;
  readonly batchId: number;
  readonly plan: BoxPlan;
  readonly filled: BoxesFilled;
}

/** The boxes that are being built: all, those of one batch, or some by their id. */
export async function readBoxes(
  tx: Tx,
  of: { readonly id?: number; readonly batchId?: number } = {},
): Promise<StoredBoxes[]> {
  const rows = await tx
    .select()
    .from(boxPlan)
    .where(
      and(
        isNull(boxPlan.closedAt),
        of.id === undefined ? undefined : eq(boxPlan.id, of.id),
        of.batchId === undefined ? undefined : eq(boxPlan.batchId, of.batchId),
      ),
    )
    .orderBy(asc(boxPlan.id));
  return rows.map(({ id, batchId, plan, filled }) => ({ id, batchId, plan, filled }));
}

/** A share as boxes take of it. */
export interface StoredIngredient extends Ingredient {
  readonly batch: WeighedBatch;
  readonly share: ShareState;
  readonly kind: FoodKind;
}

const isBone = ({ food, part }: WeighedLine) => part === 'bone' || food.ndb === 'BONE';

/** What a share brings into a box: what of it is left to be packed, and what each g of it holds. */
function ingredientOf(found: WeighedBatch, own: ShareState, pot: BatchYield): StoredIngredient {
  const whole = pot.net + pot.eatenBefore;
  // Of a cut whose bone nobody knows the whole line is said to hold some.
  const isUnknown = pot.lines.some(({ food }) => food.bone === true && food.ndb !== 'BONE');
  const perGram = (is: (line: WeighedLine) => boolean) => addUp(pot.lines.filter(is), (line) => line.grams) / whole;
  return {
    shareId: own.id,
    name: found.yields.length > 1 ? pot.name : found.recipeName,
    grams: Math.max(0, own.left ?? 0),
    density: storedAs(own, found.yields)?.density ?? pot.density,
    bonePerGram: isUnknown ? undefined : perGram(isBone),
    organPerGram: perGram((line) => line.part === 'secreting organ'),
    batch: found,
    share: own,
    kind: kindOfShare(found, own),
  };
}

/** Shares as ingredients, by their ids, in the order asked; one that is gone is left out. */
export async function readIngredients(
  tx: Tx,
  shareIds: readonly number[],
  factors: EnergyFactors,
): Promise<StoredIngredient[]> {
  if (shareIds.length === 0) return [];
  const rows = await tx
    .selectDistinct({ batchId: share.batchId })
    .from(share)
    .where(inArray(share.id, [...shareIds]));
  const all = await ingredientsIn(
    tx,
    rows.map((row) => row.batchId),
    factors,
  );
  return shareIds.flatMap((id) => all.find((each) => each.shareId === id) ?? []);
}

/** Everything that is still to be packed in this kitchen, batch by batch. */
export async function readAtHand(tx: Tx, factors: EnergyFactors): Promise<StoredIngredient[]> {
  const rows = await tx
    .select({ id: batch.id })
    .from(batch)
    .where(and(eq(batch.open, true), eq(batch.state, 'weighed'), isNull(batch.droppedAt)))
    .orderBy(asc(batch.id));
  const all = await ingredientsIn(
    tx,
    rows.map((row) => row.id),
    factors,
  );
  return all.filter((each) => each.grams >= 1);
}

async function ingredientsIn(tx: Tx, batchIds: readonly number[], factors: EnergyFactors): Promise<StoredIngredient[]> {
  const found: StoredIngredient[] = [];
  for (const id of batchIds) {
    const own = await readBatchIfReadable(tx, id, factors);
    if (own?.state !== 'weighed' || own.byProduct) continue;
    for (const each of own.shares)
      if (each.fate !== 'today' && each.grams > 0)
        found.push(ingredientOf(own, each, sure(own.yields.find(({ place }) => place === each.yield))));
  }
  return found;
}
