import { isWater } from '../food/food';
import type { Explanation } from '../explanation';
import { writeNumber } from '../quantity/write';
import { READINGS, RETINOL, type Reading } from './balance-readings';
import { energyOf, type EnergyFactors } from './energy';
import type { Portioned } from './totals';
import type { Limit, Profile, Profiles } from './profiles';

/** A line of a recipe as the balance looks at it. */
export interface BalancedLine extends Portioned {
  readonly text: string;
}

/** One nutrient of a recipe against a profile, per 1000 kcal, in the profile's unit. */
export interface BalanceRow {
  readonly name: string;
  readonly unit: string;
  readonly least: number | undefined;
  readonly most: number | undefined;
  /** What the lines with a value bring; undefined where no line has one: unknown, not 0. */
  readonly amount: number | undefined;
  /** What counts against the most, where that is not the same: of vitamin A retinol alone. */
  readonly againstMost?: number;
  /** The part of the food's weight that has a value, from 0 to 1. */
  readonly coverage: number;
  /** short: under the least though nearly all is known; perhaps: under it as far as is known. */
  readonly verdict: 'over' | 'short' | 'perhaps' | 'unknown' | 'met';
  /** How far from the least: 1 is just met. */
  readonly ofLeast: number | undefined;
  /** Which lines bring it, most first. */
  readonly lines: readonly { readonly text: string; readonly amount: number }[];
  /** What stands in for the nutrient, where the table does not hold it itself. */
  readonly standIn: string | undefined;
}

/** A proportion that a profile asks for. */
export interface RatioRow {
  readonly name: string;
  readonly value: number | undefined;
  readonly least: number | undefined;
  readonly most: number | undefined;
  readonly verdict: 'over' | 'short' | 'unknown' | 'met';
}

export interface Balance {
  /** Worst first. */
  readonly rows: readonly BalanceRow[];
  readonly calciumToPhosphorus: number | undefined;
  readonly zincToCopper: number | undefined;
  /** The profile's proportions; undefined where one side is unknown. */
  readonly ratios: readonly RatioRow[];
  readonly kcal: number;
  readonly explanation: Explanation;
}

/** What floating point may lose is no shortage. */
const HAIR = 1e-9;
/** From this coverage on a shortage is said plainly; below it only as far as is known. */
const NEARLY_ALL = 0.95;

interface Summed {
  readonly amount: number | undefined;
  readonly coverage: number;
  readonly lines: readonly { readonly text: string; readonly amount: number }[];
}

function sumOf(lines: readonly BalancedLine[], read: Reading['of'], perKcal: number): Summed {
  let amount = 0;
  let covered = 0;
  let mass = 0;
  const own: { text: string; amount: number }[] = [];
  for (const line of lines) {
    mass += line.grams;
    const per100 = read(line.food.per100);
    if (per100 === undefined) continue;
    const part = (per100 * line.grams) / 100 / perKcal;
    covered += line.grams;
    amount += part;
    if (part > 0) own.push({ text: line.text, amount: part });
  }
  const coverage = mass === 0 ? 0 : covered / mass;
  // A pinch of a pure substance that surely holds none says nothing about the rest.
  const told = covered > 0 && (amount > 0 || coverage >= NEARLY_ALL);
  return {
    amount: told ? amount : undefined,
    coverage,
    lines: own.sort((a, b) => b.amount - a.amount),
  };
}

const RANK = { over: 0, short: 1, perhaps: 2, unknown: 3, met: 4 } as const;

/**
 * A recipe against a nutrient profile, per 1000 kcal, worst first.
 *
 * Takes every line that a dog eats (g, composition per 100 g), the household's energy factors
 * and one profile with the list of nutrients. A nutrient that no line has a value for is unknown, never low. Losses of
 * heat-sensitive vitamins are not computed. Source: AAFCO 2016, NRC 2006 (from memory); USDA SR 24.
 */
export function balanceOf(
  eaten: readonly BalancedLine[],
  nutrients: Profiles['nutrients'],
  profile: Profile,
  factors: EnergyFactors,
): Balance {
  // Poured water would only thin the coverage.
  const lines = eaten.filter((line) => !isWater(line.food));
  const kcal = energyOf(lines, factors);
  const perKcal = kcal / 1000;
  const row = ({ name, unit }: Profiles['nutrients'][number]): BalanceRow[] => {
    const limit: Limit | undefined = profile.limits[name];
    if (!limit) return [];
    const reading = READINGS[name];
    const summed: Summed =
      reading && kcal > 0 ? sumOf(lines, reading.of, perKcal) : { amount: undefined, coverage: 0, lines: [] };
    // Carotene does not count against the maximum of vitamin A.
    const counted = name === 'vitamin A' && kcal > 0 ? sumOf(lines, RETINOL, perKcal).amount : summed.amount;
    return [
      {
        name,
        unit,
        least: limit.least,
        most: limit.most,
        ...summed,
        ...(name === 'vitamin A' && counted !== undefined ? { againstMost: counted } : {}),
        ofLeast: summed.amount !== undefined && limit.least !== undefined ? summed.amount / limit.least : undefined,
        verdict: verdictOf(summed, counted, limit),
        standIn: reading?.standIn,
      },
    ];
  };
  const rows = nutrients.flatMap(row);
  const amount = (name: string) => rows.find((each) => each.name === name)?.amount;
  const ratio = (a: number | undefined, b: number | undefined) =>
    a !== undefined && b !== undefined && b > 0 ? a / b : undefined;
  return {
    rows: rows.sort((a, b) => RANK[a.verdict] - RANK[b.verdict] || (a.ofLeast ?? 9) - (b.ofLeast ?? 9)),
    calciumToPhosphorus: ratio(amount('calcium'), amount('phosphorus')),
    zincToCopper: ratio(amount('zinc'), amount('copper')),
    ratios: (profile.ratios ?? []).map(({ name, of, to, least, most }) => {
      const side = (nutrient: string) => (kcal > 0 ? sumOf(lines, READINGS[nutrient]!.of, perKcal).amount : undefined);
      const value = ratio(side(of), side(to));
      return { name, value, least, most, verdict: ratioVerdict(value, least, most) };
    }),
    kcal,
    explanation: {
      title: `Against ${profile.name}`,
      steps: [
        { what: 'energy of what is eaten', sum: `${writeNumber(kcal, 0)} kcal` },
        { what: 'each nutrient', sum: 'summed over the lines, for 1000 kcal' },
      ],
      source: `${profile.source}. Composition: USDA SR 24. What heat takes of thiamin and other vitamins is not computed.`,
    },
  };
}

function ratioVerdict(value: number | undefined, least = 0, most = Infinity): RatioRow['verdict'] {
  if (value === undefined) return 'unknown';
  return value < least * (1 - HAIR) ? 'short' : value > most * (1 + HAIR) ? 'over' : 'met';
}

function verdictOf(summed: Summed, counted: number | undefined, { least, most }: Limit): BalanceRow['verdict'] {
  if (most !== undefined && counted !== undefined && counted > most * (1 + HAIR)) return 'over';
  if (summed.amount === undefined) return 'unknown';
  if (least === undefined || summed.amount >= least * (1 - HAIR)) return 'met';
  return summed.coverage >= NEARLY_ALL ? 'short' : 'perhaps';
}

/**
 * Where a low ration leaves a nutrient: intake per kg^0.75 beside NRC's allowance at 130 kcal per kg^0.75. 1 is just
 * enough. Takes the nutrient per 1000 kcal, NRC's allowance per 1000 kcal, the day's kcal and the metabolic size in
 * kg^0.75. Source: NRC 2006; at 1.2 × RER a recipe that just meets the allowance gives 65 % of it.
 */
export const ofAllowanceAt = (per1000: number, allowance: number, kcalADay: number, metabolicSize: number): number =>
  ((per1000 / 1000) * kcalADay) / metabolicSize / (allowance * 0.13);
