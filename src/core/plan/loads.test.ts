import fc from 'fast-check';
import { knownOf, POT } from '../../../tests/fixtures/plans';
import { grams } from '../quantity/units';
import { PLAIN, type WrittenLine } from '../recipe/written';
import { evenLoads, fillLimit, MOST_LOADS, orderOfFilling, type FillLimit } from './loads';
import { stoveTime, writeMinutes } from './stove';
import { roomOf, swells } from './volume';

const line = (ndb: string, part: WrittenLine['part']): WrittenLine => ({
  ...PLAIN,
  text: ndb,
  grams: grams(100),
  source: knownOf(ndb)!,
  part,
  moment: 'cook',
});
const limit = (litres: number): FillLimit => ({ limit: litres, unit: 'mL', part: 'full', source: 'test' });

test('loads hold to the limit, are even, and are as few as any search finds', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 30_000 }),
      fc.integer({ min: 0, max: 900 }),
      fc.integer({ min: 1000, max: 9000 }),
      (room, added, most) => {
        const found = evenLoads(room, added, limit(most), 'the pot');
        // By trying one load, two, three …
        let tried = 1;
        while (tried <= MOST_LOADS && room / tried + added > most) tried++;
        if (tried > MOST_LOADS) {
          expect(found.ok).toBe(false);
          return;
        }
        if (!found.ok) throw new Error(found.problem.message);
        expect(found.value.loads).toBe(tried);
        expect(found.value.each).toBeLessThanOrEqual(most * (1 + 1e-9));
        expect(found.value.each * tried).toBeCloseTo(room + tried * added, 6);
      },
    ),
  );
});

test.each([
  [1000, 1000, 1000, 'already fills it'],
  [90_000, 0, 1000, '90 loads'],
])('what cannot fit is said: %d mL with %d in each of %d', (room, added, most, said) => {
  expect(evenLoads(room, added, limit(most), 'the pot')).toMatchObject({
    ok: false,
    problem: { message: expect.stringContaining(said), field: 'vessel' },
  });
});

// Handbook 6: a pressure cooker to two thirds, to half with grain; pots and slow cookers common practice, no source.
test.each([
  ['pot', false, 4800],
  ['slow cooker', true, 4500],
  ['pressure cooker', false, 4000],
  ['pressure cooker', true, 3000],
] as const)('%s of 6 L, grain %p: %d mL', (kind, grain, most) => {
  const lines = [line('17343', 'muscle'), ...(grain ? [line('20005', 'carbohydrate')] : [])];
  expect(fillLimit({ ...POT, kind, millilitres: 6000 }, lines).limit).toBeCloseTo(most, 6);
});

test('oven trays are filled by weight, all at once', () => {
  const trays = { id: 2, kind: 'oven trays', name: 'trays', grams: 900, count: 3 } as const;
  expect(fillLimit(trays, [])).toMatchObject({ limit: 2700, unit: 'g' });
});

// Common practice (handbook 4): a pound of ground meat is about two cups of 236.588 mL.
test('ground meat takes two cups a pound', () => {
  expect(roomOf(line('17343', 'muscle')) * 453.59237).toBeCloseTo(2 * 236.5882365, 3);
});

// USDA SR 24: a cup of chopped kale is 67 g; handbook 6 counts greens at a third of that room.
test('greens stand high and collapse: a third of their room', () => {
  expect(roomOf(line('11233', 'vegetable')) * 67).toBeCloseTo(236.5882365 / 3, 2);
});

test('dry grain swells, a boiled one and a root do not', () => {
  expect(swells(line('20005', 'carbohydrate'))).toBe(true);
  expect(swells(line('20006', 'carbohydrate'))).toBe(false);
  expect(swells(line('11298', 'vegetable'))).toBe(false);
});

// Handbook 6: wet vegetables at the base, grain next, meat on top, sweet starches off the base.
test('a pressure cooker is filled from the wet to the meat', () => {
  const lines = [
    line('17343', 'muscle'),
    line('11507', 'carbohydrate'),
    line('20005', 'carbohydrate'),
    line('11124', 'vegetable'),
    line('11233', 'vegetable'),
    line('14411', 'liquid'),
  ];
  expect(orderOfFilling(lines).map((each) => each.source.food.ndb)).toEqual([
    '14411',
    '11233',
    '20005',
    '11507',
    '11124',
    '17343',
  ]);
});

test('vessels stand side by side, loads one after the other, two pots at once', () => {
  const loads = (count: number) => evenLoads(count * 1000, 0, limit(1000), 'pot');
  const stove = stoveTime([
    { name: 'meat', vessel: { ...POT, count: 2 }, loads: loads(3), minutes: 40 },
    { name: 'grain', vessel: { ...POT, id: 2, name: 'small pot' }, loads: loads(2), minutes: 25 },
    { name: 'greens', vessel: undefined, loads: undefined, minutes: undefined },
  ]);
  expect(stove).toMatchObject({ minutes: 80, unknown: ['greens'] });
  expect(stoveTime([]).minutes).toBeUndefined();
  expect([35, 60, 250].map(writeMinutes)).toEqual(['35 min', '1 h', '4 h 10']);
});
