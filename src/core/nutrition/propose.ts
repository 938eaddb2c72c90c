import { grams, type Grams } from '../quantity/units';
import type { EnergyFactors } from './energy';
import { measurable, missedBy, smallestOf } from './measurable';
import type { Profile, Profiles } from './profiles';
import { isBoneMineral, programmeOf, type Candidate } from './programme';
import { fewest, leastRelaxed, solveUnderCaps } from './solve-programme';
import { holdsBone, type Portioned } from './totals';
import { nth, sure } from '../sure';

export const OBJECTIVES = ['fewest', 'weight', 'cost'] as const;
/** What is least: the number of things, their weight, or their cost. */
export type Objective = (typeof OBJECTIVES)[number];

/** So much of a food, as a spoon or a scale can measure it. */
export interface Addition {
  readonly ndb: string;
  readonly grams: Grams;
}

/** A limit that the additions cannot hold, and by how much of it they miss. */
export interface Relaxation {
  readonly name: string;
  readonly side: 'least' | 'most';
  /** The smallest part of the limit by which it must give way. */
  readonly by: number;
}

export interface Proposed {
  readonly additions: readonly Addition[];
  /** Empty where every limit that anything supplies is held, as exactly worked out. */
  readonly conflicts: readonly Relaxation[];
  /** Limits that are held exactly and missed once the amounts are rounded. */
  readonly missed: readonly Relaxation[];
  /** The search was given up after its limit of rounds or of time: there may be a better answer. */
  readonly ended: boolean;
  /** Bone is in the food: nothing is proposed for calcium or phosphorus, and nothing that is mainly that. */
  readonly boneIn: boolean;
  /** Nutrients with a least that neither the recipe nor a candidate supplies: dropped, and said. */
  readonly dropped: readonly string[];
}

/**
 * Which additions bring every nutrient between its least and its most: the fewest things, or the least in weight or in
 * cost, in amounts that a spoon or a scale can measure, checked again after rounding. Where none can, the limits that
 * stand in each other's way, with the smallest parts by which they must give way. With bone of unknown content in the
 * food nothing is proposed for calcium and phosphorus.
 *
 * Takes the lines that are eaten, the candidates with their caps in g, the nutrients, one profile, the household's
 * energy factors and what is to be least; returns g. Source: linear and mixed-integer programming; handbook 3.
 */
export function propose(
  eaten: readonly Portioned[],
  all: readonly Candidate[],
  nutrients: Profiles['nutrients'],
  profile: Profile,
  factors: EnergyFactors,
  objective: Objective = 'weight',
): Proposed {
  const boneIn = holdsBone(eaten);
  const candidates = boneIn ? all.filter((candidate) => !isBoneMineral(candidate)) : all;
  const programme = programmeOf(eaten, candidates, nutrients, profile, factors);
  const met = solveUnderCaps(programme, false);
  const relaxed = met ? undefined : leastRelaxed(programme);
  const light = met ?? sure(relaxed);
  const few =
    objective === 'fewest' ? fewest(programme, candidates.map(smallestOf), relaxed ? relaxed.slack : []) : undefined;
  const solved = few ?? light;
  const amounts = measurable(programme, candidates, solved.grams);
  const before = missedBy(programme, solved.grams);
  const after = missedBy(programme, amounts);
  const given = (by: number, index: number): Relaxation[] => {
    const { name, side } = nth(programme.rows, index);
    return by > 0 ? [{ name, side, by }] : [];
  };
  return {
    additions: candidates.flatMap(({ food }, index) =>
      nth(amounts, index) > 0 ? [{ ndb: food.ndb, grams: grams(nth(amounts, index)) }] : [],
    ),
    conflicts: relaxed ? relaxed.slack.flatMap((by, index) => given(by > 1e-6 ? by : 0, index)) : [],
    missed: after.flatMap((by, index) => given(by - nth(before, index) > 1e-3 ? by : 0, index)),
    ended: solved.ended,
    boneIn,
    dropped: programme.dropped,
  };
}
