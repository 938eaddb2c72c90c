import 'server-only';
import { count, eq } from 'drizzle-orm';
import { weightOn } from '@/core/dog/day-energy';
import type { BiteSize } from '@/core/dog/bite-size';
import { rationOn } from '@/core/dog/dog';
import { readDogEntry, type DogEntry } from '@/core/dog/entry';
import { namesOfMeals, partsOn } from '@/core/dog/meals';
import { cautionOf } from '@/core/dog/stage';
import { dog, weighIn } from '../schema/dogs';
import { readDog, type StoredDog } from '../repositories/dogs';
import { dogIn, usualSlots } from './dog-at-hand';
import { storeRation } from './rations';
import { Refusal, refuse, type Context } from './run';
import { nth, sure } from '@/core/sure';

/**
 * Stores a new dog, or what has changed about one: another weight is a weigh-in of today, another way to set the
 * day is a ration from today. What was in force before stays in the history.
 */
export async function saveDog(context: Context, input: { id?: number; entry: DogEntry }): Promise<{ dogId: number }> {
  const { tx, today, now, household } = context;
  const read = readDogEntry(input.entry, household.unitSet, today);
  if (!read.ok) throw new Refusal(...read.problems);
  const { dog: typed, weight, meals } = read.value;
  const facts = {
    name: typed.name,
    birthDate: typed.birthDate,
    neutered: typed.neutered,
    expectedAdultGrams: typed.expectedAdultWeight ?? null,
  };
  const asked = nth(typed.rations, 0);
  if (input.id === undefined) {
    const [{ dogs } = { dogs: 0 }] = await tx.select({ dogs: count() }).from(dog);
    const [made] = await tx
      .insert(dog)
      .values({ ...facts, badge: dogs, createdAt: now })
      .returning({ id: dog.id });
    const dogId = sure(made).id;
    await tx.insert(weighIn).values({ dogId, day: today, grams: weight, createdAt: now });
    const slots = await usualSlots(context, dogId, []);
    await storeRation(context, dogId, { ...asked, meals: mealParts(meals, slots) }, 'as it came');
    return { dogId };
  }
  const before = await dogIn(context, input.id);
  if (before.weighIns.some((entry) => entry.date < typed.birthDate)) {
    refuse('There is a weigh-in from before this birth date.', 'birthDate');
  }
  await tx.update(dog).set(facts).where(eq(dog.id, input.id));
  if (Math.abs(weightOn(before, today) - weight) >= 50) {
    await tx.insert(weighIn).values({ dogId: input.id, day: today, grams: weight, createdAt: now });
  }
  const slots = await usualSlots(context, input.id, before.slots);
  const current = rationOn(before, today);
  const sameMeals =
    meals === undefined ? current.meals === undefined : partsOn({ ...before, slots }, today).length === meals;
  if (current.work === asked.work && current.proneToGain === asked.proneToGain && sameMeals) {
    return { dogId: input.id };
  }
  await storeRation(
    context,
    input.id,
    {
      ...current,
      from: today,
      work: asked.work,
      proneToGain: asked.proneToGain,
      meals: sameMeals ? current.meals : mealParts(meals, slots),
    },
    'its day changed',
  );
  return { dogId: input.id };
}

const mealParts = (count: number | undefined, slots: StoredDog['slots']) =>
  count === undefined
    ? undefined
    : namesOfMeals(count).map((name) => ({
        slotId: sure(slots.find((slot) => slot.name === name)).id,
        fraction: 1 / count,
      }));

export interface CareEntry {
  readonly dogId: number;
  readonly illness: string;
  readonly biteSize: BiteSize | '';
}

/** What it is treated for, and how small its pieces are cut. */
export async function saveCare(context: Context, entry: CareEntry): Promise<void> {
  const found = await dogIn(context, entry.dogId);
  await context.tx
    .update(dog)
    .set({ illness: entry.illness.trim() || null, biteSize: entry.biteSize || null })
    .where(eq(dog.id, found.id));
}

/** The cook has seen what is said of a dog of its age or with its illness. */
export async function seeCaution(context: Context, input: { dogId: number }): Promise<void> {
  const { tx, today } = context;
  const found = await dogIn(context, input.dogId);
  const caution = cautionOf(found, today) ?? refuse('There is nothing to be seen any more.');
  await tx
    .update(dog)
    .set({ cautionSeen: { of: caution.of, on: today } })
    .where(eq(dog.id, found.id));
}

/** Puts a dog away with all its history, or brings it back; it is never deleted. */
export async function archiveDog(context: Context, input: { dogId: number; archived: boolean }): Promise<void> {
  const found = (await readDog(context.tx, input.dogId)) ?? refuse('This dog is not here any more.');
  if (found.archived === input.archived) return;
  await context.tx
    .update(dog)
    .set({ archivedAt: input.archived ? context.now : null })
    .where(eq(dog.id, found.id));
}
