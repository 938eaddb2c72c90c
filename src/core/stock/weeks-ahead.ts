import { addUp } from '../add-up';
import { addDays, writeDay, type LocalDate } from '../calendar/local-date';
import { countOf } from '../quantity/count-words';
import { byCode } from './code';
import { coverOf, type Cover, type CoveredDay, type DogAhead, type FeedingRules } from './cover';
import type { Source } from './draw';
import { outFor, takenOut } from './first-use';

/** A pack that somebody is to take out, and when. */
export interface TakeOutOf {
  readonly key: string;
  readonly code: string;
  /** The day of its first use. */
  readonly first: LocalDate;
  /** The evening on which it goes into the fridge; never before today. */
  readonly on: LocalDate;
  /** It should lie in the fridge by now: thawed in cold water it is fed at once. */
  readonly late: boolean;
}

/** The frozen packs that the played days need, by the evening on which each is taken out. Source: USDA (24 h for 2 kg). */
function takeOuts(sources: readonly Source[], cover: readonly Cover[], today: LocalDate): TakeOutOf[] {
  const frozen = new Map(sources.flatMap((source) => (source.place === 'freezer' ? [[source.key, source]] : [])));
  const first = new Map<string, LocalDate>();
  for (const { days } of cover)
    for (const { day, drawn } of days)
      for (const { key } of drawn) if (frozen.has(key) && day < (first.get(key) ?? '9')) first.set(key, day);
  return [...first]
    .flatMap(([key, day]): TakeOutOf[] => {
      const source = frozen.get(key);
      if (!source) return [];
      const on = outFor(source, day);
      return [{ key, code: source.code, first: day, on: on < today ? today : on, late: on < today }];
    })
    .sort((a, b) => a.on.localeCompare(b.on) || byCode(a.code, b.code));
}

/** Eight weeks: further ahead nobody looks for a pack. How far is played changes what is divided, so all play as far. */
export const DAYS_AHEAD = 56;

/** The coming days as they are played: what feeds whom, and what goes into the fridge on which evening. */
export interface Play {
  readonly cover: readonly Cover[];
  readonly out: readonly TakeOutOf[];
}

/**
 * Plays the coming days once for all who show them: Today and tonight, the weeks, a sitter's sheet, the calendar. What goes into the fridge
 * tonight is so much that every meal until it has thawed is there: a thawed pack is used first, which may call for another, until nothing
 * more is asked for. Takes the dogs' meals, the stock and how the household feeds. Source: USDA; arithmetic.
 */
export function playAhead(
  dogs: readonly DogAhead[],
  sources: readonly Source[],
  today: LocalDate,
  keeps?: FeedingRules,
  days = DAYS_AHEAD,
): Play {
  const cover = coverOf(dogs, days, sources, today, keeps);
  const tonight: TakeOutOf[] = [];
  let [now, played] = [sources, cover];
  for (;;) {
    const due = takeOuts(now, played, today).filter(({ on }) => on <= today);
    if (due.length === 0) break;
    tonight.push(...due);
    const keys = new Set(due.map(({ key }) => key));
    now = now.map((source) => (keys.has(source.key) ? takenOut(source, today) : source));
    played = coverOf(dogs, days, now, today, keeps);
  }
  const taken = new Set(tonight.map(({ key }) => key));
  return { cover, out: [...tonight, ...takeOuts(sources, cover, today).filter(({ key }) => !taken.has(key))] };
}

/** How far a dog is provided for, in words. Source: the played days. */
export function sayRunsOut({ coverDays, days }: Pick<Cover, 'coverDays' | 'days'>, today: LocalDate): string {
  const last = days[coverDays - 1];
  if (!last) return 'nothing in store';
  if (coverDays === days.length) return `${countOf(days.length / 7, 'week')} or more`;
  return `${countOf(coverDays, 'day')}, to ${writeDay(last.day, today)}`;
}

/** What feeds a dog on a played day, in words. Source: the played days. */
export const sayPlayed = ({ day, drawn, covered }: CoveredDay, today: LocalDate): string =>
  `${writeDay(day, today)}: ${covered ? drawn.map(({ code }) => code).join(', ') || 'fed already, or away' : 'nothing'}`;

/** What goes into the fridge tonight. */
export const tonightOf = ({ out }: Pick<Play, 'out'>, today: LocalDate): TakeOutOf[] =>
  out.filter(({ on }) => on <= today);

/** A pack that will pass its date before it is eaten. */
export interface PassesDate {
  readonly key: string;
  readonly code: string;
  readonly on: LocalDate;
  /** g of it that are left by then. */
  readonly grams: number;
  readonly is: 'safe' | 'best';
}

/** g of a pack that are left after a day, as the coming days are played. Source: arithmetic. */
export function leavesOf(cover: readonly Cover[]): (pack: Pick<Source, 'key' | 'grams'>, day: LocalDate) => number {
  const drawn = cover.flatMap(({ days }) =>
    days.flatMap(({ day, drawn: parts }) => parts.map(({ key, grams }) => ({ day, key, grams }))),
  );
  return (pack, on) =>
    pack.grams -
    addUp(
      drawn.filter(({ key, day }) => key === pack.key && day <= on),
      ({ grams }) => grams,
    );
}

/**
 * Packs of which something is left when their date comes, within the played days. Takes the stock and the days played against it;
 * a frozen pack is asked for its best-by date, what is thawed for the day until which it is safe. Source: arithmetic.
 */
export function passDates(sources: readonly Source[], cover: readonly Cover[]): PassesDate[] {
  const last = cover[0]?.days.at(-1)?.day;
  if (last === undefined) return [];
  const leftOn = leavesOf(cover);
  return sources
    .flatMap((source): PassesDate[] => {
      const on = source.safeUntil ?? source.bestBy;
      if (on === undefined || on >= last || source.place === 'warm' || source.beside === true) return [];
      const grams = leftOn(source, on);
      return grams < 1
        ? []
        : [{ key: source.key, code: source.code, on, grams, is: source.safeUntil === undefined ? 'best' : 'safe' }];
    })
    .sort((a, b) => a.on.localeCompare(b.on));
}

/** mL that lie in the freezer at the end of each played day; a pack leaves on the evening that it is taken out. */
export function freezerAhead(
  sources: readonly Source[],
  played: Pick<Play, 'out'>,
  today: LocalDate,
  days: number,
): readonly { readonly day: LocalDate; readonly millilitres: number }[] {
  const out = new Map(played.out.map(({ key, on }) => [key, on]));
  const frozen = sources.filter(({ place }) => place === 'freezer');
  return Array.from({ length: days }, (_, index) => {
    const day = addDays(today, index);
    return {
      day,
      millilitres: addUp(
        frozen.filter(({ key }) => (out.get(key) ?? '9') > day),
        ({ grams }) => grams,
      ),
    };
  });
}

/** Why this pack comes before the next one of those that a dog may have. Source: handbook 11, as `inOrderOfUse` sorts. */
export function whyBefore(source: Source, next: Source | undefined, day: LocalDate): string {
  if (source.place === 'warm') return 'warm from the pot';
  if (!next) return 'the only one';
  const isPast = (each: Source) => each.bestBy !== undefined && each.bestBy < day;
  if (isPast(source) && !isPast(next)) return 'past its best: first of all';
  const until = (each: Source) => [each.safeUntil, each.bestBy].flatMap((date) => date ?? []).sort()[0];
  const [own, other] = [until(source), until(next)];
  if (own !== other && own !== undefined)
    return `${source.safeUntil === own ? 'to be fed by' : 'best by'} ${writeDay(own, day)}, before ${next.code}`;
  if (source.opened !== next.opened) return `opened, before ${next.code}`;
  if (source.short !== next.short) return `short, before ${next.code}`;
  return `as good as ${next.code}, and the first by its code`;
}
