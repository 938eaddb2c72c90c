import 'server-only';
import type { Equipment } from '@/core/plan/equipment';
import { cache } from 'react';
import { setupOf, type SetupStep } from '@/core/household/setup';
import type { UnitSet } from '@/core/quantity/units';
import type { AwayThing } from '@/core/away';
import { clockIn, dayIn, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { writeFixed } from '@/core/quantity/write';
import { readBackups } from '@/data/backups';
import { serverUrl } from '@/data/server/server';
import { readNetwork, type NetworkView } from '@/data/door';
import { typedKeeps, type KeepsEntry } from '@/core/preserve/keeps-entry';
import { withOwn } from '@/core/preserve/shelf-life';
import { oldDates } from '@/data/commands/redate';
import { pageQuery, type Page } from '@/data/page';
import { readShelfRules, rulesNow } from '@/data/repositories/shelf-rules';
import { readKept } from '@/data/repositories/kept';
import { readEquipment, readEquipmentAway } from '@/data/repositories/equipment';
import { readFoodsByKey } from '@/data/repositories/foods';
import { readMeanings } from '@/data/repositories/pantry';
import { readAllPlaces, type Place } from '@/data/repositories/household';
import { readSetupFacts } from '@/data/repositories/setup';
import { currencies, timeZones, type Listed } from './zones';
import type { MealTimes } from '@/core/household/meal-times';

export const householdView = pageQuery(async (read) => {
  const { db, household, reference } = read;
  const {
    unitSet,
    energyFactors,
    cookedFridgeDays: fridgeDays,
    timeZone,
    currency,
    mealTimes,
    labelAddress,
  } = household;
  const own = await readMeanings(db);
  const known = await readFoodsByKey(
    db,
    reference,
    own.flatMap(({ ndb }) => ndb ?? []),
  );
  const meanings = own.flatMap(({ words, ndb }) => {
    const food = known.get(ndb ?? '');
    return food ? [{ words, known: food }] : [];
  });
  return {
    unitSet,
    energyFactors,
    fridgeDays,
    proteinDays: household.proteinDays,
    mixedProteins: household.mixedProteins,
    timeZone,
    currency,
    labelAddress: labelAddress ?? '',
    kwhPrice: household.kwhMinor === null ? '' : String(Number((household.kwhMinor / 100).toFixed(4))),
    mealTimes,
    calendarSecret: household.calendarSecret,
    lists: { timeZones: timeZones(timeZone), currencies: currencies(currency) },
    meanings,
    kitchen: await kitchenView(db),
    keeps: await keepsView(read),
    isOnServer: serverUrl() !== undefined,
    backups: readBackups().map(({ name, at, bytes }): BackupView => {
      const day = writeDay(dayIn(at, timeZone), read.today);
      return { name, said: `${day}, ${clockIn(at, timeZone)}`, size: `${writeFixed(bytes / 1e6, 1)} MB` };
    }),
  };
});

/** Who is let in from the home network, and where it is found there. */
export interface ShownNetwork extends Omit<NetworkView, 'visitors'> {
  readonly visitors: readonly { readonly id: string; readonly name: string; readonly said: string }[];
  /** The address on labels is none of those that are answered. */
  readonly labelsLeadAstray: boolean;
}

export const networkView = pageQuery(async ({ today, household }): Promise<ShownNetwork> => {
  const network = await readNetwork();
  const { timeZone, labelAddress } = household;
  const when = (at: Date) => `${writeDay(dayIn(at, timeZone), today)} ${clockIn(at, timeZone)}`;
  return {
    ...network,
    visitors: network.visitors.map(({ id, name, since, seen, from }) => ({
      id,
      name,
      said: `since ${when(since)}, last seen ${when(seen)}, from ${from}`,
    })),
    labelsLeadAstray:
      network.addresses.length > 0 && labelAddress !== null && !network.addresses.includes(labelAddress.toLowerCase()),
  };
});

/** A backup as the screen lists it. */
export interface BackupView {
  readonly name: string;
  readonly said: string;
  readonly size: string;
}

/** How long things keep in this house, and what of the stock older rules date. */
export interface KeepsView {
  readonly entry: KeepsEntry;
  /** By the rows of the entry: where its figures come from. */
  readonly sources: readonly string[];
  /** Packs that would have other dates by the rules that hold now. */
  readonly old: readonly { readonly code: string; readonly said: string }[];
}

async function keepsView({ db, reference, today }: Page): Promise<KeepsView> {
  const rules = await readShelfRules(db);
  const lives = withOwn(reference.shelfLives, rulesNow(rules).own);
  const old = await oldDates({ tx: db, reference, rules });
  const packs = await readKept(
    db,
    old.map(({ holdingId }) => holdingId),
  );
  const say = ({ safeUntil, bestBy }: { safeUntil: LocalDate | undefined; bestBy: LocalDate | undefined }) =>
    safeUntil ? `feed by ${writeDay(safeUntil, today)}` : bestBy ? `best by ${writeDay(bestBy, today)}` : 'open';
  return {
    entry: typedKeeps(lives),
    sources: lives.rows.map(({ source }) => source),
    old: old.map(({ holdingId, before, after }) => ({
      code: packs.find((pack) => pack.holdingId === holdingId)?.code ?? '',
      said: `${say(before)} becomes ${say(after)}`,
    })),
  };
}

/** What limits a plan: the places with their size, and the things of the kitchen. */
export interface KitchenView {
  readonly places: readonly Pick<Place, 'id' | 'kind' | 'name' | 'capacityMl'>[];
  readonly equipment: readonly Equipment[];
  /** What was put away. */
  readonly away: { readonly places: readonly AwayThing[]; readonly equipment: readonly AwayThing[] };
}

async function kitchenView(db: Parameters<typeof readAllPlaces>[0]): Promise<KitchenView> {
  const all = await readAllPlaces(db);
  const places = all.filter((place) => place.archivedAt === null);
  return {
    away: {
      places: all.filter((place) => place.archivedAt !== null).map(({ id, name }) => ({ id, name })),
      equipment: await readEquipmentAway(db),
    },
    places: places.map(({ id, kind, name, capacityMl }) => ({ id, kind, name, capacityMl })),
    equipment: await readEquipment(db),
  };
}

export type HouseholdView = Awaited<ReturnType<typeof householdView>>;

export interface Beginning {
  /** The time zones that this machine knows: a browser's list may be another. */
  readonly timeZones: readonly Listed[];
  readonly unitSet: UnitSet;
  readonly timeZone: string;
  readonly mealTimes: MealTimes;
}

/** What every page needs of the household: its measures, and how far it is set up. Asked once for a request. */
export const houseView = cache(
  pageQuery(
    async ({
      db,
      household,
    }): Promise<{ set: UnitSet; setup: readonly SetupStep[] | undefined; beginning: Beginning | undefined }> => {
      const { unitSet, unitsSaid, timeZone, mealTimes } = household;
      return {
        set: unitSet,
        setup: setupOf(await readSetupFacts(db, household)),
        beginning: unitsSaid ? undefined : { unitSet, timeZone, mealTimes, timeZones: timeZones(timeZone) },
      };
    },
  ),
);
