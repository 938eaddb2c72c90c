import { z } from 'zod';
import { fine, refused, type Outcome } from '../problem';
import { readQuantity } from '../quantity/read';
import { readScale } from '../quantity/reading';
import type { UnitSet } from '../quantity/units';
import { LONGEST_PLAN_DAYS } from './scale';
import type { Binding } from './wanted';

/** The ways that a plan is bound as the sentence offers them; weights and volumes share a hole. */
export const WAYS = ['days', 'amount', 'containers', 'pieces', 'trays', 'at hand', 'freezer', 'potfuls'] as const;
export type Way = (typeof WAYS)[number];

/** The holes of the plan's sentence as typed; only those of the way that binds are read. */
export const typedBindingSchema = z.object({
  by: z.enum(WAYS),
  days: z.string().max(20),
  /** Finished food: "5 kg", "4 L". */
  amount: z.string().max(40),
  count: z.string().max(20),
  /** What one container, piece or tray takes: "450 g", "2 cups". */
  size: z.string().max(40),
  /** The written line that is at hand, by its recipe's place and its own, and how much of it there is: "4.6 lb". */
  dish: z.number().int().min(0),
  line: z.number().int().min(0),
  atHand: z.string().max(40),
  /** The freezer's free space: "20 L". */
  space: z.string().max(40),
});
export type TypedBinding = Readonly<z.infer<typeof typedBindingSchema>>;

/** What the holes hold until the cook fills them. */
export const usualBinding = (set: UnitSet): TypedBinding => ({
  by: 'days',
  days: '7',
  amount: set === 'us' ? '10 lb' : '5 kg',
  count: '10',
  size: set === 'us' ? '1 lb' : '450 g',
  dish: 0,
  line: 0,
  atHand: set === 'us' ? '2 lb' : '1 kg',
  space: set === 'us' ? '20 qt' : '20 L',
});

const WHOLE = /^\d{1,4}$/;

function weight(text: string, field: string, asked: string): Outcome<number> {
  if (text.trim() === '') return refused(asked, field);
  const read = readScale(text);
  if (!read.ok) return refused(read.problem.message, field);
  return read.value > 0 ? fine(read.value as number) : refused(asked, field);
}

type Amount = { readonly grams: number } | { readonly millilitres: number };

/** More than a walk-in freezer holds: a slip (common practice, no source). */
const LARGEST_VOLUME_ML = 2_000_000;

/** A weight or a volume; a bare number is g. */
export function readAmount(text: string, set: UnitSet, field: string, asked: string): Outcome<Amount> {
  const read = readQuantity(text.trim(), set);
  if (read.ok && read.value.kind === 'volume') {
    const { millilitres } = read.value;
    if (!(millilitres > 0)) return refused(asked, field);
    return millilitres > LARGEST_VOLUME_ML
      ? refused('That is more than any home freezer holds. Check the volume.', field)
      : fine({ millilitres });
  }
  const grams = weight(text, field, asked);
  return grams.ok ? fine({ grams: grams.value }) : grams;
}

/** Reads what binds a plan, and refuses at its hole what cannot. */
export function readBinding(typed: TypedBinding, set: UnitSet): Outcome<Binding> {
  const countOf = (asked: string): Outcome<number> => {
    const count = WHOLE.test(typed.count.trim()) ? Number(typed.count) : 0;
    return count < 1 ? refused(asked, 'count') : fine(count);
  };
  switch (typed.by) {
    case 'days': {
      if (typed.days.trim() === '') return refused('For how many days?', 'days');
      const days = WHOLE.test(typed.days.trim()) ? Number(typed.days) : 0;
      if (days < 1) return refused(`Days are a whole number from 1 to ${LONGEST_PLAN_DAYS}.`, 'days');
      return fine({ by: 'days', days });
    }
    case 'amount': {
      const read = readAmount(typed.amount, set, 'amount', 'How much finished food? Write it like 5 kg, 11 lb or 4 L.');
      if (!read.ok) return read;
      return fine('grams' in read.value ? { by: 'weight', ...read.value } : { by: 'volume', ...read.value });
    }
    case 'containers': {
      const count = countOf('How many containers? A whole number from 1.');
      if (!count.ok) return count;
      const read = readAmount(typed.size, set, 'size', 'What does one container hold? Write it like 450 g or 2 cups.');
      if (!read.ok) return read;
      return fine(
        'grams' in read.value
          ? { by: 'containers', count: count.value, ...read.value }
          : { by: 'cups', count: count.value, ...read.value },
      );
    }
    case 'pieces':
    case 'trays': {
      const pieces = typed.by === 'pieces';
      const count = countOf(`How many ${typed.by}? A whole number from 1.`);
      if (!count.ok) return count;
      const grams = weight(
        typed.size,
        'size',
        pieces
          ? 'What does one piece weigh raw? Write it like 30 g or 1 oz.'
          : 'What goes on one tray? Write it like 1.4 kg.',
      );
      return grams.ok ? fine({ by: typed.by, count: count.value, grams: grams.value }) : grams;
    }
    case 'potfuls': {
      const count = countOf('How many potfuls? A whole number from 1.');
      return count.ok ? fine({ by: 'potfuls', count: count.value }) : count;
    }
    case 'at hand': {
      const grams = weight(typed.atHand, 'atHand', 'How much of it is there? Write it like 4.6 lb or 2 kg.');
      return grams.ok ? fine({ by: 'at hand', dish: typed.dish, line: typed.line, grams: grams.value }) : grams;
    }
    case 'freezer': {
      const asked = 'How much room is there? Write it like 20 L.';
      const read = readAmount(typed.space, set, 'space', asked);
      if (!read.ok) return read;
      return 'millilitres' in read.value ? fine({ by: 'freezer', ...read.value }) : refused(asked, 'space');
    }
  }
}
