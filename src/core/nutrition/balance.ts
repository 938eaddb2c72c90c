import { isWater } from '../food/food';
import type { Explanation } from '../explanation';
import { writeNumber } from '../quantity/write';
import { LIMITED, type LimitedNutrient } from './nutrients';
import { energyKnown, energyOf, type EnergyFactors } from './energy';
import { holdsBone, holdsUncounted, type Portioned } from './totals';
import type { Limit, Profile, Profiles } from './profiles';
import { ENOUGH, judge, judgeRatio, rankOf, type Judged, type Toward, type Verdict } from './verdict';
import { nth } from '../sure';

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
  readonly verdict: Verdict;
  readonly toward: Toward | undefined;
  /** How far from the least: 1 is just met. */
  readonly ofLeast: number | undefined;
  /** Which lines bring it, most first. */
  readonly lines: readonly { readonly text: string; readonly amount: number }[];
  /** Foods whose part in it is estimated from a bag's crude figures. */
  readonly estimated: readonly string[];
  /** What stands in for the nutrient, where the table does not hold it itself. */
  readonly standIn: string | undefined;
}

/** A proportion of two nutrients, as well known as the less known of the two. */
export interface RatioRow extends Judged {
  readonly name: string;
  readonly value: number | undefined;
  readonly coverage: number;
  readonly least: number | undefined;
  readonly most: number | undefined;
}

export interface Balance {
  /** Worst first. */
  readonly rows: readonly BalanceRow[];
  readonly calciumToPhosphorus: RatioRow;
  readonly zincToCopper: RatioRow;
  /** Bone is in it whose minerals nobody has measured: calcium, phosphorus and their ratio are unknown. */
  readonly boneIn: boolean;
  /** Lines that were kept as words and may hold nutrients: what is short is short perhaps. */
  readonly uncounted: readonly string[];
  /** Foods of which a macronutrient is unknown, so that the energy is at least what is said. */
  readonly energyUnknown: readonly string[];
  /** The profile's proportions; undefined where one side is unknown. */
  readonly ratios: readonly RatioRow[];
  readonly kcal: number;
  readonly explanation: Explanation;
}

interface Summed {
  readonly amount: number | undefined;
  readonly coverage: number;
  readonly lines: readonly { readonly text: string; readonly amount: number }[];
}

function sumOf(lines: readonly BalancedLine[], read: LimitedNutrient['of'], perKcal: number): Summed {
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
  const told = covered > 0 && (amount > 0 || coverage >= ENOUGH);
  return {
    amount: told ? amount : undefined,
    coverage,
    lines: own.sort((a, b) => b.amount - a.amount),
  };
}

/** Names of the foods of which a reading rests on a bag's crude figures: without those columns it reads otherwise. */
const estimatedFrom = (lines: readonly BalancedLine[], read: LimitedNutrient['of']): readonly string[] => [
  ...new Set(
    lines
      .filter(({ food: { per100, estimated } }) => {
        if (!estimated) return false;
        const without = { ...per100, ...Object.fromEntries(estimated.map((column) => [column, undefined])) };
        return read(without) !== read(per100);
      })
      .map(({ text, food }) => food.name ?? text),
  ),
];

const UNKNOWN: Summed = { amount: undefined, coverage: 0, lines: [] };
/** What is usual, where no profile says it: zinc to copper about 10 (common practice, no source). */
const USUAL: readonly [name: 'calcium' | 'zinc', to: string, label: string, least?: number, most?: number][] = [
  ['calcium', 'phosphorus', 'Ca : P', 1, 2],
  ['zinc', 'copper', 'Zn : Cu'],
];

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
  const energy = energyKnown(lines, factors);
  const boneIn = holdsBone(lines);
  // Something that is not counted may hold what is short, or be too much with what is enough.
  const isWhole = !holdsUncounted(lines);
  const soften = <T extends Judged>(judged: T): T =>
    isWhole || (judged.verdict !== 'short' && judged.verdict !== 'met') ? judged : { ...judged, verdict: 'perhaps' };
  const sum = (name: string): Summed => {
    const nutrient = LIMITED[name];
    return nutrient && kcal > 0 && !(boneIn && nutrient.inBone) ? sumOf(lines, nutrient.of, perKcal) : UNKNOWN;
  };
  const ratioOf = ({ name, of, to, least, most }: NonNullable<Profile['ratios']>[number]): RatioRow => {
    const judged = soften(judgeRatio({ least, most }, sum(of), sum(to)));
    return { name, least, most, ...judged, value: judged.value };
  };
  const usual = ([of, to, name, least, most]: (typeof USUAL)[number]) => ratioOf({ name, of, to, least, most });
  const row = ({ name, unit }: Profiles['nutrients'][number]): BalanceRow[] => {
    const limit: Limit | undefined = profile.limits[name];
    if (!limit) return [];
    const nutrient = LIMITED[name];
    const mostOf = nutrient?.most;
    const summed = sum(name);
    // Carotene does not count against the maximum of vitamin A; where retinol is unknown all of it may be retinol.
    const against =
      nutrient && mostOf && kcal > 0
        ? {
            ...sumOf(lines, mostOf, perKcal),
            atWorst: sumOf(lines, (food) => mostOf(food) ?? nutrient.of(food), perKcal).amount,
          }
        : summed;
    return [
      {
        name,
        unit,
        least: limit.least,
        most: limit.most,
        ...summed,
        ...(mostOf && against.amount !== undefined ? { againstMost: against.amount } : {}),
        ofLeast: summed.amount !== undefined && limit.least !== undefined ? summed.amount / limit.least : undefined,
        estimated: nutrient ? estimatedFrom(lines, nutrient.of) : [],
        ...soften(judge(limit, summed, energy.coverage, against)),
        standIn: boneIn && nutrient?.inBone ? 'bone is in it, and the table holds no bone mineral' : nutrient?.standIn,
      },
    ];
  };
  const rows = nutrients.flatMap(row);
  return {
    rows: rows.sort((a, b) => rankOf(a) - rankOf(b) || (a.ofLeast ?? 9) - (b.ofLeast ?? 9)),
    calciumToPhosphorus: usual(nth(USUAL, 0)),
    zincToCopper: usual(nth(USUAL, 1)),
    boneIn,
    uncounted: lines.flatMap(({ food, text }) => (food.uncounted ? [text] : [])),
    energyUnknown: energy.unknown,
    ratios: (profile.ratios ?? []).map(ratioOf),
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

/**
 * Where a low ration leaves a nutrient: intake per kg^0.75 beside NRC's allowance at 130 kcal per kg^0.75. 1 is just
 * enough. Takes the nutrient per 1000 kcal, NRC's allowance per 1000 kcal, the day's kcal and the metabolic size in
 * kg^0.75. Source: NRC 2006; at 1.2 × RER a recipe that just meets the allowance gives 65 % of it.
 */
export const ofAllowanceAt = (per1000: number, allowance: number, kcalADay: number, metabolicSize: number): number =>
  ((per1000 / 1000) * kcalADay) / metabolicSize / (allowance * 0.13);
