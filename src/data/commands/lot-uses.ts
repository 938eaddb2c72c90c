import 'server-only';
import { eq } from 'drizzle-orm';
import { keyOfTake, type Take } from '@/core/batch/evidence';
import { reversedLegs, tenths } from '@/core/stock/ledger';
import { drawLots } from '@/core/stock/lot';
import { nth, sure } from '@/core/sure';
import { readLotsOf, readUses } from '../repositories/lots';
import { readMovement } from '../repositories/movements';
import { lotUse } from '../schema/stock';
import { writeMovements, type NewMovement } from './ledger';
import { refuse, type Context } from './run';

/** A line that goes into a pot, and the lots that the cook says it is of. */
export interface LineUsed {
  readonly line: number;
  readonly take: Take;
  /** g as bought. */
  readonly grams: number;
  readonly named?: readonly number[];
}

/**
 * Takes what went into a pot from the ingredients in the house, first expired first, or as the cook said. What no book knew of is
 * no reason not to cook.
 */
export async function takeLots(context: Context, batchId: number, lines: readonly LineUsed[]): Promise<void> {
  const keys = [...new Set(lines.flatMap(({ take }) => keyOfTake(take) ?? []))];
  const stored = await readLotsOf(context.tx, keys);
  const left = new Map(stored.map((lot) => [lot.holdingId, lot.grams]));
  const uses = lines.flatMap(({ line, take, grams, named }) => {
    const own = stored
      .filter((lot) => lot.key === keyOfTake(take))
      .map((lot) => ({ ...lot, grams: sure(left.get(lot.holdingId)) }));
    const drawn = drawLots(grams, own, context.today, named).uses;
    for (const use of drawn) left.set(use.holdingId, sure(left.get(use.holdingId)) - use.grams);
    return drawn.map((use) => ({ ...use, line, amount: tenths(use.grams) }));
  });
  const made = await writeMovements(
    context,
    uses.map(({ holdingId, amount }): NewMovement => ({
      kind: 'used',
      legs: [
        { holdingId, placeId: sure(stored.find((lot) => lot.holdingId === holdingId)).placeId, amount: -amount },
        { account: 'cooked', amount },
      ],
    })),
  );
  if (made.length === 0) return;
  await context.tx.insert(lotUse).values(
    uses.map(({ holdingId, line, amount }, index) => ({
      movementId: nth(made, index).id,
      holdingId,
      batchId,
      line,
      amount,
    })),
  );
}

/** A line went in otherwise: what it took goes back, and what it really was is taken, of the same lots as far as it is the same food. */
export async function takeLotsAgain(context: Context, batchId: number, used: LineUsed): Promise<void> {
  const { tx } = context;
  const before = (await readUses(tx, { batchIds: [batchId] })).filter(({ line }) => line === used.line);
  // A pot that was cooked before anybody kept ingredients took none, and a correction of it takes none.
  if (before.length === 0 && !(await tookAny(context, batchId))) return;
  for (const { movementId } of before) {
    const taken = sure(await readMovement(tx, movementId));
    const [back] = await writeMovements(context, [
      { kind: 'reversed', legs: reversedLegs(taken.legs), takesBack: movementId, note: 'it went in otherwise' },
    ]);
    await tx
      .update(lotUse)
      .set({ reversedBy: sure(back).id })
      .where(eq(lotUse.movementId, movementId));
  }
  await takeLots(context, batchId, [{ ...used, named: used.named ?? before.map(({ holdingId }) => holdingId) }]);
}

const tookAny = async ({ tx }: Context, batchId: number): Promise<boolean> =>
  (await tx.select({ line: lotUse.line }).from(lotUse).where(eq(lotUse.batchId, batchId)).limit(1)).length > 0;

/** What was taken back by hand did not go into the pot; it is put right there, and not by putting the movement back. */
export async function forgetUse({ tx }: Context, movementId: number, reversalId: number): Promise<void> {
  const [use] = await tx.select().from(lotUse).where(eq(lotUse.movementId, movementId));
  if (!use) return;
  if (use.reversedBy !== null) refuse('What went into a pot is put right on its batch.');
  await tx.update(lotUse).set({ reversedBy: reversalId }).where(eq(lotUse.movementId, movementId));
}
