import 'server-only';
import { and, eq, isNull, max } from 'drizzle-orm';
import { readAmount } from '@/core/plan/typed-amount';
import { readEquipment as readEntry, type KitchenTicks } from '@/core/plan/equipment-entry';
import type { EquipmentEntry } from '@/core/plan/equipment';
import type { PlaceKind } from '@/core/preserve/shelf-life';
import type { UnitSet } from '@/core/quantity/units';
import { fine, refused, type Outcome } from '@/core/problem';
import { readEquipment } from '../repositories/equipment';
import { readPlaces } from '../repositories/household';
import { equipment, place } from '../schema/household';
import { need, refuse, type Context } from './run';
import { nth } from '@/core/sure';

/** Sets down a vessel, container or dryer, new or corrected. */
export async function saveEquipment(
  { tx, household }: Context,
  input: { id?: number; entry: EquipmentEntry },
): Promise<{ id: number }> {
  const row = { millilitres: null, grams: null, dryer: null, ...need(readEntry(input.entry, household.unitSet)) };
  if (input.id === undefined) return nth(await tx.insert(equipment).values(row).returning({ id: equipment.id }), 0);
  const [kept] = await tx
    .update(equipment)
    .set(row)
    .where(and(eq(equipment.id, input.id), isNull(equipment.archivedAt)))
    .returning({ id: equipment.id });
  return kept ?? refuse('This is not here any more.');
}

/** How much a place holds: "60 L" in mL; nothing typed is not known. */
function readRoom(size: string, set: UnitSet, field = 'size'): Outcome<number | null> {
  if (size.trim() === '') return fine(null);
  const asked = 'How much does it hold? Write it like 60 L.';
  const room = readAmount(size, set, field, asked);
  if (!room.ok) return room;
  return 'millilitres' in room.value ? fine(Math.round(room.value.millilitres)) : refused(asked, field);
}

/** A place for packs, new or called and sized anew; its kind stays, for dates hang on it. */
export async function savePlace(
  { tx, household }: Context,
  input: { id?: number; kind: PlaceKind; name: string; size: string },
): Promise<{ id: number }> {
  const name = input.name.trim();
  if (name === '') refuse('What is it called in this house?', 'name');
  const capacityMl = need(readRoom(input.size, household.unitSet));
  if (input.id === undefined) {
    const [last] = await tx.select({ position: max(place.position) }).from(place);
    const row = { kind: input.kind, name, capacityMl, position: (last?.position ?? 0) + 1 };
    return nth(await tx.insert(place).values(row).returning({ id: place.id }), 0);
  }
  const [kept] = await tx
    .update(place)
    .set({ name, capacityMl })
    .where(eq(place.id, input.id))
    .returning({ id: place.id });
  return kept ?? refuse('This place is not here any more.');
}

/** What a cook ticked who has set nothing down yet; a thing that cannot be read is refused at its own field. */
export async function beginKitchen(context: Context, { things, freezer }: KitchenTicks): Promise<void> {
  const { tx, household } = context;
  if ((await readEquipment(tx)).length > 0) refuse('This kitchen has begun already: change what is there.');
  if (things.length === 0) refuse('Tick what you cook in and fill, or go on without.');
  for (const [index, entry] of things.entries()) {
    const read = readEntry(entry, household.unitSet);
    if (!read.ok) refuse(read.problem.message, `things.${index}.${read.problem.field ?? 'size'}`);
    await saveEquipment(context, { entry });
  }
  if (freezer === undefined) return;
  const own = (await readPlaces(tx)).find((each) => each.kind === 'freezer');
  const capacityMl = need(readRoom(freezer, household.unitSet, 'freezer'));
  if (own) await tx.update(place).set({ capacityMl }).where(eq(place.id, own.id));
}
