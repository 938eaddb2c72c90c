import { sql } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { daysEaten } from '@/core/eaten/days';
import { serve } from '../fixtures/served';
import { readDogs } from './dogs';
import { readIntake, readReports } from './eaten';
import { readFedBowls } from './eaten-days';

// The boatyard cottage at noon: three dogs, five weeks of bowls.
const NOON = '2026-11-25T12:00:00Z';
const TODAY = '2026-11-25' as LocalDate;
const FIRST = addDays(TODAY, -41);
let served: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  served = await serve(NOON, { demo: true });
});

const daysOf = async (dogId: number) => {
  const [dog] = await readDogs(served.db, dogId);
  return {
    dog: dog!,
    days: daysEaten(
      dog!,
      FIRST,
      TODAY,
      await readFedBowls(served.db, dogId, FIRST, TODAY),
      TODAY,
      await readReports(served.db, dogId),
    ),
  };
};

test.each([1, 2, 3])('dog %i: what was eaten is what the ledger says was fed, less what was left', async (dogId) => {
  const { days } = await daysOf(dogId);
  const { rows } = await served.db.execute<{ kcal: number }>(sql`
    select coalesce(sum(part.kcal), 0)::float8
      - coalesce((select sum(l.kcal) from bowl_left l join bowl b on b.id = l.bowl_id
          where b.dog_id = ${dogId} and b.reversed_by is null and l.reversed_by is null), 0)::float8 as kcal
    from bowl join bowl_part part on part.bowl_id = bowl.id
    where bowl.dog_id = ${dogId} and bowl.reversed_by is null and bowl.day between ${FIRST} and ${TODAY}`);
  expect(rows[0]!.kcal).toBeGreaterThan(1000);
  expect(addUp(days, ({ home }) => home)).toBeCloseTo(rows[0]!.kcal, 4);
  // Pot by pot it is the same.
  expect(addUp(days, ({ pots, potless }) => potless + addUp(pots.values(), (kcal) => kcal))).toBeCloseTo(
    rows[0]!.kcal,
    4,
  );
});

test.each([1, 2, 3])('dog %i: a day is known exactly where its trend knows it, and is the same', async (dogId) => {
  const { dog, days } = await daysOf(dogId);
  const intake = await readIntake(served.db, dog, FIRST, TODAY);
  let known = 0;
  for (const { day, kcal } of days) {
    const own = intake(day);
    expect([day, kcal === undefined]).toEqual([day, own === undefined]);
    if (kcal === undefined) continue;
    known++;
    expect(kcal).toBeCloseTo(own!, 4);
  }
  expect(known).toBeGreaterThan(5);
});
