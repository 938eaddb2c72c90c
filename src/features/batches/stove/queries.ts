import 'server-only';
import { unlessUnread } from '@/core/unreadable';
import type { CookDay } from '@/core/cook/cook-day';
import { cookedOtherwise, type CookedFor } from '@/core/cook/next-time';
import type { PanState } from '@/core/heat/pans';
import { scaledForKitchen } from '@/core/plan/rounding';
import { grams } from '@/core/quantity/units';
import { type Page } from '@/data/page';
import type { StoredBatch } from '@/data/repositories/batches';
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
