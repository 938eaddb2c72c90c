import { sql } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import { dayEnergy } from '@/core/dog/day-energy';
import { saveDog } from '../commands/dogs';
import { freshHouse, valueOf } from '../fixtures/database';
import { TWENTY_KILOS } from '../fixtures/worked-path';
import { readDog, readDogs } from './dogs';

const TODAY = '2026-11-25' as LocalDate;

test('lists read the weigh-ins that a day hangs on: two years, back to the last body condition; its own room reads all', async () => {
  const house = await freshHouse(`${TODAY}T12:00:00Z`);
  const { dogId } = valueOf(
    await house.run((context) => saveDog(context, { entry: { ...TWENTY_KILOS, birthDate: '2018-05-05', meals: '' } })),
  );
  await house.db.execute(
    sql`insert into weigh_in (dog_id, day, grams, created_at) select ${dogId}, date '2021-11-25' + w * 7, 20000 + w, now() from generate_series(0, 259) w`,
  );
  const all = (await readDog(house.db, dogId))!;
  const [listed] = await readDogs(house.db);
  expect(all.weighIns.length).toBe(261);
  // 730 days before the newest, 2026-11-25, is 2024-11-25 (arithmetic).
  expect(listed!.weighIns[0]!.date >= '2024-11-25').toBe(true);
  expect(listed!.weighIns.length).toBeGreaterThan(100);
  expect(dayEnergy(listed!, TODAY).kcal).toBe(dayEnergy(all, TODAY).kcal);
  await house.db.execute(sql`update weigh_in set body_condition = 7 where day = '2022-11-24'`);
  expect((await readDogs(house.db))[0]!.weighIns[0]!.date).toBe('2022-11-24');
  await house.db.execute(sql`update ration set goal_grams = 18000`);
  expect((await readDogs(house.db))[0]!.weighIns.length).toBe(261);
});
