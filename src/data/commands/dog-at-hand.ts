import 'server-only';
import { slotsAt } from '@/core/household/meal-times';
import { mealSlot } from '../schema/dogs';
import { readDog, type StoredDog } from '../repositories/dogs';
import { refuse, type Context } from './run';

/** A dog that the cook points at; archived ones are read and not changed. */
export async function dogIn({ tx }: Context, dogId: number): Promise<StoredDog> {
  const found = (await readDog(tx, dogId)) ?? refuse('This dog is not here any more.');
  if (found.archived) refuse(`${found.name} is archived. Bring it back first.`);
  return found;
}

/** The slots of a dog with the five usual ones made, at the household's times, where they are missing. */
export async function usualSlots(
  { tx, household }: Context,
  dogId: number,
  slots: StoredDog['slots'],
): Promise<StoredDog['slots']> {
  const missing = slotsAt(household.mealTimes).filter((usual) => !slots.some((slot) => slot.name === usual.name));
  if (missing.length === 0) return slots;
  const made = await tx
    .insert(mealSlot)
    .values(missing.map(({ name, clock }) => ({ dogId, name, clock, position: 0 })))
    .returning({ id: mealSlot.id, name: mealSlot.name, clock: mealSlot.clock });
  return [...slots, ...made];
}
