import fc from 'fast-check';
import type { LocalDate } from '../calendar/local-date';
import { traceOf, type TraceGraph } from './trace';

const DAY = '2026-11-25' as LocalDate;

/** A history of a kitchen: each pot of some lots, perhaps kept beside another; packs of pots; bowls of packs and pots. */
const histories = fc
  .record({
    pots: fc.array(
      fc.record({
        beside: fc.option(fc.nat(20)),
        lots: fc.uniqueArray(fc.constantFrom('A', 'B', 'C', 'D'), { maxLength: 3 }),
      }),
      { minLength: 1, maxLength: 8 },
    ),
    packs: fc.array(fc.uniqueArray(fc.nat(20), { minLength: 1, maxLength: 3 }), { maxLength: 12 }),
    bowls: fc.array(
      fc.record({ dog: fc.nat(2), packs: fc.uniqueArray(fc.nat(20), { maxLength: 2 }), pot: fc.option(fc.nat(20)) }),
      {
        maxLength: 20,
      },
    ),
  })
  .map(({ pots, packs, bowls }): TraceGraph => {
    const potOf = (at: number) => (at % pots.length) + 1;
    return {
      batches: pots.map(({ beside, lots }, index) => ({
        id: index + 1,
        lots,
        // A pot is kept beside an earlier one alone.
        ...(beside !== null && index > 0 ? { parentId: (beside % index) + 1 } : {}),
      })),
      packs: packs.map((of, index) => ({ holdingId: 100 + index, batchIds: [...new Set(of.map(potOf))] })),
      bowls: bowls.map(({ dog, packs: from, pot }, index) => ({
        id: 1000 + index,
        dogId: dog,
        day: DAY,
        holdingIds: packs.length === 0 ? [] : from.map((at) => 100 + (at % packs.length)),
        batchIds: pot === null ? [] : [potOf(pot)],
      })),
    };
  });

test('forward and back are one relation: what a lot leads to leads back to the lot, and nothing else does', () => {
  fc.assert(
    fc.property(histories, (graph) => {
      for (const lot of ['A', 'B', 'C', 'D']) {
        const forward = traceOf(graph, { lot });
        for (const { holdingId } of graph.packs)
          expect(forward.packs.has(holdingId)).toBe(traceOf(graph, { holdingId }).lots.has(lot));
        for (const { id } of graph.batches)
          expect(forward.batches.has(id)).toBe(traceOf(graph, { batchId: id }).lots.has(lot));
        for (const bowl of graph.bowls) {
          const alone = { ...graph, bowls: [bowl] };
          const back = traceOf(alone, { dogId: bowl.dogId, from: DAY, to: DAY });
          expect(forward.bowls.has(bowl.id)).toBe(back.lots.has(lot));
        }
      }
    }),
    { numRuns: 300 },
  );
});

test('the broth of a pot and the pot are one food; a mixed pack leads to both its pots; another pot stays out of it', () => {
  const graph: TraceGraph = {
    batches: [
      { id: 1, lots: ['venison H2'] },
      { id: 2, parentId: 1, lots: [] },
      { id: 3, lots: ['goat 7'] },
      { id: 4, lots: ['goat 7', 'oil'] },
    ],
    packs: [
      { holdingId: 10, batchIds: [1] },
      { holdingId: 11, batchIds: [2] },
      { holdingId: 12, batchIds: [1, 3] },
      { holdingId: 13, batchIds: [4] },
    ],
    bowls: [
      { id: 20, dogId: 5, day: DAY, holdingIds: [12], batchIds: [] },
      { id: 21, dogId: 6, day: '2026-11-20' as LocalDate, holdingIds: [], batchIds: [4] },
    ],
  };
  expect([...traceOf(graph, { lot: 'venison H2' }).packs]).toEqual([10, 11, 12]);
  expect([...traceOf(graph, { holdingId: 11 }).bowls]).toEqual([20]);
  expect([...traceOf(graph, { dogId: 5, from: DAY, to: DAY }).lots]).toEqual(['venison H2', 'goat 7']);
  // What it ate a week ago is not asked about.
  expect(traceOf(graph, { dogId: 6, from: DAY, to: DAY }).batches.size).toBe(0);
  expect([...traceOf(graph, { lot: 'oil' }).packs]).toEqual([13]);
});
