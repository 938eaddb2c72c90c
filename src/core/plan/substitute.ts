import type { KnownFood } from '../food/food';
import { energyOf, type EnergyFactors } from '../nutrition/energy';
import { fine, refused, type Outcome } from '../problem';
import type { Quantity } from '../quantity/quantity';
import { grams } from '../quantity/units';
import { guessPart } from '../recipe/part-of-food';
import { stateOf, type WrittenLine } from '../recipe/written';

/** kcal in one g of what stays of a food. */
function energyPerGram(known: KnownFood, factors: EnergyFactors): number {
  const { made, food } = known;
  return made ? energyOf(made.lines, factors) / made.grams : energyOf([{ food, grams: grams(1) }], factors);
}

/** A line with another food in it, as much as brings the same energy. */
export type Substituted = WrittenLine & { readonly quantity: Quantity };

/**
 * A line with another food of the same part, energy-matched: the same kcal stay of it.
 *
 * Takes the line, the food and the household's energy factors. Refuses a food of another part and foods without
 * energy, of which no weight can be matched. Source: arithmetic; composition USDA SR 24.
 */
export function substitute(line: WrittenLine, by: KnownFood, factors: EnergyFactors): Outcome<Substituted> {
  const part = by.made ? line.part : guessPart(by.food);
  if (part !== line.part)
    return refused(`${by.food.name} counts as ${part}, not as ${line.part}: choose food of the same part.`, 'swap');
  const [before, after] = [energyPerGram(line.source, factors), energyPerGram(by, factors)];
  if (!(before > 0) || !(after > 0))
    return refused(`${(before > 0 ? by : line.source).food.name} has no energy to match by.`, 'swap');
  const mass = (line.grams * (1 - line.refuse) * before) / after;
  return fine({
    ...line,
    preparation: undefined,
    text: by.food.name,
    grams: grams(mass),
    quantity: { kind: 'mass', grams: mass, low: mass, high: mass },
    source: by,
    refuse: 0,
    strained: false,
    state: stateOf(by.food.name),
  });
}

/** The foods that may stand in for a line: of the same part, with energy, and not itself; each once. */
export function standIns(line: WrittenLine, foods: readonly KnownFood[], factors: EnergyFactors): readonly KnownFood[] {
  const seen = new Set([line.source.food.ndb]);
  return foods.filter((known) => {
    if (seen.has(known.food.ndb)) return false;
    seen.add(known.food.ndb);
    return substitute(line, known, factors).ok;
  });
}

/** The lines of a recipe with what takes the place of some, by their places. Refuses what is not here or does not fit. */
export function withSwaps<T extends WrittenLine & { readonly quantity: Quantity }>(
  written: readonly T[],
  swaps: Readonly<Record<string, string>> | undefined,
  foodOf: (key: string) => KnownFood | undefined,
  factors: EnergyFactors,
): Outcome<readonly (T | Substituted)[]> {
  const asked = Object.entries(swaps ?? {});
  if (asked.length === 0) return fine(written);
  const lines: (T | Substituted)[] = [...written];
  for (const [place, key] of asked) {
    const line = written[Number(place)];
    const by = foodOf(key);
    if (!line || !by) return refused('That food is not here any more.', 'swap');
    const swapped = substitute(line, by, factors);
    if (!swapped.ok) return swapped;
    lines[Number(place)] = swapped.value;
  }
  return fine(lines);
}
