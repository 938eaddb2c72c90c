import 'server-only';
import { withWater } from '@/core/preserve/rehydrate';
import { and, eq, isNull } from 'drizzle-orm';
import { clockIn, daysBetween, instantAt, readLocalDate, type LocalDate } from '@/core/calendar/local-date';
import { capital } from '@/core/quantity/write';
import { sayAddition, type Ticked } from '@/core/dog/bowl-line';
import { rationOn } from '@/core/dog/dog';
import { mealsOn } from '@/core/dog/meals';
import { isFit } from '@/core/stock/draw';
import { tenths, type Leg } from '@/core/stock/ledger';
import { readAvoided } from '../repositories/avoided';
import type { NotForIt } from '@/core/stock/avoided';
import { readDog, type StoredDog } from '../repositories/dogs';
import { readPacks } from '../repositories/stock';
import { readWarmShares } from '../repositories/sources';
import { bowl, bowlPart } from '../schema/bowls';
import { refreshBatch } from './batch-at-hand';
import { writeMovement } from './ledger';
import { inMass, refuse, type Context } from './run';
import { reverseMovement } from './stock';
import { sure } from '@/core/sure';
import { addUp } from '@/core/add-up';

export interface BowlEntry {
  readonly dogId: number;
  readonly slotId: number;
  readonly day: string;
  /** When it was fed, by the household's clock on that day; `now` where that is meant though the meal is far off. */
  readonly at?: string;
  /** What was shown in the bowl: whole grams of packs, or of a share that is eaten today. */
  readonly parts: readonly (
    | { readonly holdingId: number; readonly grams: number; readonly frozen?: boolean }
    | { readonly shareId: number; readonly grams: number }
  )[];
  /** The lines of what is added in the bowl that were ticked. */
  readonly ticked?: readonly number[];
}

export interface Part {
  readonly holdingId?: number;
  readonly shareId?: number;
  /** The batch of a share that is eaten warm. */
  readonly batchId?: number;
  readonly amount: number;
  readonly waterMl: number;
  readonly kcal: number;
  /** It goes into the bowl as it is, frozen. */
  readonly frozen?: boolean;
  readonly legs: Leg[];
}

/** A meal of so many days back may still be marked or put right. */
const DAYS_BACK = 3;
/** A press this far from the meal's time asks, in minutes (ours, no source). */
const FAR_OFF = 120;

const minutesOf = (clock: string) => {
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  return hour * 60 + minute;
};

/** A time as it was said of a day, never to come; without one, or with `now`, it is now. */
export function saidTime({ now, household }: Context, at: string | undefined, day: LocalDate): Date {
  if (at === undefined || at === 'now') return now;
  if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(at)) refuse('Write the time like 07:30.', 'at');
  const said = instantAt(day, at, household.timeZone);
  return said > now ? refuse('That is still to come.', 'at') : said;
}

/** When a meal was fed. A press far from the meal's time asks which is meant: its time, or now. */
function timeOf(
  context: Context,
  entry: Pick<BowlEntry, 'at'>,
  day: LocalDate,
  slot: { readonly name: string; readonly clock: string },
): Date {
  const { now, today, household } = context;
  const { timeZone } = household;
  if (entry.at !== undefined) return saidTime(context, entry.at, day);
  if (day !== today) return refuse(`That is ${slot.name} of an earlier day: when was it fed?`, 'at');
  const off = minutesOf(clockIn(now, timeZone)) - minutesOf(slot.clock);
  if (off > FAR_OFF) refuse(`${capital(slot.name)} was at ${slot.clock}. Was it fed then, or now?`, 'at');
  if (off < -FAR_OFF) refuse(`${capital(slot.name)} is at ${slot.clock}. Was it fed now already?`, 'at');
  return now;
}

/** Feeds one meal: one bowl and one movement, or a plain sentence why not. */
export async function feedBowl(
  context: Context,
  entry: BowlEntry,
  /** What the meal had that is put right: its additions stay on record, whatever became of their lines, or of the day. */
  had?: { readonly additions: readonly Ticked[] },
): Promise<{ movementId: number; bowlId: number }> {
  const { tx, today, household } = context;
  const day = readLocalDate(entry.day) ?? refuse('This day is not in the calendar.', 'day');
  const dog = (await readDog(tx, entry.dogId, day)) ?? refuse('This dog is not here any more.');
  if (day > today || daysBetween(day, today) > DAYS_BACK)
    refuse('A meal of today or of the last three days can be marked, no other.', 'day');
  const slot = mealsOn(had ? { ...dog, daysOff: [] } : dog, day).find((meal) => meal.id === entry.slotId);
  if (!slot) return refuse('This meal is not one of the dog’s meals any more. Look again.');
  const fedAt = timeOf(context, entry, day, slot);
  const [already] = await tx
    .select({ fedAt: bowl.fedAt })
    .from(bowl)
    .where(and(eq(bowl.dogId, dog.id), eq(bowl.day, day), eq(bowl.slotId, slot.id), isNull(bowl.reversedBy)));
  if (already) {
    refuse(
      `${dog.name} has had ${slot.name} already: it was marked fed at ${clockIn(already.fedAt, household.timeZone)}.`,
    );
  }
  const parts = await partsOf(context, entry.parts, dog, day);
  const additions = slot.additions
    .filter(({ lineId }) => entry.ticked?.includes(lineId))
    .map((each) => ({ lineId: each.lineId, said: sayAddition(each), kcal: each.kcal }));
  const gone = (had?.additions ?? []).filter(({ lineId }) => !slot.additions.some((each) => each.lineId === lineId));
  return writeBowl(
    context,
    dog,
    { day, slotId: slot.id, kcal: slot.kcal, fedAt, additions: [...additions, ...gone] },
    parts,
  );
}

/** One bowl and one movement of what is in it. */
export async function writeBowl(
  context: Context,
  dog: StoredDog,
  of: {
    readonly day: LocalDate;
    readonly slotId: number | null;
    readonly kcal: number;
    readonly fedAt: Date;
    readonly additions: readonly Ticked[];
  },
  parts: readonly Part[],
): Promise<{ movementId: number; bowlId: number }> {
  const { tx } = context;
  const { day, slotId, kcal, fedAt } = of;
  const eaten = addUp(parts, (part) => part.amount);
  const made = await writeMovement(context, {
    kind: 'fed',
    at: fedAt,
    day,
    legs: [...parts.flatMap((part) => part.legs), { account: 'eaten', amount: eaten }],
  });
  const [stored] = await tx
    .insert(bowl)
    .values({
      dogId: dog.id,
      day,
      slotId,
      rationId: rationOn(dog, day).id,
      kcal,
      additions: of.additions.length > 0 ? of.additions : null,
      fedAt,
      movementId: made.id,
    })
    .returning({ id: bowl.id });
  await tx.insert(bowlPart).values(
    parts.map(({ holdingId, shareId, amount, waterMl, kcal, frozen = false }) => ({
      bowlId: sure(stored).id,
      holdingId: holdingId ?? null,
      shareId: shareId ?? null,
      amount,
      waterMl,
      kcal,
      frozen,
    })),
  );
  const warm = new Set(parts.flatMap((part) => part.batchId ?? []));
  for (const batchId of warm) await refreshBatch(context, batchId);
  return { movementId: made.id, bowlId: sure(stored).id };
}

/** What goes into a bowl, each part checked: that it is there, fit, thawed, and nothing that this dog does not get. */
export async function partsOf(
  context: Context,
  asked: BowlEntry['parts'],
  dog: StoredDog,
  day: LocalDate,
): Promise<Part[]> {
  const { tx, household, reference } = context;
  if (asked.length === 0) return refuse('There is nothing in this bowl.');
  const packs = await readPacks(
    tx,
    asked.flatMap((part) => ('holdingId' in part ? [part.holdingId] : [])),
  );
  const warm = await readWarmShares(tx, day, household.energyFactors);
  const avoided = await readAvoided(tx, reference, [dog], day);
  const refuseAvoided = (code: string, found: readonly NotForIt[]) => {
    const never = found.filter((each) => each.stops).map((each) => each.said);
    if (never.length > 0) refuse(`${dog.name} does not get ${never.join(', ')}, and it is in ${code}.`);
  };
  // What is named twice is drawn once against what is left of it.
  const keyOf = (part: BowlEntry['parts'][number]) =>
    'shareId' in part ? `share-${part.shareId}` : `pack-${part.holdingId}`;
  const drawn = (of: BowlEntry['parts'][number]) =>
    addUp(
      asked.filter((part) => keyOf(part) === keyOf(of)),
      (part) => part.grams,
    );
  return asked.map((part): Part => {
    const amount = tenths(part.grams);
    if (!(amount > 0)) return refuse('A weight above 0 goes into the bowl: at least a tenth of a gram.');
    if ('shareId' in part) {
      const share = warm.find((each) => each.shareId === part.shareId) ?? refuse('That pot is not today’s any more.');
      refuseAvoided('today’s pot', avoided.ofBatch(share.batchId, dog.id));
      if (share.grams + 0.05 < drawn(part)) {
        refuse(`Only ${inMass(context)(share.grams)} of today’s pot are left: somebody was quicker. Look again.`);
      }
      return {
        shareId: share.shareId,
        batchId: share.batchId,
        amount,
        waterMl: 0,
        kcal: part.grams * share.density,
        legs: [{ account: 'cooked', amount: -amount }],
      };
    }
    const pack = packs.find((each) => each.holdingId === part.holdingId) ?? refuse('This pack is not known.');
    if (pack.beside) refuse(`${pack.code} is ${pack.recipeName}: no meal is made of it.`);
    refuseAvoided(pack.code, avoided.ofPack(pack.holdingId, dog.id));
    if (pack.grams + 0.05 < drawn(part)) {
      refuse(`Only ${inMass(context)(pack.grams)} are left in ${pack.code}: somebody was quicker. Look again.`);
    }
    if (pack.ahead)
      refuse(`${pack.code} was ${pack.ahead}. Say in the Store when it really was: it is not fed before.`);
    if (pack.blocked)
      refuse(`${pack.code} is blocked: it is not fed until somebody says that it may be, in the Store.`);
    const frozen = pack.placeKind === 'freezer';
    if (frozen && !part.frozen) refuse(`${pack.code} is in the freezer: move it to the fridge first.`);
    if (frozen && pack.pieces === undefined)
      refuse(`${pack.code} is one block: only cubes and pieces are fed frozen. Move it to the fridge first.`);
    if (!isFit(pack, day))
      refuse(`${pack.code} was safe until ${pack.safeUntil}. It is not fed any more: throw it away.`);
    return {
      holdingId: pack.holdingId,
      amount,
      waterMl: withWater(part.grams, pack.waterPerGram).water,
      kcal: part.grams * pack.density,
      frozen,
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

/** Puts a meal right: what was fed goes back, and what it really was is fed in its place, at its own time. */
export async function correctBowl(
  context: Context,
  input: { bowlId: number; parts: BowlEntry['parts']; at?: string },
): Promise<{ movementId: number; bowlId: number }> {
  const [found] = await context.tx.select().from(bowl).where(eq(bowl.id, input.bowlId));
  if (!found) return refuse('This bowl is not known.');
  if (found.slotId === null) return refuse('Another meal is taken back, and given anew under “got something else”.');
  await takeBackBowl(context, { bowlId: input.bowlId });
  return feedBowl(
    context,
    {
      dogId: found.dogId,
      slotId: found.slotId,
      day: found.day,
      parts: input.parts,
      ticked: (found.additions ?? []).map(({ lineId }) => lineId),
      at: input.at ?? clockIn(found.fedAt, context.household.timeZone),
    },
    { additions: found.additions ?? [] },
  );
}
