import { isAmong } from '../sure';
import type { BatchState } from './fold';
import type { WeighedTake } from './observations';
import type { Observed } from './reading';

export const APARTS = ['components', 'lines'] as const;
/** What of a batch is kept apart: what was cooked in vessels of its own, or every line, to go into boxes uncooked. */
export type Apart = (typeof APARTS)[number];

/** Whether anything is kept apart, as the cook said it; vessels that were weighed as different yields say so by themselves. */
export function apartOf(observed: Observed, weighed: readonly number[]): Apart | undefined {
  const said = observed.of('batch', 'note')?.text;
  if (said !== undefined && isAmong(APARTS, said)) return said;
  return weighed.length > 1 ? 'components' : undefined;
}

/** The place of the yield that a line goes into. */
export const yieldAt = (apart: Apart, take: Pick<WeighedTake, 'component'>, line: number): number =>
  apart === 'lines' ? line : take.component;

/** What is kept apart and was not weighed yet, by its place; empty where all of it is one pot. */
export function stillToWeigh(batch: BatchState): readonly { readonly place: number; readonly name: string }[] {
  if (batch.state === 'planned' || batch.apart !== 'components') return [];
  const done = batch.state === 'weighed' ? batch.yields.map((each) => each.place) : [];
  return batch.components.flatMap(({ name }, place) =>
    batch.takes.some((take) => take.component === place) && !done.includes(place) ? [{ place, name }] : [],
  );
}
