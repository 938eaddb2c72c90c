import { daysBetween, readLocalDate, type LocalDate } from '../calendar/local-date';
import type { DishMeals } from '../dog/filling';
import type { KnownFood } from '../food/food';
import { fine, refused, type Outcome } from '../problem';
import { volumeOf } from '../quantity/units';
import { choicesOf } from '../recipe/bases';
import { readBinding } from './binding-entry';
import { demandOf } from './demand';
import { isVessel, type Equipment } from './equipment';
import { measuredRecipe, partsOf, type FigureParts, type Measured } from './figures';
import { fillLimit } from './loads';
import type { PlanGround, PlannableComponent, PlannableDog, PlannableRecipe } from './ground';
import { fridgeFeedingDays } from './keeping';
import type { DishEntry, PlanEntry } from './plan-entry';
import { substitute, withSwaps } from './substitute';
import type { DishToBind, ToPlan } from './to-plan';
import type { Binding } from './wanted';

/** One recipe of a plan, read. */
export interface ReadDish extends DishToBind, DishMeals {
  readonly entry: DishEntry;
  readonly of: PlannableRecipe;
  /** The recipe's lines, with what takes the place of some. */
  readonly written: PlannableRecipe['written'];
}

export interface ReadPlan {
  readonly plan: Omit<ToPlan, 'dishes'> & { readonly dishes: readonly ReadDish[] };
  readonly binding: Binding;
  readonly dogs: readonly PlannableDog[];
  readonly cookDay: LocalDate;
  readonly firstDay: LocalDate;
}

/** The furthest first feeding day from today (common practice, no source). */
const FURTHEST_DAYS = 90;

/** The vessel of a component: the one chosen, else the one that the recipe names, else the largest. */
function vesselOf(
  component: PlannableComponent | undefined,
  chosen: number | undefined,
  equipment: readonly Equipment[],
): Equipment | undefined {
  const vessels = equipment.filter(isVessel);
  const named = component?.vessel?.trim().toLowerCase();
  return (
    vessels.find((vessel) => vessel.id === chosen) ??
    vessels.find((vessel) => vessel.name.toLowerCase() === named) ??
    [...vessels].sort((a, b) => (b.millilitres ?? 0) - (a.millilitres ?? 0))[0]
  );
}

/** Every food that may take the place of another: those of all recipes and the ground's own. */
export const foodsOf = (ground: PlanGround): KnownFood[] => [
  ...ground.recipes.flatMap((recipe) => recipe.written.map((line) => line.source)),
  ...ground.foods,
];

/** A typed share: a number above 0. */
export function readShare(text: string): Outcome<number> {
  const value = /^\d{1,4}([.,]\d{1,3})?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : NaN;
  return value > 0 ? fine(value) : refused('A share above 0: 1 and 1 are half and half.', 'share');
}

interface Prepared {
  readonly key: string;
  readonly recipe: Measured;
  readonly parts: FigureParts;
}

/** Made ready once for a recipe's lines: a plan is worked out anew at every key, and its recipes stay the same. */
const prepared = new WeakMap<ReadDish['written'], Prepared>();

function measuredParts(
  of: PlannableRecipe,
  written: ReadDish['written'],
  choices: DishEntry['choices'] & object,
  { factors }: PlanGround,
): Prepared {
  const key = JSON.stringify([factors, choices, of.pots]);
  const known = prepared.get(written);
  if (known?.key === key) return known;
  const recipe = measuredRecipe(written, of.pots, factors);
  const made = { key, recipe, parts: partsOf(recipe, choices) };
  prepared.set(written, made);
  return made;
}

function readDish(ground: PlanGround, entry: DishEntry): Outcome<ReadDish> {
  const of = ground.recipes.find((recipe) => recipe.id === entry.recipeId);
  if (!of) return refused('Choose a recipe.', 'recipeId');
  const share = readShare(entry.share);
  if (!share.ok) return share;
  const choices = entry.choices ?? {};
  const known = choicesOf(of.written);
  for (const [choice, line] of Object.entries(choices))
    if (!known.get(choice)?.includes(line)) return refused(`This recipe has no such ${choice} to choose.`, 'recipeId');
  const swapped = withSwaps(
    of.written,
    entry.swaps,
    (key) => foodsOf(ground).find((each) => each.food.ndb === key),
    ground.factors,
  );
  if (!swapped.ok) return swapped;
  const written = swapped.value;
  const { recipe, parts } = measuredParts(of, written, choices, ground);
  const cup = volumeOf('cup', ground.set);
  const vessels = Array.from({ length: recipe.components }, (_, place) =>
    vesselOf(of.components[place], entry.vessels?.[place], ground.equipment),
  );
  return fine({
    name: of.name,
    recipe,
    parts,
    choices,
    vessels,
    limits: vessels.map(
      (vessel, place) =>
        vessel &&
        fillLimit(
          vessel,
          written.filter((line) => (line.component ?? 0) === place),
        ),
    ),
    mlPerGram: of.cupGrams === undefined ? undefined : cup / of.cupGrams,
    recipeId: of.id,
    share: share.value,
    meals: entry.meals,
    entry,
    of,
    written,
  });
}

/** The days of a plan; refused at their field. */
function readDays(entry: PlanEntry, today: LocalDate): Outcome<{ cookDay: LocalDate; firstDay: LocalDate }> {
  const firstDay = readLocalDate(entry.firstDay);
  if (!firstDay) return refused('From which day will they eat it?', 'firstDay');
  const cookDay = readLocalDate(entry.cookDay);
  if (!cookDay) return refused('On which day is it cooked?', 'cookDay');
  if (firstDay < today) return refused('The first feeding day has passed.', 'firstDay');
  if (cookDay < today) return refused('The cook day has passed.', 'cookDay');
  if (cookDay > firstDay) return refused('It is eaten before it is cooked: look at the two days.', 'firstDay');
  if (daysBetween(today, firstDay) > FURTHEST_DAYS)
    return refused(`Plan at most ${FURTHEST_DAYS} days ahead.`, 'firstDay');
  return fine({ cookDay, firstDay });
}

/** Reads a typed plan on its ground, and refuses at its field what cannot be. */
export function readPlan(ground: PlanGround, entry: PlanEntry): Outcome<ReadPlan> {
  const dishes: ReadDish[] = [];
  for (const each of entry.dishes) {
    const dish = readDish(ground, each);
    if (!dish.ok) return dish;
    if (dishes.some((other) => other.recipeId === dish.value.recipeId))
      return refused(`${dish.value.name} stands in this plan twice.`, 'recipeId');
    dishes.push(dish.value);
  }
  const binding = readBinding(entry.binding, ground.set);
  if (!binding.ok) return binding;
  const days = readDays(entry, ground.today);
  if (!days.ok) return days;
  const dogs = ground.dogs.filter((dog) => entry.dogIds.includes(dog.id));
  const { cookDay, firstDay } = days.value;
  return fine({
    plan: {
      dishes,
      demand: demandOf(
        dogs,
        firstDay,
        dishes,
        entry.lessStock ? (dogId, day) => ground.covered[dogId]?.[day] ?? 0 : undefined,
      ),
      fridgeDays: fridgeFeedingDays(cookDay, firstDay, ground.fridgeDays),
    },
    binding: binding.value,
    dogs,
    cookDay,
    firstDay,
  });
}

/**
 * An earlier plan as far as it can still be typed: recipes, dogs, choices, swaps and vessels that are not here any more
 * (or do not fit the recipe as it is now) are left out. Undefined where none of its recipes is here.
 */
export function stillHere(ground: PlanGround, entry: PlanEntry): PlanEntry | undefined {
  const foods = foodsOf(ground);
  const kept = <T>(record: Readonly<Record<string, T>> | undefined, fits: (key: string, value: T) => boolean) =>
    Object.fromEntries(Object.entries(record ?? {}).filter(([key, value]) => fits(key, value)));
  const dishes = entry.dishes.flatMap((dish) => {
    const of = ground.recipes.find((recipe) => recipe.id === dish.recipeId);
    if (!of) return [];
    const known = choicesOf(of.written);
    return [
      {
        ...dish,
        choices: kept(dish.choices, (choice, line) => known.get(choice)?.includes(line) === true),
        swaps: kept(dish.swaps, (place, key) => {
          const by = foods.find((each) => each.food.ndb === key);
          const line = of.written[Number(place)];
          return by !== undefined && line !== undefined && substitute(line, by, ground.factors).ok;
        }),
        vessels: kept(dish.vessels, (_, id) => ground.equipment.some((thing) => thing.id === id)),
      },
    ];
  });
  if (dishes.length === 0) return undefined;
  return { ...entry, dishes, dogIds: entry.dogIds.filter((id) => ground.dogs.some((dog) => dog.id === id)) };
}
