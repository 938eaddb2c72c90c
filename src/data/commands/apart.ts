import 'server-only';
import { asIfHere } from '@/core/dog/days-off';
import { eq } from 'drizzle-orm';
import type { ApartEntry, PlatePotEntry } from '@/core/batch/steps/apart';
import { homeEnergyOn } from '@/core/dog/meals';
import { readPlating } from '@/core/portion/plated';
import { keepFactsOfPot } from '../repositories/food-facts';
import { readDogs } from '../repositories/dogs';
import { batch } from '../schema/batches';
import { batchIn, observe, refreshBatch, strike } from './batch-at-hand';
import { need, refuse, type Context } from './run';

const WEIGHED = /^(vessel|cups|taken|kept|skimmed|strained):/;

/** Says what of a batch is kept apart, before anything of it is divided. What was weighed otherwise is struck out. */
export async function keepApart(context: Context, input: ApartEntry): Promise<void> {
  const found = await batchIn(context, input, ['cooking', 'weighed']);
  const { apart } = input;
  if (found.byProduct) refuse('It is one liquid: nothing of it is kept apart.', 'apart');
  if (found.state === 'weighed' && found.shares.some((share) => share.grams > 0))
    refuse('It is divided already: set its shares to nothing first.', 'apart');
  if ((found.apart ?? 'together') === apart) return;
  const several = new Set(found.takes.map((take) => take.component)).size > 1;
  if (apart === 'components' && !several)
    refuse('All of it is cooked in one vessel: there is nothing to keep apart.', 'apart');
  if (apart === 'lines' && found.day.tasks.some(({ state }) => state === 'done' || state === 'running'))
    refuse('Something of it is cooked already: keep what was cooked in its own vessel apart instead.', 'apart');
  const why = apart === 'together' ? 'all of it is one pot' : 'it is kept apart';
  await strike(context, found.id, (node, kind) => WEIGHED.test(node) || (node === 'batch' && kind === 'note'), why);
  if (apart !== 'together') await observe(context, found.id, [{ node: 'batch', kind: 'note', text: apart }]);
  await refreshBatch(context, found.id);
}

/** Says how what is kept apart goes into the bowls, from now on; what was sealed of it stays. */
export async function platePot(context: Context, input: PlatePotEntry): Promise<void> {
  const { tx, today, household } = context;
  const found = await batchIn(context, input, ['weighed']);
  if (found.yields.length < 2) refuse('Nothing of it is kept apart.');
  const dogs = (await readDogs(tx)).filter((dog) => found.dogIds.includes(dog.id));
  const days = dogs.map((dog) => ({ name: dog.name, kcal: homeEnergyOn(asIfHere(dog), today, found.filling) }));
  const plating = need(readPlating(input.entry, found.yields, days, household.unitSet));
  await tx
    .update(batch)
    .set({ plating: plating ?? null })
    .where(eq(batch.id, found.id));
  const state = await refreshBatch(context, found.id);
  await keepFactsOfPot(tx, household.energyFactors, { id: found.id, recipeId: found.recipeId, state });
}
