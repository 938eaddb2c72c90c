import { keeps } from '../../../tests/fixtures/dating';
import fc from 'fast-check';
import { solverHere } from '../../../tests/fixtures/highs';
import { FREEZE_DRYER, seededWeeks } from '../../../tests/fixtures/weeks';
import { storeFeedsAll } from '../../../tests/fixtures/weeks-in-store';
import { weeksKeptSchema } from './ask';
import { busiestWeek, cycleLimits, dryingOf, EVENING } from './drying';
import { answerOn, keptOf } from './kept';
import type { SolveMip } from './mip';
import { playWeeks } from './play';
import { secondsFor, solveWeeks } from './solve';
import { waysOut } from './stands';
import { dryKey, type WeeksDryer, type WeeksProblem } from './weeks';
import { whyDays } from './why-day';
import type { LocalDate } from '../calendar/local-date';

let solve: SolveMip;
beforeAll(async () => {
  solve = await solverHere();
});
/** Longer than any of these takes on a busy machine. */
const PATIENT = 600_000;

const DEHYDRATOR: WeeksDryer = {
  ...FREEZE_DRYER,
  equipmentId: 8,
  name: 'dehydrator',
  method: 'dehydrated',
  grams: 3000,
  hours: 10,
  freeIn: 5,
  cyclesAWeek: 3,
  keepsDays: 14,
};

test.each([0, 1, 2])(
  'households with dryers and little room: played by an independent path all limits hold, the dryers’ as well (%i of 3)',
  (part) => {
    let [solved, dried] = [0, 0];
    for (let seed = 1 + part * 12; seed <= 12 + part * 12; seed++) {
      const made = seededWeeks(seed, { days: 14 + (seed % 2) * 7, dogs: 1 + (seed % 3), recipes: 2 });
      const litres = Math.round(made.freezer!.litres * 0.4);
      const problem = {
        ...made,
        freezer: { ...made.freezer!, litres },
        dryers: [FREEZE_DRYER, DEHYDRATOR].slice(seed % 3 === 0 ? 1 : 0, seed % 3 === 1 ? 1 : 2),
      };
      const { answer, cost } = solveWeeks(problem, solve, 60);
      if (!answer) continue;
      solved++;
      expect([seed, playWeeks(problem, answer).broken]).toEqual([seed, []]);
      expect([seed, storeFeedsAll(problem, answer)]).toEqual([seed, true]);
      if (answer.cooks.some(({ cycles }) => cycles)) dried++;
      // A dryer is never worse than none, within the hundredth that is near enough.
      const without = solveWeeks({ ...problem, dryers: [] }, solve, 60);
      if (without.cost !== undefined) expect([seed, cost! <= without.cost * 1.011]).toEqual([seed, true]);
    }
    expect(solved).toBeGreaterThan(8);
    expect(dried).toBeGreaterThan(1);
  },
  PATIENT,
);

/**
 * One dog of 1000 kcal a day, one pot day; by hand: three days lie in store, so that eleven more and one of cover ask for two potfuls
 * of 8 kg. On the evening of the pot 0.8 kg lies in the fridge for tomorrow and 4 kg in the freezer: 11.2 kg have to be dried, two
 * cycles of 6 kg.
 */
const byHand: WeeksProblem = {
  ...seededWeeks(1, { days: 14, dogs: 1, recipes: 1 }),
  dogs: [{ dogId: 1, name: 'Dog 1', needs: Array.from({ length: 14 }, () => 1000), eats: [1] }],
  recipes: [
    {
      recipeId: 1,
      name: 'Recipe 1',
      protein: 'venison',
      kcal: 10_000,
      grams: 8000,
      minutes: 60,
      costOn: undefined,
      offered: true,
      takes: {},
      fridgeDays: keeps(4),
      freezerDays: 90,
      lean: true,
    },
  ],
  stock: [{ key: 's', protein: 'venison', dogIds: [1], kcal: 3000, frozenGrams: 0, last: 13 }],
  cookable: [{ day: 1, minutes: 240 }],
  freezer: { litres: 4, taken: 0, gramsADay: 8000 },
  cover: 1,
  dryers: [FREEZE_DRYER],
};

test(
  'by hand: what has no room in the freezer is dried, in as many cycles as it takes',
  () => {
    const { answer } = solveWeeks(byHand, solve, 30);
    expect(answer!.cooks).toHaveLength(1);
    const [cook] = answer!.cooks;
    expect(cook).toMatchObject({ day: 1, pots: [{ potfuls: 2 }], cycles: [{ equipmentId: 7, cycles: 2 }] });
    const grams = cook!.pots[0]!.dried![0]!.grams;
    expect(grams).toBeGreaterThanOrEqual(11_200 - 5);
    expect(grams).toBeLessThanOrEqual(12_000 + 5);
    const { litres } = playWeeks(byHand, answer!).days[1]!;
    expect(litres).toBeLessThanOrEqual(4.005);
    // Two cycles from the evening of day 1 are over after 94 hours: nothing dried is eaten before day 5.
    const eaten = answer!.dryEaten![dryKey(1, 7)]!;
    expect(eaten.slice(0, 5).every((kcal) => kcal < 1)).toBe(true);
    expect(Math.max(...eaten)).toBeGreaterThan(1);
  },
  PATIENT,
);

test(
  'with one cycle a week it does not go, and two are said; nobody is asked who has no dryer',
  () => {
    const once = { ...byHand, dryers: [{ ...FREEZE_DRYER, cyclesAWeek: 1 }] };
    expect(solveWeeks(once, solve, 30).impossible).toBe(true);
    expect(waysOut(once, solve, 30)).toContainEqual({ is: 'cycles', name: 'freeze-dryer', aWeek: 2 });
    expect(waysOut({ ...byHand, dryers: [] }, solve, 30).map(({ is }) => is)).not.toContain('cycles');
  },
  PATIENT,
);

test(
  'what is dried is eaten while it is good: fourteen days do not reach over four weeks, a year does',
  () => {
    const four: WeeksProblem = {
      ...byHand,
      days: 28,
      dogs: [{ ...byHand.dogs[0]!, needs: Array.from({ length: 28 }, () => 1000) }],
      dryers: [{ ...FREEZE_DRYER, grams: 8000, cyclesAWeek: 3 }],
    };
    const { answer } = solveWeeks(four, solve, 30);
    expect(playWeeks(four, answer!).broken).toEqual([]);
    const short = { ...four, dryers: [{ ...four.dryers[0]!, keepsDays: 14 }] };
    expect(solveWeeks(short, solve, 30)).toMatchObject({ answer: undefined, impossible: true });
    // The same answer, lived with food that is good for fourteen days, is said to be past its date.
    expect(playWeeks(short, answer!).broken.map(({ what }) => what)).toContain('date');
  },
  PATIENT,
);

test(
  'fat food is not dehydrated, and freeze-dried it is',
  () => {
    const fat = { ...byHand, recipes: [{ ...byHand.recipes[0]!, lean: false }] };
    const warm = { ...FREEZE_DRYER, method: 'dehydrated' as const };
    expect(solveWeeks({ ...fat, dryers: [warm] }, solve, 30).impossible).toBe(true);
    expect(solveWeeks({ ...byHand, dryers: [warm] }, solve, 30).answer).toBeDefined();
    expect(solveWeeks(fat, solve, 30).answer).toBeDefined();
  },
  PATIENT,
);

test('a load too many, too large or of another day is seen by who plays it', () => {
  const { answer } = solveWeeks(byHand, solve, 30);
  const [cook] = answer!.cooks;
  const broken = (over: object, dryer: object = {}) =>
    playWeeks(
      { ...byHand, dryers: [{ ...FREEZE_DRYER, ...dryer }] },
      { ...answer!, cooks: [{ ...cook!, ...over }] },
    ).broken.filter(({ what }) => what === 'drying');
  expect(broken({})).toEqual([]);
  expect(broken({ cycles: [{ equipmentId: 7, cycles: 1 }] })[0]?.by).toBeCloseTo(
    cook!.pots[0]!.dried![0]!.grams / 1000 - 6,
    6,
  );
  expect(broken({}, { cyclesAWeek: 1 })).not.toEqual([]);
  // It lies full for three days yet.
  expect(broken({}, { freeIn: 96 })).not.toEqual([]);
});

test('the limits on cycles are those of one machine that runs one after the other, each over in time', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 6, max: 60 }),
      fc.integer({ min: 1, max: 5 }),
      fc.integer({ min: 0, max: 60 }),
      fc.array(fc.record({ gap: fc.integer({ min: 1, max: 5 }), cycles: fc.integer({ min: 0, max: 4 }) }), {
        minLength: 1,
        maxLength: 6,
      }),
      (hours, days, freeIn, loads) => {
        const fridgeDays = keeps(days);
        const dryer = { ...FREEZE_DRYER, hours, freeIn, cyclesAWeek: 1000 };
        const { most } = dryingOf(dryer, fridgeDays);
        let day = 0;
        const cooks = loads.map(({ gap, cycles }) => ({ day: (day += gap), cycles: Math.min(cycles, most) }));
        const within = (from: number, to: number) =>
          cooks.reduce((sum, each) => (each.day >= from && each.day <= to ? sum + each.cycles : sum), 0);
        const held = cycleLimits(
          dryer,
          fridgeDays,
          cooks.map((each) => each.day),
        ).every(({ from, to, most: may }) => within(from, to) <= may);
        // Hour by hour: in the order of their days, none before the evening of its own.
        let free = freeIn + EVENING;
        let inTime = true;
        for (const each of cooks) {
          if (each.cycles === 0) continue;
          free = Math.max(free, each.day * 24 + EVENING) + each.cycles * hours;
          inTime &&= free <= each.day * 24 + EVENING + most * hours;
        }
        expect(held).toBe(inTime);
      },
    ),
    { numRuns: 500 },
  );
});

test('kept and read again it is the same, two days later it goes on from there; each cook day can say why', () => {
  const { answer } = solveWeeks(byHand, solve, 30);
  const today = '2026-11-25' as LocalDate;
  const kept = keptOf(answer!, today, 14);
  expect(weeksKeptSchema.parse(JSON.parse(JSON.stringify(kept)))).toEqual(JSON.parse(JSON.stringify(kept)));
  expect(playWeeks(byHand, answerOn(kept, today, 14))).toEqual(playWeeks(byHand, answer!));
  const later = answerOn(kept, '2026-11-26' as LocalDate, 14);
  expect(later.cooks[0]).toMatchObject({ day: 0, cycles: [{ cycles: 2 }] });
  expect(later.dryEaten![dryKey(1, 7)]!.slice(0, 13)).toEqual(answer!.dryEaten![dryKey(1, 7)]!.slice(1));
  const [why] = whyDays(byHand, answer!);
  // 16 kg less what is eaten by the next evening, in 4 L.
  expect(why!.pots[0]!.frozen!.broken).toMatchObject({ what: 'litres', day: 1 });
  expect(why!.pots[0]!.frozen!.broken!.by).toBeGreaterThanOrEqual(11.2 - 0.005);
  expect(busiestWeek(answer!.cooks, 7)).toBe(2);
});

test('with a dryer it may take longer', () => {
  expect(secondsFor({ ...byHand, dryers: [] })).toBeLessThan(secondsFor(byHand));
});
