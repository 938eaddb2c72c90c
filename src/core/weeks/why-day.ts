import { addUp } from '../add-up';
import { playWeeks } from './play';
import type { Broken } from './play-limits';
import { candidatesOf, type WeeksAnswer, type WeeksProblem } from './weeks';

/** Why a cook day is where it is: what would not hold if all of it were cooked on the day before or after that comes into question. */
export interface WhyDay {
  readonly day: number;
  readonly earlier: Moved | undefined;
  readonly later: Moved | undefined;
  readonly pots: readonly WhyPot[];
}

export interface Moved {
  readonly to: number;
  /** The first thing that would not hold; undefined: it would do as well by the limits, and costs more by the wishes. */
  readonly broken: Broken | undefined;
}

/** Why so many potfuls of a recipe: what would not hold with one fewer, and with one more. */
export interface WhyPot {
  readonly recipeId: number;
  readonly fewer: Broken | undefined;
  readonly more: Broken | undefined;
  /** What would not hold if nothing of it were dried; absent: nothing is. */
  readonly frozen?: { readonly broken: Broken | undefined };
}

/** What says most about a day, first. */
const TELLING: readonly Broken['what'][] = [
  'unfed',
  'litres',
  'freezing',
  'drying',
  'minutes',
  'cover',
  'date',
  'run',
  'fortnight',
  'day',
];

type Cooks = WeeksAnswer['cooks'];

/** The cook days with all pots of one of them on another. */
function movedTo(answer: WeeksAnswer, from: number, to: number): Cooks {
  const cooks = new Map(answer.cooks.map((cook) => [cook.day, cook]));
  const [own, other] = [cooks.get(from), cooks.get(to)];
  cooks.delete(from);
  // A machine that is loaded on both is loaded for both.
  const both = [...(other?.cycles ?? []), ...(own?.cycles ?? [])];
  const cycles = [...new Set(both.map(({ equipmentId }) => equipmentId))].map((equipmentId) => ({
    equipmentId,
    cycles: addUp(both, (each) => (each.equipmentId === equipmentId ? each.cycles : 0)),
  }));
  cooks.set(to, { day: to, pots: [...(other?.pots ?? []), ...(own?.pots ?? [])], cycles });
  return [...cooks.values()].sort((a, b) => a.day - b.day);
}

/** The same cook days with so many potfuls of a recipe more on one of them. */
const withMore = (cooks: Cooks, on: number, recipeId: number, by: number): Cooks =>
  cooks.map((cook) => ({
    ...cook,
    pots:
      cook.day === on
        ? cook.pots.map((pot) => (pot.recipeId === recipeId ? { ...pot, potfuls: Math.max(0, pot.potfuls + by) } : pot))
        : cook.pots,
  }));

/** The same cook days with nothing of a pot dried. */
const withoutDrying = (cooks: Cooks, on: number, recipeId: number): Cooks =>
  cooks.map((cook) => ({
    ...cook,
    pots:
      cook.day === on
        ? cook.pots.map(({ dried, ...pot }) => (dried && pot.recipeId !== recipeId ? { ...pot, dried } : pot))
        : cook.pots,
  }));

/**
 * Says of each cook day which limit made it this one, by playing the weeks with all its pots on the possible day before it, and after;
 * and of each pot, with a potful fewer and one more. Takes the problem and its answer. Source: arithmetic.
 */
export function whyDays(problem: WeeksProblem, answer: WeeksAnswer): WhyDay[] {
  const may = candidatesOf(problem).map(({ day }) => day);
  const known = new Set(playWeeks(problem, answer).broken.map(({ what }) => what));
  /** The first thing that does not hold with other cook days, and did before; undefined: all of it holds. */
  const firstBroken = (cooks: Cooks): Broken | undefined => {
    const { broken } = playWeeks(problem, { ...answer, cooks });
    return TELLING.flatMap((what) => (known.has(what) ? [] : broken.filter((each) => each.what === what)))[0];
  };
  const moved = (from: number, to: number | undefined): Moved | undefined =>
    to === undefined ? undefined : { to, broken: firstBroken(movedTo(answer, from, to)) };
  return answer.cooks.map(({ day, pots }) => ({
    day,
    earlier: moved(
      day,
      may.findLast((each) => each < day),
    ),
    later: moved(
      day,
      may.find((each) => each > day),
    ),
    pots: pots.map(({ recipeId, dried }) => ({
      recipeId,
      ...(dried ? { frozen: { broken: firstBroken(withoutDrying(answer.cooks, day, recipeId)) } } : {}),
      fewer: firstBroken(withMore(answer.cooks, day, recipeId, -1)),
      more: firstBroken(withMore(answer.cooks, day, recipeId, 1)),
    })),
  }));
}
