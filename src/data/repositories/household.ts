import 'server-only';
import { asc, eq, isNull } from 'drizzle-orm';
import { dayIn, type LocalDate } from '@/core/calendar/local-date';
import type { PlaceKind } from '@/core/preserve/shelf-life';
import { now } from '../clock';
import type { Tx } from '../database';
import { household, place, shelfRules } from '../schema/household';

export type Household = Omit<typeof household.$inferSelect, 'id'>;
export type Place = typeof place.$inferSelect;

/** Makes the household and its three places where there is none yet; true when it did. */
export async function ensureHousehold(tx: Tx, timeZone: string): Promise<boolean> {
  const made = await tx
    .insert(household)
    .values({ id: 1, unitSet: 'metric', energyFactors: '4-9-4', timeZone, cookedFridgeDays: 4, currency: 'EUR' })
    .onConflictDoNothing()
    .returning();
  if (made.length === 0) return false;
  await tx.insert(shelfRules).values({ cookedFridgeDays: 4, own: [], since: new Date(0) });
  const kinds: readonly [PlaceKind, string][] = [
    ['fridge', 'Fridge'],
    ['freezer', 'Freezer'],
    ['cupboard', 'Cupboard'],
  ];
  await tx.insert(place).values(kinds.map(([kind, name], position) => ({ kind, name, position })));
  return true;
}

/** Of transactions that may not write: there it stays as it was read first. */
const unchanging = new WeakMap<Tx, Household>();

export const staysIn = (tx: Tx, read: Household) => void unchanging.set(tx, read);

export async function readHousehold(tx: Tx): Promise<Household> {
  const before = unchanging.get(tx);
  if (before) return before;
  const [row] = await tx.select().from(household);
  if (!row) throw new Error('no household');
  return row;
}

/** The day that it is in this household, by the clock. */
export const readToday = async (tx: Tx): Promise<LocalDate> => dayIn(now(), (await readHousehold(tx)).timeZone);

export const changeHousehold = (tx: Tx, change: Partial<Household>) =>
  tx.update(household).set(change).where(eq(household.id, 1));

/** The places that are in use. */
export const readPlaces = (tx: Tx): Promise<Place[]> =>
  tx.select().from(place).where(isNull(place.archivedAt)).orderBy(asc(place.position), asc(place.id));

/** Every place, put away or not: what was done names it. */
export const readAllPlaces = (tx: Tx): Promise<Place[]> =>
  tx.select().from(place).orderBy(asc(place.position), asc(place.id));
