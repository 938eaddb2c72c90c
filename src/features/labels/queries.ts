import 'server-only';
import { kcalIn, partOf } from '@/core/nutrition/density';
import { asIfHere } from '@/core/dog/days-off';
import type { LocalDate } from '@/core/calendar/local-date';
import { homeEnergyOn, mealsOn } from '@/core/dog/meals';
import type { Dog } from '@/core/dog/dog';
import { writeDose, writeMassIn } from '@/core/quantity/write';
import type { PenLabel } from '@/core/label/asked';
import { labelWords, penLines, type LabelledPack, type LabelWords } from '@/core/label/words';
import { isWhole, labelOff } from '@/core/stock/label';
import { pageQuery, readProteins, type Page } from '@/data/page';
import { readAvoided } from '@/data/repositories/avoided';
import { readBatchIfReadable, type StoredBatch } from '@/data/repositories/batches';
import { readDogs } from '@/data/repositories/dogs';
import { readUncounted } from '@/data/repositories/planned';
import { readLotsById, readUses } from '@/data/repositories/lots';
import { waitsForFreezer } from '@/core/preserve/freezing-plan';
import { potDay, readReadablePacks, type StoredPack } from '@/data/repositories/stock';
import type { LabelToPrint } from './pdf';

/** The labels of packs by their holdings, in that order; those that were taken back have none. */
export const labelsOf = pageQuery(
  async (read, asked: { ids: readonly number[]; asked: string }): Promise<LabelToPrint[]> =>
    (await wordsOf(read, asked.ids)).map(({ words, hatch, marks }) => ({
      ...words,
      hatch,
      marks,
      address: `${read.household.labelAddress ?? asked.asked}/p/${encodeURIComponent(words.code)}`,
    })),
);

/** What is written by hand on packs, and what of their labels is not so any more. */
export const penLabelsOf = pageQuery(async (read, ids: readonly number[]): Promise<PenLabel[]> => {
  const write = (mass: number) => writeMassIn(mass, read.household.unitSet);
  return (await wordsOf(read, ids)).map(({ pack, words }) => {
    const changed = labelOff(pack, write);
    return { code: pack.code, lines: [...penLines(words)], ...(changed === undefined ? {} : { changed }) };
  });
});

/** The words of packs' labels as they are known now. */
async function wordsOf(
  { db, reference, household, today }: Page,
  ids: readonly number[],
): Promise<(Pick<LabelToPrint, 'hatch' | 'marks'> & { readonly pack: StoredPack; readonly words: LabelWords })[]> {
  const packs = (await readReadablePacks(db, ids)).filter((pack) => !pack.void);
  const dogs = await readDogs(db);
  const avoided = await readAvoided(db, reference, dogs, today);
  const lots = new Map<number, readonly string[]>();
  const batchIds = [...new Set(packs.flatMap((pack) => pack.contents.map(({ batchId }) => batchId)))];
  const uses = await readUses(db, { batchIds });
  const codes = new Map(
    (await readLotsById(db, [...new Set(uses.map(({ holdingId }) => holdingId))])).map((lot) => [
      lot.holdingId,
      lot.code,
    ]),
  );
  const batches: StoredBatch[] = [];
  for (const id of batchIds) {
    const batch = await readBatchIfReadable(db, id, household.energyFactors);
    if (batch) batches.push(batch);
    const noted = batch && batch.state !== 'planned' ? batch.takes.flatMap(({ lot }) => lot ?? []) : [];
    const taken = uses.flatMap(({ batchId, holdingId }) => (batchId === id ? (codes.get(holdingId) ?? []) : []));
    lots.set(id, [...new Set([...noted, ...taken])]);
  }
  const kept = await readUncounted(db, reference, batches);
  const uncountedIn = (batchId: number) => (kept.get(batchId) ?? []).map(({ text }) => text);
  const nameOf = (id: number) => dogs.find((dog) => dog.id === id)?.name ?? 'a dog';
  const labelled = (pack: StoredPack): LabelledPack => ({
    code: pack.code,
    recipeName: pack.recipeName,
    // What is printed anew says what is known now, of what it was sealed with.
    grams: isWhole(pack) ? pack.grams : pack.labelGrams,
    density: pack.density,
    waterPerGram: pack.waterPerGram,
    pieces: pack.pieces,
    dogs:
      pack.split?.map(({ dogId, grams }) => ({ name: nameOf(dogId), grams })) ??
      (pack.dogId === undefined ? [] : [{ name: nameOf(pack.dogId), grams: pack.labelGrams }]),
    notFor: avoided.dogsNotFor({ holdingId: pack.holdingId }).map(nameOf),
    madeOn: potDay(pack, household.timeZone),
    ...(waitsForFreezer(pack)
      ? { safeUntil: undefined, bestBy: pack.labelBestBy, isFrozen: true }
      : { safeUntil: pack.safeUntil, bestBy: pack.bestBy, isFrozen: pack.placeKind === 'freezer' }),
    short: pack.short,
    estimated: pack.estimated,
    unproven: pack.unproven,
    beside: pack.beside,
    isRaw: pack.foodKind === 'raw',
    contents:
      pack.contents.length > 1
        ? pack.contents.map((each) => ({ name: each.partName ?? each.recipeName, grams: each.grams }))
        : [],
    parts:
      pack.dogId !== undefined || pack.split || pack.beside || pack.grams <= 0
        ? []
        : dogs
            .filter((dog) => !avoided.dogsNotFor({ holdingId: pack.holdingId }).includes(dog.id))
            .map((dog) => ({
              name: dog.name,
              part: partOf(homeEnergyOn(asIfHere(dog), today), kcalIn(pack.labelGrams, pack.density)),
            }))
            .filter(({ part }) => part > 0),
    additions: dogs
      .filter((dog) => pack.dogId === dog.id || pack.split?.some((each) => each.dogId === dog.id))
      .flatMap((dog) => additionsOf(dog, today).map((said) => (pack.split ? `${dog.name} ${said}` : said))),
    lots: [...new Set(pack.contents.flatMap(({ batchId }) => lots.get(batchId) ?? []))],
    uncounted: pack.beside ? [] : [...new Set(pack.contents.flatMap(({ batchId }) => uncountedIn(batchId)))],
  });
  const inOrder = ids.flatMap((id) => packs.find((pack) => pack.holdingId === id) ?? []);
  const proteins = await readProteins({ db });
  return inOrder.map((pack) => ({
    pack,
    words: labelWords(labelled(pack), household.unitSet),
    hatch: proteins.get(pack.recipeId)?.hatch ?? 'bricks',
    marks: dogs.filter((dog) => pack.dogId === dog.id || pack.split?.some((each) => each.dogId === dog.id)),
  }));
}

/** What a dog gets in the bowl beside the pack, of each in all of a day. */
function additionsOf(dog: Dog, day: LocalDate): string[] {
  const all = new Map<number, { what: string; unit: string; amount: number }>();
  for (const { lineId, what, unit, amount } of mealsOn(dog, day).flatMap((meal) => meal.additions)) {
    const before = all.get(lineId);
    // Its label has no row for this dog: how much it is nobody knows.
    if (amount !== undefined) all.set(lineId, { what, unit, amount: (before?.amount ?? 0) + amount });
  }
  return [...all.values()].map(({ what, unit, amount }) => `${writeDose(amount)} ${unit} ${what}`);
}
