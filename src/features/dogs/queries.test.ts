import { saveDog } from '@/data/commands/dogs';
import { contextFor } from '@/data/commands/run';
import { serve, setClock } from '@/data/fixtures/served';
import { readDog } from '@/data/repositories/dogs';
import { diaryView } from './diary/queries';
import { eatenView } from './eaten/queries';
import { dogForm, dogsView, newDogForm } from './queries';
import type { LocalDate } from '@/core/calendar/local-date';
import { checkedBy } from '@/core/checked-by';
import { dogEntrySchema, readDogEntry } from '@/core/dog/entry';

const NOON = '2026-11-25T12:00:00Z';

test('the boatyard’s dogs, their days and the order they came in', async () => {
  await serve(NOON, { demo: true });
  const { rows } = await dogsView();
  // Issue 2 (NRC 2006; AAHA 2021 factors from memory).
  expect(rows.map((row) => [row.name, Number(row.energy.kcal.toFixed(1))])).toEqual([
    ['Juniper', 1630.5],
    ['Otto', 369.2],
    ['Wren', 1174],
  ]);
});

test('what a dog ate: the room says the fortnight, its proteins, and what of it is not known', async () => {
  await serve(NOON, { demo: true });
  const view = (await eatenView(2))!;
  expect(view.headline).toMatch(/^Otto got \d+ % of its energy$/);
  expect(view.days).toHaveLength(42);
  expect(view.days.filter(({ inFortnight }) => inFortnight)).toHaveLength(14);
  expect(view.rows.length).toBeGreaterThan(30);
  expect(view.covered).toMatch(/^By the composition of \d+ % of its energy/);
  expect(view.since.join()).toMatch(/venison/);
  // A day before the dog was known is today; every day since can be looked at, with the six weeks around it.
  expect((await eatenView(2, '2020-01-01' as LocalDate))!.under).toBe(view.under);
  const earlier = (await eatenView(2, view.before))!;
  expect(earlier.under).not.toBe(view.under);
  expect(earlier.after).toBe('2026-11-25');
  const old = (await eatenView(2, '2026-10-20' as LocalDate))!;
  expect([old.days.at(-1)!.day, old.since, old.before]).toEqual(['2026-11-03', [], undefined]);
  expect(old.days.filter(({ inFortnight }) => inFortnight).at(-1)!.day).toBe('2026-10-20');
  expect(view.why.steps[0]!.what).toBe('eaten on 11 days of which all is known');
  expect(await eatenView(99)).toBeUndefined();
});

test('the demo’s diary stands beside what Otto ate, and claims nothing of what was not said', async () => {
  await serve(NOON, { demo: true });
  const view = (await diaryView(2))!;
  expect(view.headline).toBe('How was Otto today?');
  expect(view.drawn.at(-1)!.offs).toEqual({});
  expect(view.told[0]).toMatchObject({ said: ['stool soft', 'coat glossy'] });
  expect(view.drawn.flatMap(({ changes }) => changes)).toContainEqual(expect.stringContaining(' began'));
  // A day of before is written as well; one that is further back than the diary is today.
  expect((await diaryView(2, '2026-11-19' as LocalDate))!.headline).toContain('stool soft, appetite picky');
  expect((await diaryView(2, '2026-01-01' as LocalDate))!.day).toBe('2026-11-25');
});

test('a form kept unchanged adds neither a weigh-in nor a ration, days later either', async () => {
  const { db, reference } = await serve(NOON, { demo: true });
  setClock('2026-11-29T12:00:00Z');
  for (const id of [1, 2, 3]) {
    const before = (await readDog(db, id))!;
    const form = (await dogForm(id))!;
    await saveDog(await contextFor(db, reference, new Date('2026-11-29T12:00:00Z')), { id, entry: form.entry });
    const after = (await readDog(db, id))!;
    expect([after.weighIns.length, after.rations.length]).toEqual([before.weighIns.length, before.rations.length]);
  }
  expect(await dogForm(99)).toBeUndefined();
});

test('the form’s schema says every problem at its field', async () => {
  await serve(NOON, { demo: false });
  const form = await newDogForm();
  const schema = checkedBy(dogEntrySchema, (entry) => readDogEntry(entry, form.set, form.today));
  const read = schema.safeParse({ ...form.entry, weight: '900 kg' });
  expect(read.error!.issues.map((issue) => issue.path[0]).sort()).toEqual(['birthDate', 'name', 'weight']);
});
