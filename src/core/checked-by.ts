import type { z } from 'zod';
import type { Problem } from './problem';

/** A form's resolver schema: the shape, then core's reading of it, every problem at its field. */
export const checkedBy = <Entry>(
  shape: z.ZodType<Entry, Entry>,
  read: (entry: Entry) => { readonly ok: true } | { readonly ok: false; readonly problems: readonly Problem[] },
): z.ZodType<Entry, Entry> =>
  shape.superRefine((entry, context) => {
    const result = read(entry);
    if (result.ok) return;
    for (const problem of result.problems) {
      const path = problem.field === undefined ? [] : problem.field.split('.');
      context.addIssue({ code: 'custom', message: problem.message, path });
    }
  });
