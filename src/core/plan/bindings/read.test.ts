import { readBinding, usualBinding, type TypedBinding } from './bindings';

const TYPED: TypedBinding = { ...usualBinding('metric'), count: '11', line: 2, atHand: '4.6 lb' };
const read = (change: Partial<TypedBinding>) => readBinding({ ...TYPED, ...change }, 'us');

// A pound is 453.59237 g, a US cup 236.5882365 mL (NIST Handbook 44).
test.each([
  [{ amount: 'much' }, { by: 'days', days: 7 }],
  [
    { by: 'amount', days: '' },
    { by: 'amount', grams: 5000 },
  ],
  [
    { by: 'amount', amount: '4 L' },
    { by: 'amount', millilitres: 4000 },
  ],
  [{ by: 'containers' }, { by: 'containers', count: 11, grams: 450 }],
  [
    { by: 'containers', size: '2 cups' },
    { by: 'containers', count: 11, millilitres: 2 * 236.5882365 },
  ],
  [
    { by: 'pieces', size: '1 oz' },
    { by: 'pieces', count: 11, grams: 28.349523125 },
  ],
  [
    { by: 'trays', count: '4', size: '1.4 kg' },
    { by: 'trays', count: 4, grams: 1400 },
  ],
  [{ by: 'at hand' }, { by: 'at hand', batch: 0, line: 2, grams: 4.6 * 453.59237 }],
  [
    { by: 'freezer', space: '20 L' },
    { by: 'freezer', millilitres: 20_000 },
  ],
  [
    { by: 'potfuls', count: '2' },
    { by: 'potfuls', count: 2 },
  ],
] as const)('%j: only the holes of the way that binds are read', (change, binding) => {
  expect(read(change)).toEqual({ ok: true, value: binding });
});

test.each([
  [{ days: '' }, 'days'],
  [{ days: '0' }, 'days'],
  [{ days: '2.5' }, 'days'],
  [{ by: 'amount', amount: '' }, 'amount'],
  [{ by: 'amount', amount: '-3 kg' }, 'amount'],
  [{ by: 'amount', amount: '0' }, 'amount'],
  [{ by: 'amount', amount: '9000000 L' }, 'amount'],
  [{ by: 'containers', count: 'some' }, 'count'],
  [{ by: 'containers', size: 'large' }, 'size'],
  [{ by: 'pieces', size: '2 cups' }, 'size'],
  [{ by: 'trays', size: '' }, 'size'],
  [{ by: 'at hand', atHand: '1e9 g' }, 'atHand'],
  [{ by: 'freezer', space: '20 kg' }, 'space'],
  [{ by: 'potfuls', count: '0' }, 'count'],
] as const)('%j is refused at its hole', (change, field) => {
  expect(read(change)).toMatchObject({ ok: false, problem: { field } });
});
