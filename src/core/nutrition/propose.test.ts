import highsLoader from 'highs';
import { seeded } from '../../../tests/fixtures/seeded';
import { testFoods, testProfiles } from '../../../tests/fixtures/reference-files';
import { lineOf, workedExample } from '../../../tests/fixtures/worked-example';
import { grams } from '../quantity/units';
import { balanceOf } from './balance';
import { leastRelaxed, leastSum, programmeOf, propose, type Candidate, type Programme } from './propose';

const PROFILES = testProfiles();
const FOODS = testFoods().filter((food) => food.group !== 'Water');
const byNdb = new Map(FOODS.map((food) => [food.ndb, food]));
const carbonate = { ndb: 'S0001', name: 'Calcium carbonate', group: 'Supplement', per100: { calcium_mg: 40_040 } };

const number = (value: number) => (Object.is(value, -0) ? '0' : value.toPrecision(15));

/** The same programme in HiGHS's own language; `give` loosens each row by a part of its limit. */
function asText({ rows, caps }: Programme, give: readonly number[] = []): string {
  const terms = (perGram: readonly number[]) =>
    perGram.map((value, index) => `${value < 0 ? '-' : '+'} ${number(Math.abs(value))} x${index}`).join(' ');
  const row = (index: number) => {
    const { side, bound, perGram, whole } = rows[index]!;
    const loose = (give[index] ?? 0) * whole;
    return ` r${index}: ${terms(perGram)} ${side === 'least' ? '>=' : '<='} ${number(side === 'least' ? bound - loose : bound + loose)}`;
  };
  return [
    'Minimize',
    ` weight: ${caps.map((_, index) => `+ x${index}`).join(' ')}`,
    'Subject To',
    ...rows.map((_, index) => row(index)),
    'Bounds',
    ...caps.map((cap, index) => ` 0 <= x${index} <= ${number(cap)}`),
    'End',
  ].join('\n');
}

/** A random recipe, random candidates with caps, and a random profile. */
function randomProblem(random: () => number): Programme {
  const pick = () => FOODS[Math.floor(random() * FOODS.length)]!;
  const lines = Array.from({ length: 3 + Math.floor(random() * 5) }, () => ({
    food: pick(),
    grams: grams(20 + random() * 900),
  }));
  const candidates: Candidate[] = Array.from({ length: 8 + Math.floor(random() * 25) }, () => ({
    food: pick(),
    cap: grams(5 + random() * 400),
  }));
  candidates.push({ food: carbonate, cap: grams(40) });
  const profile = PROFILES.profiles[Math.floor(random() * PROFILES.profiles.length)]!;
  const whole = programmeOf(lines, candidates, PROFILES.nutrients, profile, '4-9-4');
  // Whole profiles can seldom be met by chance: a random part of the limits makes both verdicts common.
  const keep = random() ** 2;
  return { ...whole, rows: whole.rows.filter(() => random() < keep) };
}

describe('beside HiGHS, an independent solver', () => {
  test('200 random balance problems: the verdict agrees, and the least weight to 1e-6', async () => {
    const highs = await highsLoader();
    const random = seeded(4_2026);
    let met = 0;
    let unmet = 0;
    for (let problem = 0; problem < 200; problem++) {
      const programme = randomProblem(random);
      const own = leastSum(programme);
      const theirs = highs.solve(asText(programme));
      const slack = own ? [] : leastRelaxed(programme).slack;
      const borderline = !own && Math.max(0, ...slack) <= 1e-6;
      if (borderline) continue;
      expect(theirs.Status).toBe(own ? 'Optimal' : 'Infeasible');
      if (own) {
        met++;
        const weight = own.reduce((sum, each) => sum + each, 0);
        expect(Math.abs(weight - theirs.ObjectiveValue)).toBeLessThanOrEqual(1e-6 * Math.max(1, theirs.ObjectiveValue));
      } else {
        unmet++;
        // What is named must give way, and then it is enough.
        expect(
          highs.solve(
            asText(
              programme,
              slack.map((each) => each + 1e-6),
            ),
          ).Status,
        ).toBe('Optimal');
      }
    }
    expect(met).toBeGreaterThan(40);
    expect(unmet).toBeGreaterThan(40);
  });
});

test('what is proposed for the worked example holds in the balance itself', () => {
  const profile = PROFILES.profiles.find((each) => each.id === 'aafco-adult')!;
  const ndbs = [
    '13325',
    '15164',
    '01123',
    '15088',
    '12036',
    '12014',
    '20078',
    '04038',
    '04506',
    '04589',
    '15039',
    '10106',
  ];
  const candidates: Candidate[] = [
    { food: carbonate, cap: grams(30) },
    ...ndbs.map((ndb) => ({ food: byNdb.get(ndb)!, cap: grams(300) })),
  ];
  const proposed = propose(workedExample(), candidates, PROFILES.nutrients, profile, '4-9-4');
  expect(proposed.conflicts).toEqual([]);
  expect(proposed.dropped).toEqual(['chloride', 'iodine']);
  const added = proposed.additions.map(({ ndb, grams: mass }) => {
    const { food } = candidates.find((each) => each.food.ndb === ndb)!;
    return { text: food.name, food, grams: mass };
  });
  const before = balanceOf(workedExample(), PROFILES.nutrients, profile, '4-9-4');
  const after = balanceOf([...workedExample(), ...added], PROFILES.nutrients, profile, '4-9-4');
  const wrong = (balance: typeof after) =>
    balance.rows.filter((row) => !['met', 'unknown'].includes(row.verdict)).map((row) => row.name);
  expect(wrong(before).length).toBeGreaterThan(5);
  expect(wrong(after)).toEqual([]);
});

// Stoichiometry: CaCO3 is 40.078 / 100.087 calcium by mass.
test('calcium carbonate alone closes a calcium gap with the grams that stoichiometry asks for', () => {
  const limits = { calcium: { least: 1.25 } };
  const profile = { id: 'aafco-adult' as const, name: 'calcium', source: 'test', limits };
  const { additions } = propose(
    workedExample(),
    [{ food: carbonate, cap: grams(30) }],
    PROFILES.nutrients,
    profile,
    '4-9-4',
  );
  const missing = 1.25 * 2.83456 - 0.476;
  expect(additions[0]!.grams).toBeCloseTo(missing / (40.078 / 100.087), 1);
});

test('a gap that no candidate can close is named with how much must give way; what nothing holds is dropped', () => {
  const profile = PROFILES.profiles.find((each) => each.id === 'aafco-adult')!;
  const oil: Candidate = { food: byNdb.get('04582')!, cap: grams(5) };
  const { conflicts, dropped } = propose(
    [lineOf('20005', 300, 'carbohydrate')],
    [oil],
    PROFILES.nutrients,
    profile,
    '4-9-4',
  );
  expect(conflicts.find((each) => each.name === 'calcium')).toMatchObject({ side: 'least' });
  for (const { by } of conflicts) expect(by).toBeGreaterThan(0);
  expect(dropped).toContain('iodine');
});
