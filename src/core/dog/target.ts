import type { LocalDate } from '../calendar/local-date';
import { grams, type Grams } from '../quantity/units';
import { rationOn, type Dog } from './dog';
import { targetWeight } from './goal';
import { lifeStage } from './stage';
import { countingWeighIns } from './trend';
import { sure } from '../sure';

/** Safe loss is 1 to 2 % of body weight a week (handbook 2; common practice). */
const LOSS = { aim: -1, gentle: -1, fast: -2 } as const;
const GAIN_AIM = 0.5;
/** Within this rate a weight is steady, in % a week (common practice, no source). */
const STEADY = 0.3;
/** How near the weight must be to its target, as a part of it. */
const NEAR = 0.03;
/** The weight that the dog is to come to, and where that comes from. */
export function targetOf(
  dog: Dog,
  day: LocalDate,
): { readonly weight: Grams; readonly from: 'goal' | 'condition' } | undefined {
  const ration = rationOn(dog, day);
  if (ration.goal !== undefined) return { weight: ration.goal, from: 'goal' };
  const scored = countingWeighIns(dog.weighIns)
    .filter((entry) => entry.date <= day && entry.bodyCondition !== undefined)
    .at(-1);
  const weight = scored && targetWeight(scored.grams, sure(scored.bodyCondition));
  return weight === undefined ? undefined : { weight, from: 'condition' };
}

/** The weight that a dog's curve is held against: its target, with 3 % either way. */
export function targetBand(dog: Dog, day: LocalDate): readonly [Grams, Grams] | undefined {
  if (lifeStage(dog, day).kind === 'pup') return undefined;
  const target = targetOf(dog, day)?.weight;
  return target === undefined ? undefined : [grams(target * (1 - NEAR)), grams(target * (1 + NEAR))];
}

/** How fast a weight should change, and whether a trend does. */
export interface Wanted {
  /** % a week. */
  readonly rate: number;
  readonly why: string;
  /** Whether a trend is as it should be. */
  readonly holds: (percentAWeek: number) => boolean;
}

/**
 * The wanted rate of a dog that weighs `weight` g with this target, beside what it does now (% a week).
 * Source: safe loss 1–2 % a week (handbook 2, common practice); the slow gain and what counts as steady are ours.
 */
export function wantedRate(weight: Grams, target: Grams | undefined, now: number): Wanted {
  if (target !== undefined && weight > target * (1 + NEAR)) {
    const fast = now < LOSS.fast - 0.2;
    return {
      rate: LOSS.aim,
      why: fast ? 'faster than 2 % a week is not safe' : 'it is over its target, and 1 to 2 % a week is a safe loss',
      holds: (rate) => rate <= LOSS.gentle + 0.2 && rate >= LOSS.fast - 0.2,
    };
  }
  if (target !== undefined && weight < target * (1 - NEAR)) {
    return {
      rate: GAIN_AIM,
      why: 'it is under its target',
      holds: (rate) => rate >= GAIN_AIM - STEADY && rate <= GAIN_AIM + 2 * STEADY,
    };
  }
  return {
    rate: 0,
    why:
      target === undefined ? 'a steady weight is what an adult should keep' : 'it is at its target and should keep it',
    holds: (rate) => Math.abs(rate) <= STEADY,
  };
}
