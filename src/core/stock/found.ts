import { z } from 'zod';
import { daysBetween, readLocalDate, type LocalDate } from '../calendar/local-date';
import { figuresOf, measuredRecipe } from '../plan/figures';
import type { EnergyFactors } from '../nutrition/energy';
import { sinceUndated } from '../preserve/food-life';
import { isDried, type DatingRules, type FoodKind, type PlaceKind } from '../preserve/shelf-life';
import type { Problem } from '../problem';
import { readCount, readScale } from '../quantity/typed';
import { writePlain } from '../quantity/write';
import type { UnitSet } from '../quantity/units';
import { ALONE, boughtAt, linesOfWeights } from '../recipe/bases';
import { recipeSheet } from '../recipe/sheet';
import type { WrittenLine } from '../recipe/written';
import { idSchema } from '../schema';
import type { Origin } from './ledger';

/** What a pack can be that nobody sealed here. */
export const FOUND_KINDS = ['cooked', 'raw', 'dehydrated', 'freeze-dried'] as const satisfies readonly FoodKind[];
export type FoundKind = (typeof FOUND_KINDS)[number];

/** Packs that lie there without a batch: the freezer as it was before the first pot was written down. */
export const foundSchema = z.object({
  recipeId: idSchema,
  kind: z.enum(FOUND_KINDS),
  placeId: idSchema,
  /** How many alike. */
  count: z.string().max(10),
  /** What each holds, as stored. */
  grams: z.string().max(40),
  /** kcal in 100 g, as stored. */
  kcalPer100: z.string().max(20),
  /** mL of water to put back for 100 g; empty where nothing is dry. */
  waterPer100: z.string().max(20),
  /** The day it was packed; empty: nobody knows. */
  packedOn: z.string().max(20),
  dogId: idSchema.optional(),
});
export type FoundEntry = Readonly<z.infer<typeof foundSchema>>;

/** Of what recipe a found pack is, and which one it was split off: the same food. */
export interface FoundPack {
  readonly recipeId: number;
  readonly name: string;
  /** Somebody knew the day that it was packed. */
  readonly isDated: boolean;
  readonly root?: number;
}

export interface FoundRead {
  readonly count: number;
  readonly grams: number;
  readonly density: number;
  readonly waterPerGram: number;
  readonly packedOn: LocalDate | undefined;
}

/** More alike than this nobody finds at once, and older than this nothing is fed (ours, no source). */
const [MOST_ALIKE, OLDEST_DAYS] = [60, 5 * 366];
/** kcal in 100 g beyond which no food goes: fat. */
const RICHEST = 900;

/** Reads packs that were found; every problem at its field. */
export function readFound(
  entry: FoundEntry,
  today: LocalDate,
  set: UnitSet,
): { readonly ok: true; readonly value: FoundRead } | { readonly ok: false; readonly problems: readonly Problem[] } {
  const problems: Problem[] = [];
  const count = readCount(entry.count);
  if (!count.ok || !Number.isInteger(count.value) || count.value < 1 || count.value > MOST_ALIKE)
    problems.push({ field: 'count', message: `How many alike? A whole number from 1 to ${MOST_ALIKE}.` });
  const grams = readScale(entry.grams, 'asked', set);
  if (!grams.ok) problems.push({ field: 'grams', message: grams.problem.message });
  else if (!(grams.value > 0)) problems.push({ field: 'grams', message: 'What does one of them hold?' });
  const kcal = readCount(entry.kcalPer100);
  if (!kcal.ok || kcal.value > RICHEST)
    problems.push({ field: 'kcalPer100', message: `kcal in 100 g, up to ${RICHEST}: else no bowl can be measured.` });
  const dry = isDried(entry.kind);
  const water = dry ? readCount(entry.waterPer100) : undefined;
  if (water && (!water.ok || water.value > 900))
    problems.push({ field: 'waterPer100', message: 'mL of water for 100 g of it, such as 270.' });
  const packedOn = entry.packedOn.trim() === '' ? undefined : readLocalDate(entry.packedOn.trim());
  if (entry.packedOn.trim() !== '') {
    if (!packedOn) problems.push({ field: 'packedOn', message: 'The day it was packed, such as 2026-09-30.' });
    else if (packedOn > today) problems.push({ field: 'packedOn', message: 'That day is still to come.' });
    else if (daysBetween(packedOn, today) > OLDEST_DAYS)
      problems.push({ field: 'packedOn', message: 'That is more than five years ago: throw it away.' });
  }
  if (problems.length > 0 || !count.ok || !grams.ok || !kcal.ok) return { ok: false, problems };
  return {
    ok: true,
    value: {
      count: count.value,
      grams: grams.value,
      density: kcal.value / 100,
      waterPerGram: water?.ok ? water.value / 100 : 0,
      packedOn,
    },
  };
}

/**
 * What a found pack has behind it. Where nobody knows since when it lies there, it is taken as at the end of its best, so that it
 * is fed first; where that would be a matter of safety, it is refused, for food that nobody can date is not fed.
 *
 * Takes the rules of dates, what it is, where it lies and the day it was packed. Undefined: throw it away.
 * Source: the table of lives; the rule for the undated is ours.
 */
export function originOfFound(
  dating: DatingRules,
  {
    kind,
    place,
    packedOn,
  }: { readonly kind: FoodKind; readonly place: PlaceKind; readonly packedOn: LocalDate | undefined },
  today: LocalDate,
): Origin | undefined {
  const since = packedOn ?? sinceUndated(dating, kind, place, today);
  return since === undefined ? undefined : { packedOn: since, since, fridgeDaysUsed: 0 };
}

/** What a g of a recipe's food comes to, finished: kcal, and solids; dry: kcal, and mL of water to put back. */
export interface ExpectedFood {
  readonly kcalPerGram: number;
  readonly dry: { readonly kcalPerGram: number; readonly waterPerGram: number };
}

/** Part of dried food that stays water (common practice, no source). */
const STAYS_WET = 0.05;

/**
 * What a pack of a recipe is expected to hold, for one that nobody weighed here: by the recipe as it is now, and this kitchen's pots.
 * Source: as the plan predicts; a prediction, to be put right by a label.
 */
export function expectedFood(
  written: readonly WrittenLine[],
  pots: readonly number[],
  factors: EnergyFactors,
): ExpectedFood | undefined {
  const bought = boughtAt(written, { ...ALONE, dogDays: 1, kgDays: 20 });
  const figures = figuresOf(measuredRecipe(written, pots, factors), bought);
  const { solids } = recipeSheet(linesOfWeights(written, bought), factors);
  if (!(figures.finished > 0) || !(solids > 0)) return undefined;
  const dry = solids / (1 - STAYS_WET);
  return {
    kcalPerGram: figures.kcal / figures.finished,
    dry: { kcalPerGram: figures.kcal / dry, waterPerGram: Math.max(0, figures.finished / dry - 1) },
  };
}

/** What is expected of a pack, as it is typed; nothing where nobody can say. */
export function typedExpected(
  expected: ExpectedFood | undefined,
  kind: FoundEntry['kind'],
): Pick<FoundEntry, 'kcalPer100' | 'waterPer100'> {
  if (!expected) return { kcalPer100: '', waterPer100: '' };
  const dry = isDried(kind);
  return {
    kcalPer100: writePlain((dry ? expected.dry.kcalPerGram : expected.kcalPerGram) * 100, 0),
    waterPer100: dry ? writePlain(expected.dry.waterPerGram * 100, 0) : '',
  };
}
