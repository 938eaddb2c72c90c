import 'server-only';
import { sql } from 'drizzle-orm';
import type { SetupFacts } from '@/core/household/setup';
import type { Tx } from '../database';
import { batch, share } from '../schema/batches';
import { dog } from '../schema/dogs';
import { equipment } from '../schema/household';
import { recipe } from '../schema/recipes';
import { bowl } from '../schema/bowls';
import { packContent } from '../schema/stock';
import type { Household } from './household';

interface Row extends Record<string, unknown> {
  readonly dog: string | null;
  readonly recipe: string | null;
  readonly kitchen: boolean;
  readonly pot: number | null;
  readonly state: 'planned' | 'cooking' | 'weighed' | null;
  readonly packed: boolean;
}

/** How far a house is on its way to the first bowl; once one was fed, nothing more is asked. */
export async function readSetupFacts(tx: Tx, household: Household): Promise<SetupFacts> {
  const nothing = { dog: undefined, recipe: undefined, hasKitchen: false, pot: undefined };
  const fed = (await tx.execute<{ fed: boolean }>(sql`select exists (select from ${bowl}) fed`)).rows[0]?.fed === true;
  if (fed && household.unitsSaid) return { measuresSaid: true, ...nothing, fed };
  const { rows } = await tx.execute<Row>(sql`
    with newest as (select id, state from ${batch} where dropped_at is null order by id desc limit 1)
    select
      (select name from ${dog} where archived_at is null order by id limit 1) dog,
      (select name from ${recipe} where archived_at is null order by id limit 1) recipe,
      exists (select from ${equipment} where archived_at is null) kitchen,
      (select id from newest) pot,
      (select state from newest) state,
      exists (select from ${packContent} where batch_id = (select id from newest))
        or exists (select from ${share} where batch_id = (select id from newest) and fate = 'today') packed`);
  const row = rows[0];
  return {
    measuresSaid: household.unitsSaid,
    dog: row?.dog ?? undefined,
    recipe: row?.recipe ?? undefined,
    hasKitchen: row?.kitchen === true,
    pot: row?.pot && row.state ? { id: row.pot, state: row.state, packed: row.packed } : undefined,
    fed,
  };
}
