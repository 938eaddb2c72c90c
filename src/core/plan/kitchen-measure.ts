import { foldWords } from '../food/fold';
import { densityOf } from '../food/measures';
import type { Food, FoodMeasure, KnownFood } from '../food/food';
import type { Quantity } from '../quantity/quantity';
import { grams, millilitres, type Grams, type UnitSet } from '../quantity/units';
import { plural } from '../quantity/count-words';
import { MOST_DRIFT, writeFraction, writeMass, writeVolume, type Written } from '../quantity/write';

/** Eggs and things counted by their size are not halved. */
const isWholeThing = (word: string, food: Food) =>
  /^(egg|large|medium|small|jumbo|extra large|capsule|tablet|softgel)$/.test(word) || /^egg,/i.test(food.name);

/** A line as it is measured out: what it weighed as written, and how it was written. */
export interface MeasuredLine {
  readonly grams: Grams;
  readonly quantity: Quantity;
  readonly source: Pick<KnownFood, 'food' | 'measures'>;
  /** The cook's own words for it. */
  readonly preparation?: string;
}

/** "10 eggs", "3 cloves", "2 large": a bare count takes the name of the thing, where the list of counts has one. */
function sayCount(
  count: number,
  parts: number,
  { word, size }: Quantity & { kind: 'count' },
  measures: readonly FoodMeasure[],
  words: string,
): string {
  const figure = writeFraction(count, parts);
  const said = word === '' || word === 'whole' ? saidOf(measures, words) : word;
  if (said === undefined) return figure;
  const named = /^(large|medium|small|jumbo|extra large|whole)$/.test(said) ? said : plural(count, said);
  return [figure, size, named].filter(Boolean).join(' ');
}

/** What one of them is called: the count whose words are all in the cook's. */
const saidOf = (measures: readonly FoodMeasure[], words: string): string | undefined => {
  const line = new Set(foldWords(words));
  return measures.find(
    ({ unit, said }) => unit === 'each' && said !== undefined && foldWords(said).every((word) => line.has(word)),
  )?.said;
};

/**
 * A scaled line as a person would measure it, in the kind of measure it was written in: whole eggs, cups, or a weight.
 *
 * `how`: beside a figure it is never over 5 % off; measured out it is the nearest that can be measured; bought it is rounded
 * up to what is sold whole. A thing that is counted takes its name from the cook's words.
 *
 * Takes the line as written, its g after scaling, and the household's unit set.
 * Returns the words and the g they really stand for. A line written by weight gets cups where the food has a cup
 * and the household weighs in grams anyway; else pounds and ounces. Source: common practice, no source.
 */
export function kitchenMeasure(
  { grams: unscaled, quantity, source: { food, measures }, preparation = '' }: MeasuredLine,
  mass: Grams,
  set: UnitSet,
  how: 'beside' | 'measured' | 'bought',
): Written<Grams> & { readonly byWeight: boolean } {
  const byWeight = () => ({ ...writeMass(mass, set), byWeight: true });
  if (quantity.kind === 'count' && unscaled > 0) {
    const each = unscaled / quantity.count;
    const exact = mass / each;
    // Bought is whole: an egg, a tin, a neck; beside a figure a half may stand, unless it is of an egg.
    const parts = how === 'beside' && !isWholeThing(quantity.word, food) ? 2 : 1;
    const steps = how === 'bought' ? Math.ceil(exact - 1e-9) : Math.round(exact * parts) / parts;
    const count = Math.max(1 / parts, steps);
    const near = Math.abs(count / exact - 1) <= MOST_DRIFT;
    if (near || how !== 'beside')
      return {
        text: sayCount(count, parts, quantity, measures, preparation),
        amount: grams(count * each),
        byWeight: false,
      };
    return byWeight();
  }
  const density = densityOf(food, measures);
  if (density && (quantity.kind === 'volume' || set === 'metric')) {
    const volume = mass / density.gramsPerMl;
    const written = writeVolume(millilitres(volume), set);
    // A pinch is no eighth of a teaspoon: beside a figure a weight stands then.
    if (how === 'beside' && Math.abs(written.amount / volume - 1) > MOST_DRIFT) return byWeight();
    return { text: written.text, amount: grams(written.amount * density.gramsPerMl), byWeight: false };
  }
  return byWeight();
}
