/**
 * The nine points of body condition, felt with flat hands and seen from above and from the side. Source: the nine
 * points of the WSAVA body condition score, from memory and in our own words.
 */
export const BODY_CONDITIONS: readonly { readonly score: number; readonly name: string; readonly felt: string }[] = [
  { score: 1, name: 'starved', felt: 'ribs, spine and hips stand out from afar; no fat, muscle gone' },
  { score: 2, name: 'very thin', felt: 'ribs, spine and hips easy to see; no fat to feel' },
  { score: 3, name: 'thin', felt: 'ribs felt at once and perhaps seen; waist and tuck sharp' },
  { score: 4, name: 'lean, ideal', felt: 'ribs felt under a thin cover; waist seen from above, belly tucked up' },
  { score: 5, name: 'ideal', felt: 'ribs felt without pressing; waist behind the ribs, belly tucked up' },
  { score: 6, name: 'a little over', felt: 'ribs felt under a slight cover; waist there, not plain' },
  { score: 7, name: 'heavy', felt: 'ribs felt by pressing; fat over loins and tail root; hardly a waist' },
  { score: 8, name: 'very heavy', felt: 'ribs felt only by pressing hard; no waist, no tuck' },
  { score: 9, name: 'obese', felt: 'thick fat on chest, spine and tail root; belly hangs round' },
];

export const APPETITES = ['eager', 'as usual', 'picky', 'refuses'] as const;
export type Appetite = (typeof APPETITES)[number];
export const STOOLS = ['firm', 'dry and hard', 'soft', 'runny'] as const;
export type Stool = (typeof STOOLS)[number];
