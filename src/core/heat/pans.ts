import { minutesBetween } from '../calendar/minutes';
import type { CookDay } from '../cook/cook-day';
import type { Observed } from '../batch/reading';
import { isAmong } from '../sure';
import { COOLING_LIMITS } from './cooling';
import { isAtMost } from './rule-degrees';
import { SURFACE_TRANSFER, type Surroundings } from './slab';

export const WHERES = ['counter', 'fridge', 'cold water', 'ice water'] as const;
/** Where a pan stands while it cools. */
export type Where = (typeof WHERES)[number];

/**
 * What stands around a pan: °C, transfer at its surface, from how many sides. A pan on a shelf cools from above alone.
 * Source: handbook 12 (from memory); room and tap water as usual (common practice, no source).
 */
export const AROUND: Readonly<Record<Where, Surroundings & { readonly sides: 1 | 2; readonly words: string }>> = {
  counter: { celsius: 20, transfer: SURFACE_TRANSFER['still room air'], sides: 1, words: 'on the counter' },
  fridge: { celsius: 4, transfer: SURFACE_TRANSFER.fridge, sides: 1, words: 'in the fridge' },
  'cold water': { celsius: 12, transfer: SURFACE_TRANSFER['still cold water'], sides: 2, words: 'in cold water' },
  'ice water': { celsius: 0, transfer: SURFACE_TRANSFER['ice water'], sides: 2, words: 'in ice water' },
};

/** Where a pan stands from when on: each surroundings cools it by its own law. */
export interface Stretch {
  readonly since: Date;
  readonly where: Where;
  /** °C of what stands around it there. */
  readonly ambient: number;
}

/** What a load was poured into, and how cold it is by now. */
export interface PanState {
  readonly key: string;
  readonly name: string;
  readonly pouredAt: Date;
  /** Where it has stood so far, the first since it was poured. */
  readonly stretches: readonly [Stretch, ...Stretch[]];
  /** It missed 21 °C, was heated again, and cools a second time since: the last that the rules allow. */
  readonly again: boolean;
  /** cm; undefined where nobody has said it. */
  readonly depth: number | undefined;
  readonly readings: readonly { readonly id: number; readonly celsius: number; readonly at: Date }[];
  /** Why food that missed a limit is kept, in the cook's words. */
  readonly kept: string | undefined;
  /** What was begun to help it: its timer, since then and for so many minutes. */
  readonly timer: { readonly startedAt: Date; readonly minutes: number } | undefined;
}

/** Where a pan stands now, since when, and °C of what stands around it there. */
export const stretchNow = ({ stretches }: Pick<PanState, 'stretches'>): Stretch => stretches.at(-1) ?? stretches[0];

/**
 * The pans of a cook day, as they were observed: one for each load that was poured, measured while it cooled, or went to the scale
 * without a word of it. Takes when what a component cooked was first weighed; undefined: it was not yet.
 */
export function pansOf(
  day: CookDay,
  observed: Observed,
  weighedAt: (component: number) => Date | undefined = () => undefined,
): PanState[] {
  return day.loads.flatMap((load): PanState[] => {
    const node = `pan:${load.key}` as const;
    const poured = day.tasks.find((task) => task.kind === 'pour' && task.in?.load === load.key);
    const heated = observed.of(node, 'task done');
    const readings = observed
      .all(node, 'temperature')
      .filter(({ at }) => !heated || at >= heated.at)
      .map(({ id, value = 0, at }) => ({ id, celsius: value, at }));
    const said = heated?.at ?? (poured?.state === 'done' ? poured.at : readings[0]?.at);
    const pouredAt = said ?? weighedAt(load.component);
    if (!pouredAt) return [];
    const stretches = stretchesOf(observed.all(node, 'note'), pouredAt);
    const set = observed.of(node, 'timer');
    return [
      {
        key: load.key,
        name: load.name,
        pouredAt,
        stretches,
        again: heated !== undefined,
        depth: observed.of(node, 'depth')?.value,
        readings,
        kept: observed.of(node, 'skipped')?.text,
        timer: timerOf(set, stretchNow({ stretches }).since, readings.at(-1)?.at),
      },
    ];
  });
}

/** So many minutes before its time a reading is what a timer was set for (ours, no source). */
const NEARLY = 5;

/** The timer of a help that was begun: until it was moved again, or read when its time was up. */
function timerOf(
  set: { readonly at: Date; readonly value?: number } | undefined,
  since: Date,
  read: Date | undefined,
): PanState['timer'] {
  if (set?.value === undefined || set.at < since) return undefined;
  const isRead = read !== undefined && minutesBetween(set.at, read) >= set.value - NEARLY;
  return isRead ? undefined : { startedAt: set.at, minutes: set.value };
}

/** Where a pan stood, one stretch after the other; what was said before it was poured is where it stood first. */
function stretchesOf(
  said: readonly { readonly at: Date; readonly text?: string; readonly value?: number }[],
  pouredAt: Date,
): PanState['stretches'] {
  const stretchOf = ({ at, text = '', value }: (typeof said)[number]): Stretch => {
    const where = isAmong(WHERES, text) ? text : 'counter';
    return { since: at > pouredAt ? at : pouredAt, where, ambient: value ?? AROUND[where].celsius };
  };
  const before = said.findLast(({ at }) => at <= pouredAt);
  return [stretchOf(before ?? { at: pouredAt }), ...said.filter(({ at }) => at > pouredAt).map(stretchOf)];
}

/** How deep a pan is taken to be where nobody has said it, in cm (ours, no source). */
export const USUAL_DEPTH = 4;

/** Warmer than this premix, oils and vitamins are not stirred in, in °C. Source: handbook 4 (common practice). */
export const STIR_IN_BELOW = 40;

/** A pan in the middle of a sentence: "the pot", "load 1 of 3". */
export const inSentence = ({ name }: Pick<PanState, 'name'>): string =>
  /^(load \d|the )/.test(name) ? name : `the ${name}`;

/** Cold enough for the fridge's own days: both limits are behind it. */
export const isCold = (pan: PanState): boolean => {
  const last = pan.readings.at(-1);
  return (last !== undefined && isAtMost(last.celsius, COOLING_LIMITS.second.celsius)) || pan.kept !== undefined;
};
