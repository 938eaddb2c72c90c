import 'server-only';
import { asc, isNotNull, isNull } from 'drizzle-orm';
import type { Equipment } from '@/core/plan/equipment';
import type { Tx } from '../database';
import { equipment } from '../schema/household';

/** What was put away of it, by name. */
export const readEquipmentAway = async (tx: Tx): Promise<{ id: number; name: string }[]> =>
  tx
    .select({ id: equipment.id, name: equipment.name })
    .from(equipment)
    .where(isNotNull(equipment.archivedAt))
    .orderBy(asc(equipment.id));

/** The vessels, containers and dryers of the household, in the order in which they were set down. */
export const readEquipment = async (tx: Tx): Promise<Equipment[]> =>
  (await tx.select().from(equipment).where(isNull(equipment.archivedAt)).orderBy(asc(equipment.id))).map(
    ({ id, kind, name, millilitres, grams, count, dryer }) => ({
      id,
      kind,
      name,
      count,
      ...(millilitres === null ? {} : { millilitres }),
      ...(grams === null ? {} : { grams }),
      ...(dryer === null ? {} : { dryer }),
    }),
  );
