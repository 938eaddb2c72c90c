import 'server-only';
import { eq } from 'drizzle-orm';
import { tenths } from '@/core/stock/ledger';
import { readPacks, type StoredPack } from '../repositories/stock';
import { pack } from '../schema/stock';
import { atHand } from './pack-at-hand';
import type { Context } from './run';

/** Labels are written again: they say what the packs hold as it is known now. */
export async function writeLabelsAgain(context: Context, input: { holdingIds: readonly number[] }): Promise<void> {
  const packs = await readPacks(context.tx, input.holdingIds);
  for (const holdingId of input.holdingIds) await writeLabel(context, atHand(packs, holdingId));
}

const writeLabel = ({ tx }: Context, found: StoredPack) =>
  tx
    .update(pack)
    .set({
      labelAmount: tenths(found.grams),
      labelDensity: found.density,
      labelWaterPerGram: found.waterPerGram,
      labelSafeUntil: found.safeUntil ?? null,
      labelBestBy: found.bestBy ?? null,
      labelRule: found.rule,
    })
    .where(eq(pack.holdingId, found.holdingId));
