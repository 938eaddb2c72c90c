import { addDays, type LocalDate } from '../calendar/local-date';
import { weightOn } from '../dog/day-energy';
import type { Dog } from '../dog/dog';
import { fillsOf, type BatchMeals } from '../dog/filling';
import { mealsOn, type DayMeal } from '../dog/meals';
import { nth, sure } from '../sure';
import { addUp } from '../add-up';

/** What is asked of one recipe over some days, which need not be whole. */
export interface BatchDemand {
  /** kcal of home-cooked food. */
  readonly need: number;
  /** Dogs × days, each counted by the part of its day's energy that this recipe brings. */
  readonly dogDays: number;
  /** Body weight in kg × days, counted in the same way. */
  readonly kgDays: number;
}

/** A dog's part of a plan, in kcal: of each day, and of each day from each recipe. */
export interface DogNeed {
  readonly dogId: number;
  readonly name: string;
  readonly byDay: readonly number[];
  readonly byBatch: readonly number[];
}

export interface Demand {
  /** How many dogs are cooked for. */
  readonly dogs: number;
  /** The sums of the first so many days, recipe by recipe. */
  readonly over: (days: number) => readonly BatchDemand[];
  /** Dog by dog over so many whole days. */
  readonly byDog: (days: number) => readonly DogNeed[];
}

/** kcal that a dog's stock already holds for a day. */
export type Covered = (dogId: number, day: LocalDate) => number;

interface DogDay {
  readonly kcal: readonly number[];
  readonly parts: readonly number[];
  readonly kg: number;
}

/** A dog's meals and weight on a day. */
interface DogMeals {
  readonly meals: readonly DayMeal[];
  readonly kg: number;
}

/** Reckoned once for a dog and a day: a plan is worked out anew at every key, and its dogs stay the same. */
const reckoned = new WeakMap<Dog, Map<LocalDate, DogMeals>>();

function mealsOf(dog: Dog, day: LocalDate): DogMeals {
  const own = reckoned.get(dog) ?? new Map<LocalDate, DogMeals>();
  reckoned.set(dog, own);
  const known = own.get(day) ?? { meals: mealsOn(dog, day), kg: weightOn(dog, day) / 1000 };
  own.set(day, known);
  return known;
}

/** The meals of a day that no recipe of the plan fills: "Wren’s lunch". */
export const unfilledMeals = (dogs: readonly Dog[], day: LocalDate, batches: readonly BatchMeals[]): string[] =>
  dogs.flatMap((dog) =>
    mealsOf(dog, day)
      .meals.filter((meal) => meal.kcal > 0 && fillsOf(batches, meal).every((part) => part === 0))
      .map((meal) => `${dog.name}’s ${meal.name}`),
  );

function dogDay(
  dog: Dog & { readonly id: number },
  day: LocalDate,
  batches: readonly BatchMeals[],
  covered: number,
): DogDay {
  const kcal = batches.map(() => 0);
  let whole = 0;
  const { meals, kg } = mealsOf(dog, day);
  for (const meal of meals) {
    whole += meal.kcal;
    fillsOf(batches, meal).forEach((part, index) => (kcal[index] = nth(kcal, index) + meal.kcal * part));
  }
  const planned = addUp(kcal, (own) => own);
  const left = planned > 0 ? Math.max(0, 1 - covered / planned) : 0;
  const own = kcal.map((each) => each * left);
  return { kcal: own, parts: own.map((each) => (whole > 0 ? each / whole : 0)), kg };
}

/**
 * What dogs ask of the recipes of a plan, day by day from the first; every day is reckoned once, however often it is
 * asked for. A meal that a ration gives to a recipe goes to that one; any other meal is divided among the recipes that
 * fill it, by their shares. What the stock already holds is taken off, never below 0.
 *
 * Takes dogs, the first feeding day, the recipes with their meals, and kcal in stock by dog and day. Source: each
 * dog's ration in force; arithmetic.
 */
export function demandOf(
  dogs: readonly (Dog & { readonly id: number })[],
  first: LocalDate,
  batches: readonly BatchMeals[],
  covered: Covered = () => 0,
): Demand {
  const days: (readonly DogDay[])[] = [];
  const dayAt = (index: number) => {
    while (days.length <= index) {
      const day = addDays(first, days.length);
      days.push(dogs.map((dog) => dogDay(dog, day, batches, covered(dog.id, day))));
    }
    return nth(days, index);
  };
  const sums: (readonly BatchDemand[])[] = [batches.map(() => ({ need: 0, dogDays: 0, kgDays: 0 }))];
  const upTo = (count: number) => {
    while (sums.length <= count) {
      const own = dayAt(sums.length - 1);
      sums.push(
        sure(sums.at(-1)).map((before, batch) => {
          const after = { ...before };
          for (const { kcal, parts, kg } of own) {
            after.need += sure(kcal[batch]);
            after.dogDays += sure(parts[batch]);
            after.kgDays += kg * sure(parts[batch]);
          }
          return after;
        }),
      );
    }
    return nth(sums, count);
  };
  return {
    dogs: dogs.length,
    over: (count) => {
      const whole = Math.floor(count);
      const part = count - whole;
      const from = upTo(whole);
      if (part === 0) return from;
      const to = upTo(whole + 1);
      const between = (batch: number, figure: keyof BatchDemand) =>
        sure(from[batch])[figure] + part * (sure(to[batch])[figure] - sure(from[batch])[figure]);
      return batches.map((_, batch) => ({
        need: between(batch, 'need'),
        dogDays: between(batch, 'dogDays'),
        kgDays: between(batch, 'kgDays'),
      }));
    },
    byDog: (count) =>
      dogs.map((dog, index) => {
        const own = Array.from({ length: count }, (_, day) => sure(dayAt(day)[index]));
        return {
          dogId: dog.id,
          name: dog.name,
          byDay: own.map((day) => addUp(day.kcal, (kcal) => kcal)),
          byBatch: batches.map((_, batch) => addUp(own, (day) => sure(day.kcal[batch]))),
        };
      }),
  };
}
