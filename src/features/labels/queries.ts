import 'server-only';
import { dayIn } from '@/core/calendar/local-date';
import { labelWords, type LabelledPack } from '@/core/label/words';
import { isWhole } from '@/core/stock/label';
import { pageQuery } from '@/data/page';
import { readAvoided } from '@/data/repositories/avoided';
import { readBatch } from '@/data/repositories/batches';
import { readDogs } from '@/data/repositories/dogs';
import { readPacks, type StoredPack } from '@/data/repositories/stock';
import type { LabelToPrint } from './pdf';

/** The labels of packs by their holdings, in that order; those that were taken back have none. */
export const labelsOf = pageQuery(
  async (
    { db, reference, household, today },
    asked: { ids: readonly number[]; base: string },
  ): Promise<LabelToPrint[]> => {
    const packs = (await readPacks(db, asked.ids)).filter((pack) => !pack.void);
    const dogs = await readDogs(db);
    const avoided = await readAvoided(db, reference, dogs, today);
    const lots = new Map<number, readonly string[]>();
    for (const id of new Set(packs.flatMap((pack) => pack.contents.map(({ batchId }) => batchId)))) {
      const batch = await readBatch(db, id, household.energyFactors);
      lots.set(id, batch && batch.state !== 'planned' ? batch.takes.flatMap(({ lot }) => lot ?? []) : []);
    }
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
      madeOn: pack.cookedAt ? dayIn(pack.cookedAt, household.timeZone) : pack.packedOn,
      safeUntil: pack.safeUntil,
      bestBy: pack.bestBy,
      isFrozen: pack.placeKind === 'freezer',
      short: pack.short,
      estimated: pack.estimated,
      unproven: pack.unproven,
      beside: pack.beside,
      lots: [...new Set(pack.contents.flatMap(({ batchId }) => lots.get(batchId) ?? []))],
    });
    const inOrder = asked.ids.flatMap((id) => packs.find((pack) => pack.holdingId === id) ?? []);
    return inOrder.map((pack) => ({
      ...labelWords(labelled(pack), household.unitSet),
      address: `${asked.base}/p/${encodeURIComponent(pack.code)}`,
    }));
  },
);
