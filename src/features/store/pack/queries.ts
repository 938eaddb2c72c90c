import 'server-only';
import { dayIn, writeDay } from '@/core/calendar/local-date';
import { sayNote } from '@/core/preserve/quality';
import { sayPutBack } from '@/core/preserve/rehydrate';
import { belongsIn, isDried } from '@/core/preserve/shelf-life';
import type { UnitSet } from '@/core/quantity/units';
import { writeMassIn } from '@/core/quantity/write';
import type { Protein } from '@/core/recipe/protein';
import { blockingOf } from '@/core/stock/blocked';
import { labelOff } from '@/core/stock/label';
import { foldHolding } from '@/core/stock/ledger';
import { madeForOf } from '@/core/stock/made-for';
import { sayPot } from '@/core/stock/say-pot';
import type { Page } from '@/data/page';
import { readTraysOfPack } from '@/data/repositories/bags';
import { readDogs } from '@/data/repositories/dogs';
import type { readAllPlaces } from '@/data/repositories/household';
import { readHistory, readRules } from '@/data/repositories/movements';
import { readQuality } from '@/data/repositories/quality';
import { readAvoided } from '@/data/repositories/avoided';
import { datingBy, readShelfRules } from '@/data/repositories/shelf-rules';
import { waitsForFreezer } from '@/core/preserve/freezing-plan';
import { potDay, type StoredPack } from '@/data/repositories/stock';
import type { ShownQuality } from '@/ui/quality/Quality';
import { entriesOf, type HistoryEntry } from '../history/queries';
import { proteinOf, shownPack, type ShelfPack } from '../shelves/queries';

export interface OpenPack extends ShelfPack {
  /** What is in it, and of which batch each is. */
  readonly contents: readonly { readonly batchId: number; readonly said: string }[];
  /** How much of it each of its dogs gets, where they are several. */
  readonly split: readonly string[];
  /** What to do before it is fed. */
  readonly first: string | undefined;

  readonly pot: string;
  readonly packed: string;
  /** Why it is blocked, where it is. */
  readonly whyBlocked: readonly string[];
  /** What was done with it on a day that is still to come, in words. */
  readonly ahead: string | undefined;
  readonly isFrozen: boolean;
  readonly density: number;
  readonly waterPerGram: number;
  /** All that limits how long it keeps, the earliest first. */
  readonly causes: readonly { readonly until: string; readonly why: string }[];
  readonly packaging: string | undefined;
  /** "8 % water when its trays were weighed last". */
  readonly moisture: string | undefined;
  /** Of which trays of its batch it is. */
  readonly trays: string | undefined;
  /** It waits in the fridge for its day in the freezer. */
  readonly waits: string | undefined;
  readonly isDry: boolean;
  /** It keeps shorter once it is open, and nobody has said that it is. */
  readonly mayBeOpened: boolean;
  /** What part of its dog's day it is by now, where it was made for another weight. */
  readonly madeFor: string | undefined;
  readonly dogs: readonly { readonly id: number; readonly name: string }[];
  readonly quality: readonly ShownQuality[];
  readonly estimated: boolean;
  /** Its packing was taken back: its food is in this batch's share again. */
  readonly backIn: number | undefined;
  readonly label: string | undefined;
  readonly moveTo: readonly { readonly placeId: number; readonly name: string }[];
  readonly history: readonly HistoryEntry[];
}

/** "Juniper 600 g" for each of several dogs. */
async function splitOf({ db, household }: Page, pack: StoredPack): Promise<string[]> {
  if (!pack.split) return [];
  const names = new Map((await readDogs(db)).map((dog) => [dog.id, dog.name]));
  return pack.split.map(
    ({ dogId, grams }) => `${names.get(dogId) ?? 'a dog'} ${writeMassIn(grams, household.unitSet)}`,
  );
}

function firstOf(pack: StoredPack, set: UnitSet): string | undefined {
  if (pack.grams <= 0) return undefined;
  return (
    sayPutBack(pack.grams, pack.waterPerGram, (mass) => writeMassIn(mass, set)) ??
    (pack.placeKind === 'freezer' ? 'thaw it in the fridge overnight' : undefined)
  );
}

export async function openPack(
  read: Page,
  pack: StoredPack,
  proteins: ReadonlyMap<number, Protein>,
  places: Awaited<ReturnType<typeof readAllPlaces>>,
): Promise<OpenPack> {
  const { db, today, household, reference } = read;
  const dogs = await readDogs(db, undefined, pack.packedOn);
  const history = await readHistory(db, pack.holdingId);
  const rules = await readRules(db, [pack.holdingId], datingBy(reference.shelfLives, await readShelfRules(db)));
  const state = rules[0] && foldHolding(history, rules[0]);
  const freezer = places.find((each) => each.id === pack.freezeIn)?.name.toLowerCase();
  return {
    ...shownPack(pack, { proteins, dogs, places, today, avoided: await readAvoided(db, reference, dogs, today) }),
    ahead: pack.ahead,
    whyBlocked: blockingOf(history).flatMap(({ note }) => note ?? []),
    causes: (state?.ok && state.value ? state.value.causes : []).map(({ until, why, is }) => ({
      until: until === undefined ? 'open' : `${is === 'safe' ? 'feed by' : 'best by'} ${writeDay(until, today)}`,
      why,
    })),
    packaging: pack.packaging,
    moisture:
      pack.moisture !== undefined && pack.moisture > 0
        ? `${Math.round(pack.moisture * 100)} % water when its trays were weighed last`
        : undefined,
    trays: await traysIn(db, pack.holdingId),
    waits:
      pack.freezeOn !== undefined && waitsForFreezer(pack) && freezer !== undefined
        ? `waits for the ${freezer}: ${writeDay(pack.freezeOn, today)}`
        : undefined,
    isDry: pack.waterPerGram > 0,
    // By what it is: a bag that was found has no water of its own to put back.
    mayBeOpened: isDried(pack.foodKind) && pack.openedOn === undefined,
    madeFor: madeForOf(dogs, today, household.unitSet)(pack),
    dogs: dogs.map(({ id, name }) => ({ id, name })),
    quality: (await readQuality(db, { holdingId: pack.holdingId })).map((note) => ({
      id: note.id,
      said: `${sayNote(note)}, ${writeDay(dayIn(note.at, household.timeZone), today)}`,
    })),
    contents: pack.contents.map((each) => ({
      batchId: each.batchId,
      said: `${writeMassIn(each.grams, household.unitSet)} ${each.partName === undefined ? '' : `${each.partName} of `}${each.recipeName}${each.cookedAt ? `, ${writeDay(dayIn(each.cookedAt, household.timeZone), today)}` : ''}`,
    })),
    split: await splitOf(read, pack),
    first: firstOf(pack, household.unitSet),
    pot: sayPot(proteinOf(proteins, pack.recipeId).word, potDay(pack, household.timeZone), today, pack.unproven),
    density: pack.density,
    waterPerGram: pack.waterPerGram,
    packed: pack.found?.isDated === false ? 'nobody knows when' : writeDay(pack.packedOn, today),
    isFrozen: pack.placeKind === 'freezer',
    estimated: pack.estimated,
    backIn: pack.void ? pack.contents[0]?.batchId : undefined,
    label: labelOff(pack, (mass) => writeMassIn(mass, read.household.unitSet)),
    moveTo: places
      .filter(
        (each) =>
          each.archivedAt === null &&
          each.id !== pack.placeId &&
          belongsIn(reference.shelfLives, pack.foodKind, each.kind),
      )
      .map((each) => ({ placeId: each.id, name: each.name })),
    history: entriesOf(read, history, places),
  };
}

/** The trays that a pack was filled from, by their places; undefined: not tray by tray. */
async function traysIn(db: Page['db'], holdingId: number): Promise<string | undefined> {
  const places = await readTraysOfPack(db, holdingId);
  return places.length === 0 ? undefined : `off tray ${places.map((place) => place + 1).join(' and ')}`;
}
