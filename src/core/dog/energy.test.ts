import fc from 'fast-check';
import { dogOf as anyDog, kilograms } from '../../../tests/fixtures/dogs';
import { addDays, type LocalDate } from '../calendar/local-date';
import { sum } from '../plan/scale';
import { grams } from '../quantity/units';
import { checkAgeAndWeight } from './ages';
import { dayEnergy, energyByDay, weightOn } from './day-energy';
import type { Dog, Ration } from './dog';
import { growthEnergy, growthEnergyShortForm, projectedWeight } from './growth';
import { maintenanceFactor } from './maintenance-factor';
import { restingEnergy } from './resting-energy';
import { isGrowing, vetCaution } from './stage';

const TODAY = '2026-11-25' as LocalDate;

const dogOf = (kg: number, over: Partial<Dog> = {}, ration: Partial<Ration> = {}) =>
  anyDog(kg, TODAY, { birthDate: addDays(TODAY, -7 * 366), ...over, ration });

// NRC 2006 / AAHA: RER = 70 · BW^0.75; values from the handbook's table.
test.each([
  [5, 234.1],
  [10, 393.6],
  [20, 662.0],
  [30, 897.3],
])('resting energy of %d kg is %d kcal', (kg, kcal) => {
  expect(restingEnergy(kilograms(kg))).toBeCloseTo(kcal, 1);
});

// NRC 2006, growth; values from the handbook for an adult of 24 kg.
test.each([
  [4, 900],
  [8, 1283],
  [11, 1435],
  [16, 1531],
])('a pup of %d kg, 24 kg when grown, needs %d kcal', (kg, kcal) => {
  expect(Math.round(growthEnergy(kilograms(kg), kilograms(24)))).toBe(kcal);
});

test('growth at 8 of 19 kg: NRC 1174 kcal, the short form 999 and, from day 122 on, 666', () => {
  expect(growthEnergy(kilograms(8), kilograms(19))).toBeCloseTo(1174.0, 1);
  expect(Math.round(growthEnergyShortForm(kilograms(8), 121))).toBe(999);
  expect(Math.round(growthEnergyShortForm(kilograms(8), 122))).toBe(666);
});

// Handbook 2, Gompertz through 8.0 kg at day 122, A = 19, T = 365.
test.each([
  [129, 8.88],
  [136, 9.73],
])('on day %d the pup weighs %d kg', (age, kg) => {
  expect(projectedWeight({ grams: kilograms(8), ageDays: 122 }, kilograms(19), age) / 1000).toBeCloseTo(kg, 2);
});

test('growth ends at 99 % of the adult weight and never passes it', () => {
  const at = (age: number) => projectedWeight({ grams: kilograms(8), ageDays: 122 }, kilograms(19), age) / 1000;
  expect(at(365)).toBeCloseTo(19 * 0.99, 6);
  expect(at(900)).toBeLessThanOrEqual(19);
  expect(projectedWeight({ grams: kilograms(18.9), ageDays: 300 }, kilograms(19), 340)).toBe(18900);
});

describe('the three dogs of the boatyard (issue 2)', () => {
  test('Juniper, light work: 2.0 × RER = 1630.5 kcal', () => {
    const day = dayEnergy(dogOf(26.4, {}, { work: 'light' }), TODAY);
    expect(day.kcal).toBeCloseTo(1630.5, 1);
    expect(day.because).toBe('light work');
  });

  test('Otto, prone to gain: 1.2 × RER = 369.2 kcal', () => {
    expect(dayEnergy(dogOf(7.2, {}, { proneToGain: true }), TODAY).kcal).toBeCloseTo(369.2, 1);
  });

  test('Wren grows: 1174.0 kcal today, 16 899 kcal over 14 days', () => {
    const wren = dogOf(8, { birthDate: addDays(TODAY, -122), expectedAdultWeight: kilograms(19) });
    expect(isGrowing(wren, TODAY)).toBe(true);
    expect(dayEnergy(wren, TODAY).kcal).toBeCloseTo(1174.0, 1);
    expect(Math.round(sum(energyByDay(wren, TODAY, 14)))).toBe(16_899);
    expect(vetCaution(wren, TODAY)).toMatch(/vet/);
    expect(weightOn(wren, addDays(TODAY, 7))).toBeCloseTo(8880, -1);
  });
});

test('a neutered adult of 20 kg at 1.6 × RER needs 1059.2 kcal (worked example, issue 2)', () => {
  expect(dayEnergy(dogOf(20), TODAY).kcal).toBeCloseTo(1059.2, 1);
});

// Order of precedence: handbook 2 (AAHA 2021 factors, from memory).
test.each([
  [{ neutered: true, proneToGain: true, work: 'heavy' as const }, 1.2],
  [{ neutered: true, proneToGain: false, work: 'light' as const }, 2.0],
  [{ neutered: true, proneToGain: false, work: 'moderate' as const }, 3.0],
  [{ neutered: true, proneToGain: false, work: 'none' as const }, 1.6],
  [{ neutered: false, proneToGain: false, work: 'none' as const }, 1.8],
])('%j takes the factor %d', (dog, factor) => {
  expect(maintenanceFactor(dog).factor).toBe(factor);
});

test('an own factor overrules the table; half of the day from a bag leaves half to the pot', () => {
  const bag = {
    name: 'bag',
    kind: 'bought' as const,
    size: { by: 'part' as const, part: 0.5 },
    weekdays: [],
    said: '',
  };
  const own = dogOf(20, {}, { method: { kind: 'factor', factor: 1.4 }, extras: [bag] });
  expect(dayEnergy(own, TODAY).kcal).toBeCloseTo(1.4 * 662.0, 0);
  expect(dayEnergy(own, TODAY).homeKcal).toBeCloseTo(0.7 * 662.0, 0);
});

test('more dog never needs less at rest', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 70, max: 155_000, noNaN: true }),
      fc.double({ min: 1, max: 5000, noNaN: true }),
      (weight, more) => {
        expect(restingEnergy(grams(weight + more))).toBeGreaterThan(restingEnergy(grams(weight)));
      },
    ),
  );
});

test.each([
  ['in the future', { birthDate: addDays(TODAY, 1), weight: kilograms(8) }, 'birthDate'],
  ['over 31 years ago', { birthDate: '1990-01-01' as LocalDate, weight: kilograms(8) }, 'birthDate'],
  ['a pup without an adult weight', { birthDate: addDays(TODAY, -100), weight: kilograms(8) }, 'expectedAdultWeight'],
  [
    'a pup above its adult weight',
    { birthDate: addDays(TODAY, -100), weight: kilograms(8), expectedAdultWeight: kilograms(7) },
    'expectedAdultWeight',
  ],
])('a birth %s is refused at its field', (_, dog, field) => {
  expect(checkAgeAndWeight(dog, TODAY)).toMatchObject({ ok: false, problem: { field } });
});
