import { keysOf } from '../sure';
import { z } from 'zod';
import { idSchema } from '../schema';
import type { UnitSet } from '../quantity/units';
import { typedBindingSchema, usualBinding, type TypedBinding } from './bindings/bindings';
import { MEAL_TIMES } from '../dog/filling';

/** More recipes than this nobody cooks on one day (common practice, no source). */
export const MOST_BATCHES = 6;

const place = z.string().regex(/^\d{1,3}$/);

/** One recipe of a plan as typed. */
export const batchEntrySchema = z.object({
  recipeId: idSchema,
  /** Its part beside the others of the same meals, in any unit: 1 and 1, or 60 and 40. */
  share: z.string().max(10),
  meals: z.enum(keysOf(MEAL_TIMES)),
  /** Of each choice of the recipe, the place of the line that is taken. */
  choices: z.record(z.string().max(60), z.number().int().min(0)).optional(),
  /** By the place of a line, the key of the food that takes its place. */
  swaps: z.record(place, z.string().max(10)).optional(),
  /** By the place of a component, its vessel. */
  vessels: z.record(place, idSchema).optional(),
});
export type BatchEntry = Readonly<z.infer<typeof batchEntrySchema>>;

/** A plan as typed; shared by the form, the action and the store. */
export const planEntrySchema = z.object({
  batches: z.array(batchEntrySchema).min(1).max(MOST_BATCHES),
  dogIds: z.array(idSchema).max(200),
  /** The day of cooking, and the first day on which it is eaten. */
  cookDay: z.string().max(20),
  firstDay: z.string().max(20),
  binding: typedBindingSchema,
  /** What the stock already holds for these days is taken off. */
  lessStock: z.boolean(),
  /** Amounts are rounded to what can be measured or bought. */
  rounded: z.boolean(),
  /** The cautions that the cook has seen and goes on with. */
  seen: z.array(z.string().max(40)).max(50),
});
export type PlanEntry = Readonly<z.infer<typeof planEntrySchema>>;

/** A batch of the plan as it stands until something is said about it. */
export const plainBatch = (recipeId: number): BatchEntry => ({ recipeId, share: '1', meals: 'every meal' });

/** A plan of one recipe, eaten from the day on which it is cooked; what differs is given. */
export const plainPlan = (
  recipeId: number,
  dogIds: readonly number[],
  firstDay: string,
  over: Partial<Omit<PlanEntry, 'binding'>> & { readonly binding?: Partial<TypedBinding> } = {},
  set: UnitSet = 'metric',
): PlanEntry => ({
  batches: [plainBatch(recipeId)],
  dogIds: [...dogIds],
  cookDay: firstDay,
  firstDay,
  lessStock: false,
  rounded: false,
  seen: [],
  ...over,
  binding: { ...usualBinding(set), ...over.binding },
});
