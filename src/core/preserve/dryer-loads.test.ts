import { keeps } from '../../../tests/fixtures/dating';
import fc from 'fast-check';
import { addUp } from '../add-up';
import { writeGrams } from '../quantity/write';
import { absorberFor, bagTrays, leftOnTrays } from './bagging';
import { depthOnTray, gramsOnTray } from './drying';
import { checkSlots, isOverloaded, perTray, planLoads } from './dryer-loads';

const ROOM = { trays: 4, perTray: 1400 };
const TIMES = { cycle: 30, freeIn: 0, fridgeDays: keeps(4) };

test('a load that fits goes in now, over as many trays as it needs; depth from the tray’s inside', () => {
  const plan = planLoads(2500, { ...ROOM, areaCm2: 20 * 45 }, TIMES);
  if (!plan.ok) throw new Error(plan.problem.message);
  const [load] = plan.value;
  expect(load!.trays).toEqual([1250, 1250]);
  expect(load!.waits).toBe(0);
  // 1250 g of 1.04 g/cm³ on 900 cm² (handbook 12): by hand 1.3355 cm.
  expect(load!.deep).toBeCloseTo(1.3355, 4);
  // 2 cm on 900 cm² is 1872 g: the machine's own limit holds. On 400 cm² it is 832 g.
  expect(perTray({ ...ROOM, areaCm2: 900 })).toBe(1400);
  expect(perTray({ ...ROOM, areaCm2: 400 })).toBe(832);
  expect(depthOnTray(400, gramsOnTray(400, 1.5))).toBeCloseTo(1.5);
});

test('a second load waits in the fridge for its days, and is frozen where it would outlast them', () => {
  const plan = planLoads(9000, ROOM, TIMES);
  if (!plan.ok) throw new Error(plan.problem.message);
  // 5600 g a cycle: two; the second begins after 30 h and three between, in two days.
  expect(plan.value.map(({ grams, waits, waitsIn }) => [grams, waits, waitsIn])).toEqual([
    [4500, 0, undefined],
    [4500, 2, 'fridge'],
  ]);
  const slow = planLoads(16000, ROOM, { ...TIMES, cycle: 48, fridgeDays: keeps(3) });
  expect(slow.ok && slow.value.map(({ waits, waitsIn }) => [waits, waitsIn])).toEqual([
    [0, undefined],
    [3, 'fridge'],
    [5, 'freezer'],
  ]);
});

test('every plan holds every limit, loses nothing, and needs the fewest cycles', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 30_000 }),
      fc.integer({ min: 1, max: 6 }),
      fc.integer({ min: 200, max: 2000 }),
      fc.double({ min: 0, max: 40, noNaN: true }),
      (mass, trays, each, freeIn) => {
        const plan = planLoads(mass, { trays, perTray: each }, { cycle: 24, freeIn, fridgeDays: keeps(4) });
        if (!plan.ok) return expect(mass / (trays * each)).toBeGreaterThan(30);
        expect(addUp(plan.value, ({ grams }) => grams)).toBe(mass);
        for (const load of plan.value) {
          expect(addUp(load.trays, (grams) => grams)).toBe(load.grams);
          expect(load.trays.length).toBeLessThanOrEqual(trays);
          expect(Math.max(...load.trays)).toBeLessThanOrEqual(each);
        }
        // No way is shorter: so many less one full machines do not hold it.
        expect((plan.value.length - 1) * trays * each).toBeLessThan(mass);
      },
    ),
  );
});

test('what a machine cannot hold is named at its tray', () => {
  const part = (trayId: number, slot: number, wet = 1000) => ({ trayId, slot, wet });
  const say = (parts: ReturnType<typeof part>[], dividers = 0) => {
    const checked = checkSlots(parts, { ...ROOM, dividers }, writeGrams);
    return checked.ok ? 'fits' : `${checked.problem.field}: ${checked.problem.message}`;
  };
  expect(say([part(1, 1), part(2, 2)])).toBe('fits');
  expect(say([])).toMatch(/^slots: Weigh/);
  expect(say([part(1, 1), part(2, 50)])).toMatch(/^slots\.1: This machine has 4 trays/);
  expect(say([part(1, 1), part(1, 2)])).toMatch(/^slots\.1: This part lies in the machine already/);
  expect(say([part(1, 1, 600), part(2, 1, 600)])).toMatch(/^slots\.1: Tray 1 has no divider/);
  // Two recipes or two dogs on one tray that is divided, up to its limit.
  expect(say([part(1, 1, 600), part(2, 1, 600)], 1)).toBe('fits');
  expect(say([part(1, 1, 900), part(2, 1, 900)], 1)).toBe('fits');
  expect(isOverloaded(1800, ROOM) && !isOverloaded(1410, ROOM)).toBe(true);
  expect(say([part(1, 1, 1300), part(2, 1, 1300)], 1)).toMatch(/^slots\.1: 2600 g on tray 1: it takes 1400 g/);
  expect(say([part(1, 1, 300), part(2, 1, 300), part(3, 1, 300)], 1)).toMatch(/make 2 parts/);
});

test('bags filled tray by tray keep every tenth of a gram: trays, bags and packs are one mass', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 9000 }), { minLength: 1, maxLength: 8 }),
      fc.array(fc.integer({ min: 1, max: 100 }), { minLength: 1, maxLength: 12 }),
      (amounts, weights) => {
        const trays = amounts.map((amount, index) => ({ trayId: index + 1, amount }));
        const total = addUp(amounts, (each) => each);
        const all = addUp(weights, (each) => each);
        const ends = weights.map((_, index) =>
          Math.round((total * addUp(weights.slice(0, index + 1), (each) => each)) / all),
        );
        const bags = ends.map((end, index) => end - (ends[index - 1] ?? 0)).filter((bag) => bag > 0);
        const filled = bagTrays(trays, bags);
        expect(filled.map((parts) => addUp(parts, ({ amount }) => amount))).toEqual(bags);
        const weighed = trays.map(({ trayId: id, amount }) => ({ id, tare: 0, dryGross: amount / 10 }));
        for (const { amount } of leftOnTrays(weighed, filled)) expect(amount).toBe(0);
      },
    ),
  );
  // A bag that weighs a little more than what was left belongs to the last tray.
  expect(bagTrays([{ trayId: 7, amount: 100 }], [60, 45])).toEqual([
    [{ trayId: 7, amount: 60 }],
    [{ trayId: 7, amount: 45 }],
  ]);
});

// Handbook 12 (common practice, no source).
test.each([
  [950, 100],
  [1000, 100],
  [3785, 300],
  [5000, 500],
  [20_000, undefined],
])('a bag of %d mL takes an absorber of %s cc', (millilitres, cc) => {
  expect(absorberFor(millilitres)?.cc).toBe(cc);
});
