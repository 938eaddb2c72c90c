import { cookTimeline } from './cook-timeline';
import fc from 'fast-check';
import { BALANCE_SCALE, balancePlace } from './balance-scale';
import { diaryMarks } from './diary-rows';
import { axisOf, dotPlot } from './dot-plot';
import { weightsOver } from './eaten-bars';
import { energyAxis } from './energy-axis';
import { FLOW, layFlow, type FlowMasses } from './flow';
import { needStack } from './need-stack';
import { stackedBar } from './stacked-bar';
import { POT_HEIGHT, potLevel } from './pot-level';
import { UPRIGHT, layUpright } from './upright-flow';
import { weightCurve } from './weight-curve';

const masses = fc.array(fc.double({ min: 1, max: 20_000, noNaN: true }), { minLength: 1, maxLength: 20 });

const flowOf = (over: Partial<FlowMasses>) =>
  layFlow({ lines: [], loads: [], pans: [], net: undefined, shares: [], ...over });

test('a flow is drawn to scale: band thickness is in proportion to mass', () => {
  const { lines } = flowOf({
    lines: [
      { label: 'a', grams: 3000 },
      { label: 'b', grams: 1000 },
    ],
  });
  expect(lines[0]!.thickness / lines[1]!.thickness).toBeCloseTo(3, 9);
});

test('labels of a flow never stand closer than a line of text, whatever goes in', () => {
  fc.assert(
    fc.property(masses, (list) => {
      const { lines } = flowOf({ lines: list.map((grams, index) => ({ label: String(index), grams })) });
      for (let index = 1; index < lines.length; index++)
        expect(lines[index]!.labelY - lines[index - 1]!.labelY).toBeGreaterThanOrEqual(11);
    }),
  );
});

test('the vapour is what the yield lacks of the pot; loads, pans and trays lie in them to scale', () => {
  const { vapour, pans, pot, shares } = flowOf({
    lines: [{ label: 'a', grams: 1000 }],
    loads: [500, 500],
    pans: [500, 250],
    net: 750,
    shares: [{ label: 'dry', grams: 750, pieces: [300, 450] }],
  });
  expect((vapour!.bottom - vapour!.top) / (pot.bottom - pot.top)).toBeCloseTo(0.25, 9);
  expect((pans.bottom - pans.top) / (pot.bottom - pot.top)).toBeCloseTo(0.75, 9);
  expect((pot.cuts[0]! - pot.top) / (pot.bottom - pot.top)).toBeCloseTo(0.5, 9);
  expect((pans.cuts[0]! - pans.top) / (pans.bottom - pans.top)).toBeCloseTo(2 / 3, 9);
  const [first, second] = shares[0]!.pieces;
  expect(first!.height + second!.height).toBeCloseTo(shares[0]!.thickness, 9);
  expect(second!.y).toBeCloseTo(first!.y + first!.height, 9);
  // Two hundred packs would be a grey block: they are said, not drawn.
  const many = { label: 'freezer', grams: 750, pieces: Array.from({ length: 200 }, () => 3.75) };
  expect(flowOf({ lines: [{ label: 'a', grams: 1000 }], net: 750, shares: [many] }).shares[0]!.pieces).toEqual([]);
  expect(FLOW.pans).toBeGreaterThan(FLOW.potEnd);
});

test('a stacked bar lies end to end and fills its width', () => {
  fc.assert(
    fc.property(masses, (list) => {
      const sum = list.reduce((all, mass) => all + mass, 0);
      const bar = stackedBar(list, (mass) => mass / sum, 400);
      bar.slice(1).forEach((segment, index) => expect(segment.x).toBeCloseTo(bar[index]!.x + bar[index]!.width, 6));
      expect(bar.at(-1)!.x + bar.at(-1)!.width).toBeCloseTo(400, 6);
    }),
  );
});

test('each day’s stack is as high as its energy', () => {
  const bars = needStack(
    [
      [100, 200],
      [300, 600],
    ],
    { width: 100, height: 80 },
  );
  const heightOf = (day: number) => bars.filter((bar) => bar.day === day).reduce((sum, bar) => sum + bar.height, 0);
  expect(heightOf(1)).toBeCloseTo(80, 9);
  expect(heightOf(0)).toBeCloseTo(40, 9);
});

test('an energy axis is linear and begins at nothing', () => {
  const { x, ticks } = energyAxis(1630, 500);
  expect(x(0)).toBe(0);
  expect(x(1600)).toBeCloseTo(2 * x(800), 9);
  expect(ticks.at(-1)!.x).toBeLessThanOrEqual(500);
});

test('a weight curve keeps every weigh-in, its trend and the target band inside its frame', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 2, max: 60, noNaN: true }), { minLength: 1, maxLength: 30 }), (kgs) => {
      const past = kgs.map((kg, index) => ({ day: -7 * (kgs.length - 1 - index), grams: kg * 1000 }));
      const curve = weightCurve({ past, band: [kgs[0]! * 970, kgs[0]! * 1030] }, { width: 400, height: 130 });
      for (const point of curve.points) {
        expect(point.x).toBeGreaterThanOrEqual(0);
        expect(point.x).toBeLessThanOrEqual(400);
        expect(point.y).toBeGreaterThanOrEqual(0);
        expect(point.y).toBeLessThanOrEqual(130);
      }
      expect(curve.band!.y).toBeGreaterThanOrEqual(0);
      expect(curve.band!.y + curve.band!.height).toBeLessThanOrEqual(130);
      expect(curve.band!.height).toBeGreaterThan(0);
    }),
  );
});

test('a weight curve has round ticks in the unit that the household weighs in', () => {
  const past = [
    { day: -7, grams: 26_000 },
    { day: 0, grams: 27_500 },
  ];
  const inPounds = weightCurve({ past }, { width: 400, height: 130 }, 453.59237);
  expect(inPounds.ticks.map((tick) => tick.value)).toEqual([57, 58, 59, 60, 61]);
  expect(inPounds.points.map((point) => point.y)).toEqual(
    weightCurve({ past }, { width: 400, height: 130 }).points.map((point) => expect.closeTo(point.y, 9)),
  );
});

test('a nutrient’s place rises with its amount; its least and its most stand where all others do', () => {
  const positive = fc.double({ min: 1e-4, max: 1e5, noNaN: true });
  fc.assert(
    fc.property(positive, fc.double({ min: 1.2, max: 100, noNaN: true }), positive, positive, (least, span, a, b) => {
      const [low, high] = [Math.min(a, b), Math.max(a, b)];
      const most = least * span;
      expect(balancePlace(low, least, most)).toBeLessThanOrEqual(balancePlace(high, least, most) + 1e-12);
      expect(balancePlace(least, least, most)).toBeCloseTo(BALANCE_SCALE.least, 9);
      expect(balancePlace(most, least, most)).toBeCloseTo(BALANCE_SCALE.most, 9);
      expect(balancePlace(0, least, undefined)).toBe(0);
    }),
  );
});

/** Where a band of the upright flow stands in its vessel: its outer edge, and how wide it is. */
const slotOf = (path: string, ends: RegExp) => {
  const [, near, far] = ends.exec(path)!.map(Number);
  return { near: Math.min(near!, far!), far: Math.max(near!, far!) };
};

// Less than a pixel: the thinnest line is drawn 0.8 px wide, or it would not be seen.
test('the upright flow is drawn to scale: lines fill the pot from side to side, shares leave the yield side by side', () => {
  fc.assert(
    fc.property(masses, fc.double({ min: 0.3, max: 1, noNaN: true }), masses, (lines, kept, parts) => {
      const inPot = lines.reduce((sum, each) => sum + each, 0);
      const [net, all] = [inPot * kept, parts.reduce((sum, each) => sum + each, 0)];
      const laid = layUpright({
        lines: lines.map((mass) => ({ label: 'a', grams: mass })),
        net,
        shares: parts.map((part) => ({ label: 'b', grams: (part / all) * net, pieces: [] })),
      });
      const wide = laid.pot.right - laid.pot.left;
      expect((laid.pans.right - laid.pans.left) / wide).toBeCloseTo(kept, 6);
      const slots = laid.lines.map((band) => slotOf(band.path, /Q(\S+) \S+ \S+ \S+V\S+H(\S+)V/));
      expect(Math.abs(slots[0]!.far - UPRIGHT.right)).toBeLessThan(1);
      slots.forEach((slot, index) => {
        expect(slot.near).toBeGreaterThanOrEqual(laid.pot.left - 1);
        if (index > 0) expect(Math.abs(slot.far - slots[index - 1]!.near)).toBeLessThan(1);
      });
      laid.lines.forEach((band, index) => {
        if (index > 0) expect(band.labelY - laid.lines[index - 1]!.labelY).toBeGreaterThanOrEqual(11);
      });
      const out = laid.shares.map((band) => slotOf(band.path, /^M(\S+) \S+H(\S+)V/));
      expect(out[0]!.near).toBeCloseTo(laid.pans.left, 6);
      expect(out.at(-1)!.far).toBeLessThanOrEqual(laid.pans.right + 1);
    }),
  );
});

test('a pot is as full as its load: the mark stands at what it may hold', () => {
  // 12 L filled to four fifths: 9.6 L; a load of 7.2 L is three quarters of that, and 60 % of the pot.
  expect(potLevel({ each: 7200, full: 0.75 }, 12_000)).toEqual({
    food: expect.closeTo(POT_HEIGHT * 0.6, 9),
    mark: expect.closeTo(POT_HEIGHT * 0.8, 9),
  });
});

test('a cook day of any length has a dozen marks of time at most, none on top of another (property)', () => {
  const size = { width: 1000, names: 100, row: 40, bar: 30, head: 30 };
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 9 * 1440 }), fc.integer({ min: 0, max: 1440 }), (minutes, from) => {
      const start = new Date(Date.UTC(2026, 10, 25, 0, from));
      const end = new Date(start.getTime() + minutes * 60_000);
      const { marks } = cookTimeline(['hands'], [{ key: 'a', row: 'hands', start, end }], [], size);
      expect(marks.length).toBeLessThanOrEqual(13);
      for (const [index, mark] of marks.entries())
        expect(mark.x - (marks[index - 1]?.x ?? -Infinity)).toBeGreaterThanOrEqual(60);
    }),
  );
});

test('a diary’s mark is a dash where all was usual, a bar up or down where not, and nothing where nothing was said', () => {
  expect(diaryMarks([0, 2, -1, undefined, 9], 40)).toEqual([
    { y: 18.5, high: 3, isUsual: true },
    { y: 2, high: 18, isUsual: false },
    { y: 20, high: 9, isUsual: false },
    undefined,
    { y: 2, high: 18, isUsual: false },
  ]);
});

test('rows that are looked at together share an axis: what is near is drawn near', () => {
  const row = (values: number[], table?: number) => ({ values, mean: values[0], spread: undefined, table });
  const axis = axisOf([row([90], 90.1), row([70], 90)]);
  expect(axis).toEqual([70, 90.1]);
  const { dots, table } = dotPlot(row([90], 90.1), axis, 300);
  expect(Math.abs(dots[0]! - table!)).toBeLessThan(2);
  // All the same stands in the middle, and nothing at all is an axis too.
  expect(dotPlot(row([50]), axisOf([row([50])]), 300).dots).toEqual([150]);
  expect(axisOf([])).toEqual([-1, 1]);
});

test('a dog’s weights stand in the middle of their days, heavier higher; a scale’s breath is no hill', () => {
  const place = { x: (index: number) => index * 10, cell: 10, high: 40 };
  const { points } = weightsOver(
    [
      { index: 0, grams: 7000 },
      { index: 4, grams: 7400 },
    ],
    place,
  );
  expect(points.map(({ x }) => x)).toEqual([5, 45]);
  expect(points[1]!.y).toBeLessThan(points[0]!.y);
  const flat = weightsOver(
    [
      { index: 0, grams: 20_000 },
      { index: 4, grams: 20_020 },
    ],
    place,
  ).points;
  expect(Math.abs(flat[1]!.y - flat[0]!.y)).toBeLessThan(3);
});
