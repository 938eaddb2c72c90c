import { addUp } from '../add-up';
import { addDays, daysBetween, weekdayName, type LocalDate } from '../calendar/local-date';
import { standingAgainst } from '../plan/stops';
import { plainPlan } from '../plan/plan-entry';
import type { PlanInputs } from '../plan/inputs';
import { workOutPlan, type PlanResult } from '../plan/result';
import { freezesADay } from '../preserve/freezing';
import type { Problem } from '../problem';
import { CRUMB, fitFor, isFit, type Source } from '../stock/draw';
import { inOrderToUse } from '../stock/lot';
import { WEEKDAYS, type WeeksAsk } from './ask';
import type { SaidOfDay, StockGroup, WeeksLot, WeeksProblem, WeeksRecipe } from './weeks';

/** What the weeks stand on beside what every plan does. */
export interface WeeksInputs {
  readonly plan: PlanInputs;
  /** kcal that each dog needs of home-cooked food on each coming day, by dog. */
  readonly needs: ReadonlyMap<number, readonly number[]>;
  /** What is there to be eaten, each with the word of its protein. */
  readonly sources: readonly (Source & { readonly word: string })[];
  /** Minor units of a g of a food, by its key, where a price is known. */
  readonly prices: ReadonlyMap<string, number>;
  /** Open plans: on which day they cook, and kcal of each recipe; what is in a pot now stands as one of today. */
  readonly planned: readonly {
    readonly planId: number;
    readonly day: LocalDate;
    readonly batches: readonly { readonly recipeId: number; readonly kcal: number }[];
  }[];
}

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
/** Days of a month, the short way. */
const MONTH = 30;

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
    },
  };
}

/** The dogs that may eat what is planned: nothing in it stands against them, and what a dog dislikes is not proposed. */
const eatersOf = (plan: PlanInputs, result: PlanResult): number[] =>
  result.read.dogs
    .filter((dog) => {
      const { stops, warns } = standingAgainst(plan, { ...result, read: { ...result.read, dogs: [dog] } });
      return stops.length === 0 && warns.length === 0;
    })
    .map(({ id }) => id);

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
    const key = `s ${source.word} ${dogIds.join('+')} ${last}`;
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

const numberOf = (text: string): number | undefined =>
  /^\d{1,4}([.,]\d{1,2})?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined;

interface Numbers {
  readonly cover: number;
  readonly proteinDays: number | undefined;
  readonly proteins: number;
  readonly litres: number | undefined;
  readonly minutes: readonly number[];
  readonly offers: readonly { readonly protein: string; readonly day: number; readonly part: number }[];
}

/** Reads the numbers of what is asked; each problem at its field. */
function readNumbers(
  ask: WeeksAsk,
  today: LocalDate,
): { readonly numbers: Numbers; readonly problems: readonly Problem[] } {
  const problems: Problem[] = [];
  const read = (field: string, text: string, least: number, most: number, message: string): number | undefined => {
    if (text.trim() === '') return undefined;
    const value = numberOf(text);
    if (value === undefined || value < least || value > most) problems.push({ field, message });
    return value;
  };
  const minutes = ask.hours.map(
    (text, at) => 60 * (read(`hours.${at}`, text, 0.5, 16, 'Hours at the stove from ½ to 16, or nothing.') ?? 0),
  );
  const cover = read('cover', ask.cover, 0, 14, 'Days from 0 to 14.') ?? 0;
  const proteinDays = read('proteinDays', ask.proteinDays, 1, 60, 'Days from 1 to 60, or nothing.');
  const proteins = read('proteins', ask.proteins, 1, 8, 'Proteins from 1 to 8, or nothing.') ?? 0;
  const litres = read('litres', ask.litres, 0, 2000, 'Litres from 0 to 2000, or nothing for all of the freezer.');
  const offers = ask.offers.map(({ protein, day, percent }, at) => ({
    protein,
    day: daysBetween(today, day as LocalDate),
    part: (read(`offers.${at}.percent`, percent, 0, 100, 'Part of its price from 0 to 100 %.') ?? 100) / 100,
  }));
  return {
    numbers: { cover: Math.round(cover), proteinDays, proteins: Math.round(proteins), litres, minutes, offers },
    problems,
  };
}

export interface ReadWeeks {
  readonly problem: WeeksProblem;
  readonly potfuls: readonly PotfulOf[];
  readonly problems: readonly Problem[];
  /** Open plans whose day has passed: nothing of them is counted on. */
  readonly missed: readonly WeeksInputs['planned'][number][];
}

/**
 * The problem of the weeks that a household asks for: what its dogs need, its recipes as full potfuls, what is there and until when,
 * when the cook can. Takes the inputs and what is typed; says every problem at its field and goes on with what can be read.
 */
export function readWeeks(inputs: WeeksInputs, ask: WeeksAsk, fixed: ReadonlySet<number> = new Set()): ReadWeeks {
  const { plan } = inputs;
  const days = ask.weeks * 7;
  const { numbers, problems } = readNumbers(ask, plan.today);
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
  for (const { day, batches } of planned) {
    const index = daysBetween(plan.today, day);
    const pots = batches.flatMap(({ recipeId, kcal }) => {
      const recipe = recipes.find((each) => each.recipeId === recipeId);
      return recipe ? [{ recipeId, potfuls: kcal / recipe.kcal }] : [];
    });
    const at = said.findIndex((each) => each.day === index);
    if (at === -1) said.push({ day: index, pots });
    else said[at] = { day: index, pots: [...(said[at]?.pots ?? []), ...pots] };
  }
  return {
    potfuls,
    problems,
    missed: inputs.planned.filter(({ day }) => day < plan.today),
    problem: {
      days,
      dogs: dogs.map((dog) => ({
        dogId: dog.id,
        name: dog.name,
        needs: (inputs.needs.get(dog.id) ?? []).slice(0, days),
        eats: recipes
          .filter(({ protein }) => (only.get(dog.id) ?? protein) === protein)
          .filter(({ recipeId }) => potfuls.some((each) => each.recipeId === recipeId && each.eaters.includes(dog.id)))
          .map(({ recipeId }) => recipeId),
      })),
      recipes,
      stock: stock.map((group) => ({
        ...group,
        dogIds: group.dogIds.filter(
          (dogId) => ids.includes(dogId) && (only.get(dogId) ?? group.protein) === group.protein,
        ),
      })),
      lots: lotsOf(inputs, days),
      cookable: Array.from({ length: days }, (_, day) => day).flatMap((day) => {
        const minutes =
          numbers.minutes[WEEKDAYS.findIndex((name) => name === weekdayName(addDays(plan.today, day)))] ?? 0;
        return minutes > 0 ? [{ day, minutes }] : [];
      }),
      said,
      without: ask.without.map(({ protein, from, to }) => ({
        protein,
        from: daysBetween(plan.today, from as LocalDate),
        to: daysBetween(plan.today, to as LocalDate),
      })),
      freezer:
        litres === undefined ? undefined : { litres, taken: other, gramsADay: freezesADay(Math.max(1, litres)).mean },
      fridgeDays: plan.fridgeDays,
      keepsDays: plan.freezerMonths * MONTH,
      cover: numbers.cover,
      proteinDays: numbers.proteinDays === undefined ? undefined : Math.round(numbers.proteinDays),
      proteinsAFortnight: numbers.proteins,
      wishes: ask.wishes,
    },
  };
}
