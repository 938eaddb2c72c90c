import 'server-only';
import { addUp } from '@/core/add-up';
import { clockIn, dayIn, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { minutesAfter } from '@/core/calendar/minutes';
import {
  cutVerdict,
  hoursFrom,
  isColdAgain,
  lastsUntil,
  packVerdict,
  placeInCut,
  saveFirst,
  type CutPlace,
  type CutVerdict,
} from '@/core/preserve/power-cut';
import { writeTemperature } from '@/core/quantity/temperature';
import { DAYS_AHEAD } from '@/core/stock/weeks-ahead';
import type { FeedingRules, MealAhead } from '@/core/stock/cover';
import type { Source } from '@/core/stock/draw';
import { readAhead } from '@/data/ahead';
import { pageQuery, readProteins, type Page } from '@/data/page';
import { readAllPlaces } from '@/data/repositories/household';
import { readArrivals } from '@/data/repositories/movements';
import { readOpenCut } from '@/data/repositories/power-cuts';
import { readLots } from '@/data/repositories/lots';
import type { FoodKind } from '@/core/preserve/shelf-life';
import { lotAsPack } from '../shelves/lots/queries';
import { shownPack, type Lying } from '../shelves/queries';

export interface CutPlaceView extends CutPlace {
  readonly placeId: number;
  readonly name: string;
  readonly packs: readonly Lying[];
  readonly verdict: CutVerdict;
  /** Hours into the cut until which nothing in it is lost; undefined: as long as it stays so. */
  readonly lasts: number;
  /** "until 02:05" of the household's clock. */
  readonly until: string | undefined;
  readonly isOver: boolean;
  /** It was read to be cold since the power came back. */
  readonly isColdAgain: boolean;
  /** How full somebody said that it was, as the form has it. */
  readonly saidFull: string | undefined;
  readonly events: readonly { readonly id: number; readonly said: string }[];
}

export interface PowerView {
  readonly now: string;
  readonly cut:
    | {
        readonly id: number;
        readonly isAway: boolean;
        readonly hours: number;
        readonly from: string;
        readonly fromTyped: string;
        readonly to: string | undefined;
        readonly startedAt: number;
      }
    | undefined;
  /** The cold places, in the order in which they lose their food. */
  readonly places: readonly CutPlaceView[];
  /** What of each pack is said. */
  readonly packs: readonly (Lying & {
    readonly verdict: ReturnType<typeof packVerdict>;
    readonly isLot: boolean;
    readonly isFrozen: boolean;
  })[];
  /** What the coming days are played from, with and without what is thrown away. */
  readonly ahead: {
    readonly today: LocalDate;
    readonly sources: readonly Source[];
    readonly dogs: readonly {
      readonly dogId: number;
      readonly name: string;
      readonly meals: readonly (readonly MealAhead[])[];
    }[];
    readonly keeps: FeedingRules;
  };
}

/** What came into a place after the power was back was not in it. */
const CAME_LATER = { fate: 'keep', said: 'came in after the power was back', rule: 'by its own movements' } as const;

export const powerView = pageQuery(async (read): Promise<PowerView> => {
  const { db, now, today, household } = read;
  const cut = await readOpenCut(db);
  const ahead = await readAhead(read);
  const proteins = await readProteins(read);
  const everyPlace = await readAllPlaces(db);
  const shownAs = { proteins, dogs: ahead.dogs, places: everyPlace, today, avoided: ahead.avoided };
  const lots = await readLots(db);
  const end = cut?.endedAt ?? now;
  const hours = cut ? hoursFrom(cut.startedAt, end) : 0;
  const places = everyPlace.flatMap((place): CutPlaceView[] => {
    if (place.archivedAt !== null || place.kind === 'cupboard') return [];
    const own = ahead.stock.filter((pack) => pack.placeId === place.id);
    const asPlace = {
      id: place.id,
      kind: place.kind,
      used: addUp([...own, ...lots.filter((lot) => lot.placeId === place.id)], (held) => held.grams),
    };
    const state = placeInCut(
      place.capacityMl === null ? asPlace : { ...asPlace, capacity: place.capacityMl },
      cut?.startedAt ?? now,
      cut?.events ?? [],
    );
    const lasts = lastsUntil(state);
    const until = cut && minutesAfter(cut.startedAt, lasts * 60);
    return [
      {
        ...state,
        placeId: place.id,
        name: place.name,
        packs: [
          ...own.map((pack) => shownPack(pack, shownAs)),
          ...lots.filter((lot) => lot.placeId === place.id).map((lot) => lotAsPack(lot, today)),
        ],
        verdict: cutVerdict(state, hours),
        lasts,
        until: until && sayInstant(read, until),
        saidFull: cut?.events
          .findLast((event) => event.placeId === place.id && event.kind === 'full')
          ?.value.toString(),
        isOver: hours > lasts,
        isColdAgain: isColdAgain(state, hours),
        events: (cut?.events ?? []).flatMap((event) =>
          event.placeId !== place.id
            ? []
            : [
                {
                  id: event.id,
                  said:
                    event.kind === 'opened'
                      ? `opened, ${clockIn(event.at, household.timeZone)}`
                      : event.kind === 'full'
                        ? `${Math.round(event.value * 100)} % full`
                        : `${writeTemperature(event.value, household.unitSet, 1)}, ${clockIn(event.at, household.timeZone)}`,
                },
              ],
        ),
      },
    ];
  });
  const verdictOf = new Map(places.map((place) => [place.placeId, place.verdict]));
  const arrivals = await readArrivals(
    db,
    [...ahead.stock, ...lots].map((held) => held.holdingId),
  );
  const judged = (shown: Lying, held: { foodKind: FoodKind; safeUntil: LocalDate | undefined }, isLot = false) => {
    const verdict = verdictOf.get(shown.placeId);
    if (!verdict) return [];
    const isLater = cut?.endedAt !== undefined && (arrivals.get(shown.holdingId) ?? now) > cut.endedAt;
    const own = isLater ? CAME_LATER : packVerdict(verdict, held, today);
    const isFrozen = everyPlace.some(({ id, kind }) => id === shown.placeId && kind === 'freezer');
    return [{ ...shown, isLot, isFrozen, verdict: { ...own, celsius: verdict.celsius } }];
  };
  const packs = [
    ...ahead.stock.flatMap((pack) => judged(shownPack(pack, shownAs), pack)),
    ...lots.flatMap((lot) => judged(lotAsPack(lot, today), lot, true)),
  ];
  return {
    now: typedInstant(read, now),
    cut: cut && {
      id: cut.id,
      isAway: cut.endedAt === undefined,
      hours,
      from: sayInstant(read, cut.startedAt),
      fromTyped: typedInstant(read, cut.startedAt),
      to: cut.endedAt && sayInstant(read, cut.endedAt),
      startedAt: cut.startedAt.getTime(),
    },
    places: saveFirst(places),
    packs,
    ahead: {
      today,
      sources: ahead.sources,
      dogs: ahead.meals.map(({ dogId, mealsOn }) => ({
        dogId,
        name: ahead.dogs.find(({ id }) => id === dogId)?.name ?? '',
        meals: Array.from({ length: DAYS_AHEAD }, (_, index) =>
          mealsOn(index).map(({ kcal, recipeId, clock }) => ({
            kcal,
            recipeId,
            ...(clock === undefined ? {} : { clock }),
          })),
        ),
      })),
      keeps: ahead.keeps,
    },
  };
});

/** "Tue 24 Nov 22:05", or the clock alone today. */
function sayInstant({ household, today }: Page, instant: Date): string {
  const day = dayIn(instant, household.timeZone);
  const clock = clockIn(instant, household.timeZone);
  return day === today ? clock : `${writeDay(day, today)} ${clock}`;
}

/** As a field for a day and a time has it. */
const typedInstant = ({ household }: Page, instant: Date): string =>
  `${dayIn(instant, household.timeZone)}T${clockIn(instant, household.timeZone)}`;
