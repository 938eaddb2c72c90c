import 'server-only';
import { sql } from 'drizzle-orm';
import type { PacksAt } from '@/core/batch/ends';
import type { LocalDate } from '@/core/calendar/local-date';
import type { Fate } from '@/core/portion/shares';
import type { PlaceKind } from '@/core/preserve/shelf-life';
import type { Tx } from '../database';
import { share } from '../schema/batches';
import { place } from '../schema/household';
import { holding, packContent } from '../schema/stock';

interface Row extends Record<string, unknown> {
  readonly batch: number;
  readonly fate: Fate;
  readonly place: PlaceKind;
  readonly packed: number;
  readonly left: number;
  readonly until: LocalDate | null;
}

/** Of those of the asked batches of which something is in store, what was packed and what is left, by fate and place. */
export async function readPacksAt(tx: Tx, batchIds: readonly number[]): Promise<ReadonlyMap<number, PacksAt[]>> {
  if (batchIds.length === 0) return new Map();
  const ids = sql.join(
    batchIds.map((id) => sql`${id}`),
    sql`, `,
  );
  // A pack of several batches is left in the same parts as it was made of.
  const { rows } = await tx.execute<Row>(sql`
    with living as (
      select distinct content.batch_id from ${packContent} content join ${holding} held on held.id = content.holding_id
      where held.amount > 0 and not held.void and content.batch_id in (${ids})
    ), whole as (
      select content.holding_id, sum(content.amount)::float8 amount from ${packContent} content
      where content.holding_id in (
        select own.holding_id from ${packContent} own where own.batch_id in (select batch_id from living)
      ) group by 1
    )
    select content.batch_id batch, own.fate, at.kind place,
      sum(content.amount)::float8 / 10 packed,
      sum(held.amount * content.amount / nullif(whole.amount, 0))::float8 / 10 "left",
      min(coalesce(held.safe_until, held.best_by)) filter (where held.amount > 0)::text until
    from ${packContent} content
      join living on living.batch_id = content.batch_id
      join whole on whole.holding_id = content.holding_id
      join ${holding} held on held.id = content.holding_id
      join ${share} own on own.id = content.share_id
      join ${place} at on at.id = held.place_id
    where not held.void
    group by 1, 2, 3
    order by 1, 2, 3`);
  const found = new Map<number, PacksAt[]>();
  for (const { batch, until, ...row } of rows)
    found.set(batch, [...(found.get(batch) ?? []), { ...row, until: until ?? undefined }]);
  return found;
}
