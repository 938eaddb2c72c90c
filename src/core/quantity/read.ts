import { fine, refused, type Outcome } from '../problem';
import type { Quantity } from './quantity';
import { numberWord, tokenise, type Token } from './tokens';
import { CONTAINERS, UNITS, type Unit } from './unit-words';
import { massOf, volumeOf, type UnitSet } from './units';
import { sure } from '../sure';

/** Sizes that stand before a piece: "a small head". */
const SIZES = new Set(['large', 'medium', 'small', 'jumbo', 'extra large', 'big']);
/** How full a spoon is: a level one is meant by all (common practice, no source). */
const FILLS = new Set(['heaping', 'heaped', 'level', 'rounded', 'scant', 'packed', 'generous', 'good', 'full']);
const ABOUT = new Set(['about', 'approximately', 'approx', 'around', 'roughly', 'ca']);
const EXAMPLES = 'Write it like 350 g, 2 lb, 1 1/2 cups or 2 large.';

interface Span {
  low: number;
  high: number;
}

/** Walks the tokens of one amount. */
class Reader {
  private at = 0;

  constructor(private readonly tokens: readonly Token[]) {}

  get done() {
    return this.at >= this.tokens.length;
  }

  private peekWord(offset = 0): string | undefined {
    const token = this.tokens[this.at + offset];
    return token?.type === 'word' ? token.text : undefined;
  }

  takeMark(...marks: string[]): boolean {
    const token = this.tokens[this.at];
    if (token?.type !== 'mark' || !marks.includes(token.text)) return false;
    this.at++;
    return true;
  }

  takeWord(...words: string[]): string | undefined {
    const word = this.peekWord();
    if (word === undefined || (words.length > 0 && !words.includes(word))) return undefined;
    this.at++;
    return word;
  }

  /** "a half", "three quarters", "1 1/2", "two and a half", "2 dozen". */
  number(): number | undefined {
    let value = this.plainNumber();
    if (value === undefined) return undefined;
    if (this.peekWord() === 'and' && (this.peekWord(1) === 'half' || this.peekWord(1) === 'a')) {
      const start = this.at;
      this.at++;
      const part = this.plainNumber();
      if (part !== undefined && part < 1) value += part;
      else this.at = start;
    }
    if (this.peekWord() === 'and' && this.tokens[this.at + 1]?.type === 'number') {
      const start = this.at;
      this.at++;
      const part = this.plainNumber();
      if (part !== undefined && part < 1 && Number.isInteger(value)) value += part;
      else this.at = start;
    }
    if (this.takeWord('dozen')) value *= 12;
    if (this.takeWord('couple', 'pair')) value *= 2;
    if (value <= 1) this.takeWord('a', 'an');
    if (value < 1 || this.peekWord() === 'of') this.takeOf();
    return value;
  }

  /** "half of a", "a couple of". */
  private takeOf() {
    if (this.peekWord() !== 'of') return;
    this.at++;
    this.takeWord('a', 'an');
  }

  private plainNumber(): number | undefined {
    const token = this.tokens[this.at];
    if (token?.type === 'number') {
      this.at++;
      return token.value;
    }
    const fractions: Record<string, number> = {
      half: 1 / 2,
      third: 1 / 3,
      quarter: 1 / 4,
      quarters: 1 / 4,
      thirds: 1 / 3,
    };
    const word = this.peekWord();
    if (word === undefined) return undefined;
    const direct = fractions[word];
    if (direct !== undefined) {
      this.at++;
      this.takeWord('a', 'an', 'of');
      return direct;
    }
    if (word === 'dozen' || word === 'couple') return 1;
    const spelled = numberWord(word);
    if (spelled === undefined) return undefined;
    this.at++;
    const following = fractions[this.peekWord() ?? ''];
    if (following === undefined) return spelled;
    this.at++;
    return spelled * following;
  }

  /** A unit with the size that stands before it. */
  unit(): Outcome<Unit | undefined> {
    while (FILLS.has(this.peekWord() ?? '')) this.at++;
    const unit = this.oneUnit();
    if (!unit.ok || unit.value?.kind !== 'count' || !SIZES.has(unit.value.word)) return unit;
    const piece = UNITS.get(this.peekWord() ?? '');
    if (piece?.kind !== 'count' || SIZES.has(piece.word)) return unit;
    this.at++;
    return fine({ ...piece, size: unit.value.word });
  }

  startsContainer(): boolean {
    const unit = UNITS.get(this.peekWord() ?? '');
    return unit?.kind === 'count' && CONTAINERS.has(unit.word);
  }

  get nextIsNumber(): boolean {
    return this.tokens[this.at]?.type === 'number';
  }

  private oneUnit(): Outcome<Unit | undefined> {
    const word = this.peekWord();
    if (word === undefined) return fine(undefined);
    if ((word === 'fl' || word === 'fluid') && /^(oz|ounces?)$/.test(this.peekWord(1) ?? '')) {
      this.at += 2;
      return fine({ kind: 'volume', unit: 'floz' });
    }
    if (word === 'extra' && this.peekWord(1) === 'large') {
      this.at += 2;
      return fine({ kind: 'count', word: 'extra large' });
    }
    // The cup that is named is the cup that is counted.
    const named = word === 'us' || word === 'metric' ? UNITS.get(this.peekWord(1) ?? '') : undefined;
    if (named?.kind === 'volume') {
      this.at += 2;
      return fine({ ...named, set: word === 'us' ? 'us' : 'metric' });
    }
    const unit = UNITS.get(word);
    if (unit) {
      this.at++;
      return fine(unit);
    }
    if (word === 'and' || word === 'plus' || word === 'to') return fine(undefined);
    return refused(`"${word}" is not a measure that can be read. ${EXAMPLES}`);
  }
}

function toQuantity(span: Span, unit: Unit | undefined, set: UnitSet): Quantity {
  const middle = (span.low + span.high) / 2;
  if (unit?.kind === 'mass') {
    const factor = massOf(unit.unit);
    return { kind: 'mass', grams: middle * factor, low: span.low * factor, high: span.high * factor };
  }
  if (unit?.kind === 'volume') {
    const factor = volumeOf(unit.unit, unit.set ?? set);
    return {
      kind: 'volume',
      millilitres: middle * factor,
      low: span.low * factor,
      high: span.high * factor,
      unit: unit.unit,
    };
  }
  return {
    kind: 'count',
    count: middle,
    low: span.low,
    high: span.high,
    word: unit?.word ?? '',
    ...(unit?.size === undefined ? {} : { size: unit.size }),
  };
}

/** A weight or a volume that is printed on a container: "15 oz" of "2 (15 oz) cans", "5-lb" of "a 5-lb bag". */
function readPrinted(reader: Reader, set: UnitSet): Outcome<Quantity> {
  const amount = reader.number();
  reader.takeMark('-');
  const unit = reader.unit();
  if (amount === undefined || !unit.ok || unit.value === undefined || unit.value.kind === 'count')
    return refused(`What is printed on it? Write it like 2 (15 oz) cans.`);
  return fine(toQuantity({ low: amount, high: amount }, unit.value, set));
}

/** So many containers with their printed amount; the container's word is the last. */
function inContainers(count: number, printed: Outcome<Quantity>, reader: Reader): Outcome<Quantity> {
  if (!printed.ok) return printed;
  reader.takeMark('-');
  const unit = reader.unit();
  if (!unit.ok) return unit;
  const container = unit.value?.kind === 'count' ? unit.value.word : undefined;
  if (container === undefined || !CONTAINERS.has(container))
    return refused(`Two numbers side by side are no amount. ${EXAMPLES}`);
  const whole = times(printed.value, count);
  return fine(whole.kind === 'mass' ? { ...whole, container } : whole);
}

const singularContainer = (word: string) => {
  const unit = UNITS.get(word);
  return unit?.kind === 'count' ? unit.word : word;
};

function readTerm(reader: Reader, set: UnitSet): Outcome<Quantity> {
  if (reader.takeWord(...ABOUT)) reader.takeWord('about');
  const low = reader.number();
  if (low === undefined) return refused(`An amount begins with a number. ${EXAMPLES}`);
  let unit = reader.unit();
  if (!unit.ok) return unit;
  let high = low;
  if (unit.value === undefined && reader.nextIsNumber) return inContainers(low, readPrinted(reader, set), reader);
  if (unit.value === undefined && reader.takeMark('(')) {
    const printed = readPrinted(reader, set);
    if (printed.ok && !reader.takeMark(')')) return refused(`The bracket is not closed. Write it like 2 (15 oz) cans.`);
    return inContainers(low, printed, reader);
  }
  // "15 oz can": the weight is what is printed on it.
  if (unit.value?.kind === 'mass' && reader.startsContainer()) {
    const container = sure(reader.takeWord());
    const quantity = toQuantity({ low, high }, unit.value, set);
    return fine(quantity.kind === 'mass' ? { ...quantity, container: singularContainer(container) } : quantity);
  }
  if (reader.takeMark('-') || reader.takeWord('to')) {
    const upper = reader.number();
    if (upper === undefined) return refused(`The range has no upper end. Write it like 6-9 oz.`);
    if (upper < low) return refused(`The range is upside down: ${upper} is less than ${low}.`);
    high = upper;
    const after = reader.unit();
    if (!after.ok) return after;
    unit = after.value ? after : unit;
  }
  if (unit.value?.kind === 'count' && CONTAINERS.has(unit.value.word) && reader.takeMark('(')) {
    const inside = readTerm(reader, set);
    if (!inside.ok) return inside;
    if (!reader.takeMark(')')) return refused(`The bracket is not closed. Write it like half a bag (16 oz).`);
    const whole = times(inside.value, (low + high) / 2);
    return fine(whole.kind === 'mass' ? { ...whole, container: unit.value.word } : whole);
  }
  return fine(toQuantity({ low, high }, unit.value, set));
}

/** A quantity multiplied by a bare number. */
export function times(quantity: Quantity, factor: number): Quantity {
  const span = { low: quantity.low * factor, high: quantity.high * factor };
  if (quantity.kind === 'mass') return { ...quantity, ...span, grams: quantity.grams * factor };
  if (quantity.kind === 'volume') return { ...quantity, ...span, millilitres: quantity.millilitres * factor };
  return { ...quantity, ...span, count: quantity.count * factor };
}

function plus(a: Quantity, b: Quantity): Outcome<Quantity> {
  const span = { low: a.low + b.low, high: a.high + b.high };
  if (a.kind === 'mass' && b.kind === 'mass') return fine({ ...a, ...span, grams: a.grams + b.grams });
  if (a.kind === 'volume' && b.kind === 'volume') {
    return fine({ ...a, ...span, millilitres: a.millilitres + b.millilitres });
  }
  if (a.kind === 'count' && b.kind === 'count' && a.word === b.word)
    return fine({ ...a, ...span, count: a.count + b.count });
  return refused('A weight and a volume cannot be added up. Write one amount a line.');
}

/**
 * Reads an amount as a cook writes it: `1 1/2 cups`, `3 lb 7 oz`, `6-9 oz`, `a quarter cup and two tablespoons`,
 * `half a bag (16 oz)`, `2 dozen`, `2 large`.
 *
 * Returns a mass in g, a volume in mL or a count with its word; a range keeps both ends and counts as its middle.
 * Refuses, in plain words, an empty text, text that is no amount, zero, negative amounts and divisions by zero.
 * Volumes follow the household's set of measures. Source: NIST Handbook 44 for the units; the forms are common practice.
 */
export function readQuantity(text: string, set: UnitSet): Outcome<Quantity> {
  if (text.trim() === '') return refused(`How much? ${EXAMPLES}`);
  if (text.length > 80) return refused(`That is too long for an amount. ${EXAMPLES}`);
  if (/^\s*[-−]\s*\d/.test(text)) return refused('An amount cannot be negative.');
  const tokens = tokenise(text);
  if (!tokens.ok) return tokens;
  const reader = new Reader(tokens.value);
  let total = readTerm(reader, set);
  while (total.ok && !reader.done) {
    const joined = reader.takeMark('+', ',') || reader.takeWord('and', 'plus');
    const term = readTerm(reader, set);
    if (!term.ok) return term;
    if (!joined && total.value.kind === 'count' && total.value.word === '') {
      return refused(`Two numbers side by side are no amount. ${EXAMPLES}`);
    }
    total = plus(total.value, term.value);
  }
  if (total.ok && total.value.high <= 0) return refused('An amount must be more than 0.');
  return total;
}
