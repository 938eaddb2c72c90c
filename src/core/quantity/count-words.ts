/** English plurals of the things that this application counts; what follows the rule is not listed. */
const MANY: Readonly<Record<string, string>> = { leaf: 'leaves', is: 'are' };

const rules = new Intl.PluralRules('en');

/** The word for so many: one line, two lines, one leaf, two leaves; half a tray, 1½ trays. */
export function plural(count: number, one: string, many?: string): string {
  // Up to one of a thing is said in the singular: half a cup, one cup.
  const form = count > 0 && count <= 1 ? 'one' : rules.select(count);
  return form === 'one' ? one : (many ?? MANY[one] ?? pluralOf(one));
}

function pluralOf(word: string): string {
  if (/(?:[^aeiou]o|ch|sh|s|x)$/.test(word)) return `${word}es`;
  return /[^aeiou]y$/.test(word) ? `${word.slice(0, -1)}ies` : `${word}s`;
}

/** "1 line", "3 lines". `many` where the plural is another. */
export const countOf = (count: number, one: string, many?: string): string => `${count} ${plural(count, one, many)}`;
