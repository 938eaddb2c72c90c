import { volumeOf, type UnitSet } from '../quantity/units';
import { writeFraction } from '../quantity/write';

/** A portion of dry food with its water: g dry and mL of water make g as it is fed. */
export interface Rehydrated {
  readonly dry: number;
  readonly water: number;
  readonly asFed: number;
}

/**
 * A portion of so many kcal out of dry food. Takes kcal, the dry food's kcal/g and its mL of water to put back for each g; 1 mL
 * weighs 1 g. Returns whole g and mL that sum. Source: conservation of mass.
 */
export function rehydrated(
  kcal: number,
  { density, waterPerGram }: { readonly density: number; readonly waterPerGram: number },
): Rehydrated {
  const dry = Math.round(kcal / density);
  const water = Math.round(dry * waterPerGram);
  return { dry, water, asFed: dry + water };
}

/** What must be said beside water that is put back (USDA: two hours). */
export const REHYDRATED_RULE = 'warm water, wait 10 min, feed within 2 h; what is left after that is thrown away';

/** mL of water as a cook measures them: "112 mL, ½ cup"; under a sixteenth of a cup mL alone. */
export function writeWater(millilitres: number, set: UnitSet): string {
  const cups = Math.round((millilitres / volumeOf('cup', set)) * 8) / 8;
  const said = `${Math.round(millilitres)} mL`;
  return cups > 0 ? `${said}, ${writeFraction(cups, 8)} ${cups > 1 ? 'cups' : 'cup'}` : said;
}

/** Any portion of dry food with its water: whole mL, and what it is as fed. Takes g of dry food. Source: conservation of mass. */
export const withWater = (dry: number, waterPerGram: number): Rehydrated => {
  const water = Math.round(dry * waterPerGram);
  return { dry, water, asFed: dry + water };
};

/** What is done with a dry portion before it is fed; undefined: it takes no water. `write` says a weight. */
export function sayPutBack(dry: number, waterPerGram: number, write: (mass: number) => string): string | undefined {
  const bowl = withWater(dry, waterPerGram);
  return bowl.water > 0
    ? `stir in ${bowl.water} mL of warm water, wait 10 min: ${write(bowl.asFed)} as fed`
    : undefined;
}
