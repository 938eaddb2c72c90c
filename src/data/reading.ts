import 'server-only';
import { isNotNull } from 'drizzle-orm';
import { clockIn, dayIn, type LocalDate } from '@/core/calendar/local-date';
import type { Protein } from '@/core/recipe/protein';
import { now } from './clock';
import type { Database } from './database';
import { house } from './house';
import type { Reference } from './reference/reference';
import { readHousehold, type Household } from './repositories/household';
import { recipe } from './schema/recipes';

/** What every query of a page begins with: the database, the tables, the household and its day. */
export interface Reading {
  readonly db: Database;
  readonly reference: Reference;
  readonly household: Household;
  readonly now: Date;
  readonly today: LocalDate;
  readonly clock: string;
}

export async function reading(): Promise<Reading> {
  const { db, reference } = await house();
  const household = await readHousehold(db);
  const instant = now();
  return {
    db,
    reference,
    household,
    now: instant,
    today: dayIn(instant, household.timeZone),
    clock: clockIn(instant, household.timeZone),
  };
}

/** The hatch and word of each recipe, by its id, as kept with its latest version. */
export async function readProteins({ db }: Pick<Reading, 'db'>): Promise<Map<number, Protein>> {
  const rows = await db
    .select({ id: recipe.id, protein: recipe.protein })
    .from(recipe)
    .where(isNotNull(recipe.protein));
  return new Map(rows.flatMap(({ id, protein }) => (protein ? [[id, protein] as const] : [])));
}
