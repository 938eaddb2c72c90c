import fc from 'fast-check';
import {
  boxesOfDays,
  cellOf,
  figuresOf,
  isByTurns,
  isFull,
  readBoxes,
  spreadOver,
  type BoxesEntry,
  type Ingredient,
} from './boxes';

const of = (shareId: number, name: string, grams: number, over: Partial<Ingredient> = {}): Ingredient => ({
  shareId,
  name,
  grams,
  density: 1.5,
  bonePerGram: 0,
  organPerGram: 0,
  ...over,
});
const NECKS = of(1, 'turkey necks', 1200, { bonePerGram: 0.42 });
const MINCE = of(2, 'minced beef', 3000);
const LIVER = of(3, 'liver', 300, { organPerGram: 1 });
const entry = (rows: BoxesEntry['rows'], count: string, target = ''): BoxesEntry => ({ count, target, rows });
const row = (shareId: number, size = '', into = '') => ({ shareId, size, into });
const read = (asked: BoxesEntry, all: readonly Ingredient[]) => readBoxes(asked, all, 'metric');
const planned = (asked: BoxesEntry, all: readonly Ingredient[]) => {
  const outcome = read(asked, all);
  if (!outcome.ok) throw new Error(`${outcome.problem.field}: ${outcome.problem.message}`);
  return outcome.value;
};
const problem = (asked: BoxesEntry, all: readonly Ingredient[]) => {
  const outcome = read(asked, all);
  return outcome.ok ? undefined : [outcome.problem.field, outcome.problem.message];
};

test('what is at hand is spread evenly over all boxes, to the gram', () => {
  const plan = planned(entry([row(1), row(2), row(3)], '12'), [NECKS, MINCE, LIVER]);
  expect(plan.rows.map(({ grams }) => grams.reduce((a, b) => a + b, 0))).toEqual([1200, 3000, 300]);
  expect(new Set(plan.rows[2]!.grams)).toEqual(new Set([25]));
});

test('any boxes: never more than is at hand, rows sum exactly, and no two boxes of a row differ by more than a gram', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 50, max: 9000 }), { minLength: 1, maxLength: 6 }),
      fc.integer({ min: 1, max: 40 }),
      fc.nat(40),
      (hands, count, less) => {
        const all = hands.map((grams, index) => of(index + 1, `part ${index}`, grams));
        const into = Math.max(1, count - (less % count));
        const plan = planned(
          entry(
            all.map(({ shareId }) => row(shareId, '', String(into))),
            String(count),
          ),
          all,
        );
        for (const [index, { grams }] of plan.rows.entries()) {
          expect(grams.reduce((a, b) => a + b, 0)).toBe(hands[index]);
          const there = grams.filter((each) => each > 0);
          expect(Math.max(...there) - Math.min(...there)).toBeLessThanOrEqual(1);
          expect(there.length).toBeLessThanOrEqual(into);
        }
      },
    ),
  );
});

test('ten, twenty-five and five already are the forty: nothing is left for the organs', () => {
  // A box of 40 oz of necks, beef and beef heart, in ounces, the liver forgotten. Common practice, no source.
  const all = [of(1, 'necks', 9000), of(2, 'beef', 9000), of(4, 'heart', 9000), of(3, 'liver', 9000)];
  const rows = [row(1, '10 oz'), row(2, '25 oz'), row(4, '5 oz'), row(3)];
  const outcome = readBoxes(entry(rows, '8', '40 oz'), all, 'us');
  expect(outcome.ok ? undefined : outcome.problem.field).toBe('rows.3.size');
  expect(outcome.ok ? undefined : outcome.problem.message).toMatch(/already are the .*: nothing is left for liver/);
  // With 23 of beef two are left for it.
  const plan = readBoxes(entry([row(1, '10 oz'), row(2, '23 oz'), row(4, '5 oz'), row(3)], '8', '40 oz'), all, 'us');
  if (!plan.ok) throw new Error(plan.problem.message);
  expect(plan.value.rows[3]!.grams.reduce((a, b) => a + b, 0) / 8).toBeCloseTo(2 * 28.3495, 0);
});

test('what cannot be is said at its field', () => {
  const all = [NECKS, MINCE, LIVER];
  const rows = [row(1), row(2), row(3)];
  expect(problem(entry(rows, '0'), all)![0]).toBe('count');
  expect(problem(entry(rows, '61'), all)![0]).toBe('count');
  expect(problem(entry([row(1, 'much'), row(2), row(3)], '4'), all)![0]).toBe('rows.0.size');
  expect(problem(entry([row(1), row(2), row(3, '', '9')], '4'), all)![0]).toBe('rows.2.into');
  expect(problem(entry([row(1, '400'), row(2), row(3)], '4'), all)).toEqual([
    'rows.0.size',
    expect.stringMatching(/400 g into 4 boxes are 1600 g: only 1200 g of turkey necks/),
  ]);
  expect(problem(entry([row(1, '100'), row(2, '200'), row(3, '20')], '4', '300 g'), all)).toEqual([
    'target',
    expect.stringMatching(/320 g: 20 g more/),
  ]);
  expect(problem(entry([row(1, '100'), row(2), row(3)], '4', '400 g'), all)).toEqual([
    'rows.1.size',
    expect.stringMatching(/300 g of the box are left for minced beef and liver/),
  ]);
  expect(problem(entry([row(1, '100'), row(2, '200'), row(3)], '4', '400 g'), all)).toEqual([
    'rows.2.size',
    expect.stringMatching(/only 75 g a box/),
  ]);
});

test('an ingredient for some boxes is spread over them, and then all of them together are balanced', () => {
  expect(spreadOver(6, 3)).toEqual([false, true, false, true, false, true]);
  expect(spreadOver(7, 7).every(Boolean)).toBe(true);
  const plan = planned(entry([row(1), row(2), row(3, '', '4')], '12'), [NECKS, MINCE, LIVER]);
  expect(isByTurns(plan)).toBe(true);
  expect(plan.rows[2]!.grams.filter((grams) => grams > 0)).toEqual([75, 75, 75, 75]);
  expect(isByTurns(planned(entry([row(1), row(2)], '12'), [NECKS, MINCE]))).toBe(false);
});

test('bone and organs of each box and of all; bone that nobody knows is not 0', () => {
  const all = [NECKS, MINCE, LIVER];
  const plan = planned(entry([row(1), row(2), row(3, '', '6')], '12'), all);
  const { boxes, whole } = figuresOf(plan, {}, all);
  // 1200 g of necks, 42 % of it bone (handbook 4, common practice), in 4500 g; 300 g of liver in it. By hand.
  expect(whole.bone).toBeCloseTo((1200 * 0.42) / 4500, 9);
  expect(whole.organs).toBeCloseTo(300 / 4500, 9);
  expect(boxes.map((box) => box.organs > 0)).toEqual(spreadOver(12, 6));
  expect(boxes.reduce((sum, box) => sum + box.kcal, 0)).toBeCloseTo(whole.kcal, 6);
  const unknown = figuresOf(plan, {}, [{ ...NECKS, bonePerGram: undefined }, MINCE, LIVER]);
  expect(unknown.whole.bone).toBeUndefined();
  // What lies in a box counts as it was weighed.
  const [first] = figuresOf(plan, { [cellOf(1, 0)]: 400 }, all).boxes;
  expect(first!.grams - boxes[0]!.grams).toBe(150);
});

test('a box is full once all that is to lie in it does; what is not for it does not keep it open', () => {
  const plan = planned(entry([row(2), row(3, '', '1')], '2'), [MINCE, LIVER]);
  expect([0, 1].map((box) => isFull(plan, { [cellOf(0, 0)]: 1500, [cellOf(0, 1)]: 1500 }, box))).toEqual([true, false]);
});

test('each dog’s day of several foods: a box only where there is something of everything', () => {
  const pack = (dogId: number | undefined, grams: number, short = false) => ({
    ...(dogId === undefined ? {} : { dogId }),
    grams,
    short,
  });
  const plan = boxesOfDays([
    { shareId: 1, packs: [pack(1, 200), pack(2, 90), pack(1, 201), pack(2, 91), pack(undefined, 40, true)] },
    { shareId: 2, packs: [pack(1, 100), pack(2, 45), pack(1, 99), pack(undefined, 20, true)] },
  ]);
  expect(plan.boxes.map(({ dogId }) => dogId)).toEqual([1, 2, 1]);
  expect(plan.rows.map(({ grams }) => grams)).toEqual([
    [200, 90, 201],
    [100, 45, 99],
  ]);
});
