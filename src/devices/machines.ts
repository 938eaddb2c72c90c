import { z } from 'zod';
import {
  after,
  beginMachine,
  grossOf,
  MACHINE_KINDS,
  type MachineKind,
  type MachineModel,
} from '@/core/preserve/machine-model';

/** A row of a machine's own log: hours by its clock, °C, W and kWh. */
export interface MachineRow {
  readonly hours: number;
  readonly celsius: number;
  readonly watts: number;
  readonly kwh: number;
}

/** What a machine says of itself. */
export interface MachineSays extends Omit<MachineModel, 'trays'> {
  /** What each tray would weigh on the scale now, g with the tray, and empty. */
  readonly trays: readonly { readonly gross: number; readonly tare: number }[];
  readonly lapse: number;
  readonly log: readonly MachineRow[];
}

/** One machine: it is loaded, driven, asked, and its log is read. Behind this a real one may stand. */
export interface Machine {
  readonly kind: MachineKind;
  readonly act: (act: MachineAct, at: number) => void;
  readonly says: (at: number) => MachineSays;
}

/** What is done to a machine. */
export const machineActSchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('load'),
    trays: z
      .array(z.object({ tare: z.number().min(0).max(5000), wet: z.number().min(1).max(20_000) }))
      .min(1)
      .max(60),
    /** Part of the food that is water. */
    water: z.number().min(0.01).max(0.99),
  }),
  z.object({ act: z.literal('power'), on: z.boolean() }),
  z.object({ act: z.literal('door'), open: z.boolean() }),
  z.object({ act: z.literal('set'), celsius: z.number().min(-60).max(120) }),
  z.object({ act: z.literal('lapse'), times: z.number().min(1).max(3600) }),
  /** So many hours go by at once. */
  z.object({ act: z.literal('pass'), hours: z.number().min(0.05).max(96) }),
]);
export type MachineAct = z.infer<typeof machineActSchema>;

/** A row of the log is written as often as this, in hours of the machine's clock; the longest silence that it can catch up. */
const EVERY = 0.25;
const MOST_ROWS = 2000;
/** Hours: shorter times are none. */
const LEAST = 1e-4;
/** What a machine shows when its trays differ a little, as real ones do (ours, no source). */
const UNEVEN = 0.02;

/** Makes a machine that lives by the clock that it is asked with. */
export function simulateMachine(kind: MachineKind): Machine {
  let state = beginMachine(kind);
  let lapse = 1;
  let seen: number | undefined;
  let log: MachineRow[] = [];
  let row = EVERY;
  const write = () => {
    // Without power it writes nothing: that is how its log tells of it.
    if (!state.power) return;
    const watts = log.length === 0 ? 0 : (1000 * (state.kwh - (log.at(-1)?.kwh ?? 0))) / EVERY;
    log = [...log, { hours: state.hours, celsius: state.celsius, watts, kwh: state.kwh }].slice(-MOST_ROWS);
  };
  const pass = (hours: number) => {
    for (let left = hours; left > LEAST;) {
      // To the next row of its log, and never in steps too small to get there.
      const next = Math.min(left, Math.max(LEAST, row - state.hours));
      state = after(state, next);
      left -= next;
      if (state.hours < row - LEAST) continue;
      write();
      row += EVERY;
    }
  };
  const live = (at: number) => {
    const gone = seen === undefined ? 0 : (Math.max(0, at - seen) / 3_600_000) * lapse;
    seen ??= at;
    // What is shorter than a step waits for the next asking.
    if (gone <= LEAST) return;
    seen = at;
    pass(Math.min(gone, 96));
  };
  return {
    kind,
    act: (act, at) => {
      live(at);
      switch (act.act) {
        case 'load':
          state = beginMachine(
            kind,
            act.trays.map(({ tare, wet }, index) => {
              const water = wet * act.water * (1 + (index % 2 === 0 ? UNEVEN : -UNEVEN) / 10);
              return { tare, solids: wet - water, water };
            }),
          );
          log = [];
          row = EVERY;
          write();
          break;
        case 'power':
          state = { ...state, power: act.on };
          break;
        case 'door':
          state = { ...state, open: act.open };
          break;
        case 'set':
          state = { ...state, target: act.celsius };
          break;
        case 'lapse':
          lapse = act.times;
          break;
        case 'pass':
          pass(act.hours);
      }
    },
    says: (at) => {
      live(at);
      return {
        ...state,
        trays: state.trays.map((tray) => ({ gross: Math.round(grossOf(tray)), tare: tray.tare })),
        lapse,
        log,
      };
    },
  };
}

/** A machine's log as a file: comma for the cells, point for the figures, °C. */
export const logOf = ({ log }: Pick<MachineSays, 'log'>): string =>
  [
    'hours,temp °C,W,kWh',
    ...log.map(({ hours, celsius, watts, kwh }) =>
      [hours.toFixed(2), celsius.toFixed(1), watts.toFixed(0), kwh.toFixed(3)].join(','),
    ),
  ].join('\n');

/** The machines of this process; modules are copied, what lives once hangs here. */
const KEY = Symbol.for('hodman machines');
const shelf = globalThis as unknown as Record<symbol, Readonly<Record<MachineKind, Machine>> | undefined>;

/** The simulated machines once the instruments are switched on; undefined before that. */
export const machines = (): Readonly<Record<MachineKind, Machine>> | undefined => shelf[KEY];

/** Switches the simulated machines on or off, with the instruments. */
export function switchMachines(on: boolean): void {
  shelf[KEY] = on
    ? (shelf[KEY] ??
      (Object.fromEntries(MACHINE_KINDS.map((kind) => [kind, simulateMachine(kind)])) as Record<MachineKind, Machine>))
    : undefined;
}
