/** What a kitchen's instruments are: a scale in g, a probe and an oven in °C. */
export const INSTRUMENTS = ['scale', 'probe', 'oven'] as const;
export type InstrumentKind = (typeof INSTRUMENTS)[number];

/** What an instrument showed, in g or °C. */
export interface Sample {
  readonly value: number;
  /** ms, rising. */
  readonly at: number;
}

/** How long a reading must stand still, in ms, and within what (common practice, no source). */
const STILL = { ms: 1500, grams: 1.5, celsius: 0.6 } as const;
/** Longer without a sample than this, an instrument is silent, in ms. */
export const SILENT_AFTER = 4000;

/**
 * The figure on which an instrument has settled: the mean of the last second and a half, if all of it lies close together;
 * undefined while it still moves, is silent, or has not been heard for so long. What no instrument can show is left out.
 */
export function settledOn(samples: readonly Sample[], kind: InstrumentKind, now: number): number | undefined {
  const heard = samples.filter((sample) => isPlausible(sample.value, kind));
  const last = heard.at(-1);
  if (!last || now - last.at > SILENT_AFTER) return undefined;
  const recent = heard.filter((sample) => sample.at >= last.at - STILL.ms);
  const first = recent[0];
  if (!first || last.at - first.at < STILL.ms * 0.6) return undefined;
  const values = recent.map((sample) => sample.value);
  const within = kind === 'scale' ? STILL.grams : STILL.celsius;
  if (Math.max(...values) - Math.min(...values) > within) return undefined;
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

/** Whether an instrument of a kitchen can show this at all: anything else is a fault of the line. */
export const isPlausible = (value: number, kind: InstrumentKind): boolean =>
  Number.isFinite(value) && (kind === 'scale' ? Math.abs(value) <= 60_000 : value >= -60 && value <= 350);
