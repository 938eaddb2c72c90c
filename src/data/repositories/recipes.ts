import 'server-only';
import { writePlain } from '@/core/quantity/write';
import { asc, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { KnownFood } from '@/core/food/food';
import { ownMeasure } from '@/core/food/measures';
import type { Quantity } from '@/core/quantity/quantity';
import { grams } from '@/core/quantity/units';
import { atPreview, boiledDown, linesAt, type ReckonedLine } from '@/core/recipe/bases';
import type { ComponentEntry, LineEntry, Preview, RecipeEntry } from '@/core/recipe/entry-schema';
import type { PlannableComponent } from '@/core/plan/inputs';
import type { WrittenLine } from '@/core/recipe/written';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { component, line, recipe, recipeVersion } from '../schema/recipes';
import { readHousehold } from './household';
import { readPantry, type Pantry } from './pantry';
import { habitOf } from '@/core/plan/predict';
import { readPots } from './pots';
import { sure } from '@/core/sure';
import type { Takes } from '@/core/recipe/chain';
import { addUp } from '@/core/add-up';

/** A line that was read: its amount in the cook's own words, and what it comes to for one unit of its basis. */
export interface StoredLine extends WrittenLine {
  readonly amount: string;
  readonly quantity: Quantity;
}

export interface StoredVersion {
  readonly id: number;
  readonly recipeId: number;
  readonly name: string;
  readonly letter: string;
  readonly number: number;
  readonly note: string | undefined;
  readonly shape: string | undefined;
  readonly preview: Preview | undefined;
  /** g in a cup of the finished food, where one was weighed. */
  readonly cupGrams: number | undefined;
  readonly components: readonly PlannableComponent[];
  /** As it was typed, line by line, words and all. */
  readonly entry: RecipeEntry;
  readonly written: readonly StoredLine[];
  /** What it comes to for its preview, first choices taken, recipes taken apart. */
  readonly lines: readonly ReckonedLine[];
}

type LineRow = typeof line.$inferSelect;
type ComponentRow = typeof component.$inferSelect;

/** Recipes stand in each other at most this deep; saving refuses a circle. */
const DEEPEST = 6;

/** What the lines of the asked versions are made of, sources that are recipes by their latest version. */
async function knownFoods(tx: Tx, reference: Reference, pantry: Pantry, rows: readonly LineRow[], depth: number) {
  const sourceIds = [...new Set(rows.flatMap((row) => row.sourceVersionId ?? []))];
  const sources =
    sourceIds.length === 0
      ? []
      : await tx
          .select({ id: recipeVersion.id, recipeId: recipeVersion.recipeId })
          .from(recipeVersion)
          .where(inArray(recipeVersion.id, sourceIds));
  const recipes = new Map<number, KnownFood>();
  for (const recipeId of new Set(sources.map((source) => source.recipeId))) {
    const known = await readRecipeAsFood(tx, reference, recipeId, depth + 1);
    if (known) recipes.set(recipeId, known);
  }
  return (row: LineRow): KnownFood | undefined => {
    if (row.sourceVersionId === null) return pantry.knownOf(row.foodNdb ?? `L${row.supplyId}`);
    const source = sources.find((each) => each.id === row.sourceVersionId);
    return source && recipes.get(source.recipeId);
  };
}

/**
 * Another recipe as something to put in: its latest version. Where pots of it were weighed, what boils away is taken
 * from its poured water; before that it counts by all that goes in.
 */
export async function readRecipeAsFood(
  tx: Tx,
  reference: Reference,
  recipeId: number,
  depth = 0,
): Promise<KnownFood | undefined> {
  if (depth > DEEPEST) throw new Error(`recipe ${recipeId} stands in itself`);
  const id = await latestVersionId(tx, recipeId);
  const [version] = id === undefined ? [] : await readVersions(tx, reference, [id], depth);
  if (!version) return undefined;
  const lines = boiledDown(
    version.lines.filter((each) => each.moment !== 'bowl'),
    habitOf((await readPots(tx, [recipeId])).get(recipeId) ?? []).mean ?? 1,
  );
  const [own] = await tx.select({ cupGrams: recipe.cupGrams }).from(recipe).where(eq(recipe.id, recipeId));
  const { unitSet } = await readHousehold(tx);
  return {
    food: { ndb: `R${recipeId}`, name: version.name, group: 'Recipe', per100: {} },
    measures: own?.cupGrams ? [ownMeasure('cup', own.cupGrams, unitSet)] : [],
    made: { lines, grams: addUp(lines, (each) => each.grams) },
  };
}

/** Versions with their lines in order, in the order of the ids given. */
export async function readVersions(
  tx: Tx,
  reference: Reference,
  versionIds: readonly number[],
  depth = 0,
): Promise<StoredVersion[]> {
  if (versionIds.length === 0) return [];
  const versions = await tx
    .select({
      version: recipeVersion,
      name: recipe.name,
      letter: recipe.letter,
      shape: recipe.shape,
      cupGrams: recipe.cupGrams,
    })
    .from(recipeVersion)
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(inArray(recipeVersion.id, [...versionIds]));
  const components = await tx
    .select()
    .from(component)
    .where(inArray(component.versionId, [...versionIds]))
    .orderBy(asc(component.position));
  const lines = await tx
    .select()
    .from(line)
    .where(inArray(line.componentId, components.length > 0 ? components.map((each) => each.id) : [0]))
    .orderBy(asc(line.position), asc(line.id));
  const pantry = await readPantry(tx, reference);
  const knownOf = await knownFoods(tx, reference, pantry, lines, depth);
  const byId = new Map(
    versions.map(({ version, name, letter, shape, cupGrams }) => {
      const own = components.filter((each) => each.versionId === version.id);
      const rows = lines.filter((row) => own.some((each) => each.id === row.componentId));
      const written = writtenOf(rows, own, knownOf);
      const preview = version.preview ?? undefined;
      return [
        version.id,
        {
          id: version.id,
          recipeId: version.recipeId,
          name,
          letter,
          number: version.number,
          note: version.note ?? undefined,
          shape: shape ?? undefined,
          preview,
          cupGrams: cupGrams ?? undefined,
          components: own.map((each) => ({
            name: each.name,
            ...(each.vessel ? { vessel: each.vessel } : {}),
            ...(each.minutes === null ? {} : { minutes: each.minutes }),
            ...(each.celsius === null ? {} : { celsius: each.celsius }),
          })),
          entry: {
            name,
            lines: rows.map((row) => lineEntry(row, own, knownOf(row))),
            ...(own.length > 1 || own.some((each) => each.method || each.vessel) ? { components: own.map(named) } : {}),
            ...(version.note ? { note: version.note } : {}),
            ...(shape ? { shape } : {}),
            ...(preview ? { preview } : {}),
          },
          written,
          lines: linesAt(written, atPreview(preview)),
        } satisfies StoredVersion,
      ];
    }),
  );
  return versionIds.flatMap((id) => byId.get(id) ?? []);
}

const named = (row: ComponentRow): ComponentEntry => ({
  name: row.name,
  ...(row.vessel ? { vessel: row.vessel } : {}),
  ...(row.method ? { method: row.method } : {}),
  ...(row.minutes === null ? {} : { minutes: String(row.minutes) }),
  ...(row.celsius === null ? {} : { celsius: `${writePlain(row.celsius, 2)} °C` }),
});

/** The lines that were read; a line that is bound to another one names its place among them. */
function writtenOf(
  rows: readonly LineRow[],
  components: readonly ComponentRow[],
  knownOf: (row: LineRow) => KnownFood | undefined,
): StoredLine[] {
  const read = rows.filter((row) => row.grams !== null);
  return read.map((row) => {
    const source = knownOf(row);
    if (!source) throw new Error(`line ${row.id} takes what is not here any more`);
    const bound = row.per?.line === undefined ? undefined : rows[row.per.line];
    const component = components.findIndex((each) => each.id === row.componentId);
    return {
      amount: row.amount,
      quantity: sure(row.quantity),
      text: row.preparation || source.food.name,
      grams: grams(sure(row.grams)),
      source,
      part: row.part,
      moment: row.moment,
      basis: row.basis,
      ...(row.per ? { per: { ...row.per, ...(bound ? { line: read.indexOf(bound) } : {}) } } : {}),
      refuse: row.refuse,
      strained: row.strained,
      ...(row.bone ? { bone: { ...(row.bone.share === undefined ? {} : { share: row.bone.share }) } } : {}),
      state: row.state,
      ...(row.choice ? { choice: row.choice } : {}),
      ...(row.preparation ? { preparation: row.preparation } : {}),
      ...(component > 0 ? { component } : {}),
    };
  });
}

/** A stored line as it was typed. */
function lineEntry(row: LineRow, components: readonly ComponentRow[], known: KnownFood | undefined): LineEntry {
  const place = components.findIndex((each) => each.id === row.componentId);
  const percent = Number((row.refuse * 100).toPrecision(6));
  const plainRefuse = row.refuse === (row.strained ? 1 : 0);
  return {
    amount: row.amount,
    ndb: known?.food.ndb ?? '',
    preparation: row.preparation ?? '',
    part: row.part,
    moment: row.moment,
    ...(row.basis === 'batch' ? {} : { basis: row.basis }),
    ...(row.per?.text ? { perAmount: row.per.text } : {}),
    ...(row.per?.line === undefined ? {} : { perLine: row.per.line }),
    ...(plainRefuse ? {} : { refuse: String(percent) }),
    ...(row.strained ? { strained: true } : {}),
    ...(row.bone?.typed === undefined ? {} : { bone: row.bone.typed }),
    ...(row.state === 'raw' ? {} : { state: row.state }),
    ...(row.choice ? { choice: row.choice } : {}),
    ...(place > 0 ? { component: place } : {}),
    ...(row.grams === null ? { words: true } : {}),
  };
}

/** The latest version of every recipe that is not archived, newest recipe last. */
export async function readLatestVersions(tx: Tx, reference: Reference): Promise<StoredVersion[]> {
  const rows = await tx
    .selectDistinctOn([recipeVersion.recipeId], { id: recipeVersion.id, recipeId: recipeVersion.recipeId })
    .from(recipeVersion)
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(isNull(recipe.archivedAt))
    .orderBy(asc(recipeVersion.recipeId), desc(recipeVersion.number));
  return readVersions(
    tx,
    reference,
    rows.map((row) => row.id),
  );
}

async function latestVersionId(tx: Tx, recipeId: number): Promise<number | undefined> {
  const [row] = await tx
    .select({ id: recipeVersion.id })
    .from(recipeVersion)
    .where(eq(recipeVersion.recipeId, recipeId))
    .orderBy(desc(recipeVersion.number))
    .limit(1);
  return row?.id;
}

/** The latest version of one recipe. */
export async function readLatestVersion(
  tx: Tx,
  reference: Reference,
  recipeId: number,
): Promise<StoredVersion | undefined> {
  const id = await latestVersionId(tx, recipeId);
  return id === undefined ? undefined : (await readVersions(tx, reference, [id]))[0];
}

/** Which recipes each recipe takes as lines, by the latest version of each. */
export async function readTakes(tx: Tx): Promise<Takes> {
  const latest = tx
    .selectDistinctOn([recipeVersion.recipeId], { id: recipeVersion.id, recipeId: recipeVersion.recipeId })
    .from(recipeVersion)
    .orderBy(asc(recipeVersion.recipeId), desc(recipeVersion.number))
    .as('latest');
  const rows = await tx
    .selectDistinct({ recipeId: latest.recipeId, taken: recipeVersion.recipeId })
    .from(latest)
    .innerJoin(component, eq(component.versionId, latest.id))
    .innerJoin(line, eq(line.componentId, component.id))
    .innerJoin(recipeVersion, eq(recipeVersion.id, line.sourceVersionId));
  const takes = new Map<number, number[]>();
  for (const { recipeId, taken } of rows) takes.set(recipeId, [...(takes.get(recipeId) ?? []), taken]);
  return takes;
}
