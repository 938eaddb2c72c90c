import { playWeeks, type Broken } from './play';
import { candidatesOf, type WeeksAnswer, type WeeksProblem } from './weeks';

/** Why a cook day is where it is: what would not hold if all of it were cooked on the day before or after that comes into question. */
export interface WhyDay {
  readonly day: number;
  readonly earlier: Moved | undefined;
  readonly later: Moved | undefined;
}

export interface Moved {
  readonly to: number;
  /** The first thing that would not hold; undefined: it would do as well by the limits, and costs more by the wishes. */
  readonly broken: Broken | undefined;
}

/** What says most about a day, first. */
const TELLING: readonly Broken['what'][] = [
  'unfed',
  'litres',
  'freezing',
  'minutes',
  'cover',
  'date',
  'run',
  'fortnight',
  'day',
];

function moved(problem: WeeksProblem, answer: WeeksAnswer, from: number, to: number): Moved {
  const cooks = new Map(answer.cooks.map(({ day, pots }) => [day, [...pots]]));
  const pots = [...(cooks.get(to) ?? []), ...(cooks.get(from) ?? [])];
  cooks.delete(from);
  cooks.set(to, pots);
  const { broken } = playWeeks(problem, {
    eats: answer.eats,
    cooks: [...cooks].map(([day, own]) => ({ day, pots: own })).sort((a, b) => a.day - b.day),
  });
  const known = new Set(playWeeks(problem, answer).broken.map(({ what }) => what));
  const found = TELLING.flatMap((what) => (known.has(what) ? [] : broken.filter((each) => each.what === what)));
  return { to, broken: found[0] };
}

/**
 * Says of each cook day which limit made it this one, by playing the weeks with all its pots on the possible day before it, and after.
 * Takes the problem and its answer. Source: arithmetic.
 */
export function whyDays(problem: WeeksProblem, answer: WeeksAnswer): WhyDay[] {
  const may = candidatesOf(problem).map(({ day }) => day);
  return answer.cooks.map(({ day }) => {
    const before = may.findLast((each) => each < day);
    const after = may.find((each) => each > day);
    return {
      day,
      earlier: before === undefined ? undefined : moved(problem, answer, day, before),
      later: after === undefined ? undefined : moved(problem, answer, day, after),
    };
  });
}
