import { refused, fine, type Outcome } from '../../problem';
import { writeFixed } from '../../quantity/write';
import { hodmanFileSchema, type HodmanFile } from './hodman-file';
import { findRecipes, readJsonLd, type ReadJsonLd } from './json-ld';

/** Letters. No file of recipes is larger; a cook's whole life of them fits (common practice, no source). */
export const LARGEST_FILE = 2_000_000;

/** Recipes from elsewhere that are read of one file. */
const MOST_RECIPES = 200;

/** A file of recipes taken apart: Hodman's own as it is, or recipes whose lines have still to be read. */
export type FileApart =
  | { readonly kind: 'own'; readonly file: HodmanFile }
  | { readonly kind: 'elsewhere'; readonly recipes: readonly ReadJsonLd[]; readonly said: readonly string[] };

/**
 * Takes a file apart: Hodman's own, or schema.org Recipes. Refuses what is no such file, in a sentence. Source: the formats
 * (ours; schema.org).
 */
export function fileApart(text: string): Outcome<FileApart> {
  const no = (message: string) => refused(message, 'text');
  if (text.length > LARGEST_FILE)
    return no(`This file is ${writeFixed(text.length / 1e6, 1)} MB. Hodman reads up to 2 MB of recipes.`);
  let value: unknown;
  try {
    value = JSON.parse(text) as unknown;
  } catch {
    return no('This is no JSON: nothing was taken. Save the file again, or paste all of it.');
  }
  const own = hodmanFileSchema.safeParse(value);
  if (own.success) return fine({ kind: 'own', file: own.data });
  if (typeof value === 'object' && value !== null && 'hodman' in value) {
    const issue = own.error.issues[0];
    return no(`This is a file of Hodman’s, but not whole: ${issue?.path.join(' ')} ${issue?.message}`);
  }
  const found = findRecipes(value);
  if (found.length === 0) return no('There is no recipe in this file.');
  return fine({
    kind: 'elsewhere',
    recipes: found.slice(0, MOST_RECIPES).map(readJsonLd),
    said: found.length > MOST_RECIPES ? [`Only the first ${MOST_RECIPES} recipes were read.`] : [],
  });
}
