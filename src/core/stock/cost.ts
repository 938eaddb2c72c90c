import { addUp } from '../add-up';
import type { CookedComponent } from '../batch/evidence';
import type { Explanation } from '../explanation';
import { writeDensity, writeMoney, writeNumber } from '../quantity/write';

/** What a line of a pot cost: its g, and what of them has a price, in minor units of a g. */
export interface PricedLine {
  readonly name: string;
  readonly grams: number;
  readonly parts: readonly { readonly grams: number; readonly perGram: number | undefined }[];
}

/** Electricity that went into a pot: what took it, and its kWh; undefined: nobody knows. */
export interface Powered {
  readonly what: string;
  readonly kwh: number | undefined;
}

/** What a pot cost, as far as prices are known. */
export interface Cost {
  /** Minor units of what is known. */
  readonly minor: number;
  /** The part of the weight that has a price, from 0 to 1. */
  readonly known: number;
  /** Foods without a price, the heaviest first. */
  readonly unknown: readonly string[];
  readonly explanation: Explanation;
}

/** From so much of the weight on a price is said without *at least* (ours, no source). */
const ALL_BUT = 0.995;

/** Whether what is known is all but all of it. */
export const isWhole = ({ known }: Pick<Cost, 'known'>): boolean => known >= ALL_BUT;

/**
 * What a pot cost: its lines by the lots that went in, and the electricity. Undefined where nothing of it has a price.
 *
 * Takes g and minor units, kWh and what one costs. What has no price is not free: it is left out, and said.
 * Source: handbook 11, the cost of ingredients actually used and energy.
 */
export function costOfPot(
  lines: readonly PricedLine[],
  powered: readonly Powered[],
  { kwhMinor, currency }: { readonly kwhMinor: number | undefined; readonly currency: string },
): Cost | undefined {
  const priced = lines.map((line) => {
    const paid = line.parts.filter(({ perGram }) => perGram !== undefined);
    return {
      ...line,
      minor: addUp(paid, ({ grams, perGram = 0 }) => grams * perGram),
      known: Math.min(
        line.grams,
        addUp(paid, ({ grams }) => grams),
      ),
    };
  });
  const weight = addUp(priced, ({ grams }) => grams);
  const known = addUp(priced, (line) => line.known);
  if (!(known > 0)) return undefined;
  const run = powered.flatMap(({ what, kwh }) =>
    kwh === undefined || kwhMinor === undefined ? [] : [{ what, kwh, minor: kwh * kwhMinor }],
  );
  const minor = addUp(priced, (line) => line.minor) + addUp(run, (each) => each.minor);
  const unknown = priced
    .filter((line) => line.known < line.grams * ALL_BUT)
    .sort((a, b) => b.grams - b.known - (a.grams - a.known))
    .map(({ name }) => name);
  const part = known / weight;
  return {
    minor,
    known: part,
    unknown,
    explanation: {
      title: `${part >= ALL_BUT ? '' : 'at least '}${writeMoney(minor, currency)}`,
      steps: [
        ...priced
          .filter((line) => line.known > 0)
          .map((line) => ({
            what: line.name,
            sum: `${writeNumber(line.known, 0)} g: ${writeMoney(line.minor, currency)}`,
          })),
        ...run.map((each) => ({
          what: each.what,
          sum: `${writeNumber(each.kwh, 2)} kWh: ${writeMoney(each.minor, currency)}`,
        })),
        ...(unknown.length > 0 ? [{ what: 'without a price', sum: unknown.join(', ') }] : []),
        ...(kwhMinor === undefined ? [{ what: 'electricity', sum: 'its price is not known' }] : []),
      ],
      source:
        'What was paid for the ingredients that went in, by weight, and electricity. Tap water costs nothing. An oven hour is taken as 1 kWh, a simmering pot as 0.3 (common practice, no source).',
    },
  };
}

/** kWh of an hour in the oven, and of an hour of a simmering pot (handbook 12, common practice). */
const [OVEN, POT] = [1, 0.3];

/** kWh of a pot on the stove or in the oven, by the minutes of its recipe; undefined: nobody wrote them down. Source: handbook 12. */
export function stoveEnergy(
  component: Pick<CookedComponent, 'minutes' | 'loads' | 'celsius' | 'vessels'>,
): number | undefined {
  if (component.minutes === undefined) return undefined;
  const aLoad = (component.minutes / 60) * (component.celsius === undefined ? POT : OVEN);
  return aLoad * Math.max(1, component.loads);
}

/** "GBP 12.40", "at least GBP 12.40" where not all of it has a price. */
export const sayCost = (cost: Pick<Cost, 'minor' | 'known'>, currency: string, per = 1): string =>
  `${isWhole(cost) ? '' : 'at least '}${writeMoney(cost.minor * per, currency)}`;

/** Food of a pot as it is priced: minor units of a kcal, and the part of the pot's weight that has a price. */
export interface KcalPrice {
  readonly perKcal: number;
  readonly known: number;
}

export interface EatenKcal {
  readonly kcal: number;
  /** Undefined: of a pot that nobody can price. */
  readonly price: KcalPrice | undefined;
}

/**
 * What was eaten in so many days cost a day, and the part of its kcal that was priced whole. A g of dried food costs what went into
 * it: kcal are what a pot's cost is divided by. Undefined where nothing has a price. Source: arithmetic.
 */
export function costOfDays(
  eaten: readonly EatenKcal[],
  days: number,
): { readonly minor: number; readonly known: number } | undefined {
  const all = addUp(eaten, ({ kcal }) => kcal);
  const known = addUp(eaten, ({ kcal, price }) => kcal * (price?.known ?? 0));
  if (!(known > 0) || !(days > 0)) return undefined;
  return { minor: addUp(eaten, ({ kcal, price }) => kcal * (price?.perKcal ?? 0)) / days, known: known / all };
}

/** What a part of a lot cost, in minor units; undefined where nobody knows what the lot did. Takes g of it and of the whole. Source: arithmetic. */
export const costOfPart = (grams: number, lot: { readonly priceMinor?: number; readonly receivedGrams: number }) =>
  lot.priceMinor === undefined ? undefined : (grams * lot.priceMinor) / lot.receivedGrams;

/** What so many kcal out of several pots cost, in minor units; undefined where one of them has no price. Source: arithmetic. */
export const costOfKcal = (
  kcal: number,
  pots: readonly { readonly part: number; readonly price: KcalPrice | undefined }[],
): number | undefined =>
  pots.some(({ price }) => price === undefined)
    ? undefined
    : addUp(pots, ({ part, price }) => kcal * part * (price?.perKcal ?? 0));

/** What a day of a dog costs with one food, in minor units: its kcal by what a kcal of that costs. Source: arithmetic. */
export const costOfDay = (kcal: number, kcalPerGram: number, minorPerGram: number): number =>
  (kcal / kcalPerGram) * minorPerGram;

/** Where the cost of a dog's day with a bought food comes from. Takes kcal a day, the food's kcal and minor units per g. Source: its label. */
export function whyBought(
  kcal: number,
  food: { readonly name: string; readonly kcalPerGram: number; readonly price: number },
  { isGot, currency }: { readonly isGot: boolean; readonly currency: string },
): Explanation {
  return {
    title: `${writeMoney(costOfDay(kcal, food.kcalPerGram, food.price), currency)} a day of ${food.name}`,
    steps: [
      { what: isGot ? 'in its bowls' : 'as its ration asks', sum: `${writeNumber(kcal, 0)} kcal a day` },
      { what: 'by its label', sum: `${writeDensity(food.kcalPerGram)} kcal/g` },
      { what: 'by its price', sum: `${writeMoney(food.price * 1000, currency)} a kg` },
    ],
    source: 'Arithmetic on its label and its price as they were typed.',
  };
}
