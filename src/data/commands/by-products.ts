import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import { BY_PRODUCTS, byProductEvidence, keptBeside, type ByProduct } from '@/core/batch/by-product';
import type { WeighedState } from '@/core/batch/fold';
import { observedIn, type NewReading } from '@/core/batch/reading';
import { sure } from '@/core/sure';
import { readReadings } from '../repositories/readings';
import { batch } from '../schema/batches';
import { batchIn, observe, refreshBatch, strike } from './batch-at-hand';
import { inMass, refuse, type Context } from './run';

/** g of a by-product as its pot was weighed. */
const keptIn = (pot: WeighedState, of: ByProduct): number => keptBeside(pot).find((kept) => kept.of === of)?.grams ?? 0;

/** What was poured off is weighed by that: the vessel that it is in is weighed again where more of it boils away. */
const asKept = (grams: number): NewReading[] => [
  { node: 'line:0', kind: 'gross', value: grams },
  { node: 'vessel:0.0', kind: 'gross', value: grams, text: AS_KEPT },
  { node: 'vessel:0.0', kind: 'tare', value: 0 },
];
const AS_KEPT = 'as it was kept';

/** Makes a batch of its own of what was kept of a weighed pot: with its pot's day, food and dogs that avoid it. */
export async function keepByProduct(
  context: Context,
  input: { batchId: number; of: ByProduct },
): Promise<{ batchId: number }> {
  const { tx, household, now } = context;
  const pot = await batchIn(context, input, ['weighed']);
  if (pot.byProduct) return refuse('It is kept of another pot already.');
  const mass = keptIn(pot, input.of);
  if (mass <= 0) return refuse(`No ${input.of === 'broth' ? 'liquid' : 'fat'} was kept of this pot.`);
  if (await livingOf(context, pot.id, input.of)) return refuse('It is a batch of its own already. Look again.');
  const [made] = await tx
    .insert(batch)
    .values({
      planId: pot.planId,
      versionId: pot.versionId,
      parentId: pot.id,
      byProduct: input.of,
      scale: pot.scale,
      amounts: [],
      createdAt: now,
      startedAt: pot.startedAt,
      evidence: byProductEvidence(input.of, mass, household.energyFactors),
      // What the fold says stands there in this transaction.
      state: 'cooking',
      summary: { step: 'pot', inPot: 0, kcal: { '4-9-4': 0, modified: 0, table: 0 }, foods: [], shares: [] },
    })
    .returning({ id: batch.id });
  const { id } = sure(made);
  await observe(context, id, asKept(mass));
  await refreshBatch(context, id);
  return { batchId: id };
}

async function livingOf({ tx }: Context, parentId: number, of: ByProduct): Promise<number | undefined> {
  const [found] = await tx
    .select({ id: batch.id })
    .from(batch)
    .where(and(eq(batch.parentId, parentId), eq(batch.byProduct, of), isNull(batch.droppedAt)));
  return found?.id;
}

/** Puts a by-product away again, while nothing of it is packed: its pot keeps what was poured off. */
export async function dropByProduct(context: Context, input: { batchId: number }): Promise<void> {
  const own = await batchIn(context, input, ['weighed']);
  if (!own.byProduct) refuse('Only what is kept of another pot is put away so.');
  if (own.shares.some((share) => share.used > 0)) refuse('Something of it is packed already: take that back first.');
  await context.tx.update(batch).set({ droppedAt: context.now }).where(eq(batch.id, own.id));
}

/**
 * What was kept of a pot follows the pot when it is weighed otherwise. Refuses where packs hold what was not kept then.
 * Returns the by-products that have another weight now; their shares are still as they were.
 */
export async function followByProducts(context: Context, potId: number, pot: WeighedState): Promise<number[]> {
  const changed: number[] = [];
  for (const kind of BY_PRODUCTS) {
    const id = await livingOf(context, potId, kind);
    if (id === undefined) continue;
    const mass = keptIn(pot, kind);
    const readings = observedIn(await readReadings(context.tx, id));
    const was = readings.of('line:0', 'gross')?.value;
    if (was === mass) continue;
    if (mass <= 0) {
      const own = await batchIn(context, { batchId: id }, ['weighed']);
      if (own.shares.some((share) => share.used > 0))
        refuse(`${own.recipeName} is packed (${inMass(context)(was ?? 0)}): take its packs back first.`, 'kept');
      await context.tx.update(batch).set({ droppedAt: context.now }).where(eq(batch.id, id));
      continue;
    }
    // Weighed in a vessel of its own since, that weight stands.
    const asItWas = readings.of('vessel:0.0', 'gross')?.text === AS_KEPT;
    const nodes = asItWas ? ['line:0', 'vessel:0.0'] : ['line:0'];
    await strike(context, id, (node) => nodes.includes(node), 'its pot was weighed otherwise');
    await observe(
      context,
      id,
      asKept(mass).filter(({ node }) => nodes.includes(node)),
    );
    changed.push(id);
  }
  return changed;
}
