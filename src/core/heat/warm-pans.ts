import { minutesAfter, minutesBetween } from '../calendar/minutes';
import { COOLING_LIMITS } from './cooling';
import { coolingOf } from './pan-cooling';
import { isCold, type PanState } from './pans';

/** Minutes after which a reading of a warm pan is no last reading any more (ours, no source). */
const STILL_NEW = 30;

/** The pans of which nobody can say by now how warm they are: not known to be cold, and not read lately. Takes the clock. */
export const pansAsked = (pans: readonly PanState[], now: Date): readonly PanState[] =>
  pans.filter((pan) => {
    const last = pan.readings.at(-1);
    return !isCold(pan) && (last === undefined || minutesBetween(last.at, now) > STILL_NEW);
  });

/** When the last limit of a pan is over, and how warm it was when it was read last: what is watched after it was sealed. */
export interface WarmPan {
  readonly name: string;
  readonly celsius?: number;
  /** ISO 8601 instants: of the last reading, and of the second limit. */
  readonly at?: string;
  readonly limit: string;
}

/** The pans that are not known to be cold. Source: FDA Food Code 3-501.14 (six hours in all). */
export const warmPans = (pans: readonly PanState[]): WarmPan[] =>
  pans
    .filter((pan) => !isCold(pan))
    .map((pan) => {
      const last = pan.readings.at(-1);
      const limit = minutesAfter(pan.pouredAt, coolingOf(pan).begins + COOLING_LIMITS.second.minutes);
      return {
        name: pan.name,
        limit: limit.toISOString(),
        ...(last ? { celsius: last.celsius, at: last.at.toISOString() } : {}),
      };
    });

/** Hours after its last limit on which a pan is no longer watched: by then it is cold, eaten or thrown away (ours, no source). */
const WATCHED_AFTER = 18;

/** Hours after a batch was begun in which a pan of it may be watched: half a day of cooking, the rule’s six, and those (ours, no source). */
export const WARM_HOURS = 36;

/** Whether a pan is still to be watched at a time, and whether its last limit is over. */
export const isWatched = ({ limit }: WarmPan, now: Date): { readonly is: boolean; readonly over: boolean } => {
  const over = minutesBetween(new Date(limit), now);
  return { is: over < WATCHED_AFTER * 60, over: over > 0 };
};
