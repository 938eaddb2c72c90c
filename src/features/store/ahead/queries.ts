import 'server-only';
import { addUp } from '@/core/add-up';
import { daysBetween, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { countOf } from '@/core/quantity/count-words';
import { writeMassIn } from '@/core/quantity/write';
import type { Hatch, Protein } from '@/core/recipe/protein';
import { cookByOf } from '@/core/stock/agenda';
import type { CoveredDay } from '@/core/stock/cover';
import { fitFor, inOrderOfUse, withHeld } from '@/core/stock/draw';
import {
  DAYS_AHEAD,
  freezerAhead,
  passDates,
  playAhead,
  sayPlayed,
  sayRunsOut,
  whyBefore,
} from '@/core/stock/weeks-ahead';
import { sure } from '@/core/sure';
import { readAhead } from '@/data/ahead';
import { pageQuery, readProteins } from '@/data/page';
import { readPlaces } from '@/data/repositories/household';
import { readLots } from '@/data/repositories/lots';
import { proteinOf } from '../shelves/queries';

export interface AheadDay {
  readonly day: LocalDate;
  readonly said: string;
  readonly covered: boolean;
  readonly hatch: Hatch | undefined;
  /** It has had one protein for as long as the household allows: why this day's is another. */
  readonly rotated: string | undefined;
  /** Which packs feed it, and why each comes before the next. */
  readonly packs: readonly {
    readonly code: string;
    readonly said: string;
    /** undefined: it is warm from the pot. */
    readonly holdingId: number | undefined;
    /** It is kept for this day. */
    readonly held: boolean;
  }[];
}

export interface AheadView {
  readonly dogs: readonly {
    readonly dogId: number;
    readonly name: string;
    readonly coverDays: number;
    readonly runsOut: string;
    readonly days: readonly AheadDay[];
  }[];
  readonly days: readonly { readonly day: LocalDate; readonly said: string; readonly isMonday: boolean }[];
  readonly cookBy: { readonly index: number; readonly said: string } | undefined;
  readonly freezer: {
    readonly capacity: number | undefined;
    readonly days: readonly number[];
  };
  readonly passes: readonly { readonly code: string; readonly said: string; readonly tone: 'danger' | 'caution' }[];
  readonly takeOuts: readonly { readonly day: LocalDate; readonly on: string; readonly codes: readonly string[] }[];
  /** What is kept for a day. */
  readonly held: readonly { readonly holdingId: number; readonly code: string; readonly said: string }[];
  readonly legend: readonly Protein[];
}

/** The holding of a source that is a pack. */
const packId = (key: string): number | undefined =>
  key.startsWith('pack-') ? Number(key.slice('pack-'.length)) : undefined;

export const aheadView = pageQuery(async (read): Promise<AheadView> => {
  const { db, today, household } = read;
  const set = household.unitSet;
  const ahead = await readAhead(read);
  const proteins = await readProteins(read);
  const places = (await readPlaces(db)).filter(({ kind }) => kind === 'freezer');
  const played = playAhead(ahead.meals, ahead.sources, today, ahead.keeps);
  const { cover } = played;
  const bySource = new Map(ahead.sources.map((source) => [source.key, source]));
  const proteinFor = (key: string): Protein => proteinOf(proteins, bySource.get(key)?.recipeId ?? NaN);
  const inOrder = inOrderOfUse(ahead.sources, today);
  const divided = cover.some((own) => own.divided);
  const why = (key: string, dogId: number, { day, drawn }: CoveredDay): string => {
    const fit = withHeld(fitFor(inOrder, dogId), dogId, day);
    const at = fit.findIndex((source) => source.key === key);
    const source = bySource.get(key);
    if (!source) return '';
    const sooner = fit
      .slice(0, Math.max(0, at))
      .find(
        (each) => each.dogId === undefined && each.dogIds === undefined && !drawn.some((part) => part.key === each.key),
      );
    if (divided && sooner && source.dogId === dogId)
      return `its own, before ${sooner.code}: that is left for who has less`;
    return source.held?.day === day ? 'kept for this day' : whyBefore(source, at < 0 ? undefined : fit[at + 1], today);
  };
  const cookBy = ahead.stock.length > 0 ? cookByOf(cover, today) : undefined;
  const out = new Map<LocalDate, string[]>();
  for (const { on, code } of played.out) out.set(on, [...(out.get(on) ?? []), code]);
  const frozenLots = addUp(await readLots(db), (lot) => (lot.place === 'freezer' ? lot.grams : 0));
  const first = cover[0]?.days ?? [];
  return {
    dogs: cover.map((of) => {
      const { dogId, coverDays, days } = of;
      return {
        dogId,
        name: sure(ahead.dogs.find(({ id }) => id === dogId)).name,
        coverDays,
        runsOut: sayRunsOut(of, today),
        days: days.map((own): AheadDay => {
          const { day, drawn, covered, tired } = own;
          const main = [...drawn].sort((a, b) => b.kcal - a.kcal)[0];
          return {
            day,
            covered,
            hatch: main && covered ? proteinFor(main.key).hatch : undefined,
            said: sayPlayed(own, today),
            rotated:
              covered && tired !== undefined && main && proteinFor(main.key).word !== tired
                ? `something else, after ${countOf(ahead.keeps.proteinDays ?? 0, 'day')} of ${tired}`
                : undefined,
            packs: drawn.map(({ key, code, grams }) => ({
              holdingId: packId(key),
              held: bySource.get(key)?.held?.day === day,
              code,
              said: `${writeMassIn(grams, set)}: ${why(key, dogId, own)}`,
            })),
          };
        }),
      };
    }),
    days: first.map(({ day }) => ({
      day,
      said: writeDay(day, today),
      isMonday: daysBetween('2024-01-01' as LocalDate, day) % 7 === 0,
    })),
    cookBy: cookBy && {
      index: daysBetween(today, cookBy),
      said: cookBy <= today ? 'cook today' : `cook by ${writeDay(cookBy, today)}`,
    },
    freezer: {
      capacity: places.some(({ capacityMl }) => capacityMl === null)
        ? undefined
        : addUp(places, ({ capacityMl }) => capacityMl ?? 0),
      // Ingredients stay where they are until somebody cooks.
      days: freezerAhead(ahead.sources, played, today, DAYS_AHEAD).map(({ millilitres }) => millilitres + frozenLots),
    },
    passes: passDates(ahead.sources, cover).map(({ code, on, grams, is }) => ({
      code,
      said: `${writeMassIn(grams, set)} left when ${is === 'safe' ? 'it must not be fed any more' : 'it is past its best'}, ${writeDay(on, today)}`,
      tone: is === 'safe' ? 'danger' : 'caution',
    })),
    held: ahead.sources.flatMap(({ key, code, held }) => {
      const holdingId = packId(key);
      const whose = ahead.dogs.find(({ id }) => id === held?.dogId)?.name;
      return held && holdingId !== undefined && whose !== undefined
        ? [{ holdingId, code, said: `for ${whose}, ${writeDay(held.day, today)}` }]
        : [];
    }),
    takeOuts: [...out].map(([day, codes]) => ({ day, on: writeDay(day, today), codes })),
    legend: [...new Map(ahead.sources.map(({ key }) => [proteinFor(key).word, proteinFor(key)])).values()],
  };
});
