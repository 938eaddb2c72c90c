import Fraction from 'fraction.js';
import {
  GRAMS_PER_OUNCE,
  GRAMS_PER_POUND,
  grams,
  millilitres,
  volumeOf,
  type Grams,
  type Millilitres,
  type UnitSet,
} from './units';

const writers = new Map<string, Intl.NumberFormat>();

/** The one way that a figure becomes text: with a point, no −0, rounded half away from nought. */
function writer(least: number, most: number, groups: boolean): Intl.NumberFormat {
  const key = `${least} ${most} ${groups}`;
  let known = writers.get(key);
  if (!known) {
    known = new Intl.NumberFormat('en', {
      minimumFractionDigits: least,
      maximumFractionDigits: most,
      useGrouping: groups ? 'min2' : false,
      signDisplay: 'negative',
    });
    writers.set(key, known);
  }
  return known;
}

const GLYPHS: Readonly<Record<string, string>> = {
  '1/8': '⅛',
  '1/4': '¼',
  '1/3': '⅓',
  '3/8': '⅜',
  '1/2': '½',
  '5/8': '⅝',
  '2/3': '⅔',
  '3/4': '¾',
  '7/8': '⅞',
};

/** A number as kitchen fractions of 1/`parts`: 1.87 in quarters is "1¾". */
export function writeFraction(value: number, parts: number): string {
  const steps = Math.round(value * parts);
  const whole = Math.floor(steps / parts);
  const rest = steps - whole * parts;
  if (rest === 0) return String(whole);
  const glyph = GLYPHS[new Fraction(rest, parts).toFraction()] ?? `${rest}/${parts}`;
  return whole === 0 ? glyph : `${whole}${glyph}`;
}

/** A written measure and the amount that it really stands for after rounding. */
export interface Written<T> {
  readonly text: string;
  readonly amount: T;
}

/**
 * A volume as cups to 1/4, tablespoons to 1/2 or teaspoons to 1/8, the one with the least drift; where that is over 5 %
 * off, as two: 2 tbsp + 1 tsp.
 * Takes mL; returns the words and the mL they stand for. Source: common practice, no source.
 */
export function writeVolume(volume: Millilitres, set: UnitSet): Written<Millilitres> {
  const cup = volumeOf('cup', set);
  const tbsp = volumeOf('tbsp', set);
  const tsp = volumeOf('tsp', set);
  const as = (unit: Millilitres, parts: number, one: string, many: string): Written<Millilitres> => {
    const steps = Math.max(1, Math.round((volume / unit) * parts));
    const value = steps / parts;
    return { text: `${writeFraction(value, parts)} ${value > 1 ? many : one}`, amount: millilitres(value * unit) };
  };
  const two = (
    big: readonly [Millilitres, number, string, string],
    small: readonly [Millilitres, number, string, string],
  ): Written<Millilitres> => {
    const first = Math.floor((volume / big[0]) * big[1] + 1e-9) / big[1];
    if (first === 0) return as(...small);
    const left = volume - first * big[0];
    const steps = Math.round((left / small[0]) * small[1]) / small[1];
    const bigText = `${writeFraction(first, big[1])} ${first > 1 ? big[3] : big[2]}`;
    if (steps === 0) return { text: bigText, amount: millilitres(first * big[0]) };
    return {
      text: `${bigText} + ${writeFraction(steps, small[1])} ${steps > 1 ? small[3] : small[2]}`,
      amount: millilitres(first * big[0] + steps * small[0]),
    };
  };
  const cups = [cup, 4, 'cup', 'cups'] as const;
  const tbsps = [tbsp, 2, 'tbsp', 'tbsp'] as const;
  const tsps = [tsp, 8, 'tsp', 'tsp'] as const;
  const one: Written<Millilitres>[] = [
    ...(volume >= cup * 0.24 ? [as(...cups)] : []),
    ...(volume >= tbsp * 0.9 && volume <= tbsp * 4.1 ? [as(...tbsps)] : []),
    ...(volume <= tsp * 4.1 ? [as(...tsps)] : []),
  ];
  const drift = ({ amount }: Written<Millilitres>) => Math.abs(amount / volume - 1);
  const least = (all: readonly Written<Millilitres>[]) => [...all].sort((a, b) => drift(a) - drift(b))[0];
  const near = least(one);
  if (near && drift(near) <= MOST_DRIFT) return near;
  const both = volume >= cup * 0.24 ? [two(cups, tbsps), two(cups, tsps)] : [two(tbsps, tsps)];
  return least([...one, ...both]) ?? as(...tsps);
}

/** A kitchen measure that is further off than this is no measure of the amount (ours, no source). */
export const MOST_DRIFT = 0.05;

/**
 * A mass as a kitchen scale shows it: 1 g below 100 g, 5 g above; pounds and ounces in the US set.
 * Takes g; returns the words and the g they stand for. Source: common practice, no source.
 */
export function writeMass(mass: Grams, set: UnitSet): Written<Grams> {
  if (set === 'us' && mass >= GRAMS_PER_OUNCE) {
    const parts = mass < GRAMS_PER_POUND ? 4 : 2;
    const ounces = Math.round((mass / GRAMS_PER_OUNCE) * parts) / parts;
    const pounds = Math.floor(ounces / 16);
    const rest = ounces - pounds * 16;
    const words = [pounds > 0 ? `${pounds} lb` : '', rest > 0 ? `${writeFraction(rest, parts)} oz` : ''];
    return { text: words.filter(Boolean).join(' '), amount: grams(ounces * GRAMS_PER_OUNCE) };
  }
  const step = mass < 100 ? 1 : 5;
  const rounded = Math.max(1, Math.round(mass / step) * step);
  return { text: writeGrams(rounded), amount: grams(rounded) };
}

/** Whole grams with their unit; a small dose keeps one or two decimals. */
export function writeGrams(mass: number): string {
  if (mass !== 0 && Math.abs(mass) < 1) return `${writePlain(mass, 2)} g`;
  return `${Math.abs(mass) < 10 ? writePlain(mass, 1) : String(Math.round(mass))} g`;
}

/** A weight as this household's scale shows it: whole g, or pounds and ounces to a tenth. */
export function writeMassIn(mass: number, set: UnitSet): string {
  if (set === 'metric') return writeGrams(mass);
  const ounces = mass / GRAMS_PER_OUNCE;
  if (Math.abs(ounces) < 0.1 && mass !== 0) return `${writePlain(ounces, 3)} oz`;
  const tenths = Math.round(Math.abs(ounces) * 10);
  const pounds = Math.floor(tenths / 160);
  const rest = (tenths - pounds * 160) / 10;
  const words = [pounds > 0 ? `${pounds} lb` : '', rest > 0 || pounds === 0 ? `${writePlain(rest, 1)} oz` : ''];
  return `${mass < 0 ? '−' : ''}${words.filter(Boolean).join(' ')}`;
}

/**
 * A mass as it is typed in a US kitchen: pounds, and ounces to a hundredth, so that reading it again gives the same
 * whole gram; thousandths below an ounce, where a gram is much. Takes g.
 */
export function writePounds(mass: number): string {
  const ounces = mass / GRAMS_PER_OUNCE;
  if (mass === 0) return '0';
  if (ounces < 1) return `${writePlain(ounces, 3)} oz`;
  const hundredths = Math.round(ounces * 100);
  const pounds = Math.floor(hundredths / 1600);
  const rest = (hundredths - pounds * 1600) / 100;
  return [pounds > 0 ? `${pounds} lb` : '', rest > 0 ? `${writePlain(rest, 2)} oz` : ''].filter(Boolean).join(' ');
}

/** A body weight in the household's unit, to a tenth. */
export function writeWeight(mass: Grams, set: UnitSet): string {
  return set === 'us' ? `${writePlain(mass / GRAMS_PER_POUND, 1)} lb` : `${writePlain(mass / 1000, 1)} kg`;
}

/** A figure rounded to so many decimals, without noughts behind it and without groups: as it is typed. */
export const writePlain = (value: number, decimals: number): string => writer(0, decimals, false).format(value);

/** Energy in kcal as it is shown: whole, one decimal under 100; the figure without its unit. */
export const writeKcal = (kcal: number): string => writeNumber(kcal, Math.abs(kcal) < 99.95 ? 1 : 0);

/** A nutrient's amount, with the places that its size asks for. */
export const writeNutrient = (value: number): string =>
  writeNumber(value, value < 0.1 ? 4 : value < 10 ? 2 : value < 100 ? 1 : 0);

/** Energy density in kcal/g, to two decimals. */
export const writeDensity = (perGram: number): string => writeFixed(perGram, 2);

/** A large mass in kg to 10 g, a small one in g: for sums, not for weighing. */
export const writeSum = (mass: number): string =>
  mass >= 1000 ? `${writeFixed(mass / 1000, 2)} kg` : writeGrams(mass);

/** A large mass in the household's first unit: pounds and ounces in the US set. */
export const writeSumIn = (mass: number, set: UnitSet): string =>
  set === 'us' ? writeMass(grams(mass), set).text : writeSum(mass);

/** A mass as it is typed: pounds and ounces in the US set, else whole g with their unit. */
export const typedMass = (mass: number, set: UnitSet): string =>
  set === 'us' ? writePounds(mass) : `${Math.round(mass)} g`;

/** Words as they begin a sentence. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** A mass as it is typed for weighing out: whole g, tenths below 10 g, without the unit. */
export const toWeigh = (mass: number): string => writeGrams(mass).replace(/ g$/, '');

/** A figure with so many decimals, whole as it was worked out: for a why and for what is typed, not for a headline. */
export const writeFixed = (value: number, decimals: number): string => writer(decimals, decimals, false).format(value);

/** A plain figure, grouped from five digits on: 16 899, 1059.2, 0.374. */
export const writeNumber = (value: number, decimals = 1): string =>
  writer(0, decimals, true).format(value).replaceAll(',', ' ');

/** A dose as a person measures it: eighths below 2, one decimal above. */
export const writeDose = (amount: number): string =>
  amount < 2 && Math.abs(amount * 8 - Math.round(amount * 8)) < 0.02 && amount >= 0.12
    ? writeFraction(amount, 8)
    : writeNumber(amount, amount < 1 ? 2 : 1);

/** A mass that a scale can show and that is not less: tenths below 10 g, whole grams above. */
export const weighableUp = (mass: number): number =>
  mass < 10 ? Math.ceil(mass * 10 - 1e-9) / 10 : Math.ceil(mass - 1e-9);

/** Minor units of a currency as its code and a figure: "EUR 1.20". */
export const writeMoney = (minor: number, currency: string): string => `${currency} ${writeFixed(minor / 100, 2)}`;
