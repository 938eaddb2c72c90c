import type { LocalDate } from '../calendar/local-date';
import { energyDensity, grams } from '../quantity/units';
import { dryTrays } from './dry';
import { fatOfDry, isFatty } from './fat';
import { rulesOf } from '../../../tests/fixtures/dating';
import { keepingDates } from './food-life';
import { atKnownTray } from './tray-slips';
import { fridgeDaysOf } from './shelf-life';

const lives = rulesOf();
const day = '2026-11-25' as LocalDate;

// Handbook 10 (conservation of mass): 2000 g at 74 % water dry to 536 g at 3 % residual moisture; 1464 g to put back.
test('2000 g at 74 % water: 536 g dry, 1464 mL to put back', () => {
  const dry = Math.round((2000 * 0.26) / 0.97);
  expect(dry).toBe(536);
  const dried = dryTrays(
    [{ tare: grams(600), wetGross: grams(2600), dryGross: grams(600 + dry) }],
    0.26,
    energyDensity(1.2),
  );
  if (!dried.ok) throw new Error(dried.problem.message);
  expect(dried.value.water).toBe(1464);
  expect(dried.value.density * dried.value.dry).toBeCloseTo(1.2 * 2000, 6);
  expect(dried.value.slips).toEqual([]);
});

test.each([
  ['dry above wet', { tare: 600, wetGross: 2600, dryGross: 2700 }, 'trays.0.dryGross'],
  ['wet tray under its tare', { tare: 600, wetGross: 500, dryGross: 620 }, 'trays.0.wetGross'],
  ['a negative tare', { tare: -1, wetGross: 500, dryGross: 120 }, 'trays.0.tare'],
])('%s is refused at its reading', (_, tray, field) => {
  const readings = [{ tare: grams(tray.tare), wetGross: grams(tray.wetGross), dryGross: grams(tray.dryGross) }];
  expect(dryTrays(readings, 0.26, energyDensity(1.2))).toMatchObject({ ok: false, problem: { field } });
});

// Common practice, no source: a tray's part may be leaner or wetter than the pot; only what cannot be is stopped.
test('an honest tray of 80 % of the solids that it should have is asked about, and kept', () => {
  const dried = dryTrays(
    [{ tare: grams(600), wetGross: grams(2600), dryGross: grams(1016) }],
    0.26,
    energyDensity(1.2),
  );
  expect(dried.ok && dried.value.dry).toBe(416);
  expect(dried.ok && dried.value.slips).toEqual([{ kind: 'too light', tray: 0, solids: 520 }]);
  const little = dryTrays(
    [{ tare: grams(600), wetGross: grams(2600), dryGross: grams(1090) }],
    0.26,
    energyDensity(1.2),
  );
  expect(little.ok && little.value.slips.map(({ kind }) => kind)).toEqual(['light']);
});

test('the household’s own tray takes the place of a guess that is near it', () => {
  const slip = { kind: 'tare in both', tray: 0, grams: 655 } as const;
  expect(atKnownTray(slip, 720)).toEqual({ ...slip, grams: 720 });
  expect(atKnownTray(slip, 900)).toEqual(slip);
  expect(atKnownTray(slip, undefined)).toEqual(slip);
});

test('a wet core is said, not refused', () => {
  const dried = dryTrays([{ tare: grams(0), wetGross: grams(2000), dryGross: grams(700) }], 0.26, energyDensity(1.2));
  // Without a tare it may as well be the tray's own weight: about 247 g of it, or 26 % of water.
  expect(dried.ok && dried.value.slips.map(({ kind }) => kind)).toEqual(['tare in both']);
});

// Sources beside each: handbook 10, shelf lives (USDA, NCHFP; the dried ones common practice, no source).
test.each([
  ['cooked', 'fridge', '2026-11-29', '2026-11-29'], // USDA 3-4 days
  ['raw', 'fridge', '2026-11-27', '2026-11-27'], // USDA 1-2 days
  ['cooked', 'freezer', undefined, '2027-02-25'], // USDA 2-6 months
  ['dehydrated', 'cupboard', '2026-12-09', '2026-12-09'], // NCHFP jerky, two weeks
  ['dehydrated', 'freezer', undefined, '2027-05-25'], // common practice
  ['freeze-dried', 'cupboard', undefined, '2027-11-25'], // common practice
] as const)('%s food in the %s: safe until %s, best by %s', (kind, place, safeUntil, bestBy) => {
  expect(keepingDates(lives, { kind, place, packedOn: day, since: day, fridgeDaysUsed: 0 })).toMatchObject({
    safeUntil,
    bestBy,
  });
});

test('fatty freeze-dried food keeps half as long; opened, two weeks', () => {
  const keeping = { kind: 'freeze-dried', place: 'cupboard', packedOn: day, since: day, fridgeDaysUsed: 0 } as const;
  expect(keepingDates(lives, { ...keeping, fatty: true }).bestBy).toBe('2027-05-25');
  expect(keepingDates(lives, { ...keeping, openedOn: '2026-12-01' as LocalDate }).safeUntil).toBe('2026-12-15');
});

test('fridge days used before freezing are not given again', () => {
  expect(
    keepingDates(lives, { kind: 'cooked', place: 'fridge', packedOn: day, since: day, fridgeDaysUsed: 3 }).safeUntil,
  ).toBe('2026-11-26');
});

test('cooked food does not belong in a cupboard', () => {
  expect(() =>
    keepingDates(lives, { kind: 'cooked', place: 'cupboard', packedOn: day, since: day, fridgeDaysUsed: 0 }),
  ).toThrow(/cupboard/);
});

test('another shelf gives dehydrated food no new fortnight (NCHFP), and dried food no new months', () => {
  const moved = { packedOn: day, since: '2026-12-05' as LocalDate, fridgeDaysUsed: 10 };
  expect(keepingDates(lives, { kind: 'dehydrated', place: 'fridge', ...moved }).safeUntil).toBe('2026-12-09');
  expect(keepingDates(lives, { kind: 'freeze-dried', place: 'fridge', ...moved }).bestBy).toBe('2027-11-25');
});

test('fat above a fifth of the dry matter is too much to keep long; fat that nobody knows is not none', () => {
  const sheet = (fat: number | undefined) => ({
    solids: grams(100),
    fat: fat === undefined ? undefined : { amount: fat, coverage: 1 },
  });
  expect([isFatty(sheet(19)), isFatty(sheet(21)), fatOfDry(sheet(21)), fatOfDry(sheet(undefined))]).toEqual([
    false,
    true,
    0.21,
    undefined,
  ]);
});

// USDA, from memory (handbook 10): the household's days are for what is cooked, never for what is raw.
test.each([
  ['cooked', 5],
  ['broth', 4],
  ['raw', 2],
] as const)('%s food keeps so many days in the fridge of a household that says five', (kind, days) => {
  expect(fridgeDaysOf(rulesOf(5), kind)).toBe(days);
});
