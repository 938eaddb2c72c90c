import 'server-only';
import { splitToGram } from '@/core/portion/split';
import { foldHolding, tenths, type HoldingState, type Leg } from '@/core/stock/ledger';
import { mixedKind, originOf, strictestPackaging, type ToMix } from '@/core/stock/mixed';
import type { MixEntry, SplitEntry } from '@/core/stock/store-acts';
import { addUp } from '@/core/add-up';
import { nth, sure } from '@/core/sure';
import { readHistories, readRules } from '../repositories/movements';
import { readDogs } from '../repositories/dogs';
import { readPacks, type StoredPack } from '../repositories/stock';
import { eq } from 'drizzle-orm';
import { holding, pack, packContent } from '../schema/stock';
import { datingIn, writeMovements, type NewMovement } from './ledger';
import { atHand, packWith } from './pack-at-hand';
import { keepContents } from './pack-weights';
import { inMass, need, refuse, type Context } from './run';
import { takeCodes } from './seal';

/** What is taken out of a pack into a new one, in tenths of a gram. */
interface Taken {
  readonly from: StoredPack;
  readonly amount: number;
  /** What of that came out of a pot. */
  readonly fromPot: number;
}

/**
 * So much of a pack, in tenths of a gram. Where it was found to hold more than was sealed in it, what was found parts with the
 * rest; refuses a pack of which nothing came out of a pot any more.
 */
function takenOf(context: Context, from: StoredPack, amount: number): Taken {
  const [held, came] = [tenths(from.grams), tenths(from.sealedGrams)];
  if (from.contents.length === 0 || held <= came) return { from, amount, fromPot: amount };
  if (came < 1) refuse(`Nothing that is in ${from.code} came out of a pot: it stays as it is.`);
  return { from, amount, fromPot: Math.min(came, Math.max(1, Math.round((came * amount) / held))) };
}

/** Packs as they are after all their movements. */
async function statesOf(context: Context, packs: readonly StoredPack[]): Promise<Map<number, HoldingState>> {
  const ids = packs.map((each) => each.holdingId);
  const histories = await readHistories(context.tx, ids);
  const rules = await readRules(context.tx, ids, datingIn(context));
  return new Map(rules.map((own) => [own.holdingId, sure(need(foldHolding(histories.get(own.holdingId) ?? [], own)))]));
}

/** Puts what is taken out of packs into a new one with its own code: as old as the oldest of it, and told from all of it. */
async function intoNewPack(
  context: Context,
  taken: readonly Taken[],
  made: { readonly kind: 'split' | 'merged'; readonly dogId: number | undefined },
): Promise<{ code: string; movementIds: number[] }> {
  const { tx, today } = context;
  const states = await statesOf(
    context,
    taken.map(({ from }) => from),
  );
  const parts = taken.map(({ from }): ToMix => {
    const state = sure(states.get(from.holdingId));
    return { ...state, code: from.code };
  });
  const foodKind = made.kind === 'split' ? nth(parts, 0).life.kind : need(mixedKind(parts));
  const [first] = [...taken].sort((a, b) => b.amount - a.amount);
  const { from: most } = sure(first);
  const placeId = most.placeId;
  const amount = addUp(taken, (each) => each.amount);
  const mean = (of: (from: StoredPack) => number) => addUp(taken, (each) => of(each.from) * each.amount) / amount;
  const [density, waterPerGram] = [mean((from) => from.density), mean((from) => from.waterPerGram)];
  const rows = await tx
    .insert(holding)
    .values({
      kind: 'pack',
      foodKind,
      fatty: taken.some(({ from }) => from.fatty),
      placeId,
      amount: 0,
      since: today,
      rule: '',
      packaging:
        strictestPackaging(
          datingIn(context)(nth(parts, 0).rulesId),
          foodKind,
          taken.map(({ from }) => from),
          most.placeKind,
        ) ?? null,
      density,
      waterPerGram,
      origin: originOf(parts, today),
    })
    .returning({ id: holding.id });
  const holdingId = nth(rows, 0).id;
  const code = nth(await takeCodes(context, most.recipeId, 1), 0);
  await tx.insert(pack).values({
    holdingId,
    code,
    dogId: made.dogId ?? null,
    weighed: true,
    packedOn: most.packedOn,
    labelAmount: amount,
    labelDensity: density,
    labelWaterPerGram: waterPerGram,
    labelRule: '',
    short: false,
    estimated: taken.some(({ from }) => from.estimated),
    moisture: most.moisture ?? null,
    found: most.found ? { ...most.found, root: most.found.root ?? most.holdingId } : null,
  });
  const contents = new Map<string, typeof packContent.$inferInsert>();
  for (const { from, fromPot } of taken) {
    // What was found has no contents that anybody knows.
    if (from.contents.length === 0) continue;
    const shares = splitToGram(
      fromPot,
      from.contents.map((each) => each.sealedAmount),
    );
    for (const [index, each] of from.contents.entries()) {
      const key = `${each.batchId} ${each.shareId}`;
      const before = contents.get(key);
      contents.set(key, {
        holdingId,
        batchId: each.batchId,
        shareId: each.shareId,
        amount: (before?.amount ?? 0) + nth(shares, index),
        sealedAmount: (before?.amount ?? 0) + nth(shares, index),
        density: each.density,
        waterPerGram: each.waterPerGram,
      });
    }
  }
  const own = [...contents.values()].filter((each) => each.amount > 0);
  if (own.length > 0) await tx.insert(packContent).values(own);
  // What was found in a pack goes along as what it is: found. Else more would leave it than ever came into it from a pot.
  const found = (at: { readonly holdingId: number; readonly placeId: number }, change: number): NewMovement[] =>
    change === 0
      ? []
      : [
          {
            kind: 'corrected',
            note: 'more was in it than had been sealed: of that so much goes along',
            legs: [
              { holdingId: at.holdingId, placeId: at.placeId, amount: change },
              { account: 'found', amount: -change },
            ],
          },
        ];
  const legs: Leg[] = taken.map(({ from, fromPot }) => ({
    holdingId: from.holdingId,
    placeId: from.placeId,
    amount: -fromPot,
  }));
  const moved = await writeMovements(context, [
    ...taken.flatMap((each) => found(each.from, each.fromPot - each.amount)),
    { kind: made.kind, legs: [...legs, { holdingId, placeId, amount: addUp(taken, (each) => each.fromPot) }] },
    ...found(
      { holdingId, placeId },
      addUp(taken, (each) => each.amount - each.fromPot),
    ),
  ]);
  await keepContents(
    tx,
    taken.map(({ from }) => from.holdingId),
  );
  // The label says what holds for it from its first day on.
  const now = sure((await readPacks(tx, [holdingId]))[0]);
  await tx
    .update(pack)
    .set({ labelSafeUntil: now.safeUntil ?? null, labelBestBy: now.bestBy ?? null, labelRule: now.rule })
    .where(eq(pack.holdingId, holdingId));
  return { code, movementIds: moved.flatMap(({ id, kind }) => (kind === 'blocked' ? [] : [id])) };
}

/** A part of a pack becomes a pack of its own. */
export async function splitPack(context: Context, input: SplitEntry): Promise<{ code: string; movementIds: number[] }> {
  const from = await packWith(context, input.holdingId);
  const amount = tenths(input.grams);
  if (!(amount > 0)) refuse('How much of it goes into the new pack?', 'grams');
  if (amount >= tenths(from.grams))
    refuse(`${from.code} holds ${inMass(context)(from.grams)}: something of it stays in it.`, 'grams');
  if (from.blocked) refuse(`${from.code} is blocked: it stays together.`);
  if (input.dogId !== undefined && !(await readDogs(context.tx)).some(({ id }) => id === input.dogId))
    refuse('This dog is not here any more.', 'dogId');
  return intoNewPack(context, [takenOf(context, from, amount)], { kind: 'split', dogId: input.dogId ?? from.dogId });
}

/** Packs, or parts of them, mixed into one container with a code of its own; for their dog, where it is one. */
export async function mixPacks(context: Context, input: MixEntry): Promise<{ code: string; movementIds: number[] }> {
  const ids = input.parts.map((part) => part.holdingId);
  if (new Set(ids).size < ids.length) refuse('A pack stands here twice.', 'parts');
  const packs = await readPacks(context.tx, ids);
  const unknown = packs.find(({ found }) => found !== undefined);
  if (unknown)
    refuse(`${unknown.code} was found: what is in it nobody wrote down, so that it is mixed with nothing.`, 'parts');
  const taken = input.parts.map(({ holdingId, grams }, index): Taken => {
    const from = atHand(packs, holdingId);
    const amount = tenths(grams);
    const field = `parts.${index}`;
    if (!(amount > 0)) refuse('How much of it goes in?', field);
    if (amount > tenths(from.grams)) refuse(`Only ${inMass(context)(from.grams)} are left in ${from.code}.`, field);
    if (from.safeUntil !== undefined && from.safeUntil < context.today)
      refuse(`${from.code} was safe until ${from.safeUntil}: it is mixed with nothing.`, field);
    if (from.beside !== nth(packs, 0).beside) refuse('Broth or fat are not mixed into meals.', field);
    return takenOf(context, from, amount);
  });
  const dogs = [...new Set(taken.map(({ from }) => from.dogId))];
  return intoNewPack(context, taken, { kind: 'merged', dogId: dogs.length === 1 ? dogs[0] : undefined });
}
