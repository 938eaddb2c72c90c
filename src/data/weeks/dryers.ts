import 'server-only';
import { dayIn, SHORTEST_MONTH } from '@/core/calendar/local-date';
import { fullLoad } from '@/core/preserve/dryer-loads';
import { costOf } from '@/core/preserve/drying-words';
import { DRYING_METHODS } from '@/core/preserve/methods';
import { keepsRowOf } from '@/core/preserve/shelf-life';
import { sure } from '@/core/sure';
import type { WeeksInputs } from '@/core/weeks/from-house';
import type { Page } from '../page';
import { readDryers } from '../repositories/dryers';
import { readDatingNow } from '../repositories/shelf-rules';

/** The dryers as the weeks count on them: what a full load is, how long it takes, and how long its food is good in the cupboard. */
export async function weeksDryers(
  { db, reference, household }: Pick<Page, 'db' | 'reference' | 'household'>,
  now: Date,
): Promise<WeeksInputs['dryers']> {
  const dating = await readDatingNow(db, reference.shelfLives);
  return (await readDryers(db, household.energyFactors, now)).map((dryer) => {
    const { key: method } = sure(DRYING_METHODS.find(({ machine }) => machine === dryer.kind));
    const { running } = dryer;
    // What was put into it today is of today's pots, which the weeks dry.
    const isTodays = running && dayIn(running.loadedAt, household.timeZone) === dayIn(now, household.timeZone);
    const { energy, ...load } = fullLoad(dryer, method, isTodays ? undefined : running?.hours);
    const life = keepsRowOf(dating, method, 'cupboard');
    // Whether a pot is fat is not asked here: the shorter life holds for all.
    const months = life?.fattyBestMonths ?? life?.bestMonths;
    return {
      equipmentId: dryer.id,
      name: dryer.name,
      method,
      ...load,
      keepsDays: life?.safeDays ?? (months ?? 0) * SHORTEST_MONTH,
      costACycle: costOf(energy, household.kwhMinor ?? undefined),
    };
  });
}
