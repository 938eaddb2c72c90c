import 'server-only';
import { sayPot, UNPROVEN } from '@/core/stock/say-pot';
import { countOf } from '@/core/quantity/count-words';
import { clockIn, dayIn, daysBetween, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { shelfLifeOf, type PlaceKind } from '@/core/preserve/shelf-life';
import { writeSumIn, writeMassIn } from '@/core/quantity/write';
import type { Protein } from '@/core/recipe/protein';
import { inOrderOfUse } from '@/core/stock/draw';
import { labelOff } from '@/core/stock/label';
import { foldHolding, fromTenths } from '@/core/stock/ledger';
import { sayNote } from '@/core/preserve/quality';
import { sayPutBack } from '@/core/preserve/rehydrate';
import type { UnitSet } from '@/core/quantity/units';
import type { ShownQuality } from '@/ui/quality/Quality';
import { readProteins, pageQuery, type Page } from '@/data/page';
import { readDogs } from '@/data/repositories/dogs';
import { readAllPlaces } from '@/data/repositories/household';
import { readHistory, readLatestMovements, readRules, type StoredMovement } from '@/data/repositories/movements';
import { readTraysOfPack } from '@/data/repositories/bags';
import { readQuality } from '@/data/repositories/quality';
import { datingBy, readShelfRules } from '@/data/repositories/shelf-rules';
import {
  potDay,
  readPackByCode,
  readPacks,
  readStock,
  sourceOf,
  waitsForFreezer,
  type StoredPack,
} from '@/data/repositories/stock';
import { addUp } from '@/core/add-up';

export interface ShelfPack {
  readonly holdingId: number;
  readonly code: string;
  readonly whose: string;
  readonly grams: number;
  readonly full: number;
  readonly protein: Protein;
  readonly until: string;
  readonly tone: 'danger' | 'caution' | 'plain';
  readonly notes: readonly string[];
}

export interface Shelf {
  readonly placeId: number;
  readonly name: string;
  readonly kind: PlaceKind;
  readonly said: string;
  readonly packs: readonly ShelfPack[];
}

export interface HistoryEntry {
  readonly movementId: number;
  readonly said: string;
  readonly when: string;
  readonly canReverse: boolean;
  /** What taking it back would empty, said before it is done. */
  readonly empties: string | undefined;
}

export interface OpenPack extends ShelfPack {
  /** What is in it, and of which batch each is. */
  readonly contents: readonly { readonly batchId: number; readonly said: string }[];
  /** How much of it each of its dogs gets, where they are several. */
  readonly split: readonly string[];
  /** What to do before it is fed. */
  readonly first: string | undefined;

  readonly recipeName: string;
  readonly pot: string;
  readonly placeId: number;
  readonly placeName: string;
  readonly kcal: number;
  readonly density: number;
  readonly waterPerGram: number;
  readonly packedOn: string;
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
  readonly dogs: readonly { readonly id: number; readonly name: string }[];
  readonly quality: readonly ShownQuality[];
  readonly estimated: boolean;
  /** Its packing was taken back: its food is in this batch's share again. */
  readonly backIn: number | undefined;
  readonly label: string | undefined;
  readonly moveTo: readonly { readonly placeId: number; readonly name: string }[];
  readonly history: readonly HistoryEntry[];
}

export interface StoreView {
  readonly shelves: readonly Shelf[];
  readonly latest: readonly (HistoryEntry & { readonly codes: string })[];
  readonly open: OpenPack | undefined;
  readonly unknownCode: string | undefined;
}

export const storeView = pageQuery(async (read, code: string | undefined): Promise<StoreView> => {
  const { db, today } = read;
  const stock = await readStock(db);
  const proteins = await readProteins(read);
  const everyPlace = await readAllPlaces(db);
  const places = everyPlace.filter((place) => place.archivedAt === null);
  const order = new Map(
    inOrderOfUse(
      stock.map((pack) => sourceOf(pack)),
      today,
    ).map((source, index) => [source.key, index]),
  );
  const place = (pack: StoredPack) => order.get(`pack-${pack.holdingId}`) ?? -1;
  const shelves = places.map((each): Shelf => {
    const own = stock.filter((pack) => pack.placeId === each.id).sort((a, b) => place(a) - place(b));
    const mass = addUp(own, (pack) => pack.grams);
    return {
      placeId: each.id,
      name: each.name,
      kind: each.kind,
      said: own.length === 0 ? 'empty' : `${countOf(own.length, 'pack')}, ${writeSumIn(mass, read.household.unitSet)}`,
      packs: own.map((pack) => shown(pack, proteins, today)),
    };
  });
  const pack = code === undefined ? undefined : await readPackByCode(db, code);
  const movements = await readLatestMovements(db, 12);
  const touched = new Map(
    (await readPacks(db, [...new Set(movements.flatMap(holdingsOf))])).map((each) => [each.holdingId, each.code]),
  );
  return {
    shelves,
    latest: movements.map((movement) => ({
      ...entryOf(read, movement, everyPlace, movements),
      codes: holdingsOf(movement)
        .map((id) => touched.get(id))
        .filter(Boolean)
        .join(', '),
    })),
    open: pack && (await openPack(read, pack, proteins, everyPlace)),
    unknownCode: code !== undefined && !pack ? code : undefined,
  };
});

/** One pack in hand, by its code; undefined where there is none of that code. */
export const packView = pageQuery(async (read, code: string): Promise<OpenPack | undefined> => {
  const pack = await readPackByCode(read.db, code);
  return pack && (await openPack(read, pack, await readProteins(read), await readAllPlaces(read.db)));
});

const PLANTS: Protein = { word: 'plants', hatch: 'bricks' };

function shown(pack: StoredPack, proteins: ReadonlyMap<number, Protein>, today: LocalDate): ShelfPack {
  const date = pack.safeUntil ?? pack.bestBy;
  const left = date === undefined ? Infinity : daysBetween(today, date);
  const tone =
    pack.safeUntil !== undefined && left < 0
      ? 'danger'
      : left < 0 || (pack.safeUntil !== undefined && left <= 1)
        ? 'caution'
        : 'plain';
  const said = pack.safeUntil ? (left < 0 ? 'was safe until' : 'feed by') : 'best by';
  return {
    holdingId: pack.holdingId,
    code: pack.code,
    whose: pack.dogName ?? 'anybody',
    grams: pack.grams,
    full: pack.labelGrams > 0 ? pack.grams / pack.labelGrams : 0,
    protein: proteins.get(pack.recipeId) ?? PLANTS,
    until: date === undefined ? 'no date' : `${said} ${writeDay(date, today)}`,
    tone,
    notes: [
      ...(pack.foodKind === 'raw' ? ['raw'] : []),
      ...(pack.unproven ? [UNPROVEN] : []),
      ...(pack.short ? ['short'] : []),
      ...(pack.thawedOn ? [`thawed ${writeDay(pack.thawedOn, today)}`] : []),
      ...(pack.openedOn ? [`opened ${writeDay(pack.openedOn, today)}`] : []),
      ...(pack.waterPerGram > 0 ? ['dry'] : []),
      ...(pack.freezeOn !== undefined && waitsForFreezer(pack)
        ? [`to be frozen ${writeDay(pack.freezeOn, today)}`]
        : []),
    ],
  };
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

async function openPack(
  read: Page,
  pack: StoredPack,
  proteins: ReadonlyMap<number, Protein>,
  places: Awaited<ReturnType<typeof readAllPlaces>>,
): Promise<OpenPack> {
  const { db, today, household, reference } = read;
  const history = await readHistory(db, pack.holdingId);
  const rules = await readRules(db, [pack.holdingId], datingBy(reference.shelfLives, await readShelfRules(db)));
  const state = rules[0] && foldHolding(history, rules[0]);
  const freezer = places.find((each) => each.id === pack.freezeIn)?.name.toLowerCase();
  return {
    ...shown(pack, proteins, today),
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
    dogs: (await readDogs(db)).map(({ id, name }) => ({ id, name })),
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
    recipeName: pack.recipeName,
    pot: sayPot((proteins.get(pack.recipeId) ?? PLANTS).word, potDay(pack, household.timeZone), today, pack.unproven),
    placeId: pack.placeId,
    placeName: places.find((each) => each.id === pack.placeId)?.name ?? '',
    kcal: pack.grams * pack.density,
    density: pack.density,
    waterPerGram: pack.waterPerGram,
    packedOn: writeDay(pack.packedOn, today),
    estimated: pack.estimated,
    backIn: pack.void ? pack.contents[0]?.batchId : undefined,
    label: labelOff(pack, (mass) => writeMassIn(mass, read.household.unitSet)),
    moveTo: places
      .filter(
        (each) =>
          each.archivedAt === null &&
          each.id !== pack.placeId &&
          shelfLifeOf(reference.shelfLives, pack.foodKind, each.kind),
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

const holdingsOf = (movement: StoredMovement) => [
  ...new Set(movement.legs.flatMap((leg) => ('holdingId' in leg ? [leg.holdingId] : []))),
];

/** What was done with a pack, newest first. */
const entriesOf = (
  read: Page,
  history: readonly StoredMovement[],
  places: Awaited<ReturnType<typeof readAllPlaces>>,
): HistoryEntry[] => [...history].reverse().map((movement) => entryOf(read, movement, places, history));

function entryOf(
  { household, today }: Page,
  movement: StoredMovement,
  places: Awaited<ReturnType<typeof readAllPlaces>>,
  history: readonly StoredMovement[],
): HistoryEntry {
  const set = household.unitSet;
  const gained = movement.legs.filter((leg) => 'holdingId' in leg && leg.amount > 0);
  const amount = fromTenths(Math.max(...[addUp(movement.legs, (leg) => Math.max(0, leg.amount))]));
  const to =
    gained[0] && 'placeId' in gained[0]
      ? places.find((each) => each.id === (gained[0] as { placeId: number }).placeId)?.name.toLowerCase()
      : undefined;
  const words: Record<string, string> = {
    packed: `packed ${writeMassIn(amount, set)} into the ${to}`,
    moved: `moved ${writeMassIn(amount, set)} to the ${to}`,
    fed: `fed ${writeMassIn(amount, set)}`,
    redated: 'dated by the rules of that day',
    discarded: `threw away ${writeMassIn(amount, set)}`,
    corrected: `corrected by ${gained.length > 0 ? '+' : '−'}${writeMassIn(amount, set)}`,
    reversed: `took back: ${kindOf(movement, history)}`,
  };
  const stands = standsIn(movement, history);
  const taken = stands ? '' : ' (taken back)';
  return {
    movementId: movement.id,
    said: `${words[movement.kind] ?? `${movement.kind} ${writeMassIn(amount, set)}`}${taken}`,
    when: `${writeDay(movement.day, today)} ${clockIn(movement.at, household.timeZone)}`,
    empties:
      stands && movement.kind === 'packed'
        ? `${writeMassIn(amount, set)} go back into their share, to be packed anew; its label is void`
        : undefined,
    // A bowl that was taken back is fed anew.
    canReverse: stands && (movement.takesBack === undefined || kindOf(movement, history) !== 'fed'),
  };
}

/** Whether a movement counts: nothing standing takes it back. */
const standsIn = (movement: StoredMovement, history: readonly StoredMovement[]): boolean => {
  const back = history.find((each) => each.takesBack === movement.id);
  return back ? !standsIn(back, history) : movement.reversedBy === undefined;
};

/** The kind of what a chain of takings back began with. */
const kindOf = (movement: StoredMovement, history: readonly StoredMovement[]): string => {
  const first = history.find((each) => each.id === movement.takesBack);
  return first ? kindOf(first, history) : movement.kind === 'reversed' ? 'what was done before' : movement.kind;
};
