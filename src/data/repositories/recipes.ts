import 'server-only';
import { asc, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { Food } from '@/core/food/food';
import type { Quantity } from '@/core/quantity/quantity';
import { grams } from '@/core/quantity/units';
import type { WeighedLine } from '@/core/recipe/recipe';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { component, line, recipe, recipeVersion } from '../schema/recipes';

export interface RecipeLine extends WeighedLine {
  readonly id: number;
  /** The amount in the cook's own words. */
  readonly amount: string;
  readonly quantity: Quantity;
  readonly preparation: string | undefined;
}

export interface StoredVersion {
  readonly id: number;
  readonly recipeId: number;
  readonly name: string;
  readonly letter: string;
  readonly number: number;
  readonly note: string | undefined;
  readonly lines: readonly RecipeLine[];
}

const foodOf = (reference: Reference, ndb: string | null): Food => {
  const food = ndb === null ? undefined : reference.foods.get(ndb);
  if (!food) throw new Error(`the food table has no ${ndb}`);
  return food;
};

/** Versions with their lines in order, in the order of the ids given. */
export async function readVersions(
  tx: Tx,
  reference: Reference,
  versionIds: readonly number[],
): Promise<StoredVersion[]> {
  if (versionIds.length === 0) return [];
  const versions = await tx
    .select({ version: recipeVersion, name: recipe.name, letter: recipe.letter })
    .from(recipeVersion)
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(inArray(recipeVersion.id, [...versionIds]));
  const lines = await tx
    .select({ line, versionId: component.versionId })
    .from(line)
    .innerJoin(component, eq(component.id, line.componentId))
    .where(inArray(component.versionId, [...versionIds]))
    .orderBy(asc(component.position), asc(line.position));
  const byId = new Map(
    versions.map(({ version, name, letter }) => [
      version.id,
      {
        id: version.id,
        recipeId: version.recipeId,
        name,
        letter,
        number: version.number,
        note: version.note ?? undefined,
        lines: lines
          .filter((row) => row.versionId === version.id)
          .map((row) => {
            const food = foodOf(reference, row.line.foodNdb);
            return {
              id: row.line.id,
              amount: row.line.amount,
              quantity: row.line.quantity,
              preparation: row.line.preparation ?? undefined,
              text: [row.line.amount, row.line.preparation ?? food.name].join(' '),
              grams: grams(row.line.grams),
              food,
              part: row.line.part,
              moment: row.line.moment,
            };
          }),
      },
    ]),
  );
  return versionIds.flatMap((id) => byId.get(id) ?? []);
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

/** The latest version of one recipe. */
export async function readLatestVersion(
  tx: Tx,
  reference: Reference,
  recipeId: number,
): Promise<StoredVersion | undefined> {
  const [row] = await tx
    .select({ id: recipeVersion.id })
    .from(recipeVersion)
    .where(eq(recipeVersion.recipeId, recipeId))
    .orderBy(desc(recipeVersion.number))
    .limit(1);
  return row ? (await readVersions(tx, reference, [row.id]))[0] : undefined;
}
