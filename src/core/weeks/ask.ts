import { z } from 'zod';
import type { LocalDate } from '../calendar/local-date';
import { idSchema } from '../schema';
import { keysOf } from '../sure';
import { WISHES, type Wish } from './weeks';

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

const day = z.string().regex(/^\d{4}-\d\d-\d\d$/);
const number = z.string().max(10);

/** What is asked of some weeks, as typed; shared by the form, the action and the store. */
export const weeksAskSchema = z.object({
  weeks: z.number().int().min(2).max(12),
  dogIds: z.array(idSchema).max(200),
  recipeIds: z.array(idSchema).max(200),
  /** Who does not get a recipe, whatever stands for or against it otherwise. */
  notFor: z
    .array(z.object({ recipeId: idSchema, dogId: idSchema }))
    .max(2000)
    .optional(),
  /** Hours at the stove of each weekday, from Monday on; empty: no cook day. */
  hours: z.array(number).length(7),
  /** Days that everybody is always provided for. */
  cover: number,
  /** Days in a row of one protein at most; empty: as long as it comes. */
  proteinDays: number,
  /** Proteins in a fortnight at least; empty: it does not matter. */
  proteins: number,
  /** L of the freezer that may be filled; empty: all of it. */
  litres: number,
  /** Cycles of each dryer in a week at most; empty, or not named: it is not counted on. */
  dryers: z
    .array(z.object({ equipmentId: idSchema, cycles: number }))
    .max(20)
    .optional(),
  /** A dog that gets one protein alone. */
  only: z.array(z.object({ dogId: idSchema, protein: z.string().max(40) })).max(200),
  /** Something is cheaper on a day: the part of its price that it then costs. */
  offers: z.array(z.object({ protein: z.string().max(40), day, percent: number })).max(20),
  wishes: z.array(z.enum(WISHES)).length(WISHES.length),
  /** What the cook has said of days: cook this, or do not cook. */
  said: z
    .array(
      z.object({
        day,
        pots: z
          .array(z.object({ recipeId: idSchema, potfuls: z.number().int().min(1).max(8) }))
          .max(6)
          .nullable(),
      }),
    )
    .max(84),
  /** A protein that nobody gets from one day to another, both included. */
  without: z.array(z.object({ protein: z.string().max(40), from: day, to: day })).max(50),
});
export type WeeksAsk = Readonly<z.infer<typeof weeksAskSchema>>;
export type WeeksField = keyof typeof weeksAskSchema.shape;
export const WEEKS_FIELDS: readonly WeeksField[] = keysOf(weeksAskSchema.shape);

/** Days in a row of one protein where the household has no rule (ours, no source). */
const USUAL_PROTEIN_DAYS = 5;

/** What a household is asked until it says otherwise: six weeks, everybody, every recipe, four hours on Saturdays and Wednesdays. */
export const usualAsk = (
  dogIds: readonly number[],
  recipeIds: readonly number[],
  proteinDays: number | undefined,
): WeeksAsk => ({
  weeks: 6,
  dogIds: [...dogIds],
  recipeIds: [...recipeIds],
  hours: ['', '', '4', '', '', '4', ''],
  cover: '2',
  proteinDays: String(proteinDays ?? USUAL_PROTEIN_DAYS),
  proteins: '2',
  litres: '',
  only: [],
  offers: [],
  wishes: [...WISHES] satisfies Wish[],
  said: [],
  without: [],
});

/** An answer as it is kept: by dates, so that it stands whatever day it is looked at. */
export const weeksKeptSchema = z.object({
  from: day,
  days: z.number().int().min(1).max(84),
  cooks: z
    .array(
      z.object({
        day,
        pots: z.array(
          z.object({
            recipeId: idSchema,
            potfuls: z.number(),
            dried: z.array(z.object({ equipmentId: idSchema, grams: z.number() })).optional(),
          }),
        ),
        cycles: z.array(z.object({ equipmentId: idSchema, cycles: z.number() })).optional(),
      }),
    )
    .max(84),
  /** kcal of each day that are eaten dried. */
  dryEaten: z.record(z.string(), z.array(z.number()).max(84)).optional(),
  eats: z.record(z.string(), z.array(z.string().nullable()).max(84)),
  gap: z.number(),
});
export type WeeksKept = Readonly<z.infer<typeof weeksKeptSchema>>;

export type DatedCook = { readonly day: LocalDate; readonly pots: WeeksKept['cooks'][number]['pots'] };
