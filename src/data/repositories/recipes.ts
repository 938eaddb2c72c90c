import 'server-only';
import { asc, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { KnownFood } from '@/core/food/food';
import { ownMeasure } from '@/core/food/measures';
import { atPreview, boiledDown, linesAt, type ReckonedLine } from '@/core/recipe/bases';
import type { Preview, RecipeEntry } from '@/core/recipe/entry-schema';
import type { PlannableComponent } from '@/core/plan/inputs';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { ifRead, isUnread } from '../schema/kept-json';
import { component, line, recipe, recipeVersion } from '../schema/recipes';
import { readHousehold } from './household';
import { readPantry, type Pantry } from './pantry';
import { habitOf } from '@/core/plan/predict';
import { readPots } from './pots';
import { componentEntry, lineEntry, unreadLines, writtenOf, type LineRow, type StoredLine } from './recipe-lines';
import type { Takes } from '@/core/recipe/chain';
import { addUp } from '@/core/add-up';
import { Unreadable, type CannotBeRead } from '@/core/unreadable';

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

/** A version of which something cannot be read: as it was typed, as far as that is known. */
export interface UnreadVersion extends Pick<StoredVersion, 'id' | 'recipeId' | 'name' | 'number' | 'entry'> {
  readonly unread: CannotBeRead;
}

export const isReadVersion = (version: StoredVersion | UnreadVersion): version is StoredVersion =>
  !('unread' in version);

/** Recipes stand in each other at most this deep; saving refuses a circle. */
const DEEPEST = 6;

/** What the lines of the asked versions are made of, sources that are recipes by their latest version. */
async function knownFoods(tx: Tx, reference: Reference, pantry: Pantry, rows: readonly LineRow[], depth: number) {
  const sourceIds = [...new Set(rows.flatMap((row) => row.sourceVersionId ?? []))];
  const sources =
    sourceIds.length === 0
      ? []
      : await tx
          .select({ id: recipeVersion.id, recipeId: recipeVersion.recipeId, name: recipe.name })
          .from(recipeVersion)
          .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
          .where(inArray(recipeVersion.id, sourceIds));
  const recipes = new Map<number, KnownFood>();
  for (const recipeId of new Set(sources.map((source) => source.recipeId))) {
    const known = await readRecipeAsFood(tx, reference, recipeId, depth + 1);
    if (known) recipes.set(recipeId, known);
  }
  return {
    sourceOf: (row: LineRow): KnownFood | undefined => {
      if (row.sourceVersionId === null) return pantry.knownOf(row.foodNdb ?? `L${row.supplyId}`);
      const source = sources.find((each) => each.id === row.sourceVersionId);
      return source && recipes.get(source.recipeId);
    },
    nameOf: (row: LineRow): string | undefined =>
      pantry.unread.find(({ id }) => id === row.supplyId)?.name ??
      sources.find((each) => each.id === row.sourceVersionId)?.name,
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

/** Versions with their lines in order, in the order of the ids given; what cannot be read of them is left out. */
export const readVersions = async (
  tx: Tx,
  reference: Reference,
  versionIds: readonly number[],
  depth = 0,
): Promise<StoredVersion[]> => (await readEveryVersion(tx, reference, versionIds, depth)).filter(isReadVersion);

/** The same with those of which something cannot be read. */
export async function readEveryVersion(
  tx: Tx,
  reference: Reference,
  versionIds: readonly number[],
  depth = 0,
): Promise<(StoredVersion | UnreadVersion)[]> {
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
  const { sourceOf, nameOf } = await knownFoods(tx, reference, pantry, lines, depth);
  const byId = new Map(
    versions.map(({ version, name, letter, shape, cupGrams }): [number, StoredVersion | UnreadVersion] => {
      const own = components.filter((each) => each.versionId === version.id);
      const rows = lines.filter((row) => own.some((each) => each.id === row.componentId));
      const preview = ifRead(version.preview);
      const common = {
        id: version.id,
        recipeId: version.recipeId,
        name,
        number: version.number,
        entry: {
          name,
          lines: rows.map((row) => lineEntry(row, own, sourceOf, nameOf)),
          ...(own.length > 1 || own.some((each) => each.method || each.vessel)
            ? { components: own.map(componentEntry) }
            : {}),
          ...(version.note ? { note: version.note } : {}),
          ...(shape ? { shape } : {}),
          ...(preview ? { preview } : {}),
        },
      };
      const unread = [
        ...(isUnread(version.preview) ? ['for whom it is looked at'] : []),
        ...unreadLines(rows, sourceOf, nameOf),
      ];
      if (unread.length > 0)
        return [
          version.id,
          { ...common, unread: { kind: 'recipe', id: version.recipeId, name, why: unread.join('; ') } },
        ];
      const written = writtenOf(rows, own, sourceOf);
      return [
        version.id,
        {
          ...common,
          letter,
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
          written,
          lines: linesAt(written, atPreview(preview)),
        } satisfies StoredVersion,
      ];
    }),
  );
  return versionIds.flatMap((id): (StoredVersion | UnreadVersion)[] => {
    const found = byId.get(id);
    return found ? [found] : [];
  });
}

/** The latest version of every recipe that is not archived, newest recipe last, and what of them cannot be read. */
export async function readLatestOrUnread(
  tx: Tx,
  reference: Reference,
): Promise<{ readonly versions: readonly StoredVersion[]; readonly unread: readonly CannotBeRead[] }> {
  const rows = await tx
    .selectDistinctOn([recipeVersion.recipeId], { id: recipeVersion.id, recipeId: recipeVersion.recipeId })
    .from(recipeVersion)
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(isNull(recipe.archivedAt))
    .orderBy(asc(recipeVersion.recipeId), desc(recipeVersion.number));
  const all = await readEveryVersion(
    tx,
    reference,
    rows.map((row) => row.id),
  );
  return {
    versions: all.filter(isReadVersion),
    unread: all.flatMap((version) => (isReadVersion(version) ? [] : [version.unread])),
  };
}

/** The latest version of every recipe that is not archived and can be read, newest recipe last. */
export const readLatestVersions = async (tx: Tx, reference: Reference): Promise<readonly StoredVersion[]> =>
  (await readLatestOrUnread(tx, reference)).versions;

async function latestVersionId(tx: Tx, recipeId: number): Promise<number | undefined> {
  const [row] = await tx
    .select({ id: recipeVersion.id })
    .from(recipeVersion)
    .where(eq(recipeVersion.recipeId, recipeId))
    .orderBy(desc(recipeVersion.number))
    .limit(1);
  return row?.id;
}

/** The versions of a recipe of which something cannot be read, the oldest first. */
export async function readUnreadVersions(tx: Tx, reference: Reference, recipeId: number): Promise<UnreadVersion[]> {
  const rows = await tx
    .select({ id: recipeVersion.id })
    .from(recipeVersion)
    .where(eq(recipeVersion.recipeId, recipeId))
    .orderBy(asc(recipeVersion.id));
  const ids = rows.map((row) => row.id);
  return (await readEveryVersion(tx, reference, ids)).flatMap((version) => (isReadVersion(version) ? [] : [version]));
}

/** The latest version of one recipe, also where something of it cannot be read. */
export async function readLatestAsKept(
  tx: Tx,
  reference: Reference,
  recipeId: number,
): Promise<StoredVersion | UnreadVersion | undefined> {
  const id = await latestVersionId(tx, recipeId);
  return id === undefined ? undefined : (await readEveryVersion(tx, reference, [id]))[0];
}

/** The latest version of one recipe. Throws `Unreadable`. */
export async function readLatestVersion(
  tx: Tx,
  reference: Reference,
  recipeId: number,
): Promise<StoredVersion | undefined> {
  const found = await readLatestAsKept(tx, reference, recipeId);
  if (found && !isReadVersion(found)) throw new Unreadable(found.unread);
  return found;
}

/** One version. Throws `Unreadable`. */
export async function readVersion(tx: Tx, reference: Reference, id: number): Promise<StoredVersion | undefined> {
  const [found] = await readEveryVersion(tx, reference, [id]);
  if (found && !isReadVersion(found)) throw new Unreadable(found.unread);
  return found;
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
