import 'server-only';
import { addDays, addMonths, type LocalDate } from '@/core/calendar/local-date';
import type { DryerAtHand, KeptFate, ToCompare } from '@/core/preserve/fates';
import { isFatty } from '@/core/preserve/fat';
import { DRYING_METHODS } from '@/core/preserve/methods';
import { sayQuality } from '@/core/preserve/quality';
import { shelfLifeOf, type FoodKind, type PlaceKind } from '@/core/preserve/shelf-life';
import type { Page } from '@/data/page';
import type { WeighedBatch } from '@/data/repositories/batches';
import { readPlaces } from '@/data/repositories/household';
import { readQualityOfRecipe } from '@/data/repositories/quality';
import { readLivesNow } from '@/data/repositories/shelf-rules';
import type { StoredPack } from '@/data/repositories/stock';
import { forecastCycle } from '@/core/preserve/cycle-time';
import { addUp } from '@/core/add-up';

import type { DryerView } from '../drying/queries';

/** What the fates of a share are compared with: the kitchen as it is now. */
export interface CompareView extends Pick<
  ToCompare,
  'free' | 'freezerLitres' | 'dryers' | 'keeps' | 'kwhMinor' | 'fridgeDays'
> {
  readonly currency: string;
  /** What was noted of this recipe's food, by what became of it. */
  readonly notes: Readonly<Partial<Record<KeptFate, string>>>;
}

const PLACES: Readonly<Record<KeptFate, PlaceKind>> = {
  fridge: 'fridge',
  freezer: 'freezer',
  dehydrated: 'cupboard',
  'freeze-dried': 'cupboard',
};

export async function compareView(
  { db, household, reference, today }: Page,
  batch: WeighedBatch,
  dryers: readonly DryerView[],
  stock: readonly StoredPack[],
): Promise<CompareView> {
  const shelfLives = await readLivesNow(db, reference.shelfLives);
  const { fridgeDays } = household;
  const fatty = isFatty(batch.sheet);
  const keeps = (fate: KeptFate): ToCompare['keeps'][KeptFate] => {
    const kind: FoodKind = fate === 'dehydrated' || fate === 'freeze-dried' ? fate : 'cooked';
    const life = shelfLifeOf(shelfLives, kind, PLACES[fate]);
    const months = (fatty ? life?.fattyBestMonths : undefined) ?? life?.bestMonths;
    const days = life?.household ? fridgeDays : life?.safeDays;
    const until: LocalDate | undefined =
      months !== undefined ? addMonths(today, months) : days !== undefined ? addDays(today, days) : undefined;
    return { until, why: life?.source ?? '' };
  };
  const places = await readPlaces(db);
  const free = (kind: PlaceKind): number | undefined => {
    const own = places.filter((place) => place.kind === kind && place.capacityMl !== null);
    if (own.length === 0) return undefined;
    const used = addUp(
      stock.filter((pack) => own.some(({ id }) => id === pack.placeId)),
      (pack) => pack.grams,
    );
    return addUp(own, (place) => place.capacityMl ?? 0) - used;
  };
  const freezers = places.filter((place) => place.kind === 'freezer' && place.capacityMl !== null);
  const notes = await readQualityOfRecipe(db, batch.recipeId);
  const said = (fate: KeptFate) =>
    sayQuality(
      notes.filter(({ kind }) => (fate === 'fridge' || fate === 'freezer' ? kind === 'cooked' : kind === fate)),
    );
  return {
    fridgeDays,
    free: { fridge: free('fridge'), freezer: free('freezer'), cupboard: free('cupboard') },
    freezerLitres: freezers.length > 0 ? addUp(freezers, (place) => place.capacityMl ?? 0) / 1000 : undefined,
    dryers: Object.fromEntries(
      DRYING_METHODS.flatMap(({ key, machine }) => {
        const own = dryers.filter(({ kind }) => kind === machine).map((each) => atHand(each, key));
        const first = own.sort((a, b) => a.freeIn - b.freeIn)[0];
        return first ? [[key, first]] : [];
      }),
    ),
    keeps: {
      fridge: keeps('fridge'),
      freezer: keeps('freezer'),
      dehydrated: keeps('dehydrated'),
      'freeze-dried': keeps('freeze-dried'),
    },
    kwhMinor: household.kwhMinor ?? undefined,
    currency: household.currency,
    notes: Object.fromEntries(
      (['fridge', 'freezer', 'dehydrated', 'freeze-dried'] as const).flatMap((fate) => {
        const own = said(fate);
        return own === undefined ? [] : [[fate, own]];
      }),
    ),
  };
}

/** Part of a usual pot that is water (common practice, no source). */
const WET = 0.7;

/** A dryer with the hours until it is free, by what its own cycles take for a full load. */
function atHand(
  { room, past, watts, running }: DryerView,
  method: (typeof DRYING_METHODS)[number]['key'],
): DryerAtHand {
  const usual = forecastCycle(room.trays * room.perTray * WET, past, method);
  return {
    room,
    past,
    freeIn: running ? Math.max(0, usual.hours - running.hours) : 0,
    ...(watts === undefined ? {} : { watts }),
  };
}
