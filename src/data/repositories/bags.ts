import 'server-only';
import { and, asc, eq, inArray } from 'drizzle-orm';
import type { FromTray } from '@/core/preserve/bagging';
import type { Tx } from '../database';
import { tray } from '../schema/batches';
import { holding, packContent } from '../schema/stock';

/** What of the trays of a share lies in packs that were not taken back, pack by pack, in tenths of a gram. */
export const readBaggedTrays = async (tx: Tx, shareId: number): Promise<(readonly FromTray[])[]> =>
  (
    await tx
      .select({ trays: packContent.trays })
      .from(packContent)
      .innerJoin(holding, eq(holding.id, packContent.holdingId))
      .where(and(eq(packContent.shareId, shareId), eq(holding.void, false)))
      .orderBy(asc(packContent.id))
  ).map(({ trays }) => trays ?? []);

/** The places of the trays that a pack was filled from, where it was filled tray by tray. */
export async function readTraysOfPack(tx: Tx, holdingId: number): Promise<number[]> {
  const rows = await tx
    .select({ trays: packContent.trays })
    .from(packContent)
    .where(eq(packContent.holdingId, holdingId));
  const ids = rows.flatMap(({ trays }) => (trays ?? []).filter(({ amount }) => amount > 0).map(({ trayId }) => trayId));
  if (ids.length === 0) return [];
  const places = await tx
    .select({ position: tray.position })
    .from(tray)
    .where(inArray(tray.id, ids))
    .orderBy(asc(tray.position));
  return places.map(({ position }) => position);
}
