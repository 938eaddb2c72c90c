import 'server-only';
import { unlessUnread } from '@/core/unreadable';
import { clockIn, dayIn } from '@/core/calendar/local-date';
import { sharedVessels, type AtTheStove } from '@/core/cook/shared-vessels';
import type { Page } from '@/data/page';
import { readBatchIfReadable, readBatchList, type StoredBatch } from '@/data/repositories/batches';
import { readPlannedLines } from '@/data/repositories/planned';

/** A batch as others look at its vessels; undefined: it is off the stove. */
async function atTheStove({ db, reference }: Page, batch: StoredBatch): Promise<AtTheStove | undefined> {
  const name = batch.recipeName;
  if (batch.state === 'cooking' && !batch.byProduct) return { name, components: batch.components, day: batch.day };
  if (batch.state !== 'planned') return undefined;
  const planned = await unlessUnread(readPlannedLines(db, reference, batch));
  return planned && { name, components: planned.components, day: undefined };
}

/** The vessels that a batch wants while another of today, or of its plan, is given them too, in words. */
export async function sayShared(read: Page, batch: StoredBatch): Promise<string[]> {
  const own = await atTheStove(read, batch);
  if (!own) return [];
  const { db, today, household } = read;
  const others: AtTheStove[] = [];
  for (const { id, planId, state, startedAt } of await readBatchList(db, { open: true })) {
    const isOfToday = state === 'cooking' && startedAt !== undefined && dayIn(startedAt, household.timeZone) === today;
    if (id === batch.id || !(isOfToday || (state === 'planned' && planId === batch.planId))) continue;
    const found = await readBatchIfReadable(db, id, household.energyFactors);
    const other = found && (await atTheStove(read, found));
    if (other) others.push(other);
  }
  return sharedVessels(own, others).map(({ vessel, with: name, isIn, until }) =>
    isIn
      ? `The ${vessel.toLowerCase()} is taken: ${name} is in it${until ? `, to ${clockIn(until, household.timeZone)} at least` : ''}.`
      : `${name} is to cook in the ${vessel.toLowerCase()} as well: one after the other.`,
  );
}
