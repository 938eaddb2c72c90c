import { freezeTime } from '../preserve/freezing';
import {
  AS_RECKONED,
  besideReckoned,
  freezeHere,
  frozenEntrySchema,
  isFilling,
  readFrozen,
  type FrozenEntry,
} from './beside';
import type { Observation } from './figure';
import type { LocalDate } from '../calendar/local-date';

const measured = (value: number, over: Partial<Observation> = {}): Observation => ({
  key: `frozen:${value}`,
  day: '2026-11-25' as LocalDate,
  said: '',
  value,
  isStruck: false,
  ...over,
});
const ENTRY: FrozenEntry = { form: 'flat bag', centimetres: '3', sides: '1', fan: false, hours: '7,5' };

test('one measurement may be a slip; from two on their mean is taken, without those that were struck out', () => {
  expect(besideReckoned([])).toEqual(AS_RECKONED);
  expect(besideReckoned([measured(150)])).toEqual(AS_RECKONED);
  expect(besideReckoned([measured(150), measured(130)])).toEqual({ factor: 1.4, of: 2 });
  expect(besideReckoned([measured(150), measured(130), measured(900, { isStruck: true })])).toEqual({
    factor: 1.4,
    of: 2,
  });
});

test('how long it froze stands beside Plank’s equation for the same pack', () => {
  expect(frozenEntrySchema.parse(ENTRY)).toEqual(ENTRY);
  const read = readFrozen(ENTRY);
  const pack = { form: 'flat bag', centimetres: 3, sides: 1, fan: false, water: 0.7 } as const;
  expect(read).toEqual({
    ok: true,
    value: { of: 'flat bag, 3 cm, on a shelf', hours: 7.5, reckoned: freezeTime(pack).hours },
  });
  const { hours, explanation } = freezeHere(pack, { factor: 1.2, of: 3 });
  expect(hours).toBeCloseTo(freezeTime(pack).hours * 1.2, 9);
  expect(explanation.steps.at(-1)!.sum).toMatch(/× 1\.2 = .* the mean of 3 measured/);
  expect(explanation.title).toBe(`${hours.toFixed(1)} h to freeze 3 cm through`);
  expect(explanation.source).toMatch(/measured in this kitchen/);
  expect(freezeHere(pack, AS_RECKONED)).toEqual(freezeTime(pack));
});

test.each([
  [{ centimetres: '' }, 'centimetres'],
  [{ centimetres: '0' }, 'centimetres'],
  [{ centimetres: '31' }, 'centimetres'],
  [{ hours: 'long' }, 'hours'],
  [{ hours: '97' }, 'hours'],
  [{ hours: '-1' }, 'hours'],
])('what cannot be is refused at its field: %j', (over, field) => {
  expect(readFrozen({ ...ENTRY, ...over })).toMatchObject({ ok: false, problem: { field } });
});

test('a container that is less than half full says nothing of what it takes', () => {
  expect([isFilling(225, 450), isFilling(224, 450), isFilling(600, 450), isFilling(100, 0)]).toEqual([
    true,
    false,
    true,
    false,
  ]);
});
