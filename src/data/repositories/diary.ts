import 'server-only';
import { and, asc, between, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import type { DiaryEntry } from '@/core/diary/diary';
import type { Tx } from '../database';
import { diary } from '../schema/dogs';

/** What was pressed of a dog's days. */
export async function readPressed(tx: Tx, dogId: number, from: LocalDate, to: LocalDate): Promise<DiaryEntry[]> {
  const rows = await tx
    .select({ day: diary.day, topic: diary.topic, level: diary.said })
    .from(diary)
    .where(and(eq(diary.dogId, dogId), between(diary.day, from, to), isNull(diary.takenBackAt), isNotNull(diary.topic)))
    .orderBy(asc(diary.id));
  return rows.flatMap(({ topic, ...rest }) => (topic === null ? [] : [{ ...rest, topic }]));
}

export interface DiaryWords {
  readonly id: number;
  readonly day: LocalDate;
  readonly words: string;
  readonly hasPhoto: boolean;
  readonly isBack: boolean;
}

/** The free words of a dog's days, oldest first, with those that were taken back; photographs are asked for one by one. */
export const readDiaryWords = (tx: Tx, dogId: number, from: LocalDate, to: LocalDate): Promise<DiaryWords[]> =>
  tx
    .select({
      id: diary.id,
      day: diary.day,
      words: diary.said,
      hasPhoto: sql<boolean>`${diary.photo} is not null`,
      isBack: sql<boolean>`${diary.takenBackAt} is not null`,
    })
    .from(diary)
    .where(and(between(diary.day, from, to), eq(diary.dogId, dogId), isNull(diary.topic)))
    .orderBy(asc(diary.day), asc(diary.id));

/** A photograph that was not taken back, as a JPEG. */
export async function readPhoto(tx: Tx, id: number): Promise<Uint8Array | undefined> {
  const [row] = await tx
    .select({ photo: diary.photo })
    .from(diary)
    .where(and(eq(diary.id, id), isNull(diary.takenBackAt)));
  return row?.photo ?? undefined;
}
