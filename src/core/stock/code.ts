/**
 * The letter that a recipe's packs carry: the first of its name's letters that no other recipe has, else any free
 * letter, else two letters. I and O are left out: they look like digits on a label.
 */
export function codeLetter(name: string, taken: readonly string[]): string {
  const used = new Set(taken);
  const usable = 'ABCDEFGHJKLMNPQRSTUVWXYZ';
  const own = [...name.toUpperCase().normalize('NFD')].filter((letter) => usable.includes(letter));
  const single = [...own, ...usable].find((letter) => !used.has(letter));
  if (single) return single;
  const first = own[0] ?? 'A';
  const pair = [...usable].map((second) => first + second).find((letters) => !used.has(letters));
  return pair ?? `${first}${used.size}`;
}

/** The code on a pack: a letter of the recipe and a running number that is never used again. */
export const packCode = (letter: string, number: number) => `${letter}${number}`;

const collator = new Intl.Collator('en', { numeric: true });

/** Codes in their order: V9 before V10. One collator, for days are played with thousands of comparisons. */
export const byCode = (a: string, b: string): number => collator.compare(a, b);
