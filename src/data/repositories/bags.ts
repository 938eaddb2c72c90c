import 'server-only';
import { asc, eq, inArray } from 'drizzle-orm';
import type { Tx } from '../database';
import { tray } from '../schema/batches';
import { ifRead } from '../schema/kept-json';
import { packContent } from '../schema/stock';

/** The places of the trays that a pack was filled from, where it was filled tray by tray. */
export async function readTraysOfPack(tx: Tx, holdingId: number): Promise<number[]> {
  const rows = await tx
    .select({ trays: packContent.trays })
    .from(packContent)
    .where(eq(packContent.holdingId, holdingId));
  const ids = rows.flatMap(({ trays }) =>
    (ifRead(trays) ?? []).filter(({ amount }) => amount > 0).map(({ trayId }) => trayId),
  );
  if (ids.length === 0) return [];
  const places = await tx
    .select({ position: tray.position })
    .from(tray)
    .where(inArray(tray.id, ids))
    .orderBy(asc(tray.position));
  return places.map(({ position }) => position);
}
