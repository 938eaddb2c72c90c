import 'server-only';
import { addUp } from '@/core/add-up';
import { addDays, weekdayName, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { lifeStage } from '@/core/dog/stage';
import { daysEaten, daysSince, proteinOfDay } from '@/core/eaten/days';
import { balanceEaten, FORTNIGHT, lastingGaps, type EatenPot } from '@/core/eaten/fortnight';
import { balanceOf, type BalanceRow } from '@/core/nutrition/balance';
import { sayVerdict } from '@/core/nutrition/verdict';
import { profileFor } from '@/core/plan/dog-checks';
import { countOf } from '@/core/quantity/count-words';
import { writeKcal, writeNumber, writeNutrient } from '@/core/quantity/write';
import type { Hatch, Protein } from '@/core/recipe/protein';
import { batchLines } from '@/core/recipe/recipe';
import { sure } from '@/core/sure';
import { pageQuery, readProteins } from '@/data/page';
import { readBatchIfReadable } from '@/data/repositories/batches';
import { readDogs } from '@/data/repositories/dogs';
import { readReports } from '@/data/repositories/eaten';
import { readFedBowls } from '@/data/repositories/eaten-days';
import { readLatestVersions } from '@/data/repositories/recipes';

/** Days that are drawn: six weeks, as far back as what a dog got besides is asked for. */
const DRAWN = 42;

export interface EatenRow {
  readonly name: string;
  readonly said: string;
  readonly limits: string;
  readonly verdict: string;
  readonly tone: 'danger' | 'caution' | 'soft' | 'plain';
}

export interface EatenView {
  readonly dog: { readonly id: number; readonly name: string };
  readonly headline: string;
  readonly under: string;
  readonly days: readonly {
    readonly day: LocalDate;
    readonly said: string;
    readonly isMonday: boolean;
    readonly need: number;
    readonly kcal: number | undefined;
    /** What is known of it, where not all is. */
    readonly known: number;
    /** The cook reported it by hand. */
    readonly reported: boolean;
    readonly hatch: Hatch | undefined;
    /** It is one of the fortnight that is looked at. */
    readonly inFortnight: boolean;
  }[];
  readonly legend: readonly Protein[];
  readonly since: readonly string[];
  readonly notes: readonly string[];
  readonly profile: string;
  readonly covered: string;
  readonly rows: readonly EatenRow[];
  readonly gaps: readonly string[];
  /** The last day of the fortnight before, and of the one after; undefined: there is none. */
  readonly before: LocalDate | undefined;
  readonly after: LocalDate | undefined;
}

const rowOf = (row: BalanceRow): EatenRow => ({
  name: row.name,
  said: row.amount === undefined ? 'not known' : `${writeNutrient(row.amount)} ${row.unit}`,
  limits: [
    row.least === undefined ? '' : `at least ${writeNutrient(row.least)}`,
    row.most === undefined ? '' : `at most ${writeNutrient(row.most)}`,
  ]
    .filter(Boolean)
    .join(', '),
  verdict: `${sayVerdict(row)}${row.amount === undefined || row.coverage > 0.995 ? '' : `; ${writeNumber(row.coverage * 100, 0)} % of the weight has a value`}`,
  tone:
    row.verdict === 'over'
      ? 'danger'
      : row.verdict === 'short'
        ? 'caution'
        : row.verdict === 'unknown' || row.verdict === 'perhaps'
          ? 'soft'
          : 'plain',
});

/** What a dog ate over six weeks, and the nutrients of the fortnight that ends on `asked`. */
export const eatenView = pageQuery(async (read, dogId: number, asked?: LocalDate): Promise<EatenView | undefined> => {
  const { db, reference, household, today } = read;
  const [dog] = await readDogs(db, dogId);
  if (!dog) return undefined;
  const first = addDays(today, 1 - DRAWN);
  const to = asked !== undefined && asked <= today && asked >= addDays(first, FORTNIGHT - 1) ? asked : today;
  const days = daysEaten(
    dog,
    first,
    today,
    await readFedBowls(db, dogId, first, today),
    today,
    await readReports(db, dogId),
  );
  const proteins = await readProteins(read);
  const recipeOf = new Map<number, number>();
  const pots: EatenPot[] = [];
  for (const batchId of new Set(days.flatMap((day) => [...day.pots.keys()]))) {
    const batch = await readBatchIfReadable(db, batchId, household.energyFactors);
    if (!batch || batch.state === 'planned') continue;
    recipeOf.set(batchId, batch.recipeId);
    pots.push({ batchId, name: batch.recipeName, lines: batchLines(batch.lines) });
  }
  const proteinOf = (batchId: number) => proteins.get(recipeOf.get(batchId) ?? NaN);
  const wordOf = (batchId: number) => proteinOf(batchId)?.word;
  const within = (end: LocalDate) => days.filter(({ day }) => day <= end && day > addDays(end, -FORTNIGHT));
  const { profiles } = reference;
  const profile = sure(profiles.profiles.find(({ id }) => id === profileFor(lifeStage(dog, to).kind)));
  const balanced = (end: LocalDate) => balanceEaten(within(end), pots, profiles, profile, household.energyFactors);
  const now = balanced(to);
  const earlier = addDays(to, -FORTNIGHT);
  const before = earlier >= addDays(first, FORTNIGHT - 1) ? balanced(earlier) : undefined;
  const fortnight = within(to);
  const gaps = lastingGaps(
    now.balance,
    before?.balance,
    before
      ? (await readLatestVersions(db, reference)).map(({ name, lines }) => ({
          name,
          rows: balanceOf(batchLines(lines), profiles.nutrients, profile, household.energyFactors).rows,
        }))
      : [],
  );
  const known = fortnight.filter(({ kcal }) => kcal !== undefined);
  const part =
    addUp(known, ({ kcal }) => kcal ?? 0) /
    Math.max(
      1,
      addUp(known, ({ need }) => need),
    );
  const reported = fortnight.filter((day) => day.reported).length;
  const total = (of: (day: (typeof fortnight)[number]) => number) => addUp(fortnight, of);
  const words = [...new Set(days.flatMap((day) => proteinOfDay(day, wordOf) ?? []))];
  const hatchOf = (word: string | undefined) => [...proteins.values()].find((each) => each.word === word)?.hatch;
  return {
    dog: { id: dog.id, name: dog.name },
    headline:
      known.length === 0
        ? `Nothing of ${dog.name}’s fortnight is known`
        : `${dog.name} got ${writeNumber(part * 100, 0)} % of its energy`,
    under: `in the fortnight to ${writeDay(to, today)}, by ${countOf(known.length, 'day')} of which all is known`,
    days: days.map((day) => {
      const word = proteinOfDay(day, wordOf);
      const had = day.home + day.added + day.planned + day.besides;
      return {
        day: day.day,
        said: [
          writeDay(day.day, today),
          day.kcal === undefined ? `at least ${writeKcal(day.fed > 0 ? had : 0)}` : writeKcal(day.kcal),
          `of ${writeKcal(day.need)} kcal`,
          word ?? '',
          day.reported ? 'as you reported it' : '',
          day.missed > 0 ? `${countOf(day.missed, 'meal')} not pressed` : '',
          day.unknown.length > 0 ? `nobody knows ${day.unknown.join(', ')}` : '',
        ]
          .filter(Boolean)
          .join(' '),
        isMonday: weekdayName(day.day) === 'Monday',
        need: day.need,
        kcal: day.kcal,
        known: day.fed > 0 ? had : 0,
        reported: day.reported,
        hatch: hatchOf(word),
        inFortnight: fortnight.includes(day),
      };
    }),
    legend: words.flatMap((word) => [...proteins.values()].find((each) => each.word === word) ?? []),
    since: daysSince(days, wordOf, today).map(({ word, days: ago }) =>
      ago === 0 ? `${word} today` : `${word} ${countOf(ago, 'day')} ago`,
    ),
    notes: [
      total(({ water }) => water) > 0
        ? `${writeNumber(
            total(({ water }) => water),
            0,
          )} mL of water put back`
        : '',
      total(({ missed }) => missed) > 0
        ? `${countOf(
            total(({ missed }) => missed),
            'meal',
          )} not pressed`
        : '',
      reported > 0 ? `${countOf(reported, 'day')} as you reported ${reported === 1 ? 'it' : 'them'}` : '',
      total(({ refused }) => refused) > 0
        ? `${countOf(
            total(({ refused }) => refused),
            'bowl',
          )} refused`
        : '',
      total(({ besides }) => besides) > 0 ? `${writeKcal(total(({ besides }) => besides))} kcal besides its meals` : '',
    ].filter(Boolean),
    profile: profile.name,
    covered:
      now.balance === undefined
        ? 'Of nothing that it ate is the composition known.'
        : `By the composition of ${writeNumber(now.known * 100, 0)} % of its energy${now.rest.length > 0 ? `; not of ${now.rest.join(', ')}` : ''}.`,
    rows: (now.balance?.rows ?? []).map(rowOf),
    gaps: gaps.map(({ row, best }) =>
      [
        `${row.name}: short for four weeks, ${row.amount === undefined ? 'not known' : writeNutrient(row.amount)} of ${writeNutrient(row.least ?? 0)} ${row.unit} in 1000 kcal.`,
        best
          ? `${best.name} holds ${writeNutrient(best.amount)}.`
          : 'None of your recipes holds enough: its sheet proposes additions.',
      ].join(' '),
    ),
    before: earlier >= addDays(first, FORTNIGHT - 1) ? earlier : undefined,
    after: to < today ? (addDays(to, FORTNIGHT) < today ? addDays(to, FORTNIGHT) : today) : undefined,
  };
});
