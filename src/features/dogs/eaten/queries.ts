import 'server-only';
import { addUp } from '@/core/add-up';
import { addDays, weekdayName, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { weightOn } from '@/core/dog/day-energy';
import { lifeStage } from '@/core/dog/stage';
import type { Explanation } from '@/core/explanation';
import { partOfEnergy, whyEnergy, whyNutrient } from '@/core/eaten/explain';
import { daysSince, proteinOfDay } from '@/core/eaten/days';
import { balanceEaten, FORTNIGHT, sayKnown } from '@/core/eaten/fortnight';
import { closingAddition, lastingGaps } from '@/core/eaten/gaps';
import { balanceOf, type BalanceRow } from '@/core/nutrition/balance';
import { sayVerdict } from '@/core/nutrition/verdict';
import { profileFor } from '@/core/plan/dog-checks';
import { countOf } from '@/core/quantity/count-words';
import { writeDose, writeKcal, writeNumber, writeNutrient, writeWeight } from '@/core/quantity/write';
import type { Hatch, Protein } from '@/core/recipe/protein';
import { batchLines } from '@/core/recipe/recipe';
import { sure } from '@/core/sure';
import { pageQuery, readProteins } from '@/data/page';
import { readDogs } from '@/data/repositories/dogs';
import { readEaten } from '@/data/repositories/eaten-days';
import { readPantry } from '@/data/repositories/pantry';
import { readLatestVersions } from '@/data/repositories/recipes';

/** Days that are drawn: six weeks; further back they move along with the fortnight that is looked at. */
const DRAWN = 42;

export interface EatenRow {
  readonly name: string;
  readonly said: string;
  readonly limits: string;
  readonly verdict: string;
  readonly why: Explanation;
  readonly tone: 'danger' | 'caution' | 'soft' | 'plain';
}

export interface EatenView {
  readonly dog: { readonly id: number; readonly name: string };
  readonly headline: string;
  readonly why: Explanation;
  readonly under: string;
  readonly days: readonly {
    readonly day: LocalDate;
    readonly said: string;
    /** A Monday, in words. */
    readonly week: string | undefined;
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
  /** Weigh-ins of the days that are drawn. */
  readonly weights: readonly { readonly day: LocalDate; readonly grams: number; readonly said: string }[];
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

const rowOf = (row: BalanceRow, profile: string): EatenRow => ({
  name: row.name,
  why: whyNutrient(row, profile),
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
  const since = sure(dog.rations[0]).from;
  const to = asked !== undefined && asked <= today && asked >= since ? asked : today;
  // The last six weeks stay where they are while a fortnight of them is looked at.
  const last = addDays(to, DRAWN - FORTNIGHT) >= today ? today : addDays(to, FORTNIGHT);
  const first = addDays(last, 1 - DRAWN);
  const {
    days: all,
    batches,
    pots,
  } = await readEaten(db, dog, {
    from: addDays(first, -FORTNIGHT),
    to: last,
    today,
    factors: household.energyFactors,
  });
  const days = all.filter(({ day }) => day >= first);
  const proteins = await readProteins(read);
  const proteinOf = (batchId: number) => proteins.get(batches.get(batchId)?.recipeId ?? NaN);
  const wordOf = (batchId: number) => proteinOf(batchId)?.word;
  const within = (end: LocalDate) => all.filter(({ day }) => day <= end && day > addDays(end, -FORTNIGHT));
  const { profiles } = reference;
  const profile = sure(profiles.profiles.find(({ id }) => id === profileFor(lifeStage(dog, to).kind)));
  const { supplies, knownOf } = await readPantry(db, reference, household.unitSet);
  const labelled = supplies.flatMap(({ id, label }) => {
    const food = knownOf(`L${id}`)?.food;
    return food ? [{ food, label }] : [];
  });
  const balanced = (end: LocalDate) =>
    balanceEaten(within(end), pots, profiles, profile, household.energyFactors, labelled);
  const now = balanced(to);
  const earlier = addDays(to, -FORTNIGHT);
  const before = balanced(earlier);
  const fortnight = within(to);
  const gaps = lastingGaps(
    now.balance,
    before.balance,
    before.balance
      ? (await readLatestVersions(db, reference)).map(({ name, lines }) => ({
          name,
          rows: balanceOf(batchLines(lines), profiles.nutrients, profile, household.energyFactors).rows,
        }))
      : [],
  );
  const known = fortnight.filter(({ kcal }) => kcal !== undefined);
  const part = partOfEnergy(fortnight);
  const reported = fortnight.filter((day) => day.reported).length;
  const total = (of: (day: (typeof fortnight)[number]) => number) => addUp(fortnight, of);
  const words = [...new Set(days.flatMap((day) => proteinOfDay(day, wordOf) ?? []))];
  const hatchOf = (word: string | undefined) => [...proteins.values()].find((each) => each.word === word)?.hatch;
  return {
    dog: { id: dog.id, name: dog.name },
    headline:
      part === undefined
        ? `Nothing of ${dog.name}’s fortnight is known`
        : `${dog.name} got ${writeNumber(part * 100, 0)} % of its energy`,
    why: whyEnergy(fortnight),
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
        week: weekdayName(day.day) === 'Monday' ? writeDay(day.day, today) : undefined,
        need: day.need,
        kcal: day.kcal,
        known: day.fed > 0 ? had : 0,
        reported: day.reported,
        hatch: hatchOf(word),
        inFortnight: fortnight.includes(day),
      };
    }),
    legend: words.flatMap((word) => [...proteins.values()].find((each) => each.word === word) ?? []),
    // What was eaten after the days that are drawn is not looked at here.
    since: (last === today ? daysSince(days, wordOf, today) : []).map(({ word, days: ago }) =>
      ago === 0 ? `${word} today` : `${word} ${countOf(ago, 'day')} ago`,
    ),
    weights: dog.weighIns
      .filter(({ date }) => date >= first && date <= last)
      .map(({ date, grams }) => ({ day: date, grams, said: writeWeight(grams, household.unitSet) })),
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
    covered: sayKnown(now),
    rows: (now.balance?.rows ?? []).map((row) => rowOf(row, profile.name)),
    gaps: gaps.map(({ row, best }) => {
      const own = closingAddition(row, labelled, {
        dayKcal: sure(fortnight.at(-1)).need,
        kilograms: weightOn(dog, to) / 1000,
      });
      return [
        `${row.name}: short for four weeks, ${row.amount === undefined ? 'not known' : writeNutrient(row.amount)} of ${writeNutrient(row.least ?? 0)} ${row.unit} in 1000 kcal.`,
        best ? `${best.name} holds ${writeNutrient(best.amount)}.` : '',
        own ? `${writeDose(own.measures)} ${own.measure} of ${own.name} a day would bring it, by its label.` : '',
        best || own
          ? ''
          : 'None of your recipes holds enough, and no label that is kept here does: its sheet proposes additions.',
      ]
        .filter(Boolean)
        .join(' ');
    }),
    before: earlier >= since ? earlier : undefined,
    after: to < today ? (addDays(to, FORTNIGHT) < today ? addDays(to, FORTNIGHT) : today) : undefined,
  };
});
