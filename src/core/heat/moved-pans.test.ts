import { nth } from '../sure';
import { sayCooling } from './cooling-words';
import { coolingOf } from './pan-cooling';
import type { PanState, Stretch, Where } from './pans';
import { isWatched, pansAsked, warmPans } from './warm-pans';

const POURED = new Date('2026-11-26T13:00:00Z');
const at = (minutes: number) => new Date(POURED.getTime() + minutes * 60_000);

/** A pan by where it stands from which minute on, at which °C, and what was read at which minute. */
const pan = (
  stands: readonly (readonly [number, Where, number])[],
  readings: readonly (readonly [number, number])[],
): PanState => {
  const stretches = stands.map(([minutes, where, ambient]): Stretch => ({ since: at(minutes), where, ambient }));
  return {
    key: '0.0',
    name: 'load 1',
    pouredAt: POURED,
    stretches: [nth(stretches, 0), ...stretches.slice(1)],
    again: false,
    depth: 5,
    readings: readings.map(([minutes, celsius], id) => ({ id, celsius, at: at(minutes) })),
    kept: undefined,
    timer: undefined,
  };
};
const say = (of: PanState, now: number) => sayCooling(of, coolingOf(of), now, (celsius) => `${celsius} °C`);

// Handbook 8, worked case: counter 57 °C at 14:00, 51 at 14:20, 46 at 14:40, then ice water, 30 at 14:50, 20 at 15:00.
// 21 °C came between 14:58 and 14:59, its limit is 16:00; 5 °C must come by 20:00. Poured here at 13:50.
test('moved to ice water, the clock that began on the counter goes on', () => {
  const worked = pan(
    [
      [0, 'counter', 20],
      [50, 'ice water', 0],
    ],
    [
      [10, 57],
      [30, 51],
      [50, 46],
      [60, 30],
      [70, 20],
    ],
  );
  const cooling = coolingOf(worked);
  expect(cooling.begins).toBe(10);
  const said = say({ ...worked, readings: worked.readings.slice(0, -1) }, 61);
  // 21 °C about 8.8 min after the 30: 130 less 68.8 is an hour and a minute.
  expect(said.said).toMatch(/21 °C comes in time, (59 min|1 h 0[0-2]) to spare/);
  // The last limit is six hours after 14:00.
  expect(warmPans([worked])[0]!.limit).toBe(at(370).toISOString());
});

test('read once since it was moved, it goes on from the temperature that it had', () => {
  const moved = pan(
    [
      [0, 'counter', 20],
      [40, 'ice water', 0],
    ],
    [
      [0, 60],
      [30, 50],
      [50, 38],
    ],
  );
  // Newton by hand: 40 e^(-k 30) = 30, k = 0.00959; at 40 min 20 + 40 e^(-0.3836) = 47.26; then 47.26 e^(-k 10) = 38, k = 0.0218:
  // 21 °C 37.2 min after the move, at 77.2; 57 °C at 8.1 min: 51 min to spare.
  expect(coolingOf(moved).begins).toBeCloseTo(8.13, 1);
  expect(coolingOf(moved).fit!.crossing(21)!.minutes).toBeCloseTo(77.2, 0);
});

/**
 * Forty pans whose true curve is known in closed form (Newton's law, stretch by stretch): poured at so many °C, in each place so many
 * minutes with its own constant. What is read off it every so many minutes is all that is told.
 */
interface Truth {
  readonly poured: number;
  readonly places: readonly {
    readonly where: Where;
    readonly ambient: number;
    readonly k: number;
    readonly minutes: number;
  }[];
  readonly every: number;
}
const K = { counter: 0.006, fridge: 0.008, 'cold water': 0.02, 'ice water': 0.035 } as const;
const AIR = { counter: 20, fridge: 4, 'cold water': 12, 'ice water': 0 } as const;
const stay = (where: Where, minutes: number, faster = 1) => ({
  where,
  ambient: AIR[where],
  k: K[where] * faster,
  minutes,
});
const TRUTHS: readonly Truth[] = [62, 70, 82, 90].flatMap((poured) =>
  [
    [stay('counter', 500)],
    [stay('counter', 30), stay('ice water', 400)],
    [stay('counter', 60), stay('ice water', 60), stay('fridge', 400)],
    [stay('fridge', 500, 2)],
    [stay('counter', 90), stay('cold water', 60), stay('fridge', 400)],
    [stay('ice water', 45), stay('fridge', 400)],
    [stay('counter', 20), stay('fridge', 500)],
    [stay('counter', 150), stay('ice water', 300)],
    [stay('cold water', 120), stay('ice water', 60), stay('fridge', 300)],
    [stay('counter', 40, 2), stay('cold water', 30, 2), stay('ice water', 300)],
  ].map((places): Truth => ({ poured, places, every: 12 })),
);

function curveOf({ poured, places }: Truth): (minutes: number) => number {
  return (minutes) => {
    let [warmth, left] = [poured, minutes];
    for (const { ambient, k, minutes: stays } of places) {
      const here = Math.min(left, stays);
      warmth = ambient + (warmth - ambient) * Math.exp(-k * here);
      left -= here;
      if (left <= 0) break;
    }
    return warmth;
  };
}

/** The minute at which a falling curve passes a temperature, by halving; undefined: not in a day. */
function passes(curve: (minutes: number) => number, celsius: number): number | undefined {
  let [low, high] = [0, 24 * 60];
  if (curve(high) > celsius) return undefined;
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (curve(middle) > celsius) low = middle;
    else high = middle;
  }
  return high;
}

test.each(TRUTHS.map((truth, index) => [index, truth] as const))(
  'pan %i: in time or out of it, as it was',
  (_, truth) => {
    const curve = curveOf(truth);
    const begins = passes(curve, 57)!;
    const stands: [number, Where, number][] = [];
    let from = 0;
    for (const { where, ambient, minutes } of truth.places) {
      stands.push([from, where, ambient]);
      from += minutes;
    }
    const until = 600;
    const readings = Array.from({ length: until / truth.every + 1 }, (_, index): [number, number] => [
      index * truth.every,
      curve(index * truth.every),
    ]);
    const of = pan(stands, readings);
    const cooling = coolingOf(of);
    // Never later than it was: a clock that begins late gives minutes that nobody has. A move between two readings costs a few.
    expect(cooling.begins).toBeLessThanOrEqual(begins + 0.5);
    expect(cooling.begins).toBeGreaterThanOrEqual(begins - 10);
    const late = (celsius: number, allowed: number) => (passes(curve, celsius) ?? Infinity) - begins - allowed;
    const [late21, late5] = [late(21, 120), late(5, 360)];
    const said = say(of, until);
    // Nearer to a limit than readings twelve minutes apart can tell, either is right.
    if (Math.min(Math.abs(late21), Math.abs(late5)) < 12) return;
    const asks = late5 > 0 ? 'throw away' : late21 > 0 ? 'heat again' : undefined;
    expect(said.asks).toBe(asks);
  },
);

test('there are as many histories as were asked for, in time and out of it', () => {
  const late = TRUTHS.filter((truth) => {
    const curve = curveOf(truth);
    return (passes(curve, 21) ?? Infinity) - passes(curve, 57)! > 120;
  });
  expect(TRUTHS.length).toBeGreaterThanOrEqual(40);
  expect(late.length).toBeGreaterThan(8);
  expect(late.length).toBeLessThan(32);
});

test('a pan is asked for as long as nobody can say how warm it is, and watched after it was sealed, but not for ever', () => {
  const warm = pan([[0, 'counter', 20]], [[0, 60]]);
  expect(pansAsked([warm], at(10))).toEqual([]);
  expect(pansAsked([warm], at(45))).toHaveLength(1);
  expect(pansAsked([{ ...warm, kept: 'not measured' }], at(45))).toEqual([]);
  const cold = pan(
    [[0, 'ice water', 0]],
    [
      [0, 60],
      [90, 4],
    ],
  );
  expect(pansAsked([cold], at(900))).toEqual([]);
  expect(warmPans([cold])).toEqual([]);
  const [watched] = warmPans([warm]);
  expect(isWatched(watched!, at(200))).toEqual({ is: true, over: false });
  expect(isWatched(watched!, at(400))).toEqual({ is: true, over: true });
  expect(isWatched(watched!, at(2 * 24 * 60)).is).toBe(false);
});
