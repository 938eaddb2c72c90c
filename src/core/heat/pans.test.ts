import { actOfHelp } from '../batch/steps/help-act';
import { sayCooling } from './cooling-words';
import { coolingOf } from './pan-cooling';
import type { PanState, Stretch } from './pans';
import { remediesFor, standingOf, surfaceOf } from './remedies';

const START = new Date('2026-11-26T12:00:00Z');
const at = (minutes: number) => new Date(START.getTime() + minutes * 60_000);
const pan = (
  readings: readonly (readonly [number, number])[],
  { where = 'counter', ambient = 20, ...over }: Partial<PanState & Stretch> = {},
): PanState => ({
  key: '0.0',
  name: 'load 1',
  pouredAt: START,
  again: false,
  depth: 5,
  readings: readings.map(([minutes, celsius], id) => ({ id, celsius, at: at(minutes) })),
  kept: undefined,
  timer: undefined,
  stretches: [{ since: START, where, ambient }],
  ...over,
});
const say = (of: PanState, now: number) => sayCooling(of, coolingOf(of), now, (celsius) => `${celsius} °C`);
const minutesOf = (of: PanState, words: string, from = 57, to = 21) =>
  remediesFor(standingOf(of), from, to).find((each) => each.words.startsWith(words))?.minutes;

test('a pan left on the counter misses 21 °C, and it says so an hour ahead', () => {
  // Newton towards 20 °C with k = 0.012 a minute: 21 °C after 301 min, the clock begins at 57 °C.
  const newton = (minutes: number) => 20 + 37 * Math.exp(-0.012 * minutes);
  const warm = pan([0, 15, 30, 45].map((minutes) => [minutes, newton(minutes)] as const));
  const said = say(warm, 60);
  expect(said).toMatchObject({ tone: 'danger', to: 21 });
  // ln(37) / 0.012 = 300.9 min, less the two hours.
  expect(said.said).toBe('21 °C comes 3 h 01 too late.');
});

test('the limits of the FDA Food Code: what missed one asks for what the rules ask', () => {
  expect(
    say(
      pan([
        [0, 57],
        [130, 24],
      ]),
      130,
    ),
  ).toMatchObject({ asks: 'heat again', tone: 'danger' });
  expect(
    say(
      pan([
        [0, 57],
        [110, 20],
        [370, 6],
      ]),
      370,
    ),
  ).toMatchObject({ asks: 'throw away' });
  expect(
    say(
      pan([
        [0, 57],
        [110, 20],
        [350, 5],
      ]),
      400,
    ),
  ).toMatchObject({ tone: 'in order', said: 'Cold, in 5 h 50.' });
  expect(
    say(
      pan(
        [
          [0, 57],
          [130, 24],
        ],
        { kept: 'for the hens' },
      ),
      200,
    ),
  ).toMatchObject({ tone: 'caution' });
});

test('the clock begins at 57 °C, not when it was poured', () => {
  // Poured at 90 °C; between 67 °C at minute 20 and 47 °C at 40, towards 20 °C: 20 + 20 · ln(47/37) / ln(47/27) = 28.63.
  expect(
    coolingOf(
      pan([
        [0, 90],
        [20, 67],
        [40, 47],
      ]),
    ).begins,
  ).toBeCloseTo(28.63, 2);
});

test('food that stands colder than it can get never comes there', () => {
  const bath = pan(
    [
      [0, 57],
      [20, 40],
      [40, 29],
    ],
    { where: 'cold water', ambient: 12 },
  );
  // Cold water of 12 °C never brings 5 °C.
  expect(say(bath, 45).said).toMatch(/never 5 °C there|too late/);
  expect(
    say(
      pan(
        [
          [0, 57],
          [30, 48],
        ],
        { where: 'fridge', ambient: 4 },
      ),
      31,
    ).tone,
  ).not.toBe('plain');
});

// Exact series of the plane wall (handbook 12): 5 cm in ice water from both sides 0.72 h to 21 °C, in fridge air from one side 8.78 h.
test('what helps has the slab’s own times', () => {
  expect(minutesOf(pan([]), 'set it in ice water')! / 60).toBeCloseTo(0.72, 1);
  expect(minutesOf(pan([]), 'set it in the fridge')! / 60).toBeCloseTo(8.78, 0);
  // Half as deep, and stirred, it is sooner there.
  expect(minutesOf(pan([]), 'split it', 57, 30)!).toBeLessThan(minutesOf(pan([]), 'leave it so', 57, 30)!);
});

test('a pan whose own curve cools faster than the table gives off more to air, and every remedy in air follows', () => {
  const slab = minutesOf(pan([]), 'leave it so', 57, 30)!;
  const surface = surfaceOf(standingOf(pan([])), 57, 30, slab / 2);
  expect(surface).toBeGreaterThan(1.3);
  const left = remediesFor(standingOf(pan([])), 57, 30, surface)[0]!.minutes!;
  expect(left / (slab / 2)).toBeCloseTo(1, 1);
  const inBath = (own: number) =>
    remediesFor(standingOf(pan([])), 57, 30, own).find((each) => each.where === 'ice water')!.minutes;
  expect(inBath(surface)).toBe(inBath(1));
  expect(surfaceOf(standingOf(pan([], { where: 'ice water', ambient: 0 })), 57, 30, 5)).toBe(1);
});

test('a cold kitchen is as cold as it is said to be', () => {
  const cold = pan(
    [
      [0, 57],
      [20, 40],
      [40, 19],
    ],
    { ambient: 15 },
  );
  expect(coolingOf(cold).fit).toBeDefined();
  expect(coolingOf({ ...cold, stretches: [{ ...cold.stretches[0], ambient: 20 }] }).problem).toMatch(
    /cannot be colder than what is around it/,
  );
  const leave = (ambient: number) => remediesFor(standingOf(pan([], { ambient })), 57, 30)[0]!.minutes!;
  expect(leave(10)).toBeLessThan(leave(20));
});

test('heated again once; missed a second time there is no third', () => {
  const second = pan(
    [
      [0, 57],
      [130, 24],
    ],
    { again: true },
  );
  expect(say(second, 130)).toMatchObject({ asks: 'throw away' });
});

test('between two readings the temperature is taken to have run straight: what came in time is not called late', () => {
  // 25 °C at 110 min and 17 °C at 130: 21 °C at 120, just in time.
  expect(
    say(
      pan([
        [0, 57],
        [110, 25],
        [129, 17],
      ]),
      130,
    ).asks,
  ).toBeUndefined();
});

test('first measured late and cold: nobody saw when it came there, and it is not said that it was late', () => {
  expect(say(pan([[180, 12]]), 180)).toMatchObject({
    said: 'First measured after 3 h: nobody saw whether 21 °C came in time.',
    asks: 'heat again',
  });
});

test('a help that is pressed is done: moved, split or watched, with a timer that a day ends', () => {
  const warm = pan([], { depth: 5 });
  const help = (words: string) => remediesFor(standingOf(warm), 57, 21).find((each) => each.words.startsWith(words))!;
  expect(actOfHelp(warm, help('set it in ice water'), 43.4)).toEqual({
    act: 'where',
    load: '0.0',
    where: 'ice water',
    minutes: 43,
  });
  expect(actOfHelp(warm, help('split it'), undefined)).toEqual({ act: 'depth', load: '0.0', cm: 2.5 });
  expect(actOfHelp(warm, help('stir'), 200)).toEqual({ act: 'look at pan', load: '0.0', minutes: 10 });
  expect(actOfHelp(warm, help('leave it so'), 9999)).toEqual({ act: 'look at pan', load: '0.0', minutes: 1440 });
  expect(actOfHelp(warm, help('leave it so'), undefined)).toBeUndefined();
});
