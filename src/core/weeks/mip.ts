/** A mixed-integer programme: the cheapest values within their bounds that keep every row within its own. */
export interface Mip {
  readonly cost: readonly number[];
  readonly lower: readonly number[];
  readonly upper: readonly number[];
  /** Whole numbers only. */
  readonly whole: readonly boolean[];
  readonly rows: readonly MipRow[];
}

export interface MipRow {
  readonly lower: number;
  readonly upper: number;
  readonly terms: readonly Term[];
}

/** A column and what it is multiplied by; each column stands in a row once. */
export type Term = readonly [column: number, times: number];

export interface MipLimits {
  readonly seconds: number;
  /** Part of the cost by which the answer may be from the best. */
  readonly gap: number;
  /** The same in the cost's own unit. */
  readonly within?: number;
  /** Values to begin from. */
  readonly start?: readonly number[] | undefined;
}

export interface MipAnswer {
  /** The cost of the best values found; undefined: none was found in time. */
  readonly cost: number | undefined;
  /** No values cost less. */
  readonly bound: number;
  readonly values: readonly number[] | undefined;
  /** It is proven that nothing keeps all rows. */
  readonly impossible: boolean;
}

/** Whoever solves: with the best that it found within its limits. */
export type SolveMip = (mip: Mip, limits: MipLimits) => MipAnswer;

/** A programme as it is written, column by column and row by row. */
export class MipDraft implements Mip {
  readonly cost: number[] = [];
  readonly lower: number[] = [];
  readonly upper: number[] = [];
  readonly whole: boolean[] = [];
  readonly rows: MipRow[] = [];

  /** A new column; returns its number. */
  column(cost: number, lower: number, upper: number, whole = false): number {
    this.cost.push(cost);
    this.lower.push(lower);
    this.upper.push(upper);
    this.whole.push(whole);
    return this.cost.length - 1;
  }

  row(lower: number, upper: number, terms: Iterable<Term>): void {
    const sums = new Map<number, number>();
    for (const [column, times] of terms) if (times !== 0) sums.set(column, (sums.get(column) ?? 0) + times);
    if (sums.size > 0 || lower > 0 || upper < 0) this.rows.push({ lower, upper, terms: [...sums] });
  }
}
