import { addDays, type LocalDate } from '../calendar/local-date';
import { countOf } from '../quantity/count-words';
import type { Cover } from './cover';
import type { Source } from './draw';
import type { Play } from './weeks-ahead';

export const AGENDA_KINDS = [
  'take out',
  'feed by',
  'cook by',
  'weigh in',
  'into the freezer',
  'thaw to cook',
  'cook or freeze',
  'cook day',
] as const;

/** Something that is to be done on a day. */
export interface AgendaEntry {
  readonly kind: (typeof AGENDA_KINDS)[number];
  readonly day: LocalDate;
  readonly said: string;
  /** What it is about, the same from day to day: a calendar knows it again by it. */
  readonly about: string;
}

interface ToAgenda {
  readonly today: LocalDate;
  readonly sources: readonly Source[];
  readonly played: Play;
  /** When each dog is due on the scale. */
  readonly weighIns: readonly { readonly dogId: number; readonly name: string; readonly due: LocalDate }[];
  /** Packs that wait in the fridge for their day in a freezer. */
  readonly toFreeze: readonly { readonly code: string; readonly on: LocalDate }[];
  /** Frozen ingredients that a cook day wants out of the freezer. */
  readonly toThaw?: readonly { readonly code: string; readonly on: LocalDate }[];
  /** Raw ingredients with the last day on which they may be cooked. */
  readonly toCook?: readonly { readonly code: string; readonly on: LocalDate }[];
  /** What kept plans cook, by the day of each. */
  readonly cookDays?: readonly { readonly code: string; readonly on: LocalDate }[];
}

/** The day by which is cooked, so that nobody runs out: the last day that all dogs are provided for; undefined: far off. */
export function cookByOf(cover: readonly Cover[], today: LocalDate): LocalDate | undefined {
  const soonest = Math.min(...cover.map(({ coverDays }) => coverDays));
  const horizon = Math.max(0, ...cover.map(({ days }) => days.length));
  if (cover.length === 0 || soonest >= horizon) return undefined;
  return addDays(today, Math.max(0, soonest - 1));
}

const together = (
  kind: AgendaEntry['kind'],
  of: ReadonlyMap<LocalDate, readonly string[]>,
  words: string,
): AgendaEntry[] =>
  [...of].map(([day, codes]) => ({
    kind,
    day,
    said: `${words} ${codes.join(', ')}`,
    about: `${kind} ${day}`,
  }));

function put(map: Map<LocalDate, string[]>, day: LocalDate, code: string): void {
  map.set(day, [...(map.get(day) ?? []), code]);
}

/**
 * What the coming days ask for: frozen packs to be moved to the fridge the day before their first use, packs to be fed by their
 * date, the day by which is cooked, weigh-ins. Takes the stock, and the days played against it. Source: handbook 11.
 */
export function agendaOf({
  today,
  sources,
  played,
  weighIns,
  toFreeze,
  toThaw = [],
  toCook = [],
  cookDays = [],
}: ToAgenda): AgendaEntry[] {
  const out = new Map<LocalDate, string[]>();
  for (const { code, on } of played.out) put(out, on, code);
  const feed = new Map<LocalDate, string[]>();
  for (const { grams, safeUntil, code, place } of sources)
    if (grams > 0 && safeUntil !== undefined && safeUntil >= today && place !== 'warm') put(feed, safeUntil, code);
  const freeze = new Map<LocalDate, string[]>();
  for (const { code, on } of toFreeze) put(freeze, on < today ? today : on, code);
  const thaw = new Map<LocalDate, string[]>();
  for (const { code, on } of toThaw) put(thaw, on < today ? today : on, code);
  const cook = new Map<LocalDate, string[]>();
  for (const { code, on } of toCook) if (on >= today) put(cook, on, code);
  const planned = new Map<LocalDate, string[]>();
  for (const { code, on } of cookDays) if (on >= today) put(planned, on, code);
  const cookBy = cookByOf(played.cover, today);
  return [
    ...together('take out', out, 'To the fridge for tomorrow:'),
    ...together('feed by', feed, 'Feed by tonight:'),
    ...together('into the freezer', freeze, 'Into the freezer:'),
    ...together('thaw to cook', thaw, 'To the fridge, to be cooked:'),
    ...together('cook or freeze', cook, 'Cook or freeze by tonight:'),
    ...together('cook day', planned, 'Cook:'),
    ...(cookBy === undefined
      ? []
      : [
          {
            kind: 'cook by' as const,
            day: cookBy,
            said: `Cook by today: ${countOf(played.cover.length, 'dog')} to feed`,
            about: 'cook by',
          },
        ]),
    ...weighIns.map(({ dogId, name, due }) => ({
      kind: 'weigh in' as const,
      day: due < today ? today : due,
      said: `${name} is due on the scale`,
      about: `weigh in ${dogId}`,
    })),
  ].sort((a, b) => a.day.localeCompare(b.day) || a.kind.localeCompare(b.kind));
}
