import fc from 'fast-check';
import { LONGEST_LINE, MOST_LINES } from './free-line';
import { readFoundLine } from './found-line';
import { linesOf, readerOf } from './kitchen-lines';
import { indexPhrases } from '../food/kitchen-words';

const kale = { ndb: '11233', name: 'Kale, raw', group: 'Vegetables', per100: {} };
const tables = {
  words: indexPhrases([{ words: 'kale', ndb: '11233', ask: [], note: '' }], []),
  index: { exactly: () => [] },
  foods: new Map([['11233', kale]]),
  measures: new Map(),
};

test('every letter of a text is in a line or in the rest', () => {
  const letters = (text: string) => text.replace(/\s/g, '');
  fc.assert(
    fc.property(fc.array(fc.string({ maxLength: 700 }), { maxLength: 250 }), (texts) => {
      const text = texts.join('\n');
      const { lines, rest } = linesOf(text);
      expect(lines.length).toBeLessThanOrEqual(MOST_LINES);
      const kept = lines.map((line) => line.trim().slice(0, LONGEST_LINE));
      expect(letters([...kept, ...rest].join('')).length).toBe(letters(text).length);
    }),
  );
});

test('a line that is too long is words, and is not looked through', () => {
  const reader = readerOf(tables, { set: 'metric', own: [], named: [], known: [] });
  expect(readFoundLine('100 g kale', reader).entry).toMatchObject({ ndb: '11233', amount: '100 g' });
  const long = readFoundLine(`100 g kale ${'x'.repeat(400)}`, reader);
  expect(long.entry).toMatchObject({ ndb: '', words: true, aside: 'too long for one line' });
  expect(long.entry.preparation).toHaveLength(LONGEST_LINE);
});

test('what a kitchen knows itself goes before the table', () => {
  const own = { food: kale, measures: [{ amount: 1, unit: 'handful', grams: 40 }] };
  const reader = readerOf(tables, { set: 'metric', own: [], named: [], known: [['11233', own]] });
  expect(readFoundLine('1 handful kale', reader).grams).toBe(40);
  expect(reader.knownOf('R9')).toBeUndefined();
});
