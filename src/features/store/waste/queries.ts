import 'server-only';
import { costOfKcal, costOfPart } from '@/core/stock/cost';
import { format, parseISO } from 'date-fns';
import { addMonths } from '@/core/calendar/local-date';
import { wasteByMonth, type WasteMonth } from '@/core/stock/waste';
import { pageQuery } from '@/data/page';
import { readKcalPrices, readPotsOfPacks } from '@/data/repositories/kcal-prices';
import { readLotsById } from '@/data/repositories/lots';
import { readWaste, type WastedOf } from '@/data/repositories/waste';

export interface WasteView {
  readonly currency: string;
  readonly months: readonly (WasteMonth & { readonly said: string })[];
}

/** So many months back. */
const MONTHS = 12;

export const wasteView = pageQuery(async ({ db, today, household, reference, now }): Promise<WasteView> => {
  const wasted = await readWaste(db, addMonths(today, -MONTHS));
  const ids = [...new Set(wasted.flatMap(({ holdingId }) => holdingId ?? []))];
  const pots = await readPotsOfPacks(db, ids);
  const prices = await readKcalPrices({ tx: db, reference, household, now }, [
    ...new Set([...pots.values()].flatMap((own) => own.map(({ batchId }) => batchId))),
  ]);
  const lots = new Map((await readLotsById(db, ids)).map((lot) => [lot.holdingId, lot]));
  const minorOf = ({ holdingId, grams, kcal }: WastedOf): number | undefined => {
    const lot = lots.get(holdingId ?? 0);
    if (lot) return costOfPart(grams, lot);
    const own = pots.get(holdingId ?? 0);
    if (!own) return undefined;
    return costOfKcal(
      kcal,
      own.map(({ batchId, part }) => ({ part, price: prices.get(batchId) })),
    );
  };
  const months = wasteByMonth(wasted.map((each) => ({ ...each, minor: minorOf(each) })));
  return {
    currency: household.currency,
    months: months.map((month) => ({ ...month, said: format(parseISO(`${month.month}-01`), 'MMMM yyyy') })),
  };
});
