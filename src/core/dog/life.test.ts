import fc from 'fast-check';
import { dogOf, kilograms } from '../../../tests/fixtures/dogs';
import { addDays, type LocalDate } from '../calendar/local-date';
import { sum } from '../plan/scale';
import { kilocalories } from '../quantity/units';
import { avoidedIn, stops, type Avoid, type Avoided } from './avoid';
import { additionOf } from './bowl-line';
import { dayEnergy, energyByDay } from './day-energy';
import type { Ration } from './dog';
import { goalReached, targetWeight } from './goal';
import { grownAtDays, growthEnergy, projectedWeight } from './growth';
import { gestationEnergy, gestationEnergyShortForm, lactationEnergy } from './reproduction';
import { metabolicSize, restingEnergy } from './resting-energy';
import { cautionOf, lifeStage, vetCaution } from './stage';
import { newFoodPart } from './transition';

const TODAY = '2026-11-25' as LocalDate;
const bitch = (over: object) =>
  dogOf(22, TODAY, { neutered: false, birthDate: addDays(TODAY, -4 * 366), litters: [over] });

// NRC 2006, lactation: the handbook's worked example.
test('a bitch of 22 kg with six pups in week 3 needs 4377 kcal', () => {
  const nursing = bitch({ whelpedOn: addDays(TODAY, -16), pups: 6 });
  expect(lifeStage(nursing, TODAY)).toMatchObject({ kind: 'lactation', week: 3, pups: 6 });
  expect(Math.round(dayEnergy(nursing, TODAY).kcal)).toBe(4377);
  expect(vetCaution(nursing, TODAY)).toMatch(/vet/);
});

// NRC 2006, by hand: 145 · BW^0.75 + BW · (24 n + 12 m) · L, no more than eight pups counted.
test.each([
  [1, 2, 145 * 22 ** 0.75 + 22 * 48 * 0.75],
  [2, 4, 145 * 22 ** 0.75 + 22 * 96 * 0.95],
  [4, 8, 145 * 22 ** 0.75 + 22 * 144 * 1.2],
  [4, 11, 145 * 22 ** 0.75 + 22 * 144 * 1.2],
])('lactation, week %d, %d pups', (week, pups, kcal) => {
  expect(lactationEnergy(kilograms(22), week, pups, kilocalories(1000))).toBeCloseTo(kcal, 6);
});

test('from week 5 the ration only falls, and ends at maintenance', () => {
  const at = (week: number) => lactationEnergy(kilograms(22), week, 6, kilocalories(1280));
  for (let week = 5; week <= 9; week++) expect(at(week)).toBeLessThan(at(week - 1));
  expect(at(9)).toBeCloseTo(1280, 6);
  expect(vetCaution(bitch({ whelpedOn: addDays(TODAY, -30), pups: 6 }), TODAY)).toMatch(/weaning/);
});

// NRC 2006, from memory; the other school AAHA, from memory (handbook 2).
test('pregnancy: maintenance for four weeks, then 130 · BW^0.75 + 26 · BW; the other school turns at day 42', () => {
  const maintenance = kilocalories(1280);
  expect(gestationEnergy(kilograms(22), 27, maintenance)).toBe(1280);
  expect(gestationEnergy(kilograms(22), 28, maintenance)).toBeCloseTo(130 * 22 ** 0.75 + 26 * 22, 6);
  const rer = restingEnergy(kilograms(22));
  expect(gestationEnergyShortForm(kilograms(22), 42) / rer).toBeCloseTo(1.8, 9);
  expect(gestationEnergyShortForm(kilograms(22), 43) / rer).toBeCloseTo(3, 9);
  const late = bitch({ matedOn: addDays(TODAY, -66) });
  expect(lifeStage(late, TODAY)).toMatchObject({ kind: 'gestation', day: 66 });
  expect(vetCaution(late, TODAY)).toMatch(/call the vet/);
  expect(lifeStage(bitch({ matedOn: addDays(TODAY, -71) }), TODAY).kind).toBe('adult');
});

test('a litter ends with weaning, with no pups, or after eight weeks', () => {
  const whelpedOn = addDays(TODAY, -20);
  expect(lifeStage(bitch({ whelpedOn, pups: 0 }), TODAY).kind).toBe('adult');
  expect(lifeStage(bitch({ whelpedOn, pups: 3, weanedOn: TODAY }), TODAY).kind).toBe('adult');
  expect(lifeStage(bitch({ whelpedOn: addDays(TODAY, -56), pups: 3 }), TODAY).kind).toBe('adult');
});

test('ill dogs carry the vet caution at any age', () => {
  expect(vetCaution(dogOf(20, TODAY), TODAY)).toBeUndefined();
  expect(vetCaution(dogOf(20, TODAY, { illness: 'a weak kidney' }), TODAY)).toMatch(/weak kidney.*vet/);
});

// The projection against the integral of Gompertz's own equation, dW/dt = k · W · ln(A / W), stepped with Runge-Kutta.
test('the growth projection is the integral of its formula', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 4, max: 60, noNaN: true }),
      fc.double({ min: 0.15, max: 0.7, noNaN: true }),
      (adult, part) => {
        const age = 100;
        const grownAt = grownAtDays(kilograms(adult));
        const rate = Math.log(Math.log(part) / Math.log(0.99)) / (grownAt - age);
        const slope = (weight: number) => rate * weight * Math.log(adult / weight);
        let kg = adult * part;
        const step = 0.1;
        for (let t = 0; t < 84 - 1e-9; t += step) {
          const k1 = slope(kg);
          const k2 = slope(kg + (step / 2) * k1);
          const k3 = slope(kg + (step / 2) * k2);
          const k4 = slope(kg + step * k3);
          kg += (step / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
        }
        const projected = projectedWeight({ grams: kilograms(adult * part), ageDays: age }, kilograms(adult), age + 84);
        expect(projected / 1000).toBeCloseTo(kg, 5);
      },
    ),
  );
});

test('a pup’s fortnight is the sum of its days, each by NRC at that day’s weight', () => {
  const pup = dogOf(8, TODAY, { birthDate: addDays(TODAY, -122), expectedAdultWeight: kilograms(19) });
  const days = energyByDay(pup, TODAY, 14);
  const byHand = days.map((_, index) => {
    const weight = projectedWeight({ grams: kilograms(8), ageDays: 122 }, kilograms(19), 122 + index);
    return growthEnergy(weight, kilograms(19));
  });
  expect(sum(days)).toBeCloseTo(sum(byHand), 6);
  expect(Math.round(sum(days))).toBe(16_899);
});

// WSAVA, from memory: a point above 5 is about 10 %.
test.each([
  [5, 20],
  [4, 20],
  [6, 20 / 1.1],
  [9, 20 / 1.4],
])('condition %d at 20 kg points to %d kg', (score, kg) => {
  expect(targetWeight(kilograms(20), score)! / 1000).toBeCloseTo(kg, 9);
});

test('below 4 no target is named', () => expect(targetWeight(kilograms(20), 3)).toBeUndefined());

describe('how a day is set', () => {
  const withRation = (ration: Partial<Ration>, kg = 20) => dayEnergy(dogOf(kg, TODAY, { ration }), TODAY);

  // AAHA 2021, from memory: loss 1.0 × RER of the target, gain 1.2 to 1.8.
  test('a goal comes before work and neuter status, until it is reached', () => {
    expect(withRation({ goal: kilograms(17), work: 'light' }).kcal).toBeCloseTo(restingEnergy(kilograms(17)), 6);
    expect(withRation({ goal: kilograms(23) }).range.map((kcal) => kcal / restingEnergy(kilograms(23)))).toEqual([
      expect.closeTo(1.2, 9),
      expect.closeTo(1.8, 9),
    ]);
    const weighIns = [20, 18, 17.2, 18.5].map((kg, week) => ({ date: addDays(TODAY, week * 7), grams: kilograms(kg) }));
    const dieting = dogOf(20, TODAY, { weighIns, ration: { goal: kilograms(17) } });
    expect(dayEnergy(dieting, addDays(TODAY, 8)).method).toBe('goal');
    // Once it is there, a heavier day does not put it back on the diet by itself.
    expect(dayEnergy(dieting, addDays(TODAY, 22)).method).toBe('factor');
    expect(goalReached(kilograms(17), TODAY, weighIns, addDays(TODAY, 8))).toBe(false);
  });

  test('NRC’s k, an own figure, and a school that is matched by energy', () => {
    expect(withRation({ method: { kind: 'nrc', k: 95 } }).kcal).toBeCloseTo(95 * metabolicSize(kilograms(20)), 6);
    expect(withRation({ method: { kind: 'kcal', kcal: 900 } })).toMatchObject({
      kcal: 900,
      because: 'your own figure',
    });
    const food = { name: 'pot', density: 1.25, measured: true };
    const percent = { kind: 'school' as const, school: { kind: 'percent' as const, low: 2, high: 3 }, food };
    expect(withRation({ method: percent })).toMatchObject({ kcal: 625, range: [500, 750] });
    expect(withRation({ method: { ...percent, kcal: 700 } }).kcal).toBe(700);
  });

  test('a school that knows nothing of this weight gives way to the table', () => {
    const school = {
      kind: 'weight table' as const,
      unit: 'g' as const,
      makes: 1,
      bands: [{ upTo: 5000, low: 90, high: 90 }],
    };
    const food = { name: 'pot', density: 1.25, measured: true };
    expect(withRation({ method: { kind: 'school', school, food } }).kcal).toBeCloseTo(1059.2, 1);
  });

  test('extras of a weekday leave less for the pot on that day alone', () => {
    const sardine = {
      name: 'sardine',
      kind: 'topper' as const,
      size: { by: 'kcal' as const, kcal: 100 },
      weekdays: [7],
      said: '',
    };
    const dog = dogOf(20, TODAY, { ration: { extras: [sardine] } });
    // 29 November 2026 is a Sunday.
    expect(dayEnergy(dog, '2026-11-29' as LocalDate).homeKcal).toBeCloseTo(959.2, 1);
    expect(dayEnergy(dog, '2026-11-30' as LocalDate).homeKcal).toBeCloseTo(1059.2, 1);
  });

  // Common practice, no source: 25, 50, 75, 100 % over 7 to 10 days.
  test('a change of food goes by quarters', () => {
    const part = (days: number) =>
      Array.from({ length: days + 1 }, (_, index) =>
        newFoodPart({ from: 'kibble', starts: TODAY, days }, addDays(TODAY, index)),
      );
    expect(part(8)).toEqual([0.25, 0.25, 0.5, 0.5, 0.75, 0.75, 1, 1, 1]);
    expect(part(7)).toEqual([0.25, 0.25, 0.5, 0.5, 0.75, 0.75, 1, 1]);
    const energy = withRation({ transition: { from: 'kibble', starts: TODAY, days: 8, density: 3.8 } });
    expect(energy.homeKcal).toBeCloseTo(1059.2 / 4, 1);
    expect(energy.oldFood!.grams).toBeCloseTo((1059.2 * 0.75) / 3.8, 1);
  });
});

describe('what a dog does not get', () => {
  const oats = { ndb: '20038', name: 'Oats', group: 'Grains and pasta' };
  const deer = { ndb: '17343', name: 'Game meat, deer, ground, raw', group: 'Lamb, veal and game' };
  const bison = { ndb: '17330', name: 'Game meat, bison, ground, raw', group: 'Lamb, veal and game' };
  const pollock = { ndb: '15066', name: 'Fish, pollock, atlantic, raw', group: 'Fish and shellfish' };
  const eggplant = { ndb: '11209', name: 'Eggplant, raw', group: 'Vegetables' };
  const chickenFat = { ndb: '04542', name: 'Fat, chicken', group: 'Fats and oils' };
  const chickpeas = {
    ndb: '16056',
    name: 'Chickpeas (garbanzo beans, bengal gram), mature seeds, raw',
    group: 'Legumes',
  };
  const all = [oats, deer, bison, pollock, eggplant, chickenFat, chickpeas];
  const hits = (what: Avoided) => {
    const avoid: Avoid = { id: 1, what, label: 'it', reason: 'reaction', since: TODAY };
    const nameOf = (ndb: string) => all.find((food) => food.ndb === ndb)?.name;
    return all.filter((food) => avoidedIn([avoid], [food], nameOf).length > 0).map((food) => food.ndb);
  };

  test.each<[string, Avoided, string[]]>([
    ['one food stands for its cuts and states', { kind: 'food', ndb: '17343' }, ['17343']],
    ['a fish is fish, and itself', { kind: 'protein', protein: 'fish' }, ['15066']],
    ['egg is not eggplant', { kind: 'protein', protein: 'egg' }, []],
    ['chicken is in its fat, and not in chickpeas', { kind: 'protein', protein: 'chicken' }, ['04542']],
    ['a group', { kind: 'group', group: 'Grains and pasta' }, ['20038']],
  ])('%s', (_, what, expected) => expect(hits(what)).toEqual(expected));

  test('what cannot be read may be anything: it stops, whatever it was for', () => {
    const unread: Avoid = {
      id: 1,
      what: { kind: 'unread' },
      label: 'it',
      reason: 'dislike',
      since: TODAY,
    };
    expect(avoidedIn([unread], all.slice(0, 3), () => undefined)).toEqual([unread]);
    expect(stops(unread)).toBe(true);
  });

  test('a dislike only warns', () => {
    expect([
      stops({ reason: 'reaction', what: { kind: 'food', ndb: '20038' } }),
      stops({ reason: 'vet', what: { kind: 'food', ndb: '20038' } }),
      stops({ reason: 'dislike', what: { kind: 'food', ndb: '20038' } }),
    ]).toEqual([true, true, false]);
  });
});

// A label's own words: one tablet below 10 kg, two below 25.
test('what goes into the bowl: flat, by body weight, by a label’s bands', () => {
  const line = { id: 1, what: 'tablets', unit: 'tablets', slotId: 1 };
  const bands = {
    by: 'bands' as const,
    bands: [
      { upTo: 10_000, amount: 1 },
      { upTo: 25_000, amount: 2 },
    ],
  };
  expect(additionOf({ ...line, rule: bands }, kilograms(9.9)).amount).toBe(1);
  expect(additionOf({ ...line, rule: bands }, kilograms(24)).amount).toBe(2);
  expect(additionOf({ ...line, rule: bands }, kilograms(30)).amount).toBeUndefined();
  expect(additionOf({ ...line, rule: { by: 'body weight', amount: 1, perKg: 10 } }, kilograms(26)).amount).toBeCloseTo(
    2.6,
    9,
  );
  expect(additionOf({ ...line, kcalPerUnit: 8, rule: { by: 'flat', amount: 3 } }, kilograms(26)).kcal).toBe(24);
});

test('a caution that was seen rests for half a year, and stands again in another stage or with an illness', () => {
  const old = dogOf(20, TODAY, { birthDate: addDays(TODAY, -8 * 365) });
  const caution = cautionOf(old, TODAY)!;
  expect(caution).toMatchObject({ seen: undefined, pressing: false });
  const seen = { ...old, cautionSeen: { of: caution.of, on: TODAY } };
  expect(cautionOf(seen, addDays(TODAY, 181))!.seen).toEqual({ on: TODAY, until: addDays(TODAY, 182) });
  expect(cautionOf(seen, addDays(TODAY, 182))!.seen).toBeUndefined();
  expect(cautionOf({ ...seen, illness: 'a weak kidney' }, TODAY)!.seen).toBeUndefined();
  expect(cautionOf(dogOf(20, TODAY), TODAY)).toBeUndefined();
  // Pups are overdue: that wants an act, whatever was seen.
  expect(cautionOf(bitch({ matedOn: addDays(TODAY, -66) }), TODAY)!.pressing).toBe(true);
});
