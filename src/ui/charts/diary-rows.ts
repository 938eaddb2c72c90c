/** The furthest that any word is from as usual. */
const FURTHEST = 2;

/**
 * Geometry of one topic of a diary, in px from its row's top: a dash in the middle where a day was as usual, a bar from there up or down
 * where it was more or less; of a day of which nothing is known there is nothing. Takes how far each day is from as usual, and the row's height.
 */
export function diaryMarks(
  offs: readonly (number | undefined)[],
  high: number,
): readonly ({ readonly y: number; readonly high: number; readonly isUsual: boolean } | undefined)[] {
  const [middle, thin] = [high / 2, 3];
  return offs.map((off) => {
    if (off === undefined) return undefined;
    if (off === 0) return { y: middle - thin / 2, high: thin, isUsual: true };
    const length = (Math.min(Math.abs(off), FURTHEST) / FURTHEST) * (middle - 2);
    return { y: off > 0 ? middle - length : middle, high: length, isUsual: false };
  });
}
