import { addUp } from '../add-up';
import { nth } from '../sure';
import type { MipDraft, Term } from './mip';
import type { Segment } from './model';
import { needOn, proteinsCooked, type WeeksDog, type WeeksDryer, type WeeksProblem, type Wish } from './weeks';

/** What a wish counts by its place: each is worth ten times the next but for the last (ours, no source). */
const WEIGHTS = [100, 10, 3, 1];
/** Loading, weighing and bagging a cycle counts as such a part of a cook day (ours, no source). */
const CYCLE = 0.05;
/** A fortnight, over which proteins are counted. */
const FORTNIGHT = 14;

export interface WishCosts {
  readonly cookDay: number;
  /** Of one potful of a recipe on a day. */
  readonly potful: (recipe: number, day: number) => number;
  /** Of one cycle of a dryer: its electricity, and hands. */
  readonly cycle: (dryer: Pick<WeeksDryer, 'costACycle'>) => number;
  /** Of one protein more in a dog's fortnight: negative. */
  readonly protein: number;
  /** Of a kcal of food that is thrown away. */
  readonly perKcal: number;
  /** Of one minor unit of money. */
  readonly money: number;
}

/**
 * What the wishes of a household cost, each in a unit of about the same size: a cook day; what a week's food costs; a week that all
 * food lies; a protein fewer in a fortnight. Source: ours.
 */
export function wishCosts(problem: WeeksProblem): WishCosts {
  const { days, dogs, recipes } = problem;
  const weight = (wish: Wish): number => {
    const place = problem.wishes.indexOf(wish);
    return WEIGHTS[place === -1 ? WEIGHTS.length - 1 : place] ?? 1;
  };
  const aDay = Math.max(
    1,
    addUp(
      Array.from({ length: days }, (_, day) => needOn(problem, day)),
      (kcal) => kcal,
    ) / days,
  );
  const priced = recipes.filter(({ costOn }) => costOn !== undefined);
  const perKcal = (recipe: WeeksProblem['recipes'][number], day: number) => (recipe.costOn?.[day] ?? 0) / recipe.kcal;
  const mean =
    priced.length === 0
      ? 0
      : addUp(priced, (recipe) => addUp(recipe.costOn ?? [], (cost) => cost) / days / recipe.kcal) / priced.length;
  // Of a recipe that has no price nobody knows that it is cheaper.
  const money = mean > 0 ? weight('least cost') / (mean * aDay * 7) : 0;
  const fresh = weight('freshest') / (aDay * days * 7);
  return {
    cookDay: weight('fewest cook days'),
    potful: (at, day) => {
      const recipe = nth(recipes, at);
      const cost = recipe.costOn === undefined ? mean : perKcal(recipe, day);
      return money * cost * recipe.kcal + fresh * (days - day) * recipe.kcal;
    },
    cycle: ({ costACycle = 0 }) => CYCLE * weight('fewest cook days') + money * costACycle,
    protein: -weight('most varied') / Math.max(1, dogs.length) / 2,
    perKcal: Math.max(money * mean, weight('fewest cook days') / (aDay * 30)),
    money,
  };
}

interface Dish {
  readonly problem: WeeksProblem;
  readonly segments: readonly Segment[];
  readonly isDaily: boolean;
  readonly mip: MipDraft;
  readonly eaten: readonly {
    readonly dog: WeeksDog;
    readonly sources: readonly { readonly protein: string; readonly columns: readonly (number | undefined)[] }[];
  }[];
  readonly costs: WishCosts;
  /** The first day on which something new is eaten: before, there is what there is. */
  readonly firstNew: number;
  readonly slack: number | undefined;
}

/** Days of one protein in a row at most, so many proteins in each fortnight at least, and more of them as it is wished. */
export function needsOfDish({ problem, segments, isDaily, mip, eaten, costs, firstNew, slack }: Dish): void {
  const most = problem.proteinDays;
  eaten.forEach(({ dog, sources }) => {
    const proteins = [
      ...new Set(
        sources.filter(({ columns }) => columns.some((column) => column !== undefined)).map(({ protein }) => protein),
      ),
    ];
    // A dog for which one protein alone can be cooked gets it every day, once the store is eaten.
    const cooked = proteinsCooked(problem, dog);
    if (cooked.size < 2) return;
    const of = (protein: string, from: number, to: number): number[] =>
      sources.flatMap((source) =>
        source.protein === protein
          ? source.columns.slice(from, to + 1).flatMap((column) => (column === undefined ? [] : [column]))
          : [],
      );
    const given = slack === undefined ? [] : [[slack, -1] as const];
    if (most !== undefined)
      for (const protein of proteins)
        segments.forEach(({ from }, first) => {
          if (from < firstNew) return;
          for (let last = first; last < segments.length; last++) {
            const { to } = nth(segments, last);
            const length = to - from + 1;
            const may = length - Math.floor(length / (most + 1));
            if (may === length) continue;
            const terms = of(protein, first, last).map((column): Term => [column, 1]);
            // In days one at a time; in kcal, of its hungriest days.
            const kcal = dog.needs.slice(from, to + 1).sort((a, b) => b - a);
            if (isDaily) {
              const fed = kcal.filter((each) => each > 0).length;
              if (fed === length) mip.row(-Infinity, may, [...terms, ...given]);
              break;
            }
            mip.row(
              -Infinity,
              addUp(kcal.slice(0, may), (each) => each),
              [...terms, ...given.map(([column]): Term => [column, -(kcal[0] ?? 0)])],
            );
            if (last - first >= 2) break;
          }
        });
    const least = Math.min(problem.proteinsAFortnight, cooked.size);
    for (let from = firstNew; from + FORTNIGHT <= problem.days; from += 7) {
      const [first, last] = [
        segments.findIndex((segment) => segment.to >= from),
        segments.findLastIndex((segment) => segment.from < from + FORTNIGHT),
      ];
      const some = proteins.map((protein): Term => {
        const had = mip.column(costs.protein, 0, 1);
        const least = Math.max(1e-9, Math.min(...dog.needs.filter((kcal) => kcal > 0)));
        mip.row(0, Infinity, [
          ...of(protein, first, last).map((column): Term => [column, isDaily ? 1 : 1 / least]),
          [had, -1],
        ]);
        return [had, 1];
      });
      mip.row(least, Infinity, [...some, ...(slack === undefined ? [] : [[slack, 1] as const])]);
    }
  });
}
