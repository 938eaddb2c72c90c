import 'server-only';
import Papa from 'papaparse';
import { atPreview, boughtAt } from '@/core/recipe/bases';
import { csvRows } from '@/core/recipe/files/csv';
import { writeHodmanFile, type HodmanFile } from '@/core/recipe/files/hodman-file';
import { writeJsonLd, type RecipeJsonLd } from '@/core/recipe/files/json-ld';
import { recipeSheet } from '@/core/recipe/sheet';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { readPantry } from './pantry';
import { recipesWithin } from '@/core/recipe/chain';
import { readLatestVersions, readTakes, type StoredVersion } from './recipes';

const nameOf =
  (version: StoredVersion) =>
  (key: string): string | undefined =>
    version.written.find((line) => line.source.food.ndb === key)?.source.food.name;

/** One recipe, or all that are not archived where none is asked for. */
async function wanted(tx: Tx, reference: Reference, recipeId: number | undefined): Promise<readonly StoredVersion[]> {
  const all = await readLatestVersions(tx, reference);
  return recipeId === undefined ? all : all.filter((version) => version.recipeId === recipeId);
}

/** Hodman's own file of one recipe with those that stand in it, or of all. */
export async function readHodmanFile(tx: Tx, reference: Reference, recipeId?: number): Promise<HodmanFile> {
  const all = await readLatestVersions(tx, reference);
  const within = recipeId === undefined ? undefined : recipesWithin(await readTakes(tx), [recipeId]);
  const pantry = await readPantry(tx, reference);
  return writeHodmanFile(
    all
      .filter((version) => within === undefined || within.has(version.recipeId))
      .map((version) => ({ key: `R${version.recipeId}`, entry: version.entry })),
    pantry.supplies.map(({ id, name, label }) => ({ key: `L${id}`, name, label })),
    pantry.ownMeasures.map(({ foodKey: food, unit, grams }) => ({ food, unit, grams })),
  );
}

/** schema.org Recipes for others. */
export async function readJsonLdFile(
  tx: Tx,
  reference: Reference,
  factors: EnergyFactors,
  recipeId?: number,
): Promise<RecipeJsonLd[]> {
  return (await wanted(tx, reference, recipeId)).map((version) =>
    writeJsonLd(version.entry, nameOf(version), recipeSheet(version.lines, factors).kcal),
  );
}

/** The lines as a table; cells that a spreadsheet would carry out are only text. */
export async function readCsvFile(tx: Tx, reference: Reference, recipeId?: number): Promise<string> {
  const rows = (await wanted(tx, reference, recipeId)).flatMap((version) => {
    const bought = boughtAt(version.written, atPreview(version.preview));
    const places = version.entry.lines.flatMap((line, index) => (line.words ? [] : [index]));
    return csvRows(version.entry, nameOf(version), (line) => bought[places.indexOf(line)]);
  });
  return Papa.unparse(rows, { escapeFormulae: true, newline: '\r\n' });
}
