import { minutesAfter } from '../calendar/minutes';
import type { CookedComponent } from '../batch/evidence';
import type { WeighedTake } from '../batch/observations';
import type { NodeKey, Observed } from '../batch/reading';
import { byTime, heatVerdict, type ByTime, type CoreReading, type HeatVerdict } from '../heat/heat-check';
import type { SafeCore } from '../heat/safe-core';
import { coreAsked, loadKey, nameOfCooking, stirIns, tasksOf, type DayTask, type LoadKey } from './tasks';

/** A task with what became of it. */
export type TaskState = DayTask &
  (
    | { readonly state: 'open' }
    /** It cooks: its timer is set. */
    | { readonly state: 'running'; readonly timer: Timer }
    | { readonly state: 'done'; readonly at: Date; readonly timer?: Timer; readonly readingId: number }
    | { readonly state: 'skipped'; readonly at: Date; readonly why: string; readonly readingId: number }
  );

/** A timer that was set: from when, and for how many minutes. */
export interface Timer {
  readonly startedAt: Date;
  readonly minutes: number;
}

/** When a timer rings. */
export const ringsAt = ({ startedAt, minutes }: Timer): Date => minutesAfter(startedAt, minutes);

/** One vesselful with its heat. */
export interface LoadState {
  readonly key: LoadKey;
  readonly component: number;
  readonly load: number;
  /** As it is called: "load 2 of 3". */
  readonly name: string;
  readonly asked: SafeCore | undefined;
  readonly readings: readonly CoreReading[];
  readonly verdict: HeatVerdict;
  /** What its logged curve came to by time at temperature, and whether the cook goes by that. */
  readonly byTime: ByTime | undefined;
  readonly isByTime: boolean;
  /** Why it goes on without a passed check, in the cook's words. */
  readonly reason: string | undefined;
}

export interface StirIn {
  readonly line: number;
  readonly name: string;
  /** g as it was weighed out, or planned. */
  readonly grams: number;
  /** g asked for each g of finished food, where it is bound to that. */
  readonly perFinished: number | undefined;
  readonly done: boolean;
}

/** A batch on the stove, as far as it was observed. */
export interface CookDay {
  /** How many cooks there are. */
  readonly hands: number;
  readonly tasks: readonly TaskState[];
  readonly loads: readonly LoadState[];
  readonly stirIns: readonly StirIn[];
  /** Tasks in the order that the cook took the last time, by their keys. */
  readonly order: readonly string[];
}

/** In which order things were taken apart, by the words of the tasks: what the next cook day of the recipe begins with. */
export const orderOf = ({ tasks }: Pick<CookDay, 'tasks'>): string[] =>
  tasks
    .flatMap((task) => (task.kind === 'take apart' && task.state === 'done' ? [task] : []))
    .sort((a, b) => a.at.getTime() - b.at.getTime() || a.readingId - b.readingId)
    .map((task) => task.title);

/** What is off the heat and not yet in its pans: it is kept warm, since when, and for how many minutes by now. */
export interface KeptWarm {
  readonly key: LoadKey;
  readonly name: string;
  readonly since: Date;
}

/** The loads that are kept warm. Source: arithmetic; what is kept above 57 °C need not cool yet (FDA Food Code). */
export const keptWarm = ({ tasks }: Pick<CookDay, 'tasks'>): KeptWarm[] =>
  tasks.flatMap((task): KeptWarm[] => {
    if (task.kind !== 'cook' || task.state !== 'done' || task.component === undefined || task.load === undefined)
      return [];
    const own = (kind: TaskState['kind']) =>
      tasks.find((each) => each.kind === kind && each.in?.load === task.in?.load);
    const [poured, off] = [own('pour'), own('let off')];
    if (poured === undefined || poured.state === 'done' || poured.state === 'skipped') return [];
    // Under pressure it is not waiting yet.
    if (off?.state === 'open' || off?.state === 'running') return [];
    const since = off?.state === 'done' ? off.at : task.at;
    return [{ key: loadKey(task.component, task.load), name: nameOfCooking(task), since }];
  });

/** Whether a load is hot enough: it is proven, or nothing of it asks for it. */
export const isSafe = ({ is }: Pick<HeatVerdict, 'is'>): boolean => is === 'proven' || is === 'not asked';

/** Whether a load may go on: it is hot enough, or somebody has said why. */
export const mayGoOn = ({ verdict, reason }: Pick<LoadState, 'verdict' | 'reason'>): boolean =>
  isSafe(verdict) || reason !== undefined;

/**
 * What a batch's readings say of its cook day: which tasks are done, which timers run, and whether each load is hot
 * enough. Takes the weighed lines, the components and what stands of the readings. Source: ours.
 */
export function cookDayOf(
  takes: readonly WeighedTake[],
  components: readonly CookedComponent[],
  observed: Observed,
  planned: number = takes.length,
  order: readonly string[] = [],
): CookDay {
  const own = observed
    .nodes('own')
    .map((node) => ({ key: node.replace(':', '.'), title: observed.of(node, 'note')?.text ?? 'something else' }));
  const written = tasksOf(takes, components, own).map((task) => stateOf(task, observed));
  const loads = components.flatMap((component, place) => {
    const asked = coreAsked(takes, place);
    if (!written.some((task) => task.component === place)) return [];
    return Array.from({ length: component.loads }, (_, load): LoadState => {
      const key = loadKey(place, load);
      const node: NodeKey = `load:${key}`;
      const readings = observed.all(node, 'temperature').map(({ id, value = 0, at }) => ({ id, celsius: value, at }));
      const raw = lastRaw(written, takes, observed, planned, key);
      const time = byTime(asked, readings, raw);
      const isByTime = observed.of(node, 'count')?.value === 1;
      return {
        key,
        component: place,
        load,
        name: component.loads > 1 ? `load ${load + 1} of ${component.loads}` : component.name,
        asked,
        readings,
        verdict: heatVerdict(asked, readings, raw, isByTime ? time : undefined),
        byTime: time,
        isByTime,
        reason: observed.of(node, 'note')?.text,
      };
    });
  });
  return {
    hands: observed.of('batch', 'count')?.value ?? 1,
    tasks: written.map((task) => measured(task, loads)),
    order: order.flatMap(
      (title) => written.find((task) => task.kind === 'take apart' && task.title === title)?.key ?? [],
    ),
    loads,
    stirIns: stirIns(takes).map((line) => ({
      line,
      name: takes[line]?.words ?? '',
      grams: takes[line]?.weighed ?? 0,
      perFinished: takes[line]?.perFinished,
      done: observed.of(`task:stir.${line}`, 'task done') !== undefined,
    })),
  };
}

/** A core is done once it is proven, and open again where something raw went in since. */
function measured(task: TaskState, loads: readonly LoadState[]): TaskState {
  if (task.kind !== 'core' || task.state === 'skipped') return task;
  const verdict = loads.find((load) => load.key === task.in?.load)?.verdict;
  if (verdict?.is !== 'proven') return { ...task, state: 'open' };
  return { ...task, state: 'done', at: verdict.by.at, readingId: verdict.by.id ?? 0 };
}

function stateOf(task: DayTask, observed: Observed): TaskState {
  const node: NodeKey = `task:${task.key}`;
  const set = task.kind === 'cook' || task.kind === 'let off' ? observed.of(node, 'timer') : undefined;
  const timer = set?.value === undefined ? undefined : { startedAt: set.at, minutes: set.value };
  const done = observed.of(node, 'task done');
  const skipped = observed.of(node, 'skipped');
  if (skipped && (!done || skipped.id > done.id))
    return { ...task, state: 'skipped', at: skipped.at, why: skipped.text ?? '', readingId: skipped.id };
  if (done) return { ...task, state: 'done', at: done.at, readingId: done.id, ...(timer ? { timer } : {}) };
  return timer ? { ...task, state: 'running', timer } : { ...task, state: 'open' };
}

/** When the last raw food went into a load; undefined where only its beginning is known. */
function lastRaw(
  tasks: readonly TaskState[],
  takes: readonly WeighedTake[],
  observed: Observed,
  planned: number,
  key: LoadKey,
): Date | undefined {
  const component = Number(key.split('.')[0]);
  const weighedAt = observed.nodes('vessel').map((node) => observed.of(node, 'gross')?.at.getTime() ?? Infinity);
  const filled = tasks.flatMap((task) =>
    task.in?.load === key && (task.kind === 'fill' || task.kind === 'add') && task.state === 'done'
      ? [task.at.getTime()]
      : [],
  );
  // Something more that went in while it was still on the stove.
  const more = takes.flatMap((take, line) => {
    const at = line < planned || take.component !== component ? undefined : observed.of(`line:${line}`, 'gross')?.at;
    return at && at.getTime() < Math.min(...weighedAt) ? [at.getTime()] : [];
  });
  const all = [...filled, ...more];
  return all.length === 0 ? undefined : new Date(Math.max(...all));
}
