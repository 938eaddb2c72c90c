import { writeMinutes } from '../plan/stove';
import { COOLING_LIMITS, type LimitForecast } from './cooling';
import { isAtMost } from './rule-degrees';
import { cameTo, type PanCooling } from './pan-cooling';
import { isCold, type PanState } from './pans';

/** What a pan comes to, in a sentence, and how it is meant. */
export interface CoolingSaid {
  readonly said: string;
  readonly tone: 'plain' | 'in order' | 'danger' | 'caution';
  /** The temperature that it is on its way to, in °C. */
  readonly to: number;
  /** It has missed a limit already: what the rules ask. */
  readonly asks?: 'heat again' | 'throw away';
}

const { first, second } = COOLING_LIMITS;
/** The rule of cooling, in a sentence. Takes how a temperature is written. Source: FDA Food Code 3-501.14 (handbook 8). */
export const sayCoolingRule = (write: (celsius: number) => string): string =>
  `${write(COOLING_LIMITS.from)} to ${write(first.celsius)} within ${first.minutes / 60} h, to ${write(second.celsius)} within ${second.minutes / 60} h in all (FDA Food Code 3-501.14)`;

/** To which °C food is heated that missed the first limit. Source: FDA Food Code, leftovers (handbook 8, from memory). */
export const HEATED_AGAIN = 74;

/**
 * What is known of a cooling pan: whether each limit is kept, will be, or not, by how much, and what the rules ask of
 * what missed one. Takes the pan, its cooling, minutes since it was poured, and how a temperature is written.
 * Source: FDA Food Code 3-501.14; what missed 21 °C is heated to 74 °C and cooled again once, or thrown away (handbook 8).
 */
export function sayCooling(
  pan: PanState,
  cooling: PanCooling,
  now: number,
  write: (celsius: number) => string,
): CoolingSaid {
  const { begins, limits } = cooling;
  const [at21, at5] = [first, second].map(({ celsius }) => cameTo(cooling.points, cooling.pieces, celsius));
  const to = at21 === undefined ? first.celsius : second.celsius;
  if (pan.kept !== undefined) return { said: `Kept: ${pan.kept}`, tone: 'caution', to: second.celsius };
  const missed = ({ celsius, minutes }: typeof first | typeof second, came: number | undefined) => {
    const late = (came ?? now) - begins - minutes;
    if (late <= 0) return undefined;
    const [earliest] = cooling.points;
    // Already so cold when it was first measured: when it came there was not seen.
    if (came !== undefined && earliest && isAtMost(earliest.celsius, celsius))
      return `First measured after ${writeMinutes(came - begins)}: nobody saw whether ${write(celsius)} came in time.`;
    return came === undefined
      ? `Not at ${write(celsius)} after ${minutes / 60} h.`
      : `${write(celsius)} came ${writeMinutes(late)} too late.`;
  };
  const missed5 = missed(second, at5);
  if (missed5) return { said: missed5, tone: 'danger', to, asks: 'throw away' };
  const missed21 = missed(first, at21);
  if (missed21) return { said: missed21, tone: 'danger', to, asks: pan.again ? 'throw away' : 'heat again' };
  if (isCold(pan)) return { said: `Cold, in ${writeMinutes(at5 ?? 0)}.`, tone: 'in order', to };
  if (!limits) return { said: `${write(first.celsius)} by 2 h, ${write(second.celsius)} by 6 h.`, tone: 'plain', to };
  const next: LimitForecast = at21 === undefined ? limits[0] : limits[1];
  if (next.crossing === undefined) return { said: `It never comes to ${write(to)} there.`, tone: 'danger', to };
  const over = next.over ?? 0;
  if (next.verdict === 'missed')
    return { said: `${write(to)} comes ${writeMinutes(over)} too late.`, tone: 'danger', to };
  if (next.verdict === 'perhaps') return { said: `${write(to)} comes perhaps too late.`, tone: 'caution', to };
  // On the way to the first limit the second may be what fails.
  if (at21 === undefined && limits[1].verdict === 'missed')
    return {
      said:
        limits[1].over === undefined
          ? `${write(to)} in time, but never ${write(second.celsius)} there.`
          : `${write(to)} in time, then ${write(second.celsius)} ${writeMinutes(limits[1].over)} too late.`,
      tone: 'caution',
      to,
    };
  return { said: `${write(to)} comes in time, ${writeMinutes(-over)} to spare.`, tone: 'in order', to };
}
