import { customType } from 'drizzle-orm/pg-core';
import type { z } from 'zod';

/** What stands in a column instead of what should be there: nobody can work with it, and somebody has to be told. */
export class Unread {
  constructor(readonly why: string) {}
}

export const isUnread = (value: unknown): value is Unread => value instanceof Unread;

/** The value, or nothing where it cannot be read. */
export const ifRead = <T>(value: T | Unread | null): T | undefined =>
  value === null || isUnread(value) ? undefined : value;

function whyNot({ issues }: z.ZodError): string {
  const [first] = issues;
  return first?.path.length ? `${first.path.join('.')}: ${first.message}` : (first?.message ?? 'it has another shape');
}

/**
 * A jsonb column that is read by a shape: what does not fit it comes out as `Unread`, so that one bad row is shown as such
 * and nothing is reckoned with it (decision 0059). What fits comes out as it was kept.
 */
export const keptJson = <T>(name: string, shape: z.ZodType) =>
  customType<{ data: T | Unread; driverData: unknown }>({
    dataType: () => 'jsonb',
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (value) => {
      const read = shape.safeParse(value);
      return read.success ? (value as T) : new Unread(whyNot(read.error));
    },
  })(name);
