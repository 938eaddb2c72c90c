import { addUp } from '../add-up';
import type { Explanation } from '../explanation';
import { writeNumber } from '../quantity/write';
import { asIfHere } from './days-off';
import { weightOn } from './day-energy';
import type { Dog } from './dog';
import { isGrowing } from './stage';
import type { LocalDate } from '../calendar/local-date';

/** mL that a dog's stomach holds for each kg of its body weight: from so much on a meal is large, over so much it does not fit. */
const [LARGE, FITS] = [45, 80];
/** Part of its body weight that a dog eats in a day before the food is thin: grown, and a pup. */
const [GROWN, PUP] = [0.08, 0.15];
/** g of cooked food in a mL. Source: handbook 13 (1.0 to 1.05; the lighter fills more). */
const G_PER_ML = 1;

/** What a portion is to the dog that is to eat it. */
export interface StomachFit {
  /** The fullest meal, in mL for each kg of body weight. */
  readonly mlPerKg: number;
  readonly meal: 'fits' | 'large' | 'does not fit';
  /** The day as a part of the body weight. */
  readonly ofWeight: number;
  /** More in a day than a dog eats of food that is not thin. */
  readonly isThin: boolean;
}

/** Who is to eat a portion: its body weight in kg, and whether it still grows. */
export interface Eater {
  readonly name: string;
  readonly kg: number;
  readonly growing: boolean;
}

/** A dog as it eats on a day. */
export const eaterOn = (dog: Dog, day: LocalDate): Eater => ({
  name: dog.name,
  kg: weightOn(asIfHere(dog), day) / 1000,
  growing: isGrowing(dog, day),
});

/**
 * Whether a dog can eat its portion: its fullest meal against what a stomach holds, its day against its body weight. Takes g of each
 * meal of a day. Source: stomach capacity 45 to 90 mL/kg (common veterinary practice, from memory; handbook 13).
 */
export function stomachFit({ kg, growing }: Eater, meals: readonly number[]): StomachFit {
  const mlPerKg = Math.max(0, ...meals) / G_PER_ML / kg;
  const ofWeight = addUp(meals, (grams) => grams) / 1000 / kg;
  return {
    mlPerKg,
    meal: mlPerKg > FITS ? 'does not fit' : mlPerKg > LARGE ? 'large' : 'fits',
    ofWeight,
    isThin: ofWeight > (growing ? PUP : GROWN),
  };
}

/** What is said of a portion that is more than a dog can eat, with what helps and how it is known. */
export interface FitSaid {
  readonly name: string;
  readonly said: string;
  /** A meal of it does not fit at all. */
  readonly isTooMuch: boolean;
  readonly mlPerKg: number;
  readonly why: Explanation;
}

/** What is said of a dog's meals on a day where they are too much food; undefined: they fit. Takes g. Source: as `stomachFit`. */
export function sayFit(dog: Eater, meals: readonly number[]): FitSaid | undefined {
  const { meal, mlPerKg, ofWeight, isThin } = stomachFit(dog, meals);
  const aDay = `${Math.round(ofWeight * 100)} % of its weight a day`;
  const each = `${Math.round(mlPerKg)} mL for each kg`;
  const isTooMuch = meal === 'does not fit';
  if (!isTooMuch && !isThin && meal === 'fits') return undefined;
  const said = isTooMuch
    ? `A meal of this does not fit into ${dog.name} (${each}, ${aDay}).`
    : isThin
      ? `${dog.name} would eat ${aDay}: is this food so thin?`
      : `A meal of this is large for ${dog.name}: ${each}.`;
  const kg = writeNumber(dog.kg, 1);
  return {
    name: dog.name,
    said: `${said} Less water, more meals or richer food helps: a dog eats energy, not volume.`,
    isTooMuch,
    mlPerKg,
    why: {
      title: `${dog.name}: ${each}`,
      steps: [
        {
          what: 'its fullest meal',
          sum: `${writeNumber(Math.max(0, ...meals), 0)} g, about as many mL, ÷ ${kg} kg = ${each}`,
        },
        {
          what: 'its day',
          sum: `${writeNumber(
            addUp(meals, (grams) => grams),
            0,
          )} g ÷ ${kg} kg = ${aDay}`,
        },
        {
          what: 'asked about',
          sum: `a meal above ${LARGE} mL for each kg, too much above ${FITS}; a day above ${(dog.growing ? PUP : GROWN) * 100} % of its weight`,
        },
      ],
      source: 'Stomach capacity 45 to 90 mL for each kg: common veterinary practice, from memory.',
    },
  };
}

/**
 * What is said of the same food for several dogs, once: of the one that it is worst for, and whom else it is much for. Takes what is said of
 * each; undefined: it fits them all.
 */
export function sayFits(all: readonly FitSaid[]): FitSaid | undefined {
  const [worst, ...others] = [...all].sort((a, b) => b.mlPerKg - a.mlPerKg);
  if (!worst || others.length === 0) return worst;
  const names = others.slice(0, NAMED).map(({ name }) => name);
  const more = others.length > NAMED ? ` and ${others.length - NAMED} more` : '';
  return { ...worst, said: `${worst.said} It is much for ${names.join(', ')}${more} as well.` };
}

/** So many dogs are named before the rest is a number. */
const NAMED = 4;
