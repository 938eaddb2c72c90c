import { z } from 'zod';
import { lotEntrySchema, type LotEntry } from '../stock/lot-entry';
import { idSchema, weightSchema } from '../schema';
import { typedMass } from '../quantity/write';
import type { PlaceKind } from '../preserve/shelf-life';
import type { UnitSet } from '../quantity/units';
import { boughtGrams, FETCHED_FROM, type ShoppingItem } from './shopping';

/** A thing of a plan's list, ticked or not, and where it comes from. */
export const planItemSchema = z.object({
  planId: idSchema,
  foodKey: z.string().min(1).max(10),
  name: z.string().trim().min(1).max(80),
  fetchedFrom: z.enum(FETCHED_FROM),
  ticked: z.boolean(),
  /** What came of it from the shop. */
  got: lotEntrySchema.optional(),
  /** g that are to be taken out of the freezer. */
  thaw: weightSchema.optional(),
});
export type PlanItemEntry = z.infer<typeof planItemSchema>;

/** A thing that is bought once for several plans, ticked or not. */
export const boughtOnceSchema = z.object({
  planIds: z.array(idSchema).min(1).max(100),
  foodKey: planItemSchema.shape.foodKey,
  name: planItemSchema.shape.name,
  ticked: z.boolean(),
  got: lotEntrySchema.optional(),
});
export type BoughtOnceEntry = z.infer<typeof boughtOnceSchema>;

/** A place of the house, as a form offers it. */
export interface PlaceOffered {
  readonly id: number;
  readonly kind: PlaceKind;
  readonly name: string;
}

/** What a thing of the list is, as it comes out of the bag, until the cook says more: nothing that only the label knows. */
export function usualLot(
  item: Pick<ShoppingItem, 'kind' | 'place' | 'grams' | 'toBuy' | 'packGrams'>,
  places: readonly PlaceOffered[],
  set: UnitSet,
): LotEntry | undefined {
  const place = places.find(({ kind }) => kind === item.place) ?? places.find(({ kind }) => kind === 'fridge');
  return (
    place && {
      amount: typedMass(boughtGrams(item), set),
      price: '',
      date: '',
      is: 'best',
      code: '',
      kind: item.kind,
      placeId: place.id,
    }
  );
}
