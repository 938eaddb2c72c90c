import type { UnitSet } from '../quantity/units';
import { toCelsius, toFahrenheit } from '../quantity/temperature';

/**
 * The limits of the rules in both languages, °C and °F: the two columns are the rules' own, so that a limit is asked, compared and shown
 * in one of them and never converted twice. Source: handbook 15 (FDA Food Code, USDA FSIS).
 */
const IN_FAHRENHEIT: ReadonlyMap<number, number> = new Map([
  [-18, 0],
  [4, 40],
  [5, 41],
  [21, 70],
  [57, 135],
  [63, 145],
  [71, 160],
  [74, 165],
]);

/** Below this two temperatures are one, in degrees. */
const SAME = 1e-6;

const other = (limit: number): number => {
  const fahrenheit = IN_FAHRENHEIT.get(limit);
  return fahrenheit === undefined ? limit : toCelsius(fahrenheit);
};

/** Whether food is at least as hot as a limit of the rules, by either of their columns: 165 °F passes where 74 °C do. Takes °C. */
export const isAtLeast = (celsius: number, limit: number): boolean => celsius >= Math.min(limit, other(limit)) - SAME;

/** Whether food is no warmer than a limit of the rules, by either of their columns: 70 °F pass where 21 °C do. Takes °C. */
export const isAtMost = (celsius: number, limit: number): boolean => celsius <= Math.max(limit, other(limit)) + SAME;

/** By how many degrees of the household food is under a limit, as both are said there, rounded up once; 0: it is not. Takes °C. */
export function degreesUnder(celsius: number, limit: number, set: UnitSet): number {
  if (isAtLeast(celsius, limit)) return 0;
  const [asked, read] =
    set === 'us' ? [IN_FAHRENHEIT.get(limit) ?? toFahrenheit(limit), toFahrenheit(celsius)] : [limit, celsius];
  return Math.max(1, Math.ceil(asked - read - SAME));
}
