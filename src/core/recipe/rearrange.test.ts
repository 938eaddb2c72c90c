import fc from 'fast-check';
import type { LineEntry } from './entry-schema';
import { insertLines, moveLine, removeLine, withoutBlank } from './rearrange';

const line = (name: string, perLine?: number): LineEntry => ({
  amount: '1 g',
  ndb: name,
  part: 'muscle',
  moment: 'cook',
  ...(perLine === undefined ? {} : { perLine }),
});

/** Which food each line is bound to, by name: what must survive every change of places. */
const bonds = (lines: readonly LineEntry[]) =>
  Object.fromEntries(lines.map(({ ndb, perLine }) => [ndb, perLine === undefined ? undefined : lines[perLine]?.ndb]));

const linesOf = (size: number, pick: (index: number) => number | undefined) =>
  Array.from({ length: size }, (_, index) => line(`f${index}`, pick(index)));

const some = fc.integer({ min: 2, max: 9 }).chain((size) =>
  fc.record({
    lines: fc
      .array(fc.option(fc.integer({ min: 0, max: size - 1 }), { nil: undefined }), { minLength: size, maxLength: size })
      .map((places) => linesOf(size, (index) => places[index])),
    from: fc.integer({ min: 0, max: size - 1 }),
    to: fc.integer({ min: 0, max: size - 1 }),
  }),
);

test('a line moved, put in or taken out leaves the others bound to the same ones', () => {
  fc.assert(
    fc.property(some, ({ lines, from, to }) => {
      const moved = moveLine(lines, from, to);
      expect(moved[to]!.ndb).toBe(lines[from]!.ndb);
      expect(bonds(moved)).toEqual(bonds(lines));
      const grown = insertLines(lines, to, [line('new')]);
      expect(bonds(grown)).toEqual({ ...bonds(lines), new: undefined });
      const less = removeLine(lines, from);
      for (const [food, base] of Object.entries(bonds(less)))
        expect(base).toBe(bonds(lines)[food] === lines[from]!.ndb ? undefined : bonds(lines)[food]);
    }),
  );
});

test('blank paper between the lines is let go, and bonds with it move up', () => {
  const blank: LineEntry = { amount: ' ', ndb: '', part: 'muscle', moment: 'cook' };
  expect(withoutBlank([blank, line('a'), blank, line('b', 1)])).toEqual([line('a'), line('b', 0)]);
});
