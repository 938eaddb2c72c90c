import 'server-only';
import { addDays, daysBetween, readLocalDate, writeDayInFull, type LocalDate } from '@/core/calendar/local-date';
import { sayAddition } from '@/core/dog/bowl-line';
import { dayEnergy, weightOn } from '@/core/dog/day-energy';
import { isFedOn, sayOff } from '@/core/dog/days-off';
import { mealsOn } from '@/core/dog/meals';
import type { Problem } from '@/core/problem';
import { byMeasure, measuresOf } from '@/core/stock/by-measure';
import { writeMassIn, writeWeight } from '@/core/quantity/write';
import { DAYS_AHEAD, playAhead } from '@/core/stock/weeks-ahead';
import { sure } from '@/core/sure';
import { readAhead } from '@/data/ahead';
import { pageQuery } from '@/data/page';
import { readCups } from '@/data/repositories/food-facts';
import { readPlaces } from '@/data/repositories/household';
import { besideOf } from '../bowl/queries';

export interface SitterMeal {
  readonly slotId: number;
  readonly slotName: string;
  readonly clock: string;
  /** "184 g from K7 (1⅛ cups)", one line a pack; empty: nothing is there for it. */
  readonly from: readonly string[];
  readonly additions: readonly string[];
  /** It gets nothing of this meal, and why. */
  readonly off?: string;
}

export interface SitterView {
  /** The days as they were asked for. */
  readonly typed: { readonly from: string; readonly to: string };
  /** Why they cannot be what was typed, at its field: other days are shown. */
  readonly problem: Problem | undefined;
  /** Something of it is dry: how it is fed stands at the foot. */
  readonly isDry: boolean;
  readonly said: string;
  readonly dogs: readonly {
    readonly id: number;
    readonly name: string;
    readonly letters: string;
    readonly badge: number;
    readonly facts: readonly string[];
    readonly never: readonly string[];
  }[];
  /** Codes that go into the fridge before the first of these days, with the evening. */
  readonly before: readonly string[];
  readonly days: readonly {
    readonly day: LocalDate;
    readonly said: string;
    /** Codes that go from the freezer into the fridge on that evening, with the place. */
    readonly takeOut: readonly { readonly code: string; readonly said: string }[];
    readonly dogs: readonly {
      readonly id: number;
      readonly name: string;
      /** Why it gets nothing. */
      readonly off: string | undefined;
      readonly beside: readonly string[];
      /** What is there is not enough for this day. */
      readonly isShort: boolean;
      readonly meals: readonly SitterMeal[];
    }[];
  }[];
}

/** Days that are shown where nobody asks for others, and the most that fit a sheet (ours, no source). */
const USUAL = 7;
const MOST = 28;

interface Range {
  readonly from: LocalDate;
  readonly to: LocalDate;
  readonly problem: Problem | undefined;
}

/** The days asked for; what cannot be is said, and the usual ones are shown. */
function rangeOf(today: LocalDate, typed: { from?: string | undefined; to?: string | undefined }): Range {
  const from = typed.from === undefined ? today : readLocalDate(typed.from);
  const instead = (field: string, message: string, own = addDays(today, USUAL - 1), first = today) => ({
    from: first,
    to: own,
    problem: { field, message },
  });
  if (!from || from < today) return instead('from', 'The first day is today or later.');
  const to = typed.to === undefined ? addDays(from, USUAL - 1) : readLocalDate(typed.to);
  if (!to || to < from) return instead('to', 'The last day lies after the first.');
  if (daysBetween(today, to) >= DAYS_AHEAD) return instead('to', 'That is further ahead than eight weeks.');
  if (daysBetween(from, to) >= MOST) return instead('to', `A sheet holds ${MOST} days.`, addDays(from, MOST - 1), from);
  return { from, to, problem: undefined };
}

/** Everything that somebody needs who feeds the dogs for some days, by what the coming days are played to be. */
export const sitterView = pageQuery(
  async (read, typed: { from?: string | undefined; to?: string | undefined }): Promise<SitterView> => {
    const { db, today, household } = read;
    const set = household.unitSet;
    const { from, to, problem } = rangeOf(today, typed);
    const ahead = await readAhead(read);
    const cups = await readCups(db);
    const freezers = (await readPlaces(db)).filter(({ kind }) => kind === 'freezer');
    const { cover, out } = playAhead(ahead.meals, ahead.sources, today, ahead.keeps);
    const bySource = new Map(ahead.sources.map((source) => [source.key, source]));
    const packs = new Map(ahead.stock.map((pack) => [`pack-${pack.holdingId}`, pack]));
    const measured = ahead.stock.map((pack) => ({ key: `pack-${pack.holdingId}`, ...measuresOf(pack, cups) }));
    const days = Array.from({ length: daysBetween(from, to) + 1 }, (_, index) => addDays(from, index));
    return {
      typed: { from: typed.from ?? from, to: typed.to ?? to },
      problem,
      isDry: cover.some((own) =>
        own.days.some(({ day, drawn }) => day >= from && day <= to && drawn.some(({ water }) => water > 0)),
      ),
      said: `${writeDayInFull(from)} to ${writeDayInFull(to)}`,
      dogs: ahead.dogs.map((dog) => ({
        id: dog.id,
        name: dog.name,
        letters: dog.letters,
        badge: dog.badge,
        facts: [writeWeight(weightOn(dog, today), set), ...(dog.illness === undefined ? [] : [dog.illness])],
        never: dog.avoids.map(({ label, reason }) => `${label} (${reason})`),
      })),
      before: out
        .filter(({ on, first }) => on < from && first >= from)
        .map(({ code, on }) => `${code} on ${writeDayInFull(on)}`),
      days: days.map((day) => ({
        day,
        said: writeDayInFull(day),
        takeOut: out
          .filter(({ on }) => on === day)
          .map(({ key, code }) => {
            const place = freezers.find(({ id }) => id === packs.get(key)?.placeId);
            return { code, said: freezers.length > 1 && place ? `${code} (${place.name.toLowerCase()})` : code };
          }),
        dogs: ahead.dogs.map((dog) => {
          const energy = dayEnergy(dog, day);
          const own = sure(cover.find(({ dogId }) => dogId === dog.id)).days[daysBetween(today, day)];
          // What is still to come is what was played: one that was forgotten is for whoever is here to say so.
          const coming = sure(ahead.meals.find(({ dogId }) => dogId === dog.id)).mealsOn(daysBetween(today, day));
          const open = mealsOn(dog, day, energy).filter((meal) =>
            meal.kcal > 0 ? coming.some(({ id }) => id === meal.id) : day > today || meal.clock > read.clock,
          );
          return {
            id: dog.id,
            name: dog.name,
            off: sayOff(dog.daysOff, day),
            beside: besideOf(energy, set),
            isShort: own?.covered === false,
            meals: [
              ...open.map((meal): SitterMeal => ({
                slotId: meal.id,
                slotName: meal.name,
                clock: meal.clock,
                from: (own?.meals.find(({ slotId }) => slotId === meal.id)?.parts ?? []).map((part) => {
                  const measure = byMeasure([part], measured);
                  const [dry, water] = part.water > 0 ? [' dry', `, with ${part.water} mL of warm water`] : ['', ''];
                  const isFrozen = day === today && bySource.get(part.key)?.place === 'freezer';
                  const thaw = isFrozen ? ', still frozen: thaw it in cold water first' : '';
                  return `${writeMassIn(part.grams, set)}${dry} from ${part.code}${measure === undefined ? '' : ` (${measure})`}${water}${thaw}`;
                }),
                additions: meal.additions.map(sayAddition),
              })),
              // A meal that it fasts is a row as well: a missing one reads as forgotten.
              ...mealsOn({ ...dog, daysOff: [] }, day, energy)
                .filter(({ id }) => !isFedOn(dog.daysOff, day, id))
                .map(({ id, name, clock }): SitterMeal => ({
                  slotId: id,
                  slotName: name,
                  clock,
                  from: [],
                  additions: [],
                  off: 'nothing: it fasts',
                })),
            ],
          };
        }),
      })),
    };
  },
);
