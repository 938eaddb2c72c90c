import 'server-only';
import { and, asc, desc, eq, gt, isNotNull, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import type { Reading } from '@/core/batch/reading';
import type { Tx } from '../database';
import { reading } from '../schema/batches';

const toReading = (row: typeof reading.$inferSelect): Reading => ({
  id: row.id,
  node: row.node,
  kind: row.kind,
  at: row.at,
  writtenAt: row.writtenAt,
  ...(row.value === null ? {} : { value: row.value }),
  ...(row.text === null ? {} : { text: row.text }),
  ...(row.take === null ? {} : { take: row.take }),
  ...(row.instrument === null ? {} : { instrument: row.instrument }),
  ...(row.takesBack === null ? {} : { takesBack: row.takesBack }),
});

/** Everything that was observed of a batch, in the order of writing, what was struck out with it. */
export const readReadings = async (tx: Tx, batchId: number): Promise<Reading[]> =>
  (await tx.select().from(reading).where(eq(reading.batchId, batchId)).orderBy(asc(reading.id))).map(toReading);

/** °C of what stood around a pan the last time that it was said in this kitchen; undefined: never. */
export async function readAmbient(tx: Tx, where: string): Promise<number | undefined> {
  const [last] = await tx
    .select({ value: reading.value })
    .from(reading)
    .where(
      and(
        eq(reading.kind, 'note'),
        eq(reading.text, where),
        isNotNull(reading.value),
        sql`starts_with(${reading.node}, 'pan:')`,
      ),
    )
    .orderBy(desc(reading.id))
    .limit(1);
  return last?.value ?? undefined;
}

/** How many vessels are offered by name. */
const KNOWN_TARES = 6;

/** The empty weight of each vessel as it was last weighed, by its name, the latest first. */
export async function readTares(tx: Tx): Promise<{ readonly name: string; readonly tare: number }[]> {
  const empty = alias(reading, 'empty');
  const rows = await tx
    .selectDistinctOn([reading.text], { name: reading.text, tare: empty.value, id: empty.id })
    .from(reading)
    .innerJoin(
      empty,
      and(
        eq(empty.batchId, reading.batchId),
        eq(empty.node, reading.node),
        eq(empty.kind, 'tare'),
        eq(empty.writtenAt, reading.writtenAt),
      ),
    )
    .where(and(eq(reading.kind, 'gross'), isNotNull(reading.text), gt(empty.value, 0)))
    .orderBy(reading.text, desc(empty.id));
  return rows
    .sort((a, b) => b.id - a.id)
    .slice(0, KNOWN_TARES)
    .flatMap(({ name, tare }) => (name === null || tare === null ? [] : [{ name, tare }]));
}
