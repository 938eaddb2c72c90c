import { addUp } from '../add-up';
import { addDays, daysBetween, weekdayName, type LocalDate } from '../calendar/local-date';
import { mealsAlways } from '../dog/meals';
import type { PlanInputs } from '../plan/inputs';
import { freezesADay } from '../preserve/freezing';
import type { Problem } from '../problem';
import { CRUMB, fitFor, isFit, type Source } from '../stock/draw';
import { inOrderToUse } from '../stock/lot';
import { WEEKDAYS, type WeeksAsk } from './ask';
import { readNumbers } from './ask-numbers';
import { apartFrom, dogOfEater, type MealsApart } from './meals-apart';
import { potfulOf, type PotfulOf } from './potful';
import {
  stockKey,
  type SaidOfDay,
  type StockGroup,
  type WeeksDryer,
  type WeeksLot,
  type WeeksProblem,
  type WeeksRecipe,
} from './weeks';

/** What the weeks stand on beside what every plan does. */
export interface WeeksInputs {
  readonly plan: PlanInputs;
  /** kcal that each dog needs of home-cooked food on each coming day, by dog. */
  readonly needs: ReadonlyMap<number, readonly number[]>;
  /** What of them is of meals that are always of one recipe, by dog. */
  readonly always: ReadonlyMap<number, readonly MealsApart[]>;
  /** What is there to be eaten, each with the word of its protein. */
  readonly sources: readonly (Source & { readonly word: string })[];
  /** Minor units of a g of a food, by its key, where a price is known. */
  readonly prices: ReadonlyMap<string, number>;
  /** The dryers of the kitchen, each with what it can. */
  readonly dryers: readonly Omit<WeeksDryer, 'cyclesAWeek'>[];
  /** Open plans: on which day they cook, and kcal of each recipe; what is in a pot now stands as one of today. */
  readonly planned: readonly {
    readonly planId: number;
    readonly day: LocalDate;
    readonly batches: readonly { readonly recipeId: number; readonly kcal: number }[];
    /** It is in a pot now: what was said of that recipe today is done by it, whatever it came to. */
    readonly isInPot?: true;
  }[];
}

/** Packs that are as good as each other: of one protein, for the same dogs, good until the same day. */
function stockGroups(inputs: WeeksInputs, days: number): StockGroup[] {
  const { plan, sources, needs } = inputs;
  const groups = new Map<string, StockGroup>();
  for (const source of sources) {
    if (source.beside === true || !(source.grams > 0) || !isFit(source, plan.today)) continue;
    const dogIds = [...needs.keys()].filter((dogId) => fitFor([source], dogId).length > 0);
    const date = source.place === 'warm' ? plan.today : (source.safeUntil ?? source.bestBy);
    const last = Math.min(days - 1, date === undefined ? days - 1 : daysBetween(plan.today, date));
    if (dogIds.length === 0 || last < 0) continue;
    const key = stockKey(source.word, dogIds, last);
    const before = groups.get(key);
    groups.set(key, {
      key,
      protein: source.word,
      dogIds,
      last,
      // A day that packs fill to all but a crumb is full, as a bowl is.
      kcal: (before?.kcal ?? 0) + (source.grams * source.density) / (1 - CRUMB),
      frozenGrams: (before?.frozenGrams ?? 0) + (source.place === 'freezer' ? source.grams : 0),
    });
  }
  return [...groups.values()];
}

/** The ingredients that are at hand and good on some day to come. */
const lotsOf = ({ plan, prices }: WeeksInputs, days: number): WeeksLot[] =>
  inOrderToUse(plan.lots.filter(({ blocked, grams }) => !blocked && grams > 0)).map(
    ({ key, grams, safeUntil, bestBy }) => {
      const date = safeUntil ?? bestBy;
      const price = prices.get(key);
      return {
        key,
        grams,
        last: date === undefined ? days - 1 : Math.min(days - 1, daysBetween(plan.today, date)),
        worth: price === undefined ? undefined : price * grams,
      };
    },
  );

export interface ReadWeeks {
  readonly problem: WeeksProblem;
  readonly potfuls: readonly PotfulOf[];
  readonly problems: readonly Problem[];
  /** Open plans whose day has passed: nothing of them is counted on. */
  readonly missed: readonly WeeksInputs['planned'][number][];
}

type Pots = NonNullable<SaidOfDay['pots']>;

/** One entry for each recipe. */
const summed = (pots: Pots): Pots =>
  [...new Set(pots.map(({ recipeId }) => recipeId))].map((recipeId) => ({
    recipeId,
    potfuls: addUp(pots, (each) => (each.recipeId === recipeId ? each.potfuls : 0)),
  }));

/** What is planned, as potfuls of each day of the weeks. */
function byDay(planned: WeeksInputs['planned'], recipes: readonly WeeksRecipe[], today: LocalDate): Map<number, Pots> {
  const days = new Map<number, Pots>();
  for (const { day, batches } of planned) {
    const index = daysBetween(today, day);
    const pots = batches.flatMap(({ recipeId, kcal }) => {
      const recipe = recipes.find((each) => each.recipeId === recipeId);
      return recipe ? [{ recipeId, potfuls: kcal / recipe.kcal }] : [];
    });
    days.set(index, summed([...(days.get(index) ?? []), ...pots]));
  }
  return days;
}

/**
 * The problem of the weeks that a household asks for: what its dogs need, its recipes as full potfuls, what is there and until when,
 * when the cook can. Takes the inputs and what is typed; says every problem at its field and goes on with what can be read.
 */
export function readWeeks(inputs: WeeksInputs, ask: WeeksAsk, fixed: ReadonlySet<number> = new Set()): ReadWeeks {
  const { plan } = inputs;
  const days = ask.weeks * 7;
  const { numbers, problems } = readNumbers(ask, plan.today, inputs.dryers);
  const dogs = plan.dogs.filter(({ id }) => ask.dogIds.includes(id));
  const ids = dogs.map(({ id }) => id);
  const planned = inputs.planned.filter(({ planId, day }) => fixed.has(planId) && day >= plan.today);
  const coming = new Set(planned.flatMap(({ batches }) => batches.map(({ recipeId }) => recipeId)));
  const wanted = new Set(ask.recipeIds);
  const potfuls = plan.recipes
    .filter(({ id }) => wanted.has(id) || coming.has(id))
    .map(({ id }) => potfulOf(inputs, id, ids, days, numbers.offers, wanted.has(id)));
  const recipes = potfuls.flatMap(({ recipe }) => recipe ?? []);
  const only = new Map(ask.only.map(({ dogId, protein }) => [dogId, protein]));
  const litres = numbers.litres ?? (plan.freezer.capacity === undefined ? undefined : plan.freezer.capacity / 1000);
  const stock = stockGroups(inputs, days);
  // Of what lies in the freezer the food is counted day by day, all else as it is.
  const other = Math.max(0, plan.freezer.used - addUp(stock, ({ frozenGrams }) => frozenGrams)) / 1000;
  const said: SaidOfDay[] = ask.said
    .map((each) => ({ day: daysBetween(plan.today, each.day as LocalDate), pots: each.pots ?? undefined }))
    .filter(({ day }) => day >= 0 && day < days);
  const inPot = planned.filter((each) => each.isInPot);
  // What is in a pot takes the place of what was said of it; what other plans cook on the day comes on top.
  for (const own of [inPot, planned.filter((each) => !each.isInPot)])
    for (const [day, pots] of byDay(own, recipes, plan.today)) {
      const at = said.findIndex((each) => each.day === day);
      const before = said[at]?.pots ?? [];
      const done =
        own === inPot ? before.filter(({ recipeId }) => !pots.some((each) => each.recipeId === recipeId)) : before;
      const together = { day, pots: summed([...done, ...pots]) };
      if (at === -1) said.push(together);
      else said[at] = together;
    }
  const without = ask.without.map(({ protein, from, to }) => ({
    protein,
    from: daysBetween(plan.today, from as LocalDate),
    to: daysBetween(plan.today, to as LocalDate),
  }));
  const eaters = dogs.flatMap((dog) => {
    const eats = recipes
      .filter(({ protein }) => (only.get(dog.id) ?? protein) === protein)
      .filter(({ recipeId }) => potfuls.some((each) => each.recipeId === recipeId && each.eaters.includes(dog.id)))
      .filter(({ recipeId }) => !ask.notFor?.some((each) => each.recipeId === recipeId && each.dogId === dog.id));
    const needs = (inputs.needs.get(dog.id) ?? []).slice(0, days);
    return apartFrom(
      { dogId: dog.id, name: dog.name, needs, eats: eats.map(({ recipeId }) => recipeId) },
      inputs.always.get(dog.id) ?? [],
      (id, day) =>
        eats.some(
          ({ recipeId, offered, protein }) =>
            recipeId === id &&
            offered &&
            !without.some((each) => each.protein === protein && each.from <= day && each.to >= day),
        ),
      (recipeId) => mealsAlways(dog, recipeId, plan.today) || 'meals',
    );
  });
  return {
    potfuls,
    problems,
    missed: inputs.planned.filter(({ day }) => day < plan.today),
    problem: {
      days,
      dogs: eaters,
      recipes,
      stock: stock.map((group) => ({
        ...group,
        dogIds: eaters
          .map(({ dogId }) => dogId)
          .filter((id) => {
            const own = dogOfEater(id);
            return group.dogIds.includes(own) && (only.get(own) ?? group.protein) === group.protein;
          }),
      })),
      lots: lotsOf(inputs, days),
      cookable: Array.from({ length: days }, (_, day) => day).flatMap((day) => {
        const minutes =
          numbers.minutes[WEEKDAYS.findIndex((name) => name === weekdayName(addDays(plan.today, day)))] ?? 0;
        return minutes > 0 ? [{ day, minutes }] : [];
      }),
      said,
      without,
      freezer:
        litres === undefined ? undefined : { litres, taken: other, gramsADay: freezesADay(Math.max(1, litres)).mean },
      dryers: inputs.dryers.map((dryer) => ({ ...dryer, cyclesAWeek: numbers.cycles.get(dryer.equipmentId) ?? 0 })),
      cover: numbers.cover,
      proteinDays: numbers.proteinDays === undefined ? undefined : Math.round(numbers.proteinDays),
      proteinsAFortnight: numbers.proteins,
      wishes: ask.wishes,
    },
  };
}
