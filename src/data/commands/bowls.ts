import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import { clockIn } from '@/core/calendar/local-date';
import { rationOn } from '@/core/dog/dog';
import { mealsOn } from '@/core/dog/meals';
import { isFit } from '@/core/stock/draw';
import { tenths, type Leg } from '@/core/stock/ledger';
import { densityOfBatch } from '../repositories/batches';
import { readAvoided, type NotForIt } from '../repositories/avoided';
import { readDog, type StoredDog } from '../repositories/dogs';
import { readPacks, readWarmShares } from '../repositories/stock';
import { bowl, bowlPart } from '../schema/stock';
import { writeMovement } from './ledger';
import { inMass, refuse, type Context } from './run';
import { reverseMovement } from './stock';

export interface BowlEntry {
  readonly dogId: number;
  readonly slotId: number;
  readonly day: string;
  /** What was shown in the bowl: whole grams of packs, or of a share that is eaten today. */
  readonly parts: readonly (
    { readonly holdingId: number; readonly grams: number } | { readonly shareId: number; readonly grams: number }
  )[];
}

interface Part {
  readonly holdingId?: number;
  readonly shareId?: number;
  readonly amount: number;
  readonly waterMl: number;
  readonly kcal: number;
  readonly legs: Leg[];
}

/** Feeds one meal: one bowl and one movement, or a plain sentence why not. */
export async function feedBowl(context: Context, entry: BowlEntry): Promise<{ movementId: number; bowlId: number }> {
  const { tx, today, now, household } = context;
  const dog = (await readDog(tx, entry.dogId)) ?? refuse('This dog is not here any more.');
  if (entry.day !== today) refuse('A new day has begun since this page was opened. Look again.');
  const slot = mealsOn(dog, today).find((meal) => meal.id === entry.slotId);
  if (!slot) return refuse('This meal is not one of the dog’s meals any more. Look again.');
  const [already] = await tx
    .select({ fedAt: bowl.fedAt })
    .from(bowl)
    .where(and(eq(bowl.dogId, dog.id), eq(bowl.day, today), eq(bowl.slotId, slot.id), isNull(bowl.reversedBy)));
  if (already) {
    refuse(
      `${dog.name} has had ${slot.name} already: it was marked fed at ${clockIn(already.fedAt, household.timeZone)}.`,
    );
  }
  const parts = await partsOf(context, entry, dog);
  const eaten = parts.reduce((total, part) => total + part.amount, 0);
  const made = await writeMovement(context, {
    kind: 'fed',
    legs: [...parts.flatMap((part) => part.legs), { account: 'eaten', amount: eaten }],
  });
  const [stored] = await tx
    .insert(bowl)
    .values({
      dogId: dog.id,
      day: today,
      slotId: slot.id,
      rationId: rationOn(dog, today).id,
      kcal: slot.kcal,
      fedAt: now,
      movementId: made.id,
    })
    .returning({ id: bowl.id });
  await tx.insert(bowlPart).values(
    parts.map(({ holdingId, shareId, amount, waterMl, kcal }) => ({
      bowlId: stored!.id,
      holdingId: holdingId ?? null,
      shareId: shareId ?? null,
      amount,
      waterMl,
      kcal,
    })),
  );
  return { movementId: made.id, bowlId: stored!.id };
}

async function partsOf(context: Context, entry: BowlEntry, dog: StoredDog): Promise<Part[]> {
  const { tx, today, household, reference } = context;
  if (entry.parts.length === 0) return refuse('There is nothing in this bowl.');
  const packs = await readPacks(
    tx,
    entry.parts.flatMap((part) => ('holdingId' in part ? [part.holdingId] : [])),
  );
  const warm = await readWarmShares(tx, today, (row) => densityOfBatch(row, household.energyFactors));
  const avoided = await readAvoided(tx, reference, [dog]);
  const refuseAvoided = (code: string, found: readonly NotForIt[]) => {
    const never = found.filter((each) => each.stops).map((each) => each.said);
    if (never.length > 0) refuse(`${dog.name} does not get ${never.join(', ')}, and it is in ${code}.`);
  };
  return entry.parts.map((part): Part => {
    if (!(part.grams > 0)) return refuse('A weight above 0 goes into the bowl.');
    const amount = tenths(part.grams);
    if ('shareId' in part) {
      const share = warm.find((each) => each.shareId === part.shareId) ?? refuse('That pot is not today’s any more.');
      refuseAvoided('today’s pot', avoided.ofBatch(share.batchId, dog.id));
      if (share.grams + 0.05 < part.grams) {
        refuse(`Only ${inMass(context)(share.grams)} of today’s pot are left: somebody was quicker. Look again.`);
      }
      return {
        shareId: share.shareId,
        amount,
        waterMl: 0,
        kcal: part.grams * share.density,
        legs: [{ account: 'cooked', amount: -amount }],
      };
    }
    const pack = packs.find((each) => each.holdingId === part.holdingId) ?? refuse('This pack is not known.');
    refuseAvoided(pack.code, avoided.ofPack(pack.holdingId, dog.id));
    if (pack.grams + 0.05 < part.grams) {
      refuse(`Only ${inMass(context)(pack.grams)} are left in ${pack.code}: somebody was quicker. Look again.`);
    }
    if (pack.placeKind === 'freezer') refuse(`${pack.code} is in the freezer: move it to the fridge first.`);
    if (!isFit(pack, today))
      refuse(`${pack.code} was safe until ${pack.safeUntil}. It is not fed any more: throw it away.`);
    return {
      holdingId: pack.holdingId,
      amount,
      waterMl: Math.round(part.grams * pack.waterPerGram),
      kcal: part.grams * pack.density,
      legs: [{ holdingId: pack.holdingId, placeId: pack.placeId, amount: -amount }],
    };
  });
}

/** Takes a bowl back: the movement is reversed, the meal is open again. */
export async function takeBackBowl(context: Context, input: { bowlId: number }): Promise<void> {
  const [found] = await context.tx.select().from(bowl).where(eq(bowl.id, input.bowlId));
  if (!found) return refuse('This bowl is not known.');
  if (found.reversedBy !== null) refuse('This bowl was taken back already.');
  await reverseMovement(context, { movementId: found.movementId });
}
