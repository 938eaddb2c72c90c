import 'server-only';
import { INSTRUMENTS, type InstrumentKind } from '@/core/cook/settled';
import { AT_REST, simulate, type Drive, type Instrument } from './simulated';

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

/** How each instrument is driven now; at rest where they are off. */
export type Driven = { readonly on: boolean } & Readonly<Record<InstrumentKind, Drive>>;
export function drives(): Driven {
  const on = instruments();
  const of = Object.fromEntries(INSTRUMENTS.map((kind) => [kind, on?.[kind].drive() ?? AT_REST[kind]]));
  return { ...(of as Record<InstrumentKind, Drive>), on: on !== undefined };
}
