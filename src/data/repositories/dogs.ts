import 'server-only';
import { and, asc, eq, getTableColumns, gte, inArray, isNull, or, sql } from 'drizzle-orm';
import { addDays, dayIn, type LocalDate } from '@/core/calendar/local-date';
import type { Avoid } from '@/core/dog/avoid';
import type { Appetite, Stool } from '@/core/dog/body-condition';
import type { BiteSize } from '@/core/dog/bite-size';
import type { DaysOff } from '@/core/dog/days-off';
import type { ReadGiven } from '@/core/dog/given';
import type { Dog, Ration, WeighIn } from '@/core/dog/dog';
import type { School } from '@/core/dog/schools/schools';
import type { SeenCaution } from '@/core/dog/stage';
import { TREND_WEEKS } from '@/core/dog/trend';
import { grams } from '@/core/quantity/units';
import { letterOf, badgeLetters } from '@/core/dog/letters';
import type { RationMethod } from '@/core/dog/method';
import { now } from '../clock';
import type { Tx } from '../database';
import { ifRead, isUnread } from '../schema/kept-json';
import { unreadOfDog } from './dog-unread';
import type { CannotBeRead } from '@/core/unreadable';
import { readToday } from './household';
import { recipe } from '../schema/recipes';
import { bowl, given } from '../schema/bowls';
import {
  avoid,
  bowlLine,
  daysOff,
  dog,
  knownSchool,
  litter,
  mealSlot,
  ration,
  rationSlot,
  vetNote,
  weighIn,
} from '../schema/dogs';

export interface StoredWeighIn extends WeighIn {
  readonly id: number;
  readonly appetite: Appetite | undefined;
  readonly stool: Stool | undefined;
  readonly note: string | undefined;
}

export interface StoredRation extends Ration {
  readonly id: number;
  readonly createdAt: Date;
  readonly reason: string | undefined;
}

/** Something that a dog got between its meals, or another meal. */
export interface StoredGiven {
  readonly id: number;
  readonly day: LocalDate;
  readonly at: Date;
  readonly kind: ReadGiven['kind'] | 'meal';
  readonly name: string;
  /** undefined: nobody knows. */
  readonly kcal: number | undefined;
  readonly said: string;
  readonly bowlId: number | undefined;
}

/** Days for which anybody asks what a dog got besides: as far back as its trend looks, and two weeks. */
const GIVEN_SINCE = 7 * TREND_WEEKS + 14;

export interface StoredDog extends Dog {
  readonly id: number;
  readonly badge: number;
  /** What its tag says: its letter, or two where another dog has the same. */
  readonly letters: string;
  readonly biteSize: BiteSize | undefined;
  readonly archived: boolean;
  readonly cautionSeen: SeenCaution | undefined;
  readonly weighIns: readonly StoredWeighIn[];
  readonly rations: readonly StoredRation[];
  readonly daysOff: readonly (DaysOff & { readonly id: number })[];
  /** What it got besides, on the days that anything still hangs on. */
  readonly given: readonly StoredGiven[];
  readonly avoids: readonly Avoid[];
  readonly knownSchools: readonly School[];
  /** Hazards that its vet allows it. */
  readonly vetNotes: readonly { readonly id: number; readonly hazardId: string; readonly note: string }[];
  /** What is kept of it and cannot be read. */
  readonly unread: CannotBeRead | undefined;
  /** The id of the one litter that is kept in view: the latest. */
  readonly litterId: number | undefined;
}

const orUndefined = <T>(value: T | null): T | undefined => value ?? undefined;
const gramsOr = (value: number | null) => (value === null ? undefined : grams(value));

const givenSince = (tx: Tx, ids: readonly number[], since: LocalDate) =>
  tx
    .select(getTableColumns(given))
    .from(given)
    .leftJoin(bowl, eq(bowl.id, given.bowlId))
    .where(
      and(inArray(given.dogId, [...ids]), isNull(given.takenBackAt), isNull(bowl.reversedBy), gte(given.day, since)),
    )
    .orderBy(asc(given.id));

const asGiven = ({
  id,
  day,
  at,
  kind,
  name,
  kcal,
  said,
  bowlId,
}: Awaited<ReturnType<typeof givenSince>>[number]): StoredGiven => ({
  id,
  day,
  at,
  kind,
  name,
  kcal: orUndefined(kcal),
  said,
  bowlId: orUndefined(bowlId),
});

/** What a dog got besides since a day, however long ago. */
export const readGivenSince = async (tx: Tx, dogId: number, since: LocalDate): Promise<StoredGiven[]> =>
  (await givenSince(tx, [dogId], since)).map(asGiven);

/**
 * A ration's method with its food as it is now: an amount that a school says stays, and its kcal follow from the pot.
 * Only what is in force or to come; a ration of before stays as it was reckoned then.
 */
async function readFreshFoods(
  tx: Tx,
  rations: readonly (typeof ration.$inferSelect)[],
): Promise<(entry: typeof ration.$inferSelect) => RationMethod> {
  const methodOf = ({ method }: typeof ration.$inferSelect): RationMethod => ifRead(method) ?? { kind: 'table' };
  const recipeOf = (entry: typeof ration.$inferSelect) => {
    const method = methodOf(entry);
    return method.kind === 'school' ? method.food.recipeId : undefined;
  };
  const asked = [...new Set(rations.flatMap((entry) => recipeOf(entry) ?? []))];
  if (asked.length === 0) return methodOf;
  const facts = new Map(
    (await tx.select({ id: recipe.id, foodFacts: recipe.foodFacts }).from(recipe).where(inArray(recipe.id, asked))).map(
      (row) => [row.id, row.foodFacts],
    ),
  );
  const today = await readToday(tx);
  const inForce = new Map<number, number>();
  for (const entry of rations) if (entry.from <= today) inForce.set(entry.dogId, entry.id);
  return (entry) => {
    const known = facts.get(recipeOf(entry) ?? NaN);
    const method = methodOf(entry);
    const over = entry.from <= today && inForce.get(entry.dogId) !== entry.id;
    if (method.kind !== 'school' || !known || over) return method;
    return { ...method, food: { ...method.food, ...known } };
  };
}

/** A list of dogs knows their weights of so many days: a room's curve shows them, and no pack is older (ours, no source). */
export const WEIGHED_DAYS = 730;

/**
 * The weigh-ins that any day from `since` on hangs on: those since the one that was in force then, the last one with a
 * body condition, and all of them where a goal asks whether it was ever reached.
 */
async function readWeighIns(tx: Tx, ids: readonly number[], since: LocalDate | undefined) {
  const those = and(inArray(weighIn.dogId, [...ids]), isNull(weighIn.struckAt));
  const all = tx.select(getTableColumns(weighIn)).from(weighIn);
  if (since === undefined) return all.where(those).orderBy(asc(weighIn.day), asc(weighIn.id));
  const bound = tx
    .select({
      dogId: sql<number>`${weighIn.dogId}`.as('of_dog'),
      first:
        sql<string>`coalesce(max(${weighIn.day}) filter (where ${weighIn.day} <= ${since}), min(${weighIn.day}))`.as(
          'first_day',
        ),
      scored: sql<string>`max(${weighIn.day}) filter (where ${weighIn.bodyCondition} is not null)`.as('scored_day'),
      goal: sql<boolean>`exists (select from ${ration} where ${ration.dogId} = ${weighIn.dogId} and ${ration.goalGrams} is not null)`.as(
        'with_goal',
      ),
    })
    .from(weighIn)
    .where(those)
    .groupBy(weighIn.dogId)
    .as('bound');
  return all
    .innerJoin(bound, eq(bound.dogId, weighIn.dogId))
    .where(and(those, or(gte(weighIn.day, bound.first), eq(weighIn.day, bound.scored), bound.goal)))
    .orderBy(asc(weighIn.day), asc(weighIn.id));
}

/**
 * Dogs with everything that is kept about them, in order: those not archived, or the ones asked for. Weigh-ins are those
 * that a day of two years hangs on, or one from a later day on; a dog that is asked for alone has all of them unless it is
 * said from when.
 */
export async function readDogs(
  tx: Tx,
  asked?: number | 'archived too',
  weighed: 'all' | LocalDate = typeof asked === 'number' ? 'all' : addDays(dayIn(now(), 'UTC'), -WEIGHED_DAYS),
): Promise<StoredDog[]> {
  const rows = await tx
    .select()
    .from(dog)
    .where(asked === undefined ? isNull(dog.archivedAt) : typeof asked === 'number' ? eq(dog.id, asked) : undefined)
    .orderBy(asc(dog.id));
  if (rows.length === 0) return [];
  const ids = rows.map((row) => row.id);
  const rations = await tx
    .select()
    .from(ration)
    .where(inArray(ration.dogId, ids))
    .orderBy(asc(ration.from), asc(ration.id));
  const weighIns = await readWeighIns(tx, ids, weighed === 'all' ? undefined : weighed);
  const slots = await tx.select().from(mealSlot).where(inArray(mealSlot.dogId, ids)).orderBy(asc(mealSlot.clock));
  const parts = await tx
    .select()
    .from(rationSlot)
    .where(inArray(rationSlot.rationId, rations.length > 0 ? rations.map((row) => row.id) : [0]));
  const litters = await tx.select().from(litter).where(inArray(litter.dogId, ids)).orderBy(asc(litter.id));
  const avoids = await tx
    .select()
    .from(avoid)
    .where(and(inArray(avoid.dogId, ids), isNull(avoid.endedOn)))
    .orderBy(asc(avoid.id));
  const bowlLines = await tx
    .select()
    .from(bowlLine)
    .where(and(inArray(bowlLine.dogId, ids), isNull(bowlLine.endedOn)))
    .orderBy(asc(bowlLine.id));
  const schools = await tx
    .select()
    .from(knownSchool)
    .where(inArray(knownSchool.dogId, ids))
    .orderBy(asc(knownSchool.id));

  const notes = await tx
    .select()
    .from(vetNote)
    .where(and(inArray(vetNote.dogId, ids), isNull(vetNote.endedOn)))
    .orderBy(asc(vetNote.id));

  const off = await tx
    .select()
    .from(daysOff)
    .where(and(inArray(daysOff.dogId, ids), isNull(daysOff.takenBackAt)))
    .orderBy(asc(daysOff.from), asc(daysOff.id));
  const extra = await givenSince(tx, ids, addDays(dayIn(now(), 'UTC'), -GIVEN_SINCE));
  const fresh = await readFreshFoods(tx, rations);
  const today = await readToday(tx);
  const letters = badgeLetters(
    await tx.select({ id: dog.id, name: dog.name }).from(dog).where(isNull(dog.archivedAt)).orderBy(asc(dog.id)),
  );
  return rows.map((row) => {
    const own = <T extends { dogId: number }>(list: readonly T[]) => list.filter((entry) => entry.dogId === row.id);
    return {
      id: row.id,
      name: row.name,
      badge: row.badge,
      letters: letters.get(row.id) ?? letterOf(row.name),
      birthDate: row.birthDate,
      neutered: row.neutered,
      expectedAdultWeight: gramsOr(row.expectedAdultGrams),
      illness: orUndefined(row.illness),
      biteSize: orUndefined(row.biteSize),
      archived: row.archivedAt !== null,
      cautionSeen: ifRead(row.cautionSeen),
      unread: unreadOfDog(row, own(rations), own(avoids), own(bowlLines), own(schools), today),
      litters: own(litters).map(({ matedOn, whelpedOn, pups, weanedOn }) => ({
        matedOn: orUndefined(matedOn),
        whelpedOn: orUndefined(whelpedOn),
        pups: orUndefined(pups),
        weanedOn: orUndefined(weanedOn),
      })),
      litterId: own(litters).at(-1)?.id,
      weighIns: own(weighIns).map((entry) => ({
        id: entry.id,
        date: entry.day,
        grams: grams(entry.grams),
        bodyCondition: orUndefined(entry.bodyCondition),
        appetite: orUndefined(entry.appetite),
        stool: orUndefined(entry.stool),
        note: orUndefined(entry.note),
      })),
      rations: own(rations).map((entry) => {
        const meals = parts.filter((part) => part.rationId === entry.id);
        return {
          id: entry.id,
          createdAt: entry.createdAt,
          from: entry.from,
          work: entry.work,
          proneToGain: entry.proneToGain,
          method: fresh(entry),
          goal: gramsOr(entry.goalGrams),
          extras: ifRead(entry.extras) ?? [],
          transition: ifRead(entry.transition),
          reason: orUndefined(entry.reason),
          meals:
            meals.length === 0
              ? undefined
              : meals.map(({ slotId, fraction, recipeId }) => ({ slotId, fraction, recipeId: orUndefined(recipeId) })),
        };
      }),
      slots: own(slots).map(({ id, name, clock }) => ({ id, name, clock })),
      bowlLines: own(bowlLines).flatMap(({ id, what, unit, rule, slotId, kcalPerUnit }) =>
        isUnread(rule) ? [] : [{ id, what, unit, rule, slotId, kcalPerUnit: orUndefined(kcalPerUnit) }],
      ),
      daysOff: own(off).map(({ id, kind, from, to, slotId }) => ({
        id,
        kind,
        from,
        to,
        ...(slotId === null ? {} : { slotId }),
      })),
      given: own(extra).map(asGiven),
      less: own(extra).flatMap(({ less }) => less),
      // What cannot be read of it is not left out: it may be anything, and nothing of it is fed until it is mended.
      avoids: own(avoids).map(({ id, what, label, reason, since, tryAgainOn, note }) => ({
        id,
        what: isUnread(what) ? { kind: 'unread' as const } : what,
        label: isUnread(what) ? `${label}, which cannot be read` : label,
        reason,
        since,
        tryAgainOn: orUndefined(tryAgainOn),
        note: orUndefined(note),
      })),
      vetNotes: own(notes).map(({ id, hazardId, note }) => ({ id, hazardId, note })),
      knownSchools: own(schools).flatMap(({ school }) => ifRead(school) ?? []),
    };
  });
}

export async function readDog(tx: Tx, id: number, weighed?: LocalDate): Promise<StoredDog | undefined> {
  return (await readDogs(tx, id, weighed))[0];
}
