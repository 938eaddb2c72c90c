import { readQuantity } from '../quantity/read';
import type { UnitSet } from '../quantity/units';

/** A line as a cook writes it, taken apart: "2 1/2 lb goat shoulder, cubed". */
export interface FreeLine {
  /** "2 1/2 lb"; empty where no amount could be read. */
  readonly amount: string;
  /** "goat shoulder" */
  readonly food: string;
  /** "cubed" */
  readonly preparation: string;
}

/** No recipe of a home kitchen has more lines (common practice, no source). */
export const MOST_LINES = 200;

const BULLET = /^\s*(?:[-*•·–—▢☐✓]+|\[[ x]?\]|\d{1,2}[.)](?=\s))\s*/i;
const CONTAINER =
  /^(?:bags?|cans?|tins?|jars?|box(?:es)?|packs?|packages?|packets?|cartons?|containers?)\s+(?:of\s+)?/i;
/** Counted words that are foods themselves: "a dozen eggs". */
const COUNTED_FOODS = /^(?:eggs?|livers?|breasts?|thighs?|fillets?|wings?)$/i;

const CONTAINER_AT_END = /\b(?:bag|can|tin|jar|box|pack|package|packet|carton|container)(?:s|es)?$/i;
const VAGUE = /^(?:handfuls?|pinch|dash|splash|squirt|bunch|scoop)$/i;

const words = (text: string) => text.split(/\s+/).filter(Boolean);
const readable = (text: string, set: UnitSet) => readQuantity(text, set).ok;

/** The longest run of words at the front (or the end) that is an amount, in words. */
function amountWords(all: readonly string[], set: UnitSet, from: 'front' | 'end'): number {
  const most = Math.min(all.length, 9);
  for (let count = most; count > 0; count--) {
    const text = (from === 'front' ? all.slice(0, count) : all.slice(-count)).join(' ').replace(/[,;:]$/, '');
    if (readable(text, set)) return count;
  }
  return 0;
}

/** "ground beef (80/20), thawed" becomes the food with its brackets, and what is done to it. */
function splitNote(rest: string): { food: string; preparation: string } {
  const cut = /^((?:[^,;(]|\([^)]*\))*?)(?:\s*[,;]\s*|\s+[-–—]\s+)(.*)$/.exec(rest);
  return cut ? { food: cut[1]!.trim(), preparation: cut[2]!.trim() } : { food: rest.trim(), preparation: '' };
}

/**
 * Takes a line apart into its amount, the words for the food, and the note. Undefined for a line without a word.
 *
 * The amount stands in front as a rule, or at the end ("Barley, 2 cups"). What is no amount stays in the food's
 * words; nothing is guessed. Source: the forms are common practice, no source.
 */
export function readFreeLine(text: string, set: UnitSet): FreeLine | undefined {
  const line = text.replace(BULLET, '').replace(/\s+/g, ' ').trim().slice(0, 300);
  if (!/\p{L}/u.test(line)) return undefined;
  // A heading is no line: "For the sauce:".
  if (/:$/.test(line)) return { amount: '', food: '', preparation: line };
  const all = words(VAGUE.test(words(line)[0]!) ? `1 ${line}` : line);
  const front = amountWords(all, set, 'front');
  if (front > 0) {
    const amount = all
      .slice(0, front)
      .join(' ')
      .replace(/[,;:]$/, '');
    const rest = all
      .slice(front)
      .join(' ')
      .replace(CONTAINER, '')
      .replace(/^of\s+/i, '');
    const last = all[front - 1]!.replace(/[,;:]$/, '');
    // "a dozen eggs": the word that is counted is the food.
    if (COUNTED_FOODS.test(last) && (rest === '' || all[front - 1] !== last || /^(?:with|in|from|for)\b/i.test(rest)))
      return { amount, food: last, preparation: rest };
    return withBracket(amount, rest, set) ?? { amount, ...splitNote(rest) };
  }
  const end = amountWords(all, set, 'end');
  if (end > 0 && end < all.length) {
    const rest = all
      .slice(0, -end)
      .join(' ')
      .replace(/\s*[-–—:,]+$/, '');
    return { amount: all.slice(-end).join(' '), ...splitNote(rest) };
  }
  const split = splitNote(line);
  // "Carrots, 2 cups chopped"
  const noted = words(split.preparation);
  const inNote = amountWords(noted, set, 'front');
  if (inNote > 0)
    return {
      amount: noted.slice(0, inNote).join(' '),
      food: split.food,
      preparation: noted.slice(inNote).join(' '),
    };
  return { amount: '', ...split };
}

/** "1 bag frozen peas (16 oz)": what is in the bag stands behind the food. */
function withBracket(amount: string, rest: string, set: UnitSet): FreeLine | undefined {
  const bracket = /^(.*?)\s*\(([^)]*?)(?:\s+each)?\)(.*)$/i.exec(rest);
  if (!bracket || !CONTAINER_AT_END.test(amount)) return undefined;
  const whole = `${amount} (${bracket[2]})`;
  return readable(whole, set) ? { amount: whole, ...splitNote(`${bracket[1]}${bracket[3]}`) } : undefined;
}
