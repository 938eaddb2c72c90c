import { z } from 'zod';
import { avoidEntrySchema } from '@/core/dog/avoid';
import { BITE_SIZES } from '@/core/dog/bite-size';
import { dogEntrySchema } from '@/core/dog/entry';
import { typed } from '@/core/dog/entry-fields';
import { bowlLineEntrySchema, litterEntrySchema } from '@/core/dog/keeping-entry';
import { mealsEntrySchema } from '@/core/dog/meals-entry';
import { otherwiseEntrySchema } from '@/core/dog/otherwise-entry';
import { rationEntrySchema } from '@/core/dog/ration-entry';
import { schoolEntrySchema } from '@/core/dog/schools/school';
import { KINDS_BESIDE } from '@/core/dog/schools/schools';
import { weighInEntrySchema } from '@/core/dog/weigh-in-entry';
import { idSchema } from '@/core/schema';

const dogId = idSchema;

export const saveDogSchema = z.object({ id: idSchema.optional(), entry: dogEntrySchema });
export const setRationSchema = z.object({ dogId, entry: rationEntrySchema });
export const keepSchoolSchema = z.object({ dogId, kind: z.enum(KINDS_BESIDE), school: schoolEntrySchema });
export const weighCupSchema = z.object({ recipeId: idSchema, grams: z.number() });
export const setMealsSchema = z.object({ dogId, entry: mealsEntrySchema });
export const setOtherwiseSchema = z.object({ dogId, entry: otherwiseEntrySchema });
export const saveWeighInSchema = z.object({ dogId, entry: weighInEntrySchema });
export const strikeWeighInSchema = z.object({ dogId, weighInId: idSchema });
export const reportIntakeSchema = z.object({ dogId, from: typed.day, to: typed.day, kcal: z.number() });
export const answerProposalSchema = z.object({
  dogId,
  answer: z.enum(['accepted', 'adapted', 'ignored']),
  seen: z.number().nullable(),
  kcal: z.number().nullable(),
});
export const addAvoidSchema = z.object({ dogId, entry: avoidEntrySchema });
export const endAvoidSchema = z.object({ dogId, avoidId: idSchema });
export const addBowlLineSchema = z.object({ dogId, entry: bowlLineEntrySchema });
export const endBowlLineSchema = z.object({ dogId, lineId: idSchema });
export const addVetNoteSchema = z.object({ dogId, hazardId: typed.word, note: typed.note });
export const endVetNoteSchema = z.object({ dogId, noteId: idSchema });
export { asUsualSchema, backWordsSchema, diaryPressSchema, writeDiarySchema } from '@/core/diary/topics';
export { daysOffSchema, endDaysOffSchema } from '@/core/dog/days-off';
export const saveLitterSchema = z.object({ dogId, litterId: idSchema.nullable(), entry: litterEntrySchema });
export const saveCareSchema = z.object({ dogId, illness: typed.word, biteSize: z.enum(['', ...BITE_SIZES]) });
export const seeCautionSchema = z.object({ dogId });
export const archiveDogSchema = z.object({ dogId, archived: z.boolean() });

/** The forms of a dog's room, as they stand in the address. */
export const dogFormNameSchema = z.enum([
  'facts',
  'ration',
  'goal',
  'rules',
  'meals',
  'otherwise',
  'weigh',
  'avoid',
  'bowl',
  'life',
  'days',
  'history',
]);
export type DogFormName = z.infer<typeof dogFormNameSchema>;
