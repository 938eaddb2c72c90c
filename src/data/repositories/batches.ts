import 'server-only';
import { asc, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import { fillingAlone, type Filling } from '@/core/dog/filling';
import type { PlanEntry } from '@/core/plan/plan-entry';
import { readShare } from '@/core/plan/read-plan';
import { solidsPerGram } from '@/core/nutrition/totals';
import { weighYield, type Weighing, type WeighedYield } from '@/core/portion/yield';
import { grams } from '@/core/quantity/units';
import { dryTrays, type Dried, type TrayReadings } from '@/core/preserve/dry';
import type { Outcome } from '@/core/problem';
import type { At } from '@/core/recipe/bases';
import { batchLines, type WeighedLine } from '@/core/recipe/recipe';
import { recipeSheet, type RecipeSheet } from '@/core/recipe/sheet';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { Tx } from '../database';
import { batch, load, plan, planDog, share, tray, type Evidence } from '../schema/batches';
import { recipe, recipeVersion } from '../schema/recipes';

type BatchRow = typeof batch.$inferSelect;

interface Common {
  readonly id: number;
  readonly versionId: number;
  readonly versionNumber: number;
  readonly recipeId: number;
  readonly recipeName: string;
  readonly letter: string;
  readonly scale: number;
  /** What the lines of a batch without amounts are reckoned for. */
  readonly at: At;
  /** g bought of each line, as planned; a batch from before has none. */
  readonly amounts: readonly number[] | undefined;
  readonly swaps: Readonly<Record<string, string>> | undefined;
  readonly planId: number;
  /** Which meals its recipe fills, among those that are planned with it. */
  readonly filling: Filling;
  readonly createdAt: Date;
  readonly firstDay: LocalDate;
  readonly days: number;
  readonly dogIds: readonly number[];
}

export interface StoredShare {
  readonly id: number;
  readonly fate: (typeof share.$inferSelect)['fate'];
  readonly grams: number;
  readonly day: LocalDate;
  readonly dryMethod: 'dehydrated' | 'freeze-dried' | undefined;
  readonly sealed: boolean;
  readonly trays: readonly {
    readonly id: number;
    readonly tare: number;
    readonly wetGross: number;
    readonly dryGross: number | undefined;
  }[];
}

/** A batch is planned, cooking or weighed; only a weighed one has a yield, and a planned one has nothing frozen. */
export type StoredBatch =
  | (Common & { readonly state: 'planned' })
  | (Common & {
      readonly state: 'cooking';
      readonly startedAt: Date;
      readonly lines: readonly WeighedLine[];
      readonly sheet: RecipeSheet;
    })
  | (Common & {
      readonly state: 'weighed';
      readonly startedAt: Date;
      readonly weighedAt: Date;
      readonly lines: readonly WeighedLine[];
      readonly sheet: RecipeSheet;
      readonly weighing: Weighing;
      readonly yield: WeighedYield;
      readonly shares: readonly StoredShare[];
    });

export const linesOf = (evidence: Evidence): WeighedLine[] =>
  evidence.lines.map((line) => ({ ...line, grams: grams(line.grams) }));

/** kcal per g of a weighed batch, from its own evidence. */
export function densityOfBatch(row: BatchRow, factors: EnergyFactors): number {
  if (!row.evidence || row.netGrams === null) throw new Error(`batch ${row.id} is not weighed`);
  return recipeSheet(linesOf(row.evidence), factors).kcal / (row.netGrams + (row.eatenBefore ?? 0));
}

/** A batch with its yield. */
export type WeighedBatch = Extract<StoredBatch, { state: 'weighed' }>;

/** What full readings of trays come to for a batch's food. */
export const dry = (
  weighed: WeighedBatch,
  readings: readonly TrayReadings[],
  write?: (mass: number) => string,
): Outcome<Dried> =>
  dryTrays(
    readings,
    solidsPerGram(batchLines(weighed.lines), weighed.yield.net + weighed.yield.eatenBefore),
    weighed.yield.density,
    write,
  );

/** What the dry share of a batch came to, once every tray has been weighed dry. */
export function driedOf(weighed: WeighedBatch): Dried | undefined {
  const trays = weighed.shares.find((share) => share.fate === 'dry')?.trays ?? [];
  const readings = trays.flatMap(({ tare, wetGross, dryGross }) =>
    dryGross === undefined ? [] : [{ tare: grams(tare), wetGross: grams(wetGross), dryGross: grams(dryGross) }],
  );
  if (readings.length === 0 || readings.length < trays.length) return undefined;
  const dried = dry(weighed, readings);
  if (!dried.ok) throw new Error(`batch ${weighed.id} holds impossible trays: ${dried.problem.message}`);
  return dried.value;
}

const batchQuery = (tx: Tx) =>
  tx
    .select({
      batch,
      plan,
      number: recipeVersion.number,
      recipeId: recipe.id,
      recipeName: recipe.name,
      letter: recipe.letter,
    })
    .from(batch)
    .innerJoin(plan, eq(plan.id, batch.planId))
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId));

function atOf(
  row: {
    readonly batch: BatchRow;
    readonly plan: Pick<typeof plan.$inferSelect, 'id' | 'days' | 'exactDays'>;
  },
  dogs: readonly (typeof planDog.$inferSelect)[],
): At {
  const own = dogs.filter((entry) => entry.planId === row.plan.id);
  return {
    scale: row.batch.scale,
    dogDays: own.length * (row.plan.exactDays ?? row.plan.days),
    kgDays: own.reduce((sum, entry) => sum + entry.kgDays, 0),
    loads: [],
    ...(row.batch.choices ? { choices: row.batch.choices } : {}),
  };
}

/** The meals that a batch's recipe fills; a plan from before is of one recipe for every meal. */
function fillingOf(entry: PlanEntry | null, recipeId: number): Filling {
  const dish = entry?.dishes.findIndex((each) => each.recipeId === recipeId) ?? -1;
  if (!entry || dish < 0) return fillingAlone(recipeId);
  const dishes = entry.dishes.map(({ recipeId: id, meals, share }) => {
    const read = readShare(share);
    if (!read.ok) throw new Error(`a plan was kept with a share of ${share}`);
    return { recipeId: id, meals, share: read.value };
  });
  return { dishes, dish };
}

async function toBatches(
  tx: Tx,
  rows: Awaited<ReturnType<typeof batchQuery>>,
  factors: EnergyFactors,
): Promise<StoredBatch[]> {
  if (rows.length === 0) return [];
  const ids = rows.map((row) => row.batch.id);
  const dogs = await tx
    .select()
    .from(planDog)
    .where(
      inArray(
        planDog.planId,
        rows.map((row) => row.plan.id),
      ),
    )
    .orderBy(asc(planDog.dogId));
  const loads = await tx.select().from(load).where(inArray(load.batchId, ids)).orderBy(asc(load.position));
  const shares = await tx.select().from(share).where(inArray(share.batchId, ids)).orderBy(asc(share.id));
  const trays = await tx
    .select()
    .from(tray)
    .where(inArray(tray.shareId, shares.length > 0 ? shares.map((row) => row.id) : [0]))
    .orderBy(asc(tray.position));
  return rows.map((row): StoredBatch => {
    const own = row.batch;
    const common: Common = {
      id: own.id,
      versionId: own.versionId,
      versionNumber: row.number,
      recipeId: row.recipeId,
      recipeName: row.recipeName,
      letter: row.letter,
      scale: own.scale,
      at: atOf(row, dogs),
      amounts: own.amounts ?? undefined,
      swaps: own.swaps ?? undefined,
      planId: row.plan.id,
      filling: fillingOf(row.plan.entry, row.recipeId),
      createdAt: own.createdAt,
      firstDay: row.plan.firstDay,
      days: row.plan.days,
      dogIds: dogs.filter((entry) => entry.planId === row.plan.id).map((entry) => entry.dogId),
    };
    if (!own.evidence || !own.startedAt) return { ...common, state: 'planned' };
    const lines = linesOf(own.evidence);
    const sheet = recipeSheet(lines, factors);
    const cooking = { ...common, startedAt: own.startedAt, lines, sheet };
    if (own.netGrams === null || own.eatenBefore === null || !own.weighedAt) return { ...cooking, state: 'cooking' };
    const weighing: Weighing =
      own.cups !== null && own.cupGrams !== null
        ? { by: 'cups', cups: own.cups, cupGrams: grams(own.cupGrams) }
        : {
            by: 'scale',
            vessels: loads
              .filter((entry) => entry.batchId === own.id)
              .map((entry) => ({ name: entry.vessel, gross: grams(entry.gross), tare: grams(entry.tare) })),
          };
    const weighed = weighYield(weighing, grams(own.eatenBefore), sheet);
    if (!weighed.ok) throw new Error(`batch ${own.id} holds an impossible yield: ${weighed.problem.message}`);
    return {
      ...cooking,
      state: 'weighed',
      weighedAt: own.weighedAt,
      weighing,
      yield: weighed.value,
      shares: shares
        .filter((entry) => entry.batchId === own.id)
        .map((entry) => ({
          id: entry.id,
          fate: entry.fate,
          grams: entry.grams,
          day: entry.day,
          dryMethod: entry.dryMethod ?? undefined,
          sealed: entry.sealedAt !== null,
          trays: trays
            .filter((each) => each.shareId === entry.id)
            .map((each) => ({
              id: each.id,
              tare: each.tare,
              wetGross: each.wetGross,
              dryGross: each.dryGross ?? undefined,
            })),
        })),
    };
  });
}

/** One batch as far as it has come; undefined where there is none or its plan was dropped. */
export async function readBatch(tx: Tx, id: number, factors: EnergyFactors): Promise<StoredBatch | undefined> {
  const rows = (await batchQuery(tx).where(eq(batch.id, id))).filter((row) => row.batch.droppedAt === null);
  return (await toBatches(tx, rows, factors))[0];
}

/** All batches that were not dropped, newest first. */
export const readBatches = async (tx: Tx, factors: EnergyFactors): Promise<StoredBatch[]> =>
  toBatches(tx, await batchQuery(tx).where(isNull(batch.droppedAt)).orderBy(desc(batch.id)), factors);
