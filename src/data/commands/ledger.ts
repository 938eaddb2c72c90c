import 'server-only';
import { and, asc, eq, gt, inArray, lt } from 'drizzle-orm';
import {
  FOLD,
  foldHolding,
  legSum,
  type HoldingRules,
  type HoldingState,
  type Leg,
  type Movement,
  type MovementKind,
} from '@/core/stock/ledger';
import type { Database } from '../database';
import type { Reference } from '../reference/reference';
import { clockAsked } from '../clock-asked';
import { readHistories, readRules } from '../repositories/movements';
import { datingBy, readShelfRules, rulesNow } from '../repositories/shelf-rules';
import { holding, leg, movement } from '../schema/stock';
import { need, refuse, type Context } from './run';
import { nth } from '@/core/sure';

/** The rules of dates by their id; without one, as they were before ids were written. */
export const datingIn = ({ reference, rules }: Pick<Context, 'reference' | 'rules'>): HoldingRules['dating'] =>
  datingBy(reference.shelfLives, rules);

/** What is packed or found is dated by the rules of that day, and what is dated anew by those of that one. */
const TAKES_RULES: ReadonlySet<MovementKind> = new Set(['packed', 'found', 'received', 'redated']);

export interface NewMovement {
  readonly kind: MovementKind;
  readonly legs: readonly Leg[];
  readonly takesBack?: number;
  readonly note?: string;
  /** When it happened, where that is not now. */
  readonly at?: Date;
  readonly day?: Movement['day'];
}

/** Nothing is written on a day that lies before what is written already, unless the cook has said that the clock is right. */
async function askForClock(context: Context): Promise<void> {
  if (context.written.length > 0) return;
  const asked = await clockAsked(context.tx, context);
  if (asked !== undefined) refuse(`${asked} Put it right, or answer on Today.`);
}

/** Writes movements as they are; what they touch is not brought up to date. */
export async function appendMovements(context: Context, entries: readonly NewMovement[]): Promise<readonly Movement[]> {
  const { tx, now, today, rules, written } = context;
  if (entries.length === 0) return [];
  await askForClock(context);
  for (const { kind, legs } of entries)
    if (legSum(legs) !== 0) throw new Error(`the legs of ${kind} do not sum to zero`);
  const rulesOf = (kind: MovementKind) => (TAKES_RULES.has(kind) ? rulesNow(rules).id : undefined);
  const made = await tx
    .insert(movement)
    .values(
      entries.map((entry) => ({
        kind: entry.kind,
        at: entry.at ?? now,
        day: entry.day ?? today,
        reverses: entry.takesBack ?? null,
        note: entry.note ?? null,
        rulesId: rulesOf(entry.kind) ?? null,
      })),
    )
    .returning({ id: movement.id });
  written.push(...made.map((row) => row.id));
  await tx.insert(leg).values(
    entries.flatMap(({ legs }, index) =>
      legs.map((each) => ({
        movementId: nth(made, index).id,
        amount: each.amount,
        ...('holdingId' in each ? { holdingId: each.holdingId, placeId: each.placeId } : { account: each.account }),
      })),
    ),
  );
  return entries.map(({ kind, legs, takesBack, day }, index) => ({
    id: nth(made, index).id,
    kind,
    legs,
    day: day ?? today,
    ...(takesBack === undefined ? {} : { takesBack }),
    ...(rulesOf(kind) === undefined ? {} : { rulesId: rulesOf(kind) }),
  }));
}

const touchedBy = (entries: readonly NewMovement[]) => [
  ...new Set(entries.flatMap(({ legs }) => legs.flatMap((each) => ('holdingId' in each ? [each.holdingId] : [])))),
];

/**
 * Writes movements and brings every holding that they touch up to date, locked in id order.
 * They are kept only if the whole history that follows from them could have happened.
 */
export async function writeMovements(context: Context, entries: readonly NewMovement[]): Promise<readonly Movement[]> {
  const touched = touchedBy(entries);
  if (touched.length > 0)
    await context.tx
      .select({ id: holding.id })
      .from(holding)
      .where(inArray(holding.id, touched))
      .orderBy(asc(holding.id))
      .for('update');
  const made = await appendMovements(context, entries);
  await refold(context, touched);
  return [...made, ...(await blockParts(context, entries))];
}

/** What is taken out of something blocked into something new is blocked as well, each by a movement of its own that can be taken back. */
async function blockParts(context: Context, entries: readonly NewMovement[]): Promise<readonly Movement[]> {
  const parted = entries.filter(({ kind }) => kind === 'split' || kind === 'merged');
  if (parted.length === 0) return [];
  const touched = touchedBy(parted);
  const states = await context.tx
    .select({ id: holding.id, blocked: holding.blocked, placeId: holding.placeId, amount: holding.amount })
    .from(holding)
    .where(inArray(holding.id, touched));
  const isBlocked = (id: number) => states.some((state) => state.id === id && state.blocked);
  const parts = parted.flatMap(({ legs }) => {
    const own = legs.flatMap((each) => ('holdingId' in each ? [each] : []));
    const from = own.some(({ holdingId, amount }) => amount < 0 && isBlocked(holdingId));
    return from ? own.flatMap(({ holdingId, amount }) => (amount > 0 && !isBlocked(holdingId) ? [holdingId] : [])) : [];
  });
  if (parts.length === 0) return [];
  const blocked = states
    .filter(({ id }) => parts.includes(id))
    .map(({ id, placeId, amount }): NewMovement => ({
      kind: 'blocked',
      note: 'part of what is blocked',
      legs: [
        { holdingId: id, placeId, amount: -amount },
        { holdingId: id, placeId, amount },
      ],
    }));
  const written = await appendMovements(context, blocked);
  await refold(context, parts);
  return written;
}

export const writeMovement = async (context: Context, entry: NewMovement): Promise<Movement> =>
  nth(await writeMovements(context, [entry]), 0);

/** What is kept of a fold beside its holding. */
export const keptOf = (state: HoldingState) => ({
  placeId: state.placeId,
  amount: state.amount,
  since: state.since,
  fridgeDaysUsed: state.fridgeDaysUsed,
  thawedOn: state.thawedOn ?? null,
  openedOn: state.openedOn ?? null,
  blocked: state.blocked,
  safeUntil: state.safeUntil ?? null,
  bestBy: state.bestBy ?? null,
  rule: state.rule,
  keepsThawed: state.keeps.thawed ?? null,
  keepsOpened: state.keeps.opened ?? null,
  foldedBy: FOLD,
});

/** Folds the histories of holdings and keeps the result beside them; refuses one that cannot have happened. */
export async function refold(
  context: Pick<Context, 'tx' | 'reference' | 'rules'>,
  holdingIds: readonly number[],
): Promise<void> {
  const { tx } = context;
  const histories = await readHistories(tx, holdingIds);
  for (const rules of await readRules(tx, holdingIds, datingIn(context))) {
    const state = need(foldHolding(histories.get(rules.holdingId) ?? [], rules));
    await tx
      .update(holding)
      .set(state ? { ...keptOf(state), void: false } : { amount: 0, void: true, foldedBy: FOLD })
      .where(eq(holding.id, rules.holdingId));
  }
}

/** Folds anew what is in stock and was kept by an older form of the fold: once, when the house opens after an upgrade. */
export async function refoldOlder(db: Database, reference: Reference): Promise<void> {
  await db.transaction(async (tx) => {
    const older = await tx
      .select({ id: holding.id })
      .from(holding)
      .where(and(gt(holding.amount, 0), lt(holding.foldedBy, FOLD)))
      .orderBy(asc(holding.id));
    if (older.length === 0) return;
    await refold(
      { tx, reference, rules: await readShelfRules(tx) },
      older.map(({ id }) => id),
    );
  });
}
