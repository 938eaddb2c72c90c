import { fine, refused, type Outcome } from '../../problem';
import type { UnitSet } from '../../quantity/units';
import type { PlanInputs } from '../inputs';
import type { PlanResult } from '../result';
import type { Bound, ToPlan } from '../to-plan';
import type { Amount } from '../typed-amount';
import type { BindingRow } from './row';
import { addUp } from '../../add-up';

/** The texts that the holes of all bindings hold. */
export interface BindingTexts {
  readonly days: string;
  /** Finished food: "5 kg", "4 L". */
  readonly amount: string;
  readonly count: string;
  /** What one container, piece or tray takes: "450 g", "2 cups". */
  readonly size: string;
  /** How much there is of the line that is at hand: "4.6 lb". */
  readonly atHand: string;
  /** The freezer's free space: "20 L". */
  readonly space: string;
}

/** What the sentence holds: which binding, its holes, and the line at hand by its recipe's place and its own. */
export interface Typed extends BindingTexts {
  readonly by: string;
  readonly batch: number;
  readonly line: number;
}

/** A hole of the sentence: a text, or the choice of a line of the plan. */
export type BindingHole =
  | { readonly text: keyof BindingTexts; readonly label: string; readonly size: 'count' | 'amount' }
  | { readonly line: true; readonly label: string };

/** What a binding fixes: a figure of the plan, and what it is to come to. */
export interface Wanted {
  readonly wanted: number;
  readonly figure: (bound: Bound) => number;
}

/**
 * One way to bind a plan, whole: how the sentence says it and what its holes hold, how it is read, what it fixes, and the
 * rows that say any plan in its way. A new one is a file beside the others and a line in `bindings.ts`. Written as methods, so that the list may call any of them.
 */
export interface PlanBinding<Own extends { readonly by: string }> {
  readonly key: Own['by'];
  /** The words that choose it. */
  readonly offer: string;
  /** The holes in their order, with the words between them. */
  sentence(typed: Typed): readonly (BindingHole | string)[];
  /** What its holes hold until the cook fills them. */
  usual(set: UnitSet): Partial<BindingTexts>;
  /** What its holes begin with in this kitchen when it is chosen. */
  begins(inputs: PlanInputs): Partial<BindingTexts>;
  read(typed: Typed, set: UnitSet): Outcome<Own>;
  wanted(plan: ToPlan, own: Own): Outcome<Wanted>;
  rows(result: PlanResult, typed: Typed, inputs: PlanInputs): readonly BindingRow[];
}

/** So many whole ones of a size, as the sentence says it. */
export const countAndSize = (many: string, one: string, after?: string): readonly (BindingHole | string)[] => [
  { text: 'count', label: many, size: 'count' },
  'of',
  { text: 'size', label: one, size: 'amount' },
  ...(after === undefined ? [] : [after]),
];

export const finished = (bound: Bound): number => bound.finished;

/** Refuses a count that is no whole number from 1. */
export const wholeCount = (count: number, things: string): Outcome<never> | undefined =>
  Number.isInteger(count) && count >= 1 ? undefined : refused(`How many ${things}? A whole number from 1.`, 'count');

/** An amount of finished food, so many times: by its weight, or by its volume where a cup of each recipe was weighed. */
export function amountWanted(plan: ToPlan, amount: Amount, times: number, field: string): Outcome<Wanted> {
  if ('grams' in amount)
    return amount.grams > 0
      ? fine({ wanted: times * amount.grams, figure: finished })
      : refused('How much? A weight above 0.', field);
  if (!(amount.millilitres > 0)) return refused('How much? A volume above 0.', field);
  const perGram: number[] = [];
  for (const { name, mlPerGram } of plan.batches) {
    if (mlPerGram === undefined)
      return refused(
        `Nobody has weighed a cup of ${name} yet. Weigh one on a dog’s page (“One cup of it weighs”), or give a weight.`,
        field,
      );
    perGram.push(mlPerGram);
  }
  return fine({
    wanted: times * amount.millilitres,
    figure: (bound) => addUp(bound.batches, (batch, index) => batch.figures.finished * (perGram[index] ?? 0)),
  });
}
