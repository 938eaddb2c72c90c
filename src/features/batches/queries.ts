import 'server-only';
import type { Apart } from '@/core/batch/apart';
import { wentInOf } from '@/core/batch/fold';
import type { WeighedTake } from '@/core/batch/observations';
import { batchGraph, type MassGraph } from '@/core/batch/graph';
import { keptBeside, type ByProduct } from '@/core/batch/by-product';
import { STEPS, stepAt, type StepKey } from '@/core/batch/steps';
import { driftFromPlan, type Drift } from '@/core/batch/drift';
import { takeOf } from '@/core/batch/evidence';
import { scheduleTasks } from '@/core/cook/schedule';
import { tasksOf } from '@/core/cook/tasks';
import { cooledHabits, plannedMinutes, type Habit } from '@/core/cook/learned';
import { asksOf, type Asks } from '@/core/batch/steps/cook';
import { openShares } from '@/core/batch/steps/pack';
import { AROUND } from '@/core/heat/pans';
import { clockIn, dayIn, writeDay, writeDayInFull, type LocalDate } from '@/core/calendar/local-date';
import { scaledForKitchen } from '@/core/plan/rounding';
import type { WentIn } from '@/core/portion/yield';
import type { PlaceKind } from '@/core/preserve/shelf-life';
import { writeMassIn } from '@/core/quantity/write';
import { proteinOf, type Protein } from '@/core/recipe/protein';
import { linesOfWeights, type ReckonedLine } from '@/core/recipe/bases';
import { sayWhatGoes } from '@/core/recipe/written';
import type { Moment, Part } from '@/core/recipe/recipe';
import { recipeSheet } from '@/core/recipe/sheet';
import { fallenIn } from '@/core/standing';
import { isDryer, type Equipment } from '@/core/plan/equipment';
import { pageQuery, type Page } from '@/data/page';
import { readBatch, readByProducts, type StoredBatch } from '@/data/repositories/batches';
import { readReadings, readTares } from '@/data/repositories/readings';
import { readDogs } from '@/data/repositories/dogs';
import { readEquipment } from '@/data/repositories/equipment';
import { readPlaces } from '@/data/repositories/household';
import { readLots } from '@/data/repositories/lots';
import { readStock } from '@/data/repositories/stock';
import { whom } from './list/queries';
import { stoveView, type StoveView } from './stove/queries';
import { costView, linesTaken, lotsOffered, type CostView, type LotOffered } from './lots/queries';
import { boxesView, type BoxesView } from './boxes/queries';
import { sayNote } from '@/core/preserve/quality';
import { readQuality } from '@/data/repositories/quality';
import type { ShownQuality } from '@/ui/quality/Quality';
import { compareView, type CompareView } from './compare/queries';
import { dryingView, type DryingView } from './drying/queries';
import { weighedView } from './weighed/queries';
import type { WeighedView } from './weighed/view';
import { mayKeepApart, vesselsOf, type VesselView } from './weighed/vessels';
import { readLearned, readPots } from '@/data/repositories/pots';
import { readPlannedLines } from '@/data/repositories/planned';
import { nth, sure } from '@/core/sure';
import { sayHabit, writeMinutes } from '@/core/plan/stove';
import { countOf } from '@/core/quantity/count-words';
import { writeTemperature } from '@/core/quantity/temperature';
import type { UnitSet } from '@/core/quantity/units';
import { COOLING_LIMITS } from '@/core/heat/cooling';
import { addUp } from '@/core/add-up';

export interface SheetLine {
  /** In the cook's words. */
  readonly name: string;
  /** What of it stays in the food. */
  readonly grams: number;
  /** What goes onto the scale: as bought. */
  readonly toWeigh: number;
  readonly measure: string | undefined;
  /** Of a batch that is cooked, the place of the line as it was weighed. */
  readonly line: number;
  /** Its lot or label date, where the cook has said it. */
  readonly lot?: string;
  /** Of a planned batch, what of it is in the house, the first to be used first. */
  readonly house?: readonly LotOffered[];
  /** Of a cooked one, of which ingredients it was taken. */
  readonly taken?: string;
  /** "10 % peel or bone comes off", "strained out". */
  readonly note: string | undefined;
  readonly moment: Moment;
  readonly part: Part;
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
  readonly places: readonly {
    readonly id: number;
    readonly kind: PlaceKind;
    readonly name: string;
    readonly capacityMl: number | undefined;
    /** mL that what lies there takes: 1 g about 1 mL. */
    readonly usedMl: number;
  }[];
  readonly dryers: readonly { readonly id: number; readonly kind: Equipment['kind']; readonly name: string }[];
  readonly today: LocalDate;
  readonly name: string;
  readonly version: number;
  readonly protein: Protein;
  readonly about: string;
  readonly lines: readonly SheetLine[];
  /** Lines of its recipe that were kept as words. */
  readonly uncounted: readonly string[];
  readonly wentIn: WentIn;
  /** What of it is kept apart; undefined: it is one pot. */
  readonly apart: Apart | undefined;
  /** What of it may still be kept apart, before it is divided. */
  readonly mayKeepApart: readonly Apart[];
  /** What is weighed by itself: the whole pot, or every part that is kept apart. */
  readonly vessels: readonly VesselView[];
  readonly food: number;
  readonly weighed: WeighedView | undefined;
  readonly boxes: BoxesView;
  /** How its shares are dried; undefined before it is weighed. */
  readonly drying: DryingView | undefined;
  /** What its fates are compared with; undefined before it is weighed. */
  readonly compare: CompareView | undefined;
  /** What was noted of how it turned out. */
  readonly quality: readonly ShownQuality[];
  readonly dogs: readonly { readonly id: number; readonly name: string }[];
  /** Vessels whose empty weight is known, by name. */
  readonly tares: Awaited<ReturnType<typeof readTares>>;
  /** What the kitchen's weighed pots of this recipe came to, of each g that went in. */
  readonly pots: readonly number[];
  /** Of a planned batch, how long its cook day takes; undefined where that cannot be placed. */
  readonly dayMinutes: number | undefined;
  /** What this kitchen's own cook days say of it: the minutes of each component, and how fast its pans cool. */
  readonly habits: readonly string[];
  /** What it cost, as far as it is known. */
  readonly cost: CostView | undefined;
  /** What went in otherwise than planned. */
  readonly drift: Drift | undefined;
  readonly stove: StoveView | undefined;
  readonly asks: Asks;
  readonly byProduct: ByProduct | undefined;
  /** Of which batch it is a by-product. */
  readonly parent: { readonly id: number; readonly name: string; readonly protein: Protein } | undefined;
  readonly beside: readonly KeptBeside[];
}

/** What was kept of a pot beside its food, and the batch of its own that it became. */
export interface KeptBeside {
  readonly of: ByProduct;
  readonly grams: number;
  readonly batch: { readonly id: number; readonly name: string; readonly next: string | undefined } | undefined;
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
  const stock = batch.state === 'weighed' ? await readStock(db) : [];
  const lotsHere = batch.state === 'weighed' ? await readLots(db) : [];
  const drying = batch.state === 'weighed' ? await dryingView(read, batch) : undefined;
  const parent = await parentOf(read, batch);
  const taken = await linesTaken(read, batch);
  const weighed = batch.state === 'weighed' ? await weighedView(read, batch, dogs, today) : undefined;
  return {
    id,
    revision: batch.revision,
    today,
    state: batch.state,
    step: stepAt(batch).key,
    opens: STEPS.filter((step) => step.opens(batch)).map((step) => step.key),
    graph: batchGraph(batch, lines, household.energyFactors),
    struck: batch.state === 'planned' ? [] : await struckIn(read, id),
    places: places.map(({ id: placeId, kind, name, capacityMl }) => ({
      id: placeId,
      kind,
      name,
      capacityMl: capacityMl ?? undefined,
      usedMl: addUp(
        [...stock, ...lotsHere].filter((held) => held.placeId === placeId),
        (held) => held.grams,
      ),
    })),
    dryers: (await readEquipment(db)).filter(isDryer).map(({ id: own, kind, name }) => ({ id: own, kind, name })),
    name: batch.recipeName,
    version: batch.versionNumber,
    protein: parent?.protein ?? proteinOf(lines),
    about: `${writeDayInFull(when)} · ${dogs.length > 0 ? `for ${whom(dogs)}` : 'beside the meals'} · version ${batch.versionNumber}`,
    lines:
      batch.state === 'planned'
        ? sure(planned).lines
        : batch.takes.map((take, line) => cookedLine(take, line, taken.get(line))),
    uncounted: planned?.uncounted ?? [],
    wentIn: wentInOf(sheet, household.energyFactors),
    apart: batch.state === 'planned' ? undefined : batch.apart,
    mayKeepApart: mayKeepApart(batch),
    vessels: batch.state === 'planned' ? [] : vesselsOf(batch, household.energyFactors, weighed),
    food: sheet.food,
    weighed,
    boxes:
      batch.state === 'weighed' && !batch.byProduct
        ? await boxesView(read, id, openShares(batch).length > 0)
        : { atHand: [], open: undefined },
    drying,
    compare:
      batch.state === 'weighed' && !batch.byProduct && drying
        ? await compareView(read, batch, drying.dryers, stock)
        : undefined,
    quality:
      batch.state === 'planned'
        ? []
        : (await readQuality(db, { batchId: id })).map((note) => ({
            id: note.id,
            said: `${sayNote(note)}, ${writeDay(dayIn(note.at, household.timeZone), today)}`,
          })),
    dogs: dogs.map((dog) => ({ id: dog.id, name: dog.name })),
    stove: batch.state === 'planned' || batch.byProduct ? undefined : await stoveView(read, batch),
    asks: asksOf(batch, read.now),
    byProduct: batch.state === 'planned' ? undefined : batch.byProduct,
    parent,
    beside: await besideOf(read, batch),
    tares: batch.state === 'planned' ? [] : await readTares(db),
    pots: batch.state === 'cooking' ? ((await readPots(db, [batch.recipeId])).get(batch.recipeId) ?? []) : [],
    dayMinutes: planned?.dayMinutes,
    habits: planned?.habits ?? [],
    cost: await costView(read, batch),
    drift: batch.state === 'planned' ? undefined : driftFromPlan(batch.takes, household.energyFactors),
  };
});

/** The pot that a by-product is of. */
async function parentOf({ db, household }: Page, { parentId }: StoredBatch): Promise<BatchView['parent']> {
  const parent = parentId === undefined ? undefined : await readBatch(db, parentId, household.energyFactors);
  if (!parent || parent.state === 'planned') return undefined;
  return { id: parent.id, name: parent.recipeName, protein: proteinOf(parent.lines) };
}

async function besideOf({ db }: Page, batch: StoredBatch): Promise<KeptBeside[]> {
  if (batch.state !== 'weighed') return [];
  const kept = keptBeside(batch);
  const made = kept.length > 0 ? await readByProducts(db, batch.id) : [];
  return kept.map((each) => {
    const own = made.find(({ byProduct }) => byProduct === each.of);
    return { ...each, batch: own && { id: own.id, name: own.recipeName, next: own.summary?.next } };
  });
}

const sayCooked = (name: string, by: Habit) => `${name} cooks ${writeMinutes(by.mean)} by ${sayHabit(by)}`;
const sayCooled = ({ where, mean, spread, of }: ReturnType<typeof cooledHabits>[number], set: UnitSet) =>
  `${AROUND[where].words}, your pans come to ${writeTemperature(COOLING_LIMITS.first.celsius, set)} in ${writeMinutes(mean)}${spread === undefined ? '' : ` ± ${writeMinutes(spread)}`} (${countOf(of, 'pan')})`;

/** A line as it was weighed out. */
function cookedLine(take: WeighedTake, line: number, taken: string | undefined): SheetLine {
  const [first] = take.parts;
  const stays = addUp(take.parts, (part) => part.share);
  return {
    name: take.words,
    line,
    ...(take.lot === undefined ? {} : { lot: take.lot }),
    ...(taken === undefined ? {} : { taken }),
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
  read: Page,
  batch: StoredBatch,
): Promise<{
  readonly lines: SheetLine[];
  readonly reckoned: readonly ReckonedLine[];
  readonly dayMinutes: number | undefined;
  readonly habits: readonly string[];
  readonly uncounted: readonly string[];
}> {
  const { db, reference, household } = read;
  const { written: lines, bought, takes, components, uncounted } = await readPlannedLines(db, reference, batch);
  const weighed = takes.map(({ written, bought: planned }) => ({ ...takeOf(written, planned), weighed: planned }));
  const learned = await readLearned(db);
  const own = learned.of(batch.recipeId);
  const timed = components.map((component) => ({ ...component, ...plannedMinutes(component, own) }));
  const day = scheduleTasks(
    tasksOf(
      weighed,
      timed.map(({ minutes, ...component }) => ({ ...component, ...(minutes === undefined ? {} : { minutes }) })),
    ),
    1,
  );
  const kitchen = scaledForKitchen(
    takes.map((take) => take.written),
    takes.map((take) => take.bought),
    household.unitSet,
  );
  const house = await lotsOffered(
    read,
    takes.map(({ written }) => written.source.food.ndb),
  );
  return {
    uncounted: uncounted.map(({ text }) => text),
    lines: takes.map(({ written, bought }, index) => ({
      house: house.get(written.source.food.ndb) ?? [],
      line: index,
      name: written.text,
      grams: bought * (1 - written.refuse),
      toWeigh: bought,
      measure: nth(kitchen, index).byWeight ? undefined : nth(kitchen, index).measure,
      note: sayWhatGoes(written),
      moment: written.moment,
      part: written.part,
    })),
    reckoned: linesOfWeights(lines, bought),
    dayMinutes: day.ok ? day.value.end : undefined,
    habits: [
      ...timed.flatMap(({ name, by }) => (by ? [sayCooked(components.length > 1 ? name : 'it', by)] : [])),
      ...cooledHabits(learned.all)
        .slice(0, 2)
        .map((each) => sayCooled(each, household.unitSet)),
    ],
  };
}
