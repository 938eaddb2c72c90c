/**
 * What so many g of a food hold, in kcal. Takes g and kcal per g. Source: arithmetic.
 */
export const kcalIn = (grams: number, density: number): number => grams * density;

/** g of a food that hold so many kcal. Takes kcal and kcal per g. Source: arithmetic. */
export const gramsHolding = (kcal: number, density: number): number => kcal / density;

/** The same per 100 g, as labels print it. Takes what a g holds. Source: arithmetic. */
export const per100 = (perGram: number): number => perGram * 100;

/** What a g holds of what a label prints per 100 g. Source: arithmetic. */
export const perGramOf = (of100: number): number => of100 / 100;

/** The part of one energy in another, from 0 to 1. Source: arithmetic. */
export const partOf = (kcal: number, whole: number): number => kcal / whole;
