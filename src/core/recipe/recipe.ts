import type { Food } from '../food/food';
import type { Grams } from '../quantity/units';

export const PARTS = [
  'muscle',
  'muscular organ',
  'secreting organ',
  'bone',
  'egg',
  'dairy',
  'carbohydrate',
  'vegetable',
  'fruit',
  'herb',
  'fat',
  'supplement',
  'liquid',
] as const;
/** What a line is in the shape of a recipe. */
export type Part = (typeof PARTS)[number];

/** What counts as animal protein by weight: meat, organs and eggs (common practice, no source). */
export const ANIMAL: ReadonlySet<Part> = new Set(['muscle', 'muscular organ', 'secreting organ', 'egg']);

export const MOMENTS = ['cook', 'off heat', 'stir-in', 'raw', 'bowl'] as const;
/** When a line goes in; *raw* is never cooked, and a bowl line never enters the batch or its density. */
export type Moment = (typeof MOMENTS)[number];

/** Whether a line is heated at all. */
export const isCooked = (moment: Moment): boolean => moment === 'cook' || moment === 'off heat';

export const BASES = [
  'batch',
  'load',
  'line',
  'animal protein',
  'finished food',
  'dog and day',
  'body weight and day',
] as const;
/** What a line's amount is bound to. */
export type Basis = (typeof BASES)[number];

/** A line whose amount is known in grams. */
export interface WeighedLine {
  readonly text: string;
  readonly grams: Grams;
  readonly food: Food;
  readonly part: Part;
  readonly moment: Moment;
}

/** The lines that go into the batch: everything but what is added in the bowl. */
export const batchLines = <T extends { readonly moment: Moment }>(lines: readonly T[]): T[] =>
  lines.filter((line) => line.moment !== 'bowl');
