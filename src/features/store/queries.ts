import 'server-only';
import { orUnread, Unreadable, type CannotBeRead } from '@/core/unreadable';
import { pageQuery, readProteins, type Page } from '@/data/page';
import { readAvoided } from '@/data/repositories/avoided';
import { readDogs } from '@/data/repositories/dogs';
import { readAllPlaces } from '@/data/repositories/household';
import { readLatestMovements } from '@/data/repositories/movements';
import { readKept } from '@/data/repositories/kept';
import { readLots } from '@/data/repositories/lots';
import { readPackByCode, readStock, readUnreadPacks } from '@/data/repositories/stock';
import { entryOf, holdingsOf, type HistoryEntry } from './history/queries';
import { sure } from '@/core/sure';
import { lotAsPack } from './shelves/lots/queries';
import { openLot, type OpenLot, type StoreHouse } from './lot/queries';
import { openPack, type OpenPack } from './pack/queries';
import { shelvesOf, type Lying, type Shelf, type ShelfPack } from './shelves/queries';

export interface StoreView {
  readonly shelves: readonly Shelf[];
  readonly latest: readonly (HistoryEntry & { readonly codes: string })[];
  readonly open: OpenPack | undefined;
  readonly openLot: OpenLot | undefined;
  readonly house: StoreHouse;
  readonly unknownCode: string | undefined;
  /** Packs that lie here and cannot be read. */
  readonly unread: readonly CannotBeRead[];
}

/** What is taken in hand: a pack by its code, an ingredient by its id, or nothing. */
export interface InHand {
  readonly code?: string | undefined;
  readonly lotId?: number | undefined;
}

/** All that lies here, shelf by shelf, with what it was read from. */
async function readShelves(read: Page) {
  const { db, reference, today } = read;
  const proteins = await readProteins(read);
  const places = await readAllPlaces(db);
  const dogs = await readDogs(db, undefined, today);
  const lots = await readLots(db);
  const avoided = await readAvoided(db, reference, dogs, today);
  const shelves = shelvesOf(read, { packs: await readStock(db), lots }, { proteins, dogs, places, avoided });
  return { shelves, proteins, places, lots };
}

export const storeView = pageQuery(async (read, { code, lotId }: InHand): Promise<StoreView> => {
  const { db } = read;
  const { shelves, proteins, places } = await readShelves(read);
  const found = code === undefined ? undefined : await orUnread(readPackByCode(db, code));
  const pack = found instanceof Unreadable ? undefined : found;
  const movements = await readLatestMovements(db, 12);
  const touched = new Map(
    (await readKept(db, [...new Set(movements.flatMap(holdingsOf))])).map((each) => [each.holdingId, each.code]),
  );
  return {
    shelves,
    latest: movements.map((movement) => ({
      ...entryOf(read, movement, places, movements),
      codes: holdingsOf(movement)
        .map((id) => touched.get(id))
        .filter(Boolean)
        .join(', '),
    })),
    open: pack && (await openPack(read, pack, proteins, places)),
    openLot: lotId === undefined ? undefined : await openLot(read, lotId, places),
    house: {
      places: places.filter((each) => each.archivedAt === null).map(({ id, kind, name }) => ({ id, kind, name })),
      currency: read.household.currency,
    },
    unread: await readUnreadPacks(db),
    unknownCode: code !== undefined && !found ? code : undefined,
  };
});

export interface CountView {
  readonly places: readonly { readonly placeId: number; readonly name: string; readonly packs: number }[];
  /** The place that is counted: the one that was asked for, or the first with packs in it. */
  readonly place: (Omit<Shelf, 'packs'> & { readonly packs: readonly Lying[] }) | undefined;
}

export const countView = pageQuery(async (read, placeId: number | undefined): Promise<CountView> => {
  const { shelves, lots } = await readShelves(read);
  // All that lies in a place is ticked alike.
  const counted = shelves.map((shelf) => ({
    ...shelf,
    packs: [
      ...shelf.packs,
      ...shelf.lots.map(({ holdingId }) =>
        lotAsPack(sure(lots.find((lot) => lot.holdingId === holdingId)), read.today),
      ),
    ],
  }));
  return {
    places: counted.map(({ placeId: id, name, packs }) => ({ placeId: id, name, packs: packs.length })),
    place: counted.find((shelf) => shelf.placeId === placeId) ?? counted.find((shelf) => shelf.packs.length > 0),
  };
});

export interface TableView {
  readonly packs: readonly ShelfPack[];
}

/** Every pack that holds food, for the table. */
export const tableView = pageQuery(async (read): Promise<TableView> => {
  const { shelves } = await readShelves(read);
  return { packs: shelves.flatMap((shelf) => shelf.packs) };
});

/** One pack in hand, by its code; undefined where there is none of that code. */
export const packView = pageQuery(async (read, code: string): Promise<OpenPack | undefined> => {
  const pack = await readPackByCode(read.db, code);
  return pack && (await openPack(read, pack, await readProteins(read), await readAllPlaces(read.db)));
});
