import 'server-only';
import { askClock } from '@/core/stock/clock';
import type { Page } from './page';
import type { Tx } from './database';
import { readNewestDay } from './repositories/movements';

/** Asked where the day of the clock lies before what is written down, and nobody has said yet that the clock is right. */
export const clockAsked = async (tx: Tx, { today, household }: Pick<Page, 'today' | 'household'>) =>
  askClock(await readNewestDay(tx), today, household.clockSaid ?? undefined);
