import { z } from 'zod';
import type { InstrumentKind } from '@/core/cook/settled';

/** How a simulated instrument is driven: what lies on it, and what is wrong with it. */
export const driveSchema = z.object({
  /** g on the scale, °C around the probe, or °C that the oven is set to. */
  target: z.number().min(-50).max(50_000),
  /** By how much it trembles, in its own unit. */
  noise: z.number().min(0).max(50),
  /** By how much it creeps an hour. */
  drift: z.number().min(-600).max(600),
  fault: z.enum(['none', 'silent', 'garbage', 'battery low']),
  /** s that it takes to come two thirds of the way: a probe in a pan follows the pan. */
  follows: z.number().min(0.1).max(14_400),
  /** How much faster than the clock it lives. */
  lapse: z.number().min(1).max(600),
});
export type Drive = z.infer<typeof driveSchema>;

/** How long each takes by itself to come two thirds of the way, in s (common practice, no source). */
const INERTIA: Readonly<Record<InstrumentKind, number>> = { scale: 0.35, probe: 4, oven: 240 };

export const AT_REST: Readonly<Record<InstrumentKind, Drive>> = {
  scale: { target: 0, noise: 0.3, drift: 0, fault: 'none', follows: INERTIA.scale, lapse: 1 },
  probe: { target: 20, noise: 0.1, drift: 0, fault: 'none', follows: INERTIA.probe, lapse: 1 },
  oven: { target: 20, noise: 1, drift: 0, fault: 'none', follows: INERTIA.oven, lapse: 1 },
};

/** What an instrument sends: a figure, or that something is wrong with it. */
export interface Sent {
  readonly kind: InstrumentKind;
  readonly value: number;
  readonly battery: 'good' | 'low';
}

/** One simulated instrument: it comes to what it is driven to as a real one does. Behind this a real one may stand. */
export interface Instrument {
  readonly kind: InstrumentKind;
  readonly drive: () => Drive;
  readonly driveTo: (drive: Drive) => void;
  /** What it sends now; undefined: nothing. */
  readonly sample: (at: number) => Sent | undefined;
}

/** Makes one; `chance` gives numbers from 0 to 1. */
export function simulate(kind: InstrumentKind, chance: () => number): Instrument {
  let drive = AT_REST[kind];
  let [value, before] = [drive.target, NaN];
  let crept = 0;
  return {
    kind,
    drive: () => drive,
    driveTo: (next) => (drive = next),
    sample: (at) => {
      const seconds = Number.isNaN(before) ? 0 : (Math.max(0, at - before) / 1000) * drive.lapse;
      before = at;
      value += (drive.target - value) * (1 - Math.exp(-seconds / drive.follows));
      crept += (drive.drift * seconds) / 3600;
      if (drive.fault === 'silent') return undefined;
      const shown = value + crept + (chance() - 0.5) * 2 * drive.noise;
      return {
        kind,
        value: drive.fault === 'garbage' && chance() < 0.5 ? 9_999_999 * (chance() - 0.5) : shown,
        battery: drive.fault === 'battery low' ? 'low' : 'good',
      };
    },
  };
}
