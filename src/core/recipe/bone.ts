import type { Food } from '../food/food';
import type { WeighedLine } from './recipe';

/** How much of a cut is bone, by its name (common practice, no source). */
const BONE_SHARES: readonly [RegExp, number][] = [
  [/\b(feet|foot)\b/i, 0.6],
  [/\bwings?\b/i, 0.45],
  [/\bnecks?\b/i, 0.36],
];

/** Bone as food: the table holds no bone mineral, so that everything about it is unknown, never low. */
export const BONE: Food = { ndb: 'BONE', name: 'bone', group: 'Bone', per100: {} };

/** The share of a cut that is bone; undefined where its name tells nothing. */
export const boneShare = (name: string): number | undefined => BONE_SHARES.find(([cut]) => cut.test(name))?.[1];

/**
 * A bone-in line as its meat and its bone. Of a cut with unknown bone the whole line is kept, with calcium and
 * phosphorus unknown: the table's row is of the meat alone. Source: handbook 4 (common practice, no source).
 */
export function splitBone<T extends WeighedLine>(line: T): T[] {
  const share = boneShare(`${line.text} ${line.food.name}`);
  if (share === undefined) {
    const per100 = { ...line.food.per100 };
    delete per100.calcium_mg;
    delete per100.phosphorus_mg;
    return [{ ...line, food: { ...line.food, per100 } }];
  }
  const of = (part: number) => line.grams * part;
  return [
    { ...line, part: 'muscle', grams: of(1 - share) },
    { ...line, text: `bone of ${line.text}`, food: BONE, grams: of(share) },
  ] as T[];
}
