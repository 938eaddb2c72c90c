import { numericQuantity } from 'numeric-quantity';
import { fine, refused, type Outcome } from '../problem';

export type Token =
  | { readonly type: 'number'; readonly value: number }
  | { readonly type: 'word'; readonly text: string }
  | { readonly type: 'mark'; readonly text: '+' | '-' | '(' | ')' | ',' };

const NUMBER_WORDS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  hundred: 100,
};

/** The value of a number word such as "three", or undefined. */
export const numberWord = (text: string): number | undefined => NUMBER_WORDS[text];

/** Vulgar fractions become ASCII ones ("1½" → "1 1/2"), dashes one dash; letters are lower-cased. */
export function normalise(text: string): string {
  return (
    text
      // A capital T is a tablespoon, a small one a teaspoon: said before the letters are lowered.
      .replace(/(?<=^|[\s\d¼-¾⅐-⅞])T(?:\.|(?=\s|$))/g, ' tbsp ')
      .replace(/(?<=^|[\s\d¼-¾⅐-⅞])t(?:\.|(?=\s|$))/g, ' tsp ')
      .replace(/(?<=\d)\s*#/g, ' lb ')
      .replace(/(?<=\d)\s*[x×]\s*(?=\d)/g, ' of ')
      .replace(/~/g, ' about ')
      .replace(/[¼-¾⅐-⅞]/g, (glyph) => ` ${glyph.normalize('NFKC').replace('⁄', '/')}`)
      .replace(/⁄/g, '/')
      .replace(/[–—−‒]/g, '-')
      .replace(/&/g, ' + ')
      .toLowerCase()
      .replace(/\s+/g, ' ')
      // "2-1/2 cups" is two and a half, and no range.
      .replace(/(?<![/\d])(\d+)-(\d+\/\d+)/g, '$1 $2')
      .replace(/\bone-half\b/g, '1/2')
      .replace(/\bextra-large\b/g, 'extra large')
      // Thousands as we write them: 16 899.
      .replace(/(\d) (?=\d{3}(?!\d))/g, '$1')
      .trim()
  );
}

/** A fraction is not rounded. */
const EXACT = { round: false } as const;

const NUMBER = /^(?:(\d+)\s+(\d+)\s*\/\s*(\d+)|(\d+)\s*\/\s*(\d+)|(\d{1,3}(?:,\d{3})+(?:\.\d+)?)|(\d*[.,]\d+|\d+))/;

/** The number at the head of `text` and how long it is; refuses a division by zero. */
function readNumber(text: string): Outcome<{ value: number; length: number }> | undefined {
  const match = NUMBER.exec(text);
  if (!match) return undefined;
  const [whole, mixedWhole, mixedTop, mixedBottom, top, bottom, thousands, plain] = match;
  const divisor = mixedBottom ?? bottom;
  if (divisor !== undefined && Number(divisor) === 0) {
    return refused(`"${whole}" is not an amount: nothing can be divided by 0.`);
  }
  let value: number;
  if (mixedWhole !== undefined) value = numericQuantity(`${mixedWhole} ${mixedTop}/${mixedBottom}`, EXACT);
  else if (top !== undefined) value = numericQuantity(`${top}/${bottom}`, EXACT);
  else if (thousands !== undefined && !thousands.startsWith('0')) value = Number(thousands.replace(/,/g, ''));
  else value = Number((thousands ?? plain ?? '').replace(',', '.'));
  return fine({ value, length: whole.length });
}

/** Splits an amount into numbers, words and marks. Refuses what cannot be part of an amount. */
export function tokenise(text: string): Outcome<Token[]> {
  const tokens: Token[] = [];
  let rest = normalise(text);
  while (rest.length > 0) {
    const space = /^\s+/.exec(rest);
    if (space) {
      rest = rest.slice(space[0].length);
      continue;
    }
    const number = readNumber(rest);
    if (number && !number.ok) return number;
    if (number) {
      tokens.push({ type: 'number', value: number.value.value });
      rest = rest.slice(number.value.length);
      continue;
    }
    const word = /^[a-zµ%][a-zµ'.]*/.exec(rest);
    if (word) {
      tokens.push({ type: 'word', text: word[0].replace(/\.$/, '') });
      rest = rest.slice(word[0].length);
      continue;
    }
    const mark = rest[0];
    if (mark === '+' || mark === '-' || mark === '(' || mark === ')' || mark === ',') {
      tokens.push({ type: 'mark', text: mark });
      rest = rest.slice(1);
      continue;
    }
    return refused(`"${mark}" cannot be read in an amount. Write it like 350 g, 2 lb, 1 1/2 cups or 2 large.`);
  }
  return fine(tokens);
}
