import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import { readDaysOff, type DaysOffEntry } from '@/core/dog/days-off';
import { daysOff } from '../schema/dogs';
import { dogIn } from './dog-at-hand';
import { need, refuse, type Context } from './run';

/** Days on which a dog is away or fasts, or for which it is a guest. */
export async function addDaysOff(context: Context, input: { dogId: number; entry: DaysOffEntry }): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  const read = need(readDaysOff(input.entry));
  if (read.slotId !== undefined && !dog.slots.some(({ id }) => id === read.slotId))
    refuse('This meal is not one of the dog’s meals any more. Look again.', 'slotId');
  const same = dog.daysOff.find(
    (each) => each.kind === read.kind && each.slotId === read.slotId && each.from <= read.to && each.to >= read.from,
  );
  if (same) refuse(`That is said already, from ${same.from} to ${same.to}: take it back first.`, 'from');
  await context.tx.insert(daysOff).values({ dogId: dog.id, ...read, slotId: read.slotId ?? null });
}

/** Takes days off back: the dog is fed on them as always. */
export async function endDaysOff(context: Context, input: { dogId: number; offId: number }): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  await context.tx
    .update(daysOff)
    .set({ takenBackAt: context.now })
    .where(and(eq(daysOff.id, input.offId), eq(daysOff.dogId, dog.id), isNull(daysOff.takenBackAt)));
}
