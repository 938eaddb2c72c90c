import { addUp } from '../add-up';

export const MACHINE_KINDS = ['dehydrator', 'freeze-dryer', 'freezer'] as const;
export type MachineKind = (typeof MACHINE_KINDS)[number];

/** A tray in a dryer: g of its own, of solids and of water that is still there. */
export interface ModelTray {
  readonly tare: number;
  readonly solids: number;
  readonly water: number;
}

/** A machine at a moment of its own clock. */
export interface MachineModel {
  readonly kind: MachineKind;
  /** Hours since it was loaded or switched on, by its own clock. */
  readonly hours: number;
  /** °C of its air or shelf. */
  readonly celsius: number;
  /** °C that it is set to. */
  readonly target: number;
  readonly kwh: number;
  readonly power: boolean;
  readonly open: boolean;
  readonly trays: readonly ModelTray[];
}

/** °C that each is set to, of the room, and W while it works (handbook 12: common practice, no source). */
const SET: Readonly<Record<MachineKind, number>> = { dehydrator: 57, 'freeze-dryer': -20, freezer: -18 };
const WATTS: Readonly<Record<MachineKind, number>> = { dehydrator: 500, 'freeze-dryer': 1000, freezer: 60 };
const ROOM = 20;
/** Hours in which the air comes two thirds of the way: with power, with the door open, without power (ours, no source). */
const FOLLOWS: Readonly<Record<MachineKind, { readonly on: number; readonly open: number; readonly off: number }>> = {
  dehydrator: { on: 0.15, open: 0.1, off: 0.5 },
  'freeze-dryer': { on: 1, open: 0.5, off: 6 },
  // So that 48 h without power take a full freezer from −18 to −1.5 °C (USDA: ln(38/21.5) of its hours, handbook 12).
  freezer: { on: 0.4, open: 0.3, off: 84 },
};
/** Lewis at 57 °C, per hour: thin crumb to a tenth of water in about six hours (handbook 12: 4 to 8, common practice). */
const WARM = 0.5;
/** A dehydrator dries so much faster for each °C (ours, no source). */
const PER_DEGREE = 0.03;
/** g/h that a home freeze-dryer takes off at most, and the part of what is left an hour at the end (ours, no source). */
const [MOST, TAIL] = [120, 0.2];
/** Warmer than this its ice melts: nothing sublimes. */
const MELTS = 0;
/** Hours of one step. */
const STEP = 0.05;

/** A machine that has just been loaded, or a freezer that runs. Source: the figures above. */
export const beginMachine = (kind: MachineKind, trays: readonly ModelTray[] = []): MachineModel => ({
  kind,
  hours: 0,
  celsius: kind === 'freezer' ? SET.freezer : kind === 'dehydrator' ? ROOM : -5,
  target: SET[kind],
  kwh: 0,
  power: true,
  open: false,
  trays,
});

/** g/h of water that leave a machine as it is. */
function leaving({ kind, celsius, power, open, trays }: MachineModel): number {
  const left = addUp(trays, ({ water }) => water);
  if (kind === 'freezer' || left <= 0) return 0;
  if (kind === 'dehydrator') return left * WARM * Math.exp(PER_DEGREE * (celsius - SET.dehydrator)) * (open ? 0.3 : 1);
  return !power || open || celsius > MELTS ? 0 : Math.min(MOST, left * TAIL);
}

/**
 * A machine so many hours later, as it is driven: its air follows what it is set to, the room through an open door or without
 * power; a dehydrator loses water in proportion to what is left, faster when it is warm, a freeze-dryer at a steady rate and
 * then in proportion. Source: lumped models; every figure is a simulation's and is said with it.
 */
export function after(machine: MachineModel, hours: number): MachineModel {
  let state = machine;
  for (let left = hours; left > 1e-9; left -= STEP) state = step(state, Math.min(STEP, left));
  return state;
}

function step(state: MachineModel, hours: number): MachineModel {
  const { kind, power, open, celsius, target } = state;
  const follows = FOLLOWS[kind][open ? 'open' : power ? 'on' : 'off'];
  const towards = power && !open ? target : ROOM;
  const lost = leaving(state) * hours;
  const all = addUp(state.trays, ({ water }) => water);
  return {
    ...state,
    hours: state.hours + hours,
    celsius: celsius + (towards - celsius) * (1 - Math.exp(-hours / follows)),
    kwh: state.kwh + (power ? (WATTS[kind] * hours) / 1000 : 0),
    trays:
      all <= 0 ? state.trays : state.trays.map((tray) => ({ ...tray, water: tray.water - (lost * tray.water) / all })),
  };
}

/** What a tray weighs on the scale now, g with the tray. */
export const grossOf = ({ tare, solids, water }: ModelTray): number => tare + solids + water;

/** Warmer than this for as long as that, a freezer is asked after: °C and hours (common practice, no source). */
const ALARM = { celsius: -12, hours: 0.5 } as const;

/** What a freezer's log says: how warm it is, since when it is too warm, and whether somebody should look. */
export interface FreezerWatch {
  readonly celsius: number;
  /** Hours that it has been warmer than −12 °C; 0: it is not. */
  readonly warmFor: number;
  readonly is: 'cold' | 'rising' | 'alarm';
}

/**
 * Looks at a freezer's log: rising as soon as it is too warm, alarm when it has been so for half an hour. Takes hours and °C in
 * order; undefined: it has said nothing. Source: −12 °C and half an hour are common practice, no source.
 */
export function watchFreezer(
  log: readonly { readonly hours: number; readonly celsius: number }[],
): FreezerWatch | undefined {
  const last = log.at(-1);
  if (!last) return undefined;
  const cold = log.findLast(({ celsius }) => celsius <= ALARM.celsius);
  const warmFor = last.celsius <= ALARM.celsius ? 0 : last.hours - (cold ? cold.hours : (log[0]?.hours ?? last.hours));
  return {
    celsius: last.celsius,
    warmFor,
    is: last.celsius <= ALARM.celsius ? 'cold' : warmFor >= ALARM.hours ? 'alarm' : 'rising',
  };
}
