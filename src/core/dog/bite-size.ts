/** How small a dog's pieces are cut. */
export const BITE_SIZES = ['as it comes', 'bite-sized', 'pea-sized', 'minced', 'puréed'] as const;
export type BiteSize = (typeof BITE_SIZES)[number];
