import 'server-only';
import { asIfHere } from '@/core/dog/days-off';
import { eq, inArray } from 'drizzle-orm';
import type { Take } from '@/core/batch/evidence';
import { takeAlone } from '@/core/batch/observations';
import { followsOf, sharesAfter, withheldFrom, type Follows } from '@/core/batch/follows';
import { storedAs, type BatchState, type BatchYield, type WeighedState } from '@/core/batch/fold';
import { homeEnergyOn } from '@/core/dog/meals';
import { yieldOf, type NewReading } from '@/core/batch/reading';
import type { Weighing } from '@/core/portion/yield';
import { avoidedOf } from '@/core/stock/avoided';
import type { Part } from '@/core/recipe/recipe';
import { share, tray } from '../schema/batches';
import { bowlPart } from '../schema/bowls';
import { packContent } from '../schema/stock';
import { readDogs } from '../repositories/dogs';
import { readPacks } from '../repositories/stock';
import { keepFactsOfPot } from '../repositories/food-facts';
import { readFoodsByKey } from '../repositories/foods';
import { followByProducts } from './by-products';
import { batchIn, observe, refreshBatch, strike } from './batch-at-hand';
import { inMass, refuse, type Context } from './run';
import { takeLotsAgain } from './lot-uses';
import { checkLine } from './start-batch';
import { nth } from '@/core/sure';
import { addUp } from '@/core/add-up';

export interface WeighInput {
  readonly batchId: number;
  /** The place of a component that is kept apart; the whole pot where there is none. */
  readonly yield?: number;
  readonly weighing: Weighing;
  readonly eatenBefore: number;
  /** g of liquid that were poured off and kept. */
  readonly kept?: number;
  /** g of fat that were skimmed off. */
  readonly skimmed?: number;
  /** g of bones and spent vegetables that were strained out. */
  readonly strained?: number;
  readonly revision?: number;
  /** Where packs hold more than the pot was: their weights are believed. */
  readonly packsStand?: boolean;
}

/** The readings of a finished pot, or of one component that is kept apart. */
function readingsOf({
  weighing,
  eatenBefore,
  kept = 0,
  skimmed = 0,
  strained = 0,
  yield: place = 0,
}: WeighInput): NewReading[] {
  const out: NewReading[] = [
    ...(eatenBefore > 0 ? [{ node: `taken:${place}`, kind: 'gross', value: eatenBefore } as const] : []),
    ...(kept > 0 ? [{ node: `kept:${place}`, kind: 'gross', value: kept } as const] : []),
    ...(skimmed > 0 ? [{ node: `skimmed:${place}`, kind: 'gross', value: skimmed } as const] : []),
    ...(strained > 0 ? [{ node: `strained:${place}`, kind: 'gross', value: strained } as const] : []),
  ];
  if (weighing.by === 'cups')
    return [
      { node: `cups:${place}`, kind: 'count', value: weighing.cups },
      { node: `cups:${place}`, kind: 'gross', value: weighing.cupGrams },
      ...out,
    ];
  return [
    ...weighing.vessels.flatMap(({ name, gross, tare }, index): NewReading[] => [
      { node: `vessel:${place}.${index}`, kind: 'gross', value: gross, text: name },
      { node: `vessel:${place}.${index}`, kind: 'tare', value: tare },
    ]),
    ...out,
  ];
}

/**
 * Writes down what the pot weighed, at any time. Weighed again, the readings of before are struck out, and what is not
 * packed yet follows; it says what changed.
 */
export async function weighBatch(context: Context, input: WeighInput): Promise<Follows> {
  const { weighing, yield: place = 0 } = input;
  const before = await batchIn(context, { batchId: input.batchId }, ['cooking', 'weighed']);
  // Only another weighing stands in its way: a task that was ticked a moment ago does not.
  if (before.state === 'weighed' && before.yields.some((each) => each.place === place))
    await batchIn(context, input, ['weighed']);
  if (weighing.by === 'scale' && weighing.vessels.length === 0) refuse('Weigh at least one vessel.', 'vessels');
  if (before.apart === 'lines') refuse('What goes into boxes uncooked was weighed line by line.', 'vessels');
  if (place > 0 && (before.apart === undefined || !before.takes.some((take) => take.component === place)))
    refuse('Nothing was kept apart in this vessel. Look again.', 'vessels');
  if (before.state === 'weighed')
    await strike(
      context,
      input.batchId,
      (node) => /^(vessel|cups|taken|kept|skimmed|strained):/.test(node) && yieldOf(node) === place,
      'the pot weighed otherwise',
    );
  await observe(context, input.batchId, readingsOf(input));
  return putRight(context, before, input);
}

/** A line that went in otherwise: another weight, or another food than was written down. */
export interface LineInput {
  readonly batchId: number;
  readonly revision?: number;
  /** The place of the line; without one it is a line that was forgotten. */
  readonly line?: number;
  /** g as bought. */
  readonly grams: number;
  /** What it really was, by its key. */
  readonly ndb?: string;
  readonly part?: Part;
  readonly packsStand?: boolean;
}

/** Puts right what went in, at any time: bowls that were fed stay as they were. */
export async function correctLine(context: Context, input: LineInput): Promise<Follows> {
  const before = await batchIn(context, input, ['cooking', 'weighed']);
  checkLine(input.grams, 'grams');
  const { takes } = before;
  if (input.line !== undefined && !takes[input.line]) refuse('This line is not here any more. Look again.');
  if (input.line === undefined && input.ndb === undefined) refuse('What was it that went in?', 'ndb');
  if (takes.length >= 240) refuse('That is more than a batch holds.');
  const node = `line:${input.line ?? takes.length}` as const;
  if (input.line !== undefined && nth(takes, input.line).weighed !== input.grams)
    await strike(
      context,
      input.batchId,
      // Another weight of the same food is still of its lot; frozen it was, whatever it was.
      (each, kind) => each === node && kind !== 'frozen' && (kind !== 'note' || input.ndb !== undefined),
      'it went in otherwise',
    );
  const was = input.line === undefined ? undefined : nth(takes, input.line);
  const readings: NewReading[] = [{ node, kind: 'gross', value: input.grams }];
  if (input.ndb !== undefined) {
    const known =
      (await readFoodsByKey(context.tx, context.reference, [input.ndb])).get(input.ndb) ??
      refuse('Choose a food.', 'ndb');
    const { food, made } = known;
    const stays = was ? addUp(was.parts, (part) => part.share) : 1;
    const first = was?.parts[0];
    readings.push({
      node,
      kind: 'food',
      text: food.name,
      take: {
        key: input.ndb,
        name: food.name,
        words: food.name,
        planned: was?.planned ?? 0,
        component: was?.component ?? 0,
        parts: (made?.lines ?? [{ text: food.name, food, part: input.part ?? first?.part ?? 'muscle', grams: 1 }]).map(
          (line) => ({
            text: line.text,
            food: line.food,
            part: line.part,
            moment: first?.moment ?? 'cook',
            share: (line.grams / (made?.grams ?? 1)) * stays,
          }),
        ),
      },
    });
  } else if (was?.weighed === input.grams) {
    refuse('That is what is written down already.', 'grams');
  } else if (was) {
    // A line that was another food stays that food.
    readings.push({ node, kind: 'food', text: was.name, take: takeAlone(was) });
  }
  await observe(context, input.batchId, readings);
  const take = readings.at(-1)?.take ?? was;
  if (take) await takeLotsAgain(context, input.batchId, { line: input.line ?? takes.length, take, grams: input.grams });
  const notFor = await withheld(context, before.dogIds, input.ndb === undefined ? undefined : readings.at(-1)?.take);
  return { ...(await putRight(context, before, input)), ...(notFor.length > 0 ? { notFor } : {}) };
}

/** What of a food that is put in keeps it from the batch's dogs: it is said before it is taken, for a fact must be written down. */
async function withheld({ tx, reference }: Context, dogIds: readonly number[], take: Take | undefined) {
  if (!take) return [];
  const foods = take.parts.map(({ food, part, moment }) => ({ ndb: food.ndb, part, moment }));
  const dogs = (await readDogs(tx)).filter((dog) => dogIds.includes(dog.id));
  const kept = avoidedOf({ batches: [{ id: 0, foods }], contents: [] }, dogs, reference.foods, reference.hazards);
  return withheldFrom(dogs.map((dog) => ({ name: dog.name, found: kept.ofBatch(0, dog.id) })));
}

/** After a correction: the shares follow, the fold decides, and what changed is said. */
async function putRight(
  context: Context,
  before: Exclude<BatchState, { state: 'planned' }> & { readonly recipeId: number; readonly dogIds: readonly number[] },
  { batchId, packsStand }: { readonly batchId: number; readonly packsStand?: boolean },
): Promise<Follows> {
  const { tx, household } = context;
  let after = await refreshBatch(context, batchId);
  if (after.state === 'weighed' && after.shares.length > 0) {
    await followPot(context, after, packsStand === true);
    after = await refreshBatch(context, batchId);
  }
  if (after.state === 'weighed')
    for (const id of await followByProducts(context, batchId, after)) {
      const own = await refreshBatch(context, id);
      if (own.state !== 'weighed') continue;
      await followPot(context, own, packsStand === true);
      await refreshBatch(context, id);
    }
  await keepFactsOfPot(tx, household.energyFactors, { id: batchId, recipeId: before.recipeId, state: after });
  return { ...followsOf(before, after), ...(await daysLeft(context, before, after)) };
}

/** How long what is left in packs of a batch feeds its dogs, by what was known of it and by what is known now. */
async function daysLeft(
  { tx, today }: Context,
  before: BatchState & { readonly dogIds: readonly number[] },
  after: BatchState,
): Promise<Pick<Follows, 'days'>> {
  if (before.state !== 'weighed' || after.state !== 'weighed') return {};
  const dogs = (await readDogs(tx)).filter((dog) => before.dogIds.includes(dog.id));
  const aDay = addUp(dogs, (dog) => homeEnergyOn(asIfHere(dog), today));
  const ids = after.shares.flatMap((share) => share.packs.map((pack) => pack.holdingId));
  const left = (await readPacks(tx, ids)).filter((pack) => pack.grams > 0);
  if (aDay <= 0 || left.length === 0) return {};
  const daysAt = (batch: WeighedState) =>
    left.reduce((sum, pack) => {
      const share = batch.shares.find((each) => each.packs.some(({ holdingId }) => holdingId === pack.holdingId));
      return sum + pack.grams * (share ? (storedAs(share, batch.yields)?.density ?? 0) : 0);
    }, 0) / aDay;
  return { days: { from: daysAt(before), to: daysAt(after) } };
}

/** Shares give way to what the pot weighs now; nothing that was packed or fed is lost. */
async function followPot(context: Context, after: WeighedState, packsStand: boolean): Promise<void> {
  for (const pot of after.yields) await followYield(context, after, pot, packsStand);
}

async function followYield(context: Context, after: WeighedState, pot: BatchYield, packsStand: boolean): Promise<void> {
  const { tx } = context;
  const shares = after.shares.filter((own) => own.yield === pot.place);
  const { grams: wanted, over } = sharesAfter(shares, Math.round(pot.net));
  if (over >= 1 && !packsStand)
    refuse(
      `Its packs, trays and bowls hold ${inMass(context)(over)} more than that. Let their weights stand, or weigh them again first.`,
      'packsStand',
    );
  for (const [index, own] of shares.entries()) {
    if (wanted[index] === own.grams) continue;
    await tx
      .update(share)
      .set({ grams: nth(wanted, index) })
      .where(eq(share.id, own.id));
  }
  await dropShares(
    context,
    shares.flatMap((own, index) => (wanted[index] === 0 ? [own.id] : [])),
  );
}

/** Takes shares away of which nothing was ever packed, dried or fed. */
export async function dropShares({ tx }: Context, ids: readonly number[]): Promise<void> {
  if (ids.length === 0) return;
  const wanted = [...ids];
  const needed = new Set([
    ...(await tx.select({ id: packContent.shareId }).from(packContent).where(inArray(packContent.shareId, wanted))).map(
      (row) => row.id,
    ),
    ...(await tx.select({ id: bowlPart.shareId }).from(bowlPart).where(inArray(bowlPart.shareId, wanted))).map(
      (row) => row.id,
    ),
    ...(await tx.select({ id: tray.shareId }).from(tray).where(inArray(tray.shareId, wanted))).map((row) => row.id),
  ]);
  const free = wanted.filter((id) => !needed.has(id));
  if (free.length > 0) await tx.delete(share).where(inArray(share.id, free));
  // What history needs stays, with nothing in it.
  const kept = wanted.filter((id) => needed.has(id));
  if (kept.length > 0) await tx.update(share).set({ grams: 0 }).where(inArray(share.id, kept));
}
