import fc from 'fast-check';
import { seeded } from '../../../tests/fixtures/seeded';
import { settledOn, SILENT_AFTER, type Sample } from './settled';

const every = (values: readonly number[], step = 250): Sample[] =>
  values.map((value, index) => ({ value, at: index * step }));

test('a scale settles when it stands still, not while something is put on', () => {
  const rising = every([0, 120, 400, 700, 900, 980, 1000]);
  expect(settledOn(rising, 'scale', 1500)).toBeUndefined();
  const still = every([0, 500, 1000, 1000.5, 1000, 999.5, 1000, 1000.5, 1000]);
  expect(settledOn(still, 'scale', 2000)).toBeCloseTo(1000, 0);
});

// A slow hand, or a slow scale: two thirds of the way in three seconds. What is counted by itself is what lies there, to two g.
test('what creeps towards its figure is not there yet: 1060 g that come down to 1056 are not counted before it is two g from there', () => {
  const random = seeded(1056);
  for (let run = 0; run < 200; run++) {
    const from = 1056 + (random() < 0.5 ? -1 : 1) * (3 + random() * 60);
    const creeping = every(
      Array.from({ length: 100 }, (_, index) => 1056 + (from - 1056) * Math.exp(-index / 12) + (random() - 0.5) * 0.6),
    );
    const first = creeping.findIndex(
      (sample, index) => settledOn(creeping.slice(0, index + 1), 'scale', sample.at) !== undefined,
    );
    expect(first).toBeGreaterThan(0);
    const settled = settledOn(creeping.slice(0, first + 1), 'scale', creeping[first]!.at)!;
    expect([run, Math.abs(settled - 1056) < 2.5]).toEqual([run, true]);
  }
});

test('a silent instrument has nothing to say, and garbage is not heard', () => {
  const still = every(Array.from({ length: 12 }, () => 74));
  expect(settledOn(still, 'probe', 2750)).toBe(74);
  expect(settledOn(still, 'probe', 2750 + SILENT_AFTER + 1)).toBeUndefined();
  const noisy = still.flatMap((sample) => [
    sample,
    { value: NaN, at: sample.at + 1 },
    { value: 9e9, at: sample.at + 2 },
  ]);
  expect(settledOn(noisy, 'probe', 2750)).toBe(74);
  expect(settledOn([], 'scale', 0)).toBeUndefined();
});

test('what it settles on lies within what was shown (property)', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 5000, noNaN: true }), { maxLength: 40 }),
      fc.constantFrom('scale' as const, 'probe' as const),
      (values, kind) => {
        const samples = every(values);
        const settled = settledOn(samples, kind, samples.at(-1)?.at ?? 0);
        if (settled === undefined) return true;
        return settled >= Math.min(...values) - 1e-9 && settled <= Math.max(...values) + 1e-9;
      },
    ),
  );
});
