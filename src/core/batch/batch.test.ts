import fc from 'fast-check';
import { lineOf, pouredWaterLine, workedExample } from '../../../tests/fixtures/worked-example';
import type { LocalDate } from '../calendar/local-date';
import { recipeSheet } from '../recipe/sheet';
import { staysOfTake, type Evidence, type Take } from './evidence';
import { followsOf, sharesAfter } from './follows';
import { strainedIn, wentInAfter } from './strained';
import { foldBatch, wentInOf, type BatchHistory, type BatchState, type WeighedState } from './fold';
import type { SetShare } from './share-state';
import { batchGraph, energyOfGraph, imbalance, type MassGraph } from './graph';
import type { NewReading, Reading } from './reading';
import { isDone, stepAt, watchOf } from './steps';
import { densityIn, summaryOf } from './summary';

const DAY = '2026-11-25' as LocalDate;
const NOON = new Date('2026-11-25T12:00:00Z');
const LATER = new Date('2026-11-26T12:00:00Z');

const takeOfLine = (line: ReturnType<typeof lineOf>): Take => ({
  name: line.food.name,
  words: line.text,
  planned: line.grams,
  component: 0,
  parts: [{ text: line.text, food: line.food, part: line.part, moment: line.moment, share: 1 }],
});
// The worked example of the handbook's density: 2834.56 kcal, 2310 g of it weighed, 1.2271 kcal/g.
const LINES = [...workedExample(), pouredWaterLine(800)];
const EVIDENCE: Evidence = { takes: LINES.map(takeOfLine) };

/** Readings in the order of writing; ids rise. */
function written(...all: readonly NewReading[]): Reading[] {
  return all.map((each, index) => ({ ...each, id: index + 1, at: each.at ?? NOON, writtenAt: NOON }));
}
const lineReadings = LINES.map((line, index): NewReading => ({
  node: `line:${index}`,
  kind: 'gross',
  value: line.grams,
}));
const pot = (gross: number, tare = 1240, place = 0, yields = 0): NewReading[] => [
  { node: `vessel:${yields}.${place}`, kind: 'gross', value: gross, text: 'pot' },
  { node: `vessel:${yields}.${place}`, kind: 'tare', value: tare },
];
const share = (id: number, fate: SetShare['fate'], grams: number, over: Partial<SetShare> = {}): SetShare => ({
  id,
  yield: 0,
  fate,
  grams,
  day: DAY,
  trays: [],
  ...over,
});
const history = (over: Partial<BatchHistory> & { readonly more?: readonly NewReading[] } = {}): BatchHistory => ({
  startedAt: NOON,
  evidence: EVIDENCE,
  shares: [],
  packed: [],
  fed: [],
  ...over,
  readings: over.readings ?? written(...lineReadings, ...(over.more ?? [])),
});
function state(of: BatchHistory): BatchState {
  const folded = foldBatch(of, '4-9-4');
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}
const weighed = (of: BatchHistory) => state(of) as WeighedState;

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

/** Nodes that nothing leaves: where a pot's energy lies in the end. */
const kcalAtEnds = ({ nodes, edges }: MassGraph) =>
  nodes
    .filter(({ key }) => !edges.some((edge) => edge.from === key))
    .flatMap(({ key }) => edges.filter((edge) => edge.to === key))
    .reduce((sum, { kcal }) => sum + kcal, 0);

test('packs that stand heavier than the pot hold the pot’s energy, and no more', () => {
  const packed = [{ holdingId: 1, code: 'V1', shareId: 1, grams: 2400 }];
  const shares = [share(1, 'freezer', 2400)];
  const stands = weighed(history({ more: pot(3550), shares, packed }));
  // By hand: 2834.56 kcal (the worked example) in 2400 g, not 2400 times 1.2271.
  expect(stands.yields[0]!.density).toBeCloseTo(2834.56 / 2400, 4);
  expect(stands.yields[0]!.explanation.steps.at(-1)!.what).toBe('its packs, trays and bowls hold more, and stand');
  expect(kcalAtEnds(batchGraph(stands, [], '4-9-4'))).toBeCloseTo(2834.56, 0);
  // Rounding to whole grams is no correction.
  const rounded = weighed(history({ more: pot(3550.4), shares: [share(1, 'freezer', 2311)] }));
  expect(rounded.yields[0]!.explanation.steps.some(({ what }) => what.includes('stand'))).toBe(false);
});

test('whatever stands after a correction: kcal of packs, eaten, trays and left are the kcal that went in', () => {
  const mass = fc.integer({ min: 100, max: 1400 });
  fc.assert(
    fc.property(
      fc.integer({ min: 1900, max: 2700 }),
      fc.record({
        eaten: fc.integer({ min: 0, max: 60 }),
        warm: mass,
        cold: mass,
        packs: fc.array(mass, { maxLength: 3 }),
      }),
      fc.record({
        set: mass,
        wet: mass,
        dryPart: fc.double({ min: 0.45, max: 0.6, noNaN: true }),
        more: fc.integer({ min: -20, max: 90 }),
      }),
      (net, { eaten, warm, cold, packs }, { set, wet, dryPart, more }) => {
        const dry = Math.round(wet * dryPart);
        const tray: NewReading[] = [
          { node: 'tray:9', kind: 'tare', value: 600 },
          { node: 'tray:9', kind: 'gross', value: 600 + wet },
          { node: 'tray:9', kind: 'gross', value: 600 + dry, at: LATER },
        ];
        const folded = foldBatch(
          history({
            more: [...pot(net + 1240), { node: 'taken:0', kind: 'gross', value: eaten }, ...tray],
            shares: [
              share(1, 'today', warm),
              share(2, 'freezer', cold),
              share(3, 'dry', set, { method: 'freeze-dried', trays: [{ id: 9 }] }),
            ],
            packed: [
              ...packs.map((own, index) => ({ holdingId: index, code: `V${index}`, shareId: 2, grams: own })),
              { holdingId: 9, code: 'V9', shareId: 3, grams: dry + more },
            ],
          }),
          '4-9-4',
        );
        // What cannot have been is refused, and says nothing.
        fc.pre(folded.ok);
        const graph = batchGraph(folded.value, [], '4-9-4');
        for (const measure of ['grams', 'kcal'] as const)
          for (const [key, gap] of imbalance(graph, measure))
            expect([measure, key, Math.abs(gap) < 1e-6]).toEqual([measure, key, true]);
        // Within the rounding to whole grams, dry ones of three times the energy.
        expect(Math.abs(kcalAtEnds(graph) - energyOfGraph(graph).in)).toBeLessThan(6);
      },
    ),
  );
});

test('when the pot was other than thought, what is not used gives way, the last share first', () => {
  const shares = [
    { grams: 500, used: 500 },
    { grams: 1000, used: 400 },
    { grams: 800, used: 0 },
  ];
  expect(sharesAfter(shares, 2300)).toEqual({ grams: [500, 1000, 800], over: 0 });
  expect(sharesAfter(shares, 2000)).toEqual({ grams: [500, 1000, 500], over: 0 });
  expect(sharesAfter(shares, 1200)).toEqual({ grams: [500, 700, 0], over: 0 });
  expect(sharesAfter(shares, 800)).toEqual({ grams: [500, 400, 0], over: 100 });
  expect(sharesAfter(shares, 2500)).toEqual({ grams: [500, 1000, 800], over: 0 });
});

test('what follows from a correction: yield, density, the kcal of packs', () => {
  const shares = [share(2, 'fridge', 2310)];
  const packed = [{ holdingId: 7, code: 'V1', shareId: 2, grams: 1000 }];
  const before = state(history({ more: pot(3550), shares, packed }));
  const after = state(history({ more: pot(3450), shares: [share(2, 'fridge', 2210)], packed }));
  const follows = followsOf(before, after);
  expect(follows.net).toEqual({ from: 2310, to: 2210 });
  expect(follows.shares).toEqual([{ id: 2, grams: { from: 2310, to: 2210 } }]);
  // 2834.56 kcal in 2310 g, then in 2210 g (arithmetic).
  expect(follows.packs[0]!.kcal.from).toBeCloseTo((2834.56 / 2310) * 1000, -1);
  expect(follows.packs[0]!.kcal.to! / follows.packs[0]!.kcal.from!).toBeCloseTo(2310 / 2210, 9);
  expect([follows.over, follows.undivided]).toEqual([0, 0]);
});

test('mass is conserved in the graph of any batch: every inner node closes', () => {
  const any = fc.record({
    gross: fc.double({ min: 2000, max: 3600, noNaN: true }),
    cut: fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
    eaten: fc.integer({ min: 0, max: 100 }),
    kept: fc.integer({ min: 0, max: 300 }),
    skimmed: fc.integer({ min: 0, max: 60 }),
    packs: fc.array(fc.integer({ min: 1, max: 900 }), { maxLength: 8 }),
    fed: fc.integer({ min: 0, max: 300 }),
    off: fc.integer({ min: -200, max: 200 }),
    dried: fc.boolean(),
  });
  fc.assert(
    fc.property(any, ({ gross, cut, eaten, kept, skimmed, packs, fed, off, dried }) => {
      const net = Math.round(gross - 1240) + off;
      const [a, b] = [Math.floor(net * Math.min(...cut)), Math.floor(net * Math.max(...cut))];
      const shares = [
        share(1, 'today', a),
        share(2, 'fridge', b - a),
        share(3, 'dry', Math.max(0, net - b), { method: 'dehydrated', trays: [{ id: 9 }] }),
      ];
      const readings: NewReading[] = [
        ...pot(gross),
        ...(eaten > 0 ? [{ node: 'taken:0', kind: 'gross', value: eaten } as const] : []),
        ...(kept > 0 ? [{ node: 'kept:0', kind: 'gross', value: kept } as const] : []),
        ...(skimmed > 0 ? [{ node: 'skimmed:0', kind: 'gross', value: skimmed } as const] : []),
        { node: 'tray:9', kind: 'gross', value: Math.max(1, (net - b) * 0.9) },
        ...(dried ? [{ node: 'tray:9', kind: 'gross', value: Math.max(1, (net - b) * 0.4), at: LATER } as const] : []),
      ];
      const folded = foldBatch(
        history({
          more: readings,
          shares,
          packed: packs.map((grams, index) => ({ holdingId: index, code: `V${index}`, shareId: 2, grams })),
          fed: [{ shareId: 1, grams: Math.min(a, fed) }],
        }),
        '4-9-4',
      );
      fc.pre(folded.ok);
      const graph = batchGraph(folded.value, [], '4-9-4');
      const apart = graph.nodes.filter((node) => node.kind === 'by-product').map((node) => node.key);
      expect(graph.edges.filter((edge) => apart.includes(edge.to)).map((edge) => edge.grams)).toEqual(
        [kept, skimmed].filter((each) => each > 0),
      );
      const energy = energyOfGraph(graph);
      expect(energy.in).toBeCloseTo(energy.yields + energy.eaten + energy.skimmed, 6);
      // So are energy and solids, wherever they are known to pass: heat and the dryer take water alone.
      for (const measure of ['grams', 'kcal', 'solids'] as const)
        for (const [key, gap] of imbalance(graph, measure))
          expect([measure, key, Math.abs(gap) < 1e-6]).toEqual([measure, key, true]);
      // Nothing comes back to where it was: the drawing has no loop.
      const depth = (key: string, seen: readonly string[]): number => {
        expect(seen).not.toContain(key);
        return Math.max(
          0,
          ...graph.edges.filter((edge) => edge.from === key).map((edge) => 1 + depth(edge.to, [...seen, key])),
        );
      };
      expect(depth('pot', [])).toBeLessThan(8);
    }),
    { numRuns: 60 },
  );
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

/** The same batch with its first lines in one vessel and the rest in another, each in so many loads. */
const inVessels = (loads: readonly number[]): Evidence => ({
  takes: EVIDENCE.takes.map((take, index) => ({ ...take, component: index < 2 ? 0 : 1 })),
  components: loads.map((count, index) => ({ name: `vessel ${index}`, loads: count })),
});

test('any number of loads, vessels, pans and yields: what goes in comes out, in g and in kcal', () => {
  fc.assert(
    fc.property(
      fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 5 })),
      fc.array(fc.integer({ min: 300, max: 700 }), { minLength: 1, maxLength: 3 }),
      fc.boolean(),
      (loads, pans, apart) => {
        const readings = pans.flatMap((net, index) => pot(net + 1240, 1240, index));
        if (apart) readings.push(...pot(700 + 1240, 1240, 0, 1));
        const folded = foldBatch(history({ evidence: inVessels(loads), more: readings }), '4-9-4');
        fc.pre(folded.ok);
        const graph = batchGraph(folded.value, [], '4-9-4');
        for (const [key, gap] of imbalance(graph)) expect([key, Math.abs(gap) < 1e-6]).toEqual([key, true]);
        const kinds = (kind: string) => graph.nodes.filter((node) => node.kind === kind).length;
        expect(kinds('load')).toBe(loads.filter((count) => count > 1).reduce((a, b) => a + b, 0));
        expect([kinds('vessel'), kinds('pot')]).toEqual([2, apart ? 0 : 1]);
        expect(graph.nodes.filter((node) => node.kind === 'vessel').map((node) => node.label)).toEqual([
          'vessel 0',
          'vessel 1',
        ]);
        expect(kinds('pan')).toBe(pans.length > 1 ? pans.length : 0);
        // Heat takes water and no energy: what the lines bring is in the yields.
        const into = (kind: string) =>
          graph.edges
            .filter((edge) => graph.nodes.find((node) => node.key === edge.to)!.kind === kind)
            .reduce((all, edge) => all + edge.kcal, 0);
        const lines = graph.edges
          .filter((edge) => edge.from.startsWith('line-'))
          .reduce((all, edge) => all + edge.kcal, 0);
        expect(into('yield')).toBeCloseTo(lines, 6);
      },
    ),
    { numRuns: 40 },
  );
});
