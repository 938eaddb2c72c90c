import 'server-only';
import { addDays, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { askTheVet, changesBeside, changesOf, diaryDays, unusual, type PotOf } from '@/core/diary/diary';
import { DIARY_DAYS, TOPICS, type Topic } from '@/core/diary/topics';
import { proteinOfDay } from '@/core/eaten/days';
import type { Hatch, Protein } from '@/core/recipe/protein';
import { pageQuery, readProteins } from '@/data/page';
import { readDiaryWords, readPressed, type DiaryWords } from '@/data/repositories/diary';
import { readDog } from '@/data/repositories/dogs';
import { readEaten } from '@/data/repositories/eaten-days';

/** What was eaten before the days that are drawn, so that what is new in them is known to be new. */
const BEFORE = 14;

export interface DiaryView {
  readonly dog: { readonly id: number; readonly name: string; readonly archived: boolean };
  readonly day: LocalDate;
  readonly headline: string;
  readonly under: string;
  readonly topics: readonly {
    readonly topic: Topic;
    readonly name: string;
    readonly words: readonly string[];
    readonly usual: string;
    /** What was said of it; undefined: nothing. */
    readonly said: string | undefined;
  }[];
  /** Everything was said of this day. */
  readonly isWhole: boolean;
  readonly words: readonly DiaryWords[];
  readonly vet: string | undefined;
  readonly drawn: readonly {
    readonly day: LocalDate;
    /** Where a week begins, its day in words. */
    readonly week: string | undefined;
    readonly said: string;
    readonly hatch: Hatch | undefined;
    readonly changes: readonly string[];
    readonly offs: Readonly<Partial<Record<Topic, number>>>;
    readonly hasWords: boolean;
    readonly isAt: boolean;
  }[];
  readonly legend: readonly Protein[];
  /** Days of which something is to be told, newest first. */
  readonly told: readonly {
    readonly day: LocalDate;
    readonly title: string;
    readonly said: readonly string[];
    readonly words: readonly DiaryWords[];
    readonly beside: readonly string[];
  }[];
  readonly before: LocalDate | undefined;
  readonly after: LocalDate | undefined;
}

/** A dog's diary: what was seen on a day, and six weeks of it beside what it ate. */
export const diaryView = pageQuery(async (read, dogId: number, asked?: LocalDate): Promise<DiaryView | undefined> => {
  const { db, household, today } = read;
  const dog = await readDog(db, dogId);
  if (!dog) return undefined;
  const first = addDays(today, 1 - DIARY_DAYS);
  const day = asked !== undefined && asked >= first && asked <= today ? asked : today;
  const from = addDays(first, -BEFORE);
  const { days, batches, given } = await readEaten(db, dog, {
    from,
    to: today,
    today,
    factors: household.energyFactors,
  });
  const diary = diaryDays(first, today, await readPressed(db, dogId, first, today), dog.weighIns);
  const words = await readDiaryWords(db, dogId, first, today);
  const proteins = await readProteins(read);
  const potOf = (batchId: number): PotOf | undefined => {
    const batch = batches.get(batchId);
    return batch && { recipeId: batch.recipeId, name: batch.recipeName, number: batch.versionNumber };
  };
  const wordOf = (batchId: number) => proteins.get(batches.get(batchId)?.recipeId ?? NaN)?.word;
  const changes = changesOf(
    days,
    potOf,
    given.filter(({ kind }) => kind !== 'meal'),
  );
  const own = diary.find((each) => each.day === day);
  const off = own ? unusual(own) : [];
  const isWhole = own?.said.size === TOPICS.length;
  const proteinOf = (on: LocalDate) => {
    const eaten = days.find((each) => each.day === on);
    return eaten && [...proteins.values()].find(({ word }) => word === proteinOfDay(eaten, wordOf));
  };
  const drawn = diary.map((each, index) => {
    const protein = proteinOf(each.day);
    const changed = changes.filter((change) => change.day === each.day).map(({ said }) => said);
    return {
      day: each.day,
      week: index % 7 === 0 ? writeDay(each.day, today) : undefined,
      said: [writeDay(each.day, today), protein?.word ?? '', ...changed, ...saidOf(each)].filter(Boolean).join(', '),
      hatch: protein?.hatch,
      changes: changed,
      offs: Object.fromEntries([...each.said].map(([topic, { off: far }]) => [topic, far])),
      hasWords: words.some((one) => one.day === each.day && !one.isBack),
      isAt: each.day === day,
    };
  });
  const told = diary
    .map((each) => ({
      day: each.day,
      title: writeDay(each.day, today),
      said: unusual(each),
      words: words.filter((one) => one.day === each.day && !one.isBack),
      beside: changesBeside(changes, each.day),
    }))
    .filter((each) => each.said.length > 0 || each.words.length > 0)
    .reverse();
  const name = day === today ? 'today' : `on ${writeDay(day, today)}`;
  return {
    dog: { id: dog.id, name: dog.name, archived: dog.archived },
    day,
    headline:
      off.length > 0
        ? `${dog.name} ${name}: ${off.join(', ')}`
        : isWhole
          ? `${dog.name} ${name}: all as usual`
          : `How was ${dog.name} ${name}?`,
    under: diary.some(({ said }) => said.size > 0)
      ? `${diary.filter(({ said }) => said.size > 0).length} of the last ${DIARY_DAYS} days are in the diary`
      : 'Nothing is in the diary yet: a press a day is enough',
    topics: TOPICS.map(({ topic, name: called, levels }) => ({
      topic,
      name: called,
      words: levels.map(({ word }) => word),
      usual: levels.find((level) => level.off === 0)?.word ?? '',
      said: own?.said.get(topic)?.word,
    })),
    isWhole,
    words: words.filter((each) => each.day === day),
    vet: askTheVet(diary),
    drawn,
    legend: [...new Set(diary.flatMap((each) => proteinOf(each.day) ?? []))],
    told,
    before: day > first ? addDays(day, -1) : undefined,
    after: day < today ? addDays(day, 1) : undefined,
  };
});

const saidOf = ({ said }: ReturnType<typeof diaryDays>[number]): string[] =>
  TOPICS.flatMap(({ topic, name }) => {
    const own = said.get(topic);
    return own ? [`${name.toLowerCase()} ${own.word}`] : [];
  });
