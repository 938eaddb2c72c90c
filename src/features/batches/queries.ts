import 'server-only';
import { wentInOf } from '@/core/batch/fold';
import type { WeighedTake } from '@/core/batch/observations';
import { batchGraph } from '@/core/batch/graph';
import { keptBeside } from '@/core/batch/by-product';
import { STEPS, stepAt } from '@/core/batch/steps';
import { driftFromPlan } from '@/core/batch/drift';
import { asksOf } from '@/core/batch/steps/cook';
import { openShares } from '@/core/batch/steps/pack';
import { clockIn, dayIn, writeDay, writeDayInFull } from '@/core/calendar/local-date';
import { writeMassIn } from '@/core/quantity/write';
import { proteinOf } from '@/core/recipe/protein';
import { recipeSheet } from '@/core/recipe/sheet';
import { fallenIn } from '@/core/standing';
import { isDryer } from '@/core/plan/equipment';
import { pageQuery, type Page } from '@/data/page';
import { readBatch, readByProducts, type StoredBatch } from '@/data/repositories/batches';
import { readReadings, readTares } from '@/data/repositories/readings';
import { readDogs } from '@/data/repositories/dogs';
import { readEquipment } from '@/data/repositories/equipment';
import { readPlaces } from '@/data/repositories/household';
import { readLots } from '@/data/repositories/lots';
import { readStock } from '@/data/repositories/stock';
import { whom } from './list/queries';
import { sayShared, stoveView } from './stove/queries';
import { costView, linesTaken } from './lots/queries';
import { boxesView } from './boxes/queries';
import { takenByDay } from '@/core/preserve/freezing-plan';
import { sayNote } from '@/core/preserve/quality';
import { readQuality } from '@/data/repositories/quality';
import { compareView } from './compare/queries';
import { dryingView } from './drying/queries';
import { weighedView } from './weighed/queries';
import { mayKeepApart, vesselsOf } from './weighed/vessels';
import { readUncounted } from '@/data/repositories/planned';
import { readPots } from '@/data/repositories/pots';
import { sure } from '@/core/sure';
import { addUp } from '@/core/add-up';
import { plannedLines } from './planned/queries';
import type { BatchView, KeptBeside, SheetLine, StruckReading } from './view';

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
  const rooms = places.map(({ id: placeId, kind, name, capacityMl }) => ({
    id: placeId,
    kind,
    name,
    capacityMl: capacityMl ?? undefined,
    usedMl: addUp(
      [...stock, ...lotsHere].filter((held) => held.placeId === placeId),
      (held) => held.grams,
    ),
    taken: kind === 'freezer' ? takenByDay(stock, placeId, today) : [],
  }));
  return {
    id,
    revision: batch.revision,
    today,
    state: batch.state,
    step: stepAt(batch).key,
    opens: STEPS.filter((step) => step.opens(batch)).map((step) => step.key),
    graph: batchGraph(batch, lines, household.energyFactors),
    struck: batch.state === 'planned' ? [] : await struckIn(read, id),
    places: rooms,
    dryers: (await readEquipment(db)).filter(isDryer).map(({ id: own, kind, name }) => ({ id: own, kind, name })),
    name: batch.recipeName,
    version: batch.versionNumber,
    protein: parent?.protein ?? proteinOf(lines),
    about: `${writeDayInFull(when)} · ${dogs.length > 0 ? `for ${whom(dogs)}` : 'beside the meals'} · version ${batch.versionNumber}`,
    lines:
      batch.state === 'planned'
        ? sure(planned).lines
        : batch.takes.map((take, line) => cookedLine(take, line, taken.get(line))),
    uncounted: planned?.uncounted ?? (parent ? [] : await wordsIn(read, batch)),
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
        ? await compareView(read, batch, drying.dryers, rooms)
        : undefined,
    quality:
      batch.state === 'planned'
        ? []
        : (await readQuality(db, { batchId: id })).map((note) => ({
            id: note.id,
            said: `${sayNote(note)}, ${writeDay(dayIn(note.at, household.timeZone), today)}`,
          })),
    dogs: dogs.map((dog) => ({ id: dog.id, name: dog.name })),
    sharedVessels: await sayShared(read, batch),
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

/** A line as it was weighed out. */
function cookedLine(take: WeighedTake, line: number, taken: string | undefined): SheetLine {
  const [first] = take.parts;
  const stays = addUp(take.parts, (part) => part.share);
  return {
    name: take.words,
    line,
    ...(take.lot === undefined ? {} : { lot: take.lot }),
    ...(taken === undefined ? {} : { taken }),
    ...(take.frozen ? { frozen: true as const } : {}),
    grams: stays * take.weighed,
    toWeigh: take.weighed,
    measure: undefined,
    note: undefined,
    moment: first?.moment ?? 'cook',
    part: first?.part ?? 'muscle',
  };
}

/** What of its recipe was kept as words, of a pot that was begun. */
async function wordsIn({ db, reference }: Page, batch: StoredBatch): Promise<string[]> {
  return ((await readUncounted(db, reference, [batch])).get(batch.id) ?? []).map(({ text }) => text);
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
