import type { Equipment } from './equipment';
import type { Figures } from './figures';
import { evenLoads, fillLimit } from './loads';
import type { Bound, BoundDish, DishToBind, ToPlan } from './to-plan';

/** What each load of a component takes in its vessel beside the rest, and the rest, in the unit of the vessel's limit. */
function roomIn(dish: DishToBind, figures: Figures, place: number, loads: number, unit: 'mL' | 'g') {
  const of = (own: Figures) => (unit === 'g' ? own.weights : own.rooms)[place]!;
  const added = of(dish.parts.perLoad[place]!);
  return { added, rest: Math.max(0, of(figures) - loads * added) };
}

const limitOf = (dish: DishToBind, vessel: Equipment, place: number) =>
  fillLimit(
    vessel,
    dish.recipe.written.filter((line) => (line.component ?? 0) === place),
  );

/** The vesselfuls of each component of a recipe at these figures. */
export function loadsOf(dish: DishToBind, figures: Figures, counts: readonly number[]): BoundDish['loads'] {
  return dish.vessels.map((vessel, place) => {
    if (!vessel) return undefined;
    const limit = limitOf(dish, vessel, place);
    const { added, rest } = roomIn(dish, figures, place, counts[place] ?? 1, limit.unit);
    return evenLoads(rest, added, limit, vessel.name, added > 0 ? counts[place] : 1);
  });
}

/** Of how many full vesselfuls a plan is, by the component that needs most. */
export function potfulsOf(plan: ToPlan, bound: Bound): number {
  return Math.max(
    0,
    ...bound.dishes.flatMap((own, index) =>
      plan.dishes[index]!.vessels.map((vessel, place) => {
        if (!vessel) return 0;
        const dish = plan.dishes[index]!;
        const limit = limitOf(dish, vessel, place);
        const { added, rest } = roomIn(dish, own.figures, place, own.at.loads[place] ?? 1, limit.unit);
        return rest / Math.max(1e-9, limit.limit - added);
      }),
    ),
  );
}
