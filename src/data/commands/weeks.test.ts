import { addUp } from '@/core/add-up';
import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { answerOn, fromStore, keptOf, whatChanged } from '@/core/weeks/kept';
import type { SolveMip } from '@/core/weeks/mip';
import { playWeeks } from '@/core/weeks/play';
import { solveWeeks } from '@/core/weeks/solve';
import { CRUMB } from '@/core/stock/draw';
import { inTheWay } from '@/core/weeks/stands';
import { apartId } from '@/core/weeks/meals-apart';
import { recipeKey } from '@/core/weeks/weeks';
import { solverHere } from '../../../tests/fixtures/highs';
import { demoDatabase } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { loadReference } from '../reference/reference';
import { readPlans } from '../repositories/plans';
import { readStoredWeeks } from '../repositories/weeks';
import { readWeeksHouse } from '../weeks/inputs';
import { runCommand, type Context } from './run';
import { putAway } from './away';
import { setMeals } from './rations';
import { savePlan } from './plans';
import { askWeeks, keepWeeks, takeWeeks } from './weeks';

// The boatyard cottage on a Wednesday at noon, with what is in its freezer.
const NOON = '2026-11-25T12:00:00Z';
const TODAY = '2026-11-25' as LocalDate;
const reference = loadReference();
let db: Awaited<ReturnType<typeof demoDatabase>>;
let solve: SolveMip;
let count = 0;
const PATIENT = 300_000;

beforeAll(async () => {
  db = await demoDatabase(NOON, reference);
  solve = await solverHere();
}, PATIENT);

const run = <T>(work: (context: Context) => Promise<T>) =>
  runCommand({ db, reference, now: new Date(NOON) }, { id: `weeks-test-${count++}`, kind: 'test' }, work);
const read = () =>
  db.transaction(async (tx) => {
    const { contextFor } = await import('./run');
    return readWeeksHouse({ ...(await contextFor(tx, reference, new Date(NOON))), db: tx });
  });
const stored = () => db.transaction((tx) => readStoredWeeks(tx));
const plans = () => db.transaction(async (tx) => (await readPlans(tx, 50)).filter(({ open }) => open));

/** Solves what is asked now, and keeps it, as the thread does. */
async function solveAndKeep() {
  const { problem } = (await read()).read;
  const { answer } = solveWeeks(problem, solve, 60);
  valueOf(await run((context) => keepWeeks(context, { answer: keptOf(answer!, TODAY, problem.days) })));
  return answer!;
}

test(
  'the weeks of the demo kitchen: asked, solved, taken as plans, changed, and the cook’s own plans stay',
  async () => {
    const first = await read();
    expect(inTheWay(first.read.problem)).toEqual([]);
    expect(first.read.problem.dogs).toHaveLength(3);
    expect(first.read.problem.recipes.every(({ kcal, grams, minutes }) => kcal > 0 && grams > 0 && minutes > 20)).toBe(
      true,
    );
    // What is in store is what Today and the freezer count with.
    expect(addUp(first.read.problem.stock, ({ kcal }) => kcal)).toBeCloseTo(
      addUp(
        first.inputs.sources.filter(({ beside, blocked }) => beside !== true && blocked !== true),
        ({ grams, density }) => (grams * density) / (1 - CRUMB),
      ),
      0,
    );

    const ask = { ...first.ask, weeks: 3 };
    valueOf(await run((context) => askWeeks(context, { ask })));
    expect((await stored()).ask).toEqual(ask);
    const answer = await solveAndKeep();
    const { problem } = (await read()).read;
    expect(playWeeks(problem, answer).broken).toEqual([]);
    expect(answer.cooks.length).toBeGreaterThan(0);

    const { solvedAt } = await stored();
    const stale = await run((context) => takeWeeks(context, { seen: [], solvedAt: '2026-01-01T00:00:00.000Z' }));
    expect(!stale.ok && stale.problems[0]!.message).toMatch(/solved anew meanwhile/);
    const before = (await plans()).map(({ id }) => id);
    const unseen = await run((context) => takeWeeks(context, { seen: [], solvedAt: solvedAt!.toISOString() }));
    const seen = ['oxalate', ...problem.dogs.map(({ dogId }) => `calcium-${dogId}`)];
    if (!unseen.ok) expect(unseen.problems[0]!.message).toMatch(/^Look first/);
    const taken = valueOf(await run((context) => takeWeeks(context, { seen, solvedAt: solvedAt!.toISOString() })));
    const made = (await plans()).filter(({ id }) => !before.includes(id));
    const potfuls = answer.cooks.flatMap(({ day, pots }) => pots.map((pot) => ({ day: addDays(TODAY, day), ...pot })));
    expect(
      made.map(({ cookDay, entry }) => [cookDay, entry!.batches[0]!.recipeId, Number(entry!.binding.count)]).sort(),
    ).toEqual(potfuls.map(({ day, recipeId, potfuls: own }) => [day, recipeId, own]).sort());
    // Each is for dogs that may eat it, and holds what was reckoned with.
    for (const { entry } of made)
      for (const dogId of entry!.dogIds)
        expect(problem.dogs.find((dog) => dog.dogId === dogId)!.eats).toContain(entry!.batches[0]!.recipeId);

    // Taken twice nothing is made twice; what is theirs may be solved otherwise, what the cook has touched stands.
    expect(
      valueOf(await run((context) => takeWeeks(context, { seen, solvedAt: solvedAt!.toISOString() }))).planIds.sort(),
    ).toEqual([...taken.planIds].sort());
    expect([...(await read()).free].sort()).toEqual([...taken.planIds].sort());
    const [mine] = made;
    valueOf(await run((context) => savePlan(context, { planId: mine!.id, entry: { ...mine!.entry!, rounded: true } })));
    const touched = await read();
    expect(touched.free.has(mine!.id)).toBe(false);
    const said = touched.read.problem.said.flatMap(({ pots }) => pots ?? []);
    expect(said.map(({ recipeId }) => recipeId)).toContain(mine!.entry!.batches[0]!.recipeId);
    const again = await solveAndKeep();
    expect(again.cooks.map(({ day }) => addDays(TODAY, day))).toContain(mine!.cookDay);
    const { solvedAt: later } = await stored();
    valueOf(await run((context) => takeWeeks(context, { seen, solvedAt: later!.toISOString() })));
    expect((await plans()).find(({ id }) => id === mine!.id)!.entry!.rounded).toBe(true);
  },
  PATIENT,
);

test('what is typed wrongly is said at its field, and nothing is asked', async () => {
  const before = (await stored()).ask;
  const { ask } = await read();
  const wrong = await run((context) =>
    askWeeks(context, { ask: { ...ask, hours: ['', '', 'all day', '', '', '', ''], cover: '99', litres: '-3' } }),
  );
  expect(!wrong.ok && wrong.problems.map(({ field }) => field).sort()).toEqual(['cover', 'hours.2', 'litres']);
  expect((await stored()).ask).toEqual(before);
});

test('an earlier plan that was not cooked is counted on no more, and one that is put away leaves its day', async () => {
  const house = await read();
  const recipe = house.read.problem.recipes[0]!;
  const own = house.inputs.planned.find(({ day }) => day > TODAY);
  if (own) {
    valueOf(await run((context) => putAway(context, { kind: 'plan', id: own.planId, away: true })));
    expect((await read()).inputs.planned.map(({ planId }) => planId)).not.toContain(own.planId);
  }
  const kept = keptOf(
    {
      cooks: [{ day: 3, pots: [{ recipeId: recipe.recipeId, potfuls: 2 }] }],
      eats: { 1: [recipeKey(recipe.recipeId)] },
      gap: 0,
    },
    TODAY,
    14,
  );
  // Two days on its first days are over, and the pot is a day away.
  expect(answerOn(kept, addDays(TODAY, 2), 14).cooks).toEqual([
    { day: 1, pots: [{ recipeId: recipe.recipeId, potfuls: 2 }] },
  ]);
  const otherwise = { ...kept, cooks: [{ ...kept.cooks[0]!, pots: [{ recipeId: recipe.recipeId, potfuls: 1 }] }] };
  expect(whatChanged(kept, otherwise, TODAY)).toEqual([
    { day: addDays(TODAY, 3), recipeId: recipe.recipeId, before: 2, now: 1 },
  ]);
  expect(whatChanged(kept, kept, TODAY)).toEqual([]);
});

test('an answer looked at a day later is still fed from the store, though its packs are a day nearer to their dates', async () => {
  const { problem } = (await read()).read;
  const { answer } = solveWeeks(problem, solve, 60);
  // On the day on which it was solved it is what was solved.
  expect(fromStore(problem, answerOn(keptOf(answer!, TODAY, problem.days), TODAY, problem.days)).eats).toEqual(
    answer!.eats,
  );
  const later = answerOn(keptOf(answer!, TODAY, problem.days), addDays(TODAY, 1), problem.days);
  // What was eaten on the first day is gone; all dates are a day nearer, and each group has another name by now.
  const eaten = new Map<string, number>();
  for (const { dogId, needs } of problem.dogs) {
    const key = answer!.eats[dogId]![0];
    if (key !== undefined) eaten.set(key, (eaten.get(key) ?? 0) + needs[0]!);
  }
  const tomorrow = {
    ...problem,
    dogs: problem.dogs.map((dog) => ({ ...dog, needs: [...dog.needs.slice(1), dog.needs.at(-1)!] })),
    stock: [
      ...problem.stock.map((group) => ({
        ...group,
        key: `${group.key} a day on`,
        kcal: group.kcal - (eaten.get(group.key) ?? 0),
        last: group.last === problem.days - 1 ? group.last : group.last - 1,
      })),
      // What was cooked on the first day lies in the store.
      ...answer!.cooks
        .filter(({ day }) => day === 0)
        .flatMap(({ pots }) => pots)
        .map(({ recipeId, potfuls }) => {
          const { kcal, grams, protein } = problem.recipes.find((each) => each.recipeId === recipeId)!;
          return {
            key: `s ${protein} cooked`,
            protein,
            dogIds: problem.dogs.map(({ dogId }) => dogId),
            kcal: kcal * potfuls,
            frozenGrams: grams * potfuls,
            last: problem.days - 1,
          };
        }),
    ],
    cookable: problem.cookable.map((each) => ({ ...each, day: each.day - 1 })).filter(({ day }) => day >= 0),
  };
  const { broken } = playWeeks(tomorrow, fromStore(tomorrow, later));
  // The last day is one of which nothing was said yet.
  expect(broken.filter(({ what, day }) => what === 'unfed' && day < problem.days - 1)).toEqual([]);
  expect(playWeeks(tomorrow, later).broken.some(({ what, day }) => what === 'unfed' && day < 5)).toBe(true);
});

test(
  'a breakfast that is always of one recipe is held to: it eats for itself, and the plan of its pot is for its dog',
  async () => {
    const house = await read();
    const pollock = house.read.problem.recipes.find(({ protein }) => protein === 'pollock')!.recipeId;
    const wren = house.inputs.plan.dogs.find(({ name }) => name === 'Wren')!;
    const row = (name: string, clock: string, percent: string, recipeId: number | null) => {
      const slotId = wren.slots.find((slot) => slot.name === name)?.id ?? null;
      return { slotId, name, clock, percent, recipeId };
    };
    const rows = [row('breakfast', '07:30', '40', pollock), row('supper', '18:00', '60', null)];
    valueOf(await run((context) => setMeals(context, { dogId: wren.id, entry: { usual: false, rows } })));
    const { problem } = (await read()).read;
    const breakfast = problem.dogs.find(({ dogId }) => dogId === apartId(wren.id, pollock))!;
    const rest = problem.dogs.find(({ dogId }) => dogId === wren.id)!;
    expect(breakfast.name).toBe('Wren’s breakfast');
    expect(breakfast.needs[7]! / (breakfast.needs[7]! + rest.needs[7]!)).toBeCloseTo(0.4, 1);
    const answer = await solveAndKeep();
    expect(playWeeks(problem, answer).broken).toEqual([]);
    expect(answer.eats[breakfast.dogId]).toContain(recipeKey(pollock));
    const { solvedAt } = await stored();
    const seen = ['oxalate', ...house.inputs.plan.dogs.map(({ id }) => `calcium-${id}`)];
    const taken = valueOf(await run((context) => takeWeeks(context, { seen, solvedAt: solvedAt!.toISOString() })));
    const pots = (await plans()).filter(
      ({ id, entry }) => taken.planIds.includes(id) && entry!.batches[0]!.recipeId === pollock,
    );
    expect(pots.length).toBeGreaterThan(0);
    expect(pots.some(({ entry }) => entry!.dogIds.includes(wren.id))).toBe(true);
    expect(pots.every(({ entry }) => entry!.dogIds.every((id) => id > 0))).toBe(true);
  },
  PATIENT,
);
