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

/** Solves the weeks, and where nothing is found looks for what would have to give. Takes who solves, seconds, and whether that is enough. */
export function solvedOrWhy(
  problem: WeeksProblem,
  solve: SolveMip,
  seconds: number,
  isEnough: () => boolean,
  onStep: (step: WeeksStep, gap: number | undefined) => void,
): WeeksDone {
  const stands = inTheWay(problem);
  if (stands.length > 0) return { answer: undefined, inTheWay: stands, ways: [], unsure: false, stopped: false };
  const { answer, impossible } = solveWeeks(problem, solve, seconds, ({ step, gap }) => onStep(step, gap));
  if (answer || isEnough())
    return { answer, inTheWay: [], ways: [], unsure: !answer && !impossible, stopped: !answer && isEnough() };
  onStep('looking what would have to give', undefined);
  return {
    answer: undefined,
    inTheWay: [],
    ways: waysOut(problem, solve, Math.max(4, seconds / 3)),
    unsure: !impossible,
    stopped: isEnough(),
  };
}
