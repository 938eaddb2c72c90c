import { addDays, type LocalDate } from '../calendar/local-date';
import { dayMeals, type MealParts } from './day-meals';
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
  /** Its slot, and when it is fed; absent: nobody asks what goes into it. */
  readonly id?: number;
  readonly clock?: string;
}

export interface DogAhead {
  readonly dogId: number;
  /** What is still to be fed on a day, meal by meal; 0 is today. Asked only while there is something to draw. */
  readonly mealsOn: (index: number) => readonly MealAhead[];
  /** It gets no meal here on that day: it is away, fasts, or is a guest that is not here. Absent: it is always here. */
  readonly isOff?: (index: number) => boolean;
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
  /** What of it goes into each meal. */
  readonly meals: readonly MealParts[];
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
 * before its first use, a dry one as opened then; today, what is still frozen comes after all that is not. Of today who eats first is given its share first. A dog that has had one protein for as long as the household allows gets another where
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
  const frozen = new Set(sources.flatMap(({ key, place }) => (place === 'freezer' ? [key] : [])));
  const open = new Map([...(allotted ?? [])].map(([dogId, own]) => [dogId, new Map(own)]));
  const stock = new Map(sources.map((source) => [source.key, { ...source }]));
  const played = new Map<number, CoveredDay[]>(dogs.map((dog) => [dog.dogId, []]));
  const runs = new Map(dogs.map((dog) => [dog.dogId, dog.run]));
  for (let index = 0; index < days; index++) {
    const day = addDays(today, index);
    const left = [...stock.values()].filter((source) => source.grams > 0);
    const inOrder = inOrderOfUse(left, day).filter((source) => source.place !== 'warm' || index === 0);
    const ready = [...inOrder.filter((source) => !waits(source)), ...inOrder.filter(waits)];
    const isGap = ({ dogId }: DogAhead) =>
      ready.length === 0 && !sure(played.get(dogId)).every((before) => before.covered);
    const eating = dogs
      .filter((dog) => !isGap(dog))
      .map((dog): Eating => ({
        dog,
        tired: tiredOf(runs.get(dog.dogId), keeps.proteinDays),
        had: index === 0 ? dog.hadToday : undefined,
        drawn: [],
        meals: [],
        covered: true,
      }));
    const protein = (drawn: readonly Drawn[]) =>
      mainProtein(drawn.map(({ key, kcal }) => ({ kcal, protein: sure(stock.get(key)).protein?.word })));
    for (const { own, meals, kcal, recipeId } of turnsOf(eating, index, keeps.mixed === true)) {
      const { dogId } = own.dog;
      const here = ready.map(({ key }) => sure(stock.get(key))).filter(({ grams }) => grams > 0);
      const order = rotated(fitFor(here, dogId, recipeId), own.tired);
      const counts = open.get(dogId);
      const counted = countedOn(withHeld(keeps.mixed ? mixedWith(order, own.had, day) : order, dogId, day), counts);
      const { drawn, missing } = drawMeal(kcal, index === 0 ? thawedFirst(counted, frozen) : counted, dogId);
      own.meals.push(...partsOf(drawn, meals, stock));
      for (const part of drawn) {
        counts?.set(part.key, (counts.get(part.key) ?? 0) - part.kcal);
        const source = sure(stock.get(part.key));
        stock.set(part.key, { ...source, ...firstUse(source, day), grams: source.grams - part.grams });
      }
      own.drawn.push(...drawn);
      if (keeps.mixed) own.had = protein(drawn) ?? own.had;
      own.covered &&= missing === 0;
    }
    // Of nothing a dog that is away lacks nothing.
    for (const dog of dogs.filter(isGap))
      sure(played.get(dog.dogId)).push({ day, drawn: [], meals: [], covered: dog.isOff?.(index) === true });
    for (const { dog, tired, drawn, meals, covered } of eating) {
      const rotates = tired === undefined ? {} : { tired };
      sure(played.get(dog.dogId)).push({ day, drawn: joined(drawn), meals, covered, ...rotates });
      if (keeps.proteinDays !== undefined) {
        runs.set(dog.dogId, nextRun(runs.get(dog.dogId), (index === 0 ? dog.hadToday : undefined) ?? protein(drawn)));
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

/** A dog on a day that is being played. */
interface Eating {
  readonly dog: DogAhead;
  readonly tired: string | undefined;
  had: string | undefined;
  readonly drawn: Drawn[];
  readonly meals: MealParts[];
  covered: boolean;
}

/** What is drawn at once for a dog: one meal, or those of a day that may be made of the same food. */
interface Turn {
  readonly own: Eating;
  readonly meals: readonly MealAhead[];
  readonly kcal: number;
  readonly recipeId: number | undefined;
}

/** In which turns a day is drawn: today meal by meal by the clock, so that nobody's supper takes what is another one's breakfast. */
function turnsOf(eating: readonly Eating[], index: number, mixed: boolean): Turn[] {
  const isToday = index === 0;
  const turns = eating.flatMap((own): Turn[] => {
    const meals = own.dog.mealsOn(index);
    const drawn = isToday || mixed ? meals.map((meal) => asOne(meal.recipeId, [meal])) : together(meals);
    return drawn.map((each) => ({ ...each, own }));
  });
  const clockOf = ({ meals: [first] }: Turn) => first?.clock ?? '';
  return isToday ? turns.sort((a, b) => clockOf(a).localeCompare(clockOf(b))) : turns;
}

const asOne = (recipeId: number | undefined, meals: readonly MealAhead[]): Omit<Turn, 'own'> => ({
  recipeId,
  meals,
  kcal: addUp(meals, ({ kcal }) => kcal),
});

/** Today nobody eats what is frozen while there is something that is not. Takes sources in order of use. */
const thawedFirst = (order: readonly Source[], frozen: ReadonlySet<string>): Source[] => [
  ...order.filter(({ key }) => !frozen.has(key)),
  ...order.filter(({ key }) => frozen.has(key)),
];

/** What of it goes into each of the meals that it was drawn for. */
const partsOf = (
  drawn: readonly Drawn[],
  meals: readonly MealAhead[],
  stock: ReadonlyMap<string, Source>,
): MealParts[] =>
  dayMeals(
    drawn,
    meals.flatMap(({ id, kcal }) => (id === undefined ? [] : [{ slotId: id, kcal }])),
    stock,
  );

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
function together(meals: readonly MealAhead[]): Omit<Turn, 'own'>[] {
  const byRecipe = new Map<number | undefined, MealAhead[]>();
  for (const meal of meals) byRecipe.set(meal.recipeId, [...(byRecipe.get(meal.recipeId) ?? []), meal]);
  return [...byRecipe].map(([recipeId, own]) => asOne(recipeId, own));
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
