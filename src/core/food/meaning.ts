import { z } from 'zod';
import type { KitchenWords, Phrase } from './kitchen-words';
import type { FoodIndex } from './search';
import { wordKind } from './word-kinds';
import { foldWords } from './fold';

/** What the words of a line mean: one row of the table, or rows to ask between, or nothing that the table holds. */
export interface Meaning {
  /** The row that an expert would take; undefined where the table holds none. */
  readonly ndb: string | undefined;
  /** What must be asked before it counts; undefined where the words are clear. */
  readonly question: string | undefined;
  /** The rows to ask between, the likeliest first. */
  readonly choices: readonly string[];
  /** What the list of words says of it: "core and seeds out". */
  readonly note: string;
  /** The phrase that was read, as the list has it; undefined where nothing but a search found the food. */
  readonly phrase: string | undefined;
}

/** What this household means by its words, as it is said. */
export const meaningEntrySchema = z.object({ words: z.string().max(200), key: z.string().max(10) });

const MOST_CHOICES = 5;

/** Parts that a note takes off: "skin removed" is skinless, "seeds removed" says nothing about the food. */
function sayTakenOff(text: string): string {
  const off = '(?:removed|off|out|discarded|taken off|cut off|trimmed(?: off)?)';
  return text
    .toLowerCase()
    .replace(
      new RegExp(`\\bskins?(?: and bones?)? ${off}\\b|\\b(?:without|no|remove|minus) (?:the )?skins?\\b`, 'g'),
      ' skinless ',
    )
    .replace(
      new RegExp(
        `\\b(?:seeds?|pits?|stones?|stems?|cores?|tops?|ends?|fat|excess fat|bones?|shells?|peels?|ribs?|leaves) (?:and (?:seeds?|ends?|tails?|ribs?|bones?) )?${off}\\b`,
        'g',
      ),
      ' ',
    )
    .replace(
      /\b(?:trimmed of|trim off|trim|remove|minus|no|without) (?:the |all |any |excess )*(?:seeds?|fat|stems?|cores?|peels?|pits?|stones?|tops?|leaves)\b/g,
      ' ',
    )
    .replace(/\b(?:at|to) room temperature\b/g, ' ');
}

const unique = (keys: readonly (string | undefined)[]) =>
  [...new Set(keys.filter((key) => key !== undefined))].slice(0, MOST_CHOICES);

/**
 * Which food a cook's words mean. Phrases go first: a clear one that accounts for every word is taken; one with several
 * likely rows, one that leaves words over, and anything that only a search finds are asked about.
 *
 * `own` are meanings of this household. Undefined where nothing in the words is a food: they stay words. Errors: none.
 * Source: data/kitchen-words.csv (ours: common practice, no source).
 */
export function meaningOf(
  food: string,
  note: string,
  words: KitchenWords,
  index: Pick<FoodIndex, 'exactly'>,
  own: readonly Phrase[] = [],
): Meaning | undefined {
  const said = sayTakenOff(food);
  const noted = sayTakenOff(note);
  const found = words.find(said, noted, own);
  if (found) {
    const { phrase, left } = found;
    if (left.length === 0 && phrase.ask.length === 0)
      return { ndb: phrase.ndb, question: undefined, choices: [], note: phrase.note, phrase: phrase.words };
    if (left.length === 0)
      return {
        ndb: phrase.ndb,
        question: sentence(phrase.note || 'Which one is it?'),
        choices: phrase.ask,
        note: phrase.note,
        phrase: phrase.words,
      };
    // A thing that the table does not hold is none of its rows, whatever else is said of it.
    if (phrase.ndb === undefined)
      return { ndb: undefined, question: undefined, choices: [], note: phrase.note, phrase: phrase.words };
    const near = index.exactly(said, MOST_CHOICES).map(({ ndb }) => ndb);
    return {
      ndb: phrase.ndb,
      question: `Is it ${phrase.words}? “${left.join(' ')}” is not in that.`,
      choices: unique([phrase.ndb, ...near, ...phrase.ask]),
      note: phrase.note,
      phrase: phrase.words,
    };
  }
  const names = foldWords(said).filter((word) => wordKind(word) !== 'dress' && wordKind(word) !== 'number');
  if (names.length === 0) return undefined;
  const near = index.exactly(names.join(' '), MOST_CHOICES).map(({ ndb }) => ndb);
  if (near.length === 0) return undefined;
  return { ndb: near[0], question: 'Is this the food you mean?', choices: near, note: '', phrase: undefined };
}

const sentence = (text: string) => {
  const first = text.charAt(0).toUpperCase() + text.slice(1);
  return /[?.]$/.test(first) ? first : `${first}: which one is it?`;
};
