import { addDays, type LocalDate } from '@/core/calendar/local-date';
import type { Protein } from '@/core/recipe/protein';
import { demoDatabase } from '../fixtures/database';
import type { Database } from '../database';
import { loadReference } from '../reference/reference';
import { recipe } from '../schema/recipes';
import { readDogs } from './dogs';
import { readRecentProteins } from './recent-proteins';

const TODAY = '2026-11-25' as LocalDate;
let db: Database;
let proteins: Map<number, Protein>;

beforeAll(async () => {
  db = await demoDatabase('2026-11-25T12:00:00Z', await loadReference());
  const rows = await db.select({ id: recipe.id, protein: recipe.protein }).from(recipe);
  proteins = new Map(rows.flatMap(({ id, protein }) => (protein ? [[id, protein] as const] : [])));
});

/** What a dog had on a day, told by the letters of the codes of its packs and by what was warm: by another way than the repository. */
const lettersOn = async (dogId: number, day: LocalDate) => {
  const { rows } = await db.execute<{ letter: string; kcal: number }>(
    `select coalesce(left(k.code, 1), 'V') letter, sum(p.kcal)::float8 kcal from bowl b join bowl_part p on p.bowl_id = b.id
     left join pack k on k.holding_id = p.holding_id
     where b.reversed_by is null and b.dog_id = ${dogId} and b.day = '${day}' group by 1 order by 2 desc`,
  );
  return rows[0]?.letter;
};

test('the boatyard’s dogs have had venison since the pot of Sunday, each day of it counted', async () => {
  const recent = await readRecentProteins(db, TODAY, 6, proteins);
  for (const dog of await readDogs(db)) {
    let days = 0;
    while ((await lettersOn(dog.id, addDays(TODAY, -1 - days))) === 'V') days++;
    expect(days).toBeGreaterThan(0);
    expect(recent.get(dog.id)).toEqual({ run: { protein: 'venison', days }, today: 'venison' });
  }
});

test('asked for less, it counts no further back than matters; before anything was fed there is no run', async () => {
  const recent = await readRecentProteins(db, TODAY, 1, proteins);
  for (const { run } of recent.values()) expect(run!.days).toBeLessThanOrEqual(2);
  expect((await readRecentProteins(db, '2025-01-01' as LocalDate, 3, new Map())).size).toBeGreaterThanOrEqual(0);
  const none = await readRecentProteins(db, '2025-01-01' as LocalDate, 3, proteins);
  for (const { run, today } of none.values()) expect([run, today]).toEqual([undefined, undefined]);
});
