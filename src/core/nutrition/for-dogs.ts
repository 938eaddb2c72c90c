import { metabolicSize } from '../dog/resting-energy';
import { grams } from '../quantity/units';
import { writeNumber } from '../quantity/write';
import type { NamedDog } from '../recipe/preview';
import { ofAllowanceAt, type Balance, type BalanceRow } from './balance';
import type { Profile, Profiles } from './profiles';
import { ENOUGH, type Judged } from './verdict';

/** A nutrient of which a dog gets too little because it eats little, though the recipe holds enough per 1000 kcal. */
export interface LowAtRation {
  readonly dogId: number;
  readonly dog: string;
  readonly nutrient: string;
  /** Part of NRC's allowance per kg^0.75, below 1. */
  readonly part: number;
  /** Whether only a part of the food has a value: then it is perhaps short. */
  readonly perhaps: boolean;
  readonly sum: string;
}

/** A nutrient that a growing dog gets too much of. */
export interface TooMuchForPup {
  readonly dogId: number;
  readonly dog: string;
  readonly nutrient: string;
  readonly amount: number;
  readonly most: number;
  readonly unit: string;
  readonly source: string;
}

/**
 * The low-ration check: beside the comparison per 1000 kcal, what each grown dog gets per kg^0.75 at its own day's
 * kcal, against NRC's allowance at 130 kcal per kg^0.75, for every nutrient of NRC's column whatever profile is shown.
 *
 * Takes the balance against NRC's adult profile, that profile, and the dogs with kg and kcal a day. Worst first.
 * Source: NRC 2006, from memory; handbook 3.
 */
export function lowAtRation(
  balance: Pick<Balance, 'rows'>,
  nrcAdult: Profile,
  dogs: readonly NamedDog[],
): LowAtRation[] {
  return dogs
    .filter((dog) => !dog.growing)
    .flatMap((dog) =>
      balance.rows.flatMap(({ name, amount, unit, coverage }): LowAtRation[] => {
        const allowance = nrcAdult.limits[name]?.least;
        if (amount === undefined || allowance === undefined) return [];
        const part = ofAllowanceAt(amount, allowance, dog.kcal, metabolicSize(grams(dog.kg * 1000)));
        const size = writeNumber(metabolicSize(grams(dog.kg * 1000)), 2);
        const sum =
          `${writeNumber(amount, 3)} ${unit} in 1000 kcal × ${writeNumber(dog.kcal, 0)} kcal ÷ ${size} kg^0.75, ` +
          `against ${writeNumber(allowance * 0.13, 4)} ${unit}`;
        // What floating point may lose is no shortage.
        return part < 1 - 1e-9
          ? [{ dogId: dog.id, dog: dog.name, nutrient: name, part, perhaps: coverage < ENOUGH, sum }]
          : [];
      }),
    )
    .sort((a, b) => a.part - b.part);
}

/**
 * What growing dogs get too much of, per 1000 kcal: calcium by how large they grow, vitamins A (retinol alone) and D,
 * iodine. Source: beside each limit in data/profiles.json.
 */
export function tooMuchForPups(
  balance: Pick<Balance, 'rows'>,
  limits: Profiles['pups'],
  dogs: readonly NamedDog[],
): TooMuchForPup[] {
  const counted = (row: BalanceRow) => row.againstMost ?? row.amount;
  return dogs
    .filter((dog) => dog.growing)
    .flatMap((dog) => {
      const own = limits.filter(
        (limit, index) =>
          fits(limit, dog) && !limits.slice(0, index).some((before) => before.name === limit.name && fits(before, dog)),
      );
      return own.flatMap(({ name, most, source }): TooMuchForPup[] => {
        const row = balance.rows.find((each) => each.name === name);
        const amount = row && counted(row);
        return row && amount !== undefined && amount > most
          ? [{ dogId: dog.id, dog: dog.name, nutrient: name, amount, most, unit: row.unit, source }]
          : [];
      });
    });
}

/** A nutrient of which there is more than NRC calls safe, plainly or perhaps. */
export interface OverSafe extends Judged {
  readonly nutrient: string;
  readonly amount: number | undefined;
  readonly most: number;
  readonly unit: string;
}

/**
 * What passes NRC's safe upper limits, whatever profile is shown: fat, EPA + DHA, iodine, vitamins A (retinol alone) and
 * D, and the others of its column. Takes the balance against NRC's adult profile. Source: NRC 2006, from memory.
 */
export const overSafe = (nrc: Pick<Balance, 'rows'>): OverSafe[] =>
  nrc.rows.flatMap(({ name, most, toward, verdict, amount, againstMost, unit }) =>
    toward === 'over' && most !== undefined
      ? [{ nutrient: name, amount: againstMost ?? amount, most, unit, verdict, toward }]
      : [],
  );

const fits = (limit: Profiles['pups'][number], dog: NamedDog) =>
  limit.fromAdultKg === undefined || (dog.adultKg ?? 0) >= limit.fromAdultKg;
