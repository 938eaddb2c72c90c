import 'server-only';
import { and, asc, eq, isNull } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import { isDried } from '@/core/preserve/shelf-life';
import { BOWL_HOURS, leftOf, type LeftEntry } from '@/core/stock/left';
import type { Leg } from '@/core/stock/ledger';
import { nth } from '@/core/sure';
import { readPacks } from '../repositories/stock';
import { bowl, bowlLeft, bowlPart } from '../schema/bowls';
import { writeMovement } from './ledger';
import { inMass, need, refuse, type Context } from './run';

const HOUR = 3_600_000;

/** A dog left something: it was not eaten, but thrown away, or put back into its pack in the fridge within two hours. */
export async function leaveInBowl(context: Context, input: LeftEntry): Promise<{ movementIds: number[] }> {
  const { tx, now } = context;
  const [found] = await tx.select().from(bowl).where(eq(bowl.id, input.bowlId));
  if (!found || found.reversedBy !== null) return refuse('This bowl was taken back: feed it anew.');
  const [before] = await tx
    .select({ id: bowlLeft.id })
    .from(bowlLeft)
    .where(and(eq(bowlLeft.bowlId, found.id), isNull(bowlLeft.reversedBy)));
  if (before) refuse('What was left of this bowl is written down already: take that back first.');
  const parts = await tx.select().from(bowlPart).where(eq(bowlPart.bowlId, found.id)).orderBy(asc(bowlPart.id));
  const left = need(leftOf(parts, input.much, inMass(context)));
  const amount = addUp(left, (each) => each.amount);
  const legs: Leg[] =
    input.fate === 'thrown' ? [{ account: 'thrown', amount }] : await backInto(context, found.fedAt, parts, left);
  const made = await writeMovement(context, {
    kind: input.fate === 'thrown' ? 'discarded' : 'returned',
    note: 'left in the bowl',
    at: now,
    legs: [{ account: 'eaten', amount: -amount }, ...legs],
  });
  await tx.insert(bowlLeft).values({
    bowlId: found.id,
    amount,
    kcal: addUp(left, (each) => each.kcal),
    fate: input.fate,
    movementId: made.id,
  });
  return { movementIds: [made.id] };
}

/** What is left goes back into the packs that it came from; refused where it must be thrown away. */
async function backInto(
  context: Context,
  fedAt: Date,
  parts: readonly (typeof bowlPart.$inferSelect)[],
  left: readonly { readonly amount: number }[],
): Promise<Leg[]> {
  const hours = (context.now.getTime() - fedAt.getTime()) / HOUR;
  if (hours > BOWL_HOURS)
    refuse(`It stood for ${Math.round(hours)} h: after ${BOWL_HOURS} h in a bowl it is thrown away (USDA).`, 'fate');
  const packs = await readPacks(
    context.tx,
    parts.flatMap((part) => part.holdingId ?? []),
  );
  return parts.flatMap((part, index): Leg[] => {
    const { amount } = nth(left, index);
    if (amount === 0) return [];
    const pack = packs.find((each) => each.holdingId === part.holdingId);
    if (!pack) return refuse('What was fed warm from the pot has no pack to go back into: it is thrown away.', 'fate');
    if (isDried(pack.foodKind))
      return refuse(`${pack.code} was put back into water: after ${BOWL_HOURS} h it is thrown away (USDA).`, 'fate');
    if (pack.placeKind !== 'fridge')
      return refuse(`${pack.code} is in the ${pack.placeKind} by now: this is thrown away.`, 'fate');
    return [{ holdingId: pack.holdingId, placeId: pack.placeId, amount }];
  });
}
