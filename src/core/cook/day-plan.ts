import { minutesAfter, minutesBetween } from '../calendar/minutes';
import { fine, type Outcome } from '../problem';
import { scheduleTasks, type After, type CookTask } from './schedule';
import { ringsAt, type CookDay, type TaskState } from './cook-day';

/** A task in the drawing of the day: when it was or will be done. */
export interface DrawnTask {
  readonly key: string;
  readonly start: Date;
  readonly end: Date;
}

/** A cook day as it was, and as it will be if it goes on from now. */
export interface DayPlan {
  readonly times: readonly DrawnTask[];
  readonly end: Date;
  /** When all would have been done had everything gone as planned. */
  readonly plannedEnd: Date;
}

const isOver = (task: TaskState) => task.state === 'done' || task.state === 'skipped';

/**
 * The day planned anew from now: what is done stands where it was done, what cooks rings when it rings, and the rest is
 * placed by the schedule. Refuses what the schedule refuses. Source: arithmetic.
 */
export function planDay(day: CookDay, startedAt: Date, now: Date): Outcome<DayPlan> {
  const whole = scheduleTasks(day.tasks, day.hands);
  if (!whole.ok) return whole;
  const plannedEnd = minutesAfter(startedAt, whole.value.end);
  const rest = inUsualOrder(restOf(day, now), day);
  if (!rest.ok) return rest;
  const placed = new Map(rest.value.times.map((time) => [time.key, time]));
  let handsFrom = startedAt.getTime();
  const done = day.tasks
    .filter((task) => task.state === 'done')
    .sort((a, b) => a.at.getTime() - b.at.getTime())
    .map((task): DrawnTask => {
      if (task.timer) return { key: task.key, start: task.timer.startedAt, end: task.at };
      const start = Math.min(task.at.getTime(), Math.max(handsFrom, minutesAfter(task.at, -task.minutes).getTime()));
      if (task.hands > 0) handsFrom = task.at.getTime();
      return { key: task.key, start: new Date(start), end: task.at };
    });
  const ahead = day.tasks.flatMap((task): DrawnTask[] => {
    const time = placed.get(task.key);
    if (!time) return [];
    if (task.state === 'running')
      return [{ key: task.key, start: task.timer.startedAt, end: minutesAfter(now, time.end) }];
    return [{ key: task.key, start: minutesAfter(now, time.start), end: minutesAfter(now, time.end) }];
  });
  const times = [...done, ...ahead];
  return fine({
    times,
    end: new Date(Math.max(startedAt.getTime(), ...times.map((time) => time.end.getTime()))),
    plannedEnd,
  });
}

/** How much longer a day may become for the order that the cook is used to, as a part of it (ours, no source). */
const FOR_ORDER = 1.03;

/**
 * The rest of a day, in the order that was taken the last time where that makes the day hardly longer: what is taken apart
 * waits for what was taken apart before it then.
 */
function inUsualOrder(tasks: readonly CookTask[], { hands, order }: CookDay): ReturnType<typeof scheduleTasks> {
  const free = scheduleTasks(tasks, hands);
  const open = order.filter((key) => tasks.some((task) => task.key === key));
  if (!free.ok || open.length < 2) return free;
  const chained = tasks.map((task) => {
    const before = open[open.indexOf(task.key) - 1];
    return before === undefined ? task : { ...task, after: [...task.after, { key: before }] };
  });
  const usual = scheduleTasks(chained, hands);
  return usual.ok && usual.value.end <= free.value.end * FOR_ORDER ? usual : free;
}

/** What is still to be done, as the schedule takes it: minutes from now. */
function restOf(day: CookDay, now: Date): CookTask[] {
  const open = day.tasks.filter((task) => !isOver(task));
  const byKey = new Map(day.tasks.map((task) => [task.key, task]));
  const begun = new Map<string, { load: string; last: string }>();
  for (const task of day.tasks) {
    if (!task.in) continue;
    const own = day.tasks.filter((each) => each.in?.load === task.in?.load);
    const last = own.at(-1);
    // A load that stands in its vessel keeps it until it is out.
    if (own.some((each) => each.state !== 'open') && last && !isOver(last))
      begun.set(task.in.vessel, { load: task.in.load, last: last.key });
  }
  const waits: CookTask[] = [];
  const tasks = open.map((task): CookTask => {
    const minutes = task.state === 'running' ? Math.max(0, minutesBetween(now, ringsAt(task.timer))) : task.minutes;
    const after = task.after.flatMap((each): After[] => {
      const before = byKey.get(each.key);
      if (!before || before.state === 'skipped') return [];
      if (before.state !== 'done') return [each];
      const left = (each.least ?? 0) - minutesBetween(before.at, now);
      if (left <= 0) return [];
      const key = `wait ${task.key} ${each.key}`;
      waits.push({ key, minutes: left, hands: 0, after: [] });
      return [{ key }];
    });
    const holder = task.in && begun.get(task.in.vessel);
    if (holder && task.in && holder.load !== task.in.load) after.push({ key: holder.last });
    const { key, hands } = task;
    return { key, hands, minutes, after, ...(task.in ? { in: task.in } : {}) };
  });
  return [...waits, ...tasks];
}

/** The tasks that hands can do now, the first to be done first: nothing that they wait for is still open. */
export function tasksAtHand(day: CookDay, plan: DayPlan, now: Date): readonly TaskState[] {
  const over = new Set(day.tasks.filter(isOver).map((task) => task.key));
  const starts = new Map(plan.times.map((time) => [time.key, time.start.getTime()]));
  const isReady = (task: TaskState) => {
    if (isOver(task)) return false;
    if (task.state === 'running') return ringsAt(task.timer) <= now;
    return (
      task.hands > 0 &&
      task.after.every(({ key, least = 0 }) => {
        const before = day.tasks.find((each) => each.key === key);
        if (!over.has(key)) return false;
        return before?.state !== 'done' || minutesBetween(before.at, now) >= least - 1;
      }) &&
      !holdsOther(day, task)
    );
  };
  return day.tasks
    .filter(isReady)
    .sort(
      (a, b) =>
        Number(b.state === 'running') - Number(a.state === 'running') ||
        (starts.get(a.key) ?? Infinity) - (starts.get(b.key) ?? Infinity),
    );
}

/** Whether another load stands in the vessel that a task needs. */
const holdsOther = (day: CookDay, task: TaskState): boolean =>
  task.in !== undefined &&
  day.tasks.some(
    (other) =>
      other.in?.vessel === task.in?.vessel &&
      other.in?.load !== task.in?.load &&
      other.state !== 'open' &&
      day.tasks.some((own) => own.in?.load === other.in?.load && !isOver(own)),
  );
