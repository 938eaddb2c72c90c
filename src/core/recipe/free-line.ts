import { readQuantity } from '../quantity/read';
import type { UnitSet } from '../quantity/units';
import { nth, sure } from '../sure';

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

/** Letters; what is longer is prose, and stays words (common practice, no source). */
export const LONGEST_LINE = 300;

const BULLET = /^\s*(?:[-*•·–—▢☐✓]+|\[[ x]?\]|\d{1,2}[.)](?=\s))\s*/i;
/** Counted words that are foods themselves: "a dozen eggs". */
const COUNTED_FOODS = /^(?:whole|eggs?|livers?|breasts?|thighs?|fillets?|wings?|chops?)$/i;
const CONTAINER_AT_END = /\b(?:bag|can|tin|jar|box|pack|package|packet|carton|container)(?:s|es)?$/i;
const VAGUE = /^(?:handfuls?|pinch|dash|splash|squirt|bunch|scoop|knob|dollop|drizzle|glug|sprinkle)$/i;
const SOME = /^(?:a )?(?:few|several|some|little|bit of|lots of|plenty of|small amount of)\s+/i;
const SOFT = /^(?:about|approx\.?|approximately|around|roughly|~|ca\.?|or so|total|net|each|drained weight)\s*/i;

const words = (text: string) => text.split(/\s+/).filter(Boolean);
/** "90/10" of ground beef is no amount. */
const isLean = (text: string) => {
  const parts = /^(\d{2})\/(\d{1,2})$/.exec(text.trim());
  return parts !== null && Number(parts[1]) + Number(parts[2]) === 100;
};
const readable = (text: string, set: UnitSet) => !isLean(text) && readQuantity(text, set).ok;
const trimmed = (text: string) => text.replace(/\s*[-–—:,;]+$/, '').trim();

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
  const cut = /^((?:[^,;(]|\([^)]*\)|,(?=\S))*?)(?:\s*[,;]\s+|\s+[-–—]\s+|:\s+|\s*;\s*)(.*)$/.exec(rest);
  return cut ? { food: sure(cut[1]).trim(), preparation: sure(cut[2]).trim() } : { food: rest.trim(), preparation: '' };
}

interface Bracketed {
  /** The line without its brackets that hold an amount or a note. */
  readonly plain: string;
  readonly amounts: readonly { readonly text: string; readonly each: boolean }[];
  readonly notes: readonly string[];
}

/** Takes brackets out of the text behind the amount: "(about 2 lb)" is an amount, "(80/20)" and "(skinless)" are words. */
function takeBrackets(text: string, set: UnitSet): Bracketed {
  const amounts: { text: string; each: boolean }[] = [];
  const notes: string[] = [];
  const plain = text.replace(/\s*\(([^)]*)\)/g, (_, inside: string) => {
    const each = /\beach\b/i.test(inside);
    const bare = inside
      .trim()
      .replace(SOFT, '')
      .replace(/\s*\b(?:each|total|in all|or so|drained(?: weight)?|net)\b\s*$/i, '');
    if (readable(bare, set) && /[a-z]/i.test(bare)) {
      amounts.push({ text: bare, each });
      return ' ';
    }
    if (inside.trim() !== '') notes.push(inside.trim());
    return ' ';
  });
  return { plain: plain.replace(/\s+/g, ' ').replace(/\s+,/g, ',').trim(), amounts, notes };
}

/** Of an amount in front and one in brackets, the one that is weighed: a weight, else a volume, else the count. */
function betterAmount(front: string, { amounts }: Bracketed, set: UnitSet): string {
  const own = readQuantity(front, set);
  const told = amounts[0];
  if (!told) return front;
  if (!own.ok) return told.text;
  if (own.value.kind === 'mass') return front;
  const other = readQuantity(told.text, set);
  if (!other.ok || other.value.kind === 'count') return front;
  if (own.value.kind === 'volume') return other.value.kind === 'mass' ? told.text : front;
  // So many cans of so much; of loose pieces the bracket says what they weigh together.
  if (CONTAINER_AT_END.test(front)) {
    const whole = `${front} (${told.text})`;
    return readable(whole, set) ? whole : told.text;
  }
  return told.each ? `${own.value.count} (${told.text}) packs` : told.text;
}

/** Puts a line together: brackets looked at, the note apart from the food. */
function assemble(amount: string, rest: string, set: UnitSet): FreeLine {
  const bracketed = takeBrackets(rest.replace(/^of\s+(?:the\s+|an?\s+)?/i, '').replace(/^[-–—:,]\s*/, ''), set);
  const { food, preparation } = splitNote(bracketed.plain);
  const better = betterAmount(amount, bracketed, set);
  // The count that a weight has taken the place of stays in the cook's words.
  const count = better !== amount && amount !== '' && !better.startsWith(amount) ? [amount] : [];
  const told = bracketed.notes.filter((note) => /%|\d\/\d/.test(note));
  return {
    amount: better,
    food: [food, ...told].join(' '),
    preparation: [preparation, ...bracketed.notes.filter((note) => !told.includes(note)), ...count]
      .filter(Boolean)
      .join(', '),
  };
}

/** An amount with a unit in the middle of words: "carrots 2 cups chopped". */
function inTheMiddle(all: readonly string[], set: UnitSet): FreeLine | undefined {
  for (let from = 1; from < all.length - 1; from++) {
    if (!/^[\d½¼¾⅓⅔⅛~]/.test(nth(all, from))) continue;
    for (let to = Math.min(all.length, from + 5); to > from; to--) {
      const text = trimmed(all.slice(from, to).join(' '));
      const read = readQuantity(text, set);
      if (!read.ok || read.value.kind === 'count') continue;
      const food = trimmed(all.slice(0, from).join(' '));
      const after = all.slice(to).join(' ');
      const line = assemble(text, food, set);
      return { ...line, preparation: [line.preparation, after].filter(Boolean).join(', ') };
    }
  }
  return undefined;
}

/**
 * Takes a line apart into its amount, the words for the food, and the note. Undefined for a line without a word.
 *
 * The amount stands in front as a rule, behind ("Barley, 2 cups"), in the middle or in brackets ("4 carrots (about
 * 1/2 lb)"). What is no amount stays in the food's words; nothing is guessed. Source: the forms are common practice.
 */
export function readFreeLine(text: string, set: UnitSet): FreeLine | undefined {
  const line = text
    .replace(BULLET, '')
    .replace(/\bw\/o\b/gi, 'without')
    .replace(/\bw\/(?=\s|\w)/gi, 'with ')
    .replace(/\s+/g, ' ')
    .trim();
  if (!/\p{L}/u.test(line)) return undefined;
  // A heading is no line: "For the sauce:".
  if (/:$/.test(line)) return { amount: '', food: '', preparation: line };
  // "A few" and "some" are no amount: that is asked.
  const some = SOME.exec(line);
  if (some) {
    const bare = assemble('', line.slice(some[0].length), set);
    return { ...bare, preparation: [bare.preparation, some[0].trim()].filter(Boolean).join(', ') };
  }
  const all = words(VAGUE.test(nth(words(line), 0)) ? `1 ${line}` : line);
  const front = amountWords(all, set, 'front');
  if (front > 0) {
    const run = all.slice(0, front);
    const last = sure(run.at(-1)).replace(/[,;:]$/, '');
    // "a dozen eggs", "2 large eggs": the word that is counted is the food, unless it is "2 fillets of cod".
    const counted = COUNTED_FOODS.test(last) && !/^of$/i.test(all[front] ?? '');
    const kept = counted ? run.slice(0, -1) : run;
    const amount = trimmed(kept.join(' '));
    const rest = [...(counted ? run.slice(-1) : []), ...all.slice(front)].join(' ');
    if (readable(amount, set)) return assemble(amount, rest, set);
  }
  const end = amountWords(all, set, 'end');
  if (end > 0 && end < all.length && !/^\(/.test(sure(all.at(-end)))) {
    const amount = all.slice(-end).join(' ');
    // A figure alone at the end is part of a name as often as not: "vitamin B 12".
    if (end > 1 || !/^\d+$/.test(amount) || !/^(?:vitamin|omega|no|type|.{1,2})$/i.test(sure(all.at(-2))))
      return assemble(amount, trimmed(all.slice(0, -end).join(' ')), set);
  }
  const { food, preparation } = splitNote(line);
  // "Carrots, 2 cups chopped", "ground beef, 93% lean, 3 lb"
  const segments = preparation.split(/,\s+|;\s*/);
  for (const [index, segment] of segments.entries()) {
    const noted = words(segment);
    const count = amountWords(noted, set, 'front');
    if (count === 0 || /%/.test(nth(noted, 0))) continue;
    const rest = [...segments.slice(0, index), noted.slice(count).join(' '), ...segments.slice(index + 1)];
    const whole = assemble(trimmed(noted.slice(0, count).join(' ')), food, set);
    return { ...whole, preparation: [...rest, whole.preparation].filter(Boolean).join(', ') };
  }
  return inTheMiddle(all, set) ?? assemble('', line, set);
}
