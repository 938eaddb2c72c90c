import { addDays, type LocalDate } from '../calendar/local-date';
import { drawMeal, fitFor, inOrderOfUse, type Drawn, type Source } from './draw';
import { mainProtein, nextRun, rotated, tiredOf, type ProteinRun } from './rotation';
import { addUp } from '../add-up';
import { sure } from '../sure';

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

/** How long things keep here, and how a household wants to feed. */
export interface Keeps {
  readonly fridgeDays: number;
  readonly openedDriedDays: number;
  /** Days in a row that a dog gets one protein, where something else is there; absent: as long as it lasts. */
  readonly proteinDays?: number | undefined;
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
}

/**
 * Plays the coming days against the stock, first expired first out, for all dogs together.
 *
 * Takes each dog's meals (kcal) per day from today, how many days, the packs, the household's fridge days and the days
 * that opened dry food keeps; returns which pack feeds whom on which day. A frozen pack is taken as moved to the fridge the day
 * before its first use, a dry one as opened then. A dog that has had one protein for as long as the household allows gets another where
 * there is one, unless something is thawed already. Once nothing is left, the days after a dog's first gap are gaps.
 * Source: handbook 11.
 */
export function coverOf(
  dogs: readonly DogAhead[],
  days: number,
  sources: readonly Source[],
  today: LocalDate,
  keeps: Keeps,
): Cover[] {
  const stock = new Map(sources.map((source) => [source.key, { ...source }]));
  const played = new Map<number, CoveredDay[]>(dogs.map((dog) => [dog.dogId, []]));
  const runs = new Map(dogs.map((dog) => [dog.dogId, dog.run]));
  for (let index = 0; index < days; index++) {
    const day = addDays(today, index);
    const left = [...stock.values()].filter((source) => source.grams > 0);
    const ready = inOrderOfUse(left, day).filter((source) => source.place !== 'warm' || index === 0);
    for (const dog of dogs) {
      const own = sure(played.get(dog.dogId));
      if (ready.length === 0 && !own.every((before) => before.covered)) {
        own.push({ day, drawn: [], covered: false });
        continue;
      }
      const tired = tiredOf(runs.get(dog.dogId), keeps.proteinDays);
      const drawnToday: Drawn[] = [];
      let covered = true;
      for (const meal of together(dog.mealsOn(index))) {
        const { drawn, missing } = drawMeal(
          meal.kcal,
          rotated(
            fitFor(
              ready
                .filter((source) => sure(stock.get(source.key)).grams > 0)
                .map((source) => sure(stock.get(source.key))),
              dog.dogId,
              meal.recipeId,
            ),
            tired,
          ),
          dog.dogId,
        );
        for (const part of drawn) {
          const source = sure(stock.get(part.key));
          stock.set(part.key, { ...source, ...firstUse(source, day, keeps), grams: source.grams - part.grams });
        }
        drawnToday.push(...drawn);
        covered &&= missing === 0;
      }
      own.push({ day, drawn: drawnToday, covered, ...(tired === undefined ? {} : { tired }) });
      if (keeps.proteinDays !== undefined) {
        const drawn = mainProtein(
          drawnToday.map(({ key, kcal }) => ({ kcal, protein: sure(stock.get(key)).protein?.word })),
        );
        runs.set(dog.dogId, nextRun(runs.get(dog.dogId), (index === 0 ? dog.hadToday : undefined) ?? drawn));
      }
    }
  }
  return dogs.map((dog) => {
    const own = sure(played.get(dog.dogId));
    const gap = own.findIndex((day) => !day.covered);
    return { dogId: dog.dogId, days: own, coverDays: gap === -1 ? own.length : gap };
  });
}

/** Meals that may be made of the same food are drawn as one: a crumb is a crumb of the day. */
function together(meals: readonly MealAhead[]): MealAhead[] {
  const byRecipe = new Map<number | undefined, number>();
  for (const { recipeId, kcal } of meals) byRecipe.set(recipeId, (byRecipe.get(recipeId) ?? 0) + kcal);
  return [...byRecipe].map(([recipeId, kcal]) => ({ recipeId, kcal }));
}

function firstUse(
  source: Source,
  day: LocalDate,
  keeps: Pick<Keeps, 'fridgeDays' | 'openedDriedDays'>,
): Partial<Source> {
  if (source.place === 'freezer')
    return { place: 'fridge', opened: true, safeUntil: addDays(day, keeps.fridgeDays - 1) };
  if (source.waterPerGram > 0 && !source.opened) {
    const opened = addDays(day, keeps.openedDriedDays);
    return {
      opened: true,
      safeUntil: source.safeUntil !== undefined && source.safeUntil < opened ? source.safeUntil : opened,
    };
  }
  return { opened: true };
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
