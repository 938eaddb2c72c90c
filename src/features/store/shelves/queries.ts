import 'server-only';
import { addUp } from '@/core/add-up';
import { daysBetween, writeDay, writeDayOnLabel, type LocalDate } from '@/core/calendar/local-date';
import type { PlaceKind } from '@/core/preserve/shelf-life';
import { countHeld } from '@/core/stock/find';
import { writeSumIn } from '@/core/quantity/write';
import type { Protein } from '@/core/recipe/protein';
import { inOrderOfUse } from '@/core/stock/draw';
import { roomOf, type Room } from '@/core/stock/room';
import { UNPROVEN } from '@/core/stock/say-pot';
import type { Page } from '@/data/page';
import type { StoredDog } from '@/data/repositories/dogs';
import type { readAllPlaces } from '@/data/repositories/household';
import { waitsForFreezer } from '@/core/preserve/freezing-plan';
import type { StoredPack } from '@/data/repositories/stock';
import type { StoredLot } from '@/data/repositories/lots';
import { inOrderToUse } from '@/core/stock/lot';
import type { KeptFrom } from '@/core/stock/avoided';
import { sure } from '@/core/sure';
import { shownLot, WAS_SAFE, type ShelfLot } from './lots/queries';
import { packKcal } from '@/core/stock/pack-kcal';
import { sourceOf } from '@/data/repositories/sources';

export interface ShelfPack {
  readonly holdingId: number;
  readonly code: string;
  readonly whose: string;
  /** The tags of the dogs that it is for; none: anybody. */
  readonly tags: readonly { readonly badge: number; readonly letters: string }[];
  readonly recipeName: string;
  readonly grams: number;
  readonly kcal: number;
  /** mL that it takes up where it lies. */
  readonly room: number;
  readonly full: number;
  readonly protein: Protein;
  readonly until: string;
  readonly tone: 'danger' | 'caution' | 'plain';
  readonly notes: readonly string[];
  /** The day that it is to be fed or is best by; undefined: none. */
  readonly useBy: LocalDate | undefined;
  /** Undefined: nobody knows. */
  readonly packedOn: LocalDate | undefined;
  readonly placeId: number;
  readonly placeName: string;
  readonly blocked: boolean;
  /** Why those that it is for do not get it; undefined: they do. */
  readonly whyNot?: string | undefined;
  /** What it can be found by, in small letters. */
  readonly words: string;
}

/** A pack, or an ingredient of which the kcal may be unknown, where all that lies in a place is gone through. */
export type Lying = Omit<ShelfPack, 'kcal'> & { readonly kcal: number | undefined };

export interface Shelf {
  readonly placeId: number;
  readonly name: string;
  readonly kind: PlaceKind;
  readonly said: string;
  readonly room: Room;
  /** What of it presses today, in words. */
  readonly presses: readonly { readonly said: string; readonly tone: 'danger' | 'caution' }[];
  readonly packs: readonly ShelfPack[];
  readonly lots: readonly ShelfLot[];
}

const PLANTS: Protein = { word: 'plants', hatch: 'bricks' };
export const proteinOf = (proteins: ReadonlyMap<number, Protein>, recipeId: number) => proteins.get(recipeId) ?? PLANTS;

interface Shown {
  readonly proteins: ReadonlyMap<number, Protein>;
  readonly dogs: readonly StoredDog[];
  readonly places: Awaited<ReturnType<typeof readAllPlaces>>;
  readonly today: LocalDate;
  /** What of each pack each dog does not get. */
  readonly avoided: KeptFrom;
}

/** A pack as it lies on its shelf. */
export function shownPack(pack: StoredPack, { proteins, dogs, places, today, avoided }: Shown): ShelfPack {
  const date = pack.safeUntil ?? pack.bestBy;
  const left = date === undefined ? Infinity : daysBetween(today, date);
  const ids = pack.split?.map(({ dogId }) => dogId) ?? (pack.dogId === undefined ? [] : [pack.dogId]);
  const notFor = dogs.flatMap(({ id, name }) => {
    const own = ids.includes(id) ? avoided.ofPack(pack.holdingId, id) : [];
    return own.length > 0 ? [`not for ${name}: ${own.map((each) => each.said).join(', ')}`] : [];
  });
  const tone =
    pack.blocked || notFor.length > 0 || (pack.safeUntil !== undefined && left < 0)
      ? 'danger'
      : left < 0 || (pack.safeUntil !== undefined && left <= 1)
        ? 'caution'
        : 'plain';
  const said = pack.safeUntil ? (left < 0 ? WAS_SAFE : 'feed by') : 'best by';
  const protein = proteinOf(proteins, pack.recipeId);
  const placeName = places.find(({ id }) => id === pack.placeId)?.name ?? '';
  const whose = pack.dogName ?? 'anybody';
  const notes = [
    ...notFor,
    ...(pack.ahead ? ['a day of it lies ahead'] : pack.blocked ? ['blocked'] : []),
    ...(pack.foodKind === 'raw' ? ['raw'] : []),
    ...(pack.found ? [pack.found.isDated ? 'found' : 'found, nobody knows since when'] : []),
    ...(pack.unproven ? [UNPROVEN] : []),
    ...(pack.short ? ['short'] : []),
    ...(pack.thawedOn ? [`thawed ${writeDay(pack.thawedOn, today)}`] : []),
    ...(pack.openedOn ? [`opened ${writeDay(pack.openedOn, today)}`] : []),
    ...(pack.waterPerGram > 0 ? ['dry'] : []),
    ...(pack.freezeOn !== undefined && waitsForFreezer(pack) ? [`to be frozen ${writeDay(pack.freezeOn, today)}`] : []),
  ];
  const until = date === undefined ? 'no date' : `${said} ${writeDay(date, today)}`;
  return {
    holdingId: pack.holdingId,
    code: pack.code,
    whose,
    tags: dogs.flatMap(({ id, badge, letters }) => (ids.includes(id) ? [{ badge, letters }] : [])),
    recipeName: pack.recipeName,
    grams: pack.grams,
    kcal: packKcal(pack),
    room: pack.grams,
    full: pack.labelGrams > 0 ? pack.grams / pack.labelGrams : 0,
    protein,
    until,
    tone,
    notes,
    useBy: date,
    packedOn: pack.found?.isDated === false ? undefined : pack.packedOn,
    placeId: pack.placeId,
    placeName,
    blocked: pack.blocked,
    whyNot: notFor[0],
    words: [
      pack.code,
      whose,
      pack.recipeName,
      protein.word,
      placeName,
      ...notes,
      until,
      ...(date ? [writeDayOnLabel(date), date] : []),
    ]
      .join(' ')
      .toLowerCase(),
  };
}

type Pressing = Pick<ShelfPack, 'code' | 'tone' | 'blocked' | 'until' | 'useBy' | 'notes' | 'whyNot'>;

const codesOf = (packs: readonly Pressing[]) => packs.map(({ code }) => code).join(', ');

/** What of a shelf presses today: what is past its date, what is to be fed by tomorrow, what is past its best. */
function pressesOf(packs: readonly Pressing[], today: LocalDate): Shelf['presses'] {
  const groups = new Map<string, Pressing[]>();
  for (const pack of packs) {
    if (pack.tone === 'plain') continue;
    // Why it is not fed is the first that is said of it.
    const isThrown = pack.until.startsWith(WAS_SAFE);
    const key = pack.blocked ? (pack.notes[0] ?? 'blocked') : isThrown ? pack.until : (pack.whyNot ?? pack.until);
    groups.set(key, [...(groups.get(key) ?? []), pack]);
  }
  return [...groups].map(([said, own]) => {
    const isPast = own.some(({ useBy }) => useBy !== undefined && useBy < today);
    const isThrown = said.startsWith(WAS_SAFE);
    const isFed = !own.some(({ blocked, whyNot }) => blocked || whyNot !== undefined);
    return {
      said: `${codesOf(own)}: ${said}${isThrown ? ', throw away' : isPast && isFed ? ', use first' : ''}`,
      tone: own.some(({ tone }) => tone === 'danger') ? ('danger' as const) : ('caution' as const),
    };
  });
}

/** The places with their packs in order of use, and what room is left in each. */
export function shelvesOf(
  read: Page,
  { packs: stock, lots }: { readonly packs: readonly StoredPack[]; readonly lots: readonly StoredLot[] },
  of: Omit<Shown, 'today'>,
): Shelf[] {
  const { today, household } = read;
  const order = new Map(
    inOrderOfUse(
      stock.map((pack) => ({ ...sourceOf(pack), blocked: false })),
      today,
    ).map((source, index) => [source.key, index]),
  );
  const place = (pack: StoredPack) => order.get(`pack-${pack.holdingId}`) ?? -1;
  return of.places
    .filter((each) => each.archivedAt === null)
    .map((each): Shelf => {
      const own = stock.filter((pack) => pack.placeId === each.id).sort((a, b) => place(a) - place(b));
      const packs = own.map((pack) => shownPack(pack, { ...of, today }));
      const ownLots = inOrderToUse(lots.filter((lot) => lot.placeId === each.id)).map(({ holdingId }) =>
        shownLot(sure(lots.find((lot) => lot.holdingId === holdingId)), today),
      );
      const mass = addUp([...own, ...ownLots], (held) => held.grams);
      return {
        placeId: each.id,
        name: each.name,
        kind: each.kind,
        said:
          own.length + ownLots.length === 0
            ? 'empty'
            : `${countHeld(own.length, ownLots.length)}, ${writeSumIn(mass, household.unitSet)}`,
        room: roomOf(
          packs.map(({ room }) => room),
          each.capacityMl ?? undefined,
          addUp(ownLots, (lot) => lot.grams),
        ),
        presses: pressesOf([...packs, ...ownLots.map((lot) => ({ ...lot, code: lot.name }))], today),
        packs,
        lots: ownLots,
      };
    });
}
