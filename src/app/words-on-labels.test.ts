import { sharesOf } from '@/core/portion/shares';
import { grams } from '@/core/quantity/units';
import { weighBatch } from '@/data/commands/batches';
import { saveDog } from '@/data/commands/dogs';
import { sealShare } from '@/data/commands/packs';
import { saveRecipe } from '@/data/commands/recipes';
import { contextFor } from '@/data/commands/run';
import { setShares } from '@/data/commands/shares';
import { startCooking } from '@/data/commands/start-batch';
import { serve } from '@/data/fixtures/served';
import { answerAsks, EXAMPLE, planOne, SEEN, TWENTY_KILOS } from '@/data/fixtures/worked-path';
import { readBatch } from '@/data/repositories/batches';
import { readStock } from '@/data/repositories/stock';
import { batchView } from '@/features/batches/queries';
import { labelsOf, penLabelsOf } from '@/features/labels/queries';

const NOON = '2026-11-25T12:00:00Z';

test('what was kept as words stands on the run sheet of a cooked pot, on its labels, and not on those of another', async () => {
  const { db, reference } = await serve(NOON, { demo: false });
  const context = () => contextFor(db, reference, new Date(NOON));
  const { dogId } = await saveDog(await context(), { entry: TWENTY_KILOS });
  const words = {
    amount: '',
    ndb: '',
    words: true,
    part: 'supplement',
    moment: 'cook',
    preparation: '2 tbsp premix',
  } as const;
  const sealed: number[] = [];
  for (const lines of [[...EXAMPLE.lines, words], EXAMPLE.lines]) {
    const { recipeId } = await saveRecipe(await context(), { entry: { name: `Venison ${lines.length}`, lines } });
    const { batchId } = await planOne(await context(), recipeId, [dogId], 2, { seen: SEEN });
    const { lines: planned, uncounted } = (await batchView(batchId))!;
    await startCooking(await context(), { batchId, grams: planned.map(({ toWeigh }) => toWeigh) });
    const cooking = (await batchView(batchId))!;
    expect(cooking.uncounted).toEqual(uncounted);
    await answerAsks(await context(), batchId);
    const vessels = [{ name: 'pot', gross: grams(Math.round(cooking.wentIn.inPot * 0.9) + 1000), tare: grams(1000) }];
    await weighBatch(await context(), { batchId, weighing: { by: 'scale', vessels }, eatenBefore: 0 });
    const net = vessels[0]!.gross - 1000;
    await setShares(await context(), { batchId, shares: sharesOf({ today: 0, fridge: net, freezer: 0, dry: 0 }) });
    const batch = await readBatch(db, batchId, '4-9-4');
    if (batch?.state !== 'weighed') throw new Error('it is weighed');
    await sealShare(await context(), { batchId, shareId: batch.shares[0]!.id });
    sealed.push(batchId);
  }
  const packs = await readStock(db);
  const cautions = await Promise.all(
    sealed.map(async (id) => {
      const own = packs.filter(({ contents }) => contents.some(({ batchId }) => batchId === id)).slice(0, 1);
      const ids = own.map(({ holdingId }) => holdingId);
      const [label] = await labelsOf({ ids, asked: 'http://kitchen.example' });
      return { printed: label!.cautions, pen: (await penLabelsOf(ids))[0]!.lines.join(' ') };
    }),
  );
  expect(cautions).toEqual([
    { printed: ['not counted: 2 tbsp premix'], pen: expect.stringContaining('not counted') },
    { printed: [], pen: expect.not.stringContaining('not counted') },
  ]);
});
