import 'server-only';
import { isNull } from 'drizzle-orm';
import type { Tx } from '../database';
import { struckObservation } from '../schema/household';

/** The keys of the observations that do not count. */
export const readStruck = async (tx: Tx): Promise<ReadonlySet<string>> =>
  new Set(
    (
      await tx
        .select({ key: struckObservation.key })
        .from(struckObservation)
        .where(isNull(struckObservation.countedAgainAt))
    ).map(({ key }) => key),
  );
