import type { KeepsDays } from './shelf-life';
import { addUp } from '../add-up';
import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import { sure } from '../sure';
import { freezesADay, loadFreezer } from './freezing';

/** On which day each pack of a share goes into its freezer. */
export interface FreezingPlan {
  /** g that the freezer freezes in a day; undefined: nobody has said how large it is. */
  readonly aDay: ReturnType<typeof freezesADay> | undefined;
  /** By the packs in their order, 0 is today; undefined where nobody knows, or one pack is more than a day takes. */
  readonly dayOf: readonly number[] | undefined;
  /** Days until the last pack is in it, counted from today. */
  readonly days: number;
  /** Packs that wait in the fridge, each with its days; empty where all go in at once. */
  readonly waits: readonly { readonly index: number; readonly days: number }[];
  /** They would wait longer than the fridge keeps them. */
  readonly tooLong: boolean;
}

/**
 * How the packs of a share go into a freezer: so many a day as it can freeze, in as few days as possible; the others wait in the
 * fridge, where their days count. Takes g of each pack, L of the freezer, the fridge days, and g that the freezer takes already today and
 * on each day after. Source: NCHFP (handbook 10).
 */
export function planFreezing(
  packs: readonly number[],
  litres: number | undefined,
  fridgeDays: KeepsDays,
  taken: readonly number[] = [],
): FreezingPlan {
  const aDay = litres === undefined ? undefined : freezesADay(litres);
  const plan = aDay === undefined || packs.length === 0 ? undefined : loadFreezer(packs, aDay.mean, taken);
  const dayOf = plan?.dayOf;
  const waits = (dayOf ?? []).flatMap((days, index) => (days > 0 ? [{ index, days }] : []));
  const days = plan?.days ?? 0;
  return { aDay, dayOf, days, waits, tooLong: days - 1 > fridgeDays };
}

/** L of a place that is said to hold so many mL; undefined: nobody has said. */
export const litresOf = (capacityMl: number | null | undefined): number | undefined =>
  capacityMl === null || capacityMl === undefined ? undefined : capacityMl / 1000;

/** What a freezer looks at of a pack: where it is and since when, and on which day it is to go into which. */
export interface Freezes {
  readonly grams: number;
  readonly placeId: number;
  readonly placeKind: 'fridge' | 'freezer' | 'cupboard';
  readonly since: LocalDate;
  readonly freezeOn: LocalDate | undefined;
  readonly freezeIn: number | undefined;
  /** It was found in the house: what was found in a freezer is frozen. */
  readonly found?: unknown;
}

/** A pack that waits in the fridge for its day in a freezer: its label says how long it keeps there. */
export const waitsForFreezer = (pack: Pick<Freezes, 'freezeOn' | 'placeKind'>): boolean =>
  pack.freezeOn !== undefined && pack.placeKind === 'fridge';

/** g that went into a freezer today: it freezes them now. */
const wentInToday = (packs: readonly Freezes[], freezerId: number, today: LocalDate): number =>
  addUp(
    packs.filter(({ placeId, since, found }) => placeId === freezerId && since === today && found === undefined),
    ({ grams }) => grams,
  );

/** g that a freezer takes already, by the day, 0 is today: what went in today, and what waits for it. Source: arithmetic. */
export function takenByDay(packs: readonly Freezes[], freezerId: number, today: LocalDate): readonly number[] {
  const days = [wentInToday(packs, freezerId, today)];
  for (const { freezeOn, grams } of packs.filter((pack) => waitsForFreezer(pack) && pack.freezeIn === freezerId)) {
    const day = Math.max(0, daysBetween(today, sure(freezeOn)));
    while (days.length <= day) days.push(0);
    days[day] = sure(days[day]) + grams;
  }
  return days;
}

/** Several freezers together, day by day. */
export const addDaily = (each: readonly (readonly number[])[]): readonly number[] =>
  Array.from({ length: Math.max(0, ...each.map(({ length }) => length)) }, (_, day) =>
    addUp(each, (own) => own[day] ?? 0),
  );

/**
 * What of the packs that wait for a freezer goes in today: those whose day has come, in the order of their days, as many as it freezes
 * in a day beside what went in today; one alone that is more than a day goes in by itself. The others wait. Takes packs, the freezer
 * with its L (undefined: nobody said, and all go in). Source: NCHFP (handbook 10).
 */
export function dueInFreezer<Of extends Freezes>(
  packs: readonly Of[],
  freezer: { readonly id: number; readonly litres: number | undefined },
  today: LocalDate,
): { readonly due: readonly Of[]; readonly later: readonly Of[]; readonly next: LocalDate | undefined } {
  const waiting = packs
    .filter((pack) => waitsForFreezer(pack) && pack.freezeIn === freezer.id)
    .sort((a, b) => sure(a.freezeOn).localeCompare(sure(b.freezeOn)));
  let had = wentInToday(packs, freezer.id, today);
  const most = freezer.litres === undefined ? Infinity : freezesADay(freezer.litres).mean;
  const due: Of[] = [];
  for (const pack of waiting) {
    if (sure(pack.freezeOn) > today || (had > 0 && had + pack.grams > most)) break;
    had += pack.grams;
    due.push(pack);
  }
  const later = waiting.slice(due.length);
  const [first] = later;
  const tomorrow = addDays(today, 1);
  return { due, later, next: first && (sure(first.freezeOn) > tomorrow ? sure(first.freezeOn) : tomorrow) };
}

/** On which day each pack that waits goes into its freezer, as a calendar says it: as many a day as `dueInFreezer` says of each day. */
export function freezingDays<Of extends Freezes>(
  packs: readonly Of[],
  freezers: readonly { readonly id: number; readonly litres: number | undefined }[],
  today: LocalDate,
): readonly { readonly pack: Of; readonly on: LocalDate }[] {
  return freezers.flatMap((freezer) => {
    const days: { pack: Of; on: LocalDate }[] = [];
    for (let [left, on] = [packs, today]; left.length > 0; on = addDays(on, 1)) {
      const { due, later } = dueInFreezer(left, freezer, on);
      days.push(...due.map((pack) => ({ pack, on })));
      left = later;
    }
    return days;
  });
}
