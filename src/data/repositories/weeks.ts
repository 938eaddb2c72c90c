import 'server-only';
import type { WeeksAsk, WeeksKept } from '@/core/weeks/ask';
import type { Tx } from '../database';
import { ifRead } from '../schema/kept-json';
import { weeks } from '../schema/household';

export interface StoredWeeks {
  /** undefined: nobody asked yet, or it cannot be read and is asked anew. */
  readonly ask: WeeksAsk | undefined;
  readonly answer: WeeksKept | undefined;
  readonly before: WeeksKept | undefined;
  readonly taken: readonly { readonly planId: number; readonly entry: string }[];
  readonly solvedAt: Date | undefined;
}

export async function readStoredWeeks(tx: Tx): Promise<StoredWeeks> {
  const [row] = await tx.select().from(weeks);
  return {
    ask: ifRead(row?.ask ?? null),
    answer: ifRead(row?.answer ?? null),
    before: ifRead(row?.before ?? null),
    taken: ifRead(row?.taken ?? null) ?? [],
    solvedAt: row?.solvedAt ?? undefined,
  };
}

/** Keeps some of it; what was never asked is asked by the first ask. */
export async function writeWeeks(
  tx: Tx,
  ask: WeeksAsk,
  change: Partial<Omit<typeof weeks.$inferInsert, 'id' | 'ask'>>,
): Promise<void> {
  await tx
    .insert(weeks)
    .values({ id: 1, ask, taken: [], ...change })
    .onConflictDoUpdate({ target: weeks.id, set: { ask, ...change } });
}
