import { addUp } from '../add-up';
import { nth, sure } from '../sure';
import { dryColumns, type DryColumns } from './dry-columns';
import { freezerAndStove, MOST_POTFULS } from './freezer-rows';
import { heldFrom } from './meals-apart';
import { inWholeBowls } from './whole-bowls';
import { needsOfDish, wishCosts } from './wishes';
import { MipDraft, type MipRow, type Term } from './mip';
import { candidatesOf, needOn, recipeKey, sourcesFor, type Candidate, type WeeksDog, type WeeksProblem } from './weeks';

/** Whole days, both included. */
export interface Segment {
  readonly from: number;
  readonly to: number;
}

/** By how much a limit may be overstepped, and what each unit of that costs: to find which limit stands in the way. */
export interface Give {
  readonly litres?: number;
  readonly minutes?: number;
  readonly proteins?: number;
}

export interface WeeksModel {
  readonly mip: MipDraft;
  readonly candidates: readonly Candidate[];
  /** Of each candidate, whether something is cooked, and the potfuls of each recipe. */
  readonly cooked: readonly number[];
  readonly potfuls: readonly (readonly number[])[];
  /** Of each dog, source by source, the columns of its segments; undefined: it cannot be. */
  readonly eaten: readonly {
    readonly dog: WeeksDog;
    readonly sources: readonly { readonly key: string; readonly columns: readonly (number | undefined)[] }[];
  }[];
  readonly dry: DryColumns;
  /** How far each limit is overstepped, where it may be. */
  readonly gives: { readonly litres?: number; readonly proteins?: number; readonly minutes: readonly number[] };
}

/** What of the stock is left past its date costs so many times what as much new food does (ours, no source). */
const WASTED = 3;

/**
 * The programme of some weeks. Over single days it is the weeks themselves: each dog eats one thing a day, whole. Over longer segments
 * every row is implied by those of the days, so that it is solved faster and its best cost is never above theirs.
 *
 * Takes the problem, the segments that make up its days, and what may give. Source: arithmetic (a lot-sizing model with setups).
 */
export function weeksModel(problem: WeeksProblem, segments: readonly Segment[], give: Give = {}): WeeksModel {
  const { dogs, recipes, stock, days } = problem;
  const isDaily = segments.every(({ from, to }) => from === to);
  const candidates = candidatesOf(problem);
  const costs = wishCosts(problem);
  const mip = new MipDraft();
  const cooked = candidates.map(({ said }) =>
    mip.column(costs.cookDay, said?.pots ? 1 : 0, said && !said.pots ? 0 : 1, true),
  );
  const potfuls = candidates.map(({ day, said }) =>
    recipes.map(({ recipeId, offered }, at) => {
      const pots = said?.pots?.find((each) => each.recipeId === recipeId)?.potfuls ?? 0;
      // What is planned already need not be whole potfuls.
      return mip.column(costs.potful(at, day), said ? pots : 0, said ? pots : offered ? MOST_POTFULS : 0, !said);
    }),
  );
  const stored = new Set(stock.map(({ key }) => key));
  const needs = dogs.map((dog) => segments.map(({ from, to }) => addUp(dog.needs.slice(from, to + 1), (kcal) => kcal)));
  const eaten = dogs.map((dog, at) => {
    const held = heldFrom(dog, candidates);
    const own = recipes.find(({ recipeId }) => recipeId === dog.eats[0])?.protein;
    return {
      dog,
      sources: sourcesFor(problem, dog).map(({ key, protein, last }) => ({
        key,
        protein,
        columns: segments.map(({ from, to }, segment) => {
          const need = nth(nth(needs, at), segment);
          const isOut = problem.without.some((each) => each.protein === protein && each.from <= from && each.to >= to);
          const isOther = from >= held && stored.has(key) && protein !== own;
          if (need <= 0 || from > last || isOut || isOther) return undefined;
          return isDaily ? mip.column(0, 0, 1, true) : mip.column(0, 0, need);
        }),
      })),
    };
  });
  /** kcal of what is eaten of a source through a day, by whole segments. */
  const through = (key: string, day: number): Term[] =>
    eaten.flatMap(({ sources }, at) =>
      sources
        .filter((source) => source.key === key)
        .flatMap(({ columns }) =>
          columns.flatMap((column, segment): Term[] =>
            column === undefined || nth(segments, segment).to > day
              ? []
              : [[column, isDaily ? nth(nth(needs, at), segment) : 1]],
          ),
        ),
    );
  /** kcal of what is eaten of a source on some days, by the segments that hold any of them: never less than it is. */
  const between = (key: string, first: number, last: number): Term[] =>
    eaten.flatMap(({ sources }, at) =>
      sources
        .filter((source) => source.key === key)
        .flatMap(({ columns }) =>
          columns.flatMap((column, segment): Term[] => {
            const { from, to } = nth(segments, segment);
            if (column === undefined || to < first || from > last) return [];
            return [[column, isDaily ? nth(nth(needs, at), segment) : 1]];
          }),
        ),
    );
  const made = (recipe: number, upTo: number, of: (recipe: WeeksProblem['recipes'][number]) => number): Term[] =>
    potfuls.slice(0, upTo + 1).map((own): Term => [nth(own, recipe), of(nth(recipes, recipe))]);
  const scaled = (terms: readonly Term[], by: number): Term[] => terms.map(([column, times]) => [column, times * by]);

  const dry = dryColumns({ problem, segments, mip, candidates, potfuls, costs, between });

  // Everybody eats its day.
  eaten.forEach(({ sources }, at) =>
    segments.forEach((_, segment) => {
      const need = nth(nth(needs, at), segment);
      if (need <= 0) return;
      const whole = isDaily ? 1 : need;
      mip.row(
        whole,
        whole,
        sources.flatMap(({ columns }): Term[] => {
          const column = columns[segment];
          return column === undefined ? [] : [[column, 1]];
        }),
      );
    }),
  );
  // Nothing is eaten before it is cooked, and cover is kept; of what is dried the same is said where it is dried.
  recipes.forEach(({ recipeId }, recipe) => {
    for (let at = -1; at < candidates.length; at++) {
      const last = Math.min(days, candidates[at + 1]?.from ?? days) - 1;
      mip.row(-Infinity, 0, [
        ...through(recipeKey(recipeId), last),
        ...scaled(dry.through(recipe, last), -1),
        ...made(recipe, at, ({ kcal }) => -kcal),
        ...dry.made(recipe, at),
      ]);
    }
  });
  // Nothing is eaten twice; what is past its date before it is eaten costs.
  for (const { key, kcal, last } of stock) {
    const all = through(key, days);
    const bowls = dogs.flatMap((dog) =>
      sourcesFor(problem, dog).some((source) => source.key === key) ? dog.needs.slice(0, last + 1) : [],
    );
    mip.row(-Infinity, inWholeBowls(kcal, bowls), all);
    if (last < days - 1) {
      const wasted = mip.column(WASTED * costs.perKcal, 0, kcal);
      mip.row(kcal, Infinity, [...all, [wasted, 1]]);
    }
  }
  // What was frozen is eaten before it is past its best.
  recipes.forEach(({ recipeId, freezerDays }, recipe) => {
    candidates.forEach(({ day }, at) => {
      const end = segments.find(({ to }) => to >= day + freezerDays)?.to;
      if (end === undefined || end >= days - 1) return;
      mip.row(-Infinity, 0, [
        ...made(recipe, at, ({ kcal }) => kcal),
        ...scaled(dry.made(recipe, at), -1),
        ...scaled(through(recipeKey(recipeId), end), -1),
        ...dry.through(recipe, end),
      ]);
    });
  });
  const gives = freezerAndStove({
    problem,
    mip,
    candidates,
    cooked,
    potfuls,
    dry,
    through,
    between,
    made,
    scaled,
    give,
  });
  // At the end as many days are provided for.
  const lastNeed = addUp([1, 2, 3, 4, 5, 6, 7], (back) => needOn(problem, days - back)) / Math.min(7, days);
  const over = addUp(
    stock.filter(({ last }) => last >= days - 1),
    ({ kcal }) => kcal,
  );
  mip.row(lastNeed * problem.cover - over, Infinity, [
    ...recipes.flatMap(({ recipeId }, recipe) => [
      ...made(recipe, candidates.length - 1, ({ kcal }) => kcal),
      ...scaled(through(recipeKey(recipeId), days), -1),
    ]),
    ...stock.filter(({ last }) => last >= days - 1).flatMap(({ key }) => scaled(through(key, days), -1)),
  ]);
  const proteins = give.proteins === undefined ? undefined : mip.column(give.proteins, 0, Infinity);
  needsOfDish({
    problem,
    segments,
    isDaily,
    mip,
    eaten,
    costs,
    firstNew: candidates[0]?.from ?? days,
    slack: proteins,
  });
  atHand(problem, mip, candidates, potfuls, costs.money);
  return {
    mip,
    candidates,
    cooked,
    potfuls,
    eaten,
    dry,
    gives: { ...gives, ...(proteins === undefined ? {} : { proteins }) },
  };
}

/** What is at hand is worth being used before its date. */
function atHand(
  { lots, recipes }: WeeksProblem,
  mip: MipDraft,
  candidates: readonly Candidate[],
  potfuls: readonly (readonly number[])[],
  money: number,
) {
  for (const key of new Set(lots.map((lot) => lot.key))) {
    const own = lots.filter((lot) => lot.key === key).sort((a, b) => a.last - b.last);
    const used: number[] = [];
    for (const { grams, last, worth } of own) {
      used.push(mip.column(-money * ((worth ?? 0) / Math.max(1, grams)), 0, grams));
      const goesIn = candidates.flatMap(({ day }, at): Term[] =>
        day > last ? [] : recipes.map((recipe, index) => [nth(nth(potfuls, at), index), -(recipe.takes[key] ?? 0)]),
      );
      mip.row(-Infinity, 0, [...used.map((column): Term => [column, 1]), ...goesIn]);
    }
  }
}

/** No answer has fewer cook days than this. */
export const atLeastCookDays = (model: Pick<WeeksModel, 'cooked'>, count: number): MipRow => ({
  lower: count,
  upper: Infinity,
  terms: model.cooked.map((column): Term => [column, 1]),
});

/** Every answer but those that cook on exactly these days. */
export const otherThan = (model: Pick<WeeksModel, 'cooked'>, on: readonly boolean[]): MipRow => ({
  lower: 1 - on.filter(Boolean).length,
  upper: Infinity,
  terms: model.cooked.map((column, at): Term => [column, sure(on[at]) ? -1 : 1]),
});

/** Every answer that cooks on some other day than these: where nothing goes with all of them, nothing does with some. */
export const beyond = (model: Pick<WeeksModel, 'cooked'>, on: readonly boolean[]): MipRow => ({
  lower: 1,
  upper: Infinity,
  terms: model.cooked.flatMap((column, at): Term[] => (sure(on[at]) ? [] : [[column, 1]])),
});
