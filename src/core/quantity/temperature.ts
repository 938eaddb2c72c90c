import { fine, refused, type Outcome } from '../problem';
import type { UnitSet } from './units';
import { writeNumber, writePlain } from './write';
import { sure } from '../sure';

/** °C of °F, and the other way round. Source: by definition. */
export const toCelsius = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;
export const toFahrenheit = (celsius: number): number => (celsius * 9) / 5 + 32;

/** A temperature in the household's first unit, in whole degrees or to so many digits: 40 °C, 104 °F. Takes °C. */
export const writeTemperature = (celsius: number, set: UnitSet, digits = 0): string =>
  set === 'us' ? `${writeNumber(toFahrenheit(celsius), digits)} °F` : `${writeNumber(celsius, digits)} °C`;

/**
 * A kept temperature ("176.67 °C") as this household reads and types it: in °F to a tenth, in °C as it stands.
 * What cannot be read stays as it is.
 */
export function temperatureIn(kept: string, set: UnitSet): string {
  const read = readTemperature(kept, 'metric');
  return set === 'us' && read.ok ? `${writePlain((read.value * 9) / 5 + 32, 1)} °F` : kept;
}

/** Typed words with their unit: a bare number gets the household's. */
export const withDegrees = (typed: string, set: UnitSet): string =>
  /[a-z°]/i.test(typed) || typed.trim() === '' ? typed : `${typed.trim()} ${set === 'us' ? '°F' : '°C'}`;

/** What is cooked lies between these, in °C; the oven's hottest above, lukewarm below. */
const COOKING = { low: 30, high: 300 };

/**
 * Reads a temperature of cooking: "180", "180 C", "350 °F"; a bare number is in the household's unit. Returns °C.
 *
 * A number that makes sense only in the other unit is asked about, both ways, never stored: 75 in a US kitchen is lukewarm in °F
 * and a safe core in °C; 350 in a metric kitchen is an oven in °F. Source: handbook 6 (a slip of the unit is asked).
 */
export function readTemperature(text: string, set: UnitSet): Outcome<number> {
  const match = /^\s*(-?\d{1,3}(?:[.,]\d{1,2})?)\s*(?:°|degrees?)?\s*([cf])?\s*$/i.exec(text);
  if (!match) return refused(`Degrees, such as ${set === 'us' ? '350 °F' : '180 °C'}.`);
  const value = Number(sure(match[1]).replace(',', '.'));
  const unit = match[2]?.toLowerCase() ?? (set === 'us' ? 'f' : 'c');
  const celsius = unit === 'f' ? toCelsius(value) : value;
  if (celsius >= COOKING.low && celsius <= COOKING.high) return fine(celsius);
  const other = unit === 'f' ? value : toCelsius(value);
  if (other >= COOKING.low && other <= COOKING.high)
    return refused(
      `${value} °${unit.toUpperCase()} cooks nothing: is ${value} °${unit === 'f' ? 'C' : 'F'} meant? Then write it so.`,
    );
  return refused(
    `From ${writeTemperature(COOKING.low, set)} to ${writeTemperature(COOKING.high, set)}; ${value} °${unit.toUpperCase()} is none of it.`,
  );
}
