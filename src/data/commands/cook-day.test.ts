import { summaryOf } from '@/core/batch/summary';
import { mayGoOn, ringsAt } from '@/core/cook/cook-day';
import { isCold } from '@/core/heat/pans';
import { asksOf, type CookAct } from '@/core/batch/steps/cook';
import { freshHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { answerAsks, plannedExample, planOne, SEEN, weighedBatch } from '../fixtures/worked-path';
import { readBatch, readBatchList } from '../repositories/batches';
import { readReadings } from '../repositories/readings';
import { readLearned } from '../repositories/pots';
import { readLatestVersion } from '../repositories/recipes';
import { readStock } from '../repositories/stock';
import { startCooking } from './start-batch';
import { cookBatch } from './cook-day';
import { writeNextTime } from './next-time';
import { sealShare } from './packs';
import { exampleOnTheStove } from '../fixtures/on-the-stove';

const TODAY = '2026-11-25';
const { house, ids, clock, act, batch, task, refusal, weigh, divide } = exampleOnTheStove(TODAY);

test('a pot that is on starts its recipe’s own timer; longer and shorter it still counts from when it was on', async () => {
  clock('10:20');
  valueOf(await act({ act: 'done', key: 'fill.0.0' }));
  const on = await task('cook.0.0');
  if (on.state !== 'running') throw new Error('it runs');
  const minutes = on.minutes;
  expect(ringsAt(on.timer)).toEqual(new Date(new Date(`${TODAY}T10:20:00Z`).getTime() + minutes * 60_000));
  clock('10:30');
  valueOf(await act({ act: 'timer', key: 'cook.0.0', minutes: minutes + 5 }));
  const longer = await task('cook.0.0');
  expect(longer.state === 'running' && longer.timer).toEqual({
    startedAt: new Date(`${TODAY}T10:20:00Z`),
    minutes: minutes + 5,
  });
  for (const wrong of [0, -5, 10_000, NaN, Infinity])
    expect(await refusal({ act: 'timer', key: 'cook.0.0', minutes: wrong })).toBe(
      'A timer runs from 1 minute to 24 hours.',
    );
  expect(await refusal({ act: 'timer', key: 'fill.0.0', minutes: 5 })).toMatch(/by hand/);
});

test('the same task pressed on two devices is done once, and can be taken back', async () => {
  clock('10:20');
  valueOf(await act({ act: 'done', key: 'fill.0.0' }));
  const count = (await readReadings(house().db, ids().batchId)).length;
  clock('10:21');
  valueOf(await act({ act: 'done', key: 'fill.0.0' }));
  expect((await readReadings(house().db, ids().batchId)).length).toBe(count);
  valueOf(await act({ act: 'take back', key: 'fill.0.0' }));
  expect((await task('fill.0.0')).state).toBe('open');
  // It stays to be seen: struck out, not gone.
  expect((await readReadings(house().db, ids().batchId)).length).toBe(count + 1);
});

test('nothing is poured, and nothing divided, that was not proven; a reason goes on, and its packs are marked', async () => {
  expect(await refusal({ act: 'done', key: 'core.0.0' })).toMatch(/Measure the core/);
  expect(await refusal({ act: 'done', key: 'pour.0.0' })).toMatch(/was not measured yet/);
  clock('11:00');
  valueOf(await act({ act: 'core', load: '0.0', celsius: 66 }));
  valueOf(await weigh());
  const refused = await divide();
  expect(refused.ok ? '' : refused.problems[0]!.message).toMatch(/not measured hot enough/);
  valueOf(await act({ act: 'go on', load: '0.0', why: 'the probe is broken' }));
  const still = await divide();
  // The core is settled; the oil is not in yet.
  expect(still.ok ? '' : still.problems[0]!.message).toMatch(/is not in yet/);
  const [oil] = (await batch()).day.stirIns;
  valueOf(await act({ act: 'stir in', line: oil!.line, grams: oil!.grams, when: 'before weighing' }));
  // It went to the scale without a word of its cooling: how warm it is by now is asked all the same.
  const unread = await divide();
  expect(unread.ok ? '' : unread.problems[0]!.message).toMatch(/How warm is the pot by now\?/);
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 5 }));
  valueOf(await divide());
  const [share] = (await weighedBatch(house(), ids().batchId)).shares;
  valueOf(await house().run((context) => sealShare(context, { batchId: ids().batchId, shareId: share!.id })));
  expect((await readStock(house().db)).every((pack) => pack.unproven)).toBe(true);
  // Measured all the same a little later: the mark is gone wherever it was.
  valueOf(await act({ act: 'core', load: '0.0', celsius: 75 }));
  expect((await readStock(house().db)).some((pack) => pack.unproven)).toBe(false);
  // The pot was divided by it: it is not simply taken away again.
  expect(await refusal({ act: 'take back', key: 'core.0.0' })).toMatch(/Measure again instead/);
});

test('after a reading was struck out, every count is of what is true now: cores to measure, pans that cool, the line in the list', async () => {
  const counts = async () => {
    const found = await batch();
    const [listed] = (await readBatchList(house().db)).filter(({ id }) => id === ids().batchId);
    return {
      cores: found.day.loads.filter((load) => load.asked && !mayGoOn(load)).length,
      asked: asksOf(found, (await house().context()).now).heat.length,
      warm: found.pans.filter((pan) => !isCold(pan)).length,
      listed: listed!.summary?.next,
      is: summaryOf(found)?.next,
    };
  };
  const strikeLast = async (kind: string) => {
    const last = (await readReadings(house().db, ids().batchId)).filter((each) => each.kind === kind).at(-1)!;
    valueOf(await act({ act: 'strike', readingId: last.id, why: 'the other pot' }));
  };
  clock('11:00');
  valueOf(await act({ act: 'core', load: '0.0', celsius: 66 }));
  expect(await counts()).toMatchObject({ cores: 1, asked: 1 });
  valueOf(await act({ act: 'core', load: '0.0', celsius: 76 }));
  const proven = await counts();
  expect(proven).toMatchObject({ cores: 0, asked: 0, listed: proven.is });
  await strikeLast('temperature');
  expect(await counts()).toMatchObject({ cores: 1, asked: 1 });
  valueOf(await act({ act: 'core', load: '0.0', celsius: 76 }));
  clock('12:00');
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 40 }));
  // The list says what the batch says, whatever that is: it is written anew with every reading.
  const warm = await counts();
  expect(warm).toMatchObject({ cores: 0, warm: 1, listed: warm.is });
  clock('14:00');
  valueOf(await act({ act: 'pan', load: '0.0', celsius: 4 }));
  const cold = await counts();
  expect(cold).toMatchObject({ warm: 0, listed: cold.is });
  await strikeLast('temperature');
  expect(await counts()).toEqual(warm);
});

test('after the clock was changed a timer rings when its minutes are over', async () => {
  // Summer time ends at 01:00Z on 25 October: the household's 02:30 comes twice.
  const late = await freshHouse('2026-10-25T00:00:00Z');
  const own = await plannedExample(late, '2026-10-25');
  const version = await readLatestVersion(late.db, late.reference, own.recipeId);
  const run = (of: CookAct) => late.run((context) => cookBatch(context, { batchId: own.batchId, of }));
  valueOf(
    await late.run((context) =>
      startCooking(context, { batchId: own.batchId, grams: version!.lines.map((line) => line.grams) }),
    ),
  );
  late.setNow('2026-10-25T00:30:00Z');
  valueOf(await run({ act: 'done', key: 'fill.0.0' }));
  valueOf(await run({ act: 'timer', key: 'cook.0.0', minutes: 90 }));
  const found = await readBatch(late.db, own.batchId, '4-9-4');
  const cook = found?.state === 'cooking' ? found.day.tasks.find((each) => each.key === 'cook.0.0') : undefined;
  expect(cook?.state === 'running' && ringsAt(cook.timer).toISOString()).toBe('2026-10-25T02:00:00.000Z');
  late.setNow('2026-10-25T02:10:00Z');
  valueOf(await late.run((context) => answerAsks(context, own.batchId)));
});

test('what the day taught goes into the recipe’s next version: the minutes that it took, and the cook’s words', async () => {
  clock('10:10');
  valueOf(await act({ act: 'done', key: 'fill.0.0' }));
  clock('11:02');
  valueOf(await act({ act: 'done', key: 'cook.0.0' }));
  const before = await readLatestVersion(house().db, house().reference, ids().recipeId);
  const answer = valueOf(
    await house().run((context) =>
      writeNextTime(context, { batchId: ids().batchId, minutes: [{ component: 0, minutes: 52 }], note: 'less water' }),
    ),
  );
  const after = await readLatestVersion(house().db, house().reference, ids().recipeId);
  expect(after).toMatchObject({ number: before!.number + 1, note: 'less water', components: [{ minutes: 52 }] });
  expect(answer.number).toBe(after!.number);
  expect(after!.lines.map((line) => line.grams)).toEqual(before!.lines.map((line) => line.grams));
});

test('the next cook day of a recipe begins in the order of the last one, and the plan knows its times', async () => {
  const took = (await batch()).day.tasks.filter((each) => each.kind === 'take apart').map((each) => each.key);
  expect(took.length).toBeGreaterThan(1);
  for (const [index, key] of [...took].reverse().entries()) {
    clock(`10:0${index + 1}`);
    valueOf(await act({ act: 'done', key }));
  }
  clock('10:20');
  valueOf(await act({ act: 'done', key: 'fill.0.0' }));
  clock('11:12');
  valueOf(await act({ act: 'done', key: 'cook.0.0' }));
  expect((await readLearned(house().db)).of(ids().recipeId)).toEqual([
    { cooked: [{ name: (await batch()).components[0]!.name, minutes: 52 }], cooled: [] },
  ]);
  const { batchId } = valueOf(
    await house().run((context) =>
      planOne(context, ids().recipeId, [ids().dogId], 5, { firstDay: '2026-11-30', seen: SEEN }),
    ),
  );
  const version = await readLatestVersion(house().db, house().reference, ids().recipeId);
  const went = version!.lines.map((line) => line.grams);
  valueOf(await house().run((context) => startCooking(context, { batchId, grams: went })));
  const next = await readBatch(house().db, batchId, '4-9-4');
  if (next?.state !== 'cooking') throw new Error('it is on the stove');
  expect(next.day.order).toEqual([...took].reverse());
});
