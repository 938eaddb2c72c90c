import {
  LATER,
  takeOfLine,
  LINES,
  EVIDENCE,
  lineReadings,
  written,
  pot,
  share,
  history,
  state,
  weighed,
} from '../../../tests/fixtures/worked-batch';
import { lineOf } from '../../../tests/fixtures/worked-example';
import { recipeSheet } from '../recipe/sheet';
import { staysOfTake, type Take } from './evidence';
import { strainedIn, wentInAfter } from './strained';
import { foldBatch, wentInOf, type BatchHistory, type WeighedState } from './fold';
import { batchGraph } from './graph';
import type { NewReading, Reading } from './reading';
import { isDone, stepAt, watchOf } from './steps';
import { densityIn, summaryOf } from './summary';

test('a batch is planned, cooking, weighed by what is known of it', () => {
  expect(state({ ...history(), startedAt: undefined, evidence: undefined }).state).toBe('planned');
  expect(state(history()).state).toBe('cooking');
  const done = weighed(history({ more: pot(3550) }));
  expect(done.yields[0]!.net).toBe(2310);
  expect(done.yields[0]!.density).toBeCloseTo(1.2271, 4);
});

test('a struck reading does not count; struck by mistake, it counts again', () => {
  const twice = [...pot(3550), ...pot(3450).map((each) => ({ ...each }))];
  const readings = written(...lineReadings, ...twice);
  // The last of a node holds, struck or not; with it struck the first one holds.
  const last = readings.findLast((each) => each.kind === 'gross')!;
  expect(weighed(history({ readings })).yields[0]!.net).toBe(2210);
  const struck: Reading = { ...last, id: 100, kind: 'struck', value: undefined, text: 'slip', takesBack: last.id };
  expect(weighed(history({ readings: [...readings, struck] })).yields[0]!.net).toBe(2310);
  const back: Reading = { ...struck, id: 101, takesBack: 100 };
  expect(weighed(history({ readings: [...readings, struck, back] })).yields[0]!.net).toBe(2210);
});

test('what cannot have happened is refused: a vessel not tared, one forgotten', () => {
  expect(foldBatch(history({ more: pot(4200, 0) }), '4-9-4')).toMatchObject({ ok: false });
  expect(foldBatch(history({ more: pot(600, 0) }), '4-9-4')).toMatchObject({ ok: false });
});

test('a forgotten vessel, another weight of a line, another food: the energy and the yield follow', () => {
  const before = weighed(history({ more: pot(3550) }));
  const vessel = weighed(history({ more: [...pot(3550), ...pot(500, 400, 1)] }));
  expect(vessel.yields[0]!.net).toBe(2410);
  expect(vessel.sheet.kcal).toBe(before.sheet.kcal);
  const other: Take = takeOfLine(lineOf('17168', 1000));
  const readings: NewReading[] = [...pot(3550), { node: 'line:0', kind: 'food', take: other, text: other.name }];
  const rabbit = weighed(history({ more: readings }));
  expect(rabbit.takes[0]!.name).toBe(other.name);
  expect(rabbit.takes[0]!.weighed).toBe(LINES[0]!.grams);
  expect(rabbit.sheet.kcal).not.toBeCloseTo(before.sheet.kcal, 0);
  const added = weighed(
    history({
      more: [
        ...pot(3550),
        { node: `line:${LINES.length}`, kind: 'food', take: other },
        { node: `line:${LINES.length}`, kind: 'gross', value: 100 },
      ],
    }),
  );
  expect(added.sheet.inPot - before.sheet.inPot).toBeCloseTo(100, 9);
});

test('shares know what is left of them; the step at hand, the watch and the summary follow', () => {
  const open = history({ more: pot(3550), shares: [share(1, 'today', 500), share(2, 'fridge', 1810)] });
  expect(stepAt(state(history())).key).toBe('cook');
  expect(stepAt(state(history({ more: pot(3550) }))).key).toBe('divide');
  expect(stepAt(state(open)).key).toBe('pack');
  expect(watchOf(state(open))?.said).toMatch(/seal/);
  const packs = [
    { holdingId: 7, code: 'V1', shareId: 2, grams: 1000 },
    { holdingId: 8, code: 'V2', shareId: 2, grams: 810 },
  ];
  const half = weighed({ ...open, packed: packs.slice(0, 1), fed: [{ shareId: 1, grams: 120 }] });
  expect(half.shares.map((each) => [each.left, each.used, each.sealed])).toEqual([
    [380, 120, false],
    [810, 1000, false],
  ]);
  const all = weighed({ ...open, packed: packs });
  expect([isDone(all), watchOf(all)]).toEqual([true, undefined]);
  const summary = summaryOf(all)!;
  expect(summary).toMatchObject({ step: 'pack', net: 2310, whole: 2310, estimated: false });
  expect(densityIn(summary, '4-9-4')).toBeCloseTo(1.2271, 4);
});

test('trays: wet first, dry last, and a corrected wet weight is still the first', () => {
  const readings: NewReading[] = [
    ...pot(3550),
    { node: 'tray:9', kind: 'tare', value: 600 },
    { node: 'tray:9', kind: 'gross', value: 2600 },
    { node: 'tray:9', kind: 'gross', value: 1200, at: LATER },
  ];
  const dry = history({
    more: readings,
    shares: [share(1, 'dry', 2000, { method: 'freeze-dried', trays: [{ id: 9 }] })],
  });
  const [first] = weighed(dry).shares;
  expect(first!.trays).toEqual([{ id: 9, tare: 600, wetGross: 2600, dryGross: 1200, dryings: [1200], hours: [24] }]);
  // 2000 g wet, 600 g dry: 1400 mL to put back; 1.2271 × 2000 ÷ 600 kcal/g (arithmetic).
  expect([first!.dried!.water, first!.left]).toEqual([1400, 600]);
  expect(first!.dried!.density).toBeCloseTo((1.2271 * 2000) / 600, 3);
});

test('what is strained out and weighed says what stays of it; what cannot be is refused', () => {
  // Of 1000 g of meat on the bone the recipe supposes that 700 g stay.
  const [meat, ...rest] = EVIDENCE.takes;
  const bony = { ...meat!, strained: true as const, parts: [{ ...meat!.parts[0]!, share: 0.7 }] };
  const evidence = { takes: [bony, ...rest] };
  const strained = (value: number): NewReading => ({ node: 'strained:0', kind: 'gross', value });
  const whole = weighed(history({ evidence, more: pot(3150) }));
  const kcalOf = (of: WeighedState) => of.sheet.kcal;
  const of = (out: number) => history({ evidence, more: [...pot(3150), strained(out)] });
  // 1000 g less 300 g of bone: as the recipe supposed, nothing changes (arithmetic).
  expect(kcalOf(weighed(of(300)))).toBeCloseTo(kcalOf(whole), 9);
  const bonier = weighed(of(400));
  const perGram = kcalOf(weighed(history({ more: pot(3150) }))) - kcalOf(whole);
  expect(kcalOf(bonier)).toBeCloseTo(kcalOf(whole) - perGram / 3, 6);
  expect(bonier.sheet.inPot).toBeCloseTo(whole.sheet.inPot - 100, 9);
  expect(bonier.yields[0]).toMatchObject({ strained: 400 });
  // The drawing shows it beside the food, and a form says the same before anything is kept.
  const graph = batchGraph(bonier, [], '4-9-4');
  expect(graph.edges.find((edge) => edge.to === 'strained')).toMatchObject({ grams: 400, observed: true });
  const holds = (part: WeighedState) =>
    wentInOf(
      recipeSheet(
        part.takes.filter((t) => t.strained).flatMap((t) => staysOfTake(t, t.weighed)),
        '4-9-4',
      ),
      '4-9-4',
    );
  const said = wentInAfter(wentInOf(whole.sheet, '4-9-4'), { ...strainedIn(whole.takes), holds: holds(whole) }, 400);
  const after = wentInOf(bonier.sheet, '4-9-4');
  if (!said.ok) throw new Error(said.problem.message);
  for (const key of ['inPot', 'solids', 'kcal', 'fatInPot'] as const)
    expect(said.value[key]).toBeCloseTo(after[key]!, 6);
  const refusal = (readings: BatchHistory) => {
    const folded = foldBatch(readings, '4-9-4');
    return folded.ok ? undefined : folded.problem;
  };
  expect(refusal(of(1000))).toMatchObject({
    field: 'strained',
    message: expect.stringContaining('Is liquid with it?'),
  });
  const none = history({ more: [...pot(3550), strained(100)] });
  expect(refusal(none)?.message).toBe('Nothing of this recipe is strained out.');
});
