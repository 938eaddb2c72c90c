import 'server-only';
import { isNotNull } from 'drizzle-orm';
import { clockIn, dayIn, type LocalDate } from '@/core/calendar/local-date';
import type { Protein } from '@/core/recipe/protein';
import { now } from './clock';
import type { Tx } from './database';
import { house } from './house';
import type { Reference } from './reference/reference';
import { readHousehold, staysIn, type Household } from './repositories/household';
import { recipe } from './schema/recipes';

/** What every query of a page begins with: one read transaction, the tables, the household and its day. */
export interface Page {
  readonly db: Tx;
  readonly reference: Reference;
  readonly household: Household;
  readonly now: Date;
  readonly today: LocalDate;
  readonly clock: string;
}

/**
 * Reads for a page in one transaction that may not write: what another window does meanwhile is seen whole or not at all.
 * A query for a page does not call another one, for that would wait for itself.
 */
export async function readPage<T>(work: (page: Page) => Promise<T>): Promise<T> {
  const { db, reference } = await house();
  return db.transaction(
    async (tx) => {
      const household = await readHousehold(tx);
      staysIn(tx, household);
      const instant = now();
      return work({
        db: tx,
        reference,
        household,
        now: instant,
        today: dayIn(instant, household.timeZone),
        clock: clockIn(instant, household.timeZone),
      });
    },
    { accessMode: 'read only' },
  );
}

/** A query of a room, by what it needs beside the page. */
export const pageQuery =
  <Asked extends readonly unknown[], T>(work: (page: Page, ...asked: Asked) => Promise<T>) =>
  (...asked: Asked): Promise<T> =>
    readPage((page) => work(page, ...asked));

/** The hatch and word of each recipe, by its id, as kept with its latest version. */
export async function readProteins({ db }: Pick<Page, 'db'>): Promise<Map<number, Protein>> {
  const rows = await db
    .select({ id: recipe.id, protein: recipe.protein })
    .from(recipe)
    .where(isNotNull(recipe.protein));
  return new Map(rows.flatMap(({ id, protein }) => (protein ? [[id, protein] as const] : [])));
}
