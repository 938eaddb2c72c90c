/** How small a dog's pieces are cut. */
export const CUTS = ['as it comes', 'bite-sized', 'pea-sized', 'minced', 'puréed'] as const;
export type Cut = (typeof CUTS)[number];
