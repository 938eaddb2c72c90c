import { addUp } from '../add-up';
import { balanceOf, type Balance, type BalanceRow } from '../nutrition/balance';
import type { EnergyFactors } from '../nutrition/energy';
import type { Profile, Profiles } from '../nutrition/profiles';
import { rotationLines } from '../nutrition/rotation';
import type { WeighedLine } from '../recipe/recipe';
import type { EatenDay } from './days';

/** Balance over time is looked at over so many days (common practice, no source). */
export const FORTNIGHT = 14;

/** A pot that was eaten of: what went into it. */
export interface EatenPot {
  readonly batchId: number;
  readonly name: string;
  readonly lines: readonly WeighedLine[];
}

export interface EatenBalance {
  /** undefined: nothing of it has a composition. */
  readonly balance: Balance | undefined;
  /** Part of the kcal of these days of which the composition is known, 0 to 1; a meal that nobody pressed counts as eaten of unknown food. */
  readonly known: number;
  /** Where the rest is from, in words, most first. */
  readonly rest: readonly string[];
  /** Days of which all is known, and all of them. */
  readonly knownDays: number;
  readonly days: number;
}

/** kcal of a day that are known to have been something. */
const hadOn = ({ home, added, planned, besides }: EatenDay): number => home + added + planned + besides;

/**
 * The nutrients of what a dog ate over some days, per 1000 kcal: each pot by the kcal that were eaten of it. Of bought food, treats,
 * additions and packs without a pot nobody knows the composition: they are said, not counted as nothing.
 *
 * Takes its days, the pots and the profile. Source: composition by USDA SR 24; the profile's own; arithmetic.
 */
export function balanceEaten(
  days: readonly EatenDay[],
  pots: readonly EatenPot[],
  { nutrients }: Pick<Profiles, 'nutrients'>,
  profile: Profile,
  factors: EnergyFactors,
): EatenBalance {
  const kcalOf = (batchId: number) => addUp(days, (day) => day.pots.get(batchId) ?? 0);
  const lines = rotationLines(
    pots.map(({ batchId, name, lines: own }) => ({ name, lines: own, days: kcalOf(batchId) / 1000 })),
    factors,
  );
  const has = new Set(pots.map(({ batchId }) => batchId));
  const ofPots = addUp(days, (day) => addUp(day.pots, ([batchId, kcal]) => (has.has(batchId) ? kcal : 0)));
  const rest = [
    { said: 'bought food and extras, as planned', kcal: addUp(days, ({ planned }) => planned) },
    { said: 'additions in the bowl', kcal: addUp(days, ({ added }) => added) },
    { said: 'what it got besides', kcal: addUp(days, ({ besides }) => besides) },
    {
      said: 'what you reported without a bowl',
      kcal: addUp(days, (day) => (day.reported ? Math.max(0, (day.kcal ?? 0) - hadOn(day)) : 0)),
    },
    {
      said: 'meals that nobody pressed',
      kcal: addUp(days, (day) => (day.missed > 0 ? Math.max(0, day.need - hadOn(day)) : 0)),
    },
    {
      said: 'packs without a pot',
      kcal: addUp(days, (day) => day.potless + addUp(day.pots, ([id, kcal]) => (has.has(id) ? 0 : kcal))),
    },
  ].filter(({ kcal }) => kcal > 0.5);
  const all = ofPots + addUp(rest, ({ kcal }) => kcal);
  return {
    balance: lines.length === 0 ? undefined : balanceOf(lines, nutrients, profile, factors),
    known: all > 0 ? ofPots / all : 0,
    rest: rest.sort((a, b) => b.kcal - a.kcal).map(({ said }) => said),
    knownDays: days.filter(({ kcal }) => kcal !== undefined).length,
    days: days.length,
  };
}

/** A nutrient that was short in two fortnights one after the other, with the pot that holds most of it. */
export interface LastingGap {
  readonly row: BalanceRow;
  readonly best: { readonly name: string; readonly amount: number } | undefined;
}

/**
 * Gaps that last: what is short now and was before, each with the recipe of the kitchen that holds most of it in 1000 kcal where that
 * is more than is needed. Takes both balances and the balance of each recipe. Source: arithmetic.
 */
export function lastingGaps(
  now: Balance | undefined,
  before: Balance | undefined,
  recipes: readonly { readonly name: string; readonly rows: readonly BalanceRow[] }[],
): LastingGap[] {
  const was = new Set((before?.rows ?? []).filter(({ verdict }) => verdict === 'short').map(({ name }) => name));
  return (now?.rows ?? [])
    .filter(({ verdict, name }) => verdict === 'short' && was.has(name))
    .map((row) => {
      const best = recipes
        .flatMap(({ name, rows }) => {
          const amount = rows.find((each) => each.name === row.name)?.amount;
          return amount === undefined ? [] : [{ name, amount }];
        })
        .sort((a, b) => b.amount - a.amount)[0];
      return { row, best: best && best.amount >= (row.least ?? Infinity) ? best : undefined };
    });
}
