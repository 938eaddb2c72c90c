import { countOf } from '../quantity/count-words';
import { z } from 'zod';
import { fine, refused, type Outcome } from '../problem';
import { kilocalories, GRAMS_PER_OUNCE, GRAMS_PER_POUND, type Grams, type Kilocalories } from '../quantity/units';
import { writeDose, writeNumber } from '../quantity/write';
import type { FoodFacts } from './food-facts';

const amount = z.number().positive().max(100_000);
const unit = z.enum(['g', 'cup', 'kcal']);

/** A row of a printed table: up to this body weight so much a day. */
export const weightBandSchema = z.object({
  /** g of body weight up to which the row holds; absent: every heavier dog. */
  upTo: z.number().positive().optional(),
  low: amount,
  high: amount,
});
export type WeightBand = Readonly<z.infer<typeof weightBandSchema>>;

/** A rule of thumb with its figures. Amounts are for a day unless the name says otherwise. */
export const schoolSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('protein'), poundsOfDogPerPound: amount }),
  z.object({
    kind: z.literal('pieces'),
    ounces: amount,
    poundsOfDogPerPiece: amount,
    meals: z.number().int().min(1).max(5),
  }),
  z.object({
    kind: z.literal('cups'),
    cups: amount,
    low: amount,
    high: amount,
    meals: z.number().int().min(1).max(5),
  }),
  z.object({ kind: z.literal('percent'), low: amount, high: amount }),
  z.object({ kind: z.literal('like for like'), cups: amount }),
  z.object({
    kind: z.literal('weight table'),
    unit: z.enum(['g', 'cup']),
    bands: z.array(weightBandSchema).min(1).max(30),
    /** How much food one part of what the table prints becomes when it is mixed. */
    makes: amount,
  }),
  z.object({ kind: z.literal('prescribed'), low: amount, high: amount, unit, by: z.string().max(80) }),
]);
export type School = Readonly<z.infer<typeof schoolSchema>>;
export type SchoolKind = School['kind'];

/**
 * The schools with the figures that cooks use most. Source: common practice, no source.
 * Like for like, the weight table and the prescribed amount have no usual figures: they are what this cook knows.
 */
export const USUAL_SCHOOLS: readonly School[] = [
  { kind: 'protein', poundsOfDogPerPound: 50 },
  { kind: 'cups', cups: 0.5, low: 20, high: 25, meals: 2 },
  { kind: 'percent', low: 2, high: 3 },
  { kind: 'pieces', ounces: 1, poundsOfDogPerPiece: 8, meals: 2 },
];

/** What a school gives a dog of a food, a day. */
export interface SchoolDay {
  readonly low: Kilocalories;
  readonly mark: Kilocalories;
  readonly high: Kilocalories;
  /** The sum written out, in this case's figures. */
  readonly steps: readonly { readonly what: string; readonly sum: string }[];
}

const number = writeNumber;

const times = (meals: number) => (meals === 1 ? 'once' : meals === 2 ? 'twice' : `${meals} times`);

/** The rule in words. */
export function sayRule(school: School): string {
  switch (school.kind) {
    case 'protein':
      return `1 lb raw for ${number(school.poundsOfDogPerPound)} lb of dog`;
    case 'pieces':
      return `${number(school.ounces)} oz for ${number(school.poundsOfDogPerPiece)} lb, ${times(school.meals)}`;
    case 'cups':
      return `${writeDose(school.cups)} cup for ${number(school.low)}–${number(school.high)} lb, ${times(school.meals)}`;
    case 'percent':
      return `${number(school.low)}–${number(school.high)} % of body weight`;
    case 'like for like':
      return `${writeDose(school.cups)} cups of the food before`;
    case 'weight table':
      return `a printed table, ${countOf(school.bands.length, 'row')}`;
    case 'prescribed':
      return school.low === school.high
        ? `${number(school.low)} ${school.unit}, ${school.by}`
        : `${number(school.low)}–${number(school.high)} ${school.unit}, ${school.by}`;
  }
}

/** The row of a printed table that a body weight in g falls into; undefined above the last one. */
export const bandFor = <B extends { readonly upTo?: number }>(bands: readonly B[], weight: Grams): B | undefined =>
  bands.find((band) => band.upTo === undefined || weight <= band.upTo);

interface Eaten {
  readonly low: number;
  readonly high: number;
  readonly steps: SchoolDay['steps'];
}

const fromGrams = ({ low, high, steps }: Eaten, food: FoodFacts): SchoolDay => ({
  low: kilocalories(low * food.density),
  mark: kilocalories(((low + high) / 2) * food.density),
  high: kilocalories(high * food.density),
  steps: [
    ...steps,
    {
      what: food.name,
      sum: `${span(low, high)} g × ${number(food.density, 3)} kcal/g = ${span(low * food.density, high * food.density)} kcal`,
    },
  ],
});

const span = (low: number, high: number) => (high - low < 0.05 ? number(low) : `${number(low)} to ${number(high)}`);

function fromCups({ low, high, steps }: Eaten, food: FoodFacts): Outcome<SchoolDay> {
  const { gramsPerCup } = food;
  if (gramsPerCup === undefined) return refused(`Weigh one cup of ${food.name}: then its cups become kcal.`, 'cup');
  return fine(
    fromGrams(
      {
        low: low * gramsPerCup,
        high: high * gramsPerCup,
        steps: [
          ...steps,
          {
            what: 'a weighed cup',
            sum: `${span(low, high)} cups × ${number(gramsPerCup)} g = ${span(low * gramsPerCup, high * gramsPerCup)} g`,
          },
        ],
      },
      food,
    ),
  );
}

/**
 * What a portion school gives a dog of a food, in kcal a day: a mark with a band around it.
 *
 * Takes the rule, the body weight in g and the food. Refuses where the food lacks what the rule counts in: a weighed
 * cup, animal protein, or a row for this weight. Raw animal protein is counted as bought, so its mark does not move
 * with the density of the cooked food. Source: common practice, no source.
 */
export function schoolDay(school: School, weight: Grams, food: FoodFacts): Outcome<SchoolDay> {
  const pounds = weight / GRAMS_PER_POUND;
  const dog = `${number(pounds)} lb of dog`;
  switch (school.kind) {
    case 'protein': {
      if (food.kcalPerAnimalGram === undefined) return refused(`${food.name} holds no animal protein to count by.`);
      const raw = weight / school.poundsOfDogPerPound;
      const kcal = kilocalories(raw * food.kcalPerAnimalGram);
      return fine({
        low: kcal,
        mark: kcal,
        high: kcal,
        steps: [
          { what: dog, sum: `${number(weight)} g ÷ ${number(school.poundsOfDogPerPound)} = ${number(raw)} g raw` },
          {
            what: 'with all that comes along',
            sum: `${number(raw)} g × ${number(food.kcalPerAnimalGram, 3)} kcal per raw g = ${number(kcal)} kcal`,
          },
        ],
      });
    }
    case 'pieces': {
      const pieces = (pounds / school.poundsOfDogPerPiece) * school.meals;
      const mass = pieces * school.ounces * GRAMS_PER_OUNCE;
      // A piece is of a raw weight: cooked it weighs less, and holds as much (handbook 9).
      return fine(
        fromGrams(
          {
            low: mass,
            high: mass,
            steps: [
              {
                what: dog,
                sum: `÷ ${number(school.poundsOfDogPerPiece)} × ${school.meals} = ${number(pieces, 2)} pieces`,
              },
              {
                what: 'pieces',
                sum: `${number(pieces, 2)} × ${number(school.ounces * GRAMS_PER_OUNCE, 2)} g = ${number(mass)} g raw`,
              },
            ],
          },
          { ...food, density: food.rawDensity ?? food.density },
        ),
      );
    }
    case 'cups': {
      const per = (lb: number) => (pounds / lb) * school.cups * school.meals;
      const low = per(school.high);
      const high = per(school.low);
      const sum = `÷ ${number(school.low)}–${number(school.high)} × ${number(school.cups, 2)} × ${school.meals} = ${span(low, high)} cups`;
      return fromCups({ low, high, steps: [{ what: dog, sum }] }, food);
    }
    case 'percent': {
      const low = (weight * school.low) / 100;
      const high = (weight * school.high) / 100;
      const sum = `${number(weight)} g × ${number(school.low)}–${number(school.high)} % = ${span(low, high)} g`;
      return fine(fromGrams({ low, high, steps: [{ what: 'body weight', sum }] }, food));
    }
    case 'like for like':
      return fromCups({ low: school.cups, high: school.cups, steps: [] }, food);
    case 'weight table': {
      const band = bandFor(school.bands, weight);
      if (!band) return refused(`The table has no row for ${number(weight / 1000)} kg.`, 'bands');
      const low = band.low * school.makes;
      const high = band.high * school.makes;
      const row = `${span(band.low, band.high)} ${school.unit}`;
      const steps =
        school.makes === 1
          ? [{ what: 'its row', sum: row }]
          : [
              {
                what: 'its row, mixed',
                sum: `${row} × ${number(school.makes, 2)} = ${span(low, high)} ${school.unit}`,
              },
            ];
      return school.unit === 'cup' ? fromCups({ low, high, steps }, food) : fine(fromGrams({ low, high, steps }, food));
    }
    case 'prescribed': {
      const { low, high } = school;
      if (school.unit === 'cup') return fromCups({ low, high, steps: [] }, food);
      if (school.unit === 'g') return fine(fromGrams({ low, high, steps: [] }, food));
      return fine({
        low: kilocalories(low),
        mark: kilocalories((low + high) / 2),
        high: kilocalories(high),
        steps: [{ what: `set by ${school.by}`, sum: `${span(low, high)} kcal` }],
      });
    }
  }
}
