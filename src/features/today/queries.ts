import 'server-only';
import { countOf } from '@/core/quantity/count-words';
import { addDays, daysBetween, writeDay, writeDayInFull, type LocalDate } from '@/core/calendar/local-date';
import { capital, writeMassIn } from '@/core/quantity/write';
import type { UnitSet } from '@/core/quantity/units';
import type { Protein } from '@/core/recipe/protein';
import { measuresOf } from '@/core/stock/by-measure';
import { madeForOf } from '@/core/stock/made-for';
import { sayPot } from '@/core/stock/say-pot';
import { cookByOf } from '@/core/stock/agenda';
import type { Cover } from '@/core/stock/cover';
import { playAhead, sayPlayed, sayRunsOut, tonightOf, type TakeOutOf } from '@/core/stock/weeks-ahead';
import { inOrderOfUse, insteadOf, type Drawn } from '@/core/stock/draw';
import { readAhead } from '@/data/ahead';
import { clockAsked } from '@/data/clock-asked';
import { readProteins, pageQuery } from '@/data/page';
import { readBowlsBetween } from '@/data/repositories/bowls';
import type { StoredDog } from '@/data/repositories/dogs';
import { readCups } from '@/data/repositories/food-facts';
import { readPlaces, type Place } from '@/data/repositories/household';
import { litresOf, dueInFreezer } from '@/core/preserve/freezing-plan';
import { potDay, type StoredPack } from '@/data/repositories/stock';
import { DAYS_BACK, earlierMeals } from './earlier/queries';
import {
  watchBatches,
  watchDogs,
  watchDryers,
  watchLots,
  watchPacks,
  watchPower,
  watchUnread,
  watchRehydrated,
  watchSensor,
} from './watch/queries';
import { bowlsToday, cubesOf } from './bowl/queries';
import type { AheadCell, DogToday, ShownSource, TodayView } from './view';
import { nth, sure } from '@/core/sure';
import { addUp } from '@/core/add-up';

/** Four weeks fit a screen; further ahead nobody looks for a bowl. */
const HORIZON = 28;
const PLANTS: Protein = { word: 'plants', hatch: 'bricks' };

export const todayView = pageQuery(async (read): Promise<TodayView> => {
  const { db, today, household } = read;
  const bowls = await readBowlsBetween(db, addDays(today, -DAYS_BACK), today);
  const ahead = await readAhead(
    read,
    bowls.filter((bowl) => bowl.day === today),
  );
  const { dogs, stock } = ahead;
  const proteins = await readProteins(read);
  const cups = await readCups(db);
  const places = await readPlaces(db);
  const proteinOf = (recipeId: number) => proteins.get(recipeId) ?? PLANTS;
  const warm = new Map(ahead.warm.map((each) => [`share-${each.shareId}`, each]));
  const packs = new Map(stock.map((pack) => [`pack-${pack.holdingId}`, pack]));
  const madeFor = madeForOf(dogs, today, household.unitSet);
  const sources = ahead.sources.map((source): ShownSource => {
    const pack = packs.get(source.key);
    if (!pack) {
      const own = sure(warm.get(source.key));
      const protein = proteinOf(own.recipeId);
      return {
        ...source,
        protein,
        kind: 'warm',
        cupGrams: cups.get(own.recipeId),
        pot: sayPot(protein.word, today, today, own.unproven),
        whose: undefined,
      };
    }
    const protein = proteinOf(pack.recipeId);
    return {
      ...source,
      protein,
      pot: sayPot(protein.word, potDay(pack, household.timeZone), today, pack.unproven),
      whose: pack.dogName ?? 'anybody',
      madeFor: madeFor(pack),
      ...measuresOf(pack, cups),
      kind: pack.waterPerGram > 0 ? 'dry' : 'wet',
    };
  });
  const ready = sources.filter((source) => source.place !== 'freezer');
  const played = playAhead(ahead.meals, sources, today, ahead.keeps);
  const { cover } = played;
  const states = bowlsToday(read, { ahead, bowls: bowls.filter((bowl) => bowl.day === today), ready, cover });
  const bySource = new Map(sources.map((source) => [source.key, source]));
  const nextSlots = new Set(states.flatMap((dog) => (dog.next ? [`${dog.next.slotName}, ${dog.next.clock}`] : [])));
  const soonest = stock.length > 0 ? cookByOf(cover, today) : undefined;
  const cookBy = soonest !== undefined && daysBetween(today, soonest) < HORIZON ? soonest : undefined;
  return {
    day: today,
    dayInFull: writeDayInFull(today),
    clockAsked: await clockAsked(db, read),
    heading:
      nextSlots.size === 1
        ? capital(nth([...nextSlots], 0))
        : nextSlots.size > 0
          ? 'Next meals'
          : states.some(({ missed }) => missed.length > 0)
            ? 'Nothing more today'
            : 'All fed',
    done: saidDone(states),
    dogs: states,
    sources: inOrderOfUse(ready, today),
    cubes: cubesOf(sources, today),
    earlier: earlierMeals(read, dogs, bowls),
    ahead: cover.map((each) => aheadOf(each, dogs, bySource, today)),
    horizon: HORIZON,
    cookBy:
      cookBy === undefined
        ? undefined
        : {
            index: daysBetween(today, cookBy),
            said: cookBy <= today ? 'cook today' : `cook by ${writeDay(cookBy, today)}`,
          },
    legend: [...new Map([...bySource.values()].map((source) => [source.protein.word, source.protein])).values()],
    ...tonightView(tonightOf(played, today), stock, bySource, today, household.unitSet),
    toFreezer: toFreezerOf(stock, places, today, household.unitSet),
    fridgePlaceId: sure(places.find((place) => place.kind === 'fridge')).id,
    watch: [
      ...(await watchPower(read)),
      ...(await watchUnread(read)),
      ...watchSensor(household.unitSet),
      ...(await watchDryers(read)),
      ...watchRehydrated(read, dogs, bowls),
      ...watchPacks(stock, today, cover, household.unitSet),
      ...(await watchLots(read)),
      ...(await watchBatches(read)),
      ...watchDogs(dogs, today, household.unitSet),
    ],
  };
});

function saidDone(dogs: readonly DogToday[]): string {
  const fed = dogs.flatMap((dog) => dog.fed).sort((a, b) => a.clock.localeCompare(b.clock));
  const open = new Set(
    dogs.flatMap(({ next, missed }) => [...(next ? [next] : []), ...missed].map(({ slotName }) => slotName)),
  );
  const complete = [...new Set(fed.map(({ slotName }) => slotName))].filter((name) => !open.has(name));
  if (complete.length === 0) return '';
  return `${new Intl.ListFormat('en-GB').format(complete)} ${complete.length === 1 ? 'is' : 'are'} done`;
}

function aheadOf(
  cover: Cover,
  dogs: readonly StoredDog[],
  bySource: ReadonlyMap<string, ShownSource>,
  today: LocalDate,
): TodayView['ahead'][number] {
  const name = sure(dogs.find((dog) => dog.id === cover.dogId)).name;
  const largest = (drawn: readonly Drawn[]) => [...drawn].sort((a, b) => b.kcal - a.kcal)[0];
  const cells = cover.days.slice(0, HORIZON).map((day): AheadCell => {
    const main = largest(day.drawn);
    return {
      day: day.day,
      hatch: day.covered && main ? sure(bySource.get(main.key)).protein.hatch : undefined,
      said: sayPlayed(day, today),
    };
  });
  const runsOut = sayRunsOut(cover, today);
  return { dogId: cover.dogId, name, coverDays: Math.min(cover.coverDays, HORIZON), runsOut, cells };
}

/** The frozen packs that go into the fridge tonight, and those that stay: some of them could go in the place of one. */
function tonightView(
  due: readonly TakeOutOf[],
  stock: readonly StoredPack[],
  sources: ReadonlyMap<string, ShownSource>,
  today: LocalDate,
  set: UnitSet,
): Pick<TodayView, 'tonight' | 'frozen'> {
  const taken = new Set(due.map(({ key }) => key));
  const packs = new Map(stock.map((pack) => [`pack-${pack.holdingId}`, pack]));
  const frozen = inOrderOfUse(
    [...sources.values()].filter(({ key, place }) => place === 'freezer' && !taken.has(key) && packs.has(key)),
    today,
  );
  const at = new Map(frozen.map(({ key }, index) => [key, index]));
  const said = (pack: StoredPack) =>
    `for ${pack.dogName ?? 'anybody'}, ${writeMassIn(pack.grams, set)} of ${sure(sources.get(`pack-${pack.holdingId}`)).pot}`;
  return {
    tonight: due.map(({ key, code, late }) => {
      const pack = sure(packs.get(key));
      const source = sure(sources.get(key));
      return {
        holdingId: pack.holdingId,
        code,
        said: said(pack),
        hatch: source.protein.hatch,
        late,
        others: insteadOf(source, frozen).map((other) => sure(at.get(other.key))),
      };
    }),
    frozen: frozen.map(({ key }) => {
      const pack = sure(packs.get(key));
      return { holdingId: pack.holdingId, said: `${pack.code}, ${said(pack)}` };
    }),
  };
}

/** What waits in the fridge for its day in a freezer, by the freezer. */
function toFreezerOf(
  stock: readonly StoredPack[],
  places: readonly Place[],
  today: LocalDate,
  set: UnitSet,
): TodayView['toFreezer'] {
  return places.flatMap((place) => {
    const freezer = { id: place.id, litres: litresOf(place.capacityMl) };
    const { due, later, next } = dueInFreezer(stock, freezer, today);
    if (due.length + later.length === 0) return [];
    const grams = addUp(due, (pack) => pack.grams);
    return [
      {
        placeId: place.id,
        place: place.name,
        said: `${due.map(({ code }) => code).join(', ')}: ${writeMassIn(grams, set)}`,
        holdingIds: due.map(({ holdingId }) => holdingId),
        later: next && `${countOf(later.length, 'pack')} from ${writeDay(next, today)} on`,
      },
    ];
  });
}
