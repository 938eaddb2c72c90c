import 'server-only';
import { addUp } from '@/core/add-up';
import { addDays, weekdayName, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { checkDogs, seriousIn } from '@/core/plan/dog-checks';
import { plainPlan } from '@/core/plan/plan-entry';
import { workOutPlan } from '@/core/plan/result';
import { standingAgainst } from '@/core/plan/stops';
import { countOf } from '@/core/quantity/count-words';
import { writeMoney, writeNumber, writeSumIn } from '@/core/quantity/write';
import { sayHazard } from '@/core/recipe/hazards';
import type { Hatch, Protein } from '@/core/recipe/protein';
import { coverOf } from '@/core/stock/cover';
import { litresSaid } from '@/core/stock/room';
import { freezerAhead } from '@/core/stock/weeks-ahead';
import { nth } from '@/core/sure';
import { answerOn, fromStore, whatChanged } from '@/core/weeks/kept';
import { playWeeks } from '@/core/weeks/play';
import { sayBroken, sayChanged, sayWhy, sayWhyPot } from '@/core/weeks/say';
import { recipeKey, candidatesOf, type WeeksAnswer } from '@/core/weeks/weeks';
import { whyDays } from '@/core/weeks/why-day';
import type { WeeksAsk } from '@/core/weeks/ask';
import { pageQuery } from '@/data/page';
import { readWeeksHouse, type WeeksHouse } from '@/data/weeks/inputs';
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
  }[];
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
    readonly said: string;
    readonly why: string | undefined;
  }[];
  readonly allDogs: readonly { readonly id: number; readonly name: string }[];
  /** What does not hold any more since it was solved. */
  readonly broken: readonly string[];
  readonly changed: readonly string[];
  readonly missed: readonly { readonly planId: number; readonly said: string }[];
  readonly cautions: readonly { readonly id: string; readonly said: string }[];
  readonly solvedAt: string | undefined;
  readonly plans: readonly { readonly planId: number; readonly said: string }[];
  readonly gap: number | undefined;
  readonly now: WeeksNow;
}

/** The strips, litres and cover as they will be if nothing is cooked: by the store's own simulation. */
function ifNothing({ ahead, inputs, read }: WeeksHouse) {
  const { problem } = read;
  const { today } = inputs.plan;
  const ids = new Set(problem.dogs.map(({ dogId }) => dogId));
  const cover = coverOf(
    ahead.meals.filter(({ dogId }) => ids.has(dogId)),
    problem.days,
    ahead.sources,
    today,
    ahead.keeps,
  );
  const words = new Map(inputs.sources.map(({ key, word }) => [key, word]));
  const least = Math.min(problem.days, ...cover.map(({ coverDays }) => coverDays));
  return {
    strips: new Map(
      cover.map(({ dogId, coverDays, days }) => [
        dogId,
        {
          coverDays,
          words: days.map(({ drawn, covered }) => {
            const main = [...drawn].sort((a, b) => b.kcal - a.kcal)[0];
            return covered && main ? words.get(main.key) : undefined;
          }),
        },
      ]),
    ),
    litres: freezerAhead(ahead.sources, cover, today, problem.days).map(
      ({ millilitres }) => millilitres / 1000 + (problem.freezer?.taken ?? 0),
    ),
    cover: Array.from({ length: problem.days }, (_, day) => Math.max(0, least - day - 1)),
  };
}

/** The same as it was solved. */
function asSolved({ read }: WeeksHouse, answer: WeeksAnswer) {
  const { problem } = read;
  const played = playWeeks(problem, answer);
  const words = new Map([
    ...problem.recipes.map(({ recipeId, protein }) => [recipeKey(recipeId), protein] as const),
    ...problem.stock.map(({ key, protein }) => [key, protein] as const),
  ]);
  return {
    played,
    strips: new Map(
      problem.dogs.map(({ dogId, needs }) => {
        const own = (answer.eats[dogId] ?? []).map((key) => (key === undefined ? undefined : words.get(key)));
        const gap = own.findIndex((word, day) => word === undefined && (needs[day] ?? 0) > 0);
        const unfed = played.broken.filter((each) => each.what === 'unfed' && each.dogId === dogId)[0]?.day;
        return [
          dogId,
          { coverDays: Math.min(gap === -1 ? problem.days : gap, unfed ?? problem.days), words: own },
        ] as const;
      }),
    ),
    litres: played.days.map((day) => day.litres),
    cover: played.days.map((day) => day.cover),
  };
}

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
  const cookedOn = (dogId: number, day: number): string => {
    const on = solved?.played.cookedOn[dogId]?.[day];
    return on === undefined ? '' : on < 0 ? ', from the store' : `, from the pot of ${written(on)}`;
  };
  const candidates = candidatesOf(problem);
  const cooks = new Map((answer?.cooks ?? []).map(({ day, pots }) => [day, pots]));
  const seen = new Map<string, string>();
  for (const { recipeId } of (answer?.cooks ?? []).flatMap(({ pots }) => pots)) {
    const eaters = problem.dogs.filter(({ eats }) => eats.includes(recipeId)).map(({ dogId }) => dogId);
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
        pots: (cooks.get(day) ?? []).map(({ recipeId, potfuls: count }) => ({
          recipeId,
          name: names.recipe(recipeId),
          hatch: hatchOf(problem.recipes.find((each) => each.recipeId === recipeId)?.protein) ?? 'bricks',
          potfuls: count,
          why: whyPot(day, recipeId),
        })),
        why: why ? sayWhy(why, names) : [],
        eats: problem.dogs.map(({ dogId, name, needs }) => ({
          name,
          word: (needs[day] ?? 0) <= 0 ? 'not here, or fed otherwise' : (strips.get(dogId)?.words[day] ?? 'nothing'),
          from: cookedOn(dogId, day),
        })),
      };
    }),
    dogs: problem.dogs.map(({ dogId, name, needs }) => {
      const own = strips.get(dogId);
      const coverDays = own?.coverDays ?? 0;
      return {
        dogId,
        name,
        coverDays,
        runsOut:
          coverDays === problem.days
            ? 'provided for'
            : coverDays === 0
              ? 'nothing for today'
              : `${countOf(coverDays, 'day')}, to ${written(coverDays - 1)}`,
        days: Array.from({ length: problem.days }, (_, day) => ({
          day: addDays(plan.today, day),
          said: `${written(day)}: ${(needs[day] ?? 0) <= 0 ? 'not here' : (own?.words[day] ?? 'nothing')}`,
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
        why: of?.why,
        said: pot
          ? [
              `a potful ${writeSumIn(pot.grams, plan.set)}`,
              `${writeNumber(pot.minutes, 0)} min${of.minutesTaken ? ' (taken)' : ''}`,
              pot.costOn ? writeMoney(nth(pot.costOn, 0), read.household.currency) : 'no price',
            ].join(' · ')
          : '',
      };
    }),
    allDogs: plan.dogs.map(({ id, name }) => ({ id, name })),
    broken: (solved?.played.broken ?? [])
      .filter(
        (each, index, all) =>
          all.findIndex((other) => other.what === each.what && other.dogId === each.dogId) === index,
      )
      .slice(0, 4)
      .map((each) => sayBroken(each, names)),
    changed:
      stored.answer && stored.before
        ? whatChanged(stored.before, stored.answer, plan.today)
            .slice(0, 8)
            .map((each) => sayChanged(each, names))
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
    gap: stored.answer?.gap,
    now: stateOf(house),
  };
});

function headline(
  house: WeeksHouse,
  strips: ReturnType<typeof ifNothing>['strips'],
  answer: WeeksAnswer | undefined,
  solved: ReturnType<typeof asSolved> | undefined,
): Pick<WeeksView, 'headline' | 'under'> {
  const { problem } = house.read;
  const { today, set } = house.inputs.plan;
  if (!answer || !solved) {
    const first = [...strips].sort((a, b) => a[1].coverDays - b[1].coverDays)[0];
    const who = problem.dogs.find(({ dogId }) => dogId === first?.[0])?.name;
    const lasts = first?.[1].coverDays ?? 0;
    return {
      headline:
        who === undefined || lasts >= problem.days
          ? `${problem.days / 7} weeks are provided for`
          : lasts === 0
            ? `Nothing for ${who} today`
            : `If nothing is cooked, ${who} runs out after ${writeDay(addDays(today, lasts - 1), today)}`,
      under: 'This is what is in store, as it will be eaten. Ask for cook days below.',
    };
  }
  const potfuls = addUp(answer.cooks, ({ pots }) => addUp(pots, (pot) => pot.potfuls));
  const most = Math.max(...solved.litres);
  return {
    headline:
      answer.cooks.length === 0
        ? 'Nothing has to be cooked'
        : `${countOf(answer.cooks.length, 'cook day')}, ${countOf(Math.round(potfuls * 10) / 10, 'potful')}`,
    under: [
      `the next on ${answer.cooks[0] ? writeDay(addDays(today, answer.cooks[0].day), today) : '…'}`,
      problem.freezer
        ? `the freezer at most ${litresSaid(most * 1000, set)} of ${litresSaid(problem.freezer.litres * 1000, set)}`
        : 'how large the freezer is nobody has said',
      `never under ${countOf(Math.min(...solved.cover.slice(answer.cooks[0]?.day ?? 0)), 'day')} of cover`,
    ].join(' · '),
  };
}
