import { z } from 'zod';
import type { Appetite, Stool } from '../dog/body-condition';
import { typed } from '../dog/entry-fields';
import { addDays, readLocalDate, type LocalDate } from '../calendar/local-date';
import { fine, refused, type Outcome, type Problem } from '../problem';
import { idSchema } from '../schema';

/** One press: a word, and how far it is from as usual; below 0 is less, above more. */
interface Level<Word extends string = string> {
  readonly word: Word;
  readonly off: number;
}

const STOOL: readonly Level<Stool>[] = [
  { word: 'dry and hard', off: -1 },
  { word: 'firm', off: 0 },
  { word: 'soft', off: 1 },
  { word: 'runny', off: 2 },
];
const APPETITE: readonly Level<Appetite>[] = [
  { word: 'refuses', off: -2 },
  { word: 'picky', off: -1 },
  { word: 'as usual', off: 0 },
  { word: 'eager', off: 1 },
];

/** What is looked at every day, each with its words from less to more. Stool and appetite are those of a weigh-in. Common practice, no source. */
export const TOPICS = [
  { topic: 'stool', name: 'Stool', levels: STOOL },
  {
    topic: 'itch',
    name: 'Itch',
    levels: [
      { word: 'none', off: 0 },
      { word: 'some', off: 1 },
      { word: 'much', off: 2 },
    ],
  },
  { topic: 'appetite', name: 'Appetite', levels: APPETITE },
  {
    topic: 'coat',
    name: 'Coat',
    levels: [
      { word: 'dull', off: -1 },
      { word: 'as usual', off: 0 },
      { word: 'glossy', off: 1 },
    ],
  },
  {
    topic: 'energy',
    name: 'Energy',
    levels: [
      { word: 'tired', off: -1 },
      { word: 'as usual', off: 0 },
      { word: 'lively', off: 1 },
    ],
  },
] as const satisfies readonly {
  readonly topic: string;
  readonly name: string;
  readonly levels: readonly Level[];
}[];
export type Topic = (typeof TOPICS)[number]['topic'];
export const TOPIC_KEYS = TOPICS.map(({ topic }) => topic) as [Topic, ...Topic[]];

/** How far a word is from as usual; undefined: the topic knows no such word. */
export const offOf = (topic: Topic, word: string): number | undefined =>
  TOPICS.find((each) => each.topic === topic)?.levels.find((level) => level.word === word)?.off;

const at = { dogId: idSchema, day: typed.day };

/** One topic of a day in one press; a level of null takes back what was said. */
export const diaryPressSchema = z.object({ ...at, topic: z.enum(TOPIC_KEYS), level: typed.word.nullable() });
/** Everything of which nothing was said yet is as usual. */
export const asUsualSchema = z.object(at);

/** Base64 of a photograph; it is made small before it is sent. */
const MOST_PHOTO = 3_000_000;
/** Free words and a photograph: a JPEG as base64, or nothing. */
export const diaryWordsSchema = z.object({ words: typed.note, photo: z.string().max(MOST_PHOTO) });
export type DiaryWordsEntry = Readonly<z.infer<typeof diaryWordsSchema>>;
export const writeDiarySchema = z.object({ ...at, entry: diaryWordsSchema });
/** Free words are taken back, or are there again. */
export const backWordsSchema = z.object({ dogId: idSchema, entryId: idSchema, isBack: z.boolean() });

/** Free words with a photograph or without; one of the two must be there. */
export function readWords({
  words,
  photo,
}: DiaryWordsEntry): { ok: true; value: string } | { ok: false; problems: readonly Problem[] } {
  const said = words.trim();
  return said === '' && photo === ''
    ? { ok: false, problems: [{ field: 'words', message: 'What is to be remembered? A word, or a photograph.' }] }
    : { ok: true, value: said };
}

/** How far back a day of the diary may be written, in days. */
export const DIARY_DAYS = 42;

/** The day that is written of, or why it cannot be: not to come, and not further back than the diary shows. */
export function readDiaryDay(text: string, today: LocalDate): Outcome<LocalDate> {
  const day = readLocalDate(text);
  if (day === undefined) return refused('Which day? Write it as YYYY-MM-DD.', 'day');
  if (day > today) return refused('This day has not been yet.', 'day');
  if (day <= addDays(today, -DIARY_DAYS)) return refused('The diary is written no further back than six weeks.', 'day');
  return fine(day);
}

/** A JPEG by its first bytes. Source: ITU-T T.81, the marker SOI and the one after it. */
export const isJpeg = (bytes: Uint8Array): boolean => bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff;
