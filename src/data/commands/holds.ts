import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import { readHold, type HoldEntry } from '@/core/stock/held';
import { readAvoided } from '../repositories/avoided';
import { readPacks } from '../repositories/stock';
import { sourceOf } from '../repositories/sources';
import { packHold } from '../schema/stock';
import { dogIn } from './dog-at-hand';
import { need, refuse, type Context } from './run';

/** Keeps a pack for one dog's day: until then nobody gets it, and on that day it is this dog's first. */
export async function holdPack(context: Context, input: HoldEntry): Promise<void> {
  const { tx, today, reference } = context;
  const dog = await dogIn(context, input.dogId);
  const [pack] = await readPacks(tx, [input.holdingId]);
  if (!pack || pack.void || pack.grams <= 0) return refuse('There is nothing of this pack any more. Look again.');
  const avoided = await readAvoided(tx, reference, [dog], today);
  const source = { ...sourceOf(pack, new Map()), notFor: avoided.dogsNotFor({ holdingId: pack.holdingId }) };
  const day = need(readHold(source, dog, input.day, today));
  await freePack(context, { holdingId: pack.holdingId });
  await tx.insert(packHold).values({ holdingId: pack.holdingId, dogId: dog.id, day });
}

/** The pack is used when its turn comes, as any other. */
export async function freePack({ tx, now }: Context, input: { holdingId: number }): Promise<void> {
  await tx
    .update(packHold)
    .set({ endedAt: now })
    .where(and(eq(packHold.holdingId, input.holdingId), isNull(packHold.endedAt)));
}
