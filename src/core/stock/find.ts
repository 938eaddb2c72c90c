/**
 * Which packs are looked for: every word that was typed begins a word of the pack's. Undefined: nothing was typed. Takes the typed
 * text; gives what a pack's words, in small letters, are asked with. Source: ours.
 */
export function wantedBy(typed: string): ((words: string) => boolean) | undefined {
  const tokens = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (tokens.length === 0) return undefined;
  return (words) => tokens.every((token) => ` ${words}`.includes(` ${token}`));
}
