import { serve } from '@/data/fixtures/served';
import { find } from './queries';

beforeAll(async () => {
  await serve('2026-11-25T12:00:00Z', { demo: true });
});

test.each([
  ['juni', '/dogs/1'],
  ['OTTO', '/dogs/2'],
  ['millet', '/recipes/3'],
  ['v10', '/store?pack=V10'],
  ['V1', '/store?pack=V1'],
])('%s finds %s', async (typed, href) => {
  expect((await find(typed)).map((found) => found.href)).toContain(href);
});

test('a whole code comes before the codes that it begins, even when that pack is empty', async () => {
  const found = await find('v1');
  expect(found[0]).toMatchObject({ name: 'V1', what: expect.stringMatching(/empty$/) as string });
  expect(found.length).toBeGreaterThan(1);
  expect(found.length).toBeLessThanOrEqual(12);
});

test.each(['', '   ', 'zzz', '%', "'; drop table dog; --"])('%p finds nothing, and harms nothing', async (typed) => {
  expect(await find(typed)).toEqual([]);
});
