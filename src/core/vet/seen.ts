import { writeDay, type LocalDate } from '../calendar/local-date';
import { changesBeside, unusual, type Change, type DiaryDay } from '../diary/diary';
import type { Avoid } from '../dog/avoid';
import type { WeighIn } from '../dog/dog';
import type { EatenDay } from '../eaten/days';
import { countOf } from '../quantity/count-words';
import type { UnitSet } from '../quantity/units';
import { writeWeight } from '../quantity/write';
import type { Section } from './sheet';

/** Weigh-ins of these days, and the last before them. */
export function weightsOf<W extends WeighIn & { readonly note?: string | undefined }>(
  weighIns: readonly W[],
  { from, to }: { readonly from: LocalDate; readonly to: LocalDate },
  set: UnitSet,
): { section: Section; shown: readonly W[] } {
  const before = weighIns.findLast(({ date }) => date < from);
  const shown = [...(before ? [before] : []), ...weighIns.filter(({ date }) => date >= from && date <= to)];
  return {
    shown,
    section: {
      heading: 'Weights',
      said: shown.length === 0 ? ['It was not weighed in this time.'] : [],
      columns: ['Day', 'Weight', 'Body condition of 9', 'Note'],
      figures: [1],
      rows: shown
        .map(({ date, grams, bodyCondition, note }) => [
          date,
          writeWeight(grams, set),
          bodyCondition === undefined ? '' : String(bodyCondition),
          note ?? '',
        ])
        .reverse(),
      onPaper: 14,
    },
  };
}

/**
 * What was seen of the dog: each day of the diary that was not as usual, words, refused bowls, with what changed in its food shortly
 * before; newest first. No cause is claimed.
 */
export function seenOf(
  diary: readonly DiaryDay[],
  words: readonly { readonly day: LocalDate; readonly words: string; readonly hasPhoto: boolean }[],
  days: readonly EatenDay[],
  changes: readonly Change[],
  avoids: readonly Avoid[],
  today: LocalDate,
): Section {
  const said = diary.filter((each) => each.said.size > 0).length;
  const rows = diary.flatMap((each) => {
    const refused = days.find(({ day }) => day === each.day)?.refused ?? 0;
    const own = words.filter(({ day }) => day === each.day);
    const seen = [
      ...unusual(each),
      ...(refused > 0 ? [`${countOf(refused, 'bowl')} refused`] : []),
      ...own.map((one) =>
        one.words === '' ? 'a photograph is kept' : `“${one.words}”${one.hasPhoto ? ' (with a photograph)' : ''}`,
      ),
    ];
    return seen.length === 0 ? [] : [[each.day, seen.join(', '), changesBeside(changes, each.day).join('; ')]];
  });
  return {
    heading: 'What was seen, and reactions',
    said: [
      ...avoids.map(
        ({ label, reason, since, note }) =>
          `Does not get ${label} since ${writeDay(since, today)}: ${reason}${note ? `, ${note}` : ''}.`,
      ),
      `${countOf(said, 'day')} of ${diary.length} are in the diary; of the others nothing is known. What stands side by side need not belong together.`,
    ],
    columns: ['Day', 'Seen', 'What changed in its food in the three days to it'],
    rows: rows.reverse(),
    onPaper: 16,
  };
}
