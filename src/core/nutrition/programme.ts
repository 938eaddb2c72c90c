import { isWater, type Food } from '../food/food';
import { grams, type Grams } from '../quantity/units';
import { LIMITED, type LimitedNutrient } from './nutrients';
import { energyOf, type EnergyFactors } from './energy';
import type { Profile, Profiles } from './profiles';
import { holdsBone, type Portioned } from './totals';
import { nth, sure } from '../sure';
import { addUp } from '../add-up';

/** A food that may be added, up to so many g. */
export interface Candidate {
  readonly food: Pick<Food, 'ndb' | 'name' | 'group' | 'per100'>;
  readonly cap: Grams;
  /** What one g costs, where the objective is cost. */
  readonly price?: number;
  /** What a level teaspoon of it weighs, where it is spooned. */
  readonly tspGrams?: number;
}

/** A candidate's cap for a recipe, from its cap in g per 1000 kcal. */
export const capFor = (lines: readonly Portioned[], perThousand: number, factors: EnergyFactors): Grams =>
  grams((perThousand * energyOf(lines, factors)) / 1000);

/** One side of a nutrient's limit as a row of the programme: coefficients of each candidate, and the bound. */
export interface LimitRow {
  readonly name: string;
  readonly side: 'least' | 'most';
  readonly bound: number;
  readonly perGram: readonly number[];
  /** What the limit itself comes to for this recipe: the measure of a relaxation. */
  readonly whole: number;
}

/** The linear programme of a recipe, its candidates and a profile, in plain rows. */
export interface Programme {
  readonly rows: readonly LimitRow[];
  readonly caps: readonly number[];
  /** What one g of each candidate counts in the objective: 1 for weight, its price for cost. */
  readonly prices: readonly number[];
  readonly dropped: readonly string[];
}

/**
 * Writes down the linear programme: grams of each candidate between 0 and its cap, every nutrient between its least
 * and its most per 1000 kcal, where the candidates' own energy counts too. Values that were not measured count as 0
 * for a least, so that what is proposed is enough as far as is known. Source: handbook 3 (balancing).
 */
export function programmeOf(
  eaten: readonly Portioned[],
  candidates: readonly Candidate[],
  nutrients: Profiles['nutrients'],
  profile: Profile,
  factors: EnergyFactors,
): Programme {
  const lines = eaten.filter((line) => !isWater(line.food));
  const kcal = energyOf(lines, factors);
  const boneIn = holdsBone(lines);
  const energyPerGram = candidates.map(({ food }) => energyOf([{ food, grams: grams(1) }], factors));
  const rows: LimitRow[] = [];
  const dropped: string[] = [];
  for (const { name } of nutrients) {
    const limit = profile.limits[name];
    const nutrient = LIMITED[name];
    if (!limit || (boneIn && nutrient?.inBone)) continue;
    const inRecipe = (of: LimitedNutrient['of']) =>
      addUp(lines, (line) => ((of(line.food.per100) ?? 0) * line.grams) / 100);
    const perGram = (of: LimitedNutrient['of']) => candidates.map(({ food }) => (of(food.per100) ?? 0) / 100);
    const add = (side: 'least' | 'most', perThousand: number, of: LimitedNutrient['of']) => {
      const whole = (perThousand * kcal) / 1000;
      rows.push({
        name,
        side,
        bound: whole - inRecipe(of),
        perGram: perGram(of).map((value, index) => value - (perThousand * nth(energyPerGram, index)) / 1000),
        whole,
      });
    };
    const supplied = nutrient && (inRecipe(nutrient.of) > 0 || perGram(nutrient.of).some((value) => value > 0));
    if (!supplied) {
      if (limit.least !== undefined) dropped.push(name);
      continue;
    }
    if (limit.least !== undefined) add('least', limit.least, nutrient.of);
    if (limit.most !== undefined) add('most', limit.most, nutrient.most ?? nutrient.of);
  }
  for (const ratio of profile.ratios ?? [])
    if (!boneIn || !(LIMITED[ratio.of]?.inBone || LIMITED[ratio.to]?.inBone))
      rows.push(...ratioRows(ratio, lines, candidates, profile, kcal));
  return {
    rows,
    caps: candidates.map((candidate) => candidate.cap),
    prices: candidates.map((candidate) => candidate.price ?? 1),
    dropped,
  };
}

const MINERAL = 5_000;

/** Whether a candidate is there for its calcium or phosphorus: over 5 % of its weight (ours, no source). */
export const isBoneMineral = ({ food: { per100 } }: Candidate) =>
  (per100.calcium_mg ?? 0) > MINERAL || (per100.phosphorus_mg ?? 0) > MINERAL;

/** A proportion as rows: of − least × to ≥ 0, of − most × to ≤ 0; its own measure is the least of what it is to. */
function ratioRows(
  { name, of, to, least, most }: NonNullable<Profile['ratios']>[number],
  lines: readonly Portioned[],
  candidates: readonly Candidate[],
  profile: Profile,
  kcal: number,
): LimitRow[] {
  const whole = ((profile.limits[to]?.least ?? 1) * kcal) / 1000;
  const row = (side: LimitRow['side'], times: number): LimitRow => {
    const per100 = ({ food }: { readonly food: Pick<Food, 'per100'> }) =>
      (sure(LIMITED[of]).of(food.per100) ?? 0) - times * (sure(LIMITED[to]).of(food.per100) ?? 0);
    return {
      name,
      side,
      bound: -addUp(lines, (line) => (per100(line) * line.grams) / 100),
      perGram: candidates.map((candidate) => per100(candidate) / 100),
      whole,
    };
  };
  return [...(least === undefined ? [] : [row('least', least)]), ...(most === undefined ? [] : [row('most', most)])];
}
