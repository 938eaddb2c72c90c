import { addUp } from '../add-up';
import type { Explanation } from '../explanation';
import { writeFixed, writeNumber } from '../quantity/write';
import { FORMS, type DriedForm } from './drying';
import type { DryMethod } from './methods';

/** A cycle of a machine that is over: g of water that left its trays, hours that it ran, kWh by the meter. */
export interface PastCycle {
  readonly water: number;
  readonly hours: number;
  readonly energy?: number;
}

/** How long a cycle takes and what it takes of electricity, each with its band. */
export interface CycleForecast {
  readonly hours: number;
  readonly low: number;
  readonly high: number;
  /** kWh; undefined: nothing is known of the machine. */
  readonly energy: number | undefined;
  /** On how many cycles of this machine it stands; 0: on common practice. */
  readonly of: number;
  readonly explanation: Explanation;
}

/** A usual cycle of a home machine, h (handbook 12: common practice, no source). */
const USUAL: Readonly<Record<DryMethod, readonly [number, number]>> = {
  'freeze-dried': [20, 50],
  dehydrated: [4, 10],
};
/** W in the mean while it runs (handbook 12: common practice, no source). */
const USUAL_WATTS: Readonly<Record<DryMethod, number>> = { 'freeze-dried': 1000, dehydrated: 500 };
/** One cycle says so much about the next, as a part either way (ours, no source). */
const ONE_SAYS = 0.25;
/** From so many cycles on a line is drawn through them. */
const LINE_FROM = 3;
/** Two standard deviations on either side. */
const BAND = 2;

const mean = (values: readonly number[]) => addUp(values, (value) => value) / values.length;

/**
 * How long a machine takes for a load of so much water, learned from its own cycles: none, common practice says it; one or two,
 * in proportion to the water; from three on a line through them, its band two standard deviations of what they are off it.
 *
 * Takes g of water, the cycles, the method and what a dehydrator's food is cut into, and W where the household has said them.
 * Source: least squares; the usual hours and W are common practice (handbook 12).
 */
export function forecastCycle(
  water: number,
  past: readonly PastCycle[],
  method: DryMethod,
  about: { readonly form?: DriedForm; readonly watts?: number } = {},
): CycleForecast {
  const known = past.filter((cycle) => cycle.water > 0 && cycle.hours > 0);
  const metered = known.filter((cycle) => cycle.energy !== undefined);
  const kilowatts =
    metered.length > 0
      ? addUp(metered, ({ energy }) => energy ?? 0) / addUp(metered, ({ hours }) => hours)
      : (about.watts ?? USUAL_WATTS[method]) / 1000;
  const power = {
    what: 'electricity',
    sum:
      metered.length > 0
        ? `${writeFixed(kilowatts, 2)} kW in the mean of ${metered.length} of its cycles`
        : `${writeFixed(kilowatts, 2)} kW, ${about.watts === undefined ? 'common practice' : 'as this household says'}`,
  };
  const said = (hours: number, low: number, high: number, steps: Explanation['steps'], source: string) => ({
    hours,
    low,
    high,
    energy: hours * kilowatts,
    of: known.length,
    explanation: {
      title: `${writeNumber(hours, 0)} h for ${writeNumber(water, 0)} g of water`,
      steps: [...steps, power],
      source,
    },
  });
  if (known.length === 0) {
    const [low, high] = about.form && method === 'dehydrated' ? FORMS[about.form].hours : USUAL[method];
    return said(
      (low + high) / 2,
      low,
      high,
      [{ what: 'usual', sum: `${low} to ${high} h` }],
      'Common practice, no source: this machine has no cycle behind it yet.',
    );
  }
  const perGram = mean(known.map(({ water: own, hours }) => hours / own));
  const middle = mean(known.map((cycle) => cycle.water));
  const spreadOfWater = addUp(known, (cycle) => (cycle.water - middle) ** 2);
  if (known.length < LINE_FROM || spreadOfWater < (middle * 0.05) ** 2) {
    const hours = perGram * water;
    const off = Math.max(ONE_SAYS / Math.sqrt(known.length), relativeSpread(known, perGram));
    return said(
      hours,
      hours * (1 - off),
      hours * (1 + off),
      [
        {
          what: 'so far',
          sum: `${writeFixed(perGram * 1000, 1)} h for each kg of water, ${known.length} of its cycles`,
        },
      ],
      'This machine’s own cycles.',
    );
  }
  const typical = mean(known.map(({ hours }) => hours));
  const slope = Math.max(0, addUp(known, (cycle) => (cycle.water - middle) * (cycle.hours - typical)) / spreadOfWater);
  const at = (own: number) => Math.max(0, typical + slope * (own - middle));
  const hours = at(water);
  const off =
    BAND * Math.sqrt(addUp(known, (cycle) => (cycle.hours - at(cycle.water)) ** 2) / Math.max(1, known.length - 2));
  return said(
    hours,
    Math.max(0, hours - off),
    hours + off,
    [
      {
        what: 'a line through them',
        sum: `${writeFixed(typical - slope * middle, 1)} h + ${writeFixed(slope * 1000, 1)} h for each kg of water, ${known.length} of its cycles`,
      },
    ],
    'This machine’s own cycles; the band is two standard deviations of what they were off it.',
  );
}

const relativeSpread = (cycles: readonly PastCycle[], perGram: number): number =>
  cycles.length < 2
    ? 0
    : BAND *
      Math.sqrt(
        addUp(cycles, ({ water, hours }) => (hours / (water * perGram) - 1) ** 2) / Math.max(1, cycles.length - 1),
      );

/** kWh of a cycle by now: by its meter, or by what its machine takes an hour; undefined: nobody knows. Source: arithmetic. */
export const energySoFar = (
  { energy, running }: { readonly energy: number | undefined; readonly running: number },
  forecast: Pick<CycleForecast, 'energy' | 'hours'> | undefined,
): number | undefined =>
  energy ?? (forecast?.energy === undefined ? undefined : (forecast.energy / forecast.hours) * running);
