import { rollup } from 'd3-array';
import { addUp } from '../add-up';
import { fine, refused, type Outcome } from '../problem';
import { nth, sure } from '../sure';

/** What a task waits for: another one's end, and how long after it at the least and at the most, in minutes. */
export interface After {
  readonly key: string;
  readonly least?: number;
  readonly most?: number;
}

/** Something to be done on a cook day. */
export interface CookTask {
  readonly key: string;
  readonly minutes: number;
  /** How many hands it takes all the while; 0: it simmers by itself. */
  readonly hands: number;
  /** The vessel that it needs, and the load that it belongs to: a load has its vessel from its first task to its last. */
  readonly in?: { readonly vessel: string; readonly load: string };
  readonly after: readonly After[];
}

export interface TaskTime {
  readonly key: string;
  /** Minutes from the beginning of the cook day. */
  readonly start: number;
  readonly end: number;
}

export interface Schedule {
  readonly times: readonly TaskTime[];
  /** When all is done. */
  readonly end: number;
}

/** Up to so many tasks every order is tried; of more, so many orders as their work allows. */
const TRIED_OUT = 7;
const WORK = 60_000;
/** How often what may not wait is moved later, before an order is given up. */
const REPAIRS = 25;

/**
 * When each task of a cook day is done, so that all is done early: no hand and no vessel is used twice at once, a load
 * keeps its vessel until it is out of it, every task waits for what comes before it, and what may not wait does not.
 * Tasks are placed one by one at the first time that holds them, the one with the longest way to the end first; other
 * orders are tried, and the shortest day is taken. The same tasks always give the same day.
 *
 * Takes tasks and how many hands there are; returns minutes. Refuses tasks that wait for each other or for nothing that
 * is there, that need more hands than there are, and waits that cannot be kept. Source: arithmetic (list scheduling).
 */
export function scheduleTasks(tasks: readonly CookTask[], hands: number): Outcome<Schedule> {
  const wrong = misfit(tasks, hands);
  if (wrong) return wrong;
  if (tasks.length === 0) return fine({ times: [], end: 0 });
  const work = toPlace(tasks);
  const tails = tailsOf(work);
  // No day is shorter than its longest way, than its hands' work, than what one vessel does.
  const least = Math.max(...tails, addUp(tasks, (task) => task.minutes * task.hands) / hands, ...vesselMinutes(work));
  let best: Schedule | undefined;
  for (const order of ordersOf(work, tails)) {
    const found = placeInOrder(work, hands, order);
    if (found && (!best || found.end < best.end - 1e-9)) best = found;
    if (best && best.end <= least + 1e-9) break;
  }
  return best
    ? fine(best)
    : refused('Some of these cannot follow each other as closely as they must with so few hands and vessels.', 'tasks');
}

function misfit(tasks: readonly CookTask[], hands: number): ReturnType<typeof refused> | undefined {
  const places = new Map(tasks.map((task, index) => [task.key, index]));
  for (const [index, task] of tasks.entries()) {
    if (task.hands > hands)
      return refused(`This takes ${task.hands} hands, and there are ${hands}.`, `tasks.${index}.hands`);
    if (!(task.minutes >= 0)) return refused('How many minutes does it take?', `tasks.${index}.minutes`);
    if (task.after.some(({ key }) => !places.has(key)))
      return refused('It waits for something that is not among the tasks.', `tasks.${index}.after`);
  }
  const seen = new Map<number, 'on the way' | 'done'>();
  const turns = (index: number): boolean => {
    if (seen.get(index) === 'done') return false;
    if (seen.get(index) === 'on the way') return true;
    seen.set(index, 'on the way');
    const round = nth(tasks, index).after.some(({ key }) => turns(sure(places.get(key))));
    seen.set(index, 'done');
    return round;
  };
  const round = tasks.findIndex((_, index) => turns(index));
  return round === -1 ? undefined : refused('These wait for each other in a ring.', `tasks.${round}.after`);
}

/** A task as it is placed: what it waits for by its place in the list. */
type ToPlace = Omit<CookTask, 'after'> & {
  readonly after: readonly { readonly place: number; readonly least: number; readonly most: number | undefined }[];
};

function toPlace(tasks: readonly CookTask[]): ToPlace[] {
  const places = new Map(tasks.map((task, index) => [task.key, index]));
  return tasks.map((task) => ({
    ...task,
    after: task.after.map(({ key, least = 0, most }) => ({ place: sure(places.get(key)), least, most })),
  }));
}

/** What each vessel has to do at the least, in minutes: of each of its loads the longest way through it. */
function vesselMinutes(tasks: readonly ToPlace[]): number[] {
  const ways: number[] = [];
  const way = (place: number): number =>
    (ways[place] ??=
      nth(tasks, place).minutes +
      Math.max(
        0,
        ...nth(tasks, place).after.flatMap((before) =>
          nth(tasks, before.place).in?.load === nth(tasks, place).in?.load ? [before.least + way(before.place)] : [],
        ),
      ));
  const loads = new Map<string, { vessel: string; minutes: number }>();
  tasks.forEach((task, place) => {
    if (task.in)
      loads.set(task.in.load, {
        vessel: task.in.vessel,
        minutes: Math.max(loads.get(task.in.load)?.minutes ?? 0, way(place)),
      });
  });
  return [
    ...rollup(
      [...loads.values()],
      (own) => addUp(own, (load) => load.minutes),
      (load) => load.vessel,
    ).values(),
  ];
}

/** Of each task, minutes from its beginning to the end of all that waits for it. */
function tailsOf(tasks: readonly ToPlace[]): number[] {
  const next = tasks.map((): { place: number; gap: number }[] => []);
  tasks.forEach((task, place) => {
    for (const before of task.after) nth(next, before.place).push({ place, gap: before.least });
  });
  const tails: (number | undefined)[] = tasks.map(() => undefined);
  const tail = (place: number): number =>
    (tails[place] ??=
      nth(tasks, place).minutes + Math.max(0, ...nth(next, place).map((each) => each.gap + tail(each.place))));
  return tasks.map((_, place) => tail(place));
}

/** A seeded stream of numbers from 0 to 1 (mulberry32): the same tasks always give the same day. */
function chance(): () => number {
  let seed = 1;
  return () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let mixed = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** Ranks of the tasks, the first to be placed highest: longest way first; then every other, or chance around it. */
function* ordersOf(tasks: readonly ToPlace[], tails: readonly number[]): Generator<readonly number[]> {
  const count = tasks.length;
  const urgent = (ranks: readonly number[]) =>
    ranks.map((rank, place) => rank + (mayNotWait(nth(tasks, place)) ? FIRST : 0));
  yield urgent(tails);
  yield tails;
  yield tails.map((_, place) => -place);
  if (count <= TRIED_OUT) {
    yield* permutations(Array.from({ length: count }, (_, index) => index));
    return;
  }
  const next = chance();
  const longest = Math.max(1, ...tails);
  for (let turn = 0; turn < Math.min(400, WORK / count ** 2); turn++)
    yield urgent(tails.map((tail) => tail + longest * 0.4 * next()));
}

function* permutations(ranks: number[], from = 0): Generator<readonly number[]> {
  if (from >= ranks.length - 1) {
    yield [...ranks];
    return;
  }
  for (let index = from; index < ranks.length; index++) {
    [ranks[from], ranks[index]] = [nth(ranks, index), nth(ranks, from)];
    yield* permutations(ranks, from + 1);
    [ranks[from], ranks[index]] = [nth(ranks, index), nth(ranks, from)];
  }
}

/** What may not wait long after something that is placed is placed before all else. */
const FIRST = 1e9;
const mayNotWait = (task: ToPlace) => task.after.some((before) => before.most !== undefined);

/** Floating point is no waiting. */
const HAIR = 1e-9;

type Busy = Placed & { readonly hands: number };
type Placed = { readonly start: number; readonly end: number };

/** Places the tasks by rank; what came too long after what it may not wait for moves that later, and all is placed anew. */
function placeInOrder(tasks: readonly ToPlace[], hands: number, ranks: readonly number[]): Schedule | undefined {
  const notBefore = tasks.map(() => 0);
  for (let repair = 0; repair < REPAIRS; repair++) {
    const placed = placeOnce(tasks, hands, ranks, notBefore);
    if (!placed) return undefined;
    let late = false;
    /** So much later, and with it whatever it may not be long after. */
    const move = (place: number, later: number): void => {
      const start = nth(placed, place).start + later;
      if (start <= nth(notBefore, place) + HAIR) return;
      notBefore[place] = start;
      for (const before of nth(tasks, place).after) {
        const wait = start - nth(placed, before.place).end;
        if (before.most !== undefined && wait > before.most + HAIR) move(before.place, wait - before.most);
      }
    };
    tasks.forEach((task, place) => {
      for (const { place: before, most } of task.after) {
        const wait = nth(placed, place).start - nth(placed, before).end;
        if (most === undefined || wait <= most + HAIR) continue;
        late = true;
        move(before, wait - most);
      }
    });
    if (!late) {
      const times = tasks.map((task, place) => ({ key: task.key, ...nth(placed, place) }));
      return { times, end: Math.max(...times.map((each) => each.end)) };
    }
  }
  return undefined;
}

function placeOnce(
  tasks: readonly ToPlace[],
  hands: number,
  ranks: readonly number[],
  notBefore: readonly number[],
): Placed[] | undefined {
  const placed: (Placed | undefined)[] = tasks.map(() => undefined);
  const busy: Busy[] = [];
  const doneBy = new Map<string, number>();
  const vessels = new Map<string, { load: string | undefined; freeFrom: number }>();
  const left = new Map<string, number>();
  for (const task of tasks) if (task.in) left.set(task.in.load, (left.get(task.in.load) ?? 0) + 1);
  for (let count = 0; count < tasks.length; count++) {
    let [chosen, best] = [-1, -Infinity];
    for (let place = 0; place < tasks.length; place++) {
      const task = nth(tasks, place);
      if (placed[place] || task.after.some((before) => !placed[before.place])) continue;
      const vessel = task.in && vessels.get(task.in.vessel);
      if (vessel?.load !== undefined && vessel.load !== task.in?.load) continue;
      const rank = nth(ranks, place);
      if (chosen === -1 || rank > best) [chosen, best] = [place, rank];
    }
    // What is left waits for a vessel that is never given free.
    if (chosen === -1) return undefined;
    const task = nth(tasks, chosen);
    const vessel = task.in && (vessels.get(task.in.vessel) ?? { load: undefined, freeFrom: 0 });
    const ready = Math.max(
      nth(notBefore, chosen),
      vessel?.freeFrom ?? 0,
      ...task.after.map((before) => sure(placed[before.place]).end + before.least),
    );
    const start = firstFree(busy, task, hands, ready);
    const own = { start, end: start + task.minutes };
    placed[chosen] = own;
    if (task.hands > 0 && task.minutes > 0) busy.push({ ...own, hands: task.hands });
    if (task.in && vessel) {
      const rest = sure(left.get(task.in.load)) - 1;
      left.set(task.in.load, rest);
      const done = Math.max(own.end, doneBy.get(task.in.load) ?? 0);
      doneBy.set(task.in.load, done);
      vessels.set(
        task.in.vessel,
        rest === 0 ? { load: undefined, freeFrom: done } : { load: task.in.load, freeFrom: vessel.freeFrom },
      );
    }
  }
  return placed.map(sure);
}

/** The first time from `ready` on at which so many hands are free for so long. */
function firstFree(busy: readonly Busy[], task: ToPlace, hands: number, ready: number): number {
  if (task.hands === 0) return ready;
  let start = ready;
  for (;;) {
    const until = firstClash(busy, start, start + task.minutes, hands - task.hands);
    if (until === undefined) return start;
    start = until;
  }
}

/** Where more than `free` hands are in use within a time: before when it cannot begin; undefined where it can. */
function firstClash(busy: readonly Busy[], start: number, end: number, free: number): number | undefined {
  let clash: number | undefined;
  for (const one of busy) {
    if (one.end <= start + HAIR || one.start >= end - HAIR) continue;
    // Hands in use only rise where something begins.
    const time = Math.max(start, one.start);
    let used = 0;
    let done = Infinity;
    for (const other of busy) {
      if (other.start > time + HAIR || other.end <= time + HAIR) continue;
      used += other.hands;
      done = Math.min(done, other.end);
    }
    // Until the first of them is done nothing that takes so long can begin.
    if (used > free) clash = Math.max(clash ?? 0, done);
  }
  return clash;
}
