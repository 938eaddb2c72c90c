import { compoundsOf } from '../food/compounds';
import type { KnownFood } from '../food/food';
import { foldWords } from '../food/fold';
import type { KitchenWords, Phrase } from '../food/kitchen-words';
import { meaningOf, type Meaning } from '../food/meaning';
import type { FoodIndex } from '../food/search';
import { readQuantity } from '../quantity/read';
import type { UnitSet } from '../quantity/units';
import { writeNumber } from '../quantity/write';
import { boneIn } from './bone';
import { readLineAmount } from './entry';
import type { LineAsk, LineEntry } from './entry-schema';
import { LONGEST_LINE, readFreeLine, type FreeLine } from './free-line';
import { guessPart } from './part-of-food';
import { stateOf } from './written';
import { nth } from '../sure';

/** What a line asks before it can be counted. */
export interface Asked {
  readonly about: 'food' | 'amount' | 'bone' | 'compound';
  readonly question: string;
}

/** A food to choose, what it is called in the question, and the amount it would have, where that is another one. */
export interface FoodChoice {
  readonly known: KnownFood;
  readonly label: string;
  readonly amount?: string;
}

/** A line as it was read from free text; without a food it is words. */
export interface FoundLine {
  /** As it was written. */
  readonly text: string;
  readonly entry: LineEntry;
  readonly known: KnownFood | undefined;
  /** null where nothing has to be asked; never an empty list. */
  readonly asks: readonly Asked[] | null;
  /** What the amount comes to for the food that is chosen or proposed; null where it cannot be weighed. */
  readonly grams: number | null;
  /** The foods to choose between, where its food is asked. */
  readonly choices: readonly FoodChoice[];
}

export interface FoundLines {
  readonly lines: readonly FoundLine[];
  /** What was not read, because a recipe has no more lines. */
  readonly rest: string;
}

/** What a kitchen reads lines with. */
export interface LineReader {
  readonly set: UnitSet;
  readonly words: KitchenWords;
  readonly index: Pick<FoodIndex, 'exactly'>;
  /** What this household means by its own words. */
  readonly own: readonly Phrase[];
  /** Supplies and recipes of the household by name. */
  readonly named: readonly { readonly key: string; readonly name: string }[];
  readonly knownOf: (key: string) => KnownFood | undefined;
}

/** Letters of the words that a meaning is remembered for, as its shape has them. */
const LONGEST_WORDS = 200;

const WORDS: LineEntry = { amount: '', ndb: '', preparation: '', part: 'herb', moment: 'cook', words: true };

/** Letters and figures between single spaces, so that a name is found as whole words: a supply "C" is not in carrots. */
const wholeWords = (text: string) => ` ${(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).join(' ')} `;

/** Pieces that may stand behind their food: "2 celery ribs", "3 garlic cloves". */
const PIECE_BEHIND =
  /\s+(stalks?|ribs?|sticks?|cloves?|heads?|leaf|leaves|bunch(?:es)?|spears?|ears?|bulbs?|sprigs?|sheets?|fillets?|slices?|cans?|tins?|wedges?|packages?|packets?|patties|patty|florets?)$/i;

/** Moves a piece behind the food into the amount, unless the words are a food as they stand: a pig ear. */
function pieceToAmount(free: FreeLine, { words, set }: LineReader): FreeLine {
  const piece = PIECE_BEHIND.exec(free.food);
  const quantity = readQuantity(free.amount, set);
  if (!piece || !quantity.ok || quantity.value.kind !== 'count' || !/^$|large|medium|small/.test(quantity.value.word))
    return free;
  const food = free.food.slice(0, piece.index);
  // A pig ear is no pig, and a floret of broccoli has a weight of its own.
  const whole = words.isPhrase(free.food) ? words.find(free.food, '')?.phrase : undefined;
  if (whole && whole.ndb !== words.find(food, '')?.phrase.ndb) return free;
  return { ...free, amount: `${free.amount} ${piece[1]}`, food };
}

/** The supply or recipe whose whole name is in the words, or of whose name all the words are a part. */
function namedIn(free: FreeLine, named: LineReader['named']) {
  const asked = wholeWords(`${free.food} ${free.preparation}`);
  const whole = [...named]
    .sort((a, b) => b.name.length - a.name.length)
    .find(({ name }) => wholeWords(name).trim() !== '' && asked.includes(wholeWords(name)));
  if (whole) return { ...whole, whole: true };
  const own = foldWords(free.food);
  const part = named.find(({ name }) => own.length > 1 && own.every((word) => foldWords(name).includes(word)));
  return part && { ...part, whole: false };
}

const ELEMENTS = /^(calcium)(?: powder| supplement)?$/;

/** Compound or element: what "500 mg calcium" may be, each as a substance with the weight that it then has. */
function compoundChoices(free: FreeLine, reader: LineReader): readonly FoodChoice[] {
  const element = ELEMENTS.exec(foldWords(free.food).join(' '))?.[1];
  if (element === undefined) return [];
  const quantity = readQuantity(free.amount, reader.set);
  const mass = quantity.ok && quantity.value.kind === 'mass' ? quantity.value.grams : undefined;
  const carbonate = reader.knownOf('S0001');
  const share = compoundsOf(element).find(({ name }) => name === 'calcium carbonate')?.share;
  const itself: readonly FoodChoice[] =
    mass === undefined || !carbonate || share === undefined
      ? []
      : [
          {
            known: carbonate,
            label: `${free.amount} of calcium itself, from carbonate`,
            amount: `${writeNumber(mass / share, 3).replace(' ', '')} g`,
          },
        ];
  const compounds = ['S0001', 'S0002', 'S0003', 'S0004', 'S0005'].flatMap((key): FoodChoice[] => {
    const known = reader.knownOf(key);
    return known ? [{ known, label: known.food.name }] : [];
  });
  return [...itself, ...compounds];
}

/**
 * Reads one line as it stands in a notebook: its amount, its food by the kitchen's words, and what must be asked.
 * Nothing that was found by search, by a part of the words, or between several likely rows is silent.
 * Source: the phrases are ours (common practice, no source); measures as beside them.
 */
export function readFoundLine(line: string, reader: LineReader): FoundLine {
  const text = line.trim().slice(0, LONGEST_LINE);
  const asWords = (aside = ''): FoundLine => ({
    text,
    entry: { ...WORDS, preparation: text, ...(aside === '' ? {} : { aside }) },
    known: undefined,
    asks: null,
    grams: null,
    choices: [],
  });
  if (line.trim().length > LONGEST_LINE) return asWords('too long for one line');
  const whole = readFreeLine(line, reader.set);
  if (!whole || whole.food === '') return asWords();
  const free = pieceToAmount(whole, reader);
  const named = namedIn(free, reader.named);
  if (named) {
    const known = reader.knownOf(named.key);
    if (known) {
      const choices = named.whole ? [] : [{ known, label: known.food.name }];
      return found(text, free, known, choices, named.whole ? undefined : `Is it your ${known.food.name}?`, reader);
    }
  }
  const canned = /\b(?:cans?|tins?)\b/i.test(free.amount) ? ' can' : '';
  const meaning: Meaning | undefined = meaningOf(
    free.food,
    `${free.preparation}${canned}`,
    reader.words,
    reader.index,
    reader.own,
  );
  if (!meaning) return asWords();
  if (meaning.ndb === undefined) {
    const compounds = compoundChoices(free, reader);
    if (compounds.length === 0) return asWords(meaning.note);
    const question = 'Is that calcium itself, or a compound of it?';
    return found(text, free, nth(compounds, 0).known, compounds, question, reader, 'compound');
  }
  // Prose holds food words too: without an amount only the words of a phrase make a line.
  if (meaning.phrase === undefined && free.amount === '') return asWords();
  const known = reader.knownOf(meaning.ndb);
  if (!known) return asWords();
  const choices = meaning.choices.flatMap((key): FoodChoice[] => {
    const choice = reader.knownOf(key);
    return choice ? [{ known: choice, label: choice.food.name }] : [];
  });
  return found(text, free, known, choices, meaning.question, reader, 'food', meaning.note);
}

function found(
  text: string,
  free: FreeLine,
  known: KnownFood,
  choices: readonly FoodChoice[],
  question: string | undefined,
  reader: LineReader,
  about: 'food' | 'compound' = 'food',
  aside = '',
): FoundLine {
  const { food, measures } = known;
  const preparation = [free.food, free.preparation].filter(Boolean).join(', ').slice(0, LONGEST_LINE);
  const amount = readLineAmount(free.amount, food, measures, reader.set, preparation);
  const bone = boneIn(preparation, food);
  const ask: LineAsk | undefined =
    question === undefined
      ? undefined
      : {
          question,
          words: foldWords(free.food).join(' ').slice(0, LONGEST_WORDS),
          choices: choices.map(({ known: { food: each }, label, amount: other }) => ({
            ndb: each.ndb,
            label,
            ...(other === undefined ? {} : { amount: other }),
          })),
        };
  const asks: Asked[] = [
    ...(question === undefined ? [] : [{ about, question }]),
    ...(amount.ok ? [] : [{ about: 'amount' as const, question: amount.problem.message }]),
    ...(bone ? [{ about: 'bone' as const, question: bone.question }] : []),
  ];
  const own = food.group === 'Supplement';
  return {
    text,
    entry: {
      amount: free.amount,
      ndb: food.ndb,
      preparation,
      part: guessPart(food),
      moment: own ? 'stir-in' : 'cook',
      ...(stateOf(food.name) === 'cooked' ? { state: 'cooked' as const } : {}),
      ...(ask ? { ask } : {}),
      // What the bone's own question says need not be said twice.
      ...(aside !== '' && question === undefined && !bone ? { aside } : {}),
    },
    known,
    asks: asks.length === 0 ? null : asks,
    grams: amount.ok ? amount.value.grams : null,
    choices,
  };
}
