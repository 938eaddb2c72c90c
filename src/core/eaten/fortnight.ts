import { addUp } from '../add-up';
import { balanceOf, type Balance } from '../nutrition/balance';
import { energyOf, type EnergyFactors } from '../nutrition/energy';
import type { Profile, Profiles } from '../nutrition/profiles';
import { rotationLines } from '../nutrition/rotation';
import { writeNumber } from '../quantity/write';
import { grams } from '../quantity/units';
import type { WeighedLine } from '../recipe/recipe';
import type { EatenDay, NamedKcal } from './days';
import type { Labelled } from './gaps';

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
  /** What has no pot and was taken as what a label of that very name says. */
  readonly byLabel: readonly string[];
  /** Additions without energy that have no label of that name, or are counted in something else than their label's measure. */
  readonly notWeighed: readonly string[];
  /** Where the rest is from, in words, most first. */
  readonly rest: readonly string[];
  /** Days of which all is known, and all of them. */
  readonly knownDays: number;
  readonly days: number;
}

/** Whether two are called the very same. */
export const sameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** kcal of a day that are known to have been something. */
const hadOn = ({ home, added, planned, besides }: EatenDay): number => home + added + planned + besides;

/**
 * The nutrients of what a dog ate over some days, per 1000 kcal: each pot by the kcal that were eaten of it, and bought food, treats and
 * additions by the label that has their very name. Of all else nobody knows the composition: it is said, not counted as nothing.
 *
 * Takes its days, the pots, the profile, and the household's labels as foods. Source: composition by USDA SR 24; the profile's own; arithmetic.
 */
export function balanceEaten(
  days: readonly EatenDay[],
  pots: readonly EatenPot[],
  { nutrients }: Pick<Profiles, 'nutrients'>,
  profile: Profile,
  factors: EnergyFactors,
  labels: readonly Labelled[] = [],
): EatenBalance {
  const kcalOf = (batchId: number) => addUp(days, (day) => day.pots.get(batchId) ?? 0);
  const named = days.flatMap((day) => day.named);
  const dosed = dosesOf(named, labels);
  const labelled = labels.flatMap(({ food }) => {
    const own = named.filter(({ name, kcal }) => kcal > 0 && sameName(name, food.name));
    const lines: WeighedLine[] = [{ text: food.name, food, grams: grams(100), part: 'supplement', moment: 'bowl' }];
    // A label without energy says nothing of how much of it a kcal is.
    return own.length > 0 && energyOf(lines, factors) > 0 ? [{ name: food.name, lines, own }] : [];
  });
  const told = (from?: NamedKcal['from']) =>
    addUp(labelled, ({ own }) => addUp(own, (each) => (from === undefined || each.from === from ? each.kcal : 0)));
  const byKcal = rotationLines(
    [
      ...pots.map(({ batchId, name, lines: own }) => ({ name, lines: own, days: kcalOf(batchId) / 1000 })),
      ...labelled.map(({ name, lines: own, own: eaten }) => ({
        name,
        lines: own,
        days: addUp(eaten, ({ kcal }) => kcal) / 1000,
      })),
    ],
    factors,
  );
  const lines = [...byKcal, ...dosed.lines];
  const has = new Set(pots.map(({ batchId }) => batchId));
  const ofPots = addUp(days, (day) => addUp(day.pots, ([batchId, kcal]) => (has.has(batchId) ? kcal : 0)));
  const rest = [
    { said: 'bought food and extras, as planned', kcal: addUp(days, ({ planned }) => planned) - told('planned') },
    { said: 'additions in the bowl', kcal: addUp(days, ({ added }) => added) - told('added') },
    { said: 'what it got besides', kcal: addUp(days, ({ besides }) => besides) - told('besides') },
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
  const known = ofPots + told();
  const all = known + addUp(rest, ({ kcal }) => kcal);
  return {
    balance: byKcal.length === 0 ? undefined : balanceOf(lines, nutrients, profile, factors),
    known: all > 0 ? known / all : 0,
    byLabel: [...new Set([...labelled.map(({ name }) => name), ...dosed.lines.map(({ food }) => food.name)])],
    notWeighed: dosed.notWeighed,
    rest: rest.sort((a, b) => b.kcal - a.kcal).map(({ said }) => said),
    knownDays: days.filter(({ kcal }) => kcal !== undefined).length,
    days: days.length,
  };
}

/** g of a dose of a label: in its measure, or by weight. undefined: it is counted in something else. Source: the label. */
export function gramsOfDose(
  { amount, unit }: NonNullable<NamedKcal['dose']>,
  { label }: Pick<Labelled, 'label'>,
): number | undefined {
  const plain = (word: string) => word.trim().toLowerCase().replace(/s$/, '');
  if (plain(unit) === plain(label.measure)) return amount * label.measureGrams;
  const weight = { g: 1, mg: 0.001, gram: 1 }[plain(unit)];
  return weight === undefined ? undefined : amount * weight;
}

/** Additions that bring no energy that anybody knows, by what was given of them: a spoonful of kelp has none, and much iodine. */
function dosesOf(
  named: readonly NamedKcal[],
  labels: readonly Labelled[],
): { readonly lines: readonly WeighedLine[]; readonly notWeighed: readonly string[] } {
  const mass = new Map<Labelled, number>();
  const notWeighed = new Set<string>();
  for (const { name, kcal, dose } of named) {
    if (kcal > 0 || !dose) continue;
    const label = labels.find(({ food }) => sameName(name, food.name));
    const own = label && gramsOfDose(dose, label);
    if (!label || own === undefined) notWeighed.add(name);
    else mass.set(label, (mass.get(label) ?? 0) + own);
  }
  return {
    lines: [...mass].map(([{ food }, own]) => ({
      text: food.name,
      food,
      grams: grams(own),
      part: 'supplement',
      moment: 'bowl',
    })),
    notWeighed: [...notWeighed],
  };
}

/** Of how much of its energy the composition is known, in words. */
export const sayKnown = ({ balance, known, byLabel, rest, notWeighed }: EatenBalance): string =>
  balance === undefined
    ? 'Of nothing that it ate is the composition known.'
    : `By the composition of ${writeNumber(known * 100, 0)} % of its energy${byLabel.length > 0 ? `, ${byLabel.join(', ')} by the label of that name` : ''}${rest.length > 0 ? `; not of ${rest.join(', ')}` : ''}.${notWeighed.length > 0 ? ` What ${notWeighed.join(', ')} ${notWeighed.length > 1 ? 'bring' : 'brings'} is not known: no label of that name counts in that measure.` : ''}`;
