import { costOf, sayDrying, writeHours, type DryingNow } from './drying-words';

const NOW: DryingNow = {
  grams: 2000,
  trays: 2,
  running: undefined,
  isOver: false,
  isWithoutPower: false,
  left: undefined,
  slips: [],
  isDry: undefined,
};
const say = (over: Partial<DryingNow>) => sayDrying({ ...NOW, ...over }, 'freeze-dryer', (mass) => `${mass} g`).said;

// What is wrong comes before what is next, whatever else there is to say.
test.each<[Partial<DryingNow>, string]>([
  [{ trays: 0 }, 'Lay 2000 g on trays.'],
  [{}, 'Into the freeze-dryer.'],
  [{ running: 3 }, 'In the freeze-dryer for 3 h.'],
  [{ running: 3, left: 27 }, 'About 27 h more in the freeze-dryer.'],
  [{ running: 31, left: -1 }, 'It should be dry: weigh the trays.'],
  [{ running: 31, isOver: true }, 'It is out: weigh the trays dry.'],
  [{ running: 5, isWithoutPower: true }, 'Without power.'],
  [{ running: 31, isOver: true, isDry: false }, 'Nearly. Dry on, and weigh once more.'],
  [{ running: 31, isOver: true, isDry: true }, 'Dry: bag it.'],
  [{ isDry: true, slips: [{ kind: 'wet core', tray: 0, moisture: 0.2 }] }, 'Still wet inside: dry on.'],
  [{ isDry: true, slips: [{ kind: 'light', tray: 0, solids: 300 }] }, 'Dry: bag it.'],
  [{ isWithoutPower: true, slips: [{ kind: 'tare in both', tray: 2, grams: 800 }] }, 'Tray 3 cannot be right.'],
])('%j', (over, said) => {
  expect(say(over)).toBe(said);
});

test('hours as a cook says them, and a price only where there is one', () => {
  expect([writeHours(0.5), writeHours(3.25), writeHours(27.4)]).toEqual(['30 min', '3.3 h', '27 h']);
  expect(costOf(35, 30)).toBe(1050);
  expect(costOf(undefined, 30) ?? costOf(35, undefined)).toBeUndefined();
});
