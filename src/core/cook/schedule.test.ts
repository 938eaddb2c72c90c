import fc from 'fast-check';
import { scheduleTasks, type CookTask, type Schedule } from './schedule';

const task = (key: string, minutes: number, over: Partial<CookTask> = {}): CookTask => ({
  key,
  minutes,
  hands: 1,
  after: [],
  ...over,
});
const timesOf = (tasks: readonly CookTask[], hands = 1): Schedule => {
  const made = scheduleTasks(tasks, hands);
  if (!made.ok) throw new Error(made.problem.message);
  return made.value;
};

/** What is wrong with a day: nothing, if it can be cooked. */
function broken(tasks: readonly CookTask[], { times }: Schedule, hands: number): string[] {
  const of = (key: string) => times.find((each) => each.key === key)!;
  const wrong: string[] = [];
  for (const each of tasks) {
    for (const { key, least = 0, most = Infinity } of each.after) {
      const wait = of(each.key).start - of(key).end;
      if (wait < least - 1e-6 || wait > most + 1e-6) wrong.push(`${each.key} waits ${wait} for ${key}`);
    }
    const { start } = of(each.key);
    const busy = tasks.filter(
      (other) => other.minutes > 0 && of(other.key).start <= start + 1e-9 && of(other.key).end > start + 1e-9,
    );
    if (busy.reduce((sum, other) => sum + other.hands, 0) > hands) wrong.push(`too few hands at ${start}`);
  }
  const loads = [...new Set(tasks.flatMap((each) => each.in?.load ?? []))].map((load) => {
    const own = tasks.filter((each) => each.in?.load === load);
    return {
      vessel: own[0]!.in!.vessel,
      start: Math.min(...own.map((each) => of(each.key).start)),
      end: Math.max(...own.map((each) => of(each.key).end)),
    };
  });
  loads.forEach((one, index) =>
    loads.slice(index + 1).forEach((other) => {
      if (one.vessel === other.vessel && one.start < other.end - 1e-9 && other.start < one.end - 1e-9)
        wrong.push(`${one.vessel} is used twice`);
    }),
  );
  return wrong;
}

test('two loads in one pot, roots peeled while the first simmers (worked by hand)', () => {
  const load = (name: string) => {
    const within = { vessel: 'pot', load: name };
    return [
      task(`${name} peel`, 10),
      task(`${name} fill`, 5, { in: within, after: [{ key: `${name} peel` }] }),
      task(`${name} simmer`, 40, { hands: 0, in: within, after: [{ key: `${name} fill`, most: 0 }] }),
      task(`${name} pour`, 5, { in: within, after: [{ key: `${name} simmer`, most: 10 }] }),
    ];
  };
  // 10 + (5 + 40 + 5) + (5 + 40 + 5): the second is peeled while the first simmers.
  expect(timesOf([...load('one'), ...load('two')]).end).toBe(110);
});

test('grain soaks an hour, and what a timer ends is seen to at once', () => {
  const tasks = [
    task('rinse', 5),
    task('boil', 30, { hands: 0, after: [{ key: 'rinse', least: 60 }] }),
    task('drain', 5, { after: [{ key: 'boil', most: 0 }] }),
    task('mince', 45),
    task('chop', 45),
  ];
  const day = timesOf(tasks);
  expect(broken(tasks, day, 1)).toEqual([]);
  expect(day.end).toBe(100);
});

/** Random recipes: loads with their tasks in one of two vessels, and prep beside them. */
const recipes = fc
  .record({
    loads: fc.array(
      fc.record({
        vessel: fc.constantFrom('pot', 'pan'),
        prep: fc.integer({ min: 1, max: 20 }),
        fill: fc.integer({ min: 1, max: 8 }),
        simmer: fc.integer({ min: 5, max: 60 }),
        soak: fc.integer({ min: 0, max: 30 }),
        wait: fc.integer({ min: 0, max: 15 }),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    beside: fc.array(fc.integer({ min: 1, max: 25 }), { maxLength: 4 }),
    hands: fc.integer({ min: 1, max: 2 }),
  })
  .map(({ loads, beside, hands }) => ({
    hands,
    tasks: [
      ...loads.flatMap((each, index) => {
        const within = { vessel: each.vessel, load: `load ${index}` };
        return [
          task(`prep ${index}`, each.prep),
          task(`fill ${index}`, each.fill, { in: within, after: [{ key: `prep ${index}`, least: each.soak }] }),
          task(`simmer ${index}`, each.simmer, { hands: 0, in: within, after: [{ key: `fill ${index}`, most: 0 }] }),
          task(`pour ${index}`, 4, { in: within, after: [{ key: `simmer ${index}`, most: each.wait }] }),
        ];
      }),
      ...beside.map((minutes, index) => task(`beside ${index}`, minutes)),
    ],
  }));

test('no hand and no vessel twice, every wait kept, and never longer than one after the other', () => {
  fc.assert(
    fc.property(recipes, ({ tasks, hands }) => {
      const day = timesOf(tasks, hands);
      expect(broken(tasks, day, hands)).toEqual([]);
      let naive = 0;
      const ends = new Map<string, number>();
      for (const each of tasks) {
        naive = Math.max(naive, ...each.after.map(({ key, least = 0 }) => ends.get(key)! + least)) + each.minutes;
        ends.set(each.key, naive);
      }
      expect(day.end).toBeLessThanOrEqual(naive + 1e-9);
      // The same tasks, the same day.
      expect(timesOf(tasks, hands)).toEqual(day);
    }),
    { numRuns: 40 },
  );
});

/** The shortest day of all whole minutes, by trying every start: apart from the way that is tested. */
function shortest(tasks: readonly CookTask[], hands: number, most: number): number | undefined {
  let best: number | undefined;
  const times: { key: string; start: number; end: number }[] = [];
  const go = (place: number) => {
    const end = Math.max(0, ...times.map((each) => each.end));
    if (best !== undefined && end >= best) return;
    if (place === tasks.length) {
      if (broken(tasks, { times, end }, hands).length === 0) best = end;
      return;
    }
    const each = tasks[place]!;
    const first = Math.max(
      0,
      ...each.after.map(({ key, least = 0 }) => times.find((other) => other.key === key)!.end + least),
    );
    for (let start = first; start + each.minutes <= most; start++) {
      times.push({ key: each.key, start, end: start + each.minutes });
      go(place + 1);
      times.pop();
    }
  };
  go(0);
  return best;
}

test('of few tasks it is the shortest day there is in nine of ten, and never a seventh longer', () => {
  const small = fc.record({
    hands: fc.constantFrom(1, 2),
    tasks: fc
      .array(
        fc.record({
          minutes: fc.integer({ min: 1, max: 3 }),
          hands: fc.constantFrom(0, 1, 1),
          after: fc.option(fc.nat(), { nil: undefined }),
          least: fc.integer({ min: 0, max: 2 }),
          most: fc.option(fc.integer({ min: 2, max: 4 }), { nil: undefined }),
          vessel: fc.option(fc.constantFrom('pot', 'pan'), { nil: undefined }),
        }),
        { minLength: 3, maxLength: 5 },
      )
      .map((all) =>
        all.map((each, place): CookTask => {
          const before = each.after === undefined || place === 0 ? undefined : each.after % place;
          return {
            key: `t${place}`,
            minutes: each.minutes,
            hands: each.hands,
            ...(each.vessel ? { in: { vessel: each.vessel, load: `l${place}` } } : {}),
            after:
              before === undefined
                ? []
                : [{ key: `t${before}`, least: each.least, ...(each.most === undefined ? {} : { most: each.most }) }],
          };
        }),
      ),
  });
  let [same, cases] = [0, 0];
  for (const { tasks, hands } of fc.sample(small, { numRuns: 120, seed: 12 })) {
    const made = scheduleTasks(tasks, hands);
    const least = shortest(tasks, hands, 16);
    expect(made.ok).toBe(least !== undefined);
    if (!made.ok || least === undefined) continue;
    expect(broken(tasks, made.value, hands)).toEqual([]);
    cases++;
    if (made.value.end <= least + 1e-9) same++;
    expect(made.value.end).toBeLessThanOrEqual(least * 1.15 + 1e-9);
  }
  expect(cases).toBeGreaterThan(100);
  expect(same / cases).toBeGreaterThanOrEqual(0.9);
});

test.each([
  ['a ring', [task('a', 1, { after: [{ key: 'b' }] }), task('b', 1, { after: [{ key: 'a' }] })], 'in a ring'],
  ['nothing that is there', [task('a', 1, { after: [{ key: 'z' }] })], 'not among the tasks'],
  ['three hands', [task('a', 1, { hands: 3 })], '3 hands'],
  ['no time', [task('a', Number.NaN)], 'How many minutes'],
])('%s is refused in a sentence', (_, tasks, said) => {
  expect(scheduleTasks(tasks, 2)).toMatchObject({ ok: false, problem: { message: expect.stringContaining(said) } });
});
