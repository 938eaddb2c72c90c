import { countOf } from '@/core/quantity/count-words';

import { writeDensity, writeSumIn } from '@/core/quantity/write';
import 'server-only';
import { addDays, dayIn, writeDay, writeDayOnLabel, writeDayInFull, type LocalDate } from '@/core/calendar/local-date';
import { mealsFilledBy } from '@/core/dog/meals';
import { vetCaution } from '@/core/dog/stage';
import type { Explanation } from '@/core/explanation';
import { scaledForKitchen } from '@/core/plan/rounding';
import { sum } from '@/core/plan/scale';
import { portionOf, type DogPortion } from '@/core/portion/dog-portions';
import type { ProposedPack } from '@/core/portion/packs';
import { demandsOf, feedingFrom, proposePacks } from '@/core/portion/proposals';
import { suggestShares, type Shares } from '@/core/portion/shares';
import type { Weighing, WentIn } from '@/core/portion/yield';
import type { Dried } from '@/core/preserve/dry';
import type { ProteinMark } from '@/core/recipe/protein';
import { proteinMark } from '@/core/recipe/protein';
import { linesOfWeights, type ReckonedLine } from '@/core/recipe/bases';
import { sayWhatGoes } from '@/core/recipe/written';
import type { Moment, Part } from '@/core/recipe/recipe';
import { recipeSheet } from '@/core/recipe/sheet';
import { reading, readMarks, type Reading } from '@/data/reading';
import {
  driedOf,
  readBatch,
  readBatches,
  type StoredBatch,
  type StoredShare,
  type WeighedBatch,
} from '@/data/repositories/batches';
import { readBowlsOn } from '@/data/repositories/bowls';
import { readDogs, type StoredDog } from '@/data/repositories/dogs';
import { readPlannedLines } from '@/data/repositories/planned';
import { readPacksOfBatch } from '@/data/repositories/stock';

export interface BatchRow {
  readonly id: number;
  readonly name: string;
  readonly state: StoredBatch['state'];
  readonly said: string;
  readonly mark: ProteinMark;
  readonly day: string;
}

export async function batchRows(): Promise<BatchRow[]> {
  const read = await reading();
  const marks = await readMarks(read);
  const dogs = await readDogs(read.db);
  return (await readBatches(read.db, read.household.energyFactors)).map((batch) => ({
    id: batch.id,
    name: batch.recipeName,
    state: batch.state,
    said: saidOf(batch, dogs, read),
    mark: marks.get(batch.recipeId) ?? { word: 'plants', hatch: 'bricks' },
    day: writeDay(
      dayIn(batch.state === 'planned' ? batch.createdAt : batch.startedAt, read.household.timeZone),
      read.today,
    ),
  }));
}

function saidOf(batch: StoredBatch, dogs: readonly StoredDog[], { household, today }: Reading): string {
  const eaters = whom(dogs.filter((dog) => batch.dogIds.includes(dog.id)));
  const forWhom = `${eaters}, ${countOf(batch.days, 'day')} from ${writeDay(batch.firstDay, today)}`;
  if (batch.state !== 'weighed') return `for ${forWhom}`;
  const open = batch.shares.filter((share) => share.fate !== 'today' && !share.sealed).length;
  const next = batch.shares.length === 0 ? ' · to be divided' : open > 0 ? ` · ${countOf(open, 'share')} to seal` : '';
  return `${writeSumIn(batch.yield.net, household.unitSet)} at ${writeDensity(batch.yield.density)} kcal/g for ${forWhom}${next}`;
}

/** Up to four dogs by name, a pack of them by number. */
const whom = (dogs: readonly StoredDog[]) =>
  dogs.length > 4 ? `${dogs.length} dogs` : dogs.map((dog) => dog.name).join(', ');

export interface SheetLine {
  readonly name: string;
  readonly words: string;
  /** What of it stays in the food. */
  readonly grams: number;
  /** What goes onto the scale: as bought. */
  readonly toWeigh: number;
  readonly measure: string | undefined;
  /** "10 % peel or bone comes off", "strained out". */
  readonly note: string | undefined;
  readonly moment: Moment;
  readonly part: Part;
}

export interface SheetShare extends StoredShare {
  readonly proposed: readonly (ProposedPack & { readonly dogName: string | undefined })[];
}

export interface SealedPack {
  readonly code: string;
  readonly grams: number;
  readonly dogName: string | undefined;
  readonly short: boolean;
  readonly waterMl: number;
  readonly place: string;
  readonly until: string;
}

export interface WeighedView {
  readonly net: number;
  readonly eatenBefore: number;
  readonly estimated: boolean;
  readonly density: number;
  readonly why: Explanation;
  readonly weighing: Weighing;
  /** Foods of which a macronutrient is unknown: portions are at most what is needed. */
  readonly energyUnknown: readonly string[];
  readonly portions: readonly (DogPortion & {
    readonly dogId: number;
    readonly name: string;
    readonly mark: number;
    readonly letters: string;
    readonly caution: string | undefined;
  })[];
  readonly suggested: Shares;
  readonly fridgeUntil: string;
  readonly shares: readonly SheetShare[];
  readonly dried: Dried | undefined;
  readonly packs: readonly SealedPack[];
}

export interface BatchView {
  readonly id: number;
  readonly state: StoredBatch['state'];
  readonly today: LocalDate;
  readonly name: string;
  readonly version: number;
  readonly mark: ProteinMark;
  readonly about: string;
  readonly lines: readonly SheetLine[];
  readonly wentIn: WentIn;
  readonly food: number;
  readonly weighed: WeighedView | undefined;
}

/** Everything that a run sheet shows; undefined where there is no such batch. */
export async function batchView(id: number): Promise<BatchView | undefined> {
  const read = await reading();
  const { db, household, today } = read;
  const batch = await readBatch(db, id, household.energyFactors);
  if (!batch) return undefined;
  const dogs = (await readDogs(db)).filter((dog) => batch.dogIds.includes(dog.id));
  const planned = batch.state === 'planned' ? await plannedLines(read, batch) : undefined;
  const lines = batch.state === 'planned' ? planned!.reckoned : batch.lines;
  const sheet = recipeSheet(lines, household.energyFactors);
  const when = batch.state === 'planned' ? today : dayIn(batch.startedAt, household.timeZone);
  return {
    id,
    today,
    state: batch.state,
    name: batch.recipeName,
    version: batch.versionNumber,
    mark: proteinMark(lines),
    about: `${writeDayInFull(when)} · for ${whom(dogs)} · version ${batch.versionNumber}`,
    lines:
      planned?.lines ??
      lines.map((line) => ({
        name: line.food.name,
        words: line.text,
        grams: line.grams,
        toWeigh: line.grams,
        measure: undefined,
        note: undefined,
        moment: line.moment,
        part: line.part,
      })),
    wentIn: { inPot: sheet.inPot, solids: sheet.solids, kcal: sheet.kcal },
    food: sheet.food,
    weighed: batch.state === 'weighed' ? await weighedView(read, batch, dogs, today) : undefined,
  };
}

/** What a planned batch takes, line by line as it is weighed, and what of that stays in the food. */
async function plannedLines(
  { db, reference, household }: Reading,
  batch: StoredBatch,
): Promise<{ readonly lines: SheetLine[]; readonly reckoned: readonly ReckonedLine[] }> {
  const { written: lines, bought, takes } = await readPlannedLines(db, reference, batch);
  const kitchen = scaledForKitchen(
    takes.map((take) => take.written),
    takes.map((take) => take.bought),
    household.unitSet,
  );
  return {
    lines: takes.map(({ written, bought }, index) => ({
      name: written.source.food.name,
      words: written.text,
      grams: bought * (1 - written.refuse),
      toWeigh: bought,
      measure: kitchen[index]!.measure,
      note: sayWhatGoes(written),
      moment: written.moment,
      part: written.part,
    })),
    reckoned: linesOfWeights(lines, bought),
  };
}

async function weighedView(
  read: Reading,
  batch: WeighedBatch,
  dogs: readonly StoredDog[],
  today: LocalDate,
): Promise<WeighedView> {
  const { db, household } = read;
  const { density, net } = batch.yield;
  const from = feedingFrom(batch.firstDay, batch.shares[0]?.day ?? today);
  const bowls = await readBowlsOn(db, today);
  const dried = driedOf(batch);
  const proposed = proposePacks({ ...batch, density }, dogs, dried);
  const nameOf = (dogId: number | undefined) => dogs.find((dog) => dog.id === dogId)?.name;
  const fractionLeft = (dogId: number) => {
    const dog = dogs.find((each) => each.id === dogId)!;
    const fed = bowls.filter((bowl) => bowl.dogId === dogId).map((bowl) => bowl.slotId);
    const meals = mealsFilledBy(dog, today, batch.filling);
    const whole = sum(meals.map((meal) => meal.kcal));
    return whole === 0 ? 0 : sum(meals.filter((meal) => !fed.includes(meal.id)).map((meal) => meal.kcal)) / whole;
  };
  return {
    net,
    eatenBefore: batch.yield.eatenBefore,
    estimated: batch.yield.estimated,
    density,
    why: batch.yield.explanation,
    weighing: batch.weighing,
    energyUnknown: batch.sheet.energyUnknown,
    portions: dogs.map((dog) => {
      return {
        ...portionOf(dog, from, density, batch.filling),
        dogId: dog.id,
        name: dog.name,
        mark: dog.mark,
        letters: dog.letters,
        caution: vetCaution(dog, from),
      };
    }),
    suggested: suggestShares(
      Math.round(net),
      demandsOf(
        { from: feedingFrom(batch.firstDay, today), today, days: batch.days, filling: batch.filling },
        dogs,
        density,
        fractionLeft,
      ),
      household.fridgeDays,
    ),
    fridgeUntil: writeDay(addDays(today, household.fridgeDays), today),
    shares: batch.shares.map((share) => ({
      ...share,
      proposed: (proposed.get(share.id) ?? []).map((pack) => ({ ...pack, dogName: nameOf(pack.dogId) })),
    })),
    dried,
    packs: (await readPacksOfBatch(db, batch.id)).map((pack) => ({
      code: pack.code,
      grams: pack.labelGrams,
      dogName: pack.dogName,
      short: pack.short,
      waterMl: Math.round(pack.labelGrams * pack.waterPerGram),
      place: pack.placeKind,
      until: pack.safeUntil
        ? `feed by ${writeDayOnLabel(pack.safeUntil)}`
        : pack.bestBy
          ? `best by ${writeDayOnLabel(pack.bestBy)}`
          : '',
    })),
  };
}
