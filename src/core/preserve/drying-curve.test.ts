import { curveOf, dryingForecast, dryingLeft, weightAt, type TrayAt } from './drying-curve';

/** A small seeded generator (mulberry32), and Gauss's noise out of it (Box and Muller). */
function seeded(seed: number) {
  let state = seed;
  const next = () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  return {
    between: (low: number, high: number) => low + next() * (high - low),
    noise: (sigma: number) => sigma * Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
  };
}

const WET = 1000;
const SOLIDS = 290;
/** Weighings of a Page curve at even times up to where so much of the water is left. */
const dried = (k: number, n: number, left: number, count: number, noise: () => number): TrayAt[] => {
  const until = (-Math.log(left) / k) ** (1 / n);
  return Array.from({ length: count + 1 }, (_, index) => {
    const hours = (until * index) / count;
    const ratio = Math.exp(-k * hours ** n) + (index === 0 ? 0 : noise());
    return { hours, grams: SOLIDS + (WET - SOLIDS) * ratio };
  });
};
const endOf = (k: number, n: number) => {
  const wanted = (weightAt(SOLIDS, 0.1) - SOLIDS) / (WET - SOLIDS);
  return (-Math.log(wanted) / k) ** (1 / n);
};

test('what it still takes is one figure: the end of its curve less the hours that it has been in, not those of the last weighing', () => {
  const points = dried(0.25, 1.15, 0.5, 5, () => 0);
  const tray = {
    tare: 600,
    wetGross: 600 + points[0]!.grams,
    dryings: points.slice(1).map(({ grams }) => 600 + grams),
    hours: points.slice(1).map(({ hours }) => hours),
  };
  const last = points.at(-1)!.hours;
  const left = (running: number | undefined) => dryingLeft([tray], SOLIDS / WET, running)!.left;
  expect(left(undefined)).toBeCloseTo(endOf(0.25, 1.15) - last, 2);
  expect(left(last + 1)).toBeCloseTo(endOf(0.25, 1.15) - last - 1, 2);
  expect(
    dryingLeft([{ ...tray, dryings: tray.dryings.slice(0, 1), hours: tray.hours.slice(0, 1) }], 0.29, 1),
  ).toBeUndefined();
});

// Handbook 10: end weight = solids / (1 − target moisture); 290 g of solids at 10 % water.
test('a curve without noise is found again, and its end', () => {
  const forecast = dryingForecast(
    dried(0.25, 1.15, 0.5, 8, () => 0),
    SOLIDS,
  )!;
  expect(forecast.fit).toMatchObject({ model: 'Page', k: expect.closeTo(0.25, 4), n: expect.closeTo(1.15, 4) });
  expect(forecast.target).toBeCloseTo(290 / 0.9, 9);
  expect(forecast.hours).toBeCloseTo(endOf(0.25, 1.15), 3);
  expect(forecast.at(0)).toBeCloseTo(WET, 9);
  expect(
    dryingForecast(
      dried(0.3, 1, 0.5, 8, () => 0),
      SOLIDS,
    )!.fit.model,
  ).toBe('Lewis');
});

test('predicted within 10 % in 90 % of 200 noisy curves, once a third of the water is gone; the band holds most of them', () => {
  const random = seeded(7);
  let [near, held] = [0, 0];
  for (let run = 0; run < 200; run++) {
    const [k, n] = [random.between(0.1, 0.5), random.between(0.8, 1.3)];
    const left = random.between(0.35, 0.66);
    const count = Math.floor(random.between(6, 11));
    const forecast = dryingForecast(
      dried(k, n, left, count, () => random.noise(0.003)),
      SOLIDS,
    )!;
    const end = endOf(k, n);
    if (Math.abs(forecast.hours - end) <= end * 0.1) near++;
    if (forecast.low <= end && end <= forecast.high) held++;
  }
  expect(near).toBeGreaterThanOrEqual(180);
  expect(held).toBeGreaterThanOrEqual(160);
});

test('too few weighings, too little gone, or no food but water: nothing is promised', () => {
  const none = () => 0;
  expect(dryingForecast(dried(0.3, 1, 0.5, 2, none), SOLIDS)).toBeUndefined();
  expect(dryingForecast(dried(0.3, 1, 0.95, 6, none), SOLIDS)).toBeUndefined();
  expect(dryingForecast(dried(0.3, 1, 0.5, 6, none), 1000)).toBeUndefined();
  expect(dryingForecast([], SOLIDS)).toBeUndefined();
});

test('fast at first, then flat too early: the outside has closed', () => {
  const good = dried(0.3, 1, 0.5, 5, () => 0);
  const last = good.at(-1)!;
  expect(dryingForecast(good, SOLIDS)!.isHard).toBe(false);
  const hard = [...good, { hours: last.hours + 1, grams: last.grams - 6 }];
  expect(dryingForecast(hard, SOLIDS)!.isHard).toBe(true);
  // Dry already, it may be flat.
  const done = dried(0.3, 1, 0.1, 6, () => 0);
  const end = done.at(-1)!;
  expect(dryingForecast([...done, { hours: end.hours + 1, grams: end.grams - 1 }], SOLIDS)!.isHard).toBe(false);
});

test('the trays of a load are one curve, as far as all of them were weighed', () => {
  const trays = [
    { tare: 600, wetGross: 1600, dryings: [1200, 1000], hours: [2, 4] },
    { tare: 400, wetGross: 900, dryings: [700], hours: [2.5] },
  ];
  expect(curveOf(trays)).toEqual([
    { hours: 0, grams: 1500 },
    { hours: 2.25, grams: 900 },
  ]);
  expect(curveOf([])).toEqual([]);
});
