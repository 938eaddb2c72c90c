import { dryingCurve } from './drying-curve';

const SIZE = { width: 640, height: 200, left: 64 };
const POINTS = [
  { hours: 0, grams: 1000 },
  { hours: 2, grams: 700 },
  { hours: 4, grams: 520 },
];

test('weighings stand where they are, the heaviest highest; the target and the band of the end lie within', () => {
  const drawn = dryingCurve(
    { points: POINTS, target: 322, fit: { at: (hours) => 1000 - hours * 100, end: 7, low: 6, high: 8.5 } },
    SIZE,
  );
  const [first, , last] = drawn.points;
  expect([first!.x, first!.y]).toEqual([64, 0]);
  expect(last!.y).toBeGreaterThan(first!.y);
  expect(drawn.target).toBeGreaterThan(last!.y);
  expect(drawn.target).toBeLessThan(SIZE.height);
  const { from, at, to } = drawn.end!;
  expect([from < at, at < to, to <= SIZE.width]).toEqual([true, true, true]);
  expect(drawn.curve.startsWith('M64,0')).toBe(true);
  // Its end is still on the drawing.
  expect(Math.max(...drawn.hours.map(({ hours }) => hours))).toBeGreaterThanOrEqual(8);
});

test('without a fit there is no band; an end that nobody knows does not stretch the drawing without end', () => {
  expect(dryingCurve({ points: POINTS, target: 322 }, SIZE).end).toBeUndefined();
  const wide = dryingCurve(
    { points: POINTS, target: 322, fit: { at: () => 500, end: 7, low: 5, high: Infinity } },
    SIZE,
  );
  expect(wide.end!.to).toBeLessThanOrEqual(SIZE.width);
  expect(wide.curve).not.toContain('NaN');
});
