import type { Food } from '../food/food';
import type { Label } from '../food/label';
import type { Balance, BalanceRow } from '../nutrition/balance';
import { LIMITED } from '../nutrition/nutrients';

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

/** A supply of the household with its label. */
export interface Labelled {
  readonly food: Food;
  readonly label: Pick<Label, 'measure' | 'measureGrams' | 'mostPerKg'>;
}

/** More of a measure than this a day is no addition (ours, no source). */
const MOST_MEASURES = 6;

/**
 * The addition of which least by weight closes a gap: so many measures of it a day, no more than its label allows the dog.
 *
 * Takes the nutrient that is short, the household's labels, kcal of a day and the dog's kg. undefined: none of them does. Source: the
 * labels; arithmetic.
 */
export function closingAddition(
  { name, least, amount }: Pick<BalanceRow, 'name' | 'least' | 'amount'>,
  labels: readonly Labelled[],
  { dayKcal, kilograms }: { readonly dayKcal: number; readonly kilograms: number },
): { readonly name: string; readonly measures: number; readonly measure: string } | undefined {
  if (least === undefined || amount === undefined) return undefined;
  const missing = ((least - amount) * dayKcal) / 1000;
  return labels
    .flatMap(({ food, label }) => {
      const inMeasure = ((LIMITED[name]?.of(food.per100) ?? 0) * label.measureGrams) / 100;
      const measures = inMeasure > 0 ? missing / inMeasure : Infinity;
      const most = Math.min(MOST_MEASURES, (label.mostPerKg ?? Infinity) * kilograms);
      return measures > most
        ? []
        : [{ name: food.name, measures, measure: label.measure, grams: measures * label.measureGrams }];
    })
    .sort((a, b) => a.grams - b.grams)[0];
}
