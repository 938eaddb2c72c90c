/** A null byte, or half of a pair of surrogates: no database keeps it, and no screen shows it. */
const UNKEEPABLE = /\0|\p{Surrogate}/u;

export const isPlainText = (text: string): boolean => !UNKEEPABLE.test(text);

/**
 * The field of what was typed in which a character stands that cannot be kept, as its path ("name", "lines.2.text"); undefined
 * where all of it is text. Goes through lists and objects of any depth. What a form sends lies under `entry`: its fields are
 * named without it.
 */
export function unkeepableIn(input: unknown): string | undefined {
  const open: (readonly [unknown, string])[] = [[input, '']];
  for (let next = open.pop(); next; next = open.pop()) {
    const [value, at] = next;
    if (typeof value === 'string' && !isPlainText(value)) return at;
    if (typeof value !== 'object' || value === null) continue;
    for (const [key, inner] of Object.entries(value)) {
      if (!isPlainText(key)) return at;
      open.push([inner, at === '' || at === 'entry' ? key : `${at}.${key}`]);
    }
  }
  return undefined;
}
