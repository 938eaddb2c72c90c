import { isBlank } from './entry';
import type { LineEntry } from './entry-schema';
import { nth } from '../sure';

/** Every line's bond to another one, after the lines have changed places; a bond to a line that is gone is let go. */
const rebound = (lines: readonly LineEntry[], placeOf: (before: number) => number | undefined): LineEntry[] =>
  lines.map((line) => (line.perLine === undefined ? line : { ...line, perLine: placeOf(line.perLine) }));

/** A line at another place; lines that are bound to others stay bound to the same ones. */
export function moveLine(lines: readonly LineEntry[], from: number, to: number): LineEntry[] {
  const order = lines.map((_, index) => index);
  order.splice(to, 0, ...order.splice(from, 1));
  return rebound(
    order.map((before) => nth(lines, before)),
    (before) => order.indexOf(before),
  );
}

/** The lines without one of them. */
export const removeLine = (lines: readonly LineEntry[], at: number): LineEntry[] =>
  rebound(
    lines.filter((_, index) => index !== at),
    (before) => (before === at ? undefined : before > at ? before - 1 : before),
  );

/** The lines with others put in before a place. */
export const insertLines = (lines: readonly LineEntry[], at: number, added: readonly LineEntry[]): LineEntry[] => [
  ...rebound(lines.slice(0, at), (before) => (before >= at ? before + added.length : before)),
  ...added,
  ...rebound(lines.slice(at), (before) => (before >= at ? before + added.length : before)),
];

/** The lines that hold something: blank paper is let go. */
export function withoutBlank(lines: readonly LineEntry[]): LineEntry[] {
  let kept = [...lines];
  for (let at = kept.length - 1; at >= 0; at--) if (isBlank(nth(kept, at))) kept = removeLine(kept, at);
  return kept;
}
