import 'server-only';
import type { CannotBeRead } from '@/core/unreadable';
import { endsOf, type BatchEnd } from '@/core/batch/ends';
import { STEPS } from '@/core/batch/steps';
import { densityIn, type BatchSummary } from '@/core/batch/summary';
import { dayIn, writeDay, writeDayInFull } from '@/core/calendar/local-date';
import { countOf } from '@/core/quantity/count-words';
import { writeDensity, writeNumber, writeSumIn } from '@/core/quantity/write';
import type { Protein } from '@/core/recipe/protein';
import type { Part } from '@/core/recipe/recipe';
import { nth } from '@/core/sure';
import { pageQuery, readProteins, type Page } from '@/data/page';
import { readBatchList, type ListedBatch } from '@/data/repositories/batches';
import { readDogs, type StoredDog } from '@/data/repositories/dogs';
import { readPacksAt } from '@/data/repositories/ends';
import { habitOf } from '@/core/plan/predict';
import { readPots } from '@/data/repositories/pots';

/** Up to four dogs by name, a pack of them by number. */
export const whom = (dogs: readonly StoredDog[]) =>
  dogs.length > 4 ? `${dogs.length} dogs` : dogs.map((dog) => dog.name).join(', ');

/** Where a part of a pot is, in words. */
export interface RowEnd {
  readonly kind: BatchEnd['kind'];
  /** g of the yield. */
  readonly grams: number;
  readonly said: string;
}

export interface BatchRow {
  readonly id: number;
  readonly name: string;
  /** "planned", "in the pot". */
  readonly state: string;
  /** What is to be done next; undefined where nothing is. */
  readonly next: string | undefined;
  readonly day: string;
  readonly said: string;
  readonly protein: Protein;
  readonly planned: boolean;
  /** g that went in by what it is, g of the yield, and where that is. */
  readonly went: readonly { readonly part: Part; readonly grams: number }[];
  readonly net: number | undefined;
  readonly density: number | undefined;
  readonly ends: readonly RowEnd[];
}

export interface BatchesView {
  readonly rows: readonly BatchRow[];
  /** Those of the rows whose figures cannot be read. */
  readonly unread: readonly CannotBeRead[];
  readonly more: boolean;
  /** "one in the pot, two in store". */
  readonly aside: string;
  /** What this kitchen's pots come to, where several were weighed. */
  readonly learned: readonly string[];
}

/** So many batches stand in the list at once. */
const ROWS = 40;

/** The batches, newest first, so many from `from` on; one more says that there are more. */
export const batchRows = pageQuery(async (read, from: number = 0): Promise<BatchesView> => {
  const proteins = await readProteins(read);
  const dogs = await readDogs(read.db);
  const found = await readBatchList(read.db, { limit: ROWS + 1, from });
  const shown = found.slice(0, ROWS);
  const packs = await readPacksAt(
    read.db,
    shown.flatMap((batch) => (batch.state === 'weighed' ? [batch.id] : [])),
  );
  const recipes = new Map(
    shown.flatMap((batch) => (batch.parentId === undefined ? [[batch.recipeId, batch.recipeName] as const] : [])),
  );
  const pots = await readPots(read.db, [...recipes.keys()]);
  const rows = shown.map((batch) => rowOf(read, batch, dogs, proteins.get(batch.recipeId), packs.get(batch.id)));
  const cooking = shown.filter((batch) => batch.state === 'cooking').length;
  return {
    rows,
    unread: shown.flatMap((batch) => batch.unread ?? []),
    more: found.length > ROWS,
    aside: [cooking > 0 ? `${cooking} in the pot` : '', packs.size > 0 ? `${packs.size} in store` : '']
      .filter(Boolean)
      .join(', '),
    learned: [...recipes].flatMap(([recipeId, name]) => {
      const own = pots.get(recipeId) ?? [];
      const { mean, spread } = habitOf(own);
      const note = shown.find((batch) => batch.recipeId === recipeId)?.note;
      const said = [
        ...(mean === undefined || spread === undefined
          ? []
          : [
              `${countOf(own.length, 'pot')} came to ${writeNumber(mean * 100, 0)} % of what went in, ±${writeNumber(spread * 100, 0)}`,
            ]),
        ...(note ? [`next time: ${note}`] : []),
      ];
      return said.length > 0 ? [`${name}: ${said.join(' · ')}`] : [];
    }),
  };
});

const stepOf = (summary: BatchSummary | undefined) => STEPS.find((step) => step.key === summary?.step) ?? nth(STEPS, 0);

function rowOf(
  read: Page,
  batch: ListedBatch,
  dogs: readonly StoredDog[],
  protein: Protein = { word: 'plants', hatch: 'bricks' },
  packs: Parameters<typeof endsOf>[1],
): BatchRow {
  const { household, today } = read;
  const { summary } = batch;
  const day = dayIn(batch.startedAt ?? batch.createdAt, household.timeZone);
  const step = batch.state === 'planned' ? nth(STEPS, 0) : stepOf(summary);
  return {
    id: batch.id,
    name: batch.recipeName,
    state: batch.unread ? batch.state : step.listed,
    next: batch.unread ? 'cannot be read' : batch.state === 'planned' ? step.next({ state: 'planned' }) : summary?.next,
    day: writeDayInFull(day),
    said: saidOf(batch, dogs, read),
    protein,
    planned: batch.state === 'planned',
    went: summary?.went ?? (summary ? [{ part: 'muscle', grams: summary.inPot }] : []),
    net: summary?.net,
    density: densityIn(summary, household.energyFactors),
    ends: summary ? endsOf(summary, packs, day === today).map((end) => sayEnd(end, read)) : [],
  };
}

function saidOf(batch: ListedBatch, dogs: readonly StoredDog[], { household, today }: Page): string {
  if (batch.parentId !== undefined) return 'kept beside the meals';
  const eaters = whom(dogs.filter((dog) => batch.dogIds.includes(dog.id)));
  const forWhom = `${eaters}, ${countOf(batch.days, 'day')} from ${writeDay(batch.firstDay, today)}`;
  const { summary } = batch;
  const density = densityIn(summary, household.energyFactors);
  if (summary?.net === undefined || density === undefined) return `for ${forWhom}`;
  return `${writeSumIn(summary.net, household.unitSet)} at ${writeDensity(density)} kcal/g for ${forWhom}`;
}

function sayEnd({ kind, grams, stored, until }: BatchEnd, { household, today }: Page): RowEnd {
  const much = (mass: number) => writeSumIn(mass, household.unitSet);
  const dated = until === undefined ? '' : `, to ${writeDay(until, today)}`;
  const there = `${stored === undefined ? much(grams) : `${much(stored)} dry, of ${much(grams)}`}${dated}`;
  const said: Readonly<Record<BatchEnd['kind'], string>> = {
    eaten: `eaten ${much(grams)}`,
    warm: `fed warm today ${much(grams)}`,
    fridge: `fridge ${there}`,
    freezer: `freezer ${there}`,
    cupboard: `cupboard ${there}`,
    'to pack': `to pack ${much(grams)}`,
    'to divide': `to divide ${much(grams)}`,
  };
  return { kind, grams, said: said[kind] };
}
