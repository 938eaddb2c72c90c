import { keeps } from '../../../tests/fixtures/dating';
import type { LocalDate } from '../calendar/local-date';
import { AS_RECKONED } from '../learned/beside';
import { compareFates, dryWeight, energyToFreeze, type ToCompare } from './fates';

const SHARE: ToCompare = {
  grams: 4000,
  water: 0.72,
  density: 1.35,
  kcalADay: 1800,
  packs: [1000, 1000, 1000, 1000],
  fridgeDays: keeps(4),
  free: { fridge: 6000, freezer: 3000, cupboard: undefined },
  freezerLitres: 60,
  dryers: { 'freeze-dried': { room: { trays: 4, perTray: 1400 }, past: [], freeIn: 0 } },
  keeps: {
    fridge: { until: '2026-11-29' as LocalDate, why: 'USDA' },
    freezer: { until: '2027-02-25' as LocalDate, why: 'USDA' },
    dehydrated: { until: '2026-12-09' as LocalDate, why: 'NCHFP' },
    'freeze-dried': { until: '2027-11-25' as LocalDate, why: 'common practice' },
  },
  kwhMinor: 30,
  freezing: AS_RECKONED,
};
const of = (over: Partial<ToCompare> = {}) =>
  Object.fromEntries(compareFates({ ...SHARE, ...over }).map((each) => [each.fate, each]));

test('what a share weighs once it is dry: handbook 10’s pot of 2000 g at 74 % water leaves 536 g', () => {
  expect(dryWeight(2000, 0.74, 'freeze-dried')).toBeCloseTo(536.1, 1);
  // At most a tenth is water (handbook 10): 520 g of solids are 577.8 g.
  expect(dryWeight(2000, 0.74, 'dehydrated')).toBeCloseTo(577.8, 1);
});

test('to freeze a kilogram of food takes little: 295 kJ of heat, by hand, two thirds of it in electricity', () => {
  // 3.6 × 6.5 + 333.6 × 0.72 + 1.9 × 16.5 = 23.4 + 240.2 + 31.4 = 294.9 kJ/kg (handbook 12, from memory).
  expect(energyToFreeze(1000, 0.72)).toBeCloseTo(294.94 / 3600 / 1.5, 5);
});

test('four fates side by side, and nothing guessed that nobody has said', () => {
  const { fridge, freezer, dehydrated, 'freeze-dried': dry } = of();
  expect(fridge!.room).toEqual({ fits: true, said: '6.0 L are free' });
  expect(freezer!.room).toEqual({ fits: false, said: 'only 3.0 L are free' });
  // 60 L freeze 2464 g a day (NCHFP): four packs of 1 kg need two days.
  expect(freezer!.work).toMatch(/over 2 days/);
  expect(dehydrated).toMatchObject({ hours: undefined, energy: undefined, cost: undefined });
  expect(dehydrated!.room).toEqual({ fits: false, said: 'no dehydrator here' });
  // Common practice: 20 to 50 h at 1 kW; 4 kg × 1.35 kcal/g feed three days.
  expect(dry!.hours).toMatchObject({ hours: 35, low: 20, high: 50 });
  expect(dry!.energy).toBeCloseTo(35);
  expect(dry!.cost).toBeCloseTo(1050);
  expect(dry!.costADay).toBeCloseTo(350);
  expect(dry!.room).toEqual({ fits: true, said: 'one cycle, free now' });
  expect(dry!.grams).toBeCloseTo(1154.6, 1);
  const silent = of({ kwhMinor: undefined, freezerLitres: undefined, free: { ...SHARE.free, freezer: undefined } });
  expect(silent['freeze-dried']!.cost).toBeUndefined();
  expect(silent.freezer!.room).toBeUndefined();
});

test('a machine that runs, or is too small for one cycle, says so', () => {
  const { 'freeze-dried': dry } = of({
    grams: 9000,
    dryers: { 'freeze-dried': { room: { trays: 4, perTray: 1400 }, past: [], freeIn: 12.2 } },
  });
  expect(dry!.room!.said).toBe('2 cycles, free in 13 h');
  expect(dry!.hours!.hours).toBeCloseTo(12.2 + 35 + 3 + 35);
});

test('a freezer that was measured to be slower is foretold to be so, and says on what it stands', () => {
  const [own, reckoned] = [of({ freezing: { factor: 1.5, of: 4 } }).freezer!.hours!, of().freezer!.hours!];
  expect(own.hours - 24).toBeCloseTo((reckoned.hours - 24) * 1.5, 6);
  expect([own.of, reckoned.of]).toEqual([4, 0]);
  expect(own.why!.source).toMatch(/measured in this kitchen/);
  expect(reckoned.why!.source).toMatch(/lower bound/);
  expect(reckoned.why!.steps[0]).toEqual({ what: 'the last pack goes in', sum: 'on day 2: in 24 h' });
});

test('a machine says whether its time is its own or common practice', () => {
  const { 'freeze-dried': dry } = of();
  expect([dry!.hours!.of, dry!.hours!.why!.source]).toEqual([0, expect.stringMatching(/^Common practice, no source/)]);
  const past = [{ water: 2880, hours: 30 }];
  const { 'freeze-dried': learned } = of({
    dryers: { 'freeze-dried': { room: { trays: 4, perTray: 1400 }, past, freeIn: 0 } },
  });
  // The same load as its only cycle: the same hours.
  expect(learned!.hours).toMatchObject({ hours: 30, of: 1 });
  expect(learned!.hours!.why!.source).toBe('This machine’s own cycles.');
});
