import type { KeepsDays } from '../preserve/shelf-life';
import type { WeeksCook, WeeksDryer, WeeksProblem, WeeksRecipe } from './weeks';

/** The hour at which what was cooked goes into the first cycle, on its cook day (common practice, no source). */
export const EVENING = 18;
const WEEK = 7;

/** What a dryer can do for a cook day, by its hours and by what the fridge keeps meanwhile. */
export interface DryingOf {
  /** Cycles of one cook day at most: the last begins while the fridge keeps the food. */
  readonly most: number;
  /** Days from the cook day until the first on which all of it is dry and may be eaten. */
  readonly readyIn: number;
}

/** Cycles in a week at most, by what one takes with the time between. Source: arithmetic. */
export const mostAWeek = (hours: number): number => Math.floor((WEEK * 24) / hours);

/** Takes a dryer and the fridge days. Source: arithmetic; cooked food waits as long as the fridge keeps it (USDA, 3–4 days). */
export function dryingOf({ hours, cyclesAWeek }: WeeksDryer, fridgeDays: KeepsDays): DryingOf {
  const most = Math.max(0, Math.min(cyclesAWeek, mostAWeek(hours), 1 + Math.floor((fridgeDays * 24) / hours)));
  return { most, readyIn: Math.max(1, Math.ceil((EVENING + most * hours) / 24)) };
}

/** Whether a dryer may take a recipe: fat goes rancid where it is dried warm. Source: common practice, no source. */
export const mayDry = ({ method }: Pick<WeeksDryer, 'method'>, { lean }: Pick<WeeksRecipe, 'lean'>): boolean =>
  method === 'freeze-dried' || lean;

/** The dryers that are counted on. */
export const dryersUsed = ({ dryers }: Pick<WeeksProblem, 'dryers'>): readonly WeeksDryer[] =>
  dryers.filter(({ cyclesAWeek, grams }) => cyclesAWeek > 0 && grams > 0);

/** Days between whose cycles a limit stands, and how many cycles they may have together. */
export interface CycleLimit {
  readonly from: number;
  /** Included. */
  readonly to: number;
  readonly most: number;
}

/**
 * All limits on the cycles of one dryer, over the days on which it may be loaded: those of any seven days, and for each two days that
 * the machine has the hours for all cycles from the one to the other, one after the other, before the last of them has to be over.
 * Takes the dryer, the fridge days and the days in order. Source: arithmetic (one machine, loads in the order of their days).
 */
export function cycleLimits(dryer: WeeksDryer, fridgeDays: KeepsDays, days: readonly number[]): CycleLimit[] {
  const { most } = dryingOf(dryer, fridgeDays);
  const limits: CycleLimit[] = [];
  days.forEach((from, at) => {
    limits.push({ from, to: from + WEEK - 1, most: dryer.cyclesAWeek });
    for (const to of days.slice(at)) {
      // What lies in it now is over first.
      const open = 24 * (to - from) - Math.max(0, dryer.freeIn - 24 * from);
      limits.push({ from, to, most: Math.max(0, Math.floor(open / dryer.hours + most + 1e-9)) });
    }
  });
  return limits;
}

/** Cycles of a dryer from one day to another, both included. */
export const cyclesWithin = (cooks: readonly WeeksCook[], equipmentId: number, from: number, to: number): number =>
  cooks.reduce(
    (sum, { day, cycles = [] }) =>
      day < from || day > to ? sum : sum + (cycles.find((each) => each.equipmentId === equipmentId)?.cycles ?? 0),
    0,
  );

/** The most cycles that a dryer has in any seven days. */
export const busiestWeek = (cooks: readonly WeeksCook[], equipmentId: number): number =>
  Math.max(0, ...cooks.map(({ day }) => cyclesWithin(cooks, equipmentId, day, day + WEEK - 1)));
