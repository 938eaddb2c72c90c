import { whyBought, costOfDay, costOfKcal, costOfPart, costOfPot, isWhole, sayCost, stoveEnergy } from './cost';

const GBP = { kwhMinor: 28, currency: 'GBP' };

// Worked by hand: 2 kg at 15.00 a kg, 500 g at 1.20 a kg, half an hour simmering of 0.3 kWh an hour at 28 p.
test('a pot costs what went into it and what it took of electricity', () => {
  const cost = costOfPot(
    [
      {
        name: 'venison',
        grams: 2000,
        parts: [
          { grams: 1200, perGram: 1.5 },
          { grams: 800, perGram: 1.5 },
        ],
      },
      { name: 'barley', grams: 500, parts: [{ grams: 500, perGram: 0.12 }] },
    ],
    [{ what: 'the pot', kwh: stoveEnergy({ minutes: 30, loads: 1 }) }],
    GBP,
  )!;
  expect(cost.minor).toBeCloseTo(3000 + 60 + 0.15 * 28, 9);
  expect(isWhole(cost)).toBe(true);
  expect(sayCost(cost, 'GBP')).toBe('GBP 30.64');
});

test('what has no price is not free: at least, and named', () => {
  const cost = costOfPot(
    [
      { name: 'venison', grams: 2000, parts: [{ grams: 1000, perGram: 1.5 }] },
      { name: 'kale', grams: 100, parts: [{ grams: 100, perGram: undefined }] },
      { name: 'barley', grams: 900, parts: [] },
    ],
    [{ what: 'dehydrator', kwh: undefined }],
    { currency: 'GBP', kwhMinor: undefined },
  )!;
  expect(cost.known).toBeCloseTo(1 / 3, 9);
  expect(cost.unknown).toEqual(['venison', 'barley', 'kale']);
  expect(sayCost(cost, 'GBP')).toBe('at least GBP 15.00');
  expect(cost.explanation.steps.at(-1)).toEqual({ what: 'electricity', sum: 'its price is not known' });
});

test('where nothing has a price nothing is said', () => {
  expect(costOfPot([{ name: 'kale', grams: 100, parts: [] }], [{ what: 'pot', kwh: 1 }], GBP)).toBeUndefined();
});

test('given away costs nothing, and that is known', () => {
  const cost = costOfPot([{ name: 'bones', grams: 900, parts: [{ grams: 900, perGram: 0 }] }], [], GBP)!;
  expect(cost).toMatchObject({ minor: 0, known: 1, unknown: [] });
});

// Handbook 12, common practice: an oven hour about 1 kWh, a simmering pot 0.3 kWh an hour.
test('the stove by its minutes, every load of them', () => {
  expect(stoveEnergy({ minutes: 90, loads: 2, celsius: 180 })).toBeCloseTo(3, 9);
  expect(stoveEnergy({ minutes: 60, loads: 3 })).toBeCloseTo(0.9, 9);
  expect(stoveEnergy({ loads: 3 })).toBeUndefined();
});

// Worked by hand: 1059.2 kcal of a food of 3.5 kcal/g at 6.00 a kg are 302.6 g for 1.82.
test('a day of bought food by its label', () => {
  expect(costOfDay(1059.2, 3.5, 0.6)).toBeCloseTo(181.577, 3);
});

// Worked by hand: 250 g of 2 kg for 15.00; 400 kcal, three quarters of a pot at 0.2 p a kcal, one of a pot at 0.1 p.
test('what was thrown cost its part of its lot, or of its pots; unknown where one of them has no price', () => {
  expect(costOfPart(250, { priceMinor: 1500, receivedGrams: 2000 })).toBeCloseTo(187.5, 9);
  expect(costOfPart(250, { receivedGrams: 2000 })).toBeUndefined();
  const pots = [
    { part: 0.75, price: { perKcal: 0.2, known: 1 } },
    { part: 0.25, price: { perKcal: 0.1, known: 1 } },
  ];
  expect(costOfKcal(400, pots)).toBeCloseTo(70, 9);
  expect(costOfKcal(400, [...pots, { part: 0.1, price: undefined }])).toBeUndefined();
});

test('a day of bought food says where it comes from: what was got or is asked, its label, its price', () => {
  const food = { name: 'Harbour kibble', kcalPerGram: 3.5, price: 0.6 };
  const { title, steps } = whyBought(1059.2, food, { isGot: false, currency: 'GBP' });
  expect([title, ...steps.map(({ what, sum }) => `${what}: ${sum}`)]).toEqual([
    'GBP 1.82 a day of Harbour kibble',
    'as its ration asks: 1059 kcal a day',
    'by its label: 3.50 kcal/g',
    'by its price: GBP 6.00 a kg',
  ]);
});
