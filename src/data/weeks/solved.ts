import type { SolveMip } from '@/core/weeks/mip';
import { solveWeeks, type WeeksProgress } from '@/core/weeks/solve';
import { inTheWay, waysOut, type InTheWay, type WayOut } from '@/core/weeks/stands';
import type { WeeksAnswer, WeeksProblem } from '@/core/weeks/weeks';

/** What solving came to: an answer, or what stands in its way. */
export interface WeeksDone {
  readonly answer: WeeksAnswer | undefined;
  readonly inTheWay: readonly InTheWay[];
  readonly ways: readonly WayOut[];
  /** It was not proven that nothing keeps all limits: the time was up, or the cook stopped it. */
  readonly unsure: boolean;
  /** The cook stopped it before anything was found. */
  readonly stopped: boolean;
}

export type WeeksStep = WeeksProgress['step'] | 'looking what would have to give';

/** How far solving is. */
export type WeeksAt = Omit<WeeksProgress, 'step'> & { readonly step: WeeksStep };

/** So many times as long a first answer is looked for, where the usual time brought none (ours, no source). */
const PATIENCE = 5;

/**
 * Solves the weeks, and where nothing is found looks for what would have to give. Takes who solves, seconds, whether that is
 * enough, who is told, and the seconds of a clock.
 */
export function solvedOrWhy(
  problem: WeeksProblem,
  solve: SolveMip,
  seconds: number,
  isEnough: () => boolean,
  onStep: (at: WeeksAt) => void,
  now?: () => number,
): WeeksDone {
  const stands = inTheWay(problem);
  if (stands.length > 0) return { answer: undefined, inTheWay: stands, ways: [], unsure: false, stopped: false };
  let { answer, impossible } = solveWeeks(problem, solve, seconds, onStep, now);
  // On a machine that is busy with something else the time may be up before a first answer was found.
  if (!answer && !impossible && !isEnough())
    ({ answer, impossible } = solveWeeks(problem, solve, seconds * PATIENCE, onStep, now));
  if (answer || isEnough())
    return { answer, inTheWay: [], ways: [], unsure: !answer && !impossible, stopped: !answer && isEnough() };
  onStep({ step: 'looking what would have to give', gap: undefined, soFar: undefined });
  return {
    answer: undefined,
    inTheWay: [],
    ways: waysOut(problem, solve, Math.max(4, seconds / 3)),
    unsure: !impossible,
    stopped: isEnough(),
  };
}
