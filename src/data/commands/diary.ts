import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import { isJpeg, offOf, readDiaryDay, readWords, TOPICS, type DiaryWordsEntry, type Topic } from '@/core/diary/topics';
import { readPressed } from '../repositories/diary';
import { diary } from '../schema/dogs';
import { dogIn } from './dog-at-hand';
import { need, Refusal, refuse, type Context } from './run';

/** One word for a topic of a day: it takes the place of what was said before; null takes that back. */
export async function pressDiary(
  context: Context,
  input: { dogId: number; day: string; topic: Topic; level: string | null },
): Promise<void> {
  const { tx, now, today } = context;
  const dog = await dogIn(context, input.dogId);
  const day = need(readDiaryDay(input.day, today));
  const { topic, level } = input;
  if (level !== null && offOf(topic, level) === undefined) refuse('The diary has no such word. Look again.', 'level');
  await tx
    .update(diary)
    .set({ takenBackAt: now })
    .where(and(eq(diary.dogId, dog.id), eq(diary.day, day), eq(diary.topic, topic), isNull(diary.takenBackAt)));
  if (level !== null) await say(context, dog.id, day, topic, level);
}

/** A day of which all that nobody said anything of is as usual. */
export async function pressAsUsual(context: Context, input: { dogId: number; day: string }): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  const day = need(readDiaryDay(input.day, context.today));
  const said = new Set((await readPressed(context.tx, dog.id, day, day)).map(({ topic }) => topic));
  const weighed = dog.weighIns.findLast(({ date }) => date === day);
  if (weighed?.stool !== undefined) said.add('stool');
  if (weighed?.appetite !== undefined) said.add('appetite');
  for (const { topic, levels } of TOPICS) {
    const usual = levels.find(({ off }) => off === 0);
    if (usual && !said.has(topic)) await say(context, dog.id, day, topic, usual.word);
  }
}

const say = ({ tx, now }: Context, dogId: number, day: LocalDate, topic: Topic, said: string) =>
  tx.insert(diary).values({ dogId, day, topic, said, createdAt: now });

/** Free words of a day, with a photograph where there is one. */
export async function writeDiary(
  context: Context,
  input: { dogId: number; day: string; entry: DiaryWordsEntry },
): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  const day = need(readDiaryDay(input.day, context.today));
  const read = readWords(input.entry);
  if (!read.ok) throw new Refusal(...read.problems);
  const photo = input.entry.photo === '' ? null : Buffer.from(input.entry.photo, 'base64');
  if (photo && !isJpeg(photo)) refuse('This picture cannot be kept: take one that is a JPEG.', 'photo');
  await context.tx.insert(diary).values({ dogId: dog.id, day, said: read.value, photo, createdAt: context.now });
}

/** Free words were not so, or were after all; they stay on record. */
export async function takeBackWords(
  context: Context,
  input: { dogId: number; entryId: number; isBack: boolean },
): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  const [found] = await context.tx
    .update(diary)
    .set({ takenBackAt: input.isBack ? context.now : null })
    .where(and(eq(diary.id, input.entryId), eq(diary.dogId, dog.id), isNull(diary.topic)))
    .returning({ id: diary.id });
  if (!found) refuse('Nobody wrote that.');
}
