import 'server-only';
import { and, count, eq, gt, isNull, ne } from 'drizzle-orm';
import type { Away } from '@/core/away';
import { batch } from '../schema/batches';
import { equipment, place } from '../schema/household';
import { recipe, supply } from '../schema/recipes';
import { holding } from '../schema/stock';
import { refuse, type Context } from './run';
import { sure } from '@/core/sure';

/**
 * Puts a thing away, or brings it back: it is on no list and in no choice, and nothing that history needs is gone.
 * What is cooked of a plan stays; a place is empty first, and never the last of its kind.
 */
export async function putAway(context: Context, { kind, id, away }: Away): Promise<void> {
  const { tx, now } = context;
  const archivedAt = away ? now : null;
  const gone = () => refuse('That is not here any more. Look again.');
  switch (kind) {
    case 'recipe': {
      const [kept] = await tx.update(recipe).set({ archivedAt }).where(eq(recipe.id, id)).returning({ id: recipe.id });
      return kept ? undefined : gone();
    }
    case 'supply': {
      const [kept] = await tx.update(supply).set({ archivedAt }).where(eq(supply.id, id)).returning({ id: supply.id });
      return kept ? undefined : gone();
    }
    case 'equipment': {
      const [kept] = await tx
        .update(equipment)
        .set({ archivedAt })
        .where(eq(equipment.id, id))
        .returning({ id: equipment.id });
      return kept ? undefined : gone();
    }
    case 'place':
      return putPlaceAway(context, id, archivedAt);
    case 'plan': {
      const own = await tx.select({ state: batch.state }).from(batch).where(eq(batch.planId, id));
      if (own.length === 0) return gone();
      if (own.some(({ state }) => state !== 'planned'))
        refuse('Something of this plan is being cooked already: it stands.');
      await tx.update(batch).set({ droppedAt: archivedAt }).where(eq(batch.planId, id));
      return;
    }
  }
}

async function putPlaceAway({ tx }: Context, id: number, archivedAt: Date | null): Promise<void> {
  const [own] = await tx.select().from(place).where(eq(place.id, id));
  if (!own) return refuse('This place is not here any more.');
  if (archivedAt) {
    const [packs] = await tx
      .select({ there: count() })
      .from(holding)
      .where(and(eq(holding.placeId, id), gt(holding.amount, 0)));
    if (sure(packs).there > 0)
      refuse(`Something lies in it still: move it out of the ${own.name.toLowerCase()} first.`);
    const [others] = await tx
      .select({ there: count() })
      .from(place)
      .where(and(eq(place.kind, own.kind), ne(place.id, id), isNull(place.archivedAt)));
    if (sure(others).there === 0) refuse(`It is the only ${own.kind} of this house: set down another one first.`);
  }
  await tx.update(place).set({ archivedAt }).where(eq(place.id, id));
}
