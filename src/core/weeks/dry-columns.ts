import { nth } from '../sure';
import { cycleLimits, dryersUsed, dryingOf, mayDry } from './drying';
import type { MipDraft, Term } from './mip';
import type { Segment } from './model';
import { fridgeOfAll, recipeKey, type Candidate, type WeeksDryer, type WeeksProblem } from './weeks';
import type { WishCosts } from './wishes';

/** What is dried of the pots, and what of it is eaten when. Everything in kcal; without dryers there is nothing of it. */
export interface DryColumns {
  readonly dryers: readonly WeeksDryer[];
  /** By candidate and dryer, its cycles. */
  readonly cycles: readonly (readonly number[])[];
  /** By candidate, recipe and dryer, what is dried. */
  readonly dried: readonly (readonly (readonly (number | undefined)[])[])[];
  /** By recipe, dryer and segment, what is eaten of it. */
  readonly drawn: readonly (readonly (readonly (number | undefined)[])[])[];
  /** What is dried of a recipe up to a candidate; what is eaten of it through a day by whole segments, and wholly within some days. */
  readonly made: (recipe: number, upTo: number) => Term[];
  readonly own: (recipe: number, at: number) => Term[];
  readonly through: (recipe: number, day: number) => Term[];
  readonly within: (recipe: number, from: number, to: number) => Term[];
}

interface ToDry {
  readonly problem: WeeksProblem;
  readonly segments: readonly Segment[];
  readonly mip: MipDraft;
  readonly candidates: readonly Candidate[];
  readonly potfuls: readonly (readonly number[])[];
  readonly costs: Pick<WishCosts, 'cycle'>;
  /** kcal that are eaten of a source in the segments that hold any of some days. */
  readonly between: (key: string, first: number, last: number) => Term[];
}

const minus = (terms: readonly Term[]): Term[] => terms.map(([column, times]) => [column, -times]);
const present = (columns: readonly (number | undefined)[]): Term[] =>
  columns.flatMap((column): Term[] => (column === undefined ? [] : [[column, 1]]));

/**
 * The dryers in the programme of some weeks: whole cycles within what each machine and the household allow, no more dried than was
 * cooked, nothing eaten before it is dry, and all of it while it is good. Food that is dried takes no litres and is not frozen.
 * Source: arithmetic.
 */
export function dryColumns({ problem, segments, mip, candidates, potfuls, costs, between }: ToDry): DryColumns {
  const { recipes, days } = problem;
  const fridgeDays = fridgeOfAll(problem);
  const dryers = dryersUsed(problem);
  const does = dryers.map((dryer) => dryingOf(dryer, fridgeDays));
  const cycles = candidates.map(() =>
    dryers.map((dryer, at) => mip.column(costs.cycle(dryer), 0, nth(does, at).most, true)),
  );
  const dried = candidates.map(() =>
    recipes.map((recipe) => dryers.map((dryer) => (mayDry(dryer, recipe) ? mip.column(0, 0, Infinity) : undefined))),
  );
  const drawn = recipes.map((recipe) =>
    dryers.map((dryer, at) => {
      const first = (candidates[0]?.day ?? days) + nth(does, at).readyIn;
      return segments.map(({ to }) => (mayDry(dryer, recipe) && to >= first ? mip.column(0, 0, Infinity) : undefined));
    }),
  );
  const through = (recipe: number, dryer: number, day: number) =>
    present(nth(nth(drawn, recipe), dryer).filter((_, segment) => nth(segments, segment).to <= day));
  const upTo = (recipe: number, dryer: number, last: number) =>
    present(dried.slice(0, last + 1).map((own) => nth(nth(own, recipe), dryer)));
  recipes.forEach((recipe, index) => {
    // No more of a pot is dried than was cooked.
    candidates.forEach((_, at) =>
      mip.row(-Infinity, 0, [...present(nth(nth(dried, at), index)), [nth(nth(potfuls, at), index), -recipe.kcal]]),
    );
    // What is eaten dried is a part of what is eaten.
    segments.forEach(({ from, to }, segment) => {
      const dry = present(nth(drawn, index).map((own) => own[segment]));
      if (dry.length > 0) mip.row(-Infinity, 0, [...dry, ...minus(between(recipeKey(recipe.recipeId), from, to))]);
    });
    dryers.forEach((dryer, at) => {
      const { readyIn } = nth(does, at);
      // Nothing is eaten before it is dry.
      for (let last = -1; last < candidates.length; last++) {
        const next = candidates[last + 1];
        const day = Math.min(days, next ? next.day + readyIn : days) - 1;
        mip.row(-Infinity, 0, [...through(index, at, day), ...minus(upTo(index, at, last))]);
      }
      // All of it is eaten while it is good.
      candidates.forEach(({ day }, last) => {
        const end = segments.find(({ to }) => to >= day + dryer.keepsDays)?.to;
        if (end === undefined || end >= days - 1) return;
        mip.row(-Infinity, 0, [...upTo(index, at, last), ...minus(through(index, at, end))]);
      });
    });
  });
  dryers.forEach((dryer, at) => {
    candidates.forEach((_, own) =>
      mip.row(-Infinity, 0, [
        ...recipes.flatMap((recipe, index): Term[] => {
          const column = nth(nth(nth(dried, own), index), at);
          return column === undefined ? [] : [[column, recipe.grams / recipe.kcal / 1000]];
        }),
        [nth(nth(cycles, own), at), -dryer.grams / 1000],
      ]),
    );
    const limits = cycleLimits(
      dryer,
      fridgeDays,
      candidates.map(({ day }) => day),
    );
    for (const { from, to, most } of limits) {
      const own = candidates.flatMap(({ day }, index): Term[] =>
        day < from || day > to ? [] : [[nth(nth(cycles, index), at), 1]],
      );
      if (own.length * nth(does, at).most > most) mip.row(-Infinity, most, own);
    }
  });
  return {
    dryers,
    cycles,
    dried,
    drawn,
    own: (recipe, at) => present(nth(nth(dried, at), recipe)),
    made: (recipe, last) => dryers.flatMap((_, at) => upTo(recipe, at, last)),
    through: (recipe, day) => dryers.flatMap((_, at) => through(recipe, at, day)),
    within: (recipe, from, to) =>
      nth(drawn, recipe).flatMap((own) =>
        present(own.filter((_, segment) => nth(segments, segment).from >= from && nth(segments, segment).to <= to)),
      ),
  };
}
