import 'server-only';
import { eq } from 'drizzle-orm';
import type { Answer, Outcome, Problem } from '@/core/problem';
import { writeMassIn } from '@/core/quantity/write';
import { dayIn, type LocalDate } from '@/core/calendar/local-date';
import type { Database, Tx } from '../database';
import type { Reference } from '../reference/reference';
import { readHousehold, type Household } from '../repositories/household';
import { command } from '../schema/household';

/** What a command works with: the open transaction and everything that it must not look up by itself. */
export interface Context {
  readonly tx: Tx;
  readonly now: Date;
  readonly today: LocalDate;
  readonly household: Household;
  readonly reference: Reference;
}

/** Thrown by a command to undo everything and tell the cook why. */
export class Refusal extends Error {
  readonly problems: readonly Problem[];

  constructor(...problems: Problem[]) {
    super(problems.map((problem) => problem.message).join(' '));
    this.problems = problems;
  }
}

export const refuse = (message: string, field?: string): never => {
  throw new Refusal({ message, field });
};

/** The value of an outcome; a problem refuses the whole command. */
export function need<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new Refusal(outcome.problem);
}

/** Says a weight as this household's scale shows it. */
export const inMass =
  ({ household }: Context) =>
  (mass: number): string =>
    writeMassIn(mass, household.unitSet);

export async function contextFor(tx: Tx, reference: Reference, now: Date): Promise<Context> {
  const household = await readHousehold(tx);
  return { tx, now, today: dayIn(now, household.timeZone), household, reference };
}

/**
 * Runs a change in one transaction, once for each command id: the second time it answers what it answered before.
 * A refusal undoes everything, the id too, so that the corrected form may be sent again.
 */
export async function runCommand<T>(
  house: { db: Database; reference: Reference; now: Date },
  asked: { id: string; kind: string },
  work: (context: Context) => Promise<T>,
): Promise<Answer<T>> {
  try {
    return await house.db.transaction(async (tx) => {
      const fresh = await tx
        .insert(command)
        .values({ id: asked.id, kind: asked.kind, at: house.now })
        .onConflictDoNothing()
        .returning({ id: command.id });
      if (fresh.length === 0) {
        const [before] = await tx.select().from(command).where(eq(command.id, asked.id));
        return { ok: true as const, value: before?.result as T };
      }
      const value = await work(await contextFor(tx, house.reference, house.now));
      await tx
        .update(command)
        .set({ result: value ?? null })
        .where(eq(command.id, asked.id));
      return { ok: true as const, value };
    });
  } catch (error) {
    // Drizzle wraps what is thrown inside a transaction only for failed queries; a Refusal arrives as it is.
    if (error instanceof Refusal) return { ok: false, problems: error.problems };
    throw error;
  }
}
