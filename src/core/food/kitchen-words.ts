import { distance } from 'fastest-levenshtein';
import { foldWords } from './fold';
import { COOKED_WORDS, wordKind } from './word-kinds';
import { nth, sure } from '../sure';

/** A phrase as cooks say it, with the row that it means, or the rows to ask between. */
export interface Phrase {
  readonly words: string;
  /** The row an expert would take; undefined for a thing that the table does not hold. */
  readonly ndb: string | undefined;
  /** The rows to ask between; empty where the phrase is clear. */
  readonly ask: readonly string[];
  /** raw, cooked, canned, dry …: words that the row accounts for though the phrase does not say them. */
  readonly state?: string;
  readonly note: string;
  /** Said by this household: it goes before what the table of words says. */
  readonly own?: boolean;
}

/** A row of data/kitchen-words.csv as text. */
export type PhraseRow = Readonly<Record<'words' | 'ndb' | 'state' | 'ask' | 'note', string>>;

export const readPhrase = ({ words, ndb, ask, state, note }: PhraseRow): Phrase => ({
  words,
  ...(state === '' ? {} : { state }),
  ndb: ndb === '' ? undefined : ndb,
  ask: ask === '' ? [] : ask.split('|'),
  note,
});

/** Rows of meat, grain and pulses: ground they are another food; seeds and spices are not. */
const GROUND_MATTERS = /^(?:05|07|08|10|13|15|16|17|20|23)/;
const PARTS_NAMED = new Set(
  'shell eggshell seed powder flour meal bread sugar syrup stock broth stem core peel top tail leaf rind pit butter milk salt'.split(
    ' ',
  ),
);

interface Indexed {
  readonly phrase: Phrase;
  readonly tokens: readonly string[];
}

/** A phrase found in a line, with the words of the line that it does not account for. */
export interface Found {
  readonly phrase: Phrase;
  /** Words of the food that no phrase took and that are no dress. */
  readonly left: readonly string[];
}

export interface KitchenWords {
  /** The longest phrase in the words of a food and its note; undefined where none is in them. */
  readonly find: (food: string, note: string, own?: readonly Phrase[]) => Found | undefined;
  /** Phrases that begin with or hold what was typed so far, the nearest first. */
  readonly begun: (query: string, limit: number) => readonly Phrase[];
  /** Whether a text as a whole is a phrase: "pig ear" is a food, not an ear of a pig. */
  readonly isPhrase: (text: string) => boolean;
}

const key = (tokens: readonly string[]) => [...tokens].sort().join(' ');

/** A letter written once in place of twice is the commonest slip: "carot". */
const single = (word: string) => word.replace(/(.)\1/g, '$1');

/** A slip rarely hits the first letter: without this "barley" could be "parley". */
const near = (first: string, length: number) => `${first}${length}`;

const grouped = (words: Iterable<string>, by: (word: string) => string): ReadonlyMap<string, readonly string[]> => {
  const groups = new Map<string, string[]>();
  for (const word of words) {
    const group = groups.get(by(word));
    if (group) group.push(word);
    else groups.set(by(word), [word]);
  }
  return groups;
};

/** Mends slips into the words of the phrases; words that are `known` stay. Two hundred long lines ask it ten thousand times. */
function slips(vocabulary: Iterable<string>, known: ReadonlySet<string>): (word: string) => string {
  const words = [...vocabulary];
  const bySingle = grouped(words, single);
  const byStart = grouped(words, (word) => near(word.charAt(0), word.length));
  return (word) => {
    // Words of five letters may have one slip, of eight two; shorter ones none (common practice, no source).
    if (word.length < 5 || known.has(word) || /\d/.test(word) || wordKind(word) !== 'name') return word;
    const most = word.length < 7 ? 1 : 2;
    const doubled = bySingle.get(single(word)) ?? [];
    if (doubled.length === 1) return nth(doubled, 0);
    let best: { word: string; away: number } | undefined;
    let twice = false;
    for (let length = word.length - most; length <= word.length + most; length++)
      for (const candidate of byStart.get(near(word.charAt(0), length)) ?? []) {
        const away = distance(word, candidate);
        if (away > most || away > (best?.away ?? most)) continue;
        twice = best?.away === away;
        best = { word: candidate, away };
      }
    return best && !twice ? best.word : word;
  };
}

/**
 * An index over phrases: data/kitchen-words.csv and what the household means by its own words.
 *
 * A phrase is in a line when all of its words are, in any order, plurals, hyphens and slips folded. The longest wins;
 * of two as long the household's own, then the one whose words stand together in the food, then the earlier one.
 * `vocabulary` are words that exist besides: no slip is mended into or out of them. Errors: none.
 * Source: the phrases are ours (common practice, no source).
 */
export function indexPhrases(phrases: readonly Phrase[], vocabulary: Iterable<string>): KitchenWords {
  const entries: Indexed[] = [];
  const byWord = new Map<string, number[]>();
  const exact = new Set<string>();
  for (const phrase of phrases) {
    const tokens = [...new Set(foldWords(phrase.words))];
    exact.add(key(tokens));
    for (const token of tokens) byWord.set(token, [...(byWord.get(token) ?? []), entries.length]);
    entries.push({ phrase, tokens });
  }
  const known = new Set<string>([...byWord.keys(), ...vocabulary]);
  const mend = slips(byWord.keys(), known);

  const withOwn = (tokens: ReadonlySet<string>, own: readonly Phrase[]): Indexed[] => {
    const seen = new Set<number>();
    for (const token of tokens) for (const at of byWord.get(token) ?? []) seen.add(at);
    const candidates = [...seen].sort((a, b) => a - b).map((at) => nth(entries, at));
    return [...own.map((phrase) => ({ phrase, tokens: [...new Set(foldWords(phrase.words))] })), ...candidates].filter(
      (entry) => entry.tokens.every((token) => tokens.has(token)),
    );
  };

  const find: KitchenWords['find'] = (food, note, own = []) => {
    const words = foldWords(food).map(mend);
    // A part that a note names ("shells included", "no seeds") is not the food: only its form is looked for there.
    const noted = foldWords(note).map(mend);
    const ofNote = noted.filter((word) => !PARTS_NAMED.has(word));
    const all = new Set([...words, ...ofNote]);
    for (const word of [...all]) {
      if (COOKED_WORDS.has(word)) all.add('cooked');
      if (word === 'can') all.add('canned');
    }
    const main = new Set(words);
    // Asked for every candidate and word: of a long line of food words there are hundreds times fifty.
    const kinds = new Map([...words, ...noted].map((word) => [word, wordKind(word)]));
    const inOrder = ` ${words.join(' ')} `;
    const candidates = withOwn(all, own).filter(({ tokens }) => tokens.some((token) => main.has(token)));
    if (candidates.length === 0) return undefined;
    const score = ({ phrase, tokens }: Indexed) => {
      const inFood = tokens.filter((token) => main.has(token)).length;
      const left = leftOf({ phrase, tokens });
      const together = inOrder.includes(` ${tokens.join(' ')} `) ? 1 : 0;
      return [-left.length, tokens.length, inFood, phrase.own === true ? 1 : 0, together];
    };
    const leftOf = ({ tokens, phrase }: Indexed): string[] => {
      const taken = new Set(tokens);
      const cooked = taken.has('cooked') || phrase.state === 'cooked';
      const canned = taken.has('canned') || phrase.state === 'canned';
      const accounted = (word: string) =>
        taken.has(word) ||
        (cooked && (word === 'cooked' || COOKED_WORDS.has(word))) ||
        (canned && (word === 'can' || word === 'canned')) ||
        (phrase.state === 'dry' && (word === 'dried' || word === 'dry')) ||
        (word === 'ground' && !GROUND_MATTERS.test(phrase.ndb ?? ''));
      const percent = [...taken].some((word) => word.endsWith('%'));
      const matters = (word: string, inFood: boolean) => {
        const kind = kinds.get(word);
        if (accounted(word) || kind === 'number' || kind === 'dress' || kind === 'piece') return false;
        if (percent && word === 'lean') return false;
        // Bone in the line is asked about by its own question.
        if (word === 'bone' && (all.has('in') || all.has('with'))) return false;
        return inFood || kind === 'form' || kind === 'or';
      };
      return [
        ...[...main].filter((word) => matters(word, true)),
        ...[...new Set(noted)].filter((word) => !main.has(word) && matters(word, false)),
      ];
    };
    const ranked = candidates
      .map((entry) => ({ entry, rank: score(entry) }))
      .sort((a, b) => {
        for (let at = 0; at < a.rank.length; at++)
          if (a.rank[at] !== b.rank[at]) return nth(b.rank, at) - nth(a.rank, at);
        return 0;
      });
    const best = nth(ranked, 0).entry;
    return { phrase: best.phrase, left: leftOf(best) };
  };

  const begun: KitchenWords['begun'] = (query, limit) => {
    const asked = foldWords(query);
    if (asked.length === 0) return [];
    const last = sure(asked.at(-1));
    const whole = key([...new Set(asked)]);
    const fits = ({ tokens }: Indexed) =>
      asked.slice(0, -1).every((word) => tokens.includes(word)) && tokens.some((token) => token.startsWith(last));
    const rank = ({ tokens }: Indexed) =>
      (key(tokens) === whole ? 1000 : 0) + (nth(tokens, 0).startsWith(nth(asked, 0)) ? 10 : 0) - tokens.length;
    return entries
      .filter(fits)
      .sort((a, b) => rank(b) - rank(a))
      .slice(0, limit)
      .map(({ phrase }) => phrase);
  };

  return { find, begun, isPhrase: (text) => exact.has(key([...new Set(foldWords(text))])) };
}
