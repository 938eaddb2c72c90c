import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import { EXAMPLE_KITCHEN, readEquipment as readEntry } from '@/core/plan/equipment-entry';
import type { EquipmentEntry } from '@/core/plan/equipment';
import { readQuantity } from '@/core/quantity/read';
import { readEquipment } from '../repositories/equipment';
import { equipment, place } from '../schema/household';
import { Refusal, refuse, type Context } from './run';

/** Sets down a vessel, container or dryer, new or corrected. */
export async function saveEquipment(
  { tx, household }: Context,
  input: { id?: number; entry: EquipmentEntry },
): Promise<{ id: number }> {
  const read = readEntry(input.entry, household.unitSet);
  if (!read.ok) throw new Refusal(read.problem);
  const row = { millilitres: null, grams: null, ...read.value };
  if (input.id === undefined) return (await tx.insert(equipment).values(row).returning({ id: equipment.id }))[0]!;
  const [kept] = await tx
    .update(equipment)
    .set(row)
    .where(and(eq(equipment.id, input.id), isNull(equipment.removedAt)))
    .returning({ id: equipment.id });
  return kept ?? refuse('This is not here any more.');
}

/** Takes a thing out of the kitchen; plans that were kept with it stand. */
export async function removeEquipment({ tx, now }: Context, input: { id: number }): Promise<void> {
  await tx.update(equipment).set({ removedAt: now }).where(eq(equipment.id, input.id));
}

/** How much a place holds: "60 L"; nothing typed makes it unknown again. */
export async function sizePlace({ tx, household }: Context, input: { id: number; size: string }): Promise<void> {
  const text = input.size.trim();
  let capacityMl: number | null = null;
  if (text !== '') {
    const read = readQuantity(text, household.unitSet);
    if (!read.ok || read.value.kind !== 'volume' || !(read.value.millilitres > 0))
      refuse('How much does it hold? Write it like 60 L.', `place-${input.id}`);
    else if (read.value.millilitres > 2_000_000)
      refuse('That is more than any home freezer holds. Check the volume.', `place-${input.id}`);
    else capacityMl = Math.round(read.value.millilitres);
  }
  const changed = await tx.update(place).set({ capacityMl }).where(eq(place.id, input.id)).returning();
  if (changed.length === 0) refuse('This place is not here any more.');
}

/** A small kitchen to begin with, for a cook who has set nothing down yet; every piece of it can be changed. */
export async function beginKitchen(context: Context): Promise<void> {
  if ((await readEquipment(context.tx)).length > 0) refuse('This kitchen has begun already: change what is there.');
  for (const entry of EXAMPLE_KITCHEN) await saveEquipment(context, { entry });
}
