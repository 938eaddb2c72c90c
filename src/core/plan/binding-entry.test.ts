import { readBinding, type TypedBinding } from './binding-entry';

const TYPED: TypedBinding = {
  by: 'days',
  days: '7',
  weight: '5 kg',
  count: '11',
  size: '450 g',
  line: 2,
  atHand: '4.6 lb',
};

test('only the holes of the way that binds are read', () => {
  expect(readBinding({ ...TYPED, weight: 'much' })).toEqual({ ok: true, value: { by: 'days', days: 7 } });
  expect(readBinding({ ...TYPED, by: 'weight', days: '' })).toEqual({ ok: true, value: { by: 'weight', grams: 5000 } });
  expect(readBinding({ ...TYPED, by: 'containers' })).toEqual({
    ok: true,
    value: { by: 'containers', count: 11, grams: 450 },
  });
  // A pound is 453.59237 g (NIST Handbook 44).
  expect(readBinding({ ...TYPED, by: 'at hand' })).toEqual({
    ok: true,
    value: { by: 'at hand', line: 2, grams: 4.6 * 453.59237 },
  });
});

test.each([
  [{ days: '' }, 'days'],
  [{ days: '0' }, 'days'],
  [{ days: '2.5' }, 'days'],
  [{ by: 'weight', weight: '' }, 'weight'],
  [{ by: 'weight', weight: '-3 kg' }, 'weight'],
  [{ by: 'weight', weight: '0' }, 'weight'],
  [{ by: 'containers', count: 'some' }, 'count'],
  [{ by: 'containers', size: '2 cups' }, 'size'],
  [{ by: 'at hand', atHand: '1e9 g' }, 'atHand'],
] as const)('%j is refused at its hole', (change, field) => {
  expect(readBinding({ ...TYPED, ...change })).toMatchObject({ ok: false, problem: { field } });
});
