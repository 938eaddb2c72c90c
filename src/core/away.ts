import { z } from 'zod';
import { idSchema } from './schema';

/** What can be put away, and brought back with its history; a dog goes with its own care. */
export const AWAY_KINDS = ['recipe', 'supply', 'equipment', 'place', 'plan'] as const;

export const awaySchema = z.object({ kind: z.enum(AWAY_KINDS), id: idSchema, away: z.boolean() });
export type Away = Readonly<z.infer<typeof awaySchema>>;

/** A thing that was put away. */
export interface AwayThing {
  readonly id: number;
  readonly name: string;
}
