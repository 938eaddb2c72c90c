import 'server-only';
import { asc, gt } from 'drizzle-orm';
import type { ShelfLife } from '@/core/preserve/shelf-life';
import { readKeeps, type KeepsEntry } from '@/core/preserve/keeps-entry';
import { foldHolding, type HoldingState } from '@/core/stock/ledger';
import { readHistories, readRules } from '../repositories/movements';
import { rulesNow, type StoredRules } from '../repositories/shelf-rules';
import { holding } from '../schema/stock';
import { shelfRules } from '../schema/household';
import { datingIn, writeMovements, type NewMovement } from './ledger';
import { need, refuse, type Context } from './run';

/** Writes rules of dates that hold from now on; what is in stock keeps its own. */
export async function newRules(
  { tx, now }: Context,
  { cookedFridgeDays, own }: Pick<StoredRules, 'cookedFridgeDays' | 'own'>,
): Promise<void> {
  await tx.insert(shelfRules).values({ cookedFridgeDays, own: [...own], since: now });
}

/** How long things keep in this household: its own rows take the place of the table's. */
export async function saveKeeps(context: Context, input: { entry: KeepsEntry }): Promise<void> {
  const own: readonly ShelfLife[] = need(readKeeps(input.entry, context.reference.shelfLives));
  const before = rulesNow(context.rules);
  if (JSON.stringify(own) === JSON.stringify(before.own)) refuse('That is how long it keeps already.');
  await newRules(context, { cookedFridgeDays: before.cookedFridgeDays, own });
}

/** A pack that older rules date, with its dates by them and by those that hold now. */
export interface OldDates {
  readonly holdingId: number;
  readonly placeId: number;
  readonly amount: number;
  readonly before: Pick<HoldingState, 'safeUntil' | 'bestBy'>;
  readonly after: Pick<HoldingState, 'safeUntil' | 'bestBy' | 'rule'>;
}

/** What of the stock would have other dates by the rules that hold now. */
export async function oldDates(context: Pick<Context, 'tx' | 'reference' | 'rules'>): Promise<OldDates[]> {
  const { tx } = context;
  const now = rulesNow(context.rules);
  if (context.rules.length < 2) return [];
  const held = (
    await tx.select({ id: holding.id }).from(holding).where(gt(holding.amount, 0)).orderBy(asc(holding.id))
  ).map(({ id }) => id);
  const histories = await readHistories(tx, held);
  return (await readRules(tx, held, datingIn(context))).flatMap((rules) => {
    const history = histories.get(rules.holdingId) ?? [];
    const state = foldHolding(history, rules);
    const by = foldHolding(history, { ...rules, dating: () => rules.dating(now.id) });
    if (!state.ok || !by.ok || !state.value || !by.value) return [];
    if (state.value.safeUntil === by.value.safeUntil && state.value.bestBy === by.value.bestBy) return [];
    const { placeId, amount } = state.value;
    return [{ holdingId: rules.holdingId, placeId, amount, before: state.value, after: by.value }];
  });
}

/** Dates what is in stock by the rules that hold now, each pack by a movement of its own. */
export async function redateStock(context: Context): Promise<{ count: number }> {
  const old = await oldDates(context);
  if (old.length === 0) refuse('Everything is dated by these rules already.');
  await writeMovements(
    context,
    old.map(({ holdingId, placeId, amount }): NewMovement => ({
      kind: 'redated',
      legs: [
        { holdingId, placeId, amount: -amount },
        { holdingId, placeId, amount },
      ],
    })),
  );
  return { count: old.length };
}
