import 'server-only';
import { unlessUnread } from '@/core/unreadable';
import { clockIn, dayIn } from '@/core/calendar/local-date';
import { sharedVessels, type AtTheStove } from '@/core/cook/shared-vessels';
import type { CookDay } from '@/core/cook/cook-day';
import { cookedOtherwise, type CookedFor } from '@/core/cook/next-time';
import type { PanState } from '@/core/heat/pans';
import { scaledForKitchen } from '@/core/plan/rounding';
import { grams } from '@/core/quantity/units';
import { type Page } from '@/data/page';
import { readBatchIfReadable, readBatchList, type StoredBatch } from '@/data/repositories/batches';
import { readPlannedLines } from '@/data/repositories/planned';
import { readLatestVersion } from '@/data/repositories/recipes';

/** A batch on the stove. */
export interface StoveView {
  readonly startedAt: Date;
  readonly day: CookDay;
  readonly pans: readonly PanState[];
  /** The server's clock when this was read, and its zone: both devices show the same time. */
  readonly now: Date;
  readonly timeZone: string;
  /** By the place of a line: what of it goes into one load, and all of it, in the household's own measures. */
  readonly measures: readonly { readonly load?: string; readonly whole?: string }[];
  /** What is cooked in the oven, and at which °C by the recipe. */
  readonly ovens: readonly { readonly name: string; readonly celsius: number }[];
  /** What the recipe's next version may learn of it, and what it notes for the next time by now. */
  readonly taught: readonly CookedFor[];
  readonly note: string | undefined;
}

/** The cook day as the sheet shows it; spoons and cups while it is cooked, for later nobody measures. */
export async function stoveView(
  { db, reference, household, now }: Page,
  batch: Exclude<StoredBatch, { state: 'planned' }>,
): Promise<StoveView> {
  // What cannot be read of the recipe by now takes its measures and notes away, not the cook day.
  const takes = (await unlessUnread(readPlannedLines(db, reference, batch)))?.takes ?? [];
  const latest = await unlessUnread(readLatestVersion(db, reference, batch.recipeId));
  const written = takes.map((take) => take.written);
  const amounts = (loads: boolean) =>
    batch.takes.slice(0, takes.length).map((take) => {
      const count = batch.components[take.component]?.loads ?? 1;
      return grams(take.weighed / (loads ? count : 1));
    });
  const [whole, load] = [false, true].map((loads) => scaledForKitchen(written, amounts(loads), household.unitSet));
  return {
    startedAt: batch.startedAt,
    day: batch.day,
    pans: batch.pans,
    ovens: batch.components.flatMap(({ name, celsius }) => (celsius === undefined ? [] : [{ name, celsius }])),
    now,
    timeZone: household.timeZone,
    taught: cookedOtherwise(batch.day, latest?.components ?? []),
    note: latest?.note,
    measures: batch.takes.map((take, line) => {
      // Another food than was planned: its measures are not known here.
      if (takes[line] === undefined || takes[line].written.source.food.name !== take.name) return {};
      const said = (of: typeof whole) => (of?.[line]?.byWeight === false ? of[line].measure : undefined);
      const [all, each] = [said(whole), said(load)];
      return { ...(each === undefined ? {} : { load: each }), ...(all === undefined ? {} : { whole: all }) };
    }),
  };
}

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
