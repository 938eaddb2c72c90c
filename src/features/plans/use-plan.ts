'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import type { KnownFood } from '@/core/food/food';
import { workOutPlan, type PlanResult } from '@/core/plan/result';
import type { TypedBinding } from '@/core/plan/bindings/bindings';
import { checkDogs } from '@/core/plan/dog-checks';
import { plainPlan, planEntrySchema, type BatchEntry, type PlanEntry } from '@/core/plan/plan-entry';
import { standingAgainst } from '@/core/plan/stops';
import { inAllBindings } from '@/core/plan/bindings/bindings';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import type { PlanView } from './queries';

/** The typed plan and all that follows from it, while it is typed. */
export function usePlan(view: PlanView, first: number | undefined) {
  const [foods, setFoods] = useState(view.inputs.foods);
  const inputs = useMemo(() => ({ ...view.inputs, foods }), [view.inputs, foods]);
  const initial = useMemo(
    () =>
      view.entry ??
      plainPlan(
        (inputs.recipes.find((each) => each.id === first) ?? inputs.recipes[0])?.id ?? 1,
        inputs.dogs.map((dog) => dog.id),
        inputs.tomorrow,
        { cookDay: inputs.today },
        inputs.set,
      ),
    [view.entry, inputs, first],
  );
  // What was typed stays over a reload, in a slot of its own for each way to come here.
  const [entry, setEntry, forget] = useDraftStorage(`plan-${view.slot}-${first ?? ''}`, planEntrySchema, initial);
  const result = useMemo(() => workOutPlan(inputs, entry), [inputs, entry]);
  const standing = useMemo(() => (result.ok ? standingAgainst(inputs, result.value) : undefined), [inputs, result]);
  // While a hole cannot be read, what stood there last stays in sight, faint and not to be pressed.
  const [last, setLast] = useState<PlanResult>();
  if (result.ok && result.value !== last) setLast(result.value);
  const shown = result.ok ? result.value : last;
  const bindings = useMemo(
    () => (shown ? inAllBindings(inputs, shown, entry.binding) : []),
    [inputs, shown, entry.binding],
  );
  // The check of every nutrient of every dog may come a moment later than the figures.
  const settled = useDeferredValue(result);
  const checks = useMemo(() => (settled.ok ? checkDogs(inputs, settled.value) : []), [inputs, settled]);
  const change = (part: Partial<PlanEntry>) => setEntry({ ...entry, ...part });
  return {
    inputs,
    entry,
    result,
    shown,
    standing,
    bindings,
    checks,
    /** Something was typed that is not kept. */
    typed: entry !== initial,
    startOver: () => forget(entry),
    forget,
    change,
    bind: (part: Partial<TypedBinding>) => change({ binding: { ...entry.binding, ...part } }),
    changeBatch: (place: number, part: Partial<BatchEntry>) =>
      change({ batches: entry.batches.map((batch, index) => (index === place ? { ...batch, ...part } : batch)) }),
    bringFood: (food: KnownFood) => setFoods((now) => [...now.filter((each) => each.food.ndb !== food.food.ndb), food]),
  };
}

export type ThePlan = ReturnType<typeof usePlan>;
