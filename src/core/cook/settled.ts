import { addUp } from '../add-up';

/** What a kitchen's instruments are: a scale in g, a probe and an oven in °C. */
export const INSTRUMENTS = ['scale', 'probe', 'oven'] as const;
export type InstrumentKind = (typeof INSTRUMENTS)[number];

/** What an instrument showed, in g or °C. */
export interface Sample {
  readonly value: number;
  /** ms, rising. */
  readonly at: number;
}

/**
 * How long a reading must stand still, in ms, of which so much must have been heard, and within what; and how far its second half may lie
 * from its first: what still creeps towards its figure is not there yet (common practice, no source).
 */
const STILL = {
  ms: 1500,
  heard: 0.8,
  scale: { within: 1.5, creeps: 0.5 },
  other: { within: 0.6, creeps: 0.3 },
} as const;
/** Longer without a sample than this, an instrument is silent, in ms. */
export const SILENT_AFTER = 4000;

/**
 * The figure on which an instrument has settled: the mean of the later half of the last second and a half, if all of it lies close together
 * and does not creep; undefined while it still moves, is silent, or has not been heard for so long. What no instrument can show is left out.
 */
export function settledOn(samples: readonly Sample[], kind: InstrumentKind, now: number): number | undefined {
  const heard = samples.filter((sample) => isPlausible(sample.value, kind));
  const last = heard.at(-1);
  if (!last || now - last.at > SILENT_AFTER) return undefined;
  const recent = heard.filter((sample) => sample.at >= last.at - STILL.ms);
  const first = recent[0];
  if (!first || last.at - first.at < STILL.ms * STILL.heard) return undefined;
  const values = recent.map((sample) => sample.value);
  const { within, creeps } = kind === 'scale' ? STILL.scale : STILL.other;
  if (Math.max(...values) - Math.min(...values) > within) return undefined;
  const half = Math.floor(values.length / 2);
  const [before, after] = [meanOf(values.slice(0, half)), meanOf(values.slice(-half))];
  return Math.abs(after - before) > creeps ? undefined : after;
}

const meanOf = (values: readonly number[]) => addUp(values, (value) => value) / values.length;

/** Whether an instrument of a kitchen can show this at all: anything else is a fault of the line. */
export const isPlausible = (value: number, kind: InstrumentKind): boolean =>
  Number.isFinite(value) && (kind === 'scale' ? Math.abs(value) <= 60_000 : value >= -60 && value <= 350);
