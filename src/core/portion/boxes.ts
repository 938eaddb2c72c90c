import { z } from 'zod';
import { idSchema } from '../schema';
import { addUp } from '../add-up';
import { fine, refused, type Outcome } from '../problem';
import { countOf } from '../quantity/count-words';
import { readCount, readScale } from '../quantity/typed';
import type { UnitSet } from '../quantity/units';
import { writeMassIn } from '../quantity/write';
import { nth, sure } from '../sure';
import { splitToGram } from './split';

/** What goes into boxes: a share of something, with what of it is bone and organ in each g. */
export interface Ingredient {
  readonly shareId: number;
  readonly name: string;
  /** g at hand. */
  readonly grams: number;
  /** kcal in each g. */
  readonly density: number;
  /** Undefined: nobody knows how much of it is bone. */
  readonly bonePerGram: number | undefined;
  readonly organPerGram: number;
}

/** Boxes that are built ingredient by ingredient: whole g of each in every box; 0: none of it in this one. */
export interface BoxPlan {
  /** For whom each is; absent: anybody. */
  readonly boxes: readonly { readonly dogId?: number }[];
  readonly rows: readonly { readonly shareId: number; readonly grams: readonly number[] }[];
  /** g that a box is to hold. */
  readonly target?: number;
}

/** g that lie in a box already, by `row.box`. */
export type BoxesFilled = Readonly<Record<string, number>>;
export const cellOf = (row: number, box: number): string => `${row}.${box}`;

export const MOST_BOXES = 60;

/** Boxes as they are typed. */
export const boxesSchema = z.object({
  count: z.string().max(10),
  /** What one box is to hold in all; empty: what comes together. */
  target: z.string().max(30),
  rows: z
    .array(
      z.object({
        shareId: idSchema,
        /** g of it in a box; empty: what is at hand, spread evenly. */
        size: z.string().max(30),
        /** Into how many boxes; empty: into all. */
        into: z.string().max(10),
      }),
    )
    .min(1)
    .max(30),
});
export type BoxesEntry = Readonly<z.infer<typeof boxesSchema>>;

/** A share may come out a little over what was weighed, in g a row (ours, no source). */
const ROUNDING = 5;

/** In which of so many boxes an ingredient goes that does not do for all: spread over them, not the first ones. */
export const spreadOver = (boxes: number, into: number): readonly boolean[] =>
  Array.from({ length: boxes }, (_, box) => Math.floor(((box + 1) * into) / boxes) > Math.floor((box * into) / boxes));

/**
 * Reads boxes as they are typed into g of each ingredient for every box; each problem at its field (`count`, `target`,
 * `rows.2.size`, `rows.2.into`).
 *
 * Takes the ingredients in the order of the rows. What has no figure of its own is spread evenly to the gram; where a box has
 * a target and one ingredient has none, it takes what the others leave of it. Refuses more than is at hand, and figures that
 * fill the target so that nothing is left for the others. Source: arithmetic; spreading rich parts evenly is common practice,
 * no source.
 */
export function readBoxes(entry: BoxesEntry, of: readonly Ingredient[], set: UnitSet): Outcome<BoxPlan> {
  const write = (mass: number) => writeMassIn(mass, set);
  const count = wholeIn(entry.count, 'count', MOST_BOXES, 'How many boxes');
  if (!count.ok) return count;
  const boxes = count.value;
  const target = entry.target.trim() === '' ? undefined : at(readScale(entry.target, 'asked', set), 'target');
  if (target && !target.ok) return target;
  const typed: { size: number | undefined; into: number }[] = [];
  for (const [index, { size, into }] of entry.rows.entries()) {
    const own = nth(of, index);
    const read = size.trim() === '' ? undefined : at(readScale(size, 'asked', set), `rows.${index}.size`);
    if (read && !read.ok) return read;
    const inTo =
      into.trim() === ''
        ? fine(boxes)
        : wholeIn(into, `rows.${index}.into`, boxes, `Into how many boxes ${own.name} goes`);
    if (!inTo.ok) return inTo;
    if (read && read.value * inTo.value > own.grams + ROUNDING)
      return refused(
        `${write(read.value)} into ${countOf(inTo.value, 'box')} are ${write(read.value * inTo.value)}: only ${write(own.grams)} of ${own.name} are at hand.`,
        `rows.${index}.size`,
      );
    typed.push({ size: read?.value, into: inTo.value });
  }
  if (target) {
    const filled = withTarget(target.value, typed, of, write);
    if (!filled.ok) return filled;
  }
  const open = typed.flatMap(({ size }, index) => (size === undefined ? [index] : []));
  const said = addUp(typed, ({ size }) => size ?? 0);
  // One alone without a figure takes what the others leave of the box.
  const rest = target && open.length === 1 ? target.value - said : undefined;
  const rows = typed.map(({ size, into }, index) => {
    const own = nth(of, index);
    const inIt = spreadOver(boxes, into);
    const each = size ?? rest;
    const parts =
      each === undefined
        ? splitToGram(Math.floor(own.grams), inIt.map(Number))
        : splitToGram(Math.min(Math.round(each * into), Math.floor(own.grams)), inIt.map(Number));
    return { shareId: own.shareId, grams: parts };
  });
  return fine({
    boxes: Array.from({ length: boxes }, () => ({})),
    rows,
    ...(target ? { target: target.value } : {}),
  });
}

/** Holds what is said of each box against what it is to hold. */
function withTarget(
  target: number,
  typed: readonly { readonly size: number | undefined; readonly into: number }[],
  of: readonly Ingredient[],
  write: (mass: number) => string,
): Outcome<undefined> {
  const sizes = typed.flatMap(({ size }) => (size === undefined ? [] : [size]));
  const said = addUp(sizes, (size) => size);
  const sum = sizes.map((size) => write(size)).join(' + ');
  const open = typed.flatMap(({ size }, index) => (size === undefined ? [index] : []));
  const [first] = open;
  if (first === undefined) {
    if (Math.abs(said - target) <= 1) return fine(undefined);
    return refused(
      `${sum} are ${write(said)}: ${write(Math.abs(said - target))} ${said > target ? 'more' : 'less'} than the box is to hold.`,
      'target',
    );
  }
  if (said >= target)
    return refused(
      `${sum} ${said === target ? 'already are' : `are ${write(said)}, more than`} the ${write(target)}: nothing is left for ${open.map((index) => nth(of, index).name).join(' and ')}.`,
      `rows.${first}.size`,
    );
  if (open.length > 1)
    return refused(
      `${write(target - said)} of the box are left for ${open.map((index) => nth(of, index).name).join(' and ')}: how much is each?`,
      `rows.${first}.size`,
    );
  const { into } = nth(typed, first);
  const own = nth(of, first);
  if ((target - said) * into > own.grams + ROUNDING)
    return refused(
      `${write(target - said)} of it would fill the box: only ${write(Math.floor(own.grams / into))} a box are at hand.`,
      `rows.${first}.size`,
    );
  return fine(undefined);
}

const at = <T>(outcome: Outcome<T>, field: string): Outcome<T> =>
  outcome.ok ? outcome : { ...outcome, problem: { ...outcome.problem, field } };

function wholeIn(text: string, field: string, most: number, what: string): Outcome<number> {
  const read = readCount(text);
  return read.ok && Number.isInteger(read.value) && read.value >= 1 && read.value <= most
    ? read
    : refused(`${what}: a whole number from 1 to ${most}.`, field);
}

/** Boxes of what dogs get a day of each of several foods: one for each dog and day, with its part of each. */
export function boxesOfDays(
  of: readonly {
    readonly shareId: number;
    readonly packs: readonly { readonly dogId?: number; readonly grams: number; readonly short: boolean }[];
  }[],
): BoxPlan {
  const dogs = of.map(({ packs }) =>
    packs.flatMap(({ dogId, short }) => (dogId === undefined || short ? [] : [dogId])),
  );
  const [first] = dogs;
  // A box is a dog's day of which there is something of everything.
  const order: number[] = [];
  const taken = new Map<number, number>();
  for (const dogId of first ?? []) {
    const before = taken.get(dogId) ?? 0;
    if (dogs.every((own) => own.filter((each) => each === dogId).length > before)) order.push(dogId);
    taken.set(dogId, before + 1);
  }
  return {
    boxes: order.slice(0, MOST_BOXES).map((dogId) => ({ dogId })),
    rows: of.map(({ shareId, packs }) => {
      const left = new Map<number, number[]>();
      for (const { dogId, grams, short } of packs)
        if (dogId !== undefined && !short) left.set(dogId, [...(left.get(dogId) ?? []), grams]);
      return { shareId, grams: order.slice(0, MOST_BOXES).map((dogId) => sure(left.get(dogId)?.shift())) };
    }),
  };
}

/** What one box holds by what is planned, or lies in it already. */
export interface BoxFigures {
  readonly grams: number;
  readonly kcal: number;
  /** Parts of its weight; bone undefined where that of something in it is not known. */
  readonly bone: number | undefined;
  readonly organs: number;
}

/** What each box holds, and all of them together. Source: arithmetic. */
export function figuresOf(
  plan: BoxPlan,
  filled: BoxesFilled,
  of: readonly Ingredient[],
): { readonly boxes: readonly BoxFigures[]; readonly whole: BoxFigures } {
  const grams = (row: number, box: number) => filled[cellOf(row, box)] ?? nth(nth(plan.rows, row).grams, box);
  const figures = (boxes: readonly number[]): BoxFigures => {
    const inIt = of.filter((_, row) => boxes.some((box) => grams(row, box) > 0));
    const isBoneKnown = inIt.every(({ bonePerGram }) => bonePerGram !== undefined);
    const sum = (perGram: (own: Ingredient) => number) =>
      addUp(boxes, (box) =>
        addUp(
          of.map((own, row) => grams(row, box) * perGram(own)),
          (each) => each,
        ),
      );
    const whole = sum(() => 1);
    return {
      grams: whole,
      kcal: sum(({ density }) => density),
      bone: isBoneKnown && whole > 0 ? sum(({ bonePerGram = 0 }) => bonePerGram) / whole : undefined,
      organs: whole > 0 ? sum(({ organPerGram }) => organPerGram) / whole : 0,
    };
  };
  const all = plan.boxes.map((_, box) => box);
  return { boxes: all.map((box) => figures([box])), whole: figures(all) };
}

/** Not every box holds everything: only all of them together are what the recipe is, and they are eaten in turn. */
export const isByTurns = (plan: BoxPlan): boolean =>
  plan.rows.some(({ grams }) => grams.some((each) => each === 0) && grams.some((each) => each > 0));

/** Whether all that is to lie in a box does. */
export const isFull = (plan: BoxPlan, filled: BoxesFilled, box: number): boolean =>
  plan.rows.every(({ grams }, row) => nth(grams, box) === 0 || filled[cellOf(row, box)] !== undefined) &&
  plan.rows.some(({ grams }) => nth(grams, box) > 0);
