import 'server-only';
import { addDays, weekdayName, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { mealsAlways } from '@/core/dog/meals';
import { checkDogs, seriousIn } from '@/core/plan/dog-checks';
import { plainPlan } from '@/core/plan/plan-entry';
import { workOutPlan } from '@/core/plan/result';
import { standingAgainst } from '@/core/plan/stops';
import { countOf } from '@/core/quantity/count-words';
import { writeMoney, writeNumber, writeSumIn } from '@/core/quantity/write';
import { sayHazard } from '@/core/recipe/hazards';
import type { Hatch, Protein } from '@/core/recipe/protein';
import { nth } from '@/core/sure';
import { answerOn, fromStore, whatChanged } from '@/core/weeks/kept';
import { sayBroken, sayChanged, sayKeeps, sayWhy, sayWhyPot } from '@/core/weeks/say';
import { candidatesOf, toTenth } from '@/core/weeks/weeks';
import { apartId, dogOfEater, dogsAmong } from '@/core/weeks/meals-apart';
import { whyDays } from '@/core/weeks/why-day';
import type { WeeksAsk } from '@/core/weeks/ask';
import { pageQuery } from '@/data/page';
import { readWeeksHouse } from '@/data/weeks/inputs';
import { asSolved, headline, ifNothing } from './lived/queries';
import { namesIn, stateOf, type WeeksNow } from './now/queries';

export interface WeeksDay {
  readonly day: LocalDate;
  readonly said: string;
  readonly isMonday: boolean;
  /** The cook can on it, or something is fixed on it. */
  readonly cookable: boolean;
  readonly fixed: boolean;
  readonly pots: readonly {
    readonly recipeId: number;
    readonly name: string;
    readonly hatch: Hatch;
    readonly potfuls: number;
    readonly why: string;
    /** "4.2 kg of it in the freeze-dryer"; empty: none. */
    readonly dried: string;
  }[];
  /** The cycles that begin on it, each dryer's with the days that they take. */
  readonly cycles: readonly { readonly name: string; readonly count: number; readonly days: number }[];
  readonly why: readonly string[];
  /** What each dog eats on it. */
  readonly eats: readonly { readonly name: string; readonly word: string; readonly from: string }[];
}

export interface WeeksView {
  readonly ask: WeeksAsk;
  /** What it looks like: as it was solved, or if nothing is cooked. */
  readonly isSolved: boolean;
  readonly headline: string;
  readonly under: string;
  readonly days: readonly WeeksDay[];
  readonly dogs: readonly {
    readonly dogId: number;
    readonly name: string;
    readonly short: string;
    readonly coverDays: number;
    readonly runsOut: string;
    readonly days: readonly { readonly day: string; readonly said: string; readonly hatch: Hatch | undefined }[];
  }[];
  readonly litres: readonly number[];
  readonly capacity: number | undefined;
  readonly cover: readonly number[];
  readonly legend: readonly Protein[];
  readonly recipes: readonly {
    readonly recipeId: number;
    readonly name: string;
    readonly protein: string;
    readonly hatch: Hatch;
    readonly said: string;
    readonly why: string | undefined;
    /** The dogs of these weeks, and whether anything stands against it for each. */
    readonly dogs: readonly { readonly dogId: number; readonly name: string; readonly may: boolean }[];
  }[];
  readonly dryers: readonly { readonly equipmentId: number; readonly name: string; readonly said: string }[];
  /** Every dog; `always` says what of its meals is always of one recipe, and whether these weeks hold to it. */
  readonly allDogs: readonly {
    readonly id: number;
    readonly name: string;
    readonly always: readonly { readonly said: string; readonly isHeld: boolean }[];
  }[];
  /** Dogs that eat here within these weeks and are not asked for. */
  readonly leftOut: readonly { readonly id: number; readonly name: string }[];
  /** What does not hold any more since it was solved. */
  readonly broken: readonly string[];
  readonly changed: readonly string[];
  readonly missed: readonly { readonly planId: number; readonly said: string }[];
  readonly cautions: readonly { readonly id: string; readonly said: string }[];
  readonly solvedAt: string | undefined;
  readonly plans: readonly { readonly planId: number; readonly said: string }[];
  readonly now: WeeksNow;
}

/** A day on which nothing has to be there: of today the meals may be over. */
const noNeed = (day: number): string => (day === 0 ? 'nothing more today' : 'not here, or fed otherwise');

/** So much of a day's food and more is all of it. */
const ALL = 0.99;

export const weeksView = pageQuery(async (read): Promise<WeeksView> => {
  const house = await readWeeksHouse(read);
  const { ask, inputs, stored, open, free } = house;
  const { problem, potfuls, missed } = house.read;
  const { plan } = inputs;
  const names = namesIn(house);
  const hatches = new Map(plan.recipes.map(({ protein }) => [protein.word, protein]));
  const hatchOf = (word: string | undefined): Hatch | undefined =>
    word === undefined ? undefined : (hatches.get(word)?.hatch ?? 'bricks');
  const answer = stored.answer && fromStore(problem, answerOn(stored.answer, plan.today, problem.days));
  const solved = answer && asSolved(house, answer);
  const { strips, litres, cover } = solved ?? ifNothing(house);
  const whys = new Map((answer ? whyDays(problem, answer) : []).map((why) => [why.day, why]));
  const written = (day: number) => writeDay(addDays(plan.today, day), plan.today);
  const whyPot = (day: number, recipeId: number): string => {
    const own = whys.get(day)?.pots.find((each) => each.recipeId === recipeId);
    return own ? sayWhyPot(own, names) : '';
  };
  const dryerOf = (id: number) => problem.dryers.find(({ equipmentId }) => equipmentId === id);
  const cookedOn = (dogId: number, day: number): string => {
    const on = solved?.played.cookedOn[dogId]?.[day];
    const dry = solved?.played.dried[dogId]?.[day];
    const method = dry && dryerOf(dry.equipmentId)?.method;
    const dried = !dry || !method ? '' : `, ${dry.part > ALL ? '' : 'partly '}${method}`;
    return on === undefined ? '' : on < 0 ? ', from the store' : `, from the pot of ${written(on)}${dried}`;
  };
  const asked = plan.dogs.filter(({ id }) => ask.dogIds.includes(id));
  // The store's own simulation feeds dogs whole; solved, meals that are always of one recipe have a strip of their own.
  const eaters = solved
    ? problem.dogs
    : asked.map(({ id, name }) => ({ dogId: id, name, needs: inputs.needs.get(id) ?? [], apart: undefined }));
  const candidates = candidatesOf(problem);
  const cooks = new Map((answer?.cooks ?? []).map((cook) => [cook.day, cook]));
  const seen = new Map<string, string>();
  for (const { recipeId } of (answer?.cooks ?? []).flatMap(({ pots }) => pots)) {
    const eaters = dogsAmong(problem.dogs.filter(({ eats }) => eats.includes(recipeId)));
    const result = workOutPlan(
      plan,
      plainPlan(recipeId, eaters, plan.tomorrow, { binding: { by: 'potfuls', count: '1' } }, plan.set),
    );
    if (!result.ok) continue;
    for (const hazard of standingAgainst(plan, result.value).cautions) seen.set(hazard.id, sayHazard(hazard));
    for (const { id, name, why } of seriousIn(checkDogs(plan, result.value))) seen.set(id, `${name} ${why}`);
  }
  return {
    ask,
    isSolved: answer !== undefined,
    ...headline(house, strips, answer, solved),
    days: Array.from({ length: problem.days }, (_, day): WeeksDay => {
      const date = addDays(plan.today, day);
      const why = whys.get(day);
      return {
        day: date,
        said: written(day),
        isMonday: weekdayName(date) === 'Monday',
        cookable: candidates.some((each) => each.day === day),
        fixed: ask.said.some((each) => each.day === date),
        pots: (cooks.get(day)?.pots ?? []).map(({ recipeId, potfuls: count, dried = [] }) => ({
          recipeId,
          name: names.recipe(recipeId),
          hatch: hatchOf(problem.recipes.find((each) => each.recipeId === recipeId)?.protein) ?? 'bricks',
          potfuls: toTenth(count),
          why: whyPot(day, recipeId),
          dried: dried
            .map(
              ({ equipmentId, grams }) =>
                `${writeSumIn(grams, plan.set)} of it in the ${dryerOf(equipmentId)?.name ?? 'dryer'}`,
            )
            .join(', '),
        })),
        cycles: (cooks.get(day)?.cycles ?? []).map(({ equipmentId, cycles: count }) => {
          const dryer = dryerOf(equipmentId);
          return {
            name: dryer?.name ?? 'dryer',
            count,
            days: Math.max(1, Math.ceil((count * (dryer?.hours ?? 24)) / 24)),
          };
        }),
        why: why ? sayWhy(why, names) : [],
        eats: eaters.map(({ dogId, name, needs }) => ({
          name,
          word: (needs[day] ?? 0) <= 0 ? noNeed(day) : (strips.get(dogId)?.words[day] ?? 'nothing'),
          from: cookedOn(dogId, day),
        })),
      };
    }),
    dogs: eaters.map(({ dogId, name, needs, apart }) => {
      const own = strips.get(dogId);
      const coverDays = own?.coverDays ?? 0;
      return {
        dogId,
        name,
        // Below its dog a meal says its own name alone.
        short: apart && eaters.some((each) => each.dogId === dogOfEater(dogId)) ? apart.meal : name,
        coverDays,
        runsOut:
          coverDays === problem.days
            ? 'provided for'
            : coverDays === 0
              ? 'nothing for today'
              : `${countOf(coverDays, 'day')}, to ${written(coverDays - 1)}`,
        days: Array.from({ length: problem.days }, (_, day) => ({
          day: addDays(plan.today, day),
          said: `${written(day)}: ${(needs[day] ?? 0) <= 0 ? noNeed(day) : (own?.words[day] ?? 'nothing')}`,
          hatch: hatchOf(own?.words[day]),
        })),
      };
    }),
    litres,
    capacity: problem.freezer?.litres,
    cover,
    legend: [...hatches.values()].filter(({ word }) =>
      [...strips.values()].some((strip) => strip.words.includes(word)),
    ),
    recipes: plan.recipes.map(({ id, name, protein }) => {
      const of = potfuls.find((each) => each.recipeId === id);
      const pot = of?.recipe;
      return {
        recipeId: id,
        name,
        protein: protein.word,
        hatch: hatchOf(protein.word) ?? 'bricks',
        why: of?.why,
        dogs: asked.map((dog) => ({ dogId: dog.id, name: dog.name, may: of?.eaters.includes(dog.id) ?? false })),
        said: pot
          ? [
              `a potful ${writeSumIn(pot.grams, plan.set)}`,
              `${writeNumber(pot.minutes, 0)} min${of.minutesTaken ? ' (taken)' : ''}`,
              pot.costOn ? writeMoney(nth(pot.costOn, 0), read.household.currency) : 'no price',
            ].join(' · ')
          : '',
      };
    }),
    dryers: problem.dryers.map(({ equipmentId, name, grams, hours, keepsDays }) => ({
      equipmentId,
      name,
      said: `${writeSumIn(grams, plan.set)} and ${writeNumber(hours, 0)} h each, good for ${sayKeeps(keepsDays)}`,
    })),
    allDogs: plan.dogs.map((dog) => ({
      id: dog.id,
      name: dog.name,
      always: (inputs.always.get(dog.id) ?? []).map(({ recipeId }) => ({
        said: `${mealsAlways(dog, recipeId, plan.today)}: always ${names.recipe(recipeId)}`,
        isHeld: problem.dogs.some(({ dogId }) => dogId === apartId(dog.id, recipeId)),
      })),
    })),
    leftOut: plan.dogs
      .filter(({ id }) => !ask.dogIds.includes(id))
      .filter(({ id }) => (inputs.needs.get(id) ?? []).slice(0, problem.days).some((kcal) => kcal > 0))
      .map(({ id, name }) => ({ id, name })),
    broken: (solved?.played.broken ?? [])
      .filter(
        (each, index, all) =>
          all.findIndex((other) => other.what === each.what && other.dogId === each.dogId) === index,
      )
      .slice(0, 4)
      .map((each) => sayBroken(each, names)),
    changed:
      stored.answer && stored.before
        ? whatChanged(stored.before, stored.answer, plan.today).map((each) => sayChanged(each, names))
        : [],
    missed: missed.map(({ planId, day, batches }) => ({
      planId,
      said: `${batches.map(({ recipeId }) => names.recipe(recipeId)).join(' and ')} was to be cooked on ${writeDay(day, plan.today)}`,
    })),
    cautions: [...seen].map(([id, said]) => ({ id, said })),
    solvedAt: stored.solvedAt?.toISOString(),
    plans: open
      .filter(({ id, cookDay }) => free.has(id) && cookDay >= plan.today)
      .sort((a, b) => a.cookDay.localeCompare(b.cookDay))
      .map(({ id, cookDay, batches }) => ({
        planId: id,
        said: `${writeDay(cookDay, plan.today)}: ${batches.map(({ recipeName }) => recipeName).join(' and ')}`,
      })),
    now: stateOf(house),
  };
});
