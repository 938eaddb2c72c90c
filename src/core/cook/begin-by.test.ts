import fc from 'fast-check';
import { beginBy } from './begin-by';

test.each([
  ['18:00', 200, { clock: '14:40', daysBefore: 0 }],
  ['7.30', 90, { clock: '06:00', daysBefore: 0 }],
  ['01:00', 120, { clock: '23:00', daysBefore: 1 }],
  ['12:00', 12 * 60, { clock: '00:00', daysBefore: 0 }],
  ['12:00', 36 * 60 + 1, { clock: '23:59', daysBefore: 2 }],
])('done at %s after %d min', (done, minutes, begin) => {
  expect(beginBy(done, minutes)).toEqual({ ok: true, value: begin });
});

test('what is no clock is said', () => {
  for (const wrong of ['', 'noon', '25:00', '12:61', '1200']) expect(beginBy(wrong, 10).ok).toBe(false);
});

test('forwards again it is done at the time that was asked (property)', () => {
  fc.assert(
    fc.property(fc.nat(23), fc.nat(59), fc.nat(5000), (hours, minute, minutes) => {
      const made = beginBy(`${hours}:${String(minute).padStart(2, '0')}`, minutes);
      if (!made.ok) return false;
      const [hour = 0, rest = 0] = made.value.clock.split(':').map(Number);
      return hour * 60 + rest + minutes - made.value.daysBefore * 1440 === hours * 60 + minute;
    }),
  );
});
