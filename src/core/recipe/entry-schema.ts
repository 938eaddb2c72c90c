import { z } from 'zod';
import { idSchema } from '../schema';
import { BASES, MOMENTS, PARTS } from './recipe';
import { STATES } from './written';
import { MOST_LINES } from './free-line';

const lineAskSchema = z.object({
  question: z.string().max(300),
  /** The cook's words that it is about: an answer is remembered as what this household means by them. */
  words: z.string().max(200),
  choices: z
    .array(z.object({ ndb: z.string().max(10), label: z.string().max(300), amount: z.string().max(40).optional() }))
    .max(8),
});
/** What a line asks about its food before it counts. */
export type LineAsk = z.infer<typeof lineAskSchema>;

/** A line as typed: every amount in the cook's own words. */
export const lineEntrySchema = z.object({
  amount: z.string().max(200),
  /** The key of its food, supply or recipe; empty while none is chosen. */
  ndb: z.string().max(10),
  /** The cook's own words; of a line that could not be read, the line as it was written. */
  preparation: z.string().max(300).optional(),
  part: z.enum(PARTS),
  moment: z.enum(MOMENTS),
  basis: z.enum(BASES).optional(),
  /** "1 lb", "20 kg": what one amount is for, where the basis asks. */
  perAmount: z.string().max(40).optional(),
  /** The place of the line that it is bound to, from 0. */
  perLine: z.number().int().min(0).max(MOST_LINES).optional(),
  /** Percent that does not stay: peel, core, bone. */
  refuse: z.string().max(20).optional(),
  strained: z.boolean().optional(),
  state: z.enum(STATES).optional(),
  choice: z.string().max(60).optional(),
  /** The place of its component, from 0. */
  component: z.number().int().min(0).max(20).optional(),
  /** Kept as words: never counted. */
  words: z.boolean().optional(),
  /** Percent of its weight that is bone, where the cook says so: 0 is boned. */
  bone: z.string().max(20).optional(),
  /** Its food is asked about, and it does not count until somebody has answered; never stored. */
  ask: lineAskSchema.optional(),
  /** What the list of words says of it; never stored. */
  aside: z.string().max(300).optional(),
});
export type LineEntry = z.infer<typeof lineEntrySchema>;

export const componentEntrySchema = z.object({
  name: z.string().max(60),
  vessel: z.string().max(60).optional(),
  method: z.string().max(2000).optional(),
  minutes: z.string().max(10).optional(),
  celsius: z.string().max(10).optional(),
});
export type ComponentEntry = z.infer<typeof componentEntrySchema>;

export const previewSchema = z.object({
  /** Two dogs may share a name: which they are. */
  dogIds: z.array(idSchema).max(200).optional(),
  dogs: z.array(z.string().max(80)).max(200),
  days: z.number().int().min(1).max(366),
  dogDays: z.number().min(0).max(100_000),
  kgDays: z.number().min(0).max(10_000_000),
});

/** The named dogs and days that a recipe's sheet is reckoned for. */
export type Preview = z.infer<typeof previewSchema>;

/** A recipe as typed; shared by the form, the action and the file. */
export const recipeEntrySchema = z.object({
  name: z.string().max(200),
  lines: z.array(lineEntrySchema).max(MOST_LINES),
  components: z.array(componentEntrySchema).max(20).optional(),
  /** What to do otherwise next time. */
  note: z.string().max(2000).optional(),
  shape: z.string().max(40).optional(),
  preview: previewSchema.optional(),
});
export type RecipeEntry = z.infer<typeof recipeEntrySchema>;
