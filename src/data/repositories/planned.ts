import 'server-only';
import type { CookedComponent } from '@/core/batch/evidence';
import type { Quantity } from '@/core/quantity/quantity';
import { grams, type Grams } from '@/core/quantity/units';
import { takenOf } from '@/core/recipe/bases';
import { withSwaps } from '@/core/plan/substitute';
import { uncountedOf, type Uncounted } from '@/core/recipe/uncounted';
import type { WrittenLine } from '@/core/recipe/written';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import type { StoredBatch } from './batches';
import { isVessel } from '@/core/plan/equipment';
import { readEquipment } from './equipment';
import { readFoodsByKey } from './foods';
import { readHousehold } from './household';
import { readEveryVersion, readVersion } from './recipes';
import { sure } from '@/core/sure';

export interface PlannedLines {
  /** What is cooked in a vessel of its own, and in how many vesselfuls. */
  readonly components: readonly CookedComponent[];
  /** The recipe's lines, with what takes the place of some. */
  readonly written: readonly (WrittenLine & { readonly quantity: Quantity })[];
  /** Its lines that were kept as words. */
  readonly uncounted: readonly Uncounted[];
  /** g bought of each. */
  readonly bought: readonly Grams[];
  /** Those of which something is bought. */
  readonly takes: readonly {
    readonly written: WrittenLine & { readonly quantity: Quantity };
    readonly bought: Grams;
  }[];
}

/** What of the recipes of batches was kept as words, by batch: it is in no sum, and is said on their labels too. */
export async function readUncounted(
  tx: Tx,
  reference: Reference,
  batches: readonly Pick<StoredBatch, 'id' | 'versionId'>[],
): Promise<ReadonlyMap<number, readonly Uncounted[]>> {
  const { unitSet } = await readHousehold(tx);
  const versions = await readEveryVersion(
    tx,
    reference,
    batches.map(({ versionId }) => versionId),
  );
  return new Map(
    batches.flatMap(({ id, versionId }) => {
      const version = versions.find((each) => each.id === versionId);
      return version ? [[id, uncountedOf(version.entry.lines, unitSet)]] : [];
    }),
  );
}

/** The lines of a batch as they were planned. Throws `Unreadable`. */
export async function readPlannedLines(
  tx: Tx,
  reference: Reference,
  batch: Pick<StoredBatch, 'id' | 'versionId' | 'swaps' | 'amounts' | 'loads'>,
): Promise<PlannedLines> {
  const version = sure(await readVersion(tx, reference, batch.versionId));
  const { energyFactors, unitSet } = await readHousehold(tx);
  const known = await readFoodsByKey(tx, reference, Object.values(batch.swaps ?? {}));
  const swapped = withSwaps(version.written, batch.swaps, (key) => known.get(key), energyFactors);
  if (!swapped.ok) throw new Error(`batch ${batch.id}: ${swapped.problem.message}`);
  const written = swapped.value;
  const bought = batch.amounts.map(grams);
  const vessels = (await readEquipment(tx)).filter(isVessel);
  const components = version.components.map(({ name, minutes, vessel, celsius }, place) => {
    const own = vessels.find((each) => each.name === vessel);
    return {
      name,
      loads: batch.loads[place] ?? 1,
      ...(minutes === undefined ? {} : { minutes }),
      ...(vessel === undefined ? {} : { vessel }),
      ...(own && own.kind !== 'oven trays' && own.count > 1 ? { vessels: own.count } : {}),
      ...(celsius === undefined ? {} : { celsius }),
      ...(own?.kind === 'pressure cooker' ? { pressure: true as const } : {}),
      ...(own?.kind === 'slow cooker' ? { slow: true as const } : {}),
    };
  });
  return {
    written,
    uncounted: uncountedOf(version.entry.lines, unitSet),
    bought,
    takes: takenOf(written, bought),
    components,
  };
}
