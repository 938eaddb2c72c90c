import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import highsLoader from 'highs';
import { seeded } from '../../../tests/fixtures/seeded';
import { testFoods, testProfiles } from '../../../tests/fixtures/reference-files';
import { lineOf, workedExample } from '../../../tests/fixtures/worked-example';
import { grams } from '../quantity/units';
import { splitBone } from '../recipe/bone';
import { balanceOf } from './balance';
import { measurable, smallestOf } from './measurable';
import { programmeOf, type Candidate, type Programme } from './programme';
import { propose } from './propose';
import { fewest, leastRelaxed, leastSum } from './solve-programme';

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
    balance.rows.filter((row) => row.toward === 'short' || row.toward === 'over').map((row) => row.name);
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

/** HiGHS's answer to the same question: the fewest of the candidates, each at least its smallest amount. */
function fewestAsText({ rows, caps }: Programme, smallest: readonly number[]): string {
  const terms = (perGram: readonly number[]) =>
    perGram.map((value, index) => `${value < 0 ? '-' : '+'} ${number(Math.abs(value))} x${index}`).join(' ');
  return [
    'Minimize',
    ` things: ${caps.map((_, index) => `+ y${index}`).join(' ')}`,
    'Subject To',
    ...rows.map(
      ({ side, bound, perGram, whole }, index) =>
        ` r${index}: ${terms(perGram.map((value) => value / whole))} ${side === 'least' ? '>=' : '<='} ${number(bound / whole)}`,
    ),
    ...caps.map((cap, index) => ` c${index}: x${index} - ${number(cap)} y${index} <= 0`),
    ...caps.map((_, index) => ` m${index}: x${index} - ${number(smallest[index]!)} y${index} >= 0`),
    'Bounds',
    ...caps.map((cap, index) => ` 0 <= x${index} <= ${number(cap)}`),
    'Binary',
    ` ${caps.map((_, index) => `y${index}`).join(' ')}`,
    'End',
  ].join('\n');
}

test('the fewest things are as few as HiGHS finds, on random problems', async () => {
  const highs = await highsLoader();
  const random = seeded(9_2026);
  let compared = 0;
  for (let problem = 0; problem < 40; problem++) {
    const whole = randomProblem(random);
    // A handful of candidates: what is compared is the answer, and a large search costs the suite its time.
    const some = <T>(list: readonly T[]) => list.slice(-12);
    const programme = {
      ...whole,
      rows: whole.rows.map((row) => ({ ...row, perGram: some(row.perGram) })),
      caps: some(whole.caps),
      prices: some(whole.prices),
    };
    const smallest = programme.caps.map(() => 0.1);
    const own = fewest(programme, smallest);
    const theirs = highs.solve(fewestAsText(programme, smallest));
    if (!own || theirs.Status !== 'Optimal') continue;
    compared++;
    const things = own.grams.filter((mass) => mass > 0.05).length;
    expect(own.ended).toBe(false);
    expect(things).toBe(Math.round(theirs.ObjectiveValue));
  }
  expect(compared).toBeGreaterThan(8);
});

// Candidates are those of data/additions.json, with their caps in g per 1000 kcal.
const shipped = (): Candidate[] => {
  const { candidates, supplements } = JSON.parse(readFileSync('data/additions.json', 'utf8')) as {
    candidates: { ndb: string; cap: number }[];
    supplements: { ndb: string; name: string; calcium_mg: number; tspGrams?: number }[];
  };
  return candidates.flatMap(({ ndb, cap }) => {
    const pure = supplements.find((each) => each.ndb === ndb);
    const food = pure
      ? { ndb, name: pure.name, group: 'Supplement', per100: { calcium_mg: pure.calcium_mg } }
      : byNdb.get(ndb);
    return food ? [{ food, cap: grams(cap), ...(pure?.tspGrams ? { tspGrams: pure.tspGrams } : {}) }] : [];
  });
};

test('proposals end on 2,000 seeded recipes with caps, and keep the caps', () => {
  const said = execFileSync(process.execPath, ['tests/programs/proposals-end.mjs'], {
    encoding: 'utf8',
    timeout: 240_000,
  });
  expect(said.trim()).toBe('2000 of 2000 ended within their caps');
});

test('where four things can close the gaps, at most four are proposed, in amounts that a kitchen can measure', () => {
  const profile = {
    ...PROFILES.profiles.find((each) => each.id === 'aafco-adult')!,
    limits: {
      calcium: { least: 1.25 },
      'vitamin D': { least: 125 },
      'vitamin E': { least: 12.5 },
      manganese: { least: 1.25 },
      copper: { least: 1.83 },
    },
    ratios: [],
  };
  const candidates = shipped().map((each) => ({ ...each, cap: grams(each.cap * 3) }));
  const { additions, conflicts, missed } = propose(
    workedExample(),
    candidates,
    PROFILES.nutrients,
    profile,
    '4-9-4',
    'fewest',
  );
  expect(conflicts).toEqual([]);
  expect(missed).toEqual([]);
  expect(additions.length).toBeLessThanOrEqual(4);
  for (const { ndb, grams: mass } of additions) {
    const spoon = candidates.find((each) => each.food.ndb === ndb)!.tspGrams;
    const step = spoon === undefined ? (mass < 10 ? 0.1 : 1) : spoon / 8;
    expect(Math.abs(mass / step - Math.round(mass / step))).toBeLessThan(1e-3);
  }
});

test('rounded amounts are looked at again: what rounding misses is said', () => {
  const programme: Programme = {
    rows: [{ name: 'calcium', side: 'least', bound: 1, perGram: [0.4], whole: 1 }],
    caps: [2.56],
    prices: [1],
    dropped: [],
  };
  const candidate = { food: carbonate, cap: grams(2.56) };
  // 2.5 g exactly, and 2.5 g is measured; from 2.52 g the next tenth passes the cap of 2.56 g.
  expect(measurable(programme, [candidate], [2.5])).toEqual([2.5]);
  expect(measurable(programme, [candidate], [2.52])).toEqual([2.5]);
  expect(smallestOf({ ...candidate, tspGrams: 5 })).toBe(0.625);
});

test('with bone of unknown content nothing is proposed for calcium or phosphorus, and it is said', () => {
  const profile = PROFILES.profiles.find((each) => each.id === 'aafco-adult')!;
  const necks = splitBone({ ...lineOf('05179', 500), text: 'turkey necks' });
  const proposed = propose([...workedExample(), ...necks], shipped(), PROFILES.nutrients, profile, '4-9-4', 'weight');
  expect(proposed.boneIn).toBe(true);
  expect(proposed.additions.map(({ ndb }) => ndb).filter((ndb) => ndb.startsWith('S'))).toEqual([]);
  expect(proposed.conflicts.map(({ name }) => name)).not.toContain('calcium');
});
