import 'server-only';
import { isAmong } from '@/core/sure';
import { eq, inArray, sql } from 'drizzle-orm';
import { foldBatch, storedAs, type BatchState } from '@/core/batch/fold';
import { observedIn, type NewReading, type NodeKey, type ReadingKind } from '@/core/batch/reading';
import { isDone } from '@/core/batch/steps';
import { summaryOf } from '@/core/batch/summary';
import { standing } from '@/core/standing';
import { readBatchHistory } from '../repositories/batch-history';
import { readBatch, type StoredBatch } from '../repositories/batches';
import { readReadings } from '../repositories/readings';
import { batch, reading } from '../schema/batches';
import { holding, packContent } from '../schema/stock';
import { inMass, need, refuse, type Context } from './run';

const isIn = <State extends StoredBatch['state']>(
  batch: StoredBatch,
  states: readonly State[],
): batch is Extract<StoredBatch, { state: State }> => isAmong(states, batch.state);

/** A batch in one of these states, and not changed since the page showed it. */
export async function batchIn<State extends StoredBatch['state']>(
  context: Context,
  asked: { readonly batchId: number; readonly revision?: number },
  states: readonly State[],
): Promise<Extract<StoredBatch, { state: State }>> {
  const { tx, household } = context;
  const found =
    (await readBatch(tx, asked.batchId, household.energyFactors)) ?? refuse('This batch is not here any more.');
  if (!isIn(found, states))
    return refuse(`This batch is already ${found.state}: somebody has gone on with it. Look again.`);
  if (asked.revision !== undefined && asked.revision !== found.revision)
    refuse(`Another page has gone on with this batch: ${saidOf(context, found)}. Look, and press again.`, 'revision');
  return found;
}

/** What a batch is now, for somebody whose page is older. */
function saidOf(context: Context, found: StoredBatch): string {
  const write = inMass(context);
  if (found.state !== 'weighed') return `it is ${found.state}`;
  const shares = found.shares.map((share) => `${write(share.grams)} ${share.fate}`).join(', ');
  return `${write(found.whole.net)} were weighed${shares === '' ? '' : `, divided as ${shares}`}`;
}

/** Writes readings of a batch. */
export async function observe({ tx, now }: Context, batchId: number, readings: readonly NewReading[]): Promise<void> {
  if (readings.length === 0) return;
  await tx.insert(reading).values(
    readings.map(({ node, kind, value, text, take, takesBack, at, instrument }) => ({
      batchId,
      node,
      kind,
      value: value ?? null,
      text: text?.trim() || null,
      take: take ?? null,
      takesBack: takesBack ?? null,
      instrument: instrument ?? null,
      at: at ?? now,
      writtenAt: now,
    })),
  );
}

/** Strikes out everything that stands of some nodes, with the reason; it stays to be seen. */
export async function strike(
  context: Context,
  batchId: number,
  wanted: (node: NodeKey, kind: ReadingKind) => boolean,
  reason: string,
): Promise<void> {
  const wrong = standing(await readReadings(context.tx, batchId)).filter((each) => wanted(each.node, each.kind));
  await observe(
    context,
    batchId,
    wrong.map(({ id, node }) => ({ node, kind: 'struck', takesBack: id, text: reason })),
  );
}

/** The readings that stand of a batch. */
export const observed = async ({ tx }: Context, batchId: number) => observedIn(await readReadings(tx, batchId));

/**
 * Folds a batch's whole history and keeps the result beside it: its state, its summary, and what each gram of its packs
 * holds now. Refuses a history that cannot have happened.
 */
export async function refreshBatch(context: Context, batchId: number): Promise<BatchState> {
  const { tx, household } = context;
  const state = need(foldBatch(await readBatchHistory(tx, batchId), household.energyFactors, inMass(context)));
  await tx
    .update(batch)
    .set({
      state: state.state,
      open: !isDone(state),
      summary: summaryOf(state) ?? null,
      revision: sql`${batch.revision} + 1`,
    })
    .where(eq(batch.id, batchId));
  if (state.state !== 'weighed') return state;
  for (const share of state.shares) {
    const stored = storedAs(share, state.yields);
    if (!stored || share.packs.length === 0) continue;
    await tx
      .update(packContent)
      .set({ density: stored.density, waterPerGram: stored.waterPerGram })
      .where(eq(packContent.shareId, share.id));
  }
  // What a pack holds is what its contents do, by their weights; they may be of several batches.
  const of = (
    column: typeof packContent.density | typeof packContent.waterPerGram,
    plain: typeof holding.density | typeof holding.waterPerGram,
  ) =>
    sql`coalesce((select sum(${column} * ${packContent.amount}) / nullif(sum(${packContent.amount}), 0) from ${packContent} where ${packContent.holdingId} = ${holding.id}), ${plain})`;
  await tx
    .update(holding)
    .set({
      density: of(packContent.density, holding.density),
      waterPerGram: of(packContent.waterPerGram, holding.waterPerGram),
    })
    .where(
      inArray(
        holding.id,
        tx.select({ id: packContent.holdingId }).from(packContent).where(eq(packContent.batchId, batchId)),
      ),
    );
  return state;
}
