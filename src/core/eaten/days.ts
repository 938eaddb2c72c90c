import { addUp } from '../add-up';
import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import { dayEnergy } from '../dog/day-energy';
import type { Dog } from '../dog/dog';
import { mealsOn } from '../dog/meals';

/** A bowl that was fed and not taken back. */
export interface FedBowl {
  readonly day: LocalDate;
  /** Which of its meals; null: another one, beside them. */
  readonly slotId: number | null;
  /** kcal that were put into it, pot by pot; `batchId` undefined: of packs that no pot made. */
  readonly parts: readonly { readonly batchId: number | undefined; readonly kcal: number }[];
  /** kcal that were left. */
  readonly left: number;
  /** mL of water that were put back. */
  readonly water: number;
  /** What was ticked of the additions; undefined: nobody said, and the ration's own are taken. */
  readonly ticked: readonly { readonly lineId: number; readonly kcal: number }[] | undefined;
}

/** kcal of something that has a name and no pot; of an addition also how much it was. */
export interface NamedKcal {
  readonly from: 'planned' | 'added' | 'besides';
  readonly name: string;
  readonly kcal: number;
  readonly dose?: { readonly amount: number; readonly unit: string };
}

/** One day of a dog, as it was. */
export interface EatenDay {
  readonly day: LocalDate;
  /** kcal that its ration asks for. */
  readonly need: number;
  /** kcal that it got; undefined: not every meal was pressed, or of something nobody knows what it held. */
  readonly kcal: number | undefined;
  /** The cook reported it by hand: what the bowls say is not asked. */
  readonly reported: boolean;
  /** kcal by where they are from, as far as they are known. */
  readonly home: number;
  readonly added: number;
  /** Bought food and extras, as the ration says: nobody presses them. */
  readonly planned: number;
  /** Treats, toppers and other things that were written down. */
  readonly besides: number;
  /** The same where it has a name. */
  readonly named: readonly NamedKcal[];
  /** kcal of each pot that were eaten, less what was left, by batch. */
  readonly pots: ReadonlyMap<number, number>;
  /** kcal of packs that no pot made. */
  readonly potless: number;
  readonly fed: number;
  readonly missed: number;
  /** Bowls of which all but a crumb was left. */
  readonly refused: number;
  readonly water: number;
  /** What it got of which nobody knows the kcal. */
  readonly unknown: readonly string[];
}

/** Something that a dog got besides its bowls. */
export interface GivenThat {
  readonly day: LocalDate;
  readonly kind: string;
  readonly name: string;
  readonly kcal: number | undefined;
}

/** From so much left on a bowl was refused (ours, no source). */
const REFUSED = 0.9;

/**
 * What a dog got, day by day, beside what it needs. A day on which a meal was not pressed, or of which nobody knows what something held,
 * is unknown, never less; the day that is not over yet misses nothing.
 *
 * Takes the dog, the first and the last day, its bowls, today, and what the cook reported of whole days, the last word of it last. Source: the bowls; arithmetic.
 */
export function daysEaten(
  dog: Dog & { readonly given: readonly GivenThat[] },
  from: LocalDate,
  to: LocalDate,
  bowls: readonly FedBowl[],
  today: LocalDate,
  reports: readonly { readonly from: LocalDate; readonly to: LocalDate; readonly kcal: number }[] = [],
): EatenDay[] {
  const byDay = new Map<LocalDate, FedBowl[]>();
  for (const each of bowls) byDay.set(each.day, [...(byDay.get(each.day) ?? []), each]);
  return Array.from({ length: daysBetween(from, to) + 1 }, (_, index): EatenDay => {
    const day = addDays(from, index);
    const own = byDay.get(day) ?? [];
    const energy = dayEnergy(dog, day);
    const meals = mealsOn(dog, day, energy);
    const asked = meals.filter(({ kcal }) => kcal > 0);
    const fed = asked.filter((meal) => own.some(({ slotId }) => slotId === meal.id)).length;
    const between = dog.given.filter((each) => each.day === day && each.kind !== 'meal');
    const unknown = between.filter(({ kcal }) => kcal === undefined).map(({ name }) => name);
    const pots = new Map<number, number>();
    let potless = 0;
    for (const { parts, left } of own) {
      const put = addUp(parts, ({ kcal }) => kcal);
      const eaten = put > 0 ? Math.max(0, 1 - left / put) : 0;
      for (const { batchId, kcal } of parts)
        if (batchId === undefined) potless += kcal * eaten;
        else pots.set(batchId, (pots.get(batchId) ?? 0) + kcal * eaten);
    }
    const home = potless + addUp(pots.values(), (kcal) => kcal);
    // Of a meal that nobody pressed nobody knows that they were in it.
    const additions = meals.flatMap((meal) => {
      const bowl = own.find(({ slotId }) => slotId === meal.id);
      return bowl ? (bowl.ticked ?? meal.additions) : [];
    });
    // What was ticked says no amount: it was what the ration says.
    const doses = new Map(
      meals.flatMap((meal) => meal.additions.map(({ lineId, amount }) => [lineId, amount] as const)),
    );
    const added = addUp(additions, ({ kcal }) => kcal);
    const planned = energy.extras.kcal + (energy.oldFood?.kcal ?? 0);
    const besides = addUp(between, ({ kcal }) => kcal ?? 0);
    const report = reports.findLast((each) => each.from <= day && day <= each.to);
    const isKnown = own.length > 0 && fed === asked.length && unknown.length === 0;
    return {
      day,
      need: energy.kcal,
      kcal: report ? report.kcal : isKnown ? home + added + planned + besides : undefined,
      reported: report !== undefined,
      home,
      added,
      planned,
      besides,
      named: [
        ...energy.extras.each.map(({ name, kcal }) => ({ from: 'planned' as const, name, kcal })),
        ...additions.flatMap(({ lineId, kcal }) => {
          const line = dog.bowlLines.find(({ id }) => id === lineId);
          const amount = doses.get(lineId);
          return line
            ? [
                {
                  from: 'added' as const,
                  name: line.what,
                  kcal,
                  ...(amount === undefined ? {} : { dose: { amount, unit: line.unit } }),
                },
              ]
            : [];
        }),
        ...between.flatMap(({ name, kcal }) => (kcal === undefined ? [] : [{ from: 'besides' as const, name, kcal }])),
      ].filter((each: NamedKcal) => each.kcal > 0 || (each.dose?.amount ?? 0) > 0),
      pots,
      potless,
      fed,
      missed: day < today && !report ? asked.length - fed : 0,
      refused: own.filter(({ parts, left }) => left > 0 && left >= REFUSED * addUp(parts, ({ kcal }) => kcal)).length,
      water: addUp(own, ({ water }) => water),
      unknown,
    };
  });
}

/** Days of which every bowl is known: what a day comes to is said by these. A day that was reported as a whole says nothing of what was in it. */
export const toldDays = (days: readonly EatenDay[]): EatenDay[] =>
  days.filter(({ kcal, reported }) => kcal !== undefined && !reported);

/** Days since a dog had each protein last, 0 is `to`; the longest ago first. Takes its days and the word of each pot. */
export function daysSince(
  days: readonly EatenDay[],
  wordOf: (batchId: number) => string | undefined,
  to: LocalDate,
): { readonly word: string; readonly days: number }[] {
  const last = new Map<string, LocalDate>();
  for (const { day, pots } of days)
    for (const [batchId, kcal] of pots) {
      const word = wordOf(batchId);
      if (word !== undefined && kcal > 0) last.set(word, day);
    }
  return [...last]
    .map(([word, day]) => ({ word, days: daysBetween(day, to) }))
    .sort((a, b) => b.days - a.days || a.word.localeCompare(b.word));
}

/** The protein of which a dog had most on a day; undefined: none that is known. */
export function proteinOfDay(
  { pots }: Pick<EatenDay, 'pots'>,
  wordOf: (batchId: number) => string | undefined,
): string | undefined {
  const kcal = new Map<string, number>();
  for (const [batchId, own] of pots) {
    const word = wordOf(batchId);
    if (word !== undefined) kcal.set(word, (kcal.get(word) ?? 0) + own);
  }
  return [...kcal].sort((a, b) => b[1] - a[1])[0]?.[0];
}
