import 'server-only';
import type { CommandResult } from '@/core/problem';
import { readLine } from '@/core/recipe/entry';
import type { LineEntry, RecipeEntry } from '@/core/recipe/entry-schema';
import type { ReadJsonLd } from '@/core/recipe/files/json-ld';
import type { ReadFile, TakenFile } from '@/core/recipe/files/taken';
import type { FoundLine } from '@/core/recipe/found-line';
import { linesOf } from '@/core/recipe/kitchen-lines';
import { LONGEST_LINE, MOST_LINES } from '@/core/recipe/free-line';
import type { UnitSet } from '@/core/quantity/units';
import { addUp } from '@/core/add-up';
import { nth } from '@/core/sure';
import { takeRecipes } from './commands/recipe-files';
import { tryCommand } from './commands/run';
import type { Database } from './database';
import type { Reading } from './reading/reading';
import type { Reference } from './reference/reference';
import { readKitchen } from './repositories/foods';
import { readHousehold } from './repositories/household';

interface How {
  readonly signal?: AbortSignal;
  readonly tell?: (read: number, of: number) => void;
}

interface House {
  readonly db: Database;
  readonly reference: Reference;
}

/** Reads a file of recipes, its lines by what this kitchen knows. Nothing is stored, and no transaction is open meanwhile. */
export async function readRecipeFile(
  { db, reference }: House,
  reading: Reading,
  text: string,
  { signal, tell }: How = {},
): Promise<CommandResult<ReadFile>> {
  const apart = await reading.file(text, { signal });
  if (!apart.ok) return { ok: false, problems: [apart.problem] };
  if (apart.value.kind === 'own') return { ok: true, value: apart.value };
  const { recipes, said } = apart.value;
  const cut = recipes.map(({ ingredients }) => linesOf(ingredients.join('\n'), MOST_LINES));
  const all = cut.flatMap(({ lines }) => lines);
  const { unitSet } = await readHousehold(db);
  const kitchen = await db.transaction((tx) => readKitchen(tx, reference, unitSet, all), { accessMode: 'read only' });
  const found = await reading.lines(kitchen, all, { signal, onRead: (read) => tell?.(read, all.length) });
  if (found.length < all.length)
    return {
      ok: false,
      problems: [
        {
          field: 'text',
          message: `Of ${all.length} lines ${found.length} were read in the time that there is. Nothing was taken: take the file in parts.`,
        },
      ],
    };
  let at = 0;
  const entries = recipes.map((recipe, index) => {
    const { lines, rest } = nth(cut, index);
    return entryOf(recipe, found.slice(at, (at += lines.length)), rest, unitSet);
  });
  return { ok: true, value: { kind: 'elsewhere', recipes: entries, said } };
}

/** A recipe from elsewhere as it is typed here, and what of it could not be kept. */
function entryOf(read: ReadJsonLd, found: readonly FoundLine[], rest: readonly string[], set: UnitSet) {
  const pot = {
    name: 'pot',
    ...(read.method ? { method: read.method } : {}),
    ...(read.minutes ? { minutes: String(Math.min(2880, read.minutes)) } : {}),
  };
  // A line whose amount cannot be weighed yet is kept as words, so that the rest of the recipe is not lost.
  const entry: RecipeEntry = {
    name: read.name,
    lines: found.map((line) => asReadable(line, set)),
    ...(read.method || read.minutes ? { components: [pot] } : {}),
  };
  const unread = entry.lines.flatMap((line) => (line.words ? [`kept as words, not counted: ${line.preparation}`] : []));
  const letters = addUp(rest, (line) => line.length);
  const over =
    rest.length === 0
      ? []
      : [
          `${letters} letters were left out: a recipe has at most ${MOST_LINES} lines, a line at most ${LONGEST_LINE} letters`,
        ];
  return { entry, said: [...read.left, ...unread, ...over] };
}

/** A found line, or only its words where its amount cannot be turned into grams. */
function asReadable({ text, entry, known }: FoundLine, set: UnitSet): LineEntry {
  if (entry.words || readLine(entry, known, undefined, set).ok) return entry;
  return { amount: '', ndb: '', preparation: text, part: entry.part, moment: entry.moment, words: true };
}

/** What would become of a file if it were taken: it is, in a transaction that is then taken back. Nothing is stored. */
export async function previewRecipeFile(
  house: House & { readonly now: Date },
  reading: Reading,
  text: string,
  how: How = {},
): Promise<CommandResult<TakenFile>> {
  const read = await readRecipeFile(house, reading, text, how);
  return read.ok ? tryCommand(house, (context) => takeRecipes(context, read.value)) : read;
}
