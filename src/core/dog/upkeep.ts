import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import { fine, refused, type Outcome } from '../problem';
import { kilocalories, type Grams, type Kilocalories } from '../quantity/units';
import type { WeighIn } from './dog';
import { studentT, trendLine } from './trend-line';
import { metabolicSize } from './resting-energy';
import { recentWeighIns, trendOf } from './trend';
import { nth, sure } from '../sure';
import { addUp } from '../add-up';

/** What a gram of body mass holds. Source: 7.7 kcal/g, a stated assumption of ours: mostly fat comes and goes. */
export const KCAL_PER_GRAM_OF_BODY = 7.7;

/** What a dog really got on a day, in kcal, extras and all; undefined where nobody wrote it down. */
export type IntakeOn = (day: LocalDate) => number | undefined;

export interface Upkeep {
  /** The energy at which this dog would hold its present weight, in kcal/day. */
  readonly kcal: Kilocalories;
  /** Half of the 95 % band around it, in kcal/day. */
  readonly uncertainty: Kilocalories;
  /** Mean intake over the time in kcal/day, and on how many of its days it is known. */
  readonly intake: Kilocalories;
  readonly knownDays: number;
  readonly days: number;
}

const LEAST_DAYS = 28;
const LEAST_WEIGH_INS = 4;
/** Below this part of days with a known intake no fit is tried (common practice, no source). */
const LEAST_KNOWN = 0.7;

/**
 * The maintenance energy that a dog's own intake and weight imply, in kcal/day at its present weight.
 *
 * Energy balance, W(t) = W0 + (eaten − k · ∫ W^0.75 dt) / 7.7, is a straight line in k: weigh-ins less what the food
 * explains, over the metabolic size lived through. Days without a record count with the mean of the others. Refuses
 * less than four weeks, fewer than four weigh-ins, or intake known for less than 70 % of the days.
 * Source: energy balance; 7.7 kcal/g is our assumption; W^0.75: NRC 2006.
 */
export function upkeepOf(weighIns: readonly WeighIn[], intakeOn: IntakeOn): Outcome<Upkeep> {
  const recent = recentWeighIns(weighIns);
  const trend = trendOf(weighIns);
  const first = recent[0];
  const last = recent.at(-1);
  const days = first && last ? daysBetween(first.date, last.date) : 0;
  if (!first || !last || !trend.ok || recent.length < LEAST_WEIGH_INS || days < LEAST_DAYS) {
    return refused('Four weigh-ins over four weeks are needed to fit this dog.');
  }
  const eaten = Array.from({ length: days }, (_, index) => intakeOn(addDays(first.date, index)));
  const known = eaten.filter((kcal) => kcal !== undefined);
  if (known.length < days * LEAST_KNOWN) {
    return refused(`What it ate is known for ${known.length} of ${days} days: too few to fit this dog.`);
  }
  const mean = addUp(known, (kcal) => kcal) / known.length;
  const spread = Math.sqrt(addUp(known, (kcal) => (kcal - mean) ** 2) / Math.max(1, known.length - 1));

  // Cumulated to the morning of each weigh-in.
  const intakeTo = [0];
  const sizeTo = [0];
  for (let day = 0; day < days; day++) {
    intakeTo.push(nth(intakeTo, day) + (eaten[day] ?? mean));
    sizeTo.push(nth(sizeTo, day) + metabolicSize(trend.value.at(addDays(first.date, day))));
  }
  const at = recent.map((entry) => daysBetween(first.date, entry.date));
  const lived = at.map((day) => nth(sizeTo, day) / KCAL_PER_GRAM_OF_BODY);
  const unexplained = recent.map(
    (entry, index) => entry.grams - sure(intakeTo[nth(at, index)]) / KCAL_PER_GRAM_OF_BODY,
  );
  const line = trendLine(lived, unexplained);
  const size = metabolicSize(trend.value.weight);
  const missing = (spread * Math.sqrt(days - known.length)) / days;
  const error = Math.hypot(line.slopeError * size, missing);
  return fine({
    kcal: kilocalories(-line.slope * size),
    uncertainty: kilocalories(studentT(line.freedom) * error),
    intake: kilocalories(mean),
    knownDays: known.length,
    days,
  });
}

/** By how many kcal/day the intake must change for a change of the weekly rate, in g/week. */
export const kcalForRate = (gramsAWeek: number): number => (gramsAWeek / 7) * KCAL_PER_GRAM_OF_BODY;

/** The weekly change in g that so many % are. */
export const gramsAWeek = (weight: Grams, percent: number): number => (weight * percent) / 100;
