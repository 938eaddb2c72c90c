import { addUp } from '../add-up';
import type { FedBowl } from './days';

/** How much of a food a dog leaves. */
export interface LeftOf {
  readonly food: string;
  /** Part of the kcal that was put into its bowls, 0 to 1. */
  readonly part: number;
  /** Bowls of it, and those of which something was left. */
  readonly bowls: number;
  readonly left: number;
}

/** Fewer bowls of a food say nothing about it (ours, no source). */
const ENOUGH = 4;

/**
 * Who leaves what: of each food that bowls were mostly of, the part that was left, the most first. A food of few bowls is left out.
 * Takes a dog's bowls, and what each pot was of. Source: the bowls; arithmetic.
 */
export function leftByFood(bowls: readonly FedBowl[], foodOf: (batchId: number) => string | undefined): LeftOf[] {
  const foods = new Map<string, { put: number; left: number; bowls: number; with: number }>();
  for (const { parts, left } of bowls) {
    const put = addUp(parts, ({ kcal }) => kcal);
    const most = [...parts].sort((a, b) => b.kcal - a.kcal)[0];
    const food = most?.batchId === undefined ? undefined : foodOf(most.batchId);
    if (food === undefined || put <= 0) continue;
    const own = foods.get(food) ?? { put: 0, left: 0, bowls: 0, with: 0 };
    foods.set(food, {
      put: own.put + put,
      left: own.left + left,
      bowls: own.bowls + 1,
      with: own.with + (left > 0 ? 1 : 0),
    });
  }
  return [...foods]
    .filter(([, own]) => own.bowls >= ENOUGH)
    .map(([food, own]) => ({ food, part: Math.min(1, own.left / own.put), bowls: own.bowls, left: own.with }))
    .sort((a, b) => b.part - a.part || b.bowls - a.bowls);
}
