import 'server-only';
import { eq } from 'drizzle-orm';
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
import { vesselSaid } from '@/core/plan/read-plan';
import { batch, plan } from '../schema/batches';
import { ifRead } from '../schema/kept-json';
import { recipeVersion } from '../schema/recipes';
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

/** The vessels that its plan chose for the components of a batch, by their places. */
async function vesselsChosen(tx: Tx, batchId: number): Promise<Readonly<Record<string, number>>> {
  const [row] = await tx
    .select({ entry: plan.entry, recipeId: recipeVersion.recipeId })
    .from(batch)
    .innerJoin(plan, eq(plan.id, batch.planId))
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .where(eq(batch.id, batchId));
  return (row && ifRead(row.entry))?.batches.find(({ recipeId }) => recipeId === row?.recipeId)?.vessels ?? {};
}

/** The lines of a batch as they were planned. Throws `Unreadable`. */
export async function readPlannedLines(
  tx: Tx,
  reference: Reference,
  planned: Pick<StoredBatch, 'id' | 'versionId' | 'swaps' | 'amounts' | 'loads'>,
): Promise<PlannedLines> {
  const version = sure(await readVersion(tx, reference, planned.versionId));
  const { energyFactors, unitSet } = await readHousehold(tx);
  const known = await readFoodsByKey(tx, reference, Object.values(planned.swaps ?? {}));
  const swapped = withSwaps(version.written, planned.swaps, (key) => known.get(key), energyFactors);
  if (!swapped.ok) throw new Error(`batch ${planned.id}: ${swapped.problem.message}`);
  const written = swapped.value;
  const bought = planned.amounts.map(grams);
  const equipment = await readEquipment(tx);
  const chosen = await vesselsChosen(tx, planned.id);
  const components = version.components.map((component, place) => {
    const { name, minutes, celsius } = component;
    const own = vesselSaid(component, chosen[place], equipment);
    const vessel = own?.name ?? component.vessel;
    return {
      name,
      loads: planned.loads[place] ?? 1,
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
