import type { Explanation } from '../../explanation';
import { plural } from '../../quantity/count-words';
import { volumeOf, type UnitSet } from '../../quantity/units';
import { writeNumber } from '../../quantity/write';
import type { TypedBinding } from './bindings';

/** One way of saying a plan: its figure, how much of a limit it uses, and what would bind the plan by it. */
export interface BindingRow {
  readonly key: string;
  readonly label: string;
  readonly said: string;
  /** What is beside the figure and matters less. */
  readonly note?: string;
  /** The part of what there is that the plan uses; above 1 it is over. Absent where nothing limits it. */
  readonly used?: number;
  /** Of the days, the part that the fridge keeps. */
  readonly fridgePart?: number;
  readonly over: boolean;
  readonly binds: boolean;
  readonly bind: Partial<TypedBinding>;
  readonly why: Explanation;
}

/** A volume in the household's large unit, to a tenth: litres, or quarts in the US set. */
export const writeRoom = (millilitres: number, set: UnitSet): string =>
  set === 'us' ? `${writeNumber(millilitres / volumeOf('qt', set), 1)} qt` : `${writeNumber(millilitres / 1000, 1)} L`;

/** "1 day", "7 days". */
export const many = (count: number, one: string, more?: string) =>
  `${writeNumber(count, 0)} ${plural(count, one, more)}`;
