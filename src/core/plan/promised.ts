import type { LocalDate } from '../calendar/local-date';
import { drawLots, type Lot } from '../stock/lot';
import type { PlanInputs } from './inputs';

/** What another kept plan, not cooked yet, takes of an ingredient. */
export interface Promised {
  readonly planId: number;
  readonly cookDay: LocalDate;
  /** The key of its food. */
  readonly key: string;
  readonly grams: number;
}

/**
 * What of the ingredients in the house is left for a plan: what pots take that are cooked before it is theirs. Of the same day a kept
 * plan comes before a later one, and before one that is not kept.
 *
 * Takes lots, what is promised, the cook day and its own id. Source: first cooked first served (ours); each pot draws as cooking does.
 */
export function lotsLeft(
  { lots, promised, planId }: Pick<PlanInputs, 'lots' | 'promised' | 'planId'>,
  cookDay: LocalDate,
): Lot[] {
  const left = new Map(lots.map((lot) => [lot.holdingId, lot]));
  const before = promised
    .filter((each) => each.planId !== planId)
    .filter((each) => each.cookDay < cookDay || (each.cookDay === cookDay && each.planId < (planId ?? Infinity)))
    .sort((a, b) => a.cookDay.localeCompare(b.cookDay) || a.planId - b.planId);
  for (const { key, grams, cookDay: day } of before) {
    const own = [...left.values()].filter((lot) => lot.key === key);
    for (const { holdingId, grams: taken } of drawLots(grams, own, day).uses) {
      const lot = left.get(holdingId);
      if (lot) left.set(holdingId, { ...lot, grams: lot.grams - taken });
    }
  }
  return [...left.values()];
}
