import { writePlain } from '../quantity/write';
import type { KnownFood } from '../food/food';
import type { Grams } from '../quantity/units';
import type { Basis, Moment, Part } from './recipe';

export const STATES = ['raw', 'cooked'] as const;
/** Whether a line's weight is that of the raw or of the cooked food: cooked rice is not dry rice. */
export type State = (typeof STATES)[number];

/** What one unit of a basis is: so many g (of another line, of animal protein, of finished food), or so many kg of dog. */
export interface Per {
  readonly amount: number;
  /** The place of the other line, from 0; only for the basis `line`. */
  readonly line?: number;
  /** As typed. */
  readonly text?: string;
}

/** Bone in a line: its share of the weight as bought, absent where nobody knows it; 0 where it was boned. */
export interface BoneOfLine {
  readonly share?: number;
}

/** A line as the recipe says it: its weight for one unit of its basis, before any dog or day is known. */
export interface WrittenLine {
  /** The cook's own words for it, else the table's name. */
  readonly text: string;
  /** As bought, in g, for one unit of the basis. */
  readonly grams: Grams;
  readonly source: KnownFood;
  readonly part: Part;
  readonly moment: Moment;
  readonly basis: Basis;
  readonly per?: Per;
  /** The share that does not stay in the food: peel, core, bone; of a strained-out line all but what the cook states. */
  readonly refuse: number;
  readonly strained: boolean;
  readonly bone?: BoneOfLine;
  readonly state: State;
  /** Lines with the same word are choices; one of them counts. */
  readonly choice?: string;
  readonly preparation?: string;
  /** The place of the component that it is cooked in, from 0; the first where nothing is said. */
  readonly component?: number;
}

/** What a line is in the shape of a recipe and to what hurts: with bone in it, bone. */
export const partOf = (line: Pick<WrittenLine, 'part' | 'bone'>): Part =>
  line.bone && line.bone.share !== 0 ? 'bone' : line.part;

/** A plain line of the batch: nothing thrown away, nothing bound to a dog. */
export const PLAIN = {
  basis: 'batch',
  refuse: 0,
  strained: false,
  state: 'raw',
} as const satisfies Partial<WrittenLine>;

/** What of a line does not stay in the food, in words; undefined where all of it does. */
export function sayWhatGoes(line: Pick<WrittenLine, 'refuse' | 'strained'>): string | undefined {
  if (line.refuse === 0) return undefined;
  const percent = `${writePlain(line.refuse * 100, 1)} %`;
  if (line.strained) return line.refuse === 1 ? 'strained out' : `${percent} strained out`;
  return `${percent} comes off`;
}

/** Words of the table for a food that has been cooked; canned food was cooked in its can. */
const COOKED =
  /\b(cooked|baked|boiled|broiled|braised|roasted|stewed|simmered|grilled|steamed|microwaved|pan-broiled|poached|scrambled|hard-boiled|canned)\b/i;

/** Whether a row of the table is of cooked food. */
export const stateOf = (name: string): State => (COOKED.test(name) ? 'cooked' : 'raw');
