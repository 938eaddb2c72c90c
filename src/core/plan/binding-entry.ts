import { fine, refused, type Outcome } from '../problem';
import { readScale } from '../quantity/reading';
import type { Binding } from './bind';
import { LONGEST_PLAN_DAYS } from './scale';

/** The holes of the plan's sentence as typed; only those of the way that binds are read. */
export interface TypedBinding {
  readonly by: Binding['by'];
  readonly days: string;
  /** Finished food: "5 kg". */
  readonly weight: string;
  readonly count: string;
  /** What one container holds: "450 g". */
  readonly size: string;
  /** The place of the written line that is at hand, and how much of it there is: "4.6 lb". */
  readonly line: number;
  readonly atHand: string;
}

const weight = (text: string, field: string, asked: string): Outcome<number> => {
  if (text.trim() === '') return refused(asked, field);
  const read = readScale(text);
  if (!read.ok) return refused(read.problem.message, field);
  return read.value > 0 ? fine(read.value as number) : refused(asked, field);
};

/** Reads what binds a plan, and refuses at its hole what cannot. */
export function readBinding(typed: TypedBinding): Outcome<Binding> {
  switch (typed.by) {
    case 'days': {
      if (typed.days.trim() === '') return refused('For how many days?', 'days');
      const days = /^\d{1,4}$/.test(typed.days.trim()) ? Number(typed.days) : 0;
      if (days < 1) return refused(`Days are a whole number from 1 to ${LONGEST_PLAN_DAYS}.`, 'days');
      return fine({ by: 'days', days });
    }
    case 'weight': {
      const grams = weight(typed.weight, 'weight', 'How much finished food? Write it like 5 kg or 11 lb.');
      return grams.ok ? fine({ by: 'weight', grams: grams.value }) : grams;
    }
    case 'containers': {
      const count = /^\d{1,4}$/.test(typed.count.trim()) ? Number(typed.count) : 0;
      if (count < 1) return refused('How many containers? A whole number from 1.', 'count');
      const grams = weight(typed.size, 'size', 'What does one container hold? Write it like 450 g.');
      return grams.ok ? fine({ by: 'containers', count, grams: grams.value }) : grams;
    }
    case 'at hand': {
      const grams = weight(typed.atHand, 'atHand', 'How much of it is there? Write it like 4.6 lb or 2 kg.');
      return grams.ok ? fine({ by: 'at hand', line: typed.line, grams: grams.value }) : grams;
    }
  }
}
