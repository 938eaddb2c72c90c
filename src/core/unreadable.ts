import { z } from 'zod';
import { idSchema } from './schema';

/** What may stand in the books and not be readable. */
export const UNREAD_KINDS = ['supply', 'recipe', 'plan', 'batch', 'pack', 'dog'] as const;
export type UnreadKind = (typeof UNREAD_KINDS)[number];

/** What is asked to be mended. */
export const mendSchema = z.object({ kind: z.enum(UNREAD_KINDS), id: idSchema });
export type Mend = Readonly<z.infer<typeof mendSchema>>;

/** A row that cannot be read: nothing is reckoned with it until it is mended. */
export interface CannotBeRead {
  readonly kind: UnreadKind;
  readonly id: number;
  /** As the cook knows it; of a pack its code. */
  readonly name: string;
  /** What of it cannot be read. */
  readonly why: string;
}

const WORDS: Readonly<Record<UnreadKind, (name: string) => string>> = {
  supply: (name) => `The label of ${name}`,
  recipe: (name) => `The recipe ${name}`,
  plan: (name) => `The plan of ${name}`,
  batch: (name) => `The batch of ${name}`,
  pack: (name) => `The pack ${name}`,
  dog: (name) => `Something of ${name}`,
};

/** A row that cannot be read, in words. A dog is never left out: what of it counts otherwise meanwhile is said with it. */
export const sayUnread = ({ kind, name, why }: CannotBeRead): string =>
  `${WORDS[kind](name)} cannot be read: ${why}.${kind === 'dog' ? '' : ' Nothing is reckoned with it.'}`;

/** Thrown where one row is asked for and cannot be read. */
export class Unreadable extends Error {
  constructor(readonly what: CannotBeRead) {
    super(sayUnread(what));
  }
}

/** What was read, or what cannot be: for the page of one row. */
export async function orUnread<T>(reading: Promise<T>): Promise<T | Unreadable> {
  try {
    return await reading;
  } catch (error) {
    if (error instanceof Unreadable) return error;
    throw error;
  }
}

/** What was read; undefined where it cannot be, for those who look at many: what is left out is said where it is listed. */
export async function unlessUnread<T>(reading: Promise<T>): Promise<T | undefined> {
  const read = await orUnread(reading);
  return read instanceof Unreadable ? undefined : read;
}
