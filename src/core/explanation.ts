/** Where a shown number comes from: this case's figures, step by step, and the source of the rule. */
export interface Explanation {
  readonly title: string;
  readonly steps: readonly { readonly what: string; readonly sum: string }[];
  readonly source: string;
}
