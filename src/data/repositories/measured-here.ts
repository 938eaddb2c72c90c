import 'server-only';
import { desc, eq } from 'drizzle-orm';
import { besideReckoned, type Beside } from '@/core/learned/beside';
import { observationKey, type Observation } from '@/core/learned/figure';
import { writeNumber } from '@/core/quantity/write';
import { dayIn } from '@/core/calendar/local-date';
import type { Tx } from '../database';
import { measuredHere } from '../schema/household';
import { readStruck } from './struck';

export type MeasuredKind = (typeof measuredHere.$inferSelect)['kind'];

/** Of so many, the newest, it is learned. */
const REMEMBERED = 60;

/** A measurement in % of what was reckoned, and of what it is. */
export type MeasuredObservation = Observation & { readonly of: string };

/** What was measured of a kind, the newest first. */
export async function readMeasured(tx: Tx, kind: MeasuredKind, timeZone: string): Promise<MeasuredObservation[]> {
  const rows = await tx
    .select()
    .from(measuredHere)
    .where(eq(measuredHere.kind, kind))
    .orderBy(desc(measuredHere.id))
    .limit(REMEMBERED);
  const struck = rows.length > 0 ? await readStruck(tx) : new Set<string>();
  const unit = kind === 'fill' ? 'g' : 'h';
  return rows.map(({ id, of, value, reckoned, at }) => {
    const key = observationKey(kind, id);
    return {
      key,
      of,
      day: dayIn(at, timeZone),
      said: `${of}: ${writeNumber(value, 1)} ${unit}, reckoned ${writeNumber(reckoned, 1)} ${unit}`,
      value: (value / reckoned) * 100,
      isStruck: struck.has(key),
    };
  });
}

/** By what this freezer is off what is reckoned. */
export const readFreezing = async (tx: Tx, timeZone: string): Promise<Beside> =>
  besideReckoned(await readMeasured(tx, 'frozen', timeZone));

/** By what each container is off what stands under Household, by its name. */
export async function readFills(tx: Tx): Promise<ReadonlyMap<string, Beside>> {
  const all = await readMeasured(tx, 'fill', 'UTC');
  return new Map(
    [...new Set(all.map(({ of }) => of))].map((of) => [of, besideReckoned(all.filter((each) => each.of === of))]),
  );
}

/** Writes a measurement down. */
export async function writeMeasured(tx: Tx, row: Omit<typeof measuredHere.$inferInsert, 'id'>): Promise<void> {
  await tx.insert(measuredHere).values(row);
}
