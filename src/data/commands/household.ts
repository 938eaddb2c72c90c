import 'server-only';
import { TZDate } from '@date-fns/tz';
import { nanoid } from 'nanoid';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { readMealTimes, type MealTimes } from '@/core/household/meal-times';
import { readLabelAddress } from '@/core/label/address';
import { fine, refused, type Outcome } from '@/core/problem';
import { readCount } from '@/core/quantity/typed';
import type { UnitSet } from '@/core/quantity/units';
import { keepFoodFacts } from '../repositories/food-facts';
import { changeHousehold } from '../repositories/household';
import { readNewestDay } from '../repositories/movements';
import { rulesNow } from '../repositories/shelf-rules';
import { newRules } from './redate';
import { need, refuse, type Context } from './run';

export interface HouseholdEntry {
  readonly unitSet: UnitSet;
  readonly energyFactors: EnergyFactors;
  readonly fridgeDays: number;
  /** Days in a row of one protein; null: as long as it lasts. */
  readonly proteinDays?: number | null | undefined;
  readonly mixedProteins?: boolean | undefined;
  readonly timeZone: string;
  readonly currency: string;
  /** What the codes on labels open; empty: the address that the page was asked at. */
  readonly labelAddress?: string | null | undefined;
  readonly mealTimes: MealTimes;
  /** What a kWh costs, as typed; empty: not said. */
  readonly kwhPrice?: string | undefined;
}

/** What an empty house is asked first. */
export type Beginning = Pick<HouseholdEntry, 'unitSet' | 'timeZone' | 'mealTimes'>;

function checkTimeZone(timeZone: string): void {
  if (Number.isNaN(new TZDate(2026, 0, 1, timeZone).getTime()))
    refuse('This time zone is not known. Choose one from the list, such as Europe/Oslo.', 'timeZone');
}

/** Minor units for a kWh; null: not said. */
function readKwhPrice(text: string): Outcome<number | null> {
  if (text.trim() === '') return fine(null);
  const read = readCount(text);
  return read.ok && read.value > 0 && read.value < 100
    ? fine(read.value * 100)
    : refused('What a kWh costs, such as 0.29.', 'kwhPrice');
}

/** Changes the settings that hold for everything; meal times hold for the dogs that come later. */
export async function saveHousehold(context: Context, entry: HouseholdEntry): Promise<void> {
  if (!Number.isInteger(entry.fridgeDays) || entry.fridgeDays < 3 || entry.fridgeDays > 5) {
    refuse('Cooked food keeps 3 to 5 days in the fridge; the usual is 4 (USDA: 3–4).', 'fridgeDays');
  }
  checkTimeZone(entry.timeZone);
  const mealTimes = need(readMealTimes(entry.mealTimes));
  const labelAddress = need(readLabelAddress(entry.labelAddress ?? ''));
  const { proteinDays = context.household.proteinDays, mixedProteins = context.household.mixedProteins } = entry;
  const { kwhPrice, fridgeDays, ...settings } = entry;
  if (proteinDays !== null && (!Number.isInteger(proteinDays) || proteinDays < 1 || proteinDays > 14))
    refuse('From 1 to 14 days in a row, or no rule.', 'proteinDays');
  const kwhMinor = kwhPrice === undefined ? context.household.kwhMinor : need(readKwhPrice(kwhPrice));
  await changeHousehold(context.tx, {
    ...settings,
    cookedFridgeDays: fridgeDays,
    proteinDays,
    mixedProteins,
    kwhMinor,
    labelAddress: labelAddress ?? null,
    mealTimes,
    unitsSaid: true,
  });
  if (entry.energyFactors !== context.household.energyFactors)
    await keepFoodFacts(context.tx, context.reference, entry.energyFactors);
  // What is packed from now on is dated by it; what is in stock only when the cook says so (redate-stock).
  if (entry.fridgeDays !== context.household.cookedFridgeDays)
    await newRules(context, { cookedFridgeDays: entry.fridgeDays, own: rulesNow(context.rules).own });
}

/** Gives the calendar an address that nobody knows yet, or none: who had the old one reads nothing any more. */
export async function renewCalendar({ tx }: Context, input: { on: boolean }): Promise<void> {
  await changeHousehold(tx, { calendarSecret: input.on ? nanoid(32) : null });
}

/** The household says its measures, its clock and its meals for the first time. */
export async function beginHousehold({ tx }: Context, { unitSet, timeZone, mealTimes }: Beginning): Promise<void> {
  checkTimeZone(timeZone);
  await changeHousehold(tx, { unitSet, timeZone, mealTimes: need(readMealTimes(mealTimes)), unitsSaid: true });
}

/** The clock of this machine is right: what is written down for later days was written while it ran ahead. */
export async function clockIsRight(context: Context): Promise<void> {
  const newest = await readNewestDay(context.tx);
  await changeHousehold(context.tx, { clockSaid: newest ?? null });
}
