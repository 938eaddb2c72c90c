import type { z } from 'zod';
import type { Problem } from '@/core/problem';

/** A form's resolver schema: the shape, then core's reading of it, every problem at its field. */
export const withReading = <Shape extends z.ZodType>(
  shape: Shape,
  read: (
    entry: z.output<Shape>,
  ) => { readonly ok: true } | { readonly ok: false; readonly problems: readonly Problem[] },
) =>
  shape.superRefine((entry, context) => {
    const answer = read(entry);
    if (answer.ok) return;
    for (const problem of answer.problems) {
      const path = problem.field === undefined ? [] : problem.field.split('.');
      context.addIssue({ code: 'custom', message: problem.message, path });
    }
  });
