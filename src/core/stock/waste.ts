import { addUp } from '../add-up';
import type { LocalDate } from '../calendar/local-date';

/** Food that nobody ate: thrown away, or nowhere to be found. g as stored and kcal, above 0; back again, below 0. */
export interface Wasted {
  readonly day: LocalDate;
  /** In the cook's own words; undefined: nobody said why. */
  readonly why: string | undefined;
  readonly became: 'thrown' | 'lost';
  readonly grams: number;
  readonly kcal: number;
  /** Minor units that it had cost; undefined: nobody knows. */
  readonly minor?: number | undefined;
}

export const WASTE_REASONS = [
  'left in the bowl',
  'power cut',
  'spoiled or past its date',
  'recalled or a dog was ill',
  'not found',
  'other words',
  'nobody said',
] as const;
export type WasteReason = (typeof WASTE_REASONS)[number];

const SPOILED = /spoil|mould|mold|rot|smell|sour|past|date|old|crumb/i;
const RECALLED = /recall|sick|ill\b|vomit|diarrh/i;

/** Why food was not eaten, of a few reasons, by the cook's words. Source: ours; what is not clear stays other words. */
export function reasonOf({ why, became }: Pick<Wasted, 'why' | 'became'>): WasteReason {
  if (became === 'lost') return 'not found';
  if (why === undefined || why.trim() === '') return 'nobody said';
  if (why === 'left in the bowl' || why === 'power cut') return why;
  if (RECALLED.test(why)) return 'recalled or a dog was ill';
  return SPOILED.test(why) ? 'spoiled or past its date' : 'other words';
}

export interface WasteMonth {
  /** "2026-11". */
  readonly month: string;
  readonly grams: number;
  readonly kcal: number;
  /** Minor units of what has a price; undefined: nothing of it has. */
  readonly minor: number | undefined;
  /** Some of it has no price. */
  readonly isAtLeast: boolean;
  readonly reasons: readonly { readonly reason: WasteReason; readonly grams: number; readonly kcal: number }[];
}

/**
 * What was not eaten, by month and reason, the latest month first; of a month with nothing there is none. What was taken back is
 * taken off where it was. Takes g and kcal. Source: arithmetic on the ledger.
 */
export function wasteByMonth(wasted: readonly Wasted[]): WasteMonth[] {
  const months = [...new Set(wasted.map(({ day }) => day.slice(0, 7)))].sort().reverse();
  return months.flatMap((month): WasteMonth[] => {
    const own = wasted.filter(({ day }) => day.startsWith(month));
    const reasons = WASTE_REASONS.flatMap((reason) => {
      const of = own.filter((each) => reasonOf(each) === reason);
      const grams = addUp(of, (each) => each.grams);
      return grams > 0.05 ? [{ reason, grams, kcal: addUp(of, (each) => each.kcal) }] : [];
    });
    return reasons.length === 0
      ? []
      : [
          {
            month,
            grams: addUp(reasons, (each) => each.grams),
            kcal: addUp(reasons, (each) => each.kcal),
            // In whole cents: what came back leaves no crumbs of them.
            minor: own.some((each) => each.minor !== undefined)
              ? Math.round(addUp(own, (each) => each.minor ?? 0))
              : undefined,
            isAtLeast: own.some((each) => each.minor === undefined),
            reasons,
          },
        ];
  });
}
