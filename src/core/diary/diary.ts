import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import type { EatenDay } from '../eaten/days';
import { countOf } from '../quantity/count-words';
import { offOf, TOPICS, type Topic } from './topics';

/** Something that was said of a day: a topic's word, or free words. */
export interface DiaryEntry {
  readonly day: LocalDate;
  readonly topic: Topic;
  readonly level: string;
}

/** One day of the diary: each topic's word, and how far it is from as usual. */
export interface DiaryDay {
  readonly day: LocalDate;
  readonly said: ReadonlyMap<Topic, { readonly word: string; readonly off: number }>;
}

/** What was noted of stool and appetite when a dog was weighed. */
interface NotedAtWeighing {
  readonly date: LocalDate;
  readonly stool: string | undefined;
  readonly appetite: string | undefined;
}

/**
 * The days of a diary. What was noted beside a weigh-in counts where the diary says nothing of that day; a topic of which nobody said
 * anything is unknown, not as usual.
 *
 * Takes the first and the last day, what was pressed, and the weigh-ins. Source: what the cook pressed.
 */
export function diaryDays(
  from: LocalDate,
  to: LocalDate,
  entries: readonly DiaryEntry[],
  weighIns: readonly NotedAtWeighing[],
): DiaryDay[] {
  return Array.from({ length: daysBetween(from, to) + 1 }, (_, index) => {
    const day = addDays(from, index);
    const weighed = weighIns.findLast(({ date }) => date === day);
    const noted = { stool: weighed?.stool, appetite: weighed?.appetite } as Partial<Record<Topic, string>>;
    const said = new Map<Topic, { word: string; off: number }>();
    for (const { topic } of TOPICS) {
      const pressed = entries.findLast((each) => each.day === day && each.topic === topic)?.level;
      const word = pressed ?? noted[topic];
      const off = word === undefined ? undefined : offOf(topic, word);
      if (word !== undefined && off !== undefined) said.set(topic, { word, off });
    }
    return { day, said };
  });
}

/** What of a day is not as usual, in words: `stool soft`. */
export const unusual = ({ said }: DiaryDay): string[] =>
  TOPICS.flatMap(({ topic, name }) => {
    const own = said.get(topic);
    return own && own.off !== 0 ? [`${name.toLowerCase()} ${own.word}`] : [];
  });

/** What a pot was cooked of. */
export interface PotOf {
  readonly recipeId: number;
  readonly name: string;
  /** Which version of it. */
  readonly number: number;
}

/** A day from which on a dog had something that it had not had for a while. */
export interface Change {
  readonly day: LocalDate;
  readonly said: string;
}

/** A food that was not eaten for so many days is new again (ours, no source). */
const AGAIN_AFTER = 14;

/**
 * The days on which what a dog ate changed: a recipe, another version of it, or something besides that it had not had for two weeks. Of
 * the first two weeks of the days nothing is said, and of no food that it is its first ever: what was before them is not known.
 *
 * Takes its days, what each pot was of, and what it got besides. Source: its bowls.
 */
export function changesOf(
  days: readonly EatenDay[],
  potOf: (batchId: number) => PotOf | undefined,
  besides: readonly { readonly day: LocalDate; readonly name: string }[],
): Change[] {
  const first = days[0]?.day;
  if (first === undefined) return [];
  const since = addDays(first, AGAIN_AFTER);
  const last = new Map<string, { day: LocalDate; number: number }>();
  const changes: Change[] = [];
  const had = (day: LocalDate, key: string, name: string, number: number) => {
    const before = last.get(key);
    last.set(key, { day, number });
    if (day < since) return;
    const ago = before && daysBetween(before.day, day);
    if (ago === undefined) changes.push({ day, said: `${name} began` });
    else if (ago > AGAIN_AFTER) changes.push({ day, said: `${name} again after ${countOf(ago, 'day')}` });
    else if (before && before.number !== number) changes.push({ day, said: `${name} changed, version ${number}` });
  };
  for (const { day, pots } of days) {
    const recipes = new Map<number, PotOf>();
    for (const [batchId, kcal] of pots) {
      const pot = kcal > 0 ? potOf(batchId) : undefined;
      const other = pot && recipes.get(pot.recipeId);
      if (pot && (!other || other.number < pot.number)) recipes.set(pot.recipeId, pot);
    }
    for (const { recipeId, name, number } of recipes.values()) had(day, `R${recipeId}`, name, number);
    for (const { name } of besides.filter((each) => each.day === day)) had(day, name.toLowerCase(), name, 0);
  }
  return changes;
}

/** Days before one that stand beside it in words (ours, no source). */
const BESIDE = 3;

/** What changed on a day or shortly before it, in words; nothing is claimed by it. */
export const changesBeside = (changes: readonly Change[], day: LocalDate): string[] =>
  changes.flatMap((change) => {
    const ago = daysBetween(change.day, day);
    return ago < 0 || ago > BESIDE
      ? []
      : [`${change.said}${ago === 0 ? ' that day' : ` ${countOf(ago, 'day')} before`}`];
  });

/**
 * Why to ask a vet, in words; undefined: nothing of the last days says so. Runny stool, or food refused, on two days one after the
 * other, as far as the last two of them go. Common practice, no source.
 */
export function askTheVet(days: readonly DiaryDay[]): string | undefined {
  const lately = days.slice(-3);
  const twice = (topic: Topic, word: string) =>
    lately.some(
      ({ said }, index) =>
        index > 0 && said.get(topic)?.word === word && lately[index - 1]?.said.get(topic)?.word === word,
    );
  if (twice('appetite', 'refuses'))
    return 'Food refused on two days: ask your vet, for a young dog or an old one today.';
  if (twice('stool', 'runny')) return 'Runny stool on two days: ask your vet, for a young dog or an old one today.';
  return undefined;
}
