import type { Hatch } from '@/core/recipe/protein';

/** The outlines of the dogs' tags in a box of 48, the same on a screen and on a label. */
export const BADGE_PATHS = [
  'M24 2L46 24L24 46L2 24Z',
  'M3 24a21 21 0 1 0 42 0a21 21 0 1 0 -42 0Z',
  'M5 4H43V26C43 37 33 43 24 46C15 43 5 37 5 26Z',
  'M5 5H43V43H5Z',
  'M12 4H36L46 24L36 44H12L2 24Z',
  'M5 45V24a19 19 0 0 1 38 0V45Z',
  'M4 8H44V18a6 6 0 0 0 0 12V40H4V30a6 6 0 0 0 0 -12Z',
] as const;

/** One tile of a hatch: its size, how far it is turned, and what is drawn in it; without a stroke it is filled. */
export interface HatchTilePath {
  readonly size: number;
  readonly turn?: number;
  readonly path: string;
  readonly stroke?: number;
}

export const HATCH_PATHS: Readonly<Record<Hatch, HatchTilePath>> = {
  diagonal: { size: 9, turn: 45, path: 'M0 0V9', stroke: 5 },
  waves: { size: 16, path: 'M0 5q4 -5 8 0t8 0M0 13q4 -5 8 0t8 0', stroke: 1.8 },
  dots: { size: 9, path: 'M2.5 4.5a2 2 0 1 0 4 0a2 2 0 1 0 -4 0Z' },
  upright: { size: 8, path: 'M2 0V8', stroke: 2.5 },
  crossed: { size: 9, turn: 45, path: 'M0 0H9M0 0V9', stroke: 2.5 },
  chevrons: { size: 12, path: 'M0 9L6 3L12 9', stroke: 2.2 },
  level: { size: 8, path: 'M0 2H8', stroke: 2.5 },
  bricks: { size: 12, path: 'M0 0H12M0 6H12M3 0V6M9 6V12', stroke: 1.6 },
};
