import type { lineOf } from '../../../tests/fixtures/worked-example';
import { pouredWaterLine, workedExample } from '../../../tests/fixtures/worked-example';
import { stillToWeigh, type Apart } from './apart';
import type { Evidence, Take } from './evidence';
import { foldBatch, type BatchHistory, type BatchState, type WeighedState } from './fold';
import { batchGraph, imbalance } from './graph';
import type { NewReading } from './reading';
import { stepAt } from './steps';
import { summaryOf } from './summary';
import { wholeOf } from './whole';

const NOON = new Date('2026-11-25T12:00:00Z');
const LINES = [...workedExample(), pouredWaterLine(800)];
const takeOfLine = (line: ReturnType<typeof lineOf>, index: number): Take => ({
  name: line.food.name,
  words: line.text,
  planned: line.grams,
  component: index < 2 ? 0 : 1,
  parts: [{ text: line.text, food: line.food, part: line.part, moment: line.moment, share: 1 }],
});
const EVIDENCE: Evidence = {
  takes: LINES.map(takeOfLine),
  components: [
    { name: 'meat', loads: 1 },
    { name: 'grain', loads: 1 },
  ],
};
const vessel = (place: number, net: number): NewReading[] => [
  { node: `vessel:${place}.0`, kind: 'gross', value: net + 1000, text: 'pot' },
  { node: `vessel:${place}.0`, kind: 'tare', value: 1000 },
];
const folded = (apart: Apart | undefined, ...more: readonly NewReading[]) => {
  const all: NewReading[] = [
    ...LINES.map((line, index): NewReading => ({ node: `line:${index}`, kind: 'gross', value: line.grams })),
    ...(apart ? [{ node: 'batch', kind: 'note', text: apart } as const] : []),
    ...more,
  ];
  const history: BatchHistory = {
    startedAt: NOON,
    evidence: EVIDENCE,
    shares: [],
    packed: [],
    fed: [],
    readings: all.map((each, index) => ({ ...each, id: index + 1, at: NOON, writtenAt: NOON })),
  };
  return foldBatch(history, '4-9-4');
};
const state = (...of: Parameters<typeof folded>): BatchState => {
  const outcome = folded(...of);
  if (!outcome.ok) throw new Error(outcome.problem.message);
  return outcome.value;
};
const inPotOf = (place: number) =>
  LINES.reduce((sum, line, index) => sum + ((index < 2 ? 0 : 1) === place ? line.grams : 0), 0);

test('kept apart: each is weighed by itself, and none is taken for the whole pot meanwhile', () => {
  const first = state('components', ...vessel(0, inPotOf(0) * 0.8));
  expect(stillToWeigh(first)).toEqual([{ place: 1, name: 'grain' }]);
  expect([stepAt(first).key, stepAt(first).next(first)]).toEqual(['pot', 'weigh the grain when it is done']);
  const both = state('components', ...vessel(0, inPotOf(0) * 0.8), ...vessel(1, inPotOf(1) * 0.9)) as WeighedState;
  expect(stillToWeigh(both)).toEqual([]);
  expect(both.yields.map(({ name }) => name)).toEqual(['meat', 'grain']);
  // Said to be one pot, the meat alone would be less than all solids, or its energy that of everything.
  const mixed = folded(undefined, ...vessel(0, inPotOf(0) * 0.8));
  expect(mixed.ok && mixed.value.state === 'weighed' ? mixed.value.yields[0]!.density : NaN).not.toBeCloseTo(
    both.yields[0]!.density,
    2,
  );
});

test('together they hold what the lines brought, and the graph closes', () => {
  const both = state('components', ...vessel(0, inPotOf(0) * 0.8), ...vessel(1, inPotOf(1) * 0.9)) as WeighedState;
  const whole = wholeOf(both.yields);
  // The worked example of the handbook holds 2834.56 kcal.
  expect(whole.net * whole.density).toBeCloseTo(2834.56, 1);
  for (const [, gap] of imbalance(batchGraph(both, [], '4-9-4'))) expect(Math.abs(gap)).toBeLessThan(1e-6);
  expect(summaryOf(both)!.apart!.yields).toHaveLength(2);
});

test('uncooked, every line is a yield as it was weighed: nothing is lost, and nothing is asked of the heat', () => {
  const raw = state('lines') as WeighedState;
  expect(raw.state).toBe('weighed');
  expect(raw.yields.map(({ name }) => name)).toEqual(LINES.map((line) => line.text));
  expect(raw.yields.reduce((sum, each) => sum + each.net, 0)).toBeCloseTo(inPotOf(0) + inPotOf(1), 6);
  expect([raw.day.loads, raw.pans]).toEqual([[], []]);
  for (const measure of ['grams', 'kcal', 'solids'] as const)
    for (const [, gap] of imbalance(batchGraph(raw, [], '4-9-4'), measure)) expect(Math.abs(gap)).toBeLessThan(1e-6);
});
