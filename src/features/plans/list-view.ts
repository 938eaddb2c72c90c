import type { LotEntry } from '@/core/stock/lot-entry';
import type { FetchedFrom } from '@/core/plan/shopping';
import type { PlaceOffered } from '@/core/plan/list-entry';

/** What has been said about a thing of a plan's list. */
export interface PlanItem {
  readonly foodKey: string;
  readonly fetchedFrom: FetchedFrom;
  readonly ticked: boolean;
  readonly holdingId: number | undefined;
  /** What came in by its tick, as it can be typed again and as it is said. */
  readonly lot: { readonly entry: LotEntry; readonly said: string } | undefined;
}

/** Where things can be put, and in what they are paid. */
export interface ListHouse {
  readonly places: readonly PlaceOffered[];
  readonly currency: string;
}
