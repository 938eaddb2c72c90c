import 'server-only';
import { asc, eq, gt } from 'drizzle-orm';
import {
  foldHolding,
  legSum,
  type HoldingState,
  type Leg,
  type Movement,
  type MovementKind,
} from '@/core/stock/ledger';
import { readHistory, readRules } from '../repositories/stock';
import { holding, leg, movement } from '../schema/stock';
import { need, refuse, type Context } from './run';

const rulesGiven = ({ reference, household }: Context) => ({
  shelfLives: reference.shelfLives,
  fridgeDays: household.fridgeDays,
});

/**
 * Writes one movement and brings every holding that it touches up to date, in id order.
 * The movement is kept only if the whole history that follows from it could have happened.
 */
export async function writeMovement(
  context: Context,
  entry: { kind: MovementKind; legs: readonly Leg[]; reverses?: number; note?: string },
): Promise<Movement> {
  const { tx, now, today } = context;
  if (legSum(entry.legs) !== 0) throw new Error(`the legs of ${entry.kind} do not sum to zero`);
  const touched = [...new Set(entry.legs.flatMap((each) => ('holdingId' in each ? [each.holdingId] : [])))].sort(
    (a, b) => a - b,
  );
  for (const id of touched) await tx.select({ id: holding.id }).from(holding).where(eq(holding.id, id)).for('update');
  const [made] = await tx
    .insert(movement)
    .values({ kind: entry.kind, at: now, day: today, reverses: entry.reverses ?? null, note: entry.note ?? null })
    .returning();
  await tx.insert(leg).values(
    entry.legs.map((each) => ({
      movementId: made!.id,
      amount: each.amount,
      ...('holdingId' in each ? { holdingId: each.holdingId, placeId: each.placeId } : { account: each.account }),
    })),
  );
  for (const id of touched) await bringUpToDate(context, id);
  return { id: made!.id, kind: entry.kind, day: today, legs: entry.legs, reverses: entry.reverses };
}

/** Brings every holding that still holds food up to date: for a rule of the household that has changed. */
export async function refoldStock(context: Context): Promise<void> {
  const held = await context.tx
    .select({ id: holding.id })
    .from(holding)
    .where(gt(holding.amount, 0))
    .orderBy(asc(holding.id));
  for (const { id } of held) await bringUpToDate(context, id);
}

/** Folds a holding's history and keeps the result beside it; refuses a history that cannot have happened. */
async function bringUpToDate(context: Context, holdingId: number): Promise<HoldingState | undefined> {
  const rules = (await readRules(context.tx, holdingId, rulesGiven(context))) ?? refuse('This pack is not known.');
  const state = need(foldHolding(await readHistory(context.tx, holdingId), rules));
  await context.tx
    .update(holding)
    .set(
      state
        ? {
            placeId: state.placeId,
            amount: state.amount,
            since: state.since,
            fridgeDaysUsed: state.fridgeDaysUsed,
            thawedOn: state.thawedOn ?? null,
            openedOn: state.openedOn ?? null,
            safeUntil: state.safeUntil ?? null,
            bestBy: state.bestBy ?? null,
            rule: state.rule,
          }
        : { amount: 0 },
    )
    .where(eq(holding.id, holdingId));
  return state;
}
