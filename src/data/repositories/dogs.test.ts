import { sql } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import { dayEnergy, weightOn } from '@/core/dog/day-energy';
import { saveDog } from '../commands/dogs';
import { freshHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { TWENTY_KILOS } from '../fixtures/worked-path';
import { readDog, readDogs } from './dogs';

const TODAY = '2026-11-25' as LocalDate;

test('lists read the weigh-ins that days hang on, back to the one in force on the first of them; its own room reads all', async () => {
  const house = await freshHouse(`${TODAY}T12:00:00Z`);
  const { dogId } = valueOf(
    await house.run((context) => saveDog(context, { entry: { ...TWENTY_KILOS, birthDate: '2018-05-05', meals: '' } })),
  );
  await house.db.execute(
    sql`insert into weigh_in (dog_id, day, grams, created_at) select ${dogId}, date '2021-11-25' + w * 7, 20000 + w, now() from generate_series(0, 259) w`,
  );
  const daysOf = (dog: { weighIns: readonly { date: LocalDate }[] } | undefined) =>
    dog!.weighIns.map(({ date }) => date);
  const all = (await readDog(house.db, dogId))!;
  const monthAgo = '2026-10-25' as LocalDate;
  const lately = async () => (await readDogs(house.db, undefined, monthAgo))[0];
  const listed = await lately();
  expect(all.weighIns.length).toBe(261);
  // Every seventh day back from 2026-11-12; the one in force on 2026-10-25 is of 2026-10-22 (arithmetic).
  expect(daysOf(listed)).toEqual(['2026-10-22', '2026-10-29', '2026-11-05', '2026-11-12', '2026-11-25']);
  expect(dayEnergy(listed!, TODAY).kcal).toBe(dayEnergy(all, TODAY).kcal);
  for (const day of ['2026-10-26', '2026-11-04', '2026-11-20'] as LocalDate[])
    expect(weightOn(listed!, day)).toBe(weightOn(all, day));
  // Without a day: 730 days before 2026-11-25 is 2024-11-25; the one in force then is of 2024-11-21 (arithmetic).
  expect(daysOf((await readDogs(house.db))[0])[0]).toBe('2024-11-21');
  expect(daysOf(await readDog(house.db, dogId, '2024-11-25' as LocalDate))[0]).toBe('2024-11-21');

  await house.db.execute(sql`update weigh_in set body_condition = 7 where day in ('2022-11-17', '2022-11-24')`);
  expect(daysOf(await lately())[0]).toBe('2022-11-24');
  await house.db.execute(sql`update weigh_in set struck_at = now() where day in ('2022-11-24', '2026-10-22')`);
  expect(daysOf(await lately()).slice(0, 2)).toEqual(['2022-11-17', '2026-10-15']);
  await house.db.execute(sql`update ration set goal_grams = 18000`);
  expect((await lately())!.weighIns.length).toBe(259);
});

test('a dog that was not weighed for three years, and then today, has its weight of before on the days before', async () => {
  const house = await freshHouse(`${TODAY}T12:00:00Z`);
  const { dogId } = valueOf(
    await house.run((context) => saveDog(context, { entry: { ...TWENTY_KILOS, birthDate: '2018-05-05', meals: '' } })),
  );
  await house.db.execute(
    sql`insert into weigh_in (dog_id, day, grams, created_at) values (${dogId}, '2023-11-25', 15000, now())`,
  );
  expect(weightOn((await readDogs(house.db))[0]!, '2026-11-24' as LocalDate)).toBe(15_000);
});
