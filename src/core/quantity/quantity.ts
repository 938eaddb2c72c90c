import type { VolumeUnit } from './units';

/** An amount as a cook wrote it. `low` and `high` differ only where a range was written. */
export type Quantity =
  | {
      readonly kind: 'mass';
      readonly grams: number;
      readonly low: number;
      readonly high: number;
      /** What it was bought in, where the weight is printed on that: "a 15 oz can". */
      readonly container?: string;
    }
  | {
      readonly kind: 'volume';
      readonly millilitres: number;
      readonly low: number;
      readonly high: number;
      readonly unit: VolumeUnit;
    }
  | {
      readonly kind: 'count';
      readonly count: number;
      readonly low: number;
      readonly high: number;
      readonly word: string;
      /** "small" of a small head. */
      readonly size?: string;
    };
