/**
 * The temperature in the middle of the thickest piece at which a pot of several foods is done, in °C and °F, with its
 * source. Poultry, casseroles and leftovers stand highest in that chart, and a pot of dog food is one of these; lower
 * ones for whole cuts and fish are for these alone.
 */
export const CORE_OF_A_POT = { celsius: 74, fahrenheit: 165, source: 'USDA FSIS chart, from memory' } as const;
