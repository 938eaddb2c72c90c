import 'server-only';
import { watchOf } from '@/core/batch/steps';
import { COOLING_LIMITS } from '@/core/heat/cooling';
import { isWatched, WARM_HOURS, type WarmPan } from '@/core/heat/warm-pans';
import { countOf } from '@/core/quantity/count-words';
import { addDays, clockIn, daysBetween, writeDay } from '@/core/calendar/local-date';
import { minutesAfter } from '@/core/calendar/minutes';
import { isDryer } from '@/core/plan/equipment';
import { turnIn } from '@/core/preserve/cycle';
import { capital } from '@/core/quantity/write';
import type { StoredBowl } from '@/data/repositories/bowls';
import { readCyclesOf, runningOf } from '@/data/repositories/cycles';
import { hoursFrom, sayCut } from '@/core/preserve/power-cut';
import { readOpenCut } from '@/data/repositories/power-cuts';
import { LONGEST_THAW, readToThaw } from '@/data/fetching';
import { sayThaw } from '@/core/plan/shopping';
import { readLots } from '@/data/repositories/lots';
import { readEquipment } from '@/data/repositories/equipment';
import { weighInDue } from '@/core/dog/weigh-in-due';
import { cautionOf } from '@/core/dog/stage';
import { writeMassIn, writeWeight } from '@/core/quantity/write';
import type { UnitSet } from '@/core/quantity/units';
import { type Cover } from '@/core/stock/cover';
import { type Page } from '@/data/page';
import { readBatchList } from '@/data/repositories/batches';
import { type StoredDog } from '@/data/repositories/dogs';
import { readUnreadPacks, type StoredPack } from '@/data/repositories/stock';
import type { TodayView } from '../view';
import { sure } from '@/core/sure';
import { writeHours } from '@/core/preserve/drying-words';
import { writeTemperature } from '@/core/quantity/temperature';
import { freezerNow } from '@/devices/machines-now';
import { leavesOf } from '@/core/stock/weeks-ahead';

export function watchPacks(
  stock: readonly StoredPack[],
  today: StoredPack['since'],
  cover: readonly Cover[],
  set: UnitSet,
): TodayView['watch'] {
  const leftOn = leavesOf(cover);
  return stock.flatMap((pack): TodayView['watch'][number][] => {
    const href = `/store?pack=${pack.code}`;
    if (pack.safeUntil !== undefined && pack.safeUntil < today) {
      return [
        {
          title: `${pack.code} is past its safe date`,
          said: `${writeMassIn(pack.grams, set)}, safe until ${writeDay(pack.safeUntil, today)}: throw it away`,
          tone: 'danger',
          href,
        },
      ];
    }
    const left =
      pack.safeUntil === undefined ? 0 : leftOn({ key: `pack-${pack.holdingId}`, grams: pack.grams }, pack.safeUntil);
    if (pack.safeUntil !== undefined && daysBetween(today, pack.safeUntil) <= 2 && left > pack.labelGrams * 0.05) {
      const freeze = pack.placeKind === 'fridge' ? ': feed it or freeze it' : ': feed it';
      return [
        {
          title: `${pack.code} ends ${writeDay(pack.safeUntil, today)}`,
          said: `${writeMassIn(left, set)} would be left${freeze}`,
          tone: 'caution',
          href,
        },
      ];
    }
    if (pack.bestBy !== undefined && pack.bestBy < today && pack.safeUntil === undefined) {
      return [
        {
          title: `${pack.code} is past its best`,
          said: `best by ${writeDay(pack.bestBy, today)}: use it first`,
          tone: 'caution',
          href,
        },
      ];
    }
    return [];
  });
}

/** Raw ingredients that end, and frozen ones that a cook day wants in the fridge. */
export async function watchLots(read: Page): Promise<TodayView['watch']> {
  const { db, today, household } = read;
  const there = await readLots(db);
  const lots = there.flatMap((lot): TodayView['watch'][number][] => {
    const { name, safeUntil, grams, holdingId } = lot;
    if (safeUntil === undefined || daysBetween(today, safeUntil) > 1) return [];
    const isPast = safeUntil < today;
    return [
      {
        title: isPast ? `${name} is past its safe date` : `${name} ends ${writeDay(safeUntil, today)}`,
        said: `${writeMassIn(grams, household.unitSet)}${isPast ? `, safe until ${writeDay(safeUntil, today)}: throw it away` : lot.thawedOn ? ': cook it' : ': cook it or freeze it'}`,
        tone: isPast ? 'danger' : 'caution',
        href: `/store?lot=${holdingId}`,
      },
    ];
  });
  const thaw = (await readToThaw(read, there, addDays(today, LONGEST_THAW))).filter(
    ({ by }) => daysBetween(today, by.day) <= 1,
  );
  return [
    ...lots,
    ...thaw.map(({ name, by, planId, cookDay }) => ({
      title: `${capital(name)} for ${writeDay(cookDay, today)}`,
      said: sayThaw(by, today),
      tone: by.day < today ? ('caution' as const) : ('plain' as const),
      href: `/plan/${planId}/list`,
    })),
  ];
}

export async function watchBatches({ db, now, household }: Page): Promise<TodayView['watch']> {
  const listed = await readBatchList(db, { open: true, orStartedSince: minutesAfter(now, -WARM_HOURS * 60) });
  return listed.flatMap((batch): TodayView['watch'][number][] => {
    const href = `/batches/${batch.id}`;
    if (batch.unread) return [{ title: batch.recipeName, said: 'cannot be read', tone: 'caution', href }];
    const watch = batch.summary ? batch.summary.watch : batch.open ? watchOf({ state: 'planned' }) : undefined;
    const { timeZone, unitSet } = household;
    const warm = (batch.summary?.warm ?? []).flatMap((pan) => {
      const { is, over } = isWatched(pan, now);
      return is ? [{ said: sayWarm(pan, over, unitSet, (at) => clockIn(new Date(at), timeZone)), over }] : [];
    });
    return [
      ...warm.map(({ said, over }) => ({
        title: batch.recipeName,
        said,
        tone: over ? ('danger' as const) : ('caution' as const),
        href: `${href}?step=cool`,
      })),
      ...(watch ? [{ title: batch.recipeName, ...watch, href }] : []),
    ];
  });
}

/** "load 1: 40 °C at 15:20, to be at 5 °C by 19:50". */
function sayWarm(
  { name, celsius, at, limit }: WarmPan,
  over: boolean,
  set: UnitSet,
  clock: (at: string) => string,
): string {
  const degrees = (of: number) => writeTemperature(of, set);
  const read = celsius === undefined || at === undefined ? 'not measured yet' : `${degrees(celsius)} at ${clock(at)}`;
  const cold = degrees(COOLING_LIMITS.second.celsius);
  return over
    ? `${name}: nobody saw it at ${cold} by ${clock(limit)} (${read}): measure it, or throw it away`
    : `${name} is warm: ${read}, to be at ${cold} by ${clock(limit)}`;
}

/** Packs that cannot be read: they are in no bowl and in no sum. */
export const watchUnread = async ({ db }: Page): Promise<TodayView['watch']> =>
  (await readUnreadPacks(db)).map((what) => ({
    title: what.name,
    said: `cannot be read: ${what.why}`,
    tone: 'caution',
    href: `/mend/pack/${what.id}`,
  }));

/** A power cut that runs, or that nobody has settled. */
export async function watchPower({ db, now }: Page): Promise<TodayView['watch']> {
  const cut = await readOpenCut(db);
  if (!cut) return [];
  const hours = hoursFrom(cut.startedAt, cut.endedAt ?? now);
  return [
    {
      title: cut.endedAt ? 'The power was away' : 'The power is away',
      said: cut.endedAt ? `${sayCut(hours)}: say what became of each pack` : `for ${sayCut(hours)}: what to save first`,
      tone: 'danger',
      href: '/store/power',
    },
  ];
}

/** The dryers that run: how long, whether their trays are to be turned, and what is without power. */
export async function watchDryers({ db, now }: Page): Promise<TodayView['watch']> {
  const watched: TodayView['watch'][number][] = [];
  for (const machine of (await readEquipment(db)).filter(isDryer)) {
    const running = runningOf(await readCyclesOf(db, machine.id), now);
    const [first] = running?.cycle.trays ?? [];
    if (!running || !first) continue;
    const { state, cycle } = running;
    const cut = state.cuts.find(({ to }) => to === undefined);
    const turn = cycle.method === 'dehydrated' ? turnIn(state, now) : undefined;
    watched.push({
      title: capital(machine.name),
      said: cut
        ? `without power for ${writeHours(cut.hours)}: look at it`
        : turn !== undefined && turn <= 0
          ? `trays change places now, ${writeHours(state.running)} in it`
          : `${writeHours(state.running)} in it`,
      tone: cut ? 'danger' : turn !== undefined && turn <= 0 ? 'caution' : 'plain',
      href: `/batches/${first.batchId}`,
    });
  }
  return watched;
}

/** Rehydrated food is food of two hours (USDA). */
const TWO_HOURS = 2 * 60 * 60 * 1000;

/** What was put back to water less than two hours ago: what is left of it goes then. */
export function watchRehydrated(
  { now, household }: Page,
  dogs: readonly StoredDog[],
  bowls: readonly StoredBowl[],
): TodayView['watch'] {
  return bowls.flatMap((bowl): TodayView['watch'][number][] => {
    const until = new Date(bowl.fedAt.getTime() + TWO_HOURS);
    if (bowl.fedAt > now || until <= now || !bowl.parts.some(({ waterMl }) => waterMl > 0)) return [];
    return [
      {
        title: `${dogs.find(({ id }) => id === bowl.dogId)?.name ?? 'A dog'} had dried food`,
        said: `what is left of it with its water is thrown away at ${clockIn(until, household.timeZone)} (USDA, 2 h)`,
        tone: 'plain',
        href: '/',
      },
    ];
  });
}

/** A freezer that has become too warm, by its sensor: its door, its plug, or the power. */
export function watchSensor(set: UnitSet): TodayView['watch'] {
  const watch = freezerNow(Date.now());
  if (!watch || watch.is === 'cold') return [];
  return [
    {
      title: `The freezer is at ${writeTemperature(watch.celsius, set)}`,
      said:
        watch.is === 'alarm'
          ? `too warm for ${writeHours(watch.warmFor)}: look whether its door is shut and its power on`
          : 'it is getting warm: is its door open?',
      tone: watch.is === 'alarm' ? 'danger' : 'caution',
      href: '/household/instruments',
    },
  ];
}

export function watchDogs(dogs: readonly StoredDog[], today: StoredPack['since'], set: UnitSet): TodayView['watch'] {
  return dogs.flatMap((dog): TodayView['watch'][number][] => {
    const last = sure(dog.weighIns.at(-1));
    const days = daysBetween(last.date, today);
    const tries = dog.avoids
      .filter((avoid) => avoid.tryAgainOn !== undefined && avoid.tryAgainOn <= today)
      .map((avoid) => ({
        title: `${avoid.label} again for ${dog.name}?`,
        said: `kept from it since ${writeDay(avoid.since, today)} (${avoid.reason}): try a little, alone`,
        tone: 'plain' as const,
        href: `/dogs/${dog.id}/avoid`,
      }));
    const unread = dog.unread
      ? [
          {
            title: dog.name,
            said: `cannot be read: ${dog.unread.why}`,
            tone: 'danger' as const,
            href: `/mend/dog/${dog.id}`,
          },
        ]
      : [];
    const caution = cautionOf(dog, today);
    const words =
      caution && !caution.seen
        ? [
            {
              title: `A word about ${dog.name}`,
              said: 'for its age or illness: look at it once',
              tone: 'plain' as const,
              href: `/dogs/${dog.id}`,
            },
          ]
        : [];
    if (today < weighInDue(dog, today)) return [...unread, ...words, ...tries];
    return [
      ...unread,
      ...words,
      ...tries,
      {
        title: `${dog.name} is due on the scale`,
        said: `last ${writeWeight(last.grams, set)}, ${countOf(days, 'day')} ago`,
        tone: 'plain',
        href: `/dogs/${dog.id}/weigh`,
      },
    ];
  });
}
