import 'server-only';
import { revalidatePath } from 'next/cache';
import { createSafeActionClient } from 'next-safe-action';
import { z } from 'zod';
import { tellOfChange } from './changes';
import { now } from './clock';
import { unkeepableIn } from '@/core/plain-text';
import type { CommandResult } from '@/core/problem';
import { runCommand, tryCommand, type Context } from './commands/run';
import { house } from './house';
import type { Reference } from './reference/reference';
import type { Database } from './database';

interface House {
  readonly db: Database;
  readonly reference: Reference;
}

const client = createSafeActionClient({
  handleServerError(error) {
    console.error(error);
    return 'Hodman stumbled over this and changed nothing. Press again; if it stays, restart it.';
  },
});

/** Made by the form that asks: the same id is never carried out twice. */
const commandId = z.string().min(8).max(64);

/** Refuses what no database keeps, at its field, before anything is asked of it. */
function spoiltBy(input: unknown): CommandResult<never> | undefined {
  const field = unkeepableIn(input);
  return field === undefined
    ? undefined
    : { ok: false, problems: [{ field, message: 'A character in this cannot be kept: type it anew.' }] };
}

/**
 * The one way from a form to a change: the shape's Zod schema, the command id, one transaction, and every shown
 * number made anew. A refusal comes back as sentences with their fields. Where the answer must not wait for the page, the
 * screen says it at once and asks for the page itself (`after`). What takes long to read is read (`read`) before the
 * transaction begins.
 */
export function houseAction<Shape extends z.ZodType, Value, Read = z.output<Shape>>(
  kind: string,
  shape: Shape,
  work: (context: Context, input: Read) => Promise<Value>,
  {
    page = 'with the answer',
    read = (_, input) => Promise.resolve({ ok: true, value: input as Read }),
  }: {
    readonly page?: 'with the answer' | 'after';
    readonly read?: (house: House, input: z.output<Shape>) => Promise<CommandResult<Read>>;
  } = {},
) {
  return client
    .inputSchema(z.object({ commandId, input: shape }))
    .action(async ({ parsedInput }): Promise<CommandResult<Value>> => {
      const { commandId: id, input } = parsedInput as { commandId: string; input: z.output<Shape> };
      const spoilt = spoiltBy(input);
      if (spoilt) return spoilt;
      const here = await house();
      const told = await read(here, input);
      if (!told.ok) return told;
      const answer = await runCommand({ ...here, now: now() }, { id, kind, input }, (context) =>
        work(context, told.value),
      );
      if (answer.ok && page === 'with the answer') revalidatePath('/', 'layout');
      if (answer.ok) tellOfChange();
      return answer;
    });
}

/** A form's question in its shape, whatever answers it. */
const asked = <Shape extends z.ZodType, Value>(
  shape: Shape,
  answer: (input: z.output<Shape>) => Promise<CommandResult<Value>>,
) =>
  client.inputSchema(z.object({ commandId, input: shape })).action(async ({ parsedInput }) => {
    const { input } = parsedInput as { input: z.output<Shape> };
    return spoiltBy(input) ?? answer(input);
  });

/** From a form to something that is done to the whole house: no command, no transaction of its own. */
export const houseDeed = <Shape extends z.ZodType, Value>(
  shape: Shape,
  work: (input: z.output<Shape>) => Promise<CommandResult<Value>>,
) =>
  asked(shape, async (input): Promise<CommandResult<Value>> => {
    const answer = await work(input);
    if (answer.ok) revalidatePath('/', 'layout');
    return answer;
  });

/** What a change would come to, asked before it is taken: the same work in a transaction that is taken back. */
export const houseTry = <Shape extends z.ZodType, Value>(
  shape: Shape,
  work: (context: Context, input: z.output<Shape>) => Promise<Value>,
) =>
  asked(shape, async (input): Promise<CommandResult<Value>> => {
    const { db, reference } = await house();
    return tryCommand({ db, reference, now: now() }, (context) => work(context, input));
  });
