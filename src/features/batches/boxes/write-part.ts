import type { BoxFigures } from '@/core/portion/boxes';
import { writeNumber } from '@/core/quantity/write';

/** A part of a weight: "12 %"; what nobody knows is said so. */
export const writePart = (part: number | undefined): string =>
  part === undefined ? 'not known' : `${writeNumber(part * 100, 0)} %`;

/** Whether there is anything to say of bone and organs: a cooked stew has neither. */
export const saysBone = ({ bone, organs }: BoxFigures): boolean => bone === undefined || bone > 0 || organs > 0;
