import 'server-only';
import { clockIn, type LocalDate } from '@/core/calendar/local-date';
import { sayAddition } from '@/core/dog/bowl-line';
import { dayEnergy, type DayEnergy } from '@/core/dog/day-energy';
import { sayOff } from '@/core/dog/days-off';
import { worryOf } from '@/core/dog/given';
import { mealsOn, mealsStand, type DayMeal } from '@/core/dog/meals';
import { sayUnbalanced } from '@/core/dog/otherwise-entry';
import { cautionOf } from '@/core/dog/stage';
import type { UnitSet } from '@/core/quantity/units';
import { writeKcal, writeMassIn } from '@/core/quantity/write';
import { addUp } from '@/core/add-up';
import type { Cover } from '@/core/stock/cover';
import { inOrderOfUse, missingFrom } from '@/core/stock/draw';
import { explainMeal } from '@/core/stock/explain-meal';
import type { Ahead } from '@/data/ahead';
import type { Page } from '@/data/page';
import type { StoredBowl } from '@/data/repositories/bowls';
import type { StoredDog } from '@/data/repositories/dogs';
import { earlierMeal } from '../earlier/queries';
import { sayBowl } from '../say-bowl';
import type { DogToday, FedMeal, ShownSource } from '../view';

/** Each dog's next bowl as the coming days are played, and what it had today. */
export function bowlsToday(
  { today, clock, household, reference }: Page,
  {
    ahead,
    bowls,
    ready,
    cover,
  }: {
    readonly ahead: Ahead;
    /** Those of today. */
    readonly bowls: readonly StoredBowl[];
    /** What is not frozen. */
    readonly ready: readonly ShownSource[];
    readonly cover: readonly Cover[];
  },
): DogToday[] {
  const { dogs } = ahead;
  const meals = dogs.map((dog) => {
    const energy = dayEnergy(dog, today);
    // A meal that is all bought food or additions has nothing to press.
    const slots = mealsOn(dog, today, energy).filter((meal) => meal.kcal > 0);
    // Another meal stands with what it had besides.
    const own = bowls.filter((bowl) => bowl.dogId === dog.id && bowl.slotId !== null);
    const { toCome, missed } = mealsStand(slots, new Set(own.map(({ slotId }) => slotId)), clock);
    return { dog, energy, own, slot: toCome[0], missed };
  });
  const thawed = new Set(ready.map(({ key }) => key));
  return meals.map(({ dog, energy, own, slot, missed }): DogToday => {
    const kcal = slot?.kcal ?? 0;
    const meals = cover.find(({ dogId }) => dogId === dog.id)?.days[0]?.meals;
    const parts = meals?.find(({ slotId }) => slotId === slot?.id)?.parts ?? [];
    // What is frozen still goes into no bowl: it is said, to be thawed in cold water.
    const drawn = parts.filter(({ key }) => thawed.has(key));
    const still = parts.filter(({ key }) => !thawed.has(key));
    const missing = missingFrom(kcal, drawn);
    return {
      id: dog.id,
      name: dog.name,
      badge: dog.badge,
      letters: dog.letters,
      next: slot && {
        slotId: slot.id,
        slotName: slot.name,
        clock: slot.clock,
        kcal,
        recipeId: slot.recipeId,
        additions: slot.additions.map((each) => ({ lineId: each.lineId, said: sayAddition(each) })),
        less: slot.less > 0 ? `${writeKcal(slot.less)} kcal less, for what it had besides` : undefined,
        beside: besideOf(energy, household.unitSet),
        drawn,
        missing,
        why: explainMeal({
          dog: dog.name,
          meal: slot.name,
          energy,
          fraction: slot.fraction,
          additions: slot.additions,
          less: slot.less,
          kcal,
          drawn,
          sources: ready,
        }),
      },
      fed: own.map((bowl): FedMeal => {
        const name = dog.slots.find((each) => each.id === bowl.slotId)?.name ?? 'a meal';
        return {
          bowlId: bowl.id,
          slotName: name,
          clock: clockIn(bowl.fedAt, household.timeZone),
          said: sayBowl(bowl, household.unitSet),
          left: bowl.left?.movementId,
        };
      }),
      missed: missed.map((meal) => earlierMeal(dog, meal, today, undefined)),
      given: dog.given
        .filter((each) => each.day === today)
        .map(({ id, name, said, at }) => ({
          id,
          said: `${clockIn(at, household.timeZone)} ${name}, ${said}`,
          worry: worryOf(name, reference.hazards, dog),
        })),
      treats: sayTreats(energy, dog, today),
      caution: besideBowl(dog, today, slot),
      off: sayOff(dog.daysOff, today),
      frozen: still.map(({ code }) => code),
    };
  });
}

/** Frozen cubes and pieces, which may go into a bowl as they are. */
export function cubesOf(sources: readonly ShownSource[], today: LocalDate): ShownSource[] {
  return inOrderOfUse(
    sources.filter(({ place }) => place === 'freezer'),
    today,
  ).flatMap((source) => (source.pieceGrams === undefined ? [] : [{ ...source, piece: source.pieceGrams }]));
}

/** Beside the bowl: bought food and treats of the day, and the old food during a change. */
export function besideOf({ extras, oldFood }: DayEnergy, set: UnitSet): string[] {
  const said = extras.each.map((extra) => `${extra.name}, ${extra.said}`);
  if (!oldFood) return said;
  const much = oldFood.grams === undefined ? `${writeKcal(oldFood.kcal)} kcal` : writeMassIn(oldFood.grams, set);
  return [...said, `${much} ${oldFood.name} over the day, until the change is done`];
}

/** What is said beside a bowl: what wants an act today, or that the additions leave nothing for the food. */
function besideBowl(dog: StoredDog, today: LocalDate, slot: DayMeal | undefined): string | undefined {
  if (slot?.overfull) return `What is added to ${slot.name} holds more than the meal: change the addition or the meal.`;
  const caution = cautionOf(dog, today);
  return caution?.pressing ? caution.said : undefined;
}

/** Said where treats and toppers of a day, its usual ones and what it got today, pass a tenth of it. Source: AAHA/WSAVA, from memory. */
function sayTreats({ kcal, extras }: DayEnergy, dog: StoredDog, today: LocalDate): string | undefined {
  const got = dog.given.filter(({ day, kind }) => day === today && (kind === 'treat' || kind === 'topper'));
  return got.length > 0 ? sayUnbalanced(extras.unbalanced + addUp(got, (each) => each.kcal ?? 0), kcal) : undefined;
}
