import 'server-only';
import type { BoxesFilled, BoxPlan, Ingredient } from '@/core/portion/boxes';
import { isDried } from '@/core/preserve/shelf-life';
import type { Page } from '@/data/page';
import { readAtHand, readBoxes, readIngredients, type StoredIngredient } from '@/data/repositories/boxes';
import { readAllPlaces } from '@/data/repositories/household';

/** A share that may go into a box. */
export interface AtHand extends Ingredient {
  readonly batchId: number;
  /** The batch that it is of. */
  readonly of: string;
  readonly placeId: number;
  readonly place: string;
  readonly isDry: boolean;
  readonly isRaw: boolean;
}

export interface BoxesView {
  readonly atHand: readonly AtHand[];
  /** Boxes that are being built. */
  readonly open:
    | {
        readonly id: number;
        readonly plan: BoxPlan;
        readonly filled: BoxesFilled;
        readonly ingredients: readonly AtHand[];
      }
    | undefined;
}

/** What may go into boxes at a batch's sheet while something of its own is left, and those that are being built. */
export async function boxesView({ db, household }: Page, batchId: number, isOpen: boolean): Promise<BoxesView> {
  const places = new Map((await readAllPlaces(db)).map(({ id, name }) => [id, name]));
  const shown = ({ batch, share, kind, ...each }: StoredIngredient): AtHand => ({
    shareId: each.shareId,
    name: each.name,
    grams: each.grams,
    density: each.density,
    bonePerGram: each.bonePerGram,
    organPerGram: each.organPerGram,
    batchId: batch.id,
    of: batch.recipeName,
    placeId: share.placeId ?? 0,
    place: places.get(share.placeId ?? 0) ?? '',
    isDry: isDried(kind),
    isRaw: kind === 'raw',
  });
  const [open] = await readBoxes(db, { batchId });
  return {
    atHand: isOpen ? (await readAtHand(db, household.energyFactors)).map(shown) : [],
    open: open && {
      id: open.id,
      plan: open.plan,
      filled: open.filled,
      ingredients: (
        await readIngredients(
          db,
          open.plan.rows.map(({ shareId }) => shareId),
          household.energyFactors,
        )
      ).map(shown),
    },
  };
}
