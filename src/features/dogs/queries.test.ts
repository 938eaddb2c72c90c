import { saveDog } from '@/data/commands/dogs';
import { contextFor } from '@/data/commands/run';
import { serve, setClock } from '@/data/fixtures/served';
import { readDog } from '@/data/repositories/dogs';
import { dogForm, dogsView, newDogForm } from './queries';
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
