import { addDays, type LocalDate } from '../calendar/local-date';
import { firstUse } from './first-use';
import { drawMeal, fitFor, inOrderOfUse, joined, withHeld, type Drawn, type Source } from './draw';
import { mainProtein, mixedWith, nextRun, rotated, tiredOf, type ProteinRun } from './rotation';
import { addUp } from '../add-up';
import { nth, sure } from '../sure';
import { allot, isShared, type Allotment } from './allot';

export interface MealAhead {
  readonly kcal: number;
  /** The recipe that this meal is always made of. */
  readonly recipeId?: number | undefined;
}

export interface DogAhead {
  readonly dogId: number;
  /** What is still to be fed on a day, meal by meal; 0 is today. Asked only while there is something to draw. */
  readonly mealsOn: (index: number) => readonly MealAhead[];
  /** The protein that it had until yesterday, and what it had of today; absent: nobody asks. */
  readonly run?: ProteinRun | undefined;
  readonly hadToday?: string | undefined;
}

/** How a household wants to feed. */
export interface FeedingRules {
  /** Days in a row that a dog gets one protein, where something else is there; absent: as long as it lasts. */
  readonly proteinDays?: number | undefined;
  /** A dog's meals of one day are of different proteins, where there are several. */
  readonly mixed?: boolean;
}

export interface CoveredDay {
  readonly day: LocalDate;
  readonly drawn: readonly Drawn[];
  readonly covered: boolean;
  /** The protein that it had for as long as the household allows: something else was taken out where there was any. */
  readonly tired?: string;
}

export interface Cover {
  readonly dogId: number;
  readonly days: readonly CoveredDay[];
  /** Whole days from today that the stock provides for. */
  readonly coverDays: number;
  /** What several dogs may eat was divided among them: by dates alone one of them would run out sooner. */
  readonly divided: boolean;
}

/**
 * Plays the coming days against the stock, first expired first out, for all dogs together.
 *
 * Takes each dog's meals (kcal) per day from today, how many days, the packs and how the household feeds; returns which pack feeds whom on which day. A frozen pack is taken as moved to the fridge the day
 * before its first use, a dry one as opened then. A dog that has had one protein for as long as the household allows gets another where
 * there is one, unless something is thawed already. Once nothing is left, the days after a dog's first gap are gaps. What several
 * dogs may eat is divided among them where that feeds them for longer or leaves less past its date ({@link allot}).
 * Source: handbook 11.
 */
export function coverOf(
  dogs: readonly DogAhead[],
  days: number,
  sources: readonly Source[],
  today: LocalDate,
  keeps: FeedingRules = {},
): Cover[] {
  const byDate = play(dogs, days, sources, today, keeps, {});
  const dogIds = dogs.map(({ dogId }) => dogId);
  if (byDate.every(({ coverDays }) => coverDays === days) || !isShared(dogIds, sources)) return byDate;
  const eaters = dogs.map(({ dogId, mealsOn }) => ({
    dogId,
    kcal: Array.from({ length: days }, (_, index) => addUp(mealsOn(index), ({ kcal }) => kcal)),
  }));
  const least = (cover: readonly Cover[]) => Math.min(...cover.map(({ coverDays }) => coverDays));
  const all = (cover: readonly Cover[]) => addUp(cover, ({ coverDays }) => coverDays);
  const past = (cover: readonly Cover[]) => leftPast(cover, least(cover), sources, today);
  const better = (before: Cover[], other: Cover[]) =>
    (least(other) - least(before) || past(before) - past(other) || all(other) - all(before)) > 0 ? other : before;
  const kept = sources.filter(({ blocked, grams }) => blocked !== true && grams > 0);
  const allotted = allot(eaters, inOrderOfUse(kept, today), today);
  const divided = better(byDate, play(dogs, days, sources, today, keeps, { allotted }));
  // What was taken out for one dog waits for the other in the fridge: what is one dog's own can go first.
  const others = [{ allotted, ownFirst: true }, { ownFirst: true }];
  return others.map((manner) => play(dogs, days, sources, today, keeps, manner)).reduce(better, divided);
}

/** g that are past their safe day after so many played days. */
function leftPast(cover: readonly Cover[], days: number, sources: readonly Source[], today: LocalDate): number {
  const over = addDays(today, days);
  const drawn = new Map<string, { readonly first: LocalDate; readonly grams: number }>();
  for (const own of cover)
    for (const { day, drawn: parts } of own.days.slice(0, days))
      for (const { key, grams } of parts) {
        const before = drawn.get(key);
        drawn.set(key, {
          first: before && before.first < day ? before.first : day,
          grams: (before?.grams ?? 0) + grams,
        });
      }
  return addUp(sources, (source) => {
    const used = drawn.get(source.key);
    const safe = used ? { ...source, ...firstUse(source, used.first) }.safeUntil : source.safeUntil;
    return source.blocked !== true && safe !== undefined && safe < over ? source.grams - (used?.grams ?? 0) : 0;
  });
}

interface Manner {
  readonly allotted?: Allotment;
  /** What is frozen for several dogs is taken out after what is frozen for one. */
  readonly ownFirst?: boolean;
}

/** Plays the days once; each dog counts on what was allotted to it first, and by dates alone where nothing was. */
function play(
  dogs: readonly DogAhead[],
  days: number,
  sources: readonly Source[],
  today: LocalDate,
  keeps: FeedingRules,
  { allotted, ownFirst = false }: Manner,
): Cover[] {
  const dogIds = dogs.map(({ dogId }) => dogId);
  const isAnothersToo = new Map(sources.map((source) => [source.key, isShared(dogIds, [source])]));
  const waits = ({ place, key }: Source) => ownFirst && place === 'freezer' && isAnothersToo.get(key) === true;
  const open = new Map([...(allotted ?? [])].map(([dogId, own]) => [dogId, new Map(own)]));
  const stock = new Map(sources.map((source) => [source.key, { ...source }]));
  const played = new Map<number, CoveredDay[]>(dogs.map((dog) => [dog.dogId, []]));
  const runs = new Map(dogs.map((dog) => [dog.dogId, dog.run]));
  for (let index = 0; index < days; index++) {
    const day = addDays(today, index);
    const left = [...stock.values()].filter((source) => source.grams > 0);
    const inOrder = inOrderOfUse(left, day).filter((source) => source.place !== 'warm' || index === 0);
    const ready = [...inOrder.filter((source) => !waits(source)), ...inOrder.filter(waits)];
    for (const dog of dogs) {
      const own = sure(played.get(dog.dogId));
      if (ready.length === 0 && !own.every((before) => before.covered)) {
        own.push({ day, drawn: [], covered: false });
        continue;
      }
      const tired = tiredOf(runs.get(dog.dogId), keeps.proteinDays);
      const drawnToday: Drawn[] = [];
      let covered = true;
      let had = index === 0 ? dog.hadToday : undefined;
      const protein = (drawn: readonly Drawn[]) =>
        mainProtein(drawn.map(({ key, kcal }) => ({ kcal, protein: sure(stock.get(key)).protein?.word })));
      for (const meal of keeps.mixed ? dog.mealsOn(index) : together(dog.mealsOn(index))) {
        const order = rotated(
          fitFor(
            ready
              .filter((source) => sure(stock.get(source.key)).grams > 0)
              .map((source) => sure(stock.get(source.key))),
            dog.dogId,
            meal.recipeId,
          ),
          tired,
        );
        const counts = open.get(dog.dogId);
        const { drawn, missing } = drawMeal(
          meal.kcal,
          countedOn(withHeld(keeps.mixed ? mixedWith(order, had, day) : order, dog.dogId, day), counts),
          dog.dogId,
        );
        for (const { key, kcal } of drawn) counts?.set(key, (counts.get(key) ?? 0) - kcal);
        for (const part of drawn) {
          const source = sure(stock.get(part.key));
          stock.set(part.key, { ...source, ...firstUse(source, day), grams: source.grams - part.grams });
        }
        drawnToday.push(...drawn);
        if (keeps.mixed) had = protein(drawn) ?? had;
        covered &&= missing === 0;
      }
      own.push({ day, drawn: joined(drawnToday), covered, ...(tired === undefined ? {} : { tired }) });
      if (keeps.proteinDays !== undefined) {
        runs.set(
          dog.dogId,
          nextRun(runs.get(dog.dogId), (index === 0 ? dog.hadToday : undefined) ?? protein(drawnToday)),
        );
      }
    }
  }
  return dogs.map((dog) => {
    const own = sure(played.get(dog.dogId));
    const gap = own.findIndex((day) => !day.covered);
    return {
      dogId: dog.dogId,
      days: own,
      coverDays: gap === -1 ? own.length : gap,
      divided: allotted !== undefined || ownFirst,
    };
  });
}

/** Where the stock was divided among dogs, what the played days draw for this one today comes first. Takes sources in order of use. */
export function dividedFirst<T extends Source>(order: readonly T[], cover: Cover | undefined): T[] {
  const today = new Set(cover?.divided === true ? cover.days[0]?.drawn.map(({ key }) => key) : []);
  return [...order.filter(({ key }) => today.has(key)), ...order.filter(({ key }) => !today.has(key))];
}

/** What a dog counts on comes first, as much of it as it may; the rest of it, and what it does not count on, after that. */
function countedOn(order: readonly Source[], counts: ReadonlyMap<string, number> | undefined): Source[] {
  if (!counts) return [...order];
  const own = order.map((source) => {
    const may = Math.ceil((counts.get(source.key) ?? 0) / source.density - 1e-6);
    return Math.max(0, Math.min(source.grams, may));
  });
  const part = (grams: (index: number) => number) =>
    order.map((source, index) => ({ ...source, grams: grams(index) })).filter(({ grams: left }) => left > 0);
  return [...part((index) => nth(own, index)), ...part((index) => nth(order, index).grams - nth(own, index))];
}

/** Meals that may be made of the same food are drawn as one: a crumb is a crumb of the day. */
function together(meals: readonly MealAhead[]): MealAhead[] {
  const byRecipe = new Map<number | undefined, number>();
  for (const { recipeId, kcal } of meals) byRecipe.set(recipeId, (byRecipe.get(recipeId) ?? 0) + kcal);
  return [...byRecipe].map(([recipeId, kcal]) => ({ recipeId, kcal }));
}

/** kcal that the stock provides for each dog on each day of its cover, by dog and day; days without are left out. */
export const kcalCovered = (cover: readonly Cover[]): Readonly<Record<number, Readonly<Record<LocalDate, number>>>> =>
  Object.fromEntries(
    cover.map((own) => [
      own.dogId,
      Object.fromEntries(
        own.days.filter((day) => day.drawn.length > 0).map((day) => [day.day, addUp(day.drawn, (drawn) => drawn.kcal)]),
      ),
    ]),
  );
