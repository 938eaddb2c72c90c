import type { LocalDate } from '@/core/calendar/local-date';
import { mealsOn } from '@/core/dog/meals';
import { freshHouse } from '../fixtures/database';
import { firstMeal, plannedExample, sealedExample, weighedBatch, weighedExample } from '../fixtures/worked-path';
import { readHistory } from '../repositories/movements';
import { feedBowl } from './bowls';
import { readDog } from '../repositories/dogs';

const SHARES = { today: 0, fridge: 1727, freezer: 583, dry: 0 };

test('two at the same bowl at once: one movement and one sentence', async () => {
  // A house of its own: three transactions at once have no room in the one that is taken back.
  const busy = await freshHouse('2026-11-25T12:00:00Z');
  const own = await plannedExample(busy, '2026-11-26');
  await weighedExample(busy, own);
  const [first] = await sealedExample(busy, own.batchId, SHARES);
  const bowl = await firstMeal(busy, own.dogId, first!.holdingId, 432);
  const answers = await Promise.all([1, 2, 3].map(() => busy.run((context) => feedBowl(context, bowl))));
  expect(answers.filter((answer) => answer.ok).length).toBe(1);
  const fed = (await readHistory(busy.db, first!.holdingId)).filter((each) => each.kind === 'fed');
  expect(fed).toHaveLength(1);
});

test('warm food of today is fed from its share', async () => {
  const warm = await freshHouse('2026-11-25T12:00:00Z');
  const own = await plannedExample(warm, '2026-11-25');
  await weighedExample(warm, own);
  await sealedExample(warm, own.batchId, { today: 864, fridge: 1446, freezer: 0, dry: 0 });
  const shareId = (await weighedBatch(warm, own.batchId)).shares.find((share) => share.fate === 'today')!.id;
  const slots = mealsOn((await readDog(warm.db, own.dogId))!, '2026-11-25' as LocalDate);
  const feed = (slotId: number, mass: number) =>
    warm.run((context) =>
      feedBowl(context, { dogId: own.dogId, slotId, day: '2026-11-25', at: 'now', parts: [{ shareId, grams: mass }] }),
    );
  const twice = await warm.run((context) =>
    feedBowl(context, {
      dogId: own.dogId,
      slotId: slots[0]!.id,
      day: '2026-11-25',
      at: 'now',
      parts: [
        { shareId, grams: 500 },
        { shareId, grams: 400 },
      ],
    }),
  );
  // 900 g out of 864: named twice, it counts together.
  expect(twice).toMatchObject({ problems: [{ message: expect.stringMatching(/Only 864 g/) as string }] });
  expect((await feed(slots[0]!.id, 0.04)).ok).toBe(false);
  expect((await feed(slots[0]!.id, 432)).ok).toBe(true);
  expect((await feed(slots[1]!.id, 500)).ok).toBe(false);
  expect((await feed(slots[1]!.id, 432)).ok).toBe(true);
});
