import { addUp } from '../add-up';
import { volumeOf, type UnitSet } from '../quantity/units';
import { writeNumber } from '../quantity/write';

/** mL of a place: what is in it, what is free of it, and about how many packs like those in it that is. */
export interface Room {
  readonly used: number;
  /** Undefined: nobody has said how much the place holds. Below 0 more lies in it than it is said to hold. */
  readonly free: number | undefined;
  readonly packs: number | undefined;
}

/**
 * What room is left in a place.
 *
 * Takes mL of each pack in it, what the place holds, and what the ingredients beside them take; a gram is taken as a mL,
 * boxes and air not counted (common practice, no source). Source: arithmetic.
 */
export function roomOf(packs: readonly number[], capacity: number | undefined, beside = 0): Room {
  const stock = addUp(packs, (each) => each);
  const used = stock + beside;
  if (capacity === undefined) return { used, free: undefined, packs: undefined };
  const free = capacity - used;
  const mean = packs.length === 0 ? undefined : stock / packs.length;
  return { used, free, packs: mean === undefined || free < 0 ? undefined : Math.floor(free / mean) };
}

/**
 * Asked where a place would hold more than it is said to hold; undefined: it fits, or nobody has said what it holds. Takes mL of what is
 * in it and of what comes. Source: arithmetic; a gram is taken as a mL.
 */
export function askRoom(
  place: { readonly name: string; readonly capacity: number | undefined },
  used: number,
  comes: number,
  set: UnitSet,
): string | undefined {
  const { name, capacity } = place;
  if (capacity === undefined || used + comes <= capacity) return undefined;
  const free = Math.max(0, capacity - used);
  const has = free < 50 ? 'it is full' : `${litresSaid(free, set)} of it are free`;
  return `The ${name.toLowerCase()} is said to hold ${litresSaid(capacity, set)}, and ${has}: this is ${litresSaid(comes, set)}. Does it fit?`;
}

/** Litres, or quarts, as a place is said to hold them. Takes mL. */
export const litresSaid = (millilitres: number, set: UnitSet): string => {
  const one = set === 'us' ? volumeOf('qt', set) : 1000;
  const much = millilitres / one;
  return `${writeNumber(much, much < 10 ? 1 : 0)} ${set === 'us' ? 'qt' : 'L'}`;
};
