import { z } from 'zod';
import type { LocalDate } from '../calendar/local-date';
import { isOtherwise } from '../cook/next-time';
import { idSchema } from '../schema';
import { habitOf } from '../plan/predict';

/** What kinds of things are observed in a kitchen; what is struck out is named by its kind and what it was observed of. */
export const OBSERVED = ['pot', 'cooked', 'cooled', 'cycle', 'fill', 'frozen'] as const;
export type Observed = (typeof OBSERVED)[number];

/** The key of one observation: `pot:12`, `cooked:12:stew`. */
export const observationKey = (kind: Observed, ...of: readonly (string | number)[]): string => [kind, ...of].join(':');

/** Strikes one observation out, or counts it again. */
export const strikeSchema = z.object({
  key: z
    .string()
    .max(160)
    .regex(new RegExp(`^(${OBSERVED.join('|')}):.+$`), 'Nobody observed that.'),
  isStruck: z.boolean(),
});

/** Minutes for a recipe's next version, for its component of that name. */
export const agreedMinutesSchema = z.object({
  recipeId: idSchema,
  name: z.string().max(80),
  minutes: z.number().int().min(1).max(2880),
});

/** One observation of this kitchen. */
export interface Observation {
  readonly key: string;
  readonly day: LocalDate;
  /** Where it was observed, in words. */
  readonly said: string;
  readonly value: number;
  readonly isStruck: boolean;
}

/** What a kitchen has learned of one thing. */
export interface LearnedFigure {
  /** undefined: nothing counts, and the table says it. */
  readonly mean: number | undefined;
  /** Standard deviation, from two observations on. */
  readonly spread: number | undefined;
  /** On how many it stands. */
  readonly of: number;
  /** Those that lie far from the others, by their keys: perhaps a slip. */
  readonly far: readonly string[];
}

/** From so many others on one can lie far from them, and so many of their spreads is far (ours, no source). */
const [OTHERS, FAR] = [3, 3];

/** Below this part of the mean a spread is taken as this: readings are not finer (ours, no source). */
const FINEST = 0.01;

/**
 * The mean and the spread of what counts, and what lies far from the others. Takes the observations. Source: elementary statistics
 * (n - 1); each is held against the others without itself.
 */
export function learnedFigure(observations: readonly Observation[]): LearnedFigure {
  const counted = observations.filter(({ isStruck }) => !isStruck);
  const { mean, spread } = habitOf(counted.map(({ value }) => value));
  const far = counted.filter(({ key, value }) => {
    const others = habitOf(counted.filter((each) => each.key !== key).map((each) => each.value));
    if (counted.length <= OTHERS || others.mean === undefined || others.spread === undefined) return false;
    return Math.abs(value - others.mean) > FAR * Math.max(others.spread, FINEST * Math.abs(others.mean));
  });
  return { mean, spread, of: counted.length, far: far.map(({ key }) => key) };
}

/**
 * Minutes that a recipe's next version is to say: where two pots or more agree with each other and not with the recipe. undefined: they
 * do not. Takes what was learned in minutes, and what the recipe says. Source: arithmetic.
 */
export function agreedMinutes({ mean, spread, of }: LearnedFigure, said: number | undefined): number | undefined {
  if (mean === undefined || spread === undefined || of < 2) return undefined;
  const minutes = Math.round(mean);
  // Pots that lie as far apart as the recipe lies from them do not agree.
  const isAgreed = minutes >= 1 && !isOtherwise(mean + spread, mean);
  return isAgreed && isOtherwise(minutes, said) ? minutes : undefined;
}
