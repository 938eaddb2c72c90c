'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import type { KnownFood } from '@/core/food/food';
import { answerPlan, type PlanAnswer } from '@/core/plan/answer';
import type { TypedBinding } from '@/core/plan/binding-entry';
import { checkDogs } from '@/core/plan/dog-checks';
import { plainPlan, type DishEntry, type PlanEntry } from '@/core/plan/plan-entry';
import { standingAgainst } from '@/core/plan/stops';
import { waysOf } from '@/core/plan/ways';
import { useKept } from '@/ui/form/use-kept';
import type { PlanView } from './queries';

/** The typed plan and all that follows from it, while it is typed. */
export function usePlan(view: PlanView, first: number | undefined) {
  const [foods, setFoods] = useState(view.ground.foods);
  const ground = useMemo(() => ({ ...view.ground, foods }), [view.ground, foods]);
  const initial = useMemo(
    () =>
      view.entry ??
      plainPlan(
        (ground.recipes.find((each) => each.id === first) ?? ground.recipes[0])?.id ?? 1,
        ground.dogs.map((dog) => dog.id),
        ground.tomorrow,
        { cookDay: ground.today },
        ground.set,
      ),
    [view.entry, ground, first],
  );
  // What was typed stays over a reload, in a slot of its own for each way to come here.
  const [entry, setEntry, forget] = useKept(`plan-${view.slot}-${first ?? ''}`, initial);
  const answer = useMemo(() => answerPlan(ground, entry), [ground, entry]);
  const standing = useMemo(() => (answer.ok ? standingAgainst(ground, answer.value) : undefined), [ground, answer]);
  // While a hole cannot be read, what stood there last stays in sight, faint and not to be pressed.
  const [last, setLast] = useState<PlanAnswer>();
  if (answer.ok && answer.value !== last) setLast(answer.value);
  const shown = answer.ok ? answer.value : last;
  const ways = useMemo(() => (shown ? waysOf(ground, shown, entry.binding) : []), [ground, shown, entry.binding]);
  // The check of every nutrient of every dog may come a moment later than the figures.
  const settled = useDeferredValue(answer);
  const checks = useMemo(() => (settled.ok ? checkDogs(ground, settled.value) : []), [ground, settled]);
  const change = (part: Partial<PlanEntry>) => setEntry({ ...entry, ...part });
  return {
    ground,
    entry,
    answer,
    shown,
    standing,
    ways,
    checks,
    /** Something was typed that is not kept. */
    typed: entry !== initial,
    startOver: () => forget(entry),
    forget,
    change,
    bind: (part: Partial<TypedBinding>) => change({ binding: { ...entry.binding, ...part } }),
    changeDish: (place: number, part: Partial<DishEntry>) =>
      change({ dishes: entry.dishes.map((dish, index) => (index === place ? { ...dish, ...part } : dish)) }),
    bringFood: (food: KnownFood) => setFoods((now) => [...now.filter((each) => each.food.ndb !== food.food.ndb), food]),
  };
}

export type ThePlan = ReturnType<typeof usePlan>;
