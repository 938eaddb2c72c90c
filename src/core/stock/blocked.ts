import { standing } from '../standing';
import type { Movement } from './ledger';

/** What blocks a pack: the blockings of its history that stand. Takes its movements in order. Source: ours. */
export const blockingOf = <T extends Movement>(history: readonly T[]): readonly T[] =>
  standing(history).filter(({ kind }) => kind === 'blocked');

/** The loss of a pack that nobody found, if that is what emptied it: taken back, the pack is there again. */
export const lossOf = <T extends Movement>(history: readonly T[]): T | undefined => {
  const last = standing(history).at(-1);
  const isLoss = last?.legs.some((leg) => 'account' in leg && leg.account === 'lost');
  return isLoss ? last : undefined;
};
