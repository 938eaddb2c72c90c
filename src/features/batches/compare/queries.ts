import 'server-only';
import { dayIn, type LocalDate } from '@/core/calendar/local-date';
import { kindOfShare } from '@/core/batch/kind-of-share';
import { freshLife, keepingDates } from '@/core/preserve/food-life';
import type { DryWanted } from '@/core/portion/dry-share';
import { fullLoad } from '@/core/preserve/dryer-loads';
import type { KeptFate, ToCompare } from '@/core/preserve/fates';
import { isFatty } from '@/core/preserve/fat';
import { DRYING_METHODS } from '@/core/preserve/methods';
import { sayQuality } from '@/core/preserve/quality';
import { fridgeDaysOf, type FoodKind, type PlaceKind } from '@/core/preserve/shelf-life';
import type { Page } from '@/data/page';
import type { WeighedBatch } from '@/data/repositories/batches';
import { readFreezing } from '@/data/repositories/measured-here';
import { readQualityOfRecipe } from '@/data/repositories/quality';
import { readDatingNow } from '@/data/repositories/shelf-rules';
import { readStoredWeeks } from '@/data/repositories/weeks';
import { addDaily } from '@/core/preserve/freezing-plan';
import { addUp } from '@/core/add-up';
import type { DryerView } from '../drying/queries';
import type { BatchView } from '../view';

/** What the fates of a share are compared with: the kitchen as it is now. */
export interface CompareView extends Pick<
  ToCompare,
  'free' | 'freezing' | 'freezerLitres' | 'freezerTaken' | 'dryers' | 'keeps' | 'kwhMinor' | 'fridgeDays'
> {
  readonly currency: string;
  /** What the weeks ahead count on that is dried of it; none: they were not asked, or dry none of it. */
  readonly weeksDry: readonly WeeksDry[];
  /** What was noted of this recipe's food, by what became of it. */
  readonly notes: Readonly<Partial<Record<KeptFate, string>>>;
}

/** So many g of a pot in a dryer, as the weeks ahead were solved. */
export interface WeeksDry extends DryWanted {
  readonly machine: string;
}

/** What the weeks ahead dry of a pot, by dryer. Takes the day on which it was cooked. */
async function weeksDryOf(
  { db }: Page,
  recipeId: number,
  day: LocalDate,
  dryers: readonly DryerView[],
): Promise<WeeksDry[]> {
  const { answer } = await readStoredWeeks(db);
  const pot = answer?.cooks.find((cook) => cook.day === day)?.pots.find((each) => each.recipeId === recipeId);
  return (pot?.dried ?? []).flatMap(({ equipmentId, grams }) => {
    const dryer = dryers.find(({ id }) => id === equipmentId);
    const method = dryer && DRYING_METHODS.find(({ machine }) => machine === dryer.kind)?.key;
    return method ? [{ machineId: dryer.id, machine: dryer.name, method, grams: Math.round(grams) }] : [];
  });
}

const PLACES: Readonly<Record<KeptFate, PlaceKind>> = {
  fridge: 'fridge',
  freezer: 'freezer',
  dehydrated: 'cupboard',
  'freeze-dried': 'cupboard',
};

export async function compareView(
  read: Page,
  batch: WeighedBatch,
  dryers: readonly DryerView[],
  places: BatchView['places'],
): Promise<CompareView> {
  const { db, household, reference, today } = read;
  const dating = await readDatingNow(db, reference.shelfLives);
  const fatty = isFatty(batch.sheet);
  const wet = kindOfShare(batch, { fate: 'fridge' });
  const keeps = (fate: KeptFate): ToCompare['keeps'][KeptFate] => {
    const kind: FoodKind = fate === 'dehydrated' || fate === 'freeze-dried' ? fate : wet;
    const { bestBy, rule } = keepingDates(dating, freshLife({ kind, place: PLACES[fate], fatty }, today));
    return { until: bestBy, why: rule };
  };
  const sized = (kind: PlaceKind) => places.filter((place) => place.kind === kind && place.capacityMl !== undefined);
  const room = (kind: PlaceKind) => addUp(sized(kind), (place) => place.capacityMl ?? 0);
  const free = (kind: PlaceKind): number | undefined =>
    sized(kind).length === 0 ? undefined : room(kind) - addUp(sized(kind), (place) => place.usedMl);
  const freezers = sized('freezer');
  const notes = await readQualityOfRecipe(db, batch.recipeId);
  const said = (fate: KeptFate) =>
    sayQuality(notes.filter(({ kind }) => (fate === 'fridge' || fate === 'freezer' ? kind === wet : kind === fate)));
  return {
    fridgeDays: fridgeDaysOf(dating, wet),
    free: { fridge: free('fridge'), freezer: free('freezer'), cupboard: free('cupboard') },
    freezerLitres: freezers.length > 0 ? room('freezer') / 1000 : undefined,
    freezerTaken: addDaily(freezers.map(({ taken }) => taken)),
    freezing: await readFreezing(db, household.timeZone),
    dryers: Object.fromEntries(
      DRYING_METHODS.flatMap(({ key, machine }) => {
        const own = dryers
          .filter(({ kind }) => kind === machine)
          .map(({ room, past, watts, running }) => ({
            room,
            past,
            freeIn: fullLoad({ room, past, watts }, key, running?.hours).freeIn,
            ...(watts === undefined ? {} : { watts }),
          }));
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
    weeksDry: await weeksDryOf(read, batch.recipeId, dayIn(batch.startedAt, household.timeZone), dryers),
    notes: Object.fromEntries(
      (['fridge', 'freezer', 'dehydrated', 'freeze-dried'] as const).flatMap((fate) => {
        const own = said(fate);
        return own === undefined ? [] : [[fate, own]];
      }),
    ),
  };
}
