import { grams } from '../quantity/units';
import type { WeighedLine } from '../recipe/recipe';
import { energyOf, type EnergyFactors } from './energy';

/** One recipe of a rotation: its lines, and on how many days of it it is fed. */
export interface Turn {
  readonly name: string;
  readonly lines: readonly WeighedLine[];
  readonly days: number;
}

/**
 * The lines of a rotation together: each recipe brings as much energy as its days, so that a rich one counts no more
 * than a lean one. A recipe without energy or without days brings nothing. Source: arithmetic; cooks balance over weeks
 * (common practice, no source).
 */
export function rotationLines(turns: readonly Turn[], factors: EnergyFactors): WeighedLine[] {
  return turns.flatMap(({ name, lines, days }) => {
    const kcal = energyOf(lines, factors);
    if (!(kcal > 0) || !(days > 0)) return [];
    const part = (days * 1000) / kcal;
    return lines.map((line) => ({ ...line, text: `${line.food.name} (${name})`, grams: grams(line.grams * part) }));
  });
}
