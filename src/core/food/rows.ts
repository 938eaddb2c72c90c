import { NUTRIENTS, type Nutrient } from '../nutrition/nutrients';
import type { Food } from './food';
import { sure } from '../sure';

/** A row of the composition file as text, an empty cell where a value was not measured. */
export type FoodRow = Readonly<Record<string, string>>;

const PLANTS = new Set(['Vegetables', 'Fruits', 'Grains and pasta', 'Legumes', 'Nuts and seeds', 'Spices and herbs']);
const PLANT_OIL = /^oil, (?!fish|whale|seal)/i;

/** Salt is 39.3 % sodium and 60.7 % chloride (handbook 3: stoichiometry). */
const CHLORIDE_TO_SODIUM = 60.7 / 39.3;

/**
 * What the table says in other columns: in plants omega-3 is alpha-linolenic acid (a stand-in, named as such), and
 * table salt's chloride follows from its sodium.
 */
function alsoTold(name: string, group: string, per100: Partial<Record<Nutrient, number>>): void {
  if (per100.omega3_g !== undefined && (PLANTS.has(group) || PLANT_OIL.test(name))) per100.ala_g = per100.omega3_g;
  if (/^salt, table$/i.test(name) && per100.sodium_mg !== undefined)
    per100.chloride_mg = per100.sodium_mg * CHLORIDE_TO_SODIUM;
}

/** Reads one row of the composition file; an empty cell stays absent. */
export function readFoodRow(row: FoodRow): Food {
  const per100: Partial<Record<Nutrient, number>> = {};
  for (const nutrient of NUTRIENTS) {
    const cell = row[nutrient];
    if (cell !== undefined && cell !== '') per100[nutrient] = Number(cell);
  }
  alsoTold(sure(row.name), sure(row.group), per100);
  return { ndb: sure(row.ndb), name: sure(row.name), group: sure(row.group), per100 };
}
