import { countOf } from '../quantity/count-words';

/**
 * Which packs are looked for: every word that was typed begins a word of the pack's. Undefined: nothing was typed. Takes the typed
 * text; gives what a pack's words, in small letters, are asked with. Source: ours.
 */
export function wantedBy(typed: string): ((words: string) => boolean) | undefined {
  const tokens = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (tokens.length === 0) return undefined;
  return (words) => tokens.every((token) => ` ${words}`.includes(` ${token}`));
}

/** "2 packs", "1 ingredient", "2 packs and 1 ingredient"; of neither "nothing". */
export const countHeld = (packs: number, lots: number): string =>
  [...(packs > 0 ? [countOf(packs, 'pack')] : []), ...(lots > 0 ? [countOf(lots, 'ingredient')] : [])].join(' and ') ||
  'nothing';
