import type { KnownFood } from '../food/food';
import type { LineEntry } from './entry-schema';

/** A line as it was read from free text; without a food it is words. */
export interface FoundLine {
  /** As it was written. */
  readonly text: string;
  readonly entry: LineEntry;
  readonly known: KnownFood | undefined;
}

export interface FoundLines {
  readonly lines: readonly FoundLine[];
  /** What was not read, because a recipe has no more lines. */
  readonly rest: string;
}
