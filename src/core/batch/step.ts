import type { BatchState } from './fold';

/** What a step says to the watch of Today while it is open. */
export interface Watch {
  readonly said: string;
  readonly tone: 'plain' | 'caution';
}

/**
 * A stage of the work. Run sheet, flow, Today's watch and the list of batches read only this; adding a step is a file
 * here, its screen, and a word in the list of each.
 */
export interface Step {
  readonly key: string;
  readonly title: string;
  /** The state of a batch in a list, while this is its step. */
  readonly listed: string;
  /** Where in the flow a press opens it. */
  readonly place: 'lines' | 'load' | 'pan' | 'pot' | 'yield' | 'shares' | 'trays';
  readonly opens: (batch: BatchState) => boolean;
  /** What is to be done in it; undefined where nothing is. */
  readonly next: (batch: BatchState) => string | undefined;
  readonly watch: (batch: BatchState) => Watch | undefined;
}
