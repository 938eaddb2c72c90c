import { eq, sql } from 'drizzle-orm';
import { addDays, writeDayInFull, type LocalDate } from '@/core/calendar/local-date';
import { weightOn } from '@/core/dog/day-energy';
import { readAhead } from '@/data/ahead';
import { readPage } from '@/data/page';
import { holding } from '@/data/schema/stock';
import { serve, setClock } from '@/data/fixtures/served';
import { contextFor } from '@/data/commands/run';
import { addDaysOff } from '@/data/commands/days-off';
import { feedBowl, takeBackBowl } from '@/data/commands/bowls';
import { feedExtra, giveBetween, takeBackGiven } from '@/data/commands/given';
import { todayView } from './queries';
import { sitterView } from './sitter/queries';

const NOON = '2026-11-25T12:00:00Z';

test('an empty house has nobody to feed and nothing to watch', async () => {
  await serve(NOON, { demo: false });
  const view = await todayView();
  expect(view).toMatchObject({ dogs: [], sources: [], tonight: [], watch: [], cookBy: undefined });
});

describe('the boatyard', () => {
  let served: Awaited<ReturnType<typeof serve>>;
  beforeAll(async () => {
    served = await serve(NOON, { demo: true });
  });
  beforeEach(() => setClock(NOON));

  test('at one o’clock supper is next, and the meals fed are told with their packs', async () => {
    const view = await todayView();
    expect(view.heading).toBe('Supper, 18:00');
    expect(view.done).toBe('breakfast and lunch are done');
    expect(view.dogs.map((dog) => [dog.name, dog.fed.length])).toEqual([
      ['Juniper', 1],
      ['Otto', 1],
      ['Wren', 2],
    ]);
  });

  test('each bowl holds its part of the day: half of 1630.5 and 369.2, a third of 1174.0 kcal (issue 2)', async () => {
    const view = await todayView();
    const wanted = [1630.5 / 2, 369.2 / 2, 1174.0 / 3];
    view.dogs.forEach((dog, index) => {
      expect(dog.next!.kcal).toBeCloseTo(wanted[index]!, 0);
      const inBowl = dog.next!.drawn.reduce((sum, part) => sum + part.kcal, 0);
      expect(Math.abs(inBowl / wanted[index]! - 1)).toBeLessThan(0.031);
      expect(dog.next!.missing).toBe(0);
      expect(dog.next!.why.steps.at(-1)!.what).toMatch(/^from /);
    });
  });

  test('no dog is given what another bowl of the same page already takes', async () => {
    const view = await todayView();
    const taken = new Map<string, number>();
    for (const part of view.dogs.flatMap((dog) => dog.next!.drawn))
      taken.set(part.key, (taken.get(part.key) ?? 0) + part.grams);
    for (const [key, grams] of taken)
      expect(grams).toBeLessThanOrEqual(view.sources.find((source) => source.key === key)!.grams);
  });

  test('the days of cover are the squares that are filled, and cook-by lies before the first gap', async () => {
    const view = await todayView();
    for (const dog of view.ahead) {
      expect(dog.cells.slice(0, dog.coverDays).every((cell) => !cell.said.endsWith('nothing'))).toBe(true);
      expect(dog.cells[dog.coverDays]?.said.endsWith('nothing')).toBe(true);
    }
    expect(view.cookBy!.index).toBe(Math.min(...view.ahead.map((dog) => dog.coverDays)) - 1);
  });

  test('what tomorrow needs from the freezer is said tonight, and only that', async () => {
    const view = await todayView();
    const frozen = await served.db.select().from(holding).where(eq(holding.placeId, 2));
    expect(view.tonight.length).toBeGreaterThan(0);
    for (const pack of view.tonight) expect(frozen.map((row) => row.id)).toContain(pack.holdingId);
  });

  test('an old pack knows the weight of the day on which it was made', async () => {
    const old = '2026-08-01' as LocalDate;
    await served.db.execute(sql`insert into weigh_in (dog_id, day, grams, created_at) values
      (1, '2026-07-01', 20000, now()), (1, '2026-08-20', 25000, now())`);
    await served.db.execute(sql`update pack set packed_on = ${old} where holding_id in (
      select pack.holding_id from pack join holding on holding.id = pack.holding_id where holding.amount > 0 limit 1)`);
    const { dogs } = await readPage((read) => readAhead(read));
    expect(
      weightOn(
        dogs.find(({ id }) => id === 1)!,
        old,
      ),
    ).toBe(20_000);
    await served.db.execute(sql`delete from weigh_in where day in ('2026-07-01', '2026-08-20')`);
  });

  test('past its safe date a pack is watched, and no longer fed', async () => {
    setClock('2026-11-27T12:00:00Z');
    const view = await todayView();
    const past = view.watch.filter((each) => each.tone === 'danger').map((each) => each.title.split(' ')[0]);
    expect(past.length).toBeGreaterThan(0);
    expect(view.sources.filter((source) => past.includes(source.code))).toEqual([]);
  });

  test('weeks later everybody is due on the scale, a pup after a week', async () => {
    setClock('2026-12-03T12:00:00Z');
    const due = (await todayView()).watch
      .filter((each) => /due on the scale/.test(each.title))
      .map((each) => each.title.split(' ')[0]);
    expect(due).toEqual(['Wren']);
    setClock('2026-12-28T12:00:00Z');
    expect((await todayView()).watch.filter((each) => /due on the scale/.test(each.title)).length).toBe(3);
  });

  test('another meal stands with what a dog had besides, once, and is no meal that is done', async () => {
    const before = await todayView();
    const otto = before.dogs[1]!;
    const [part] = otto.next!.drawn;
    await feedExtra(await contextFor(served.db, served.reference, new Date(NOON)), {
      dogId: otto.id,
      parts: [{ holdingId: Number(part!.key.split('-')[1]), grams: 30 }],
      takesOff: true,
    });
    const view = await todayView();
    expect(view.done).toBe(before.done);
    expect(view.dogs[1]!.fed).toHaveLength(otto.fed.length);
    expect(view.dogs[1]!.given.map(({ said }) => said)).toEqual([expect.stringMatching(/^13:00 another meal, \d/)]);
    expect(view.earlier[0]!.meals.filter(({ slotId }) => slotId === null)).toHaveLength(1);
    const [given] = view.dogs[1]!.given;
    await takeBackGiven(await contextFor(served.db, served.reference, new Date(NOON)), { givenId: given!.id });
    expect((await todayView()).dogs[1]!.next!.drawn).toEqual(otto.next!.drawn);
  });

  test('a sitter’s sheet keeps what was typed, says what cannot be at its field, and where it is not enough', async () => {
    const odd = await sitterView({ from: '2026-11-28', to: '2026-11-20' });
    expect(odd).toMatchObject({ typed: { from: '2026-11-28', to: '2026-11-20' }, problem: { field: 'to' } });
    expect(await sitterView({ from: 'soon', to: undefined })).toMatchObject({ problem: { field: 'from' } });
    const sheet = await sitterView({ from: '2026-11-26', to: '2026-12-10' });
    expect(sheet.days).toHaveLength(15);
    const cover = new Map((await todayView()).ahead.map((dog) => [dog.dogId, dog.coverDays]));
    // Day by day it is short where the eight weeks are: today is day 0 of the cover.
    for (const [index, day] of sheet.days.entries())
      for (const dog of day.dogs)
        expect([dog.name, index, dog.isShort]).toEqual([dog.name, index, index + 1 >= cover.get(dog.id)!]);
  });

  test('a sheet says what comes out before its first day, and a meal that a dog fasts is a row', async () => {
    const all = await sitterView({ from: '2026-11-25', to: '2026-12-02' });
    const evening = all.days.find(({ day, takeOut }) => day > '2026-11-25' && takeOut.length > 0)!;
    const next = addDays(evening.day, 1);
    const later = await sitterView({ from: next, to: addDays(next, 2) });
    // What goes into the fridge on the evening before is on no day of the sheet, and said all the same.
    expect(later.before.length).toBeGreaterThan(0);
    expect(later.before.every((said) => said.endsWith(` on ${writeDayInFull(evening.day)}`))).toBe(true);
    expect(all.before).toEqual([]);
    const otto = all.dogs.find(({ name }) => name === 'Otto')!.id;
    const slotId = all.days[1]!.dogs.find(({ id }) => id === otto)!.meals[0]!.slotId;
    const context = () => contextFor(served.db, served.reference, new Date(NOON));
    await addDaysOff(await context(), {
      dogId: otto,
      entry: { kind: 'fast', from: '2026-11-26', to: '2026-11-26', slotId },
    });
    const meals = (await sitterView({ from: '2026-11-26', to: '2026-11-26' })).days[0]!.dogs.find(
      ({ id }) => id === otto,
    )!.meals;
    expect(meals.find((meal) => meal.slotId === slotId)).toMatchObject({ off: 'nothing: it fasts', from: [] });
    expect(meals).toHaveLength(2);
  });

  test('after supper a missed breakfast is what was missed: neither next, nor smaller by a treat, nor on a sheet', async () => {
    const evening = '2026-11-25T18:30:00Z';
    const context = () => contextFor(served.db, served.reference, new Date(evening));
    setClock(evening);
    const { id, fed } = (await todayView()).dogs[1]!;
    await takeBackBowl(await context(), { bowlId: fed[0]!.bowlId });
    // Before supper it stands beside it; supper is next.
    const open = (await todayView()).dogs[1]!;
    expect([open.next!.slotName, open.missed.map(({ slotName }) => slotName)]).toEqual(['supper', ['breakfast']]);
    const parts = open.next!.drawn.map(({ key, grams }) => ({ holdingId: Number(key.split('-')[1]), grams }));
    await feedBowl(await context(), { dogId: id, slotId: open.next!.slotId, day: '2026-11-25', parts });
    const after = await todayView();
    const [missed] = after.dogs[1]!.missed;
    expect([after.dogs[1]!.next, missed!.slotName]).toEqual([undefined, 'breakfast']);
    expect(after.heading).not.toMatch(/Breakfast|All fed/);
    expect(after.done).not.toMatch(/breakfast/);
    expect(after.earlier[0]!.meals.filter(({ bowl, dogId }) => dogId === id && !bowl)).toEqual([]);
    await giveBetween(await context(), {
      dogId: id,
      entry: { kind: 'treat', name: 'a biscuit', amount: '40', measure: 'kcal', label: '' },
      takesOff: true,
    });
    const { less } = (await readPage((read) => readAhead(read, []))).dogs.find((dog) => dog.id === id)!;
    expect(new Set(less!.map(({ day }) => day))).toEqual(new Set(['2026-11-26']));
    const sheet = await sitterView({ from: '2026-11-25', to: '2026-11-25' });
    expect(sheet.days[0]!.dogs.find((dog) => dog.id === id)?.meals ?? []).toEqual([]);
    // Its second answer: it got none. Then nothing was missed, and the list of the day says so, until that is taken back.
    const entry = { kind: 'fast' as const, from: '2026-11-25', to: '2026-11-25', slotId: missed!.slotId! };
    await addDaysOff(await context(), { dogId: id, entry });
    const none = await todayView();
    expect(none.dogs[1]!.missed).toEqual([]);
    expect(none.earlier[0]!.meals.find((meal) => meal.dogId === id && meal.none !== undefined)!.slotName).toBe(
      'breakfast',
    );
  });

  test('on the evening of the day a new page is another day', async () => {
    setClock('2026-11-25T23:30:00Z');
    const view = await todayView();
    expect(view.day).toBe('2026-11-26');
    expect(view.dogs.every((dog) => dog.fed.length === 0)).toBe(true);
  });
});
