import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import { addDays, clockIn, type LocalDate } from '@/core/calendar/local-date';
import { readGiven, takenOff, type GivenEntry, type Less } from '@/core/dog/given';
import { mealsOn, mealsStand } from '@/core/dog/meals';
import { writeKcal } from '@/core/quantity/write';
import { sure } from '@/core/sure';
import { readBowlsOn } from '../repositories/bowls';
import type { StoredDog } from '../repositories/dogs';
import { bowl, given } from '../schema/bowls';
import { partsOf, saidTime, writeBowl, type BowlEntry } from './bowls';
import { dogIn } from './dog-at-hand';
import { Refusal, refuse, type Context } from './run';
import { reverseMovement } from './stock';

/** Something that a dog got between its meals: it is written down, and the coming meals are smaller by it where that is wished. */
export async function giveBetween(
  context: Context,
  input: { dogId: number; entry: GivenEntry; at?: string | undefined; takesOff: boolean },
): Promise<{ givenId: number; over: number }> {
  const dog = await dogIn(context, input.dogId);
  const read = readGiven(input.entry);
  if (!read.ok) throw new Refusal(...read.problems);
  const { kind, name, kcal, said } = read.value;
  return keep(context, dog, { kind, name, kcal, said, at: saidTime(context, input.at, context.today) }, input.takesOff);
}

/** Another meal, beside its own: a bowl of packs like every one, taken off the coming meals where that is wished. */
export async function feedExtra(
  context: Context,
  input: { dogId: number; parts: BowlEntry['parts']; at?: string | undefined; takesOff: boolean },
): Promise<{ bowlId: number; givenId: number; over: number }> {
  const { today } = context;
  const dog = await dogIn(context, input.dogId);
  const fedAt = saidTime(context, input.at, today);
  const parts = await partsOf(context, input.parts, dog, today);
  const kcal = addUp(parts, (part) => part.kcal);
  const { bowlId } = await writeBowl(context, dog, { day: today, slotId: null, kcal, fedAt, additions: [] }, parts);
  const said = `${writeKcal(kcal)} kcal`;
  const kept = await keep(
    context,
    dog,
    { kind: 'meal', name: 'another meal', kcal, said, at: fedAt, bowlId },
    input.takesOff,
  );
  return { bowlId, ...kept };
}

async function keep(
  context: Context,
  dog: StoredDog,
  what: Pick<typeof given.$inferInsert, 'kind' | 'name' | 'said' | 'bowlId'> & {
    readonly kcal: number | undefined;
    readonly at: Date;
  },
  takesOff: boolean,
): Promise<{ givenId: number; over: number }> {
  const { today } = context;
  const off =
    takesOff && what.kcal !== undefined
      ? takenOff(what.kcal, await toCome(context, dog), mealsOf(dog, addDays(today, 1)))
      : { less: [], over: 0 };
  const [made] = await context.tx
    .insert(given)
    .values({ ...what, dogId: dog.id, day: today, kcal: what.kcal ?? null, less: off.less })
    .returning({ id: given.id });
  return { givenId: sure(made).id, over: off.over };
}

const mealsOf = (dog: StoredDog, day: LocalDate): Less[] =>
  mealsOn(dog, day).map(({ id, kcal }) => ({ day, slotId: id, kcal }));

/** The meals of today that are still to come. */
async function toCome({ tx, now, today, household }: Context, dog: StoredDog): Promise<Less[]> {
  const fed = new Set((await readBowlsOn(tx, today)).flatMap((each) => (each.dogId === dog.id ? [each.slotId] : [])));
  // A meal that is all bought food or additions has nothing to press, and is none to wait for.
  const meals = mealsOn(dog, today).filter(({ kcal }) => kcal > 0);
  const { toCome: open } = mealsStand(meals, fed, clockIn(now, household.timeZone));
  return open.map(({ id, kcal }) => ({ day: today, slotId: id, kcal }));
}

/** What it got besides was not so: the coming meals are as they were, and what was in a bowl is in its pack again. */
export async function takeBackGiven(context: Context, input: { givenId: number }): Promise<void> {
  const { tx, now } = context;
  const [found] = await tx
    .select({ given, movementId: bowl.movementId, reversedBy: bowl.reversedBy })
    .from(given)
    .leftJoin(bowl, eq(bowl.id, given.bowlId))
    .where(eq(given.id, input.givenId));
  if (!found) return refuse('Nobody knows what that was.');
  if (found.given.takenBackAt !== null || found.reversedBy !== null) refuse('This was taken back already.');
  if (found.movementId !== null) await reverseMovement(context, { movementId: found.movementId });
  await tx
    .update(given)
    .set({ takenBackAt: now })
    .where(and(eq(given.id, input.givenId), isNull(given.takenBackAt)));
}
