import { standing, type Entry } from '../standing';

export const CYCLE_EVENTS = [
  'power cut',
  'power back',
  'door opened',
  'door shut',
  'turned',
  'energy',
  'ended',
  'struck',
] as const;
/**
 * What happens to a cycle: *turned* is that its trays changed places, *energy* what a meter says, in kWh, *power back* and
 * *ended* that it runs again and that it was switched off, with the hours of it that the machine's own clock says.
 */
export type CycleEventKind = (typeof CYCLE_EVENTS)[number];

export interface CycleEvent extends Entry {
  readonly kind: CycleEventKind;
  readonly value?: number;
  readonly text?: string;
  readonly at: Date;
}

/** A time without power or with the door open; no end: still. */
export interface Gap {
  readonly from: Date;
  readonly to: Date | undefined;
  readonly hours: number;
}

/** A cycle as its events say it by now. */
export interface CycleState {
  readonly loadedAt: Date;
  readonly endedAt: Date | undefined;
  /** Hours since it was loaded, and those of them with power. */
  readonly hours: number;
  readonly running: number;
  readonly cuts: readonly Gap[];
  readonly openings: readonly Gap[];
  readonly turns: readonly Date[];
  /** kWh by the meter; undefined: nobody has read it. */
  readonly energy: number | undefined;
}

const HOUR = 3_600_000;
const hoursBetween = (from: Date, to: Date) => Math.max(0, (to.getTime() - from.getTime()) / HOUR);

function gaps(
  events: readonly CycleEvent[],
  begins: CycleEventKind,
  ends: CycleEventKind,
  until: Date,
): readonly Gap[] {
  const found: Gap[] = [];
  let from: Date | undefined;
  for (const { kind, at, value } of events) {
    if (kind === begins) from ??= at;
    if (kind === ends && from) {
      // What the machine itself says holds before the clock.
      found.push({ from, to: at, hours: value ?? hoursBetween(from, at) });
      from = undefined;
    }
  }
  return from ? [...found, { from, to: undefined, hours: hoursBetween(from, until) }] : found;
}

/**
 * What a cycle is by its events: how long it has run, without power, with its door open.
 *
 * Takes when it was loaded, its events in the order of writing and the time now. The hours that the machine itself said at its
 * end hold before the clock. Source: arithmetic.
 */
export function cycleState(loadedAt: Date, events: readonly CycleEvent[], now: Date): CycleState {
  const counted = standing(events).sort((a, b) => a.at.getTime() - b.at.getTime() || a.id - b.id);
  const ended = counted.findLast(({ kind }) => kind === 'ended');
  const until = ended?.at ?? now;
  const cuts = gaps(counted, 'power cut', 'power back', until);
  const without = cuts.reduce((total, { hours }) => total + hours, 0);
  const hours = hoursBetween(loadedAt, until);
  return {
    loadedAt,
    endedAt: ended?.at,
    hours: ended?.value ?? hours,
    running: Math.max(0, (ended?.value ?? hours) - without),
    cuts,
    openings: gaps(counted, 'door opened', 'door shut', until),
    turns: counted.flatMap(({ kind, at }) => (kind === 'turned' ? [at] : [])),
    energy: counted.findLast(({ kind }) => kind === 'energy')?.value,
  };
}

/** What the trays are like when the power is back, by a look and a finger. */
export const AFTER_CUT = ['ice', 'cold', 'warm', 'dry'] as const;
export type AfterCut = (typeof AFTER_CUT)[number];

export const AFTER_CUT_WORDS: Readonly<Record<AfterCut, string>> = {
  ice: 'frozen still: there is ice in them',
  cold: 'soft, and cold: 4 °C or less',
  warm: 'soft and warmer than that',
  dry: 'dry already',
};

export interface CutVerdict {
  readonly is: 'go on' | 'look' | 'throw';
  readonly says: string;
  readonly source: string;
}

/** Food that is wet and warm keeps so many hours (USDA, from memory). */
const TWO_HOURS = 2;
const USDA = 'USDA: above 4 °C for 2 h or more is thrown away (from memory)';

/**
 * What a power cut means for the food in a dryer. Takes the hours without power, and what the trays are like; undefined: nobody
 * has looked. Source: USDA's two-hour rule; a dryer's food that is still wet is as any cooked food.
 */
export function afterPowerCut(hours: number, like: AfterCut | undefined): CutVerdict {
  if (hours < TWO_HOURS && like !== 'warm')
    return { is: 'go on', says: 'Less than 2 h: switch it on again, it goes on where it was.', source: USDA };
  switch (like) {
    case 'ice':
      return { is: 'go on', says: 'There is ice in it: it goes on, or back into the freezer.', source: USDA };
    case 'dry':
      return { is: 'go on', says: 'What is dry keeps without power. Weigh it.', source: 'common practice, no source' };
    case 'cold':
      return { is: 'go on', says: 'Cold all the while: it goes on at once, or is frozen again first.', source: USDA };
    case 'warm':
      return hours < TWO_HOURS
        ? { is: 'go on', says: 'Warm for less than 2 h: it goes on now, or into the fridge at once.', source: USDA }
        : { is: 'throw', says: 'Wet and warm for 2 h or more: throw it away.', source: USDA };
    case undefined:
      return { is: 'look', says: 'Open it and look: what are the trays like?', source: USDA };
  }
}

/** Trays of a dehydrator change places about as often as this, h (common practice, no source). */
export const TURN_EVERY = 2;

/** Hours until the trays are to change places; 0 or less: now. Only while it runs. */
export function turnIn({ loadedAt, turns, endedAt }: CycleState, now: Date): number | undefined {
  if (endedAt) return undefined;
  return TURN_EVERY - hoursBetween(turns.at(-1) ?? loadedAt, now);
}
