import { z } from 'zod';

/** The texts that a dog's forms hold, no longer than a cook would type. */
export const typed = {
  word: z.string().max(80),
  number: z.string().max(40),
  day: z.string().max(20),
  note: z.string().max(500),
} as const;
