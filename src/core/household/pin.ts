import { z } from 'zod';

const STRAIGHT = '01234567890';

/** A PIN that is guessed first: one digit over and over, or digits in a row. */
const isEasy = (pin: string): boolean =>
  new Set(pin).size < 3 || STRAIGHT.includes(pin) || STRAIGHT.includes([...pin].reverse().join(''));

/** The PIN of a household: six to twelve digits. Source: ours; NIST SP 800-63B asks six digits of a random PIN (from memory). */
export const pinSchema = z
  .string()
  .trim()
  .regex(/^\d*$/, 'Digits alone, so that every phone can type it.')
  .min(6, 'At least six digits: four are guessed in a day.')
  .max(12, 'At most twelve digits.')
  .refine((pin) => !isEasy(pin), 'That is guessed first. Another one, please.');

/** A new PIN, and the one that holds where it is asked from another device. */
export const setPinSchema = z.object({ pin: pinSchema, now: z.string().max(64) });

/** Somebody who came in by the PIN. */
export interface Visitor {
  readonly id: string;
  /** What they called their device. */
  readonly name: string;
  readonly since: Date;
  readonly seen: Date;
  /** The address that they came in from. */
  readonly from: string;
}
