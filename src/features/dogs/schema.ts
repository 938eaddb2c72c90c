import { z } from 'zod';
import type { LocalDate } from '@/core/calendar/local-date';
import { avoidedSchema, AVOID_REASONS } from '@/core/dog/avoid';
import { APPETITES, STOOLS } from '@/core/dog/body-condition';
import { BITE_SIZES } from '@/core/dog/bite-size';
import { readDogEntry } from '@/core/dog/entry';
import { EXTRA_MEASURES } from '@/core/dog/otherwise-entry';
import { METHOD_CHOICES } from '@/core/dog/ration-entry';
import type { UnitSet } from '@/core/quantity/units';
import { idSchema } from '@/core/schema';
import { withReading } from '@/ui/form/with-reading';

const work = z.enum(['none', 'light', 'moderate', 'heavy']);
const word = z.string().max(80);
const number = z.string().max(40);
const day = z.string().max(20);
const note = z.string().max(500);

/** A dog as typed; what cannot be is said by core, here and on the server alike. */
export const dogEntrySchema = z.object({
  name: z.string().max(200),
  birthDate: day,
  weight: number,
  neutered: z.boolean(),
  work,
  proneToGain: z.boolean(),
  expectedAdultWeight: number,
  meals: z.string().max(4),
});
export const saveDogSchema = z.object({ id: idSchema.optional(), entry: dogEntrySchema });

export const dogFormSchema = (set: UnitSet, today: LocalDate) =>
  withReading(dogEntrySchema, (entry) => readDogEntry(entry, set, today));

const bands = z
  .array(z.object({ weight: number, amount: number }))
  .max(30)
  .readonly();

export const schoolEntrySchema = z.object({
  amount: number,
  per: number,
  unit: z.enum(['g', 'cup', 'kcal']),
  by: word,
  makes: number,
  bands,
});

export const rationEntrySchema = z.object({
  method: z.enum(METHOD_CHOICES),
  work,
  proneToGain: z.boolean(),
  goal: number,
  factor: number,
  k: number,
  kcal: number,
  school: schoolEntrySchema,
  recipeId: idSchema.nullable(),
  from: day,
  reason: note,
  sure: z.boolean().optional(),
});
export const setRationSchema = z.object({ dogId: idSchema, entry: rationEntrySchema });

export const keepSchoolSchema = z.object({
  dogId: idSchema,
  kind: z.enum(['like for like', 'weight table', 'prescribed']),
  school: schoolEntrySchema,
});

export const weighCupSchema = z.object({ recipeId: idSchema, grams: z.number() });

export const mealsEntrySchema = z.object({
  usual: z.boolean(),
  rows: z
    .array(
      z.object({
        slotId: idSchema.nullable(),
        name: word,
        clock: z.string().max(10),
        percent: z.string().max(10),
        recipeId: idSchema.nullable(),
      }),
    )
    .max(12)
    .readonly(),
});
export const setMealsSchema = z.object({ dogId: idSchema, entry: mealsEntrySchema });

export const otherwiseEntrySchema = z.object({
  extras: z
    .array(
      z.object({
        name: word,
        kind: z.enum(['bought', 'treat', 'topper']),
        amount: number,
        measure: z.enum(EXTRA_MEASURES),
        label: number,
        weekdays: z.array(z.number().int().min(1).max(7)).max(7).readonly(),
      }),
    )
    .max(20)
    .readonly(),
  oldFood: word,
  oldLabel: number,
  oldDays: number,
});
export const setOtherwiseSchema = z.object({ dogId: idSchema, entry: otherwiseEntrySchema });

export const weighInEntrySchema = z.object({
  date: day,
  weight: number,
  bodyCondition: z.string().max(2),
  appetite: z.enum(['', ...APPETITES]),
  stool: z.enum(['', ...STOOLS]),
  note,
  sure: z.boolean(),
});
export const saveWeighInSchema = z.object({ dogId: idSchema, entry: weighInEntrySchema });
export const strikeWeighInSchema = z.object({ dogId: idSchema, weighInId: idSchema });
export const reportIntakeSchema = z.object({ dogId: idSchema, from: day, to: day, kcal: z.number() });
export const answerProposalSchema = z.object({
  dogId: idSchema,
  answer: z.enum(['accepted', 'adapted', 'ignored']),
  seen: z.number().nullable(),
  kcal: z.number().nullable(),
});

export const avoidEntrySchema = z.object({
  what: avoidedSchema.nullable(),
  reason: z.enum(AVOID_REASONS),
  tryAgainOn: day,
  note,
});
export const addAvoidSchema = z.object({ dogId: idSchema, entry: avoidEntrySchema });
export const endAvoidSchema = z.object({ dogId: idSchema, avoidId: idSchema });

export const bowlLineEntrySchema = z.object({
  what: word,
  unit: word,
  by: z.enum(['flat', 'body weight', 'bands']),
  amount: number,
  perKg: number,
  bands,
  slotId: z.number().int(),
  kcal: number,
});
export const addBowlLineSchema = z.object({ dogId: idSchema, entry: bowlLineEntrySchema });
export const endBowlLineSchema = z.object({ dogId: idSchema, lineId: idSchema });

export const addVetNoteSchema = z.object({ dogId: idSchema, hazardId: word, note });
export const endVetNoteSchema = z.object({ dogId: idSchema, noteId: idSchema });

export const litterEntrySchema = z.object({ matedOn: day, whelpedOn: day, pups: number, weanedOn: day });
export const saveLitterSchema = z.object({ dogId: idSchema, litterId: idSchema.nullable(), entry: litterEntrySchema });
export const saveCareSchema = z.object({ dogId: idSchema, illness: word, biteSize: z.enum(['', ...BITE_SIZES]) });
export const archiveDogSchema = z.object({ dogId: idSchema, archived: z.boolean() });

/** The forms of a dog's room, as they stand in the address. */
export const dogFormNameSchema = z.enum([
  'facts',
  'ration',
  'rules',
  'meals',
  'otherwise',
  'weigh',
  'avoid',
  'bowl',
  'life',
  'history',
]);
export type DogFormName = z.infer<typeof dogFormNameSchema>;
