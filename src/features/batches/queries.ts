import 'server-only';
import { HALF_A_GRAM, type ShareState, type WeighedTake } from '@/core/batch/fold';
import { batchGraph, type MassGraph } from '@/core/batch/graph';
import { STEPS, stepAt, type StepKey } from '@/core/batch/steps';
import {
  addDays,
  clockIn,
  dayIn,
  writeDay,
  writeDayOnLabel,
  writeDayInFull,
  type LocalDate,
} from '@/core/calendar/local-date';
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
import type { PlaceKind } from '@/core/preserve/shelf-life';
import { countOf } from '@/core/quantity/count-words';
import { writeKcal, writeMassIn } from '@/core/quantity/write';
import { proteinOf, type Protein } from '@/core/recipe/protein';
import { linesOfWeights, type ReckonedLine } from '@/core/recipe/bases';
import { sayWhatGoes } from '@/core/recipe/written';
import type { Moment, Part } from '@/core/recipe/recipe';
import { recipeSheet } from '@/core/recipe/sheet';
import { fallenIn } from '@/core/standing';
import { isDryer, type Equipment } from '@/core/plan/equipment';
import { labelOff } from '@/core/stock/label';
import { pageQuery, type Page } from '@/data/page';
import { readBatch, readReadings, type StoredBatch, type WeighedBatch } from '@/data/repositories/batches';
import { readBowlsOn, readFedOfBatch } from '@/data/repositories/bowls';
import { readDogs, type StoredDog } from '@/data/repositories/dogs';
import { readEquipment } from '@/data/repositories/equipment';
import { readAllPlaces, readPlaces } from '@/data/repositories/household';
import { whom } from './list/queries';
import { readPlannedLines } from '@/data/repositories/planned';
import { readPacksOfBatch } from '@/data/repositories/stock';
import { nth, sure } from '@/core/sure';
import { addUp } from '@/core/add-up';

export interface SheetLine {
  readonly name: string;
  readonly words: string;
  /** What of it stays in the food. */
  readonly grams: number;
  /** What goes onto the scale: as bought. */
  readonly toWeigh: number;
  readonly measure: string | undefined;
  /** Of a batch that is cooked, the place of the line as it was weighed. */
  readonly line: number;
  /** "10 % peel or bone comes off", "strained out". */
  readonly note: string | undefined;
  readonly moment: Moment;
  readonly part: Part;
}

export interface SheetShare extends Omit<ShareState, 'packs'> {
  readonly sealedPacks: number;
  /** Stored g in them. */
  readonly packedGrams: number;
  readonly placeName: string | undefined;
  readonly proposed: readonly (ProposedPack & { readonly dogName: string | undefined })[];
}

export interface SealedPack {
  readonly holdingId: number;
  readonly shareId: number;
  readonly code: string;
  /** What its label says is not what it holds, as it is known now: write it again. */
  readonly label: string | undefined;
  readonly grams: number;
  /** g that were sealed in it, as it is known now; whole: nothing was taken of it. */
  readonly sealedGrams: number;
  readonly whole: boolean;
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
    readonly badge: number;
    readonly letters: string;
    readonly caution: string | undefined;
  })[];
  readonly suggested: Shares;
  readonly fridgeUntil: string;
  readonly shares: readonly SheetShare[];
  readonly packs: readonly SealedPack[];
  /** g that shares come to over what was weighed. */
  readonly over: number;
  /** Bowls that were fed with other kcal than is known of their food now. */
  readonly off: string | undefined;
}

/** What was struck out, with its reason: it stays to be seen. */
export interface StruckReading {
  readonly said: string;
  readonly when: string;
}

export interface BatchView {
  readonly id: number;
  readonly revision: number;
  readonly state: StoredBatch['state'];
  /** The step at hand, and those that are open. */
  readonly step: StepKey;
  readonly opens: readonly StepKey[];
  readonly graph: MassGraph;
  readonly struck: readonly StruckReading[];
  readonly places: readonly { readonly id: number; readonly kind: PlaceKind; readonly name: string }[];
  readonly dryers: readonly { readonly id: number; readonly kind: Equipment['kind']; readonly name: string }[];
  readonly today: LocalDate;
  readonly name: string;
  readonly version: number;
  readonly protein: Protein;
  readonly about: string;
  readonly lines: readonly SheetLine[];
  readonly wentIn: WentIn;
  readonly food: number;
  readonly weighed: WeighedView | undefined;
}

/** Everything that a run sheet shows; undefined where there is no such batch. */
export const batchView = pageQuery(async (read, id: number): Promise<BatchView | undefined> => {
  const { db, household, today } = read;
  const batch = await readBatch(db, id, household.energyFactors);
  if (!batch) return undefined;
  const dogs = (await readDogs(db)).filter((dog) => batch.dogIds.includes(dog.id));
  const planned = batch.state === 'planned' ? await plannedLines(read, batch) : undefined;
  const lines = batch.state === 'planned' ? sure(planned).reckoned : batch.lines;
  const sheet = recipeSheet(lines, household.energyFactors);
  const when = batch.state === 'planned' ? today : dayIn(batch.startedAt, household.timeZone);
  const places = await readPlaces(db);
  return {
    id,
    revision: batch.revision,
    today,
    state: batch.state,
    step: stepAt(batch).key,
    opens: STEPS.filter((step) => step.opens(batch)).map((step) => step.key),
    graph: batchGraph(batch, lines, household.energyFactors),
    struck: batch.state === 'planned' ? [] : await struckIn(read, id),
    places: places.map(({ id: placeId, kind, name }) => ({ id: placeId, kind, name })),
    dryers: (await readEquipment(db)).filter(isDryer).map(({ id: own, kind, name }) => ({ id: own, kind, name })),
    name: batch.recipeName,
    version: batch.versionNumber,
    protein: proteinOf(lines),
    about: `${writeDayInFull(when)} · for ${whom(dogs)} · version ${batch.versionNumber}`,
    lines: batch.state === 'planned' ? sure(planned).lines : batch.takes.map(cookedLine),
    wentIn: { inPot: sheet.inPot, solids: sheet.solids, kcal: sheet.kcal },
    food: sheet.food,
    weighed: batch.state === 'weighed' ? await weighedView(read, batch, dogs, today) : undefined,
  };
});

/** A line as it was weighed out. */
function cookedLine(take: WeighedTake, line: number): SheetLine {
  const [first] = take.parts;
  const stays = addUp(take.parts, (part) => part.share);
  return {
    name: take.name,
    words: take.words,
    line,
    grams: stays * take.weighed,
    toWeigh: take.weighed,
    measure: undefined,
    note: undefined,
    moment: first?.moment ?? 'cook',
    part: first?.part ?? 'muscle',
  };
}

/** The readings that were struck out, newest first. */
async function struckIn({ db, household, today }: Page, batchId: number): Promise<StruckReading[]> {
  const readings = await readReadings(db, batchId);
  const fallen = fallenIn(readings);
  return readings
    .filter((each) => each.kind === 'struck' && !fallen.has(each.id))
    .reverse()
    .flatMap((each) => {
      const of = readings.find((old) => old.id === each.takesBack);
      if (!of) return [];
      const value = of.value === undefined ? (of.text ?? '') : writeMassIn(of.value, household.unitSet);
      return [
        {
          said: `${of.text && of.value !== undefined ? `${of.text}, ` : ''}${of.kind} ${value}: ${each.text ?? 'struck out'}`,
          when: `${writeDay(dayIn(each.writtenAt, household.timeZone), today)} ${clockIn(each.writtenAt, household.timeZone)}`,
        },
      ];
    });
}

/** What a planned batch takes, line by line as it is weighed, and what of that stays in the food. */
async function plannedLines(
  { db, reference, household }: Page,
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
      line: index,
      name: written.source.food.name,
      words: written.text,
      grams: bought * (1 - written.refuse),
      toWeigh: bought,
      measure: nth(kitchen, index).measure,
      note: sayWhatGoes(written),
      moment: written.moment,
      part: written.part,
    })),
    reckoned: linesOfWeights(lines, bought),
  };
}

async function weighedView(
  read: Page,
  batch: WeighedBatch,
  dogs: readonly StoredDog[],
  today: LocalDate,
): Promise<WeighedView> {
  const { db, household } = read;
  const { density, net } = batch.yield;
  const from = feedingFrom(batch.firstDay, batch.shares[0]?.day ?? today);
  const bowls = await readBowlsOn(db, today);
  const places = new Map((await readAllPlaces(db)).map((place) => [place.id, place.name]));
  const packs = await readPacksOfBatch(db, batch.id);
  const proposed = proposePacks({ ...batch, density }, dogs);
  const nameOf = (dogId: number | undefined) => dogs.find((dog) => dog.id === dogId)?.name;
  const fractionLeft = (dogId: number) => {
    const dog = sure(dogs.find((each) => each.id === dogId));
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
    weighing: batch.yield.weighing,
    energyUnknown: batch.sheet.energyUnknown,
    portions: dogs.map((dog) => {
      return {
        ...portionOf(dog, from, density, batch.filling),
        dogId: dog.id,
        name: dog.name,
        badge: dog.badge,
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
    shares: batch.shares.map(({ packs: sealed, ...share }) => ({
      ...share,
      sealedPacks: sealed.length,
      packedGrams: sum(sealed.map((pack) => pack.grams)),
      placeName: share.placeId === undefined ? undefined : places.get(share.placeId),
      proposed: (proposed.get(share.id) ?? []).map((pack) => ({ ...pack, dogName: nameOf(pack.dogId) })),
    })),
    packs: packs.map((pack) => ({
      holdingId: pack.holdingId,
      shareId: pack.contents.find((each) => each.batchId === batch.id)?.shareId ?? NaN,
      code: pack.code,
      label: labelOff(pack, (mass) => writeMassIn(mass, household.unitSet)),
      grams: pack.labelGrams,
      sealedGrams: pack.sealedGrams,
      whole: pack.grams > 0 && Math.abs(pack.grams - pack.sealedGrams) < HALF_A_GRAM,
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
    over: Math.max(0, -batch.yield.undivided),
    off: await bowlsOff(db, batch),
  };
}

/** How far the bowls that were fed from a batch were off, by what is known of its food now. */
async function bowlsOff(db: Page['db'], batch: WeighedBatch): Promise<string | undefined> {
  const fed = await readFedOfBatch(db, batch.id);
  const off = fed.flatMap(({ kcal, grams, density }) => {
    const now = grams * (density ?? batch.yield.density);
    return Math.abs(kcal - now) > Math.max(1, kcal * 0.005) ? [now - kcal] : [];
  });
  if (off.length === 0) return undefined;
  const total = sum(off);
  return `${countOf(off.length, 'bowl')} fed from it held ${writeKcal(Math.abs(total))} kcal ${total > 0 ? 'more' : 'less'} than was said, all together: they stay as they were fed.`;
}
