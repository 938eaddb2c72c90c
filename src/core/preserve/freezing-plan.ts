import type { KeepsDays } from './shelf-life';
import { freezesADay, loadFreezer } from './freezing';

/** On which day each pack of a share goes into its freezer. */
export interface FreezingPlan {
  /** g that the freezer freezes in a day; undefined: nobody has said how large it is. */
  readonly aDay: ReturnType<typeof freezesADay> | undefined;
  /** By the packs in their order, 0 is today; undefined where nobody knows, or one pack is more than a day takes. */
  readonly dayOf: readonly number[] | undefined;
  /** Days until the last pack is in it, counted from today. */
  readonly days: number;
  /** Packs that wait in the fridge, each with its days; empty where all go in at once. */
  readonly waits: readonly { readonly index: number; readonly days: number }[];
  /** They would wait longer than the fridge keeps them. */
  readonly tooLong: boolean;
}

/**
 * How the packs of a share go into a freezer: so many a day as it can freeze, in as few days as possible; the others wait in the
 * fridge, where their days count. Takes g of each pack, L of the freezer and the fridge days. Source: NCHFP (handbook 10).
 */
export function planFreezing(
  packs: readonly number[],
  litres: number | undefined,
  fridgeDays: KeepsDays,
): FreezingPlan {
  const aDay = litres === undefined ? undefined : freezesADay(litres);
  const plan = aDay === undefined || packs.length === 0 ? undefined : loadFreezer(packs, aDay.mean);
  const dayOf = plan?.dayOf;
  const waits = (dayOf ?? []).flatMap((days, index) => (days > 0 ? [{ index, days }] : []));
  const days = plan?.days ?? 0;
  return { aDay, dayOf, days, waits, tooLong: days - 1 > fridgeDays };
}
