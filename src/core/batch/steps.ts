import type { BatchState } from './fold';
import type { Step, Watch } from './step';
import { cook } from './steps/cook';
import { cool } from './steps/cool';
import { divide } from './steps/divide';
import { dry } from './steps/dry';
import { pack } from './steps/pack';
import { pot } from './steps/pot';
import { weighOut } from './steps/weigh-out';

/** The work in its order. */
export const STEPS = [weighOut, cook, cool, pot, divide, pack, dry] as const satisfies readonly Step[];
export type StepKey = (typeof STEPS)[number]['key'];

/** The step at hand: the first with something to be done, else the last that is open. */
export const stepAt = (batch: BatchState): (typeof STEPS)[number] =>
  STEPS.find((step) => step.next(batch) !== undefined) ?? STEPS.findLast((step) => step.opens(batch)) ?? STEPS[0];

/** Whether nothing of a batch is left to be done. */
export const isDone = (batch: BatchState): boolean => STEPS.every((step) => step.next(batch) === undefined);

/** What a batch asks to be looked at, as the step at hand says it; what cools is watched beside it (`BatchSummary.warm`). */
export const watchOf = (batch: BatchState): Watch | undefined =>
  isDone(batch) ? undefined : stepAt(batch).watch(batch);
