import 'server-only';
import { asc, isNull } from 'drizzle-orm';
import type { Equipment } from '@/core/plan/equipment';
import type { Tx } from '../database';
import { equipment } from '../schema/household';

/** The vessels, containers and dryers of the household, in the order in which they were set down. */
export const readEquipment = async (tx: Tx): Promise<Equipment[]> =>
  (await tx.select().from(equipment).where(isNull(equipment.removedAt)).orderBy(asc(equipment.id))).map(
    ({ id, kind, name, millilitres, grams, count }) => ({
      id,
      kind,
      name,
      count,
      ...(millilitres === null ? {} : { millilitres }),
      ...(grams === null ? {} : { grams }),
    }),
  );
