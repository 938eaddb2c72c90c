import { sql } from 'drizzle-orm';
import { orUnread, Unreadable } from '@/core/unreadable';
import { contextFor } from '@/data/commands/run';
import { mend } from '@/data/commands/mend';
import { serve } from '@/data/fixtures/served';
import { runningTimers } from '@/features/batches/bell/queries';
import { batchRows } from '@/features/batches/list/queries';
import { batchView } from '@/features/batches/queries';
import { dogsView, dogView } from '@/features/dogs/queries';
import { find } from '@/features/find/queries';
import { householdView } from '@/features/household/queries';
import { penLabelsOf } from '@/features/labels/queries';
import { mendView } from '@/features/mend/queries';
import { keptPlan, newPlanView, openPlanView } from '@/features/plans/queries';
import { buyView } from '@/features/plans/buy/queries';
import { diaryView } from '@/features/dogs/diary/queries';
import { eatenView } from '@/features/dogs/eaten/queries';
import { learnedView } from '@/features/household/learned/queries';
import { vetView } from '@/features/dogs/vet/queries';
import { weeksNow } from '@/features/weeks/now/queries';
import { weeksView } from '@/features/weeks/queries';
import { filesView, printView, recipeForm, recipesView, rotationView } from '@/features/recipes/queries';
import { suppliesView } from '@/features/recipes/supplies/queries';
import { newRecipeForm } from '@/features/recipes/start/queries';
import { aheadView } from '@/features/store/ahead/queries';
import { foundView } from '@/features/store/found/queries';
import { powerView } from '@/features/store/power/queries';
import { countView, packView, storeView, tableView } from '@/features/store/queries';
import { traceView } from '@/features/store/trace/queries';
import { valueView } from '@/features/store/value/queries';
import { wasteView } from '@/features/store/waste/queries';
import { todayView } from '@/features/today/queries';
import { sitterView } from '@/features/today/sitter/queries';

const NOON = '2026-11-25T12:00:00Z';
let served: Awaited<ReturnType<typeof serve>>;

beforeAll(async () => {
  served = await serve(NOON, { demo: true });
});

const IDS = [1, 2, 3, 4, 5, 6];
const each = (query: (id: number) => Promise<unknown>) => () => Promise.all(IDS.map((id) => orUnread(query(id))));

/** Every room, and every page of one row: those may say that it cannot be read, and nothing else may go wrong. */
const ROOMS: Readonly<Record<string, () => Promise<unknown>>> = {
  today: () => todayView(),
  timers: () => runningTimers(),
  sitter: () => sitterView({}),
  dogs: () => dogsView(),
  'each dog': each((id) => dogView(id)),
  'what each dog ate': each((id) => eatenView(id)),
  'each dog’s diary': each((id) => diaryView(id)),
  'each dog’s pages for the vet': each((id) => vetView(id, { from: '', to: '' })),
  recipes: () => recipesView(),
  'each recipe': each((id) => recipeForm(id)),
  'each recipe on paper': each((id) => printView(id)),
  'a new recipe': () => newRecipeForm(),
  rotation: () => rotationView(),
  supplies: () => suppliesView(),
  files: () => filesView(),
  plan: () => newPlanView(),
  'each plan': each((id) => openPlanView(id)),
  'each kept plan': each((id) => keptPlan(id)),
  weeks: () => weeksView(),
  'what was learned': () => learnedView(),
  'weeks as they are solved': () => weeksNow(),
  'to buy': () => buyView(28),
  batches: () => batchRows(),
  'each batch': each((id) => batchView(id)),
  'labels by hand': () => penLabelsOf(IDS),
  store: () => storeView({}),
  'the pack in hand': async () => storeView({ code: (await packHere()).code }),
  count: () => countView(undefined),
  table: () => tableView(),
  'the pack, large': async () => orUnread(packView((await packHere()).code)),
  ahead: () => aheadView(),
  found: () => foundView(),
  power: () => powerView(),
  trace: async () => traceView({ pack: (await packHere()).code }),
  value: () => valueView(),
  waste: () => wasteView(),
  household: () => householdView(),
  find: () => find('v'),
};

async function roomsThatFail(): Promise<string[]> {
  const failed: string[] = [];
  for (const [room, ask] of Object.entries(ROOMS))
    await ask().catch((error: unknown) => failed.push(`${room}: ${String(error)}`));
  return failed;
}

const context = () => contextFor(served.db, served.reference, new Date(NOON));
const idOf = async (table: string, where = 'true') =>
  (
    await served.db.execute<{ id: number }>(sql.raw(`select id from ${table} where ${where} order by id limit 1`))
  ).rows.map(({ id }) => id)[0]!;
/** The first pack that holds food. */
const packHere = async () =>
  (
    await served.db.execute<{ id: number; code: string }>(
      sql`select holding_id as id, code from pack join holding on holding.id = holding_id where amount > 0 order by 1 limit 1`,
    )
  ).rows[0]!;

/** Whose dog a row is. */
const dogOf = async (table: string, id: number) =>
  (await served.db.execute<{ id: number }>(sql`select dog_id as id from ${sql.raw(table)} where id = ${id}`)).rows[0]!
    .id;

/** Spoils one value of one row by hand, as no form can, and says what it was. */
async function spoil(
  table: string,
  column: string,
  key: string,
  id: number,
  wrong: string,
): Promise<() => Promise<void>> {
  const own = sql.raw(`${table}`);
  const [before] = (
    await served.db.execute<{ was: unknown }>(
      sql`select ${sql.raw(column)} as was from ${own} where ${sql.raw(key)} = ${id}`,
    )
  ).rows;
  const put = async (value: unknown) => {
    await served.db.execute(
      sql`update ${own} set ${sql.raw(column)} = ${value === null ? null : JSON.stringify(value)}::jsonb where ${sql.raw(key)} = ${id}`,
    );
  };
  await put(JSON.parse(wrong));
  return () => put(before!.was);
}

test('nothing of the demo is unreadable, and every room answers', async () => {
  expect(await roomsThatFail()).toEqual([]);
  expect((await recipesView()).unread).toEqual([]);
  expect((await batchRows()).unread).toEqual([]);
  expect((await storeView({})).unread).toEqual([]);
});

test('weeks that cannot be read are asked anew', async () => {
  await served.db.execute(
    sql`insert into weeks (id, ask, answer, before, taken) values (1, '{"weeks":"x"}', '7', '{}', '{"a":1}')`,
  );
  const { isSolved, ask, plans } = await weeksView();
  expect([isSolved, ask.weeks, plans]).toEqual([false, 6, []]);
  await served.db.execute(sql`delete from weeks`);
});

describe.each([
  ['supply', 'supply', 'label', '{"measure":"tsp"}'],
  [
    'supply',
    'supply',
    'label',
    '{"measure":"tsp","measureGrams":3,"amounts":[{"nutrient":"zzz","amount":5,"unit":"g"}]}',
  ],
  ['recipe', 'line', 'quantity', '7'],
  ['recipe', 'line', 'bone', '{"share":"much"}'],
  ['recipe', 'recipe_version', 'preview', '{"days":"x"}'],
  ['plan', 'plan', 'entry', '{"x":1}'],
  ['batch', 'batch', 'evidence', '{}'],
  ['batch', 'batch', 'evidence', '{"takes":[{"name":1}]}'],
  ['batch', 'batch', 'summary', '{}'],
  ['batch', 'batch', 'summary', '{"whole":"much","inPot":"x","learned":3,"unproven":"x"}'],
  ['pack', 'pack', 'split', '{"a":1}'],
  ['pack', 'pack', 'found', '[]'],
  ['dog', 'ration', 'method', '{"kind":"school","school":{"kind":"percent"}}'],
  ['dog', 'ration', 'extras', '7'],
  ['dog', 'ration', 'transition', '{"days":"x"}'],
  ['dog', 'avoid', 'what', '{"kind":"food"}'],
  ['dog', 'bowl_line', 'rule', '{"by":"moon"}'],
] as const)('a %s whose %s.%s is %s', (kind, table, column, wrong) => {
  test('takes no room down, is said in its place, and can be mended', async () => {
    const key = table === 'pack' ? 'holding_id' : 'id';
    const id =
      table === 'pack'
        ? (await packHere()).id
        : await idOf(table, table === 'line' ? 'grams is not null' : table === 'batch' ? "state = 'weighed'" : 'true');
    const putBack = await spoil(table, column, key, id, wrong);
    try {
      expect(await roomsThatFail()).toEqual([]);
      const whole = kind === 'recipe' ? 1 : kind === 'dog' ? await dogOf(table, id) : id;
      const what = await mendView({ kind, id: whole });
      expect(what).toMatchObject({ kind, id: whole, name: expect.any(String) as string });
      const inPlace = {
        supply: async () => (await suppliesView()).unread,
        recipe: async () => (await recipesView()).unread,
        plan: async () => (await newPlanView()).unread,
        batch: async () => [...(await batchRows()).unread, ...(await valueView()).unread],
        pack: async () => (await storeView({})).unread,
        dog: async () => (await dogsView()).unread,
      }[kind];
      expect(await inPlace()).toContainEqual(what);
      if (kind === 'supply') return;
      await served.db.transaction(async (tx) =>
        mend({ ...(await contextFor(tx, served.reference, new Date(NOON))) }, { kind, id: whole }),
      );
      expect(await mendView({ kind, id: whole })).toBeUndefined();
      expect(await inPlace()).not.toContainEqual(what);
      expect(await roomsThatFail()).toEqual([]);
    } finally {
      await putBack();
    }
  });
});

test('a pot whose contents cannot be read is fed to nobody', async () => {
  const before = await todayView();
  const id = await idOf('batch', "state = 'weighed'");
  const putBack = await spoil('batch', 'summary', 'id', id, '{}');
  const { readAvoided } = await import('@/data/repositories/avoided');
  const { readDogs } = await import('@/data/repositories/dogs');
  const own = await context();
  const dogs = await readDogs(own.tx);
  const kept = await readAvoided(own.tx, served.reference, dogs, own.today);
  expect(kept.dogsNotFor({ batchId: id })).toEqual(dogs.map((dog) => dog.id));
  await putBack();
  expect(await todayView()).toEqual(before);
});

test('amounts that are read again come to what they were', async () => {
  const id = await idOf('line', 'grams is not null');
  const before = await recipeForm(1);
  const lines = async () => (await recipesView()).rows.find((row) => row.recipeId === 1)!.sheet;
  const was = await lines();
  await spoil('line', 'quantity', 'id', id, '7');
  expect((await recipeForm(1))!.unread!.why).toMatch(/^the amount in line 1 \(/);
  await mend(await context(), { kind: 'recipe', id: 1 });
  expect(await lines()).toEqual(was);
  expect(await recipeForm(1)).toEqual(before);
});

test('a command on what cannot be read is refused in words', async () => {
  const id = await idOf('batch', "state = 'weighed'");
  const putBack = await spoil('batch', 'evidence', 'id', id, '{}');
  const found = await orUnread(batchView(id));
  expect(found).toBeInstanceOf(Unreadable);
  const { runCommand } = await import('@/data/commands/run');
  const { dropByProduct } = await import('@/data/commands/by-products');
  const answer = await runCommand(
    { db: served.db, reference: served.reference, now: new Date(NOON) },
    { id: 'drop-unread-batch', kind: 'drop' },
    (own) => dropByProduct(own, { batchId: id }),
  );
  expect(answer).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringMatching(/cannot be read: what went into it/) as string }],
  });
  await putBack();
});
