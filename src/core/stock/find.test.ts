import { wantedBy } from './find';

const PACK = 'v12 otto venison, barley & parsnip venison freezer short best by mon 22 feb 2027-02-22';

test.each([
  ['otto', true],
  ['OTTO ven', true],
  ['v12', true],
  ['v1', true],
  ['short otto', true],
  ['22 feb', true],
  ['2027-02', true],
  ['tto', false],
  ['otto wren', false],
  ['12', false],
])('%s', (typed, found) => expect(wantedBy(typed)?.(PACK)).toBe(found));

test('nothing typed looks for nothing', () => expect(wantedBy('   ')).toBeUndefined());
