import { daysBetween, type LocalDate } from '../calendar/local-date';
import type { Problem } from '../problem';
import { writeNumber } from '../quantity/write';
import type { WeeksAsk } from './ask';
import { mostAWeek } from './drying';
import type { WeeksDryer } from './weeks';

const numberOf = (text: string): number | undefined =>
  /^\d{1,4}([.,]\d{1,2})?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined;

export interface AskedNumbers {
  readonly cover: number;
  readonly proteinDays: number | undefined;
  readonly proteins: number;
  readonly litres: number | undefined;
  readonly minutes: readonly number[];
  readonly offers: readonly { readonly protein: string; readonly day: number; readonly part: number }[];
  /** Cycles of each dryer in a week at most. */
  readonly cycles: ReadonlyMap<number, number>;
}

/** Reads the numbers of what is asked; each problem at its field. Takes the day of today and the dryers of the kitchen. */
export function readNumbers(
  ask: WeeksAsk,
  today: LocalDate,
  dryers: readonly Pick<WeeksDryer, 'equipmentId' | 'hours'>[],
): { readonly numbers: AskedNumbers; readonly problems: readonly Problem[] } {
  const problems: Problem[] = [];
  const read = (field: string, text: string, least: number, most: number, message: string): number | undefined => {
    if (text.trim() === '') return undefined;
    const value = numberOf(text);
    if (value === undefined || value < least || value > most) problems.push({ field, message });
    return value;
  };
  const minutes = ask.hours.map(
    (text, at) => 60 * (read(`hours.${at}`, text, 0.5, 16, 'Hours at the stove from ½ to 16, or nothing.') ?? 0),
  );
  const cover = read('cover', ask.cover, 0, 14, 'Days from 0 to 14.') ?? 0;
  const proteinDays = read('proteinDays', ask.proteinDays, 1, 60, 'Days from 1 to 60, or nothing.');
  const proteins = read('proteins', ask.proteins, 1, 8, 'Proteins from 1 to 8, or nothing.') ?? 0;
  const litres = read('litres', ask.litres, 0, 2000, 'Litres from 0 to 2000, or nothing for all of the freezer.');
  const offers = ask.offers.map(({ protein, day, percent }, at) => ({
    protein,
    day: daysBetween(today, day as LocalDate),
    part: (read(`offers.${at}.percent`, percent, 0, 100, 'Part of its price from 0 to 100 %.') ?? 100) / 100,
  }));
  const cycles = new Map(
    (ask.dryers ?? []).flatMap(({ equipmentId, cycles: text }, at) => {
      const dryer = dryers.find((each) => each.equipmentId === equipmentId);
      if (!dryer) return [];
      const most = mostAWeek(dryer.hours);
      const message = `Whole cycles, or nothing; one takes it ${writeNumber(dryer.hours, 0)} h, so that ${most} go into a week.`;
      const own = read(`dryers.${at}.cycles`, text, 0, most, message) ?? 0;
      if (!Number.isInteger(own)) problems.push({ field: `dryers.${at}.cycles`, message });
      return [[equipmentId, Math.floor(own)] as const];
    }),
  );
  return {
    numbers: { cover: Math.round(cover), proteinDays, proteins: Math.round(proteins), litres, minutes, offers, cycles },
    problems,
  };
}
