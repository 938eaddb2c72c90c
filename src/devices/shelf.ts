import 'server-only';
import { INSTRUMENTS, simulate, type Instrument, type InstrumentKind } from './simulated';

/** The instruments of this process; modules are copied, what lives once hangs here. */
const KEY = Symbol.for('hodman instruments');
const shelf = globalThis as unknown as Record<symbol, Readonly<Record<InstrumentKind, Instrument>> | undefined>;

const make = () =>
  Object.fromEntries(INSTRUMENTS.map((kind) => [kind, simulate(kind, Math.random)])) as Record<
    InstrumentKind,
    Instrument
  >;

/** The simulated instruments once somebody has switched them on; undefined before that. */
export const instruments = (): Readonly<Record<InstrumentKind, Instrument>> | undefined => shelf[KEY];

/** Switches the simulated instruments on or off. */
export function switchInstruments(on: boolean): void {
  shelf[KEY] = on ? (shelf[KEY] ?? make()) : undefined;
}
