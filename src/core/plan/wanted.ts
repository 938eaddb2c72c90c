import { fine, refused, type Outcome } from '../problem';
import { potfulsOf } from './potfuls';
import { LONGEST_PLAN_DAYS } from './scale';
import { frozenRoom, type Bound, type ToPlan } from './to-plan';

/** What a plan is bound by: the rest follows. Weights of finished food, of a piece as it goes in raw, at hand as bought. */
export type Binding =
  | { readonly by: 'days'; readonly days: number }
  | { readonly by: 'weight'; readonly grams: number }
  | { readonly by: 'volume'; readonly millilitres: number }
  | { readonly by: 'containers' | 'pieces' | 'trays'; readonly count: number; readonly grams: number }
  | { readonly by: 'cups'; readonly count: number; readonly millilitres: number }
  | { readonly by: 'at hand'; readonly dish: number; readonly line: number; readonly grams: number }
  | { readonly by: 'freezer'; readonly millilitres: number }
  | { readonly by: 'potfuls'; readonly count: number };

/** What a binding fixes: a figure of the plan, and what it is to come to. */
export interface Wanted {
  readonly wanted: number;
  readonly figure: (bound: Bound) => number;
}

/** What a binding wants, or why it cannot bind, at its field. */
export function wantedBy(plan: ToPlan, binding: Binding): Outcome<Wanted> {
  const finished = (bound: Bound) => bound.finished;
  const whole = (count: number, field: string, asked: string) =>
    Number.isInteger(count) && count >= 1 ? undefined : refused(asked, field);
  if ('grams' in binding && !(binding.grams > 0)) return refused('How much? A weight above 0.', 'amount');
  if ('millilitres' in binding && !(binding.millilitres > 0))
    return refused(
      binding.by === 'freezer' ? 'The freezer has no room left: free some of it first.' : 'How much? A volume above 0.',
      'amount',
    );
  switch (binding.by) {
    case 'days':
      if (!(binding.days > 0)) return refused('Cook for at least one day.', 'days');
      return binding.days > LONGEST_PLAN_DAYS
        ? refused(`Cook for ${LONGEST_PLAN_DAYS} days at the most.`, 'days')
        : fine({ wanted: binding.days, figure: (bound) => bound.days });
    case 'weight':
      return fine({ wanted: binding.grams, figure: finished });
    case 'containers':
      return (
        whole(binding.count, 'count', 'How many containers? A whole number from 1.') ??
        fine({ wanted: binding.count * binding.grams, figure: finished })
      );
    case 'trays':
      return (
        whole(binding.count, 'count', 'How many trays? A whole number from 1.') ??
        fine({ wanted: binding.count * binding.grams, figure: finished })
      );
    case 'pieces':
      return (
        whole(binding.count, 'count', 'How many pieces? A whole number from 1.') ??
        fine({
          wanted: binding.count * binding.grams,
          figure: (bound) => bound.dishes.reduce((sum, dish) => sum + dish.figures.inPot, 0),
        })
      );
    case 'volume':
    case 'cups': {
      const unknown = plan.dishes.find((dish) => dish.mlPerGram === undefined);
      if (unknown)
        return refused(
          `Nobody has weighed a cup of ${unknown.name} yet. Weigh one on a dog’s page (“One cup of it weighs”), or give a weight.`,
          'amount',
        );
      const count = binding.by === 'cups' ? binding.count : 1;
      return (
        whole(count, 'count', 'How many containers? A whole number from 1.') ??
        fine({
          wanted: count * binding.millilitres,
          figure: (bound) =>
            bound.dishes.reduce((sum, dish, index) => sum + dish.figures.finished * plan.dishes[index]!.mlPerGram!, 0),
        })
      );
    }
    case 'at hand': {
      const { dish, line } = binding;
      const parts = plan.dishes[dish]?.parts;
      const takes =
        parts &&
        [parts.perScale, parts.perDogDay, parts.perKgDay, ...parts.perLoad].some((own) => (own.bought[line] ?? 0) > 0);
      return takes
        ? fine({ wanted: binding.grams, figure: (bound) => bound.dishes[dish]!.figures.bought[line]! })
        : refused('This plan takes none of it. Choose another line.', 'line');
    }
    case 'freezer':
      return fine({ wanted: binding.millilitres, figure: (bound) => frozenRoom(plan, bound) });
    case 'potfuls': {
      if (plan.dishes.every((dish) => dish.vessels.every((vessel) => vessel === undefined)))
        return refused('No vessel is set down yet: add the pot under Household.', 'vessel');
      return (
        whole(binding.count, 'count', 'How many potfuls? A whole number from 1.') ??
        fine({ wanted: binding.count, figure: (bound) => potfulsOf(plan, bound) })
      );
    }
  }
}
