import 'server-only';
import { createHash } from 'node:crypto';
import { eq, inArray } from 'drizzle-orm';
import type { CommandResult, Outcome, Problem } from '@/core/problem';
import { Unreadable } from '@/core/unreadable';
import { writeMassIn } from '@/core/quantity/write';
import { dayIn, type LocalDate } from '@/core/calendar/local-date';
import type { Database, Tx } from '../database';
import { isDiskFull } from '../folder/refused';
import type { Reference } from '../reference/reference';
import { readHousehold, type Household } from '../repositories/household';
import { readShelfRules, type StoredRules } from '../repositories/shelf-rules';
import { command } from '../schema/household';
import { movement } from '../schema/stock';

/** What a command works with: the open transaction and everything that it must not look up by itself. */
export interface Context {
  readonly tx: Tx;
  readonly now: Date;
  readonly today: LocalDate;
  readonly household: Household;
  readonly reference: Reference;
  /** The rules of dates that this household has had; the last ones hold. */
  readonly rules: readonly StoredRules[];
  /** The ids of the movements that were written so far. */
  readonly written: number[];
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
  return {
    tx,
    now,
    today: dayIn(now, household.timeZone),
    household,
    reference,
    rules: await readShelfRules(tx),
    written: [],
  };
}

interface CommandHouse {
  readonly db: Database;
  readonly reference: Reference;
  readonly now: Date;
  /** Returns when what was committed is on the disk: a command is not acknowledged before. */
  readonly kept?: () => Promise<void>;
  /** Why nothing can be written now, in words. */
  readonly noRoom?: () => string | undefined;
}

const digest = (input: unknown) =>
  createHash('sha256')
    .update(JSON.stringify(input ?? null))
    .digest('base64url');

/**
 * Runs a change in one transaction, once for each command id: the second time it answers what it answered before, unless
 * what it did was taken back since. An id belongs to its kind and its input. A refusal undoes everything, the id too, so
 * that the corrected form may be sent again.
 */
export async function runCommand<T>(
  house: CommandHouse,
  asked: { readonly id: string; readonly kind: string; readonly input?: unknown },
  work: (context: Context) => Promise<T>,
): Promise<CommandResult<T>> {
  const answer = await attempt(house, async (tx) => {
    const fresh = await tx
      .insert(command)
      .values({ id: asked.id, kind: asked.kind, asked: digest(asked.input), at: house.now })
      .onConflictDoNothing()
      .returning({ id: command.id });
    if (fresh.length === 0) return (await replay(tx, asked)) as T;
    const context = await contextFor(tx, house.reference, house.now);
    const value = await work(context);
    await tx
      .update(command)
      .set({ result: value ?? null, movements: context.written })
      .where(eq(command.id, asked.id));
    return value;
  });
  if (answer.ok) await house.kept?.();
  return answer;
}

/** What a command answered the first time. */
async function replay(tx: Tx, asked: { readonly id: string; readonly kind: string; readonly input?: unknown }) {
  const [before] = await tx.select().from(command).where(eq(command.id, asked.id));
  if (!before || before.kind !== asked.kind || before.asked !== digest(asked.input))
    return refuse('This press carries the mark of another one, and nothing was changed. Load the page again.');
  const written = before.movements ?? [];
  const [back] =
    written.length === 0
      ? []
      : await tx
          .select({ at: movement.at })
          .from(movement)
          .where(inArray(movement.reverses, [...written]));
  if (back) return refuse('This was done already, and has been taken back since. Look again, then do it anew.');
  return before.result;
}

/** Carries what a try found out of its transaction. */
class Tried<T> extends Error {
  constructor(readonly value: T) {
    super('tried');
  }
}

/** What a change would come to: it is done in a transaction that is taken back. Nothing is stored. */
export async function tryCommand<T>(
  house: CommandHouse,
  work: (context: Context) => Promise<T>,
): Promise<CommandResult<T>> {
  try {
    return await attempt<T>(house, async (tx) => {
      throw new Tried(await work(await contextFor(tx, house.reference, house.now)));
    });
  } catch (error) {
    if (error instanceof Tried) return { ok: true, value: (error as Tried<T>).value };
    throw error;
  }
}

async function attempt<T>(house: CommandHouse, work: (tx: Tx) => Promise<T>): Promise<CommandResult<T>> {
  const full = house.noRoom?.();
  if (full !== undefined) return { ok: false, problems: [{ message: `Nothing was changed. ${full}` }] };
  try {
    return { ok: true, value: await house.db.transaction(work) };
  } catch (error) {
    // Drizzle wraps what is thrown inside a transaction only for failed queries; a Refusal arrives as it is.
    if (error instanceof Refusal) return { ok: false, problems: error.problems };
    if (error instanceof Unreadable) return { ok: false, problems: [{ message: error.message }] };
    if (isDiskFull(error))
      return {
        ok: false,
        problems: [{ message: 'Nothing was changed: the disk is full. Delete something on it, then press again.' }],
      };
    throw error;
  }
}
