import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import { readLocalDate } from '@/core/calendar/local-date';
import type { AvoidEntry } from '@/core/dog/avoid';
import { readBowlLine, readLitter, type BowlLineEntry, type LitterEntry } from '@/core/dog/keeping-entry';
import { hazardNamed, sayHazard } from '@/core/recipe/hazards';
import { PROTEIN_WORDS } from '@/core/recipe/protein';
import { avoid, bowlLine, litter, vetNote } from '../schema/dogs';
import { dogIn } from './dog-at-hand';
import { Refusal, refuse, type Context } from './run';

/** Puts something on a dog's list of what it does not get. */
export async function addAvoid(context: Context, input: { dogId: number; entry: AvoidEntry }): Promise<void> {
  const { tx, today, reference } = context;
  const dog = await dogIn(context, input.dogId);
  const { what, reason, note } = input.entry;
  if (!what) return refuse('What does it not get?', 'what');
  const label =
    what.kind === 'food'
      ? (reference.foods.get(what.ndb)?.name ?? refuse('This food is not in the table.', 'what'))
      : what.kind === 'group'
        ? what.group
        : what.protein;
  if (what.kind === 'group' && ![...reference.foods.values()].some((food) => food.group === what.group)) {
    refuse('This group is not in the food table.', 'what');
  }
  if (what.kind === 'protein' && !PROTEIN_WORDS.includes(what.protein)) refuse('This animal is not known.', 'what');
  const tryAgainOn =
    input.entry.tryAgainOn === ''
      ? null
      : (readLocalDate(input.entry.tryAgainOn) ?? refuse('This is no day of the calendar.', 'tryAgainOn'));
  if (tryAgainOn !== null && tryAgainOn < today) refuse('This day has passed.', 'tryAgainOn');
  if (dog.avoids.some((each) => each.label === label)) refuse(`${label} is on the list already.`, 'what');
  await tx
    .insert(avoid)
    .values({ dogId: dog.id, what, label, reason, since: today, tryAgainOn, note: note.trim() || null });
}

/** Takes something off the list; that it was on it stays in the history. */
export async function endAvoid(context: Context, input: { dogId: number; avoidId: number }): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  await context.tx
    .update(avoid)
    .set({ endedOn: context.today })
    .where(and(eq(avoid.id, input.avoidId), eq(avoid.dogId, dog.id), isNull(avoid.endedOn)));
}

/** Adds something that goes into a dog's bowl at one of its meals. */
export async function addBowlLine(context: Context, input: { dogId: number; entry: BowlLineEntry }): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  const read = readBowlLine(input.entry, context.household.unitSet);
  if (!read.ok) throw new Refusal(...read.problems);
  const hurts = hazardNamed(
    read.value.what,
    context.reference.hazards,
    dog.vetNotes.map((note) => note.hazardId),
  );
  if (hurts) refuse(`That holds ${sayHazard(hurts)}`, 'what');
  if (!dog.slots.some((slot) => slot.id === read.value.slotId)) refuse('Into which meal does it go?', 'slotId');
  const { kcalPerUnit, ...line } = read.value;
  await context.tx.insert(bowlLine).values({ dogId: dog.id, ...line, kcalPerUnit: kcalPerUnit ?? null });
}

/** Ends a bowl line from today. */
export async function endBowlLine(context: Context, input: { dogId: number; lineId: number }): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  await context.tx
    .update(bowlLine)
    .set({ endedOn: context.today })
    .where(and(eq(bowlLine.id, input.lineId), eq(bowlLine.dogId, dog.id), isNull(bowlLine.endedOn)));
}

/** Notes that a dog's vet allows it something that is stopped otherwise. */
export async function addVetNote(
  context: Context,
  input: { dogId: number; hazardId: string; note: string },
): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  const hazard = context.reference.hazards.find((each) => each.id === input.hazardId && each.level === 'vet');
  if (!hazard) return refuse('That is not for a vet’s note.', 'hazardId');
  const note = input.note.trim();
  if (note === '') refuse('Who allowed it, when, and how much?', 'note');
  if (dog.vetNotes.some((each) => each.hazardId === hazard.id)) refuse(`${hazard.name} is noted already.`, 'hazardId');
  await context.tx.insert(vetNote).values({ dogId: dog.id, hazardId: hazard.id, note, day: context.today });
}

/** Takes a vet's note back from today. */
export async function endVetNote(context: Context, input: { dogId: number; noteId: number }): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  await context.tx
    .update(vetNote)
    .set({ endedOn: context.today })
    .where(and(eq(vetNote.id, input.noteId), eq(vetNote.dogId, dog.id), isNull(vetNote.endedOn)));
}

/** Keeps a litter: the one in view is corrected, unless another one begins. */
export async function saveLitter(
  context: Context,
  input: { dogId: number; litterId: number | null; entry: LitterEntry },
): Promise<void> {
  const { tx, today, now } = context;
  const dog = await dogIn(context, input.dogId);
  const read = readLitter(input.entry, dog, today);
  if (!read.ok) throw new Refusal(...read.problems);
  const { matedOn = null, whelpedOn = null, pups = null, weanedOn = null } = read.value;
  const values = { matedOn, whelpedOn, pups, weanedOn };
  if (input.litterId === null) await tx.insert(litter).values({ dogId: dog.id, ...values, createdAt: now });
  else {
    await tx
      .update(litter)
      .set(values)
      .where(and(eq(litter.id, input.litterId), eq(litter.dogId, dog.id)));
  }
}
