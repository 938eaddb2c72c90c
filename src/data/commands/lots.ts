import 'server-only';
import { eq } from 'drizzle-orm';
import { energyKnown, energyOf } from '@/core/nutrition/energy';
import { belongsIn, sayKind } from '@/core/preserve/shelf-life';
import { grams } from '@/core/quantity/units';
import { foldHolding, reversedLegs, tenths, type Origin } from '@/core/stock/ledger';
import { originOf } from '@/core/stock/mixed';
import { kindOfLot, spoilsUnsaid } from '@/core/stock/lot';
import { readLot, type LotRead, type PrepareEntry, type ReceiveEntry } from '@/core/stock/lot-entry';
import { capital } from '@/core/quantity/write';
import { standing, tipOf } from '@/core/standing';
import { sure } from '@/core/sure';
import { readFoodsByKey } from '../repositories/foods';
import { readPlaces } from '../repositories/household';
import { readLotsById, retypedLot, type StoredLot } from '../repositories/lots';
import { holding, lot } from '../schema/stock';
import { readHistory, readRules } from '../repositories/movements';
import { datingIn, refold, writeMovement, writeMovements, type NewMovement } from './ledger';
import { pricesFollow } from './lot-prices';
import { putPacks } from './stock';
import { inMass, need, refuse, Refusal, type Context } from './run';

/** Some of an ingredient goes to another place by itself: it is as old as the rest, and cost its part. */
export async function partLot(
  context: Context,
  input: { holdingId: number; grams: number; placeId: number },
): Promise<{ holdingId: number; movementIds: number[] }> {
  const of = await lotWith(context, input.holdingId);
  const amount = tenths(input.grams);
  if (!(amount > 0)) refuse('How much of it? A weight above 0.', 'grams');
  if (amount >= tenths(of.grams)) refuse(`That is all of it: ${inMass(context)(of.grams)}. Move it whole.`, 'grams');
  const [rules] = await readRules(context.tx, [of.holdingId], datingIn(context));
  const history = await readHistory(context.tx, of.holdingId);
  const state = sure(need(foldHolding(history, sure(rules))));
  const holdingId = await openLot(context, {
    key: of.key,
    name: of.name,
    kind: of.foodKind,
    placeId: of.placeId,
    madeOf: of.holdingId,
    receivedOn: of.receivedOn,
    origin: originOf([{ ...state, code: of.name }], context.today),
    read: {
      grams: input.grams,
      priceMinor:
        of.priceMinor === undefined ? undefined : Math.round((of.priceMinor / of.receivedGrams) * input.grams),
      label: of.label,
      code: of.code,
    },
  });
  const parted = await writeMovements(context, [
    {
      kind: 'split',
      legs: [
        { holdingId: of.holdingId, placeId: of.placeId, amount: -amount },
        { holdingId, placeId: of.placeId, amount },
      ],
    },
  ]);
  const ids = parted.map(({ id }) => id);
  if (input.placeId === of.placeId) return { holdingId, movementIds: ids };
  const { movementIds } = await putPacks(context, { holdingIds: [holdingId], placeId: input.placeId });
  return { holdingId, movementIds: [...ids, ...movementIds] };
}

type NewLot = Omit<ReceiveEntry, 'came' | 'entry'> & {
  readonly kind: StoredLot['foodKind'];
  readonly placeId: number;
  readonly read: LotRead;
  readonly madeOf?: number;
  readonly receivedOn?: Context['today'];
  readonly origin?: Origin;
};

/** Writes an ingredient down before the movement that brings it in. */
async function openLot(
  context: Context,
  { key, name, kind, placeId, read, madeOf, receivedOn, origin }: NewLot,
): Promise<number> {
  const { tx, today, reference, household } = context;
  const food =
    (await readFoodsByKey(tx, reference, [key])).get(key)?.food ?? refuse('This food is not known any more.', 'key');
  const place = (await readPlaces(tx)).find((each) => each.id === placeId) ?? refuse('Where does it lie?', 'placeId');
  if (!belongsIn(reference.shelfLives, kind, place.kind))
    refuse(`${sayKind(kind)} does not keep in the ${place.name.toLowerCase()}.`, 'placeId');
  const portion = [{ food, grams: grams(1) }];
  const isKnown = energyKnown(portion, household.energyFactors).unknown.length === 0;
  const [made] = await tx
    .insert(holding)
    .values({
      kind: 'lot',
      foodKind: kind,
      fatty: false,
      placeId,
      amount: 0,
      since: today,
      density: isKnown ? energyOf(portion, household.energyFactors) : null,
      waterPerGram: 0,
      rule: '',
      origin: origin ?? null,
    })
    .returning({ id: holding.id });
  const holdingId = sure(made).id;
  await tx.insert(lot).values({
    holdingId,
    foodKey: key,
    name,
    receivedOn: receivedOn ?? today,
    receivedAmount: tenths(read.grams),
    priceMinor: read.priceMinor ?? null,
    label: read.label ?? null,
    code: read.code ?? null,
    madeOf: madeOf ?? null,
  });
  return holdingId;
}

/** What was typed of an ingredient, read; each problem at its field. */
function needLot(context: Context, entry: ReceiveEntry['entry']): LotRead {
  const read = readLot(entry, context.household.unitSet);
  if (read.ok) return read.value;
  throw new Refusal(...read.problems);
}

/** What spoils in days does not go into a cupboard without a word. */
async function askWhatSpoils(
  { tx, reference }: Context,
  key: string,
  name: string,
  { kind, placeId, date }: ReceiveEntry['entry'],
): Promise<void> {
  const food = (await readFoodsByKey(tx, reference, [key])).get(key)?.food;
  const place = (await readPlaces(tx)).find((each) => each.id === placeId)?.kind;
  if (food && place && spoilsUnsaid(food, name, { kind, place, hasDate: date.trim() !== '' }))
    refuse(
      `${capital(name)} spoils in days: put it in the fridge or the freezer, or type the date on its label if it is sealed to keep.`,
      'placeId',
    );
}

/** An ingredient comes into the house: it was bought, or it was found to be there. */
export async function receiveLot(
  context: Context,
  { came, key, name, entry }: ReceiveEntry,
): Promise<{ holdingId: number; movementIds: number[] }> {
  const read = needLot(context, entry);
  await askWhatSpoils(context, key, name, entry);
  const holdingId = await openLot(context, { key, name, kind: entry.kind, placeId: entry.placeId, read });
  const amount = tenths(read.grams);
  const { id } = await writeMovement(context, {
    kind: came,
    legs: [
      { account: came === 'received' ? 'bought' : 'found', amount: -amount },
      { holdingId, placeId: entry.placeId, amount },
    ],
  });
  return { holdingId, movementIds: [id] };
}

export async function lotWith(context: Context, holdingId: number): Promise<StoredLot> {
  const [found] = await readLotsById(context.tx, [holdingId]);
  if (!found || found.void) return refuse('This ingredient is not here any more.');
  return found;
}

/** What can have been done with an ingredient and goes back with it. */
const GOES_WITH_IT: ReadonlySet<string> = new Set([
  'received',
  'found',
  'moved',
  'corrected',
  'blocked',
  'redated',
  'put right',
]);

/** It never came: all that was done with an ingredient is taken back, unless some of it is in a pot or in the bin. */
export async function takeBackLot(context: Context, input: { holdingId: number }): Promise<{ movementIds: number[] }> {
  const of = await lotWith(context, input.holdingId);
  const history = await readHistory(context.tx, of.holdingId);
  const stands = standing(history);
  const kept = stands.find(({ kind }) => !GOES_WITH_IT.has(kind));
  if (kept) refuse(`${capital(of.name)} was ${kept.kind} since: it did come. Take that back first, or leave it.`);
  const made = await writeMovements(
    context,
    [...stands].reverse().map((each): NewMovement => ({
      kind: 'reversed',
      legs: reversedLegs(each.legs),
      takesBack: tipOf(history, each.id),
    })),
  );
  return { movementIds: made.map(({ id }) => id) };
}

/** Puts right what stands of an ingredient: how much came, its price, its dates, what it is, where it lies. */
export async function describeLot(
  context: Context,
  { holdingId, entry }: { holdingId: number; entry: ReceiveEntry['entry'] },
): Promise<{ movementIds: number[] }> {
  const { tx, reference } = context;
  const before = await lotWith(context, holdingId);
  const typed = needLot(context, entry);
  // A weight that was not touched is not rounded by being read again.
  const isSame = entry.amount === retypedLot(before, context.household.unitSet).amount;
  const read = isSame ? { ...typed, grams: before.receivedGrams } : typed;
  const place =
    (await readPlaces(tx)).find((each) => each.id === entry.placeId) ?? refuse('Where does it lie?', 'placeId');
  if (!belongsIn(reference.shelfLives, entry.kind, place.kind))
    refuse(`${sayKind(entry.kind)} does not keep in the ${place.name.toLowerCase()}.`, 'placeId');
  await askWhatSpoils(context, before.key, before.name, entry);
  await tx
    .update(lot)
    .set({
      receivedAmount: tenths(read.grams),
      priceMinor: read.priceMinor ?? null,
      label: read.label ?? null,
      code: read.code ?? null,
    })
    .where(eq(lot.holdingId, holdingId));
  await pricesFollow(context, before, read);
  await tx.update(holding).set({ foodKind: entry.kind }).where(eq(holding.id, holdingId));
  const difference = tenths(read.grams) - tenths(before.receivedGrams);
  const left = tenths(before.grams) + difference;
  if (left < 0)
    refuse(`${inMass(context)(before.receivedGrams - before.grams)} of it were used already: not less came.`, 'amount');
  const entries: NewMovement[] = [
    ...(difference === 0
      ? []
      : [
          {
            kind: 'corrected' as const,
            note: 'so much came',
            legs: [
              { account: 'bought' as const, amount: -difference },
              { holdingId, placeId: before.placeId, amount: difference },
            ],
          },
        ]),
    ...(entry.placeId === before.placeId || left === 0
      ? []
      : [
          {
            kind: 'moved' as const,
            legs: [
              { holdingId, placeId: before.placeId, amount: -left },
              { holdingId, placeId: entry.placeId, amount: left },
            ],
          },
        ]),
  ];
  const made: number[] = [];
  for (const each of entries) made.push((await writeMovement(context, each)).id);
  await refold(context, [holdingId]);
  return { movementIds: made };
}

/** Some of an ingredient is made into another ahead: its price and its trace go with it. */
export async function prepareLot(
  context: Context,
  input: PrepareEntry,
): Promise<{ holdingId: number; movementIds: number[] }> {
  const of = await lotWith(context, input.holdingId);
  if (of.ahead) refuse(`${of.name} was ${of.ahead}. Say in the Store when it really was.`);
  if (of.blocked) refuse(`${of.name} is blocked: nothing is made of it.`);
  if (!(input.grams > 0)) refuse('How much of it was taken? A weight above 0.', 'grams');
  if (tenths(input.grams) > tenths(of.grams)) refuse(`Only ${inMass(context)(of.grams)} of it are left.`, 'grams');
  if (!(input.made > 0)) refuse('What did it come to? A weight above 0.', 'made');
  const kind =
    kindOfLot(
      (await readFoodsByKey(context.tx, context.reference, [input.key])).get(input.key)?.food ??
        refuse('What did it become? Choose a food.', 'key'),
    ) === 'pantry'
      ? 'pantry'
      : 'cooked';
  const perGram = of.priceMinor === undefined ? undefined : of.priceMinor / of.receivedGrams;
  const holdingId = await openLot(context, {
    key: input.key,
    name: input.name,
    kind,
    placeId: input.placeId,
    madeOf: of.holdingId,
    read: {
      grams: input.made,
      priceMinor: perGram === undefined ? undefined : Math.round(perGram * input.grams),
      label: undefined,
      code: of.code,
    },
  });
  const [taken, came] = [tenths(input.grams), tenths(input.made)];
  const { id } = await writeMovement(context, {
    kind: 'used',
    note: `made into ${input.name}`,
    legs: [
      { holdingId: of.holdingId, placeId: of.placeId, amount: -taken },
      { holdingId, placeId: input.placeId, amount: came },
      // What steamed off, or what water it took up.
      ...(taken === came ? [] : [{ account: 'cooked' as const, amount: taken - came }]),
    ],
  });
  return { holdingId, movementIds: [id] };
}

/** The scale is believed: what an ingredient weighs now. */
export async function weighLot(
  context: Context,
  input: { holdingId: number; grams: number },
): Promise<{ movementIds: number[] }> {
  const of = await lotWith(context, input.holdingId);
  if (!(input.grams > 0)) refuse('What does it weigh? A weight above 0; what is gone is thrown away.', 'grams');
  const difference = tenths(input.grams) - tenths(of.grams);
  if (difference === 0) refuse(`${of.name} is exactly that already.`, 'grams');
  const { id } = await writeMovement(context, {
    kind: 'corrected',
    legs: [
      { holdingId: of.holdingId, placeId: of.placeId, amount: difference },
      { account: difference > 0 ? 'found' : 'lost', amount: -difference },
    ],
  });
  return { movementIds: [id] };
}
