import { isSafe } from '../cook/cook-day';
import { coreAsked } from '../cook/tasks';
import type { CoreReading } from '../heat/heat-check';
import { isAtLeast } from '../heat/rule-degrees';
import type { SafeCore } from '../heat/safe-core';
import { safeCoreOf } from '../heat/safe-core';
import type { WeighedState } from './fold';
import type { ShareState } from './share-state';

/** Whether what is dried was hot enough before: by what, or what is missing. */
export type HeatStep =
  | { readonly is: 'not asked' }
  /** Every load of its pot was proven on the stove. */
  | { readonly is: 'in the pot'; readonly asked: SafeCore }
  | { readonly is: 'proven'; readonly asked: SafeCore; readonly by: CoreReading }
  | { readonly is: 'reason'; readonly asked: SafeCore; readonly reason: string }
  | { readonly is: 'asked'; readonly asked: SafeCore; readonly tooCold: CoreReading | undefined };

/**
 * Whether a share may be dried in warm air: its meat came to its core temperature in the pot, or was heated for it and read,
 * or the cook says why it goes on without. Source: FSIS, jerky: heated first, for a dryer's air is too cool (from memory).
 */
export function heatStepOf(
  batch: Pick<WeighedState, 'day' | 'takes' | 'apart' | 'lines'>,
  { heat }: Pick<ShareState, 'heat'>,
): HeatStep {
  const asked =
    batch.apart === 'lines'
      ? safeCoreOf(batch.lines.map(({ food, part }) => ({ food, part, text: '' })))
      : strictest(batch.takes.map(({ component }) => coreAsked(batch.takes, component)));
  if (!asked) return { is: 'not asked' };
  const isInPot =
    batch.apart !== 'lines' && batch.day.loads.length > 0 && batch.day.loads.every((load) => isSafe(load.verdict));
  if (isInPot) return { is: 'in the pot', asked };
  const last = heat.readings.at(-1);
  if (last && isAtLeast(last.celsius, asked.celsius)) return { is: 'proven', asked, by: last };
  if (heat.reason !== undefined) return { is: 'reason', asked, reason: heat.reason };
  return { is: 'asked', asked, tooCold: last };
}

const strictest = (cores: readonly (SafeCore | undefined)[]): SafeCore | undefined =>
  cores.reduce((a, b) => (a && b ? (a.celsius >= b.celsius ? a : b) : (a ?? b)), undefined);
