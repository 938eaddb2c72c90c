import { byTime, heatVerdict, LIKELY_CORE, readFoodTemperature } from './heat-check';

const at = (clock: string) => new Date(`2026-11-26T${clock}:00Z`);
const venison = { celsius: 71, because: 'venison', as: 'game' };

test('a core is proven by the last reading after the last raw food went in', () => {
  expect(heatVerdict(venison, [], undefined)).toEqual({ is: 'not measured' });
  expect(heatVerdict(venison, [{ celsius: 71, at: at('11:00') }], undefined).is).toBe('proven');
  expect(heatVerdict(venison, [{ celsius: 68, at: at('11:00') }], undefined).is).toBe('too cold');
  expect(heatVerdict(undefined, [], undefined)).toEqual({ is: 'not asked' });
});

test('meat that goes in after the core was measured: that reading is kept and does not count', () => {
  const early = { celsius: 80, at: at('11:00') };
  expect(heatVerdict(venison, [early], at('11:05'))).toEqual({ is: 'before the last addition', by: early });
  const later = { celsius: 74, at: at('11:20') };
  expect(heatVerdict(venison, [early, later], at('11:05'))).toEqual({ is: 'proven', by: later });
});

test('a slip of the unit is asked about, and never stored', () => {
  const read = (text: string, set: 'metric' | 'us' = 'metric') => readFoodTemperature(text, set, LIKELY_CORE);
  expect(read('76')).toEqual({ ok: true, value: 76 });
  expect(read('76,4 C')).toEqual({ ok: true, value: 76.4 });
  expect(read('165', 'us')).toMatchObject({ ok: true, value: expect.closeTo(73.89, 2) as number });
  // 75 °F is 24 °C: nobody measures that as a core.
  expect(read('75 °F')).toMatchObject({ ok: false, problem: { message: '75 °F is 24 °C: was 75 °C meant?' } });
  expect(read('75', 'us').ok).toBe(false);
  expect(read('165')).toMatchObject({ ok: false, problem: { message: '165 °C is 329 °F: was 165 °F meant?' } });
  expect(readFoodTemperature('75 °F', 'metric', LIKELY_CORE, true)).toMatchObject({ ok: true });
  expect(read('done').ok).toBe(false);
  expect(read('400').ok).toBe(false);
});

test('by time at temperature, for who logs the core: beef 12 min at 60 °C (FSIS Appendix A, from memory), poultry four times', () => {
  const beef = { celsius: 71, because: 'beef, minced', as: 'ground meat' };
  const held = (minutes: number) => [
    { celsius: 60, at: at('11:00') },
    { celsius: 60, at: new Date(at('11:00').getTime() + minutes * 60_000) },
  ];
  expect(byTime(beef, held(12), undefined)).toMatchObject({ minutes: expect.closeTo(12, 6) as number, asked: 12 });
  expect(byTime({ ...beef, as: 'poultry' }, held(12), undefined)?.asked).toBe(48);
  // One reading is no curve; nothing before the last addition counts; other foods are not in the table.
  expect(byTime(beef, held(12).slice(0, 1), undefined)).toBeUndefined();
  expect(byTime(beef, held(12), at('11:05'))).toBeUndefined();
  expect(byTime({ ...beef, as: 'fish' }, held(12), undefined)).toBeUndefined();
  // It proves only where the cook goes by it, and only when it comes to what is asked.
  expect(heatVerdict(beef, held(12), undefined).is).toBe('too cold');
  expect(heatVerdict(beef, held(12), undefined, byTime(beef, held(12), undefined)).is).toBe('proven');
  expect(heatVerdict(beef, held(11), undefined, byTime(beef, held(11), undefined)).is).toBe('too cold');
});
