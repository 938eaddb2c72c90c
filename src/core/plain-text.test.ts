import fc from 'fast-check';
import { isPlainText, unkeepableIn } from './plain-text';

// PostgreSQL's text holds any character but the null byte (its manual, 8.3); half a surrogate pair is no character (Unicode, 3.9).
test('a null byte and half a character are no text, everything else is', () => {
  for (const text of ['a\0b', '\uD83D', '\uDC36 a', 'x\uD83Dx'])
    expect([text, isPlainText(text)]).toEqual([text, false]);
  for (const text of ['', 'böse', '犬', '🐶', 'a\u200Db', 'tab\tline\n', '\u0001'])
    expect([text, isPlainText(text)]).toEqual([text, true]);
});

test('it is said at its field, as the form names it', () => {
  expect(unkeepableIn({ entry: { name: 'Ot\0to', birthDate: '2020-01-01' } })).toBe('name');
  expect(unkeepableIn({ batchId: 3, note: '\uD83D' })).toBe('note');
  expect(unkeepableIn({ entry: { lines: [{ text: 'a' }, { text: '\0' }] } })).toBe('lines.1.text');
  expect(unkeepableIn({ entry: { name: 'Otto', weights: [1, null, undefined, true] } })).toBeUndefined();
  expect(unkeepableIn({ 'a\0': 1 })).toBe('');
});

test('property: it finds one wherever it stands, and none where there is none', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.boolean(), (value, spoil) => {
      const text = JSON.stringify(value).replaceAll('\\u0000', '');
      fc.pre(isPlainText(text) && !/\\ud[89a-f]/i.test(text));
      const clean = JSON.parse(text) as unknown;
      expect(unkeepableIn({ deep: [clean, spoil ? '\0' : 'fine'] })).toBe(spoil ? 'deep.1' : undefined);
    }),
    { seed: 16 },
  );
});

test('depth is no matter: 20,000 lists in each other', () => {
  let deep: unknown = 'a\0';
  for (let level = 0; level < 20_000; level++) deep = [deep];
  expect(unkeepableIn(deep)).toBeDefined();
});
