import fc from 'fast-check';
import { EVIDENCE, LATER, pot, share, history, weighed } from '../../../tests/fixtures/worked-batch';
import type { Evidence } from './evidence';
import { foldBatch } from './fold';
import { batchGraph, energyOfGraph, imbalance, type MassGraph } from './graph';
import type { NewReading } from './reading';
import { densityIn, summaryOf } from './summary';

/** The same batch with its first lines in one vessel and the rest in another, each in so many loads. */
const inVessels = (loads: readonly number[]): Evidence => ({
  takes: EVIDENCE.takes.map((take, index) => ({ ...take, component: index < 2 ? 0 : 1 })),
  components: loads.map((count, index) => ({ name: `vessel ${index}`, loads: count })),
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
  // The list, and what is eaten warm, read the summary.
  expect(densityIn(summaryOf(stands), '4-9-4')).toBeCloseTo(stands.yields[0]!.density, 9);
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
