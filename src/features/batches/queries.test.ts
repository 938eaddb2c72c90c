import { sharesOf } from '@/core/portion/shares';
import { weighBatch } from '@/data/commands/batches';
import { startCooking } from '@/data/commands/start-batch';
import { setShares } from '@/data/commands/shares';
import { contextFor } from '@/data/commands/run';
import { answerAsks, planOne } from '@/data/fixtures/worked-path';
import { serve } from '@/data/fixtures/served';
import { grams } from '@/core/quantity/units';
import { readDogs } from '@/data/repositories/dogs';
import { readLatestVersions } from '@/data/repositories/recipes';
import { batchRows } from './list/queries';
import { batchView } from './queries';

const NOON = '2026-11-25T12:00:00Z';

test('a run sheet from the plan to the shares: every step opens when its turn has come', async () => {
  const { db, reference } = await serve(NOON, { demo: true });
  const context = () => contextFor(db, reference, new Date(NOON));
  const dogs = await readDogs(db);
  const recipes = await readLatestVersions(db, reference);
  const { batchId } = await planOne(
    await context(),
    recipes[1]!.recipeId,
    dogs.map((dog) => dog.id),
    4,
  );

  const planned = (await batchView(batchId))!;
  expect([planned.state, planned.step]).toEqual(['planned', 'weigh out']);
  expect(planned.weighed).toBeUndefined();
  expect(planned.lines.map((line) => line.measure)).toContain('14 medium');

  await startCooking(await context(), { batchId, grams: planned.lines.map((line) => line.grams) });
  const cooking = (await batchView(batchId))!;
  expect([cooking.state, cooking.step]).toEqual(['cooking', 'cook']);
  expect(cooking.wentIn.kcal).toBeCloseTo(planned.wentIn.kcal, 6);

  const net = Math.round(cooking.wentIn.inPot * 0.8);
  const vessels = [{ name: 'pot', gross: grams(net + 2000), tare: grams(2000) }];
  await weighBatch(await context(), { batchId, weighing: { by: 'scale', vessels }, eatenBefore: 0 });
  const weighed = (await batchView(batchId))!;
  expect([weighed.state, weighed.step]).toEqual(['weighed', 'divide']);
  const { yields, portions } = weighed.weighed!;
  const { suggested } = yields[0]!;
  expect(suggested.today + suggested.fridge + suggested.freezer + suggested.dry).toBe(net);
  // Breakfast (and Wren's lunch) are eaten already: half a day for two dogs, a third for the pup.
  const left = portions[0]!.gramsADay / 2 + portions[1]!.gramsADay / 2 + portions[2]!.gramsADay / 3;
  expect(suggested.today).toBe(Math.round(left));

  // Not before its core was measured and the oil is in.
  await expect(setShares(await context(), { batchId, shares: sharesOf(suggested) })).rejects.toThrow(/core/);
  await answerAsks(await context(), batchId);
  await setShares(await context(), { batchId, shares: sharesOf(suggested) });
  const divided = (await batchView(batchId))!;
  expect(divided.step).toBe('pack');
  for (const share of divided.weighed!.shares) {
    if (share.fate !== 'today') expect(share.proposed.reduce((sum, pack) => sum + pack.grams, 0)).toBe(share.grams);
  }
  expect((await batchRows()).rows[0]!.next).toMatch(/seal/);
});

test('the two cooked batches of the boatyard close: what went in is yield and vapour', async () => {
  await serve(NOON, { demo: true });
  for (const row of (await batchRows()).rows) {
    const view = (await batchView(row.id))!;
    expect(view.weighed!.net).toBeLessThan(view.wentIn.inPot);
    expect(view.weighed!.net).toBeGreaterThan(view.wentIn.solids);
    expect(view.weighed!.packs.length).toBeGreaterThan(3);
    expect(row.next).toBeUndefined();
  }
  expect(await batchView(99)).toBeUndefined();
});
