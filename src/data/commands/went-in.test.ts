import { valueOf } from '../fixtures/value-of';
import { planOne, SEEN, weighedBatch } from '../fixtures/worked-path';
import { readBatch } from '../repositories/batches';
import { correctLine } from './batches';
import { startCooking } from './start-batch';
import { addAvoid } from './keeping';
import { exampleOnTheStove } from '../fixtures/on-the-stove';

const TODAY = '2026-11-25';
const { house, ids, act, batch, task, refusal, weigh } = exampleOnTheStove(TODAY);

test('what is stirred in after weighing is in the yield; left out, it is in neither energy nor weight', async () => {
  valueOf(await act({ act: 'core', load: '0.0', celsius: 75 }));
  valueOf(await weigh());
  const before = await weighedBatch(house(), ids().batchId);
  const [oil] = before.day.stirIns;
  expect(before.whole.net).toBeCloseTo(2310, 6);
  valueOf(await act({ act: 'stir in', line: oil!.line, grams: 20, when: 'now' }));
  const after = await weighedBatch(house(), ids().batchId);
  expect(after.whole.net).toBeCloseTo(2330, 6);
  // 5 g of oil more than the 15 that were weighed out: 9 kcal each (handbook 3).
  expect(after.yields[0]!.kcal - before.yields[0]!.kcal).toBeCloseTo(5 * 9, 0);
  valueOf(await act({ act: 'stir in', line: oil!.line, grams: 20, when: 'now' }));
  expect((await weighedBatch(house(), ids().batchId)).whole.net).toBeCloseTo(2330, 6);
});

test('left out on purpose, a line is not in the batch', async () => {
  const [oil] = (await batch()).day.stirIns;
  valueOf(await act({ act: 'leave out', line: oil!.line, why: 'none in the cupboard' }));
  expect((await batch()).lines.some((line) => line.moment === 'stir-in')).toBe(false);
  expect((await batch()).day.stirIns.every((each) => each.done)).toBe(true);
});

test('a lot is kept with its line, also where the weight is put right; another food is not of that lot', async () => {
  const lotOf = async (line: number) => (await batch()).takes[line]!.lot;
  expect(await lotOf(0)).toBe('D 2291');
  valueOf(await act({ act: 'lot', line: 1, lot: 'best by 3 Dec' }));
  const right = (line: number, mass: number, ndb?: string) =>
    house().run((context) =>
      correctLine(context, { batchId: ids().batchId, line, grams: mass, ...(ndb ? { ndb } : {}) }),
    );
  valueOf(await right(1, 310));
  expect(await lotOf(1)).toBe('best by 3 Dec');
  valueOf(await right(1, 320, '20004'));
  expect(await lotOf(1)).toBeUndefined();
  expect(await refusal({ act: 'lot', line: 99, lot: 'x' })).toMatch(/not here any more/);
});

test('what is taken instead is checked before it goes in: what hurts any dog, and what this one does not get', async () => {
  const instead = (ndb: string) =>
    house().run((context) => correctLine(context, { batchId: ids().batchId, line: 2, grams: 400, ndb }));
  // 11282: onions, raw; 11695: tomatoes are no hazard.
  const onion = valueOf(await instead('11282'));
  expect(onion.notFor).toMatchObject([{ stops: true, dogs: ['Test'] }]);
  expect(onion.notFor![0]!.said).toMatch(/onion/i);
  expect(valueOf(await instead('11124')).notFor).toBeUndefined();
  valueOf(
    await house().run((context) =>
      addAvoid(context, {
        dogId: ids().dogId,
        entry: { what: { kind: 'food', ndb: '11124' }, reason: 'reaction', tryAgainOn: '', note: '' },
      }),
    ),
  );
  expect(valueOf(await instead('11124')).notFor).toMatchObject([
    { said: expect.stringMatching(/carrot.*reaction/i), dogs: ['Test'] },
  ]);
});

test('what goes in frozen is said when it is weighed out or later, cooks longer, and stays said when its weight is put right', async () => {
  const minutes = async () => (await task('cook.0.0')).minutes;
  const usual = await minutes();
  valueOf(await act({ act: 'frozen', line: 0, on: true }));
  expect(await minutes()).toBe(Math.round(usual * 1.5));
  const { revision, takes } = await batch();
  valueOf(
    await house().run((context) =>
      correctLine(context, { batchId: ids().batchId, revision, line: 0, grams: takes[0]!.weighed + 20 }),
    ),
  );
  expect((await batch()).takes[0]!.frozen).toBe(true);
  valueOf(await act({ act: 'frozen', line: 0, on: false }));
  expect(await minutes()).toBe(usual);
  expect(await refusal({ act: 'frozen', line: 99, on: true })).toMatch(/not here any more/);
  const { batchId } = valueOf(
    await house().run((context) => planOne(context, ids().recipeId, [ids().dogId], 2, { seen: SEEN })),
  );
  const went = takes.map(({ planned }) => Math.round(planned));
  valueOf(
    await house().run((context) =>
      startCooking(context, { batchId, grams: went, frozen: went.map((_, line) => line === 0) }),
    ),
  );
  const second = await readBatch(house().db, batchId, '4-9-4');
  if (!second || second.state === 'planned') throw new Error('it is on the stove');
  expect(second.day.tasks.find(({ key }) => key === 'cook.0.0')).toMatchObject({
    frozen: true,
    minutes: Math.round(usual * 1.5),
  });
});
