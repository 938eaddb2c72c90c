import { countOf } from '../quantity/count-words';
import { addDays, type LocalDate } from '../calendar/local-date';

/** A backup by its file, and the day on which it was made. */
export interface BackupDay {
  readonly name: string;
  readonly day: LocalDate;
}

/** What is in a backup, for the one who is asked whether it is the right one. */
export interface Inside {
  readonly dogs: readonly string[];
  readonly batches: number;
  readonly packs: number;
  /** Ingredients that are in the house. */
  readonly lots: number;
  readonly weighIns: number;
  /** What was seen and written of the dogs. */
  readonly diary: number;
  /** When the last of it was written down, ISO 8601; undefined where there is nothing. */
  readonly last: string | undefined;
}

const inUtc = (at: Date) => `${at.toISOString().slice(0, 16).replace('T', ' ')} UTC`;

/** What is in a backup, in words; `when` writes an instant. */
export const sayInside = (
  { dogs, batches, packs, lots, weighIns, diary, last }: Inside,
  when: (at: Date) => string = inUtc,
): string =>
  [
    dogs.length === 0 ? 'no dogs' : dogs.join(', '),
    countOf(batches, 'batch', 'batches'),
    `${countOf(packs, 'pack')}${lots > 0 ? ` and ${countOf(lots, 'ingredient')}` : ''} in stock`,
    countOf(weighIns, 'weigh-in'),
    ...(diary > 0 ? [countOf(diary, 'diary entry', 'diary entries')] : []),
    last === undefined ? 'nothing written down yet' : `last written down ${when(new Date(last))}`,
  ].join(' · ');

/** Days and months for which a backup is kept each (common practice, no source). */
export const KEPT_DAYS = 14;
export const KEPT_MONTHS = 12;

const monthsBefore = (day: LocalDate, months: number): string => {
  const [year, month] = day.split('-').map(Number) as [number, number];
  const at = year * 12 + (month - 1) - months;
  return `${String(Math.floor(at / 12)).padStart(4, '0')}-${String((at % 12) + 1).padStart(2, '0')}`;
};

/**
 * Which backups may go: all of the last fourteen days stay, then the last of each month for twelve months. The newest stays
 * whatever its age, and what lies ahead of the clock stays. `backups` in any order; errors: none.
 */
export function backupsToDrop(backups: readonly BackupDay[], today: LocalDate): readonly BackupDay[] {
  const newestFirst = [...backups].sort((a, b) => (a.name < b.name ? 1 : -1));
  const recent = addDays(today, -KEPT_DAYS);
  const oldestMonth = monthsBefore(today, KEPT_MONTHS);
  const months = new Set<string>();
  return newestFirst.filter(({ day }, at) => {
    const month = day.slice(0, 7);
    const firstOfMonth = !months.has(month);
    months.add(month);
    if (at === 0 || day > recent) return false;
    return !firstOfMonth || month < oldestMonth;
  });
}
