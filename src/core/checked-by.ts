import type { z } from 'zod';
import type { Problem } from './problem';

/** Core's reading of what was typed. */
export type Reads<Entry> = (
  entry: Entry,
) => { readonly ok: true } | { readonly ok: false; readonly problems: readonly Problem[] };

/** A form's resolver schema: the shape, then core's reading of it, every problem at its field. */
export const checkedBy = <Entry>(shape: z.ZodType<Entry, Entry>, read: Reads<Entry>): z.ZodType<Entry, Entry> =>
  shape.superRefine((entry, context) => {
    const result = read(entry);
    if (result.ok) return;
    for (const problem of result.problems) {
      const path = problem.field === undefined ? [] : problem.field.split('.');
      context.addIssue({ code: 'custom', message: problem.message, path });
    }
  });
