import type { KnownFood } from '@/core/food/food';
import type { UnitSet } from '@/core/quantity/units';
import { checkRecipe, isBlank, isWords, readLines } from '@/core/recipe/entry';
import type { RecipeEntry } from '@/core/recipe/entry-schema';

/** The first thing that keeps a recipe from being kept: where it stands and what is asked. */
export interface Missing {
  readonly said: string;
  /** The line's place, from 0; undefined for the name and for a recipe without lines. */
  readonly line?: number;
  readonly field: string;
}

/** What is missing first, from the top: the name, then the lines in their order. */
export function firstMissing(
  entry: RecipeEntry,
  foodOf: (key: string) => KnownFood | undefined,
  set: UnitSet,
): Missing | undefined {
  const name = checkRecipe(
    entry.name,
    entry.lines.filter((line) => !isWords(line) && !isBlank(line)),
  );
  if (!name.ok && name.problem.field === 'name') return { said: name.problem.message, field: 'name' };
  for (const [line, read] of readLines(entry.lines, foodOf, set).each.entries())
    if (read && !read.ok)
      return { said: `Line ${line + 1}: ${read.problem.message}`, line, field: read.problem.field ?? 'ndb' };
  return name.ok ? undefined : { said: name.problem.message, field: 'lines' };
}

/** Scrolls to what is missing and puts the focus there. */
export function goTo({ line, field }: Missing) {
  const row = line === undefined ? undefined : document.querySelector(`[data-line="${line}"]`);
  const target =
    line === undefined
      ? document.querySelector(field === 'name' ? 'input[name="name"]' : 'textarea')
      : (row?.querySelector(field === 'ndb' ? '[data-ask]' : `input[name="lines.${line}.${field}"]`) ??
        row?.querySelector('[role="group"] input, input[aria-label^="Food of line"]'));
  if (!(target instanceof HTMLElement)) return;
  target.scrollIntoView({ block: 'center' });
  target.focus({ preventScroll: true });
}
