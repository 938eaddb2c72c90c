import { addUp } from '../add-up';
import { daysBetween, type LocalDate } from '../calendar/local-date';
import { sure } from '../sure';
import { fitFor, type Source } from './draw';

/** kcal of each source that each dog may count on, by dog and source. */
export type Allotment = ReadonlyMap<number, ReadonlyMap<string, number>>;

interface Eater {
  readonly dogId: number;
  /** kcal of each day from today on. */
  readonly kcal: readonly number[];
}

/**
 * Divides what several dogs may eat among them, so that all of them are provided for as many days as can be.
 *
 * Takes the dogs with their kcal by day and the sources in order of use; returns what of each source each dog may count on, for the most
 * days that all of them can be fed together. Played from the last day back: whatever keeps until a day keeps on every day before it, so
 * that only whose it is matters, and what fewest may eat goes first. Source: arithmetic (an exchange argument: exact where a pack is for
 * one dog or for all, and keeps for the days that its date says).
 */
export function allot(dogs: readonly Eater[], sources: readonly Source[], today: LocalDate): Allotment {
  const horizon = Math.max(0, ...dogs.map(({ kcal }) => kcal.length));
  const shared = sources.map((source) => ({
    key: source.key,
    kcal: source.grams * source.density,
    /** The last day on which it may be fed, counted from today; what is frozen has none. */
    last:
      source.place === 'warm' ? 0 : source.safeUntil === undefined ? Infinity : daysBetween(today, source.safeUntil),
    eaters: new Set(dogs.flatMap(({ dogId }) => (fitFor([source], dogId).length > 0 ? [dogId] : []))),
  }));
  // What keeps until a day keeps before it as well: of what as many may eat, the first to expire is not left over.
  shared.sort((a, b) => a.eaters.size - b.eaters.size);
  const played = (days: number, order: readonly (typeof shared)[number][] = shared): Allotment | undefined => {
    const left = order.map(({ kcal }) => kcal);
    const given = new Map(dogs.map(({ dogId }) => [dogId, new Map<string, number>()]));
    for (let day = days - 1; day >= 0; day--)
      for (const { dogId, kcal } of dogs) {
        let open = kcal[day] ?? 0;
        const own = sure(given.get(dogId));
        for (const [index, source] of order.entries()) {
          if (open <= 0) break;
          const takes = source.last >= day && source.eaters.has(dogId) ? Math.min(open, left[index] ?? 0) : 0;
          if (takes <= 0) continue;
          open -= takes;
          left[index] = (left[index] ?? 0) - takes;
          own.set(source.key, (own.get(source.key) ?? 0) + takes);
        }
        if (open > 1e-6) return undefined;
      }
    return given;
  };
  let [most, best] = [0, sure(played(0))];
  for (let above = horizon; most < above;) {
    const days = Math.ceil((most + above) / 2);
    const own = played(days);
    if (own) [most, best] = [days, own];
    else above = days - 1;
  }
  // Where it costs nobody a day, what would be past its date by then is eaten before what keeps.
  const perishing = [...shared].sort((a, b) => Number(a.last >= most) - Number(b.last >= most));
  return savedFrom(played(most, perishing) ?? best, dogs, shared, most);
}

interface Shared {
  readonly key: string;
  readonly kcal: number;
  readonly last: number;
  readonly eaters: ReadonlySet<number>;
}

/**
 * The same days with less left past its date: what nobody counts on takes the place of what keeps longer, at a dog that can still eat
 * all that is its in time; and where it has nothing that keeps, of what another dog eats instead. Both until nothing changes.
 */
function savedFrom(allotted: Allotment, dogs: readonly Eater[], shared: readonly Shared[], days: number): Allotment {
  const own = new Map([...allotted].map(([dogId, counts]) => [dogId, new Map(counts)]));
  const perishing = shared.filter(({ last }) => last < days).sort((a, b) => a.last - b.last);
  if (perishing.length === 0) return allotted;
  const keeping = shared.filter(({ last }) => last >= days);
  const counted = (key: string) => addUp([...own.values()], (counts) => counts.get(key) ?? 0);
  /** kcal that a dog can still take of what is gone after a day: every later date of what it counts on leaves it that much. */
  const room = ({ dogId, kcal }: Eater, last: number, without?: Shared): number => {
    const counts = sure(own.get(dogId));
    const dates = new Set(perishing.map((source) => source.last).filter((each) => each >= last));
    return Math.min(
      ...[...dates].map(
        (date) =>
          addUp(kcal.slice(0, date + 1), (each) => each) -
          addUp(perishing, (source) => (source.last <= date && source !== without ? (counts.get(source.key) ?? 0) : 0)),
      ),
    );
  };
  const give = (dogId: number, source: Shared, instead: Shared, kcal: number) => {
    const counts = sure(own.get(dogId));
    counts.set(source.key, (counts.get(source.key) ?? 0) + kcal);
    counts.set(instead.key, (counts.get(instead.key) ?? 0) - kcal);
  };
  for (const source of perishing)
    for (const dog of dogs.filter(({ dogId }) => source.eaters.has(dogId)))
      for (const instead of [...keeping, ...perishing]) {
        const left = source.kcal - counted(source.key);
        if (left <= 1e-6) break;
        if (instead === source) continue;
        const has = sure(own.get(dog.dogId)).get(instead.key) ?? 0;
        const takes = Math.min(left, has, room(dog, source.last, instead));
        if (takes <= 1e-6) continue;
        if (instead.last >= days) give(dog.dogId, source, instead, takes);
        else
          for (const other of dogs.filter(({ dogId }) => dogId !== dog.dogId && instead.eaters.has(dogId))) {
            const keeps = keeping.find(({ key }) => (own.get(other.dogId)?.get(key) ?? 0) > 1e-6);
            const passed = keeps
              ? Math.min(takes, own.get(other.dogId)?.get(keeps.key) ?? 0, room(other, instead.last))
              : 0;
            if (!keeps || passed <= 1e-6) continue;
            give(dog.dogId, source, instead, passed);
            give(other.dogId, instead, keeps, passed);
            break;
          }
      }
  return own;
}

/** Whether dividing can matter at all: several dogs, something that more than one of them may eat. */
export const isShared = (dogIds: readonly number[], sources: readonly Source[]): boolean =>
  dogIds.length > 1 &&
  sources.some((source) => addUp(dogIds, (dogId) => (fitFor([source], dogId).length > 0 ? 1 : 0)) > 1);
