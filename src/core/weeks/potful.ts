import { addUp } from '../add-up';
import { plainPlan } from '../plan/plan-entry';
import type { PlanInputs } from '../plan/inputs';
import { workOutPlan, type PlanResult } from '../plan/result';
import { standingAgainst } from '../plan/stops';
import { kindOfRecipe } from '../recipe/kind-of-recipe';
import { fatOfDry, isFatty } from '../preserve/fat';
import { fridgeDaysOf, frozenDaysOf } from '../preserve/shelf-life';
import { linesOfWeights } from '../recipe/bases';
import { recipeSheet } from '../recipe/sheet';
import type { WeeksInputs } from './from-house';
import type { WeeksRecipe } from './weeks';

/** What a recipe is as whole potfuls, or why it is not cooked by them. */
export interface PotfulOf {
  readonly recipe: WeeksRecipe | undefined;
  readonly recipeId: number;
  readonly name: string;
  readonly why: string | undefined;
  /** Its minutes are taken, nobody wrote them down. */
  readonly minutesTaken: boolean;
  /** The dogs that may eat it. */
  readonly eaters: readonly number[];
  /** Part of its weight that has a price, 0 to 1. */
  readonly priced: number;
}

/** Minutes at the stove where a recipe says none, and for weighing out, cooling and washing up (common practice, no source). */
const USUAL_MINUTES = 60;
const AROUND = 20;
/** From so much of the weight on what a potful costs is reckoned from what is known of it (ours, no source). */
const PRICED_ENOUGH = 0.8;

const plannedPotful = (plan: PlanInputs, recipeId: number, dogIds: readonly number[]) =>
  workOutPlan(
    plan,
    plainPlan(
      recipeId,
      dogIds,
      plan.tomorrow,
      { cookDay: plan.today, binding: { by: 'potfuls', count: '1' } },
      plan.set,
    ),
  );

/** A full potful of a recipe, as the plan works it out. */
export function potfulOf(
  { plan, prices }: Pick<WeeksInputs, 'plan' | 'prices'>,
  recipeId: number,
  dogIds: readonly number[],
  days: number,
  offers: readonly { readonly protein: string; readonly day: number; readonly part: number }[],
  offered: boolean,
): PotfulOf {
  const of = plan.recipes.find(({ id }) => id === recipeId);
  const name = of?.name ?? '';
  const none = { recipe: undefined, recipeId, name, minutesTaken: false, eaters: [], priced: 0 };
  const read = plannedPotful(plan, recipeId, dogIds);
  if (!of || !read.ok) return { ...none, why: read.ok ? 'it is not here any more' : read.problem.message };
  const { bound, stove, shopping, finished } = read.value;
  const kcal = addUp(bound.batches, ({ figures }) => figures.kcal);
  if (!(kcal > 0) || finished.energyUnknown.length > 0)
    return { ...none, why: 'how much energy it holds is not known' };
  const all = addUp(shopping, ({ grams }) => grams);
  const known = shopping.filter(({ key }) => prices.has(key));
  const priced = all > 0 ? addUp(known, ({ grams }) => grams) / all : 0;
  const cost =
    priced >= PRICED_ENOUGH ? addUp(known, ({ key, grams }) => grams * (prices.get(key) ?? 0)) / priced : undefined;
  const own = offers.filter(({ protein }) => protein === of.protein.word);
  return {
    recipeId,
    name,
    why: undefined,
    minutesTaken: stove.minutes === undefined,
    eaters: eatersOf(plan, read.value),
    priced,
    recipe: {
      recipeId,
      name,
      protein: of.protein.word,
      kcal,
      grams: bound.finished,
      minutes: (stove.minutes ?? USUAL_MINUTES) + AROUND,
      costOn:
        cost === undefined
          ? undefined
          : Array.from({ length: days }, (_, day) => cost * (own.find((offer) => offer.day === day)?.part ?? 1)),
      offered,
      takes: Object.fromEntries(shopping.map(({ key, grams }) => [key, grams])),
      fridgeDays: fridgeDaysOf(plan.dating, kindOfRecipe(of.written)),
      freezerDays: frozenDaysOf(plan.dating, kindOfRecipe(of.written)),
      lean: isLean(plan, read.value),
    },
  };
}

/** Whether food is known to be lean enough to be dehydrated: of what nobody knows the fat, that is not known. */
function isLean(plan: PlanInputs, { batches }: PlanResult): boolean {
  const lines = batches.flatMap(({ read, amounts }) => linesOfWeights(read.written, amounts));
  const sheet = recipeSheet(lines, plan.factors);
  return fatOfDry(sheet) !== undefined && !isFatty(sheet);
}

/** The dogs that may eat what is planned: nothing in it stands against them, and what a dog dislikes is not proposed. */
const eatersOf = (plan: PlanInputs, result: PlanResult): number[] =>
  result.read.dogs
    .filter((dog) => {
      const { stops, warns } = standingAgainst(plan, { ...result, read: { ...result.read, dogs: [dog] } });
      return stops.length === 0 && warns.length === 0;
    })
    .map(({ id }) => id);
