import { avoidedIn, stops, type Avoid } from '../dog/avoid';
import type { Food } from '../food/food';
import { hazardsIn, stopsPlan, type Hazard } from '../recipe/hazards';

/** Something in stored food that a dog does not get: by its own list, or because it can hurt any dog. */
export interface NotForIt {
  readonly said: string;
  /** A dislike only keeps it out of what is proposed. */
  readonly stops: boolean;
}

/** What of each stored batch and pack each dog does not get. */
export interface KeptFrom {
  readonly ofBatch: (batchId: number, dogId: number) => readonly NotForIt[];
  readonly ofPack: (holdingId: number, dogId: number) => readonly NotForIt[];
  readonly dogsNotFor: (where: { readonly batchId: number } | { readonly holdingId: number }) => number[];
}

interface Eater {
  readonly id: number;
  readonly avoids: readonly Avoid[];
  readonly vetNotes: readonly { readonly hazardId: string }[];
}

type CookedFood = Omit<Parameters<typeof hazardsIn>[0][number], 'words'> & { readonly ndb: string };

/** The batches that food is from, with what was really cooked, and the packs that it is in. */
export interface StoredFood {
  /** `foods` undefined: what went in cannot be read, and no dog gets of it. */
  readonly batches: readonly { readonly id: number; readonly foods: readonly CookedFood[] | undefined }[];
  readonly contents: readonly { readonly holdingId: number; readonly batchId: number }[];
}

/**
 * What was really cooked of the food that is there against the dogs' lists and what can hurt any dog. Takes the foods of the
 * table by key and the hazards; a mere caution keeps nothing from a dog. Source: the lists; hazards as their rows say.
 */
export function avoidedOf(
  { batches, contents }: StoredFood,
  dogs: readonly Eater[],
  table: ReadonlyMap<string, Food>,
  hazards: readonly Hazard[],
): KeptFrom {
  const found = new Map<string, readonly NotForIt[]>();
  for (const { id, foods: lines } of batches) {
    if (lines === undefined) {
      for (const dog of dogs) found.set(`${id}-${dog.id}`, [{ said: 'something that cannot be read', stops: true }]);
      continue;
    }
    const foods = lines.flatMap((line) => table.get(line.ndb) ?? []);
    const hurts = hazardsIn(
      lines.map((line) => ({ ...line, words: '' })),
      hazards.filter((hazard) => hazard.level !== 'caution'),
    );
    for (const dog of dogs) {
      const allowed = dog.vetNotes.map((note) => note.hazardId);
      const own = avoidedIn(dog.avoids, foods, (ndb) => table.get(ndb)?.name).map((avoid) => ({
        said: `${avoid.label} (${avoid.reason})`,
        stops: stops(avoid),
      }));
      const any = hurts
        .filter(({ hazard }) => stopsPlan(hazard, allowed))
        .map(({ hazard }) => ({ said: hazard.name, stops: true }));
      if (own.length + any.length > 0) found.set(`${id}-${dog.id}`, [...own, ...any]);
    }
  }
  const ofBatch = (batchId: number, dogId: number) => found.get(`${batchId}-${dogId}`) ?? [];
  const ofPack = (holdingId: number, dogId: number) =>
    contents.filter((row) => row.holdingId === holdingId).flatMap((row) => ofBatch(row.batchId, dogId));
  return {
    ofBatch,
    ofPack,
    dogsNotFor: (where) =>
      dogs
        .filter(
          (dog) => ('batchId' in where ? ofBatch(where.batchId, dog.id) : ofPack(where.holdingId, dog.id)).length > 0,
        )
        .map((dog) => dog.id),
  };
}
