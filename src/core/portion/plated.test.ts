import fc from 'fast-check';
import { energyParts, plateOf, readPlating, typedPlating, type Plating } from './plated';

const MEAT = { place: 0, name: 'meat', density: 1.8, net: 1500 };
const RICE = { place: 1, name: 'rice', density: 1.3, net: 1000 };
const YIELDS = [MEAT, RICE];
const BIG = { name: 'Otto', kcal: 900 };
const SMALL = { name: 'Wren', kcal: 240 };

test('the energy of a day is met exactly, whatever the yields and however they are plated', () => {
  const yields = fc
    .array(
      fc.record({ density: fc.double({ min: 0.3, max: 6, noNaN: true }), net: fc.integer({ min: 50, max: 9000 }) }),
      {
        minLength: 2,
        maxLength: 5,
      },
    )
    .map((all) => all.map((each, place) => ({ ...each, place })));
  fc.assert(
    fc.property(
      yields,
      fc.integer({ min: 40, max: 4000 }),
      fc.nat(4),
      fc.integer({ min: 1, max: 2000 }),
      (of, kcal, at, grams) => {
        const parts = of.map(({ place }) => ({ place, part: (place + at) % 3 }));
        const ways: (Plating | undefined)[] = [
          undefined,
          ...(parts.some(({ part }) => part > 0) ? [{ by: 'parts', parts } as const] : []),
          { by: 'same', place: at % of.length, grams },
        ];
        for (const way of ways) {
          const plate = plateOf(of, way)(kcal);
          const sum = plate.reduce((all, part) => all + part.grams * of[part.place]!.density, 0);
          expect(sum).toBeCloseTo(kcal, 6);
          expect(plate.every(({ grams: each }) => each >= 0)).toBe(true);
          const shares = [...energyParts(plateOf(of, way), of, kcal).values()];
          expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        }
      },
    ),
  );
});

test('nothing said: as much of each as there is, so that both come to their end together', () => {
  // 1500 × 1.8 + 1000 × 1.3 = 4000 kcal: a day of 400 is a tenth of either. Arithmetic by hand.
  expect(plateOf(YIELDS)(400)).toEqual([
    { place: 0, grams: expect.closeTo(150, 9) },
    { place: 1, grams: expect.closeTo(100, 9) },
  ]);
});

test('same grain, more meat: every dog gets the same of one, the rest of its day from the other', () => {
  const plate = plateOf(YIELDS, { by: 'same', place: 1, grams: 80 });
  const of = (kcal: number) => plate(kcal).map(({ grams }) => Math.round(grams * 10) / 10);
  // 80 g of rice are 104 kcal; (900 − 104) ÷ 1.8 and (240 − 104) ÷ 1.8 of meat. Arithmetic by hand.
  expect(of(900)).toEqual([442.2, 80]);
  expect(of(240)).toEqual([75.6, 80]);
  // A dog whose day is less than that gets no more than its day.
  expect(of(52)).toEqual([0, 40]);
});

test('read as it is typed, and typed as it was read; what cannot be is said at its field', () => {
  const empty = typedPlating(undefined, YIELDS, 'metric');
  const read = (entry: Partial<typeof empty>) => readPlating({ ...empty, ...entry }, YIELDS, [BIG, SMALL], 'metric');
  expect(read({})).toEqual({ ok: true, value: undefined });
  const parts = read({ by: 'parts', parts: ['2', '1'] });
  expect(parts).toMatchObject({ ok: true, value: { by: 'parts', parts: [{ part: 2 }, { part: 1 }] } });
  const same = read({ by: 'same', place: 1, size: '80' });
  expect(same).toEqual({ ok: true, value: { by: 'same', place: 1, grams: 80 } });
  for (const each of [parts, same])
    expect(
      readPlating(typedPlating(each.ok ? each.value : undefined, YIELDS, 'metric'), YIELDS, [BIG], 'metric'),
    ).toEqual(each);
  const problem = (entry: Partial<typeof empty>) => {
    const outcome = read(entry);
    return outcome.ok ? undefined : [outcome.problem.field, outcome.problem.message];
  };
  expect(problem({ by: 'parts', parts: ['', '0'] })).toEqual(['parts.0', expect.stringMatching(/above 0/)]);
  expect(problem({ by: 'parts', parts: ['much', '1'] })).toEqual(['parts.0', expect.stringMatching(/meat/)]);
  expect(problem({ by: 'same', place: 7, size: '80' })![0]).toBe('place');
  expect(problem({ by: 'same', place: 1, size: '' })![0]).toBe('size');
  // 200 g of rice are 260 kcal: more than Wren's day.
  expect(problem({ by: 'same', place: 1, size: '200' })).toEqual([
    'size',
    expect.stringMatching(/more than Wren’s whole day/),
  ]);
});
