import 'server-only';
import { writeDay } from '@/core/calendar/local-date';
import type { PlaceOffered } from '@/core/plan/list-entry';
import { belongsIn } from '@/core/preserve/shelf-life';
import { writeMassIn, writeMoney } from '@/core/quantity/write';
import { blockingOf } from '@/core/stock/blocked';
import { sayLabel, type LotEntry } from '@/core/stock/lot-entry';
import type { Page } from '@/data/page';
import { readRecipesOfBatches } from '@/data/repositories/batch-recipes';
import type { readAllPlaces } from '@/data/repositories/household';
import { traceKeyOf } from '@/data/repositories/lot-keys';
import { readLotsById, readUses, retypedLot } from '@/data/repositories/lots';
import { readHistory } from '@/data/repositories/movements';
import { readReadablePacks } from '@/data/repositories/stock';
import { entriesOf, type HistoryEntry } from '../history/queries';
import { shownLot, type ShelfLot } from '../shelves/lots/queries';

/** An ingredient in hand: what it is, what can be done with it, where it went. */
export interface OpenLot extends ShelfLot {
  readonly placeName: string;
  readonly isFrozen: boolean;
  /** What a recall asks for it by. */
  readonly traceKey: string;
  readonly entry: LotEntry;
  /** "came Tue 24 Nov, 1200 g for GBP 18.00". */
  readonly came: string;
  readonly label: string | undefined;
  readonly rule: string;
  readonly whyBlocked: readonly string[];
  /** What was done with it on a day that is still to come, in words. */
  readonly ahead: string | undefined;
  readonly isVoid: boolean;
  /** What it was made of ahead. */
  readonly madeOf: { readonly said: string; readonly href: string } | undefined;
  readonly usedIn: readonly { readonly batchId: number; readonly said: string }[];
  readonly moveTo: readonly { readonly placeId: number; readonly name: string }[];
  readonly history: readonly HistoryEntry[];
}

/** What ingredients can be put into, and paid in. */
export interface StoreHouse {
  readonly places: readonly PlaceOffered[];
  readonly currency: string;
}

export async function openLot(
  read: Page,
  holdingId: number,
  places: Awaited<ReturnType<typeof readAllPlaces>>,
): Promise<OpenLot | undefined> {
  const { db, today, household, reference } = read;
  const [lot] = await readLotsById(db, [holdingId]);
  if (!lot) return undefined;
  const history = await readHistory(db, holdingId);
  const write = (mass: number) => writeMassIn(mass, household.unitSet);
  const uses = await readUses(db, { holdingIds: [holdingId] });
  const recipes = await readRecipesOfBatches(
    db,
    uses.map(({ batchId }) => batchId),
  );
  return {
    ...shownLot(lot, today),
    placeName: lot.placeName,
    isFrozen: lot.place === 'freezer',
    traceKey: traceKeyOf(lot),
    entry: retypedLot(lot, household.unitSet),
    came: `${history[0]?.kind === 'found' ? 'found' : lot.madeOf === undefined ? 'came' : 'made'} ${writeDay(lot.receivedOn, today)}, ${write(lot.receivedGrams)}${lot.priceMinor === undefined ? ', no price yet' : ` for ${writeMoney(lot.priceMinor, household.currency)}`}`,
    label: lot.label && sayLabel(lot.label),
    rule: lot.rule,
    ahead: lot.ahead,
    whyBlocked: blockingOf(history).flatMap(({ note }) => note ?? []),
    isVoid: lot.void,
    madeOf: await madeOf(read, lot.madeOf),
    usedIn: uses.map(({ batchId, grams }) => ({
      batchId,
      said: `${write(grams)} in ${recipes.get(batchId)?.name ?? 'a pot'}`,
    })),
    moveTo: places
      .filter(
        (each) =>
          each.archivedAt === null &&
          each.id !== lot.placeId &&
          belongsIn(reference.shelfLives, lot.foodKind, each.kind),
      )
      .map(({ id, name }) => ({ placeId: id, name })),
    history: entriesOf(read, history, places),
  };
}

async function madeOf({ db, today }: Page, holdingId: number | undefined): Promise<OpenLot['madeOf']> {
  if (holdingId === undefined) return undefined;
  const [lot] = await readLotsById(db, [holdingId]);
  if (lot) return { said: `${lot.name}, came ${writeDay(lot.receivedOn, today)}`, href: `/store?lot=${holdingId}` };
  const [pack] = await readReadablePacks(db, [holdingId]);
  return pack && { said: `${pack.code}, ${pack.recipeName}`, href: `/store?pack=${pack.code}` };
}
