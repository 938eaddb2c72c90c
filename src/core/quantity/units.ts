declare const unit: unique symbol;

/** Mass in grams. */
export type Grams = number & { readonly [unit]: 'g' };
/** Volume in millilitres. */
export type Millilitres = number & { readonly [unit]: 'mL' };
/** Metabolisable energy in kilocalories. */
export type Kilocalories = number & { readonly [unit]: 'kcal' };
/** Temperature in degrees Celsius. */
export type Celsius = number & { readonly [unit]: '°C' };
/** Energy density in kcal per gram of food as it lies in the bowl or the bag. */
export type EnergyDensity = number & { readonly [unit]: 'kcal/g' };

export const grams = (value: number) => value as Grams;
export const millilitres = (value: number) => value as Millilitres;
export const kilocalories = (value: number) => value as Kilocalories;
export const energyDensity = (value: number) => value as EnergyDensity;

/** Which set of measures a household cooks with. */
export type UnitSet = 'us' | 'metric';

/** Grams in a pound and an ounce (NIST Handbook 44, appendix C). */
export const GRAMS_PER_POUND = 453.59237;
export const GRAMS_PER_OUNCE = 28.349523125;

/** What food is priced by, and its g. */
export const bulkOf = (set: UnitSet): { readonly unit: 'kg' | 'lb'; readonly grams: number } =>
  set === 'us' ? { unit: 'lb', grams: GRAMS_PER_POUND } : { unit: 'kg', grams: 1000 };

/** Millilitres in US customary measures (NIST Handbook 44, appendix C). */
export const US_CUP_ML = 236.5882365;
const US_SPOON_ML = { tbsp: 14.78676478, tsp: 4.92892159 };
/** Millilitres in metric kitchen measures (common practice: 250 mL cup, 15 mL and 5 mL spoons). */
const METRIC_SPOON_ML = { tbsp: 15, tsp: 5 };

export type VolumeUnit =
  'cup' | 'tbsp' | 'tsp' | 'floz' | 'ml' | 'l' | 'dl' | 'qt' | 'pt' | 'gal' | 'pinch' | 'dash' | 'drop';
export type MassUnit = 'g' | 'kg' | 'mg' | 'lb' | 'oz';

/**
 * Volume of one unit, in mL, in the household's set of measures.
 * Cups and spoons differ between the sets; quarts, pints, gallons and fluid ounces are always US customary.
 * Source: NIST Handbook 44, appendix C; a dash is 1/8 tsp, a pinch 1/16 tsp, a drop 0.05 mL (common practice, no source).
 */
export function volumeOf(measure: VolumeUnit, set: UnitSet): Millilitres {
  const spoons = set === 'us' ? US_SPOON_ML : METRIC_SPOON_ML;
  const volumes: Record<VolumeUnit, number> = {
    cup: set === 'us' ? US_CUP_ML : 250,
    tbsp: spoons.tbsp,
    tsp: spoons.tsp,
    floz: 29.5735295625,
    ml: 1,
    l: 1000,
    dl: 100,
    qt: 946.352946,
    pt: 473.176473,
    gal: 3785.411784,
    pinch: spoons.tsp / 16,
    dash: spoons.tsp / 8,
    drop: 0.05,
  };
  return millilitres(volumes[measure]);
}

/** Mass of one unit, in g. Source: NIST Handbook 44, appendix C. */
export function massOf(measure: MassUnit): Grams {
  const masses: Record<MassUnit, number> = { g: 1, kg: 1000, mg: 0.001, lb: GRAMS_PER_POUND, oz: GRAMS_PER_OUNCE };
  return grams(masses[measure]);
}
