import { z } from 'zod';
import { idSchema } from '../schema';
import { countOf } from '../quantity/count-words';

export const QUALITY_ABOUTS = ['texture', 'took the water', 'eaten'] as const;
/** What of a batch or a pack is noted: its texture, whether dried food took the water, whether a dog ate it. */
export type QualityAbout = (typeof QUALITY_ABOUTS)[number];

/** How each is said, good and not. */
export const QUALITY_WORDS: Readonly<Record<QualityAbout, { readonly good: string; readonly poor: string }>> = {
  texture: { good: 'good texture', poor: 'poor texture' },
  'took the water': { good: 'took the water', poor: 'did not take the water' },
  eaten: { good: 'eaten up', poor: 'left' },
};

/** A note on how food turned out. */
export const qualitySchema = z.object({
  batchId: idSchema,
  holdingId: idSchema.optional(),
  dogId: idSchema.optional(),
  about: z.enum(QUALITY_ABOUTS),
  good: z.boolean(),
  words: z.string().trim().max(200),
});
export type QualityEntry = z.infer<typeof qualitySchema>;

interface Note {
  readonly about: QualityAbout;
  readonly good: boolean;
}

/** Notes of one kind of food in a phrase: "took the water 3 of 4 times"; undefined where there is none. Source: counting. */
export function sayQuality(notes: readonly Note[]): string | undefined {
  const said = QUALITY_ABOUTS.flatMap((about) => {
    const own = notes.filter((note) => note.about === about);
    if (own.length === 0) return [];
    const good = own.filter((note) => note.good).length;
    return [`${QUALITY_WORDS[about].good} ${good} of ${countOf(own.length, 'time')}`];
  });
  return said.length > 0 ? said.join(', ') : undefined;
}

/** A note in a line: "took the water", "left by Otto: too wet". */
export const sayNote = ({
  about,
  good,
  dogName,
  words,
}: Note & { readonly dogName?: string | undefined; readonly words?: string | undefined }): string =>
  `${good ? QUALITY_WORDS[about].good : QUALITY_WORDS[about].poor}${dogName === undefined ? '' : ` by ${dogName}`}${words === undefined ? '' : `: ${words}`}`;

/** Taking a note back. */
export const dropQualitySchema = z.object({ noteId: idSchema });
