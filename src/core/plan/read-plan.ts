import { daysBetween, readLocalDate, type LocalDate } from '../calendar/local-date';
import type { BatchMeals } from '../dog/filling';
import { withFood } from '../dog/with-food';
import type { KnownFood } from '../food/food';
import { fine, refused, type Outcome } from '../problem';
import { volumeOf } from '../quantity/units';
import { choicesOf } from '../recipe/bases';
import { readBinding } from './bindings/bindings';
import { demandOf } from './demand';
import { isVessel, type Equipment } from './equipment';
import { finishedDensity, measuredRecipe, partsOf, type FigureParts, type Measured } from './figures';
import { fillLimit } from './loads';
import type { PlanInputs, PlannableComponent, PlannableDog, PlannableRecipe } from './inputs';
import { keptFrom } from './keeping';
import type { BatchEntry, PlanEntry } from './plan-entry';
import { kindOfRecipe } from '../recipe/kind-of-recipe';
import { substitute, withSwaps } from './substitute';
import type { BatchToBind, ToPlan } from './to-plan';
import type { Binding } from './bindings/bindings';

/** One recipe of a plan, read. */
export interface ReadBatch extends BatchToBind, BatchMeals {
  readonly entry: BatchEntry;
  readonly of: PlannableRecipe;
  /** The recipe's lines, with what takes the place of some. */
  readonly written: PlannableRecipe['written'];
}

export interface ReadPlan {
  readonly plan: Omit<ToPlan, 'batches'> & { readonly batches: readonly ReadBatch[] };
  readonly binding: Binding;
  readonly dogs: readonly PlannableDog[];
  readonly cookDay: LocalDate;
  readonly firstDay: LocalDate;
}

/** The furthest first feeding day from today (common practice, no source). */
const FURTHEST_DAYS = 90;

/** The vessel that a component is cooked in: the one chosen in the plan, else the one that the recipe names. The run sheet asks it too. */
export function vesselSaid(
  component: Pick<PlannableComponent, 'vessel'> | undefined,
  chosen: number | undefined,
  equipment: readonly Equipment[],
): Equipment | undefined {
  const vessels = equipment.filter(isVessel);
  const named = component?.vessel?.trim().toLowerCase();
  return (
    vessels.find((vessel) => vessel.id === chosen) ?? vessels.find((vessel) => vessel.name.toLowerCase() === named)
  );
}

const largestVessel = (equipment: readonly Equipment[]): Equipment | undefined =>
  equipment.filter(isVessel).sort((a, b) => (b.millilitres ?? 0) - (a.millilitres ?? 0))[0];

/** Every food that may take the place of another: those of all recipes and the inputs' own. */
export const foodsOf = (inputs: PlanInputs): KnownFood[] => [
  ...inputs.recipes.flatMap((recipe) => recipe.written.map((line) => line.source)),
  ...inputs.foods,
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
const prepared = new WeakMap<ReadBatch['written'], Prepared>();

function measuredParts(
  of: PlannableRecipe,
  written: ReadBatch['written'],
  choices: BatchEntry['choices'] & object,
  { factors }: PlanInputs,
): Prepared {
  const key = JSON.stringify([factors, choices, of.pots]);
  const known = prepared.get(written);
  if (known?.key === key) return known;
  const recipe = measuredRecipe(written, of.pots, factors);
  const made = { key, recipe, parts: partsOf(recipe, choices) };
  prepared.set(written, made);
  return made;
}

function readBatch(
  inputs: PlanInputs,
  entry: BatchEntry,
  { cookDay, firstDay }: { readonly cookDay: LocalDate; readonly firstDay: LocalDate },
): Outcome<ReadBatch> {
  const of = inputs.recipes.find((recipe) => recipe.id === entry.recipeId);
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
    (key) => foodsOf(inputs).find((each) => each.food.ndb === key),
    inputs.factors,
  );
  if (!swapped.ok) return swapped;
  const written = swapped.value;
  const { recipe, parts } = measuredParts(of, written, choices, inputs);
  const cup = volumeOf('cup', inputs.set);
  const vessels = Array.from(
    { length: recipe.components },
    (_, place) =>
      vesselSaid(of.components[place], entry.vessels?.[place], inputs.equipment) ?? largestVessel(inputs.equipment),
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
    ...keptFrom(inputs.dating, kindOfRecipe(written), cookDay, firstDay),
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

/** Reads a typed plan by its inputs, and refuses at its field what cannot be. */
export function readPlan(inputs: PlanInputs, entry: PlanEntry): Outcome<ReadPlan> {
  const days = readDays(entry, inputs.today);
  // Days that cannot be yet are said after what stands before them: until then any days will do.
  const around = days.ok ? days.value : { cookDay: inputs.today, firstDay: inputs.tomorrow };
  const batches: ReadBatch[] = [];
  for (const each of entry.batches) {
    const batch = readBatch(inputs, each, around);
    if (!batch.ok) return batch;
    if (batches.some((other) => other.recipeId === batch.value.recipeId))
      return refused(`${batch.value.name} stands in this plan twice.`, 'recipeId');
    batches.push(batch.value);
  }
  const binding = readBinding(entry.binding, inputs.set);
  if (!binding.ok) return binding;
  if (!days.ok) return days;
  // An amount that a ration says stays: its kcal are of the food as this plan foretells it.
  const dogs = inputs.dogs
    .filter((dog) => entry.dogIds.includes(dog.id))
    .map((dog) =>
      batches.reduce((own, { recipeId, parts }) => {
        const density = finishedDensity(parts);
        return density > 0 ? withFood(own, recipeId, { density }) : own;
      }, dog),
    );
  const { cookDay, firstDay } = days.value;
  return fine({
    plan: {
      batches,
      demand: demandOf(
        dogs,
        firstDay,
        batches,
        entry.lessStock ? (dogId, day) => inputs.covered[dogId]?.[day] ?? 0 : undefined,
      ),
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
export function stillHere(inputs: PlanInputs, entry: PlanEntry): PlanEntry | undefined {
  const foods = foodsOf(inputs);
  const kept = <T>(record: Readonly<Record<string, T>> | undefined, fits: (key: string, value: T) => boolean) =>
    Object.fromEntries(Object.entries(record ?? {}).filter(([key, value]) => fits(key, value)));
  const batches = entry.batches.flatMap((batch) => {
    const of = inputs.recipes.find((recipe) => recipe.id === batch.recipeId);
    if (!of) return [];
    const known = choicesOf(of.written);
    return [
      {
        ...batch,
        choices: kept(batch.choices, (choice, line) => known.get(choice)?.includes(line) === true),
        swaps: kept(batch.swaps, (place, key) => {
          const by = foods.find((each) => each.food.ndb === key);
          const line = of.written[Number(place)];
          return by !== undefined && line !== undefined && substitute(line, by, inputs.factors).ok;
        }),
        vessels: kept(batch.vessels, (_, id) => inputs.equipment.some((thing) => thing.id === id)),
      },
    ];
  });
  if (batches.length === 0) return undefined;
  return { ...entry, batches, dogIds: entry.dogIds.filter((id) => inputs.dogs.some((dog) => dog.id === id)) };
}
