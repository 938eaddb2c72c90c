import 'server-only';
import { eq } from 'drizzle-orm';
import type { FillBoxEntry, PlanBoxesEntry } from '@/core/batch/steps/apart';
import {
  boxesOfDays,
  cellOf,
  isFull,
  readBoxes as readTyped,
  type BoxesFilled,
  type BoxPlan,
} from '@/core/portion/boxes';
import { USUAL_PLAN } from '@/core/portion/pack-plan';
import { proposePacks } from '@/core/portion/proposals';
import { isDried } from '@/core/preserve/shelf-life';
import { countOf } from '@/core/quantity/count-words';
import { nth, sure } from '@/core/sure';
import { addUp } from '@/core/add-up';
import { readBoxes, readIngredients, type StoredBoxes, type StoredIngredient } from '../repositories/boxes';
import { readBatch } from '../repositories/batches';
import { readDogs } from '../repositories/dogs';
import { boxPlan } from '../schema/batches';
import { batchIn, refreshBatch } from './batch-at-hand';
import { inMass, need, refuse, type Context } from './run';
import { sealPacks, takeCodes } from './seal';

/** The shares that go into boxes; refused where they do not keep together. */
async function ingredientsFor(context: Context, shareIds: readonly number[]): Promise<StoredIngredient[]> {
  const of = await readIngredients(context.tx, shareIds, context.household.energyFactors);
  if (of.length < shareIds.length) refuse('A share was set anew meanwhile. Look again.', 'rows');
  if (new Set(shareIds).size < shareIds.length) refuse('A share stands here twice.', 'rows');
  const [first] = of;
  for (const [index, each] of of.entries()) {
    if (first && isDried(each.kind) !== isDried(first.kind))
      refuse('Dry and wet food do not keep in one box.', `rows.${index}.size`);
    if (first && each.share.placeId !== first.share.placeId)
      refuse(`${each.name} goes to another place: divide it anew first.`, `rows.${index}.size`);
  }
  return of;
}

/** Begins boxes: how much of each ingredient goes into every one. */
export async function planBoxes(context: Context, input: PlanBoxesEntry): Promise<{ boxesId: number }> {
  const { tx, now, household } = context;
  const found = await batchIn(context, input, ['weighed']);
  if ((await readBoxes(tx, { batchId: found.id })).length > 0)
    refuse('Boxes of this batch are being built: close them first, or give them up.', 'rows');
  const { of } = input;
  const shareIds = of.by === 'figures' ? of.entry.rows.map((row) => row.shareId) : of.shareIds;
  const ingredients = await ingredientsFor(context, shareIds);
  const empty = ingredients.findIndex(({ grams }) => grams < 1);
  if (empty >= 0) refuse(`Nothing of ${nth(ingredients, empty).name} is left to be packed.`, `rows.${empty}.size`);
  const plan =
    of.by === 'figures'
      ? need(readTyped(of.entry, ingredients, household.unitSet))
      : await daysOf(context, ingredients);
  if (plan.boxes.length === 0) refuse('Not one whole day of a dog is there of all of them.', 'rows');
  const [made] = await tx
    .insert(boxPlan)
    .values({ batchId: found.id, plan, filled: {}, createdAt: now })
    .returning({ id: boxPlan.id });
  return { boxesId: sure(made).id };
}

/** A box for each dog and day, with its part of each of what is kept apart. */
async function daysOf({ tx }: Context, of: readonly StoredIngredient[]): Promise<BoxPlan> {
  const batches = new Map(of.map(({ batch }) => [batch.id, batch]));
  if (batches.size > 1) return refuse('Each dog’s day is made of one batch: say figures instead.', 'rows');
  const found = nth(of, 0).batch;
  const dogs = (await readDogs(tx)).filter((dog) => found.dogIds.includes(dog.id));
  // Whatever was planned for its packs, a box is a dog's day.
  const shares = found.shares.map((each) => ({ ...each, plan: USUAL_PLAN }));
  const proposed = proposePacks({ ...found, shares }, dogs);
  return boxesOfDays(
    of.map(({ shareId }) => {
      const packs = proposed.get(shareId);
      return { shareId, packs: packs ? need(packs) : [] };
    }),
  );
}

async function boxesAt({ tx }: Context, id: number): Promise<StoredBoxes> {
  await tx.select({ id: boxPlan.id }).from(boxPlan).where(eq(boxPlan.id, id)).for('update');
  return (await readBoxes(tx, { id }))[0] ?? refuse('These boxes are closed, or were given up.');
}

/** Puts one ingredient into a box, or into all that wait for it; or takes it out again. */
export async function fillBox(context: Context, input: FillBoxEntry): Promise<void> {
  const { plan, filled } = await boxesAt(context, input.boxesId);
  const row = plan.rows[input.row] ?? refuse('There is no such row.');
  const all = input.box === undefined ? [...plan.boxes.keys()] : [input.box];
  const next = { ...filled };
  for (const box of all) {
    const planned = row.grams[box] ?? refuse('There is no such box.');
    const cell = cellOf(input.row, box);
    if (input.box !== undefined && !input.out && filled[cell] !== undefined)
      refuse(`It lies in box ${box + 1} already: somebody was quicker. Take it out first, or go on.`);
    if (input.out) delete next[cell];
    else if (planned > 0 && (input.box !== undefined || filled[cell] === undefined))
      // Amounts are kept in tenths: what lies in a box is the sum of its parts.
      next[cell] = input.grams === undefined ? planned : Math.round(input.grams * 10) / 10;
  }
  if (input.grams !== undefined && !(input.grams > 0))
    refuse('The box weighs no more than before: was the scale tared after the last one?', 'grams');
  const [own] = await readIngredients(context.tx, [row.shareId], context.household.energyFactors);
  const taken = addUp(rowCells(plan, next, input.row), (grams) => grams);
  const atHand = own?.grams ?? 0;
  if (taken > atHand * (1 + MOST_OVER) + 5)
    refuse(
      `${inMass(context)(taken)} of ${own?.name ?? 'it'} would be in the boxes: only ${inMass(context)(atHand)} are at hand.`,
      'grams',
    );
  await context.tx.update(boxPlan).set({ filled: next }).where(eq(boxPlan.id, input.boxesId));
}

/** Boxes together may hold so much more than their share before it is asked about (ours, no source). */
const MOST_OVER = 0.02;

const rowCells = (plan: BoxPlan, filled: BoxesFilled, row: number) =>
  plan.boxes.flatMap((_, box) => filled[cellOf(row, box)] ?? []);

/** Gives boxes up: nothing was packed yet, what lay in them is in its shares. */
export async function dropBoxes(context: Context, input: { boxesId: number }): Promise<void> {
  const { id } = await boxesAt(context, input.boxesId);
  await context.tx.delete(boxPlan).where(eq(boxPlan.id, id));
}

/** Closes the boxes that are full: each is a pack with its contents, and keeps as the strictest of them does. */
export async function closeBoxes(context: Context, input: { boxesId: number }): Promise<{ codes: string[] }> {
  const { tx, now } = context;
  const { id, batchId, plan, filled } = await boxesAt(context, input.boxesId);
  const home = await batchIn(context, { batchId }, ['weighed']);
  const of = await ingredientsFor(
    context,
    plan.rows.map((row) => row.shareId),
  );
  const full = [...plan.boxes.keys()].filter((box) => isFull(plan, filled, box));
  if (full.length === 0) refuse('No box is full yet: tick what lies in it.');
  for (const [row, own] of of.entries()) {
    const taken = addUp(full, (box) => filled[cellOf(row, box)] ?? 0);
    if (taken > own.grams * (1 + MOST_OVER) + 5)
      refuse(`Of ${own.name} only ${inMass(context)(own.grams)} are left: it was packed otherwise meanwhile.`);
  }
  const codes = await takeCodes(context, home.recipeId, full.length);
  // It keeps no longer than what was cooked first.
  const since = nth(of.map(({ share }) => share.day).sort(), 0);
  await sealPacks(
    context,
    full.map((box, index) => ({
      code: nth(codes, index),
      short: false,
      // What went in as it was asked was ticked, and not weighed.
      weighed: of.every((_, row) => {
        const grams = filled[cellOf(row, box)];
        return grams === undefined || grams !== plan.rows[row]?.grams[box];
      }),
      since,
      ...nth(plan.boxes, box),
      contents: of.flatMap((each, row) => {
        const grams = filled[cellOf(row, box)];
        return grams === undefined ? [] : [{ batch: each.batch, share: each.share, grams }];
      }),
    })),
  );
  const left = [...plan.boxes.keys()].filter((box) => !full.includes(box));
  if (left.length === 0) await tx.update(boxPlan).set({ closedAt: now, filled: {} }).where(eq(boxPlan.id, id));
  else
    await tx
      .update(boxPlan)
      .set(only(plan, filled, left))
      .where(eq(boxPlan.id, id));
  for (const own of new Set([batchId, ...of.map((each) => each.batch.id)])) await refreshBatch(context, own);
  return { codes: [...codes] };
}

/** What is left of boxes once some of them are closed. */
const only = (plan: BoxPlan, filled: BoxesFilled, boxes: readonly number[]) => ({
  plan: {
    ...plan,
    boxes: boxes.map((box) => nth(plan.boxes, box)),
    rows: plan.rows.map((row) => ({ ...row, grams: boxes.map((box) => nth(row.grams, box)) })),
  },
  filled: Object.fromEntries(
    plan.rows.flatMap((_, row) =>
      boxes.flatMap((box, index): [string, number][] => {
        const grams = filled[cellOf(row, box)];
        return grams === undefined ? [] : [[cellOf(row, index), grams]];
      }),
    ),
  ),
});

/** Refuses to divide anew what goes into boxes that are being built. */
export async function nothingInBoxes(context: Context, shareIds: readonly number[]): Promise<void> {
  const open = (await readBoxes(context.tx)).find(({ plan }) =>
    plan.rows.some(({ shareId }) => shareIds.includes(shareId)),
  );
  if (!open) return;
  const home = await readBatch(context.tx, open.batchId, context.household.energyFactors);
  refuse(
    `${countOf(open.plan.boxes.length, 'box')} of it are being built at ${home?.recipeName ?? 'another batch'}: close them there first, or give them up.`,
    'shares',
  );
}
