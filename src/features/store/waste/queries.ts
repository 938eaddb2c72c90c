import 'server-only';
import { format, parseISO } from 'date-fns';
import { addMonths } from '@/core/calendar/local-date';
import { wasteByMonth, type WasteMonth } from '@/core/stock/waste';
import { pageQuery } from '@/data/page';
import { readWaste } from '@/data/repositories/waste';

export interface WasteView {
  readonly months: readonly (WasteMonth & { readonly said: string })[];
}

/** So many months back. */
const MONTHS = 12;

export const wasteView = pageQuery(async ({ db, today }): Promise<WasteView> => {
  const months = wasteByMonth(await readWaste(db, addMonths(today, -MONTHS)));
  return { months: months.map((month) => ({ ...month, said: format(parseISO(`${month.month}-01`), 'MMMM yyyy') })) };
});
