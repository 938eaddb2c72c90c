import { addUp } from '../add-up';
import { dryingForecast } from './drying-curve';
import { after, beginMachine, grossOf, watchFreezer, type MachineModel } from './machine-model';

const tray = { tare: 800, solids: 370, water: 960 };
const dryIn = (machine: MachineModel, moisture: number) => {
  let state = machine;
  while (
    addUp(state.trays, ({ water }) => water) >
      (moisture / (1 - moisture)) * addUp(state.trays, ({ solids }) => solids) &&
    state.hours < 200
  )
    state = after(state, 0.25);
  return state;
};

// Handbook 12, common practice: 4 to 8 h for thin crumb; 20 to 50 h and about 1 kW for a full home freeze-dryer.
test('a simulated machine takes as long as real ones do', () => {
  const warm = dryIn(beginMachine('dehydrator', [tray]), 0.1);
  expect(warm.hours).toBeGreaterThan(4);
  expect(warm.hours).toBeLessThan(8);
  const cold = dryIn(beginMachine('freeze-dryer', [tray, tray, tray, tray]), 0.03);
  expect(cold.hours).toBeGreaterThan(20);
  expect(cold.hours).toBeLessThan(50);
  expect(cold.kwh / cold.hours).toBeCloseTo(1);
});

test('nothing but water leaves a tray, and its curve is one that the forecast reads', () => {
  const start = beginMachine('dehydrator', [tray]);
  const weighings = [0, 1, 2, 3, 4].map((hours) => {
    const state = after(start, hours);
    expect(state.trays[0]!.solids).toBe(370);
    return { hours, grams: grossOf(state.trays[0]!) - 800 };
  });
  for (const [index, { grams }] of weighings.slice(1).entries()) expect(grams).toBeLessThan(weighings[index]!.grams);
  const forecast = dryingForecast(weighings, 370);
  expect(forecast!.hours).toBeGreaterThan(dryIn(start, 0.1).hours * 0.9);
  expect(forecast!.hours).toBeLessThan(dryIn(start, 0.1).hours * 1.1);
});

test('without power a freeze-dryer stands still, and goes on from there', () => {
  const ten = after(beginMachine('freeze-dryer', [tray]), 5);
  const cut = after({ ...ten, power: false }, 3);
  expect(grossOf(cut.trays[0]!)).toBeCloseTo(grossOf(ten.trays[0]!), 6);
  expect(cut.celsius).toBeGreaterThan(ten.celsius);
  expect(cut.kwh).toBeCloseTo(ten.kwh, 6);
  expect(grossOf(after({ ...cut, power: true }, 5).trays[0]!)).toBeLessThan(grossOf(cut.trays[0]!));
});

// USDA: a full freezer holds 48 h with its doors shut (handbook 10): from −18 °C it comes to about −1.5 °C.
test('a freezer without power comes to its freezing point in the USDA’s 48 hours', () => {
  const later = after({ ...beginMachine('freezer'), power: false }, 48);
  expect(later.celsius).toBeGreaterThan(-2.5);
  expect(later.celsius).toBeLessThan(-0.5);
});

test('a door that is left open is seen within the hour, one that is shut again is not cried about', () => {
  const log: { hours: number; celsius: number }[] = [];
  let state = beginMachine('freezer');
  const live = (hours: number, change: Partial<MachineModel> = {}) => {
    state = { ...state, ...change };
    for (let gone = 0; gone < hours; gone += 0.1) {
      state = after(state, 0.1);
      log.push({ hours: state.hours, celsius: state.celsius });
    }
    return watchFreezer(log)!;
  };
  expect(watchFreezer([])).toBeUndefined();
  expect(live(2).is).toBe('cold');
  expect(live(0.1, { open: true }).is).not.toBe('alarm');
  expect(live(1, { open: false }).is).toBe('cold');
  const left = live(1, { open: true });
  expect(left.is).toBe('alarm');
  expect(left.warmFor).toBeGreaterThan(0.5);
});
