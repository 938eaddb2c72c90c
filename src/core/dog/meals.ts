import { daysBetween, type LocalDate } from '../calendar/local-date';
import { grams, kilocalories, type Kilocalories } from '../quantity/units';
import { additionOf, type BowlAddition } from './bowl-line';
import { dayEnergy, type DayEnergy } from './day-energy';
import { fillsOf, type Filling } from './filling';
import { isFedOn } from './days-off';
import { lessOf } from './given';
import { rationOn, type Dog, type Slot, type SlotPart } from './dog';
import { lifeStage, type LifeStage } from './stage';
import { nth, sure } from '../sure';
import { addUp } from '../add-up';

/** The meals that a day may have, in order, with their usual times (common practice, no source). */
export const USUAL_SLOTS = [
  { name: 'breakfast', clock: '07:30' },
  { name: 'elevenses', clock: '10:00' },
  { name: 'lunch', clock: '12:30' },
  { name: 'tea', clock: '15:30' },
  { name: 'supper', clock: '18:00' },
] as const;

export type UsualSlot = (typeof USUAL_SLOTS)[number]['name'];

export const MOST_MEALS = 5;

const NAMES: Readonly<Record<number, readonly UsualSlot[]>> = {
  1: ['supper'],
  2: ['breakfast', 'supper'],
  3: ['breakfast', 'lunch', 'supper'],
  4: ['breakfast', 'lunch', 'tea', 'supper'],
  5: ['breakfast', 'elevenses', 'lunch', 'tea', 'supper'],
};

/** The names of the usual meals of a day with so many. */
export function namesOfMeals(count: number): readonly string[] {
  const names = NAMES[count];
  if (!names) throw new Error(`${count} meals a day are not offered`);
  return names;
}

/** 2 meals a day for adults, 3 up to six months, 4 below three and for nursing dogs. Source: common practice, no source. */
export function usualMeals(ageDays: number, stage: LifeStage['kind'] = 'adult'): number {
  if (stage === 'lactation') return 4;
  return ageDays < 90 ? 4 : ageDays < 183 ? 3 : 2;
}

/** One meal of one day: its part of the energy, and what is added in the bowl. */
export interface DayMeal extends Slot {
  readonly fraction: number;
  /** The recipe that this meal is always made of. */
  readonly recipeId: number | undefined;
  /** What the home-cooked food of this meal has to bring: its fraction less what the additions bring and what it got besides. Never below 0. */
  readonly kcal: Kilocalories;
  /** Of it, what it had already: a treat, another meal. */
  readonly less: Kilocalories;
  readonly additions: readonly BowlAddition[];
  /** The additions alone bring more than the meal may hold. */
  readonly overfull: boolean;
}

/** Which part of the day each slot gets on a day, in the order of the clock. */
export function partsOn(dog: Dog, day: LocalDate): SlotPart[] {
  const { meals } = rationOn(dog, day);
  if (meals) return [...meals];
  const names = namesOfMeals(usualMeals(daysBetween(dog.birthDate, day), lifeStage(dog, day).kind));
  return names.map((name) => {
    const slot = dog.slots.find((each) => each.name === name);
    if (!slot) throw new Error(`${dog.name} has no ${name}`);
    return { slotId: slot.id, fraction: 1 / names.length };
  });
}

/**
 * The meals of a dog's day in the order of the clock; none on days on which it is not fed here. A bowl line whose meal is
 * not fed on this day goes into the
 * last one. Portion and additions are solved together: the food brings the meal's kcal less theirs.
 */
export function mealsOn(dog: Dog, day: LocalDate, energy: DayEnergy = dayEnergy(dog, day)): DayMeal[] {
  const parts = partsOn(dog, day)
    .map((part) => ({ ...part, slot: sure(dog.slots.find((each) => each.id === part.slotId)) }))
    .sort((a, b) => (a.slot.clock < b.slot.clock ? -1 : 1));
  const last = parts.at(-1);
  const isFed = (slot: Slot) => !dog.daysOff || isFedOn(dog.daysOff, day, slot.id);
  return parts
    .filter(({ slot }) => isFed(slot))
    .map(({ slot, fraction, recipeId }) => {
      const additions = dog.bowlLines
        .filter(
          (line) =>
            line.slotId === slot.id || (slot === last?.slot && !parts.some((part) => part.slotId === line.slotId)),
        )
        .map((line) => additionOf(line, grams(energy.weight)));
      const own = energy.homeKcal * fraction - addUp(additions, (each) => each.kcal);
      const less = Math.min(Math.max(0, own), lessOf(dog.less, day, slot.id));
      return {
        ...slot,
        fraction,
        recipeId,
        kcal: kilocalories(Math.max(0, own - less)),
        less: kilocalories(less),
        additions,
        overfull: own < 0,
      };
    });
}

/** The names of the meals that are always of a recipe, "breakfast and supper". */
export const mealsAlways = (dog: Dog, recipeId: number, day: LocalDate): string =>
  partsOn(dog, day)
    .filter((part) => part.recipeId === recipeId)
    .map((part) => sure(dog.slots.find(({ id }) => id === part.slotId)).name)
    .join(' and ');

/** The meals of a day that a recipe fills, each with the kcal that it brings; without a recipe all of them. */
export const mealsFilledBy = (dog: Dog, day: LocalDate, filling?: Filling, energy?: DayEnergy): DayMeal[] =>
  mealsOn(dog, day, energy).flatMap((meal) => {
    const part = filling === undefined ? 1 : nth(fillsOf(filling.batches, meal), filling.batch);
    return part > 0 ? [{ ...meal, kcal: kilocalories(meal.kcal * part) }] : [];
  });

/** The home-cooked kcal of a day: of all meals, or of what one recipe fills of them. */
export const homeEnergyOn = (dog: Dog, day: LocalDate, filling?: Filling): Kilocalories =>
  kilocalories(addUp(mealsFilledBy(dog, day, filling), (meal) => meal.kcal));

/** How the meals of a day stand by the clock. */
export interface MealsStand<T> {
  /** Those still to come, the next one first. */
  readonly toCome: readonly T[];
  /** Those that nobody pressed and whose time is over: a later one was fed, or is next by now. */
  readonly missed: readonly T[];
}

/**
 * How the meals of today stand: which was missed, which is next. Whoever shows a meal, makes one smaller or plays the day asks this.
 * Next is the last open one whose time has come (or comes within two hours), else the first open one; a meal before one that was fed
 * is not open any more. Takes the meals in the order of the clock, which of them were fed, and the time. Source: ours, no source.
 */
export function mealsStand<T extends { readonly id: number; readonly clock: string }>(
  meals: readonly T[],
  fed: ReadonlySet<number | null>,
  clock: string,
): MealsStand<T> {
  const open = meals.slice(meals.findLastIndex(({ id }) => fed.has(id)) + 1);
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  const soon = `${String(Math.min(23, hour + 2)).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
  const next = open.filter((meal) => meal.clock <= soon).at(-1) ?? open[0];
  const toCome = next ? open.slice(open.indexOf(next)) : [];
  return { toCome, missed: meals.filter((meal) => !fed.has(meal.id) && !toCome.includes(meal)) };
}
