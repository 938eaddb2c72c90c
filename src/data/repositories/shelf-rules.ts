import 'server-only';
import { asc } from 'drizzle-orm';
import { datingRules, type DatingRules, type ShelfLife, type ShelfLives } from '@/core/preserve/shelf-life';
import { sure } from '@/core/sure';
import type { Tx } from '../database';
import { shelfRules } from '../schema/household';

/** Rules of dates as they stood from a day on. */
export interface StoredRules {
  readonly id: number;
  /** Days that cooked food keeps in the fridge. */
  readonly cookedFridgeDays: number;
  /** Rows of the household's own. */
  readonly own: readonly ShelfLife[];
}

/** All rules of dates that this household has had, the oldest first. */
export const readShelfRules = async (tx: Tx): Promise<StoredRules[]> =>
  tx
    .select({ id: shelfRules.id, cookedFridgeDays: shelfRules.cookedFridgeDays, own: shelfRules.own })
    .from(shelfRules)
    .orderBy(asc(shelfRules.id));

/** Those that hold for what is packed now. */
export const rulesNow = (all: readonly StoredRules[]): StoredRules => sure(all.at(-1));

/** What a row of rules says: the table with the household's own rows; without an id, the oldest. */
export const datingBy =
  (lives: ShelfLives, all: readonly StoredRules[]) =>
  (id: number | undefined): DatingRules => {
    const found = sure(id === undefined ? all[0] : all.find((each) => each.id === id));
    return datingRules(lives, found.own, found.cookedFridgeDays);
  };

/** The rules by which what is made now is dated. */
export async function readDatingNow(tx: Tx, lives: ShelfLives): Promise<DatingRules> {
  const all = await readShelfRules(tx);
  return datingBy(lives, all)(rulesNow(all).id);
}
