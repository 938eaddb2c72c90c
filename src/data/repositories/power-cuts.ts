import 'server-only';
import { and, asc, desc, eq, isNull } from 'drizzle-orm';
import type { CutEvent } from '@/core/preserve/power-cut';
import type { Tx } from '../database';
import { powerCut, powerCutEvent } from '../schema/household';

export interface StoredCut {
  readonly id: number;
  readonly startedAt: Date;
  readonly endedAt: Date | undefined;
  readonly events: readonly CutEvent[];
}

/** The cut that runs, or is over and not settled yet; undefined: there is none. */
export async function readOpenCut(tx: Tx): Promise<StoredCut | undefined> {
  const [row] = await tx
    .select()
    .from(powerCut)
    .where(and(isNull(powerCut.settledAt), isNull(powerCut.droppedAt)))
    .orderBy(desc(powerCut.id))
    .limit(1);
  if (!row) return undefined;
  const events = await tx
    .select()
    .from(powerCutEvent)
    .where(and(eq(powerCutEvent.cutId, row.id), isNull(powerCutEvent.unsaidAt)))
    .orderBy(asc(powerCutEvent.id));
  return { id: row.id, startedAt: row.startedAt, endedAt: row.endedAt ?? undefined, events };
}
