import 'server-only';
import { perGramOf } from '@/core/nutrition/density';
import { orUnread, Unreadable, type CannotBeRead } from '@/core/unreadable';
import { addUp } from '@/core/add-up';
import { addDays, dayIn, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { dayEnergy } from '@/core/dog/day-energy';
import { toldDays } from '@/core/eaten/days';
import type { Explanation } from '@/core/explanation';
import { labelKcalPer100 } from '@/core/food/label';
import { pricePerGram } from '@/core/food/supply-entry';
import { countOf } from '@/core/quantity/count-words';
import { writeMoney, writeNumber } from '@/core/quantity/write';
import type { Protein } from '@/core/recipe/protein';
import { sure } from '@/core/sure';
import { whyBought, costOfDay, costOfDays, sayCost } from '@/core/stock/cost';
import { pageQuery, readProteins } from '@/data/page';
import { readBatch, readBatchList } from '@/data/repositories/batches';
import { readCosts } from '@/data/repositories/costs';
import { readDogs } from '@/data/repositories/dogs';
import { readDaysEaten } from '@/data/repositories/eaten-days';
import { readEatenKcal } from '@/data/repositories/eaten-kcal';
import { readKcalPrices } from '@/data/repositories/kcal-prices';
import { readPantry } from '@/data/repositories/pantry';
import { proteinOf } from '../shelves/queries';

/** So many days back, and so many of the last pots. */
const [DAYS, POTS] = [28, 8];

export interface ValueView {
  readonly days: number;
  /** Pots that cannot be read: they are in no sum. */
  readonly unread: readonly CannotBeRead[];
  readonly dogs: readonly {
    readonly dogId: number;
    readonly name: string;
    readonly badge: number;
    readonly letters: string;
    /** What a day of what it was given cost; undefined: nothing of it has a price. */
    readonly home: { readonly minor: number; readonly said: string; readonly why: Explanation } | undefined;
    /** Days that say nothing of it, where none does: only a part of each was pressed. */
    readonly partly: number;
    /** It is reckoned by what the dog got, not by what its ration asks. */
    readonly isGot: boolean;
    /** The same kcal as bought food, by its label. */
    readonly bought: readonly {
      readonly name: string;
      readonly minor: number;
      readonly said: string;
      readonly why: Explanation;
    }[];
  }[];
  readonly pots: readonly {
    readonly batchId: number;
    readonly name: string;
    readonly when: string;
    readonly protein: Protein;
    readonly minor: number;
    readonly said: string;
    readonly aKilo: string | undefined;
    readonly unknown: readonly string[];
    readonly why: Explanation;
  }[];
  /** What a press leads to where nothing has a price yet. */
  readonly isBare: boolean;
}

/** What a day of each dog cost, beside the bought food whose label says its kcal and price; and what the last pots cost. */
export const valueView = pageQuery(async (read): Promise<ValueView> => {
  const { db, today, household, reference, now } = read;
  const { currency, unitSet } = household;
  const here = { tx: db, reference, household, now };
  const dogs = await readDogs(db);
  const proteins = await readProteins(read);
  const eaten = (await readEatenKcal(db, addDays(today, -DAYS))).filter(({ day }) => day < today);
  const prices = await readKcalPrices(here, [...new Set(eaten.flatMap(({ batchId }) => batchId ?? []))]);
  const foods = (await readPantry(db, reference)).supplies.flatMap(({ name, label, archived }) => {
    const [kcal, price] = [labelKcalPer100(label, unitSet), pricePerGram(label)];
    return archived || kcal === undefined || price === undefined ? [] : [{ name, kcalPerGram: perGramOf(kcal), price }];
  });
  const cooked = (await readBatchList(db, {})).filter(
    ({ state, parentId }) => state !== 'planned' && parentId === undefined,
  );
  const pots = [];
  const unread: CannotBeRead[] = [];
  for (const { id } of cooked.slice(0, POTS)) {
    const batch = await orUnread(readBatch(db, id, household.energyFactors));
    if (batch instanceof Unreadable) unread.push(batch.what);
    else if (batch && batch.state !== 'planned') pots.push(batch);
  }
  const costs = await readCosts(here, pots);
  // A day of which only a part was pressed costs less than a day: it says nothing.
  const whole = new Map<number, ReadonlySet<LocalDate>>();
  for (const dog of dogs) {
    const { days } = await readDaysEaten(db, dog, { from: addDays(today, -DAYS), to: addDays(today, -1), today });
    whole.set(dog.id, new Set(toldDays(days).map(({ day }) => day)));
  }
  return {
    days: DAYS,
    unread,
    dogs: dogs.map((dog) => {
      const told = sure(whole.get(dog.id));
      const all = eaten.filter(({ dogId }) => dogId === dog.id);
      const own = all.filter(({ day }) => told.has(day));
      const days = told.size;
      const partly = new Set(all.map(({ day }) => day)).size - new Set(own.map(({ day }) => day)).size;
      const parts = own.map(({ kcal, batchId }) => ({
        kcal,
        price: batchId === undefined ? undefined : prices.get(batchId),
      }));
      const home = costOfDays(parts, days);
      const kcal = days === 0 ? dayEnergy(dog, today).homeKcal : addUp(own, (each) => each.kcal) / days;
      return {
        dogId: dog.id,
        name: dog.name,
        badge: dog.badge,
        letters: dog.letters,
        home: home && {
          minor: home.minor,
          said: sayCost(home, currency),
          why: {
            title: `${sayCost(home, currency)} a day`,
            steps: [
              { what: 'days of which every bowl is known', sum: countOf(days, 'day') },
              ...(partly > 0
                ? [{ what: 'left out', sum: `${countOf(partly, 'day')} of which only a part is known` }]
                : []),
              { what: 'in its bowls', sum: `${writeNumber(kcal, 0)} kcal a day` },
              { what: 'of that with a price', sum: `${writeNumber(home.known * 100, 0)} %` },
            ],
            source:
              'What went into each pot cost, by the kcal that came out of it into the bowls. What is added in the bowl is not counted.',
          },
        },
        partly: days === 0 ? partly : 0,
        isGot: days > 0,
        bought: foods.map((food) => {
          const minor = costOfDay(kcal, food.kcalPerGram, food.price);
          const said = writeMoney(minor, currency);
          const why = whyBought(kcal, food, { isGot: days > 0, currency });
          return { name: food.name, minor, said, why };
        }),
      };
    }),
    pots: pots.flatMap((batch) => {
      const cost = costs.get(batch.id);
      if (!cost) return [];
      return [
        {
          batchId: batch.id,
          name: batch.recipeName,
          when: writeDay(dayIn(batch.startedAt, household.timeZone), today),
          protein: proteinOf(proteins, batch.recipeId),
          minor: cost.minor,
          said: sayCost(cost, currency),
          aKilo: batch.state === 'weighed' ? sayCost(cost, currency, 1000 / batch.whole.net) : undefined,
          unknown: cost.unknown,
          why: cost.explanation,
        },
      ];
    }),
    isBare: costs.size === 0,
  };
});
