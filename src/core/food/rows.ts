import { NUTRIENTS, type Nutrient } from '../nutrition/nutrients';
import type { Food } from './food';

/** A row of the composition file as text, an empty cell where a value was not measured. */
export type FoodRow = Readonly<Record<string, string>>;

/** Reads one row of the composition file; an empty cell stays absent. */
export function readFoodRow(row: FoodRow): Food {
  const per100: Partial<Record<Nutrient, number>> = {};
  for (const nutrient of NUTRIENTS) {
    const cell = row[nutrient];
    if (cell !== undefined && cell !== '') per100[nutrient] = Number(cell);
  }
  return { ndb: row.ndb!, name: row.name!, group: row.group!, per100 };
}
