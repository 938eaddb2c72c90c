import { testFoods } from '../../../tests/fixtures/reference-files';
import { boneIn } from './bone';

const byNdb = new Map(testFoods().map((food) => [food.ndb, food]));
const bone = (words: string, ndb: string) => boneIn(words, byNdb.get(ndb)!);

// Shares: handbook 4 (common practice, no source). Which words mean bone is common practice, no source.
test.each([
  ['turkey necks', '05179', 0.36],
  ['chicken wings', '05100', 0.45],
  ['chicken feet', '05335', 0.6],
  ['chicken backs', '05048', undefined],
  ['chicken thighs, bone-in', '05091', undefined],
  ['drumsticks', '05066', undefined],
  ['beef short ribs', '13163', undefined],
  ['whole chicken', '05006', undefined],
  ['2 whole mackerel', '15046', undefined],
  ['lamb shanks', '17007', undefined],
  ['oxtail', '13151', undefined],
  ['raw meaty bones, pork', '10070', undefined],
])('“%s” holds bone', (words, ndb, share) => {
  const found = byNdb.has(ndb) ? bone(words, ndb) : boneIn(words, { ndb, name: 'Beef', group: 'Beef' });
  expect(found).toBeDefined();
  expect(found?.share).toBe(share);
});

test.each([
  ['celery ribs', '11143'],
  ['back bacon', '10130'],
  ['fatback', '10004'],
  ['yellowtail', '15135'],
  ['rib eye steak', '13803'],
  ['boneless chicken thighs', '05096'],
  ['turkey neck, meat only', '05179'],
  ['chicken wings, boned', '05100'],
  ['chicken backs, meat picked off', '05048'],
  ['whole egg', '01123'],
  ['sardines with bones', '15088'],
  ['cod fillet, tail end', '15015'],
  ['ground turkey', '05305'],
])('“%s” holds none', (words, ndb) => {
  const food = byNdb.get(ndb) ?? { ndb, name: 'Pork, fresh, backfat, raw', group: 'Pork' };
  expect(boneIn(words, food)).toBeUndefined();
});
