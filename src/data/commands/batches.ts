import 'server-only';
import { eq } from 'drizzle-orm';
import { daysBetween, readLocalDate } from '@/core/calendar/local-date';
import { bindPlan, daySums, USUALLY_KEPT, wholeDays, type Binding } from '@/core/plan/bind';
import { checkShares, FATES, type Shares } from '@/core/portion/shares';
import { weighYield, type Weighing } from '@/core/portion/yield';
import { grams } from '@/core/quantity/units';
import { whatStops } from '@/core/plan/stops';
import { sayHazard } from '@/core/recipe/hazards';
import { everyLine, linesOfWeights, takenLines } from '@/core/recipe/bases';
import { batch, load, plan, planDog, share } from '../schema/batches';
import { readBatch, type StoredBatch } from '../repositories/batches';
import { readDogs } from '../repositories/dogs';
import { keptOfPot, readLatestVersion, readVersions } from '../repositories/recipes';
import { need, Refusal, refuse, type Context } from './run';

export interface PlanEntry {
  readonly recipeId: number;
  readonly dogIds: readonly number[];
  /** What binds the plan: days, or what the days follow from. */
  readonly binding: Binding;
  readonly firstDay: string;
  /** The cautions of the recipe that the cook has seen and goes on with. */
  readonly seen: readonly string[];
  /** Of each choice of the recipe, the place of the line that is taken. */
  readonly choices?: Readonly<Record<string, number>>;
}

/** Plans one batch that covers exactly these dogs for these days. */
export async function planBatch(context: Context, entry: PlanEntry): Promise<{ batchId: number }> {
  const { tx, now, today, reference, household } = context;
  const firstDay = readLocalDate(entry.firstDay) ?? refuse('From which day will they eat it?', 'firstDay');
  const ahead = daysBetween(today, firstDay);
  if (ahead < 0) refuse('The first feeding day has passed.', 'firstDay');
  if (ahead > 90) refuse('Plan at most 90 days ahead.', 'firstDay');
  const version = (await readLatestVersion(tx, reference, entry.recipeId)) ?? refuse('Choose a recipe.', 'recipeId');
  const dogs = (await readDogs(tx)).filter((dog) => entry.dogIds.includes(dog.id));
  const stopping = whatStops(
    everyLine(version.written, entry.choices ?? {}),
    dogs,
    reference.hazards,
    (ndb) => reference.foods.get(ndb)?.name,
  );
  if (stopping.stops.length > 0) throw new Refusal(...stopping.stops);
  for (const hazard of stopping.cautions)
    if (!entry.seen.includes(hazard.id)) refuse(`Look first at ${sayHazard(hazard)}`, 'seen');
  const bound = need(
    bindPlan(
      {
        written: version.written,
        dogs: dogs.length,
        sums: daySums(dogs, firstDay, entry.recipeId),
        factors: household.energyFactors,
        choices: entry.choices,
        kept: (await keptOfPot(tx, entry.recipeId)) ?? USUALLY_KEPT,
      },
      entry.binding,
    ),
  );
  const [planned] = await tx
    .insert(plan)
    .values({ firstDay, days: wholeDays(bound.days), exactDays: bound.days, createdAt: now })
    .returning({ id: plan.id });
  await tx.insert(planDog).values(
    dogs.map((dog) => {
      const { need: kcal, kgDays } = daySums([dog], firstDay, entry.recipeId)(bound.days);
      return { planId: planned!.id, dogId: dog.id, kcal, kgDays };
    }),
  );
  const [made] = await tx
    .insert(batch)
    .values({
      planId: planned!.id,
      versionId: version.id,
      scale: bound.at.scale,
      choices: entry.choices ?? null,
      createdAt: now,
    })
    .returning({ id: batch.id });
  return { batchId: made!.id };
}

async function batchIn<State extends StoredBatch['state']>(
  { tx, household }: Context,
  batchId: number,
  states: readonly State[],
): Promise<Extract<StoredBatch, { state: State }>> {
  const found = (await readBatch(tx, batchId, household.energyFactors)) ?? refuse('This batch is not here any more.');
  if (!(states as readonly string[]).includes(found.state)) {
    refuse(`This batch is already ${found.state}: somebody has gone on with it. Look again.`);
  }
  return found as Extract<StoredBatch, { state: State }>;
}

/** Starts cooking: freezes what really goes in, line by line, with the composition of each food as it is now. */
export async function startCooking(
  context: Context,
  input: { batchId: number; grams: readonly number[] },
): Promise<void> {
  const { tx, now, reference } = context;
  const planned = await batchIn(context, input.batchId, ['planned']);
  const [version] = await readVersions(tx, reference, [planned.versionId]);
  const takes = takenLines(version!.written, planned.at);
  if (input.grams.length !== takes.length) refuse('The recipe has changed under this page. Look again.');
  for (const [index, weight] of input.grams.entries()) {
    if (!(weight > 0)) refuse('How much of this really went in? A weight above 0.', `grams.${index}`);
    if (weight > 200_000) refuse('That is more than a home kitchen cooks at once.', `grams.${index}`);
  }
  await tx
    .update(batch)
    .set({
      startedAt: now,
      evidence: {
        lines: linesOfWeights(
          takes.map((take) => take.written),
          input.grams,
        ).map(({ text, food, part, moment, grams: mass }) => ({ text, food, part, moment, grams: mass })),
      },
    })
    .where(eq(batch.id, input.batchId));
}

/** Puts a planned batch away; what has been cooked stays. */
export async function dropPlan(context: Context, input: { batchId: number }): Promise<void> {
  await batchIn(context, input.batchId, ['planned']);
  await context.tx.update(batch).set({ droppedAt: context.now }).where(eq(batch.id, input.batchId));
}

/** Stores the yield. It may be weighed again until the first share is sealed. */
export async function weighBatch(
  context: Context,
  input: { batchId: number; weighing: Weighing; eatenBefore: number },
): Promise<void> {
  const { tx, now } = context;
  const cooked = await batchIn(context, input.batchId, ['cooking', 'weighed']);
  if (cooked.state === 'weighed') await withdrawShares(context, cooked);
  const weighed = need(weighYield(input.weighing, grams(input.eatenBefore), cooked.sheet));
  const cups = input.weighing.by === 'cups' ? input.weighing : undefined;
  await tx
    .update(batch)
    .set({
      weighedAt: now,
      netGrams: weighed.net,
      eatenBefore: weighed.eatenBefore,
      cups: cups?.cups ?? null,
      cupGrams: cups?.cupGrams ?? null,
    })
    .where(eq(batch.id, input.batchId));
  await tx.delete(load).where(eq(load.batchId, input.batchId));
  if (input.weighing.by === 'scale') {
    await tx.insert(load).values(
      input.weighing.vessels.map((vessel, position) => ({
        batchId: input.batchId,
        position,
        vessel: vessel.name,
        gross: vessel.gross,
        tare: vessel.tare,
      })),
    );
  }
}

async function withdrawShares({ tx }: Context, weighed: Extract<StoredBatch, { state: 'weighed' }>): Promise<void> {
  if (weighed.shares.some((each) => each.sealed)) refuse('Packs of this batch are sealed already: its yield stands.');
  if (weighed.shares.some((each) => each.trays.length > 0))
    refuse('Trays of this batch are in the dryer already: its yield stands.');
  try {
    await tx.transaction(async (inner) => {
      await inner.delete(share).where(eq(share.batchId, weighed.id));
    });
  } catch {
    refuse('Some of this batch has been fed warm already: its yield stands.');
  }
}

export interface SharesEntry {
  readonly batchId: number;
  readonly shares: Shares;
  readonly dryMethod: 'dehydrated' | 'freeze-dried';
}

/** Splits the yield into shares. They may be set anew until one of them is sealed, in the dryer or fed from. */
export async function setShares(context: Context, input: SharesEntry): Promise<void> {
  const { tx, today } = context;
  const weighed = await batchIn(context, input.batchId, ['weighed']);
  const shares = need(checkShares(input.shares, Math.round(weighed.yield.net)));
  await withdrawShares(context, weighed);
  await tx.insert(share).values(
    FATES.filter((fate) => shares[fate] > 0).map((fate) => ({
      batchId: weighed.id,
      fate,
      grams: shares[fate],
      day: today,
      dryMethod: fate === 'dry' ? input.dryMethod : null,
    })),
  );
}

/** The share of a batch that a later station works on. */
export async function shareIn(context: Context, batchId: number, shareId: number) {
  const weighed = await batchIn(context, batchId, ['weighed']);
  const found = weighed.shares.find((each) => each.id === shareId) ?? refuse('This share was set anew. Look again.');
  if (found.sealed) refuse('This share is sealed already: its packs are in the store.');
  return { batch: weighed, share: found };
}

export const markSealed = ({ tx, now }: Context, shareId: number) =>
  tx.update(share).set({ sealedAt: now }).where(eq(share.id, shareId));
