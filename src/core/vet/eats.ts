import { addUp } from '../add-up';
import { additionOf, sayAddition, type BowlLine } from '../dog/bowl-line';
import { toldDays, type EatenDay } from '../eaten/days';
import { sameName, type EatenPot } from '../eaten/fortnight';
import type { Label } from '../food/label';
import { energyOf, type EnergyFactors } from '../nutrition/energy';
import { countOf } from '../quantity/count-words';
import type { Grams } from '../quantity/units';
import { writeDose, writeGrams, writeKcal, writeNumber } from '../quantity/write';
import type { WeighedLine } from '../recipe/recipe';
import type { Section } from './sheet';

/** A pot that was eaten of, with what it was cooked of and what a gram of it holds. */
export interface VetPot extends EatenPot {
  readonly recipeId: number;
  /** Which version of the recipe. */
  readonly number: number;
  /** kcal per g as it came out of the pot; undefined: it was never weighed. */
  readonly density: number | undefined;
}

const nameOf = ({ name, number }: Pick<VetPot, 'name' | 'number'>) => `${name}, version ${number}`;

/** The pots of each version of a recipe with the kcal that were eaten of them, most first. */
function byVersion(days: readonly EatenDay[], pots: readonly VetPot[]) {
  const versions = new Map<string, { name: string; pots: { pot: VetPot; kcal: number }[]; kcal: number }>();
  for (const pot of pots) {
    const kcal = addUp(days, (day) => day.pots.get(pot.batchId) ?? 0);
    if (kcal <= 0) continue;
    // Two recipes may have one name.
    const key = `${pot.recipeId} ${pot.number}`;
    const own = versions.get(key) ?? { name: nameOf(pot), pots: [], kcal: 0 };
    versions.set(key, { ...own, pots: [...own.pots, { pot, kcal }], kcal: own.kcal + kcal });
  }
  return [...versions.values()].sort((a, b) => b.kcal - a.kcal);
}

const percent = (part: number) => writeNumber(part * 100, 0);

/**
 * kcal of each pot that a dog ate a day: what it got of all that was cooked on the days of which every bowl is known, in the parts that
 * every known bowl has. One set of bowls, so that this says of goat and venison what their nutrients are of.
 */
function potsADay(days: readonly EatenDay[]): (batchId: number) => number {
  const told = toldDays(days);
  const cooked = addUp(told, ({ home }) => home) / Math.max(1, told.length);
  const all = addUp(days, ({ home }) => home);
  return (batchId) => (all > 0 ? (cooked * addUp(days, (day) => day.pots.get(batchId) ?? 0)) / all : 0);
}

/**
 * What a dog ate and how much of it, a day: how much by the days of which every bowl is known, in the parts of every bowl that is. Takes
 * the days and the pots. Source: its bowls; arithmetic.
 */
export function whatItAte(days: readonly EatenDay[], pots: readonly VetPot[]): Section {
  const told = toldDays(days);
  const reported = days.filter((day) => day.reported);
  const count = told.length;
  const mean = (list: readonly EatenDay[], of: (day: EatenDay) => number) => addUp(list, of) / Math.max(1, list.length);
  const got = mean(told, ({ kcal }) => kcal ?? 0);
  const aDay = potsADay(days);
  const row = (what: string, kcal: number, mass?: number) => [
    what,
    writeKcal(kcal),
    got > 0 ? percent(kcal / got) : '',
    mass === undefined ? '' : writeNumber(mass, 0),
  ];
  const other = (what: string, kcal: number) => (kcal > 0.5 / Math.max(1, count) ? [row(what, kcal)] : []);
  const known = new Set(pots.map(({ batchId }) => batchId));
  const potless = mean(told, ({ home }) => home) - addUp([...known], aDay);
  const water = addUp(days, (day) => day.water);
  const refused = addUp(days, (day) => day.refused);
  return {
    heading: 'What it eats, and how much',
    said: [
      count > 0
        ? `It got ${writeKcal(got)} kcal a day on the ${countOf(count, 'day')} of which every bowl is known, when its ration asked for ${writeKcal(mean(told, ({ need }) => need))}; how much a day is by these days, the parts of what was cooked by every bowl that is known.`
        : 'Of no day is every bowl known.',
      reported.length > 0
        ? `${writeKcal(mean(reported, ({ kcal }) => kcal ?? 0))} kcal a day on ${countOf(reported.length, 'day')}, as the cook reported.`
        : '',
      days.length > count + reported.length
        ? `Of ${countOf(days.length - count - reported.length, 'day')} not all is known.`
        : '',
      water > 0 ? `${writeNumber(water, 0)} mL of water were put back into dried food.` : '',
      refused > 0 ? `${countOf(refused, 'bowl')} refused.` : '',
    ].filter(Boolean),
    columns: ['Food', 'kcal a day', '% of its energy', 'g a day, as cooked'],
    figures: [1, 2, 3],
    rows:
      count === 0
        ? []
        : [
            ...byVersion(days, pots).map(({ name, pots: own }) => {
              const each = own.map(({ pot }) => ({ kcal: aDay(pot.batchId), density: pot.density }));
              const mass = each.map(({ kcal, density }) => density && kcal / density);
              return row(
                name,
                addUp(each, ({ kcal }) => kcal),
                mass.includes(undefined) ? undefined : addUp(mass, (own) => own ?? 0),
              );
            }),
            ...other(
              'Bought food and extras, as its ration says',
              mean(told, ({ planned }) => planned),
            ),
            ...other(
              'Additions in the bowl',
              mean(told, ({ added }) => added),
            ),
            ...other(
              'Treats and what it got besides',
              mean(told, ({ besides }) => besides),
            ),
            ...other('Packs of which no pot is known', potless),
          ],
    onPaper: 12,
  };
}

/** What went into the last pot of each version that was eaten, in g, and in 1000 kcal of it. Source: what was weighed. */
export function recipesEaten(days: readonly EatenDay[], pots: readonly VetPot[], factors: EnergyFactors): Section {
  const versions = byVersion(days, pots);
  const all = addUp(versions, ({ kcal }) => kcal);
  return {
    heading: 'Recipes, as they were weighed',
    said: versions.length === 0 ? ['Nothing of these days was cooked here.'] : [],
    columns: ['Recipe', 'Ingredient', 'g in the pot', 'g in 1000 kcal'],
    figures: [2, 3],
    rows: versions.flatMap(({ name, pots: own, kcal }) => {
      const last = own.reduce((a, b) => (b.pot.batchId > a.pot.batchId ? b : a)).pot;
      const whole = energyOf(last.lines, factors);
      return [...last.lines]
        .sort((a, b) => b.grams - a.grams)
        .map((line) => [
          `${name} (${percent(kcal / all)} % of what was cooked)`,
          line.text === line.food.name ? line.text : `${line.text} [${line.food.name}]`,
          writeFigure(line.grams),
          whole > 0 ? writeFigure((line.grams * 1000) / whole) : '',
        ]);
    }),
    onPaper: 60,
    isGrouped: true,
  };
}

/** g without their unit: it stands at the head of the column. */
const writeFigure = (mass: number): string => writeNumber(mass, mass < 10 ? 1 : 0);

/** A supply by its key, with what its label says. */
export type Labels = ReadonlyMap<string, { readonly name: string; readonly label: Label }>;

/** What a label prints for one of its measure. */
const sayLabel = ({ measure, measureGrams, amounts }: Label): string =>
  `in 1 ${measure} (${writeGrams(measureGrams)}): ${
    amounts.length === 0
      ? 'nothing printed'
      : amounts
          .map(
            ({ nutrient, amount, unit, as }) =>
              `${nutrient} ${writeNumber(amount, 3)} ${unit}${as === undefined || as === 'element' ? '' : ` as ${as}`}`,
          )
          .join(', ')
  }`;

const isSupplement = ({ part, food }: WeighedLine) => part === 'supplement' || food.ndb.startsWith('L');

/**
 * Supplements with their doses a day: what went into the pots that it eats, by as much of them as it gets a day, and what is set for the bowl.
 *
 * Takes the days, the pots, the labels by key, the lines of its bowl, its weight in g, and the names of its meals. Source: what was
 * weighed; the labels as the cook typed them.
 */
export function supplementsOf(
  days: readonly EatenDay[],
  pots: readonly VetPot[],
  labels: Labels,
  bowl: { readonly lines: readonly BowlLine[]; readonly weight: Grams; readonly mealOf: (slotId: number) => string },
  factors: EnergyFactors,
): Section {
  const aDay = potsADay(days);
  const doses = new Map<string, { name: string; grams: number; recipes: Set<string> }>();
  for (const pot of pots) {
    if (!days.some((day) => (day.pots.get(pot.batchId) ?? 0) > 0)) continue;
    const whole = energyOf(pot.lines, factors);
    const part = whole > 0 ? aDay(pot.batchId) / whole : 0;
    for (const line of pot.lines.filter(isSupplement)) {
      const own = doses.get(line.food.ndb) ?? { name: line.food.name, grams: 0, recipes: new Set() };
      doses.set(line.food.ndb, { ...own, grams: own.grams + line.grams * part, recipes: own.recipes.add(pot.name) });
    }
  }
  const rows = [...doses].map(([key, { name, grams: mass, recipes }]) => {
    const label = labels.get(key)?.label;
    return [
      name,
      [...recipes].join(', '),
      // How much of it a day nobody knows where of no day every bowl is known.
      mass > 0
        ? `${writeGrams(mass)}${label ? `, ${writeDose(mass / label.measureGrams)} ${label.measure}` : ''}`
        : 'not known',
      label ? sayLabel(label) : 'a food of the table, no label',
    ];
  });
  const inBowl = bowl.lines.map((line) => {
    const own = [...labels.values()].find(({ name }) => sameName(name, line.what));
    return [
      line.what,
      `in the bowl, ${bowl.mealOf(line.slotId)}`,
      sayAddition(additionOf(line, bowl.weight)),
      own ? sayLabel(own.label) : 'its label is not known here',
    ];
  });
  return {
    heading: 'Supplements and additions',
    said: rows.length + inBowl.length === 0 ? ['None is known.'] : [],
    columns: ['What', 'In', 'A day', 'By its label'],
    rows: [...rows, ...inBowl],
    onPaper: 12,
  };
}
