import { addUp } from '../add-up';
import type { LocalDate } from '../calendar/local-date';
import { solverHere } from '../../../tests/fixtures/highs';
import { seededWeeks } from '../../../tests/fixtures/weeks';
import type { SolveMip } from './mip';
import { playWeeks } from './play';
import { solveWeeks } from './solve';
import { inTheWay, waysOut } from './stands';
import { usualWeeks } from './usual';
import { sayBroken } from './say';
import { needOn, recipeKey, stockKey } from './weeks';
import { whyDays } from './why-day';

let solve: SolveMip;
beforeAll(async () => {
  solve = await solverHere();
});
/** Longer than any of these takes on a busy machine. */
const PATIENT = 600_000;

const made = seededWeeks(5, { days: 21 });
const small = { ...made, freezer: { litres: 9, taken: 0, gramsADay: 8000 } };

test(
  'a freezer that is too small: said how many litres more it takes, and with one fewer it does not go',
  () => {
    expect(solveWeeks(small, solve, 30).impossible).toBe(true);
    const ways = waysOut(small, solve, 30);
    const litres = ways.find((way) => way.is === 'litres');
    expect(litres?.is === 'litres' && litres.by).toBeGreaterThan(0);
    const by = litres?.is === 'litres' ? litres.by : NaN;
    const withMore = (more: number) => ({
      ...small,
      freezer: { ...small.freezer, litres: small.freezer.litres + more },
    });
    expect(playWeeks(withMore(by), solveWeeks(withMore(by), solve, 30).answer!).broken).toEqual([]);
    expect(solveWeeks(withMore(by - 1), solve, 30).answer).toBeUndefined();
  },
  PATIENT,
);

test(
  'one cook day too few: said which one more',
  () => {
    const once = { ...made, cookable: made.cookable.slice(0, 1), freezer: { litres: 22, taken: 0, gramsADay: 8000 } };
    expect(solveWeeks(once, solve, 30).answer).toBeUndefined();
    const way = waysOut(once, solve, 30).find(({ is }) => is === 'days');
    expect(way).toBeDefined();
    const more = way?.is === 'days' ? way.on.map((day) => ({ day, minutes: once.cookable[0]!.minutes })) : [];
    expect(more.map(({ day }) => day)).not.toContain(once.cookable[0]!.day);
    expect(solveWeeks({ ...once, cookable: [...once.cookable, ...more] }, solve, 30).answer).toBeDefined();
  },
  PATIENT,
);

test(
  'what the cook has fixed stands in the way of everything: said',
  () => {
    const fixed = { ...made, said: made.cookable.map(({ day }) => ({ day, pots: undefined })) };
    expect(waysOut(fixed, solve, 30)).toContainEqual({ is: 'said' });
  },
  PATIENT,
);

test('what no cooking can mend is said before anything is solved', () => {
  const is = (problem: typeof made) => inTheWay(problem).map((each) => each.is);
  expect(is(made)).toEqual([]);
  expect(is({ ...made, dogs: [] })).toEqual(['nobody']);
  expect(is({ ...made, recipes: [] })).toContain('no recipe');
  expect(is({ ...made, cookable: [] })).toContain('no day');
  expect(is({ ...made, freezer: { litres: 0, taken: 0, gramsADay: 0 } })).toEqual(['no freezer']);
  const picky = made.dogs.map((dog, index) => (index === 0 ? { ...dog, eats: [] } : dog));
  expect(is({ ...made, dogs: picky, stock: made.stock.filter(({ dogIds }) => !dogIds.includes(1)) })).toContain(
    'no food for',
  );
  expect(inTheWay({ ...made, stock: [], cookable: [{ day: 3, minutes: 240 }] })).toContainEqual(
    expect.objectContaining({ is: 'too late', lasts: 0, first: 4 }),
  );
});

test(
  'why a day is the day: a day later somebody goes short, a day earlier the freezer or the hours do not do',
  () => {
    const problem = seededWeeks(4);
    const { answer } = solveWeeks(problem, solve, 60);
    const whys = whyDays(problem, answer!);
    expect(whys.map(({ day }) => day)).toEqual(answer!.cooks.map(({ day }) => day));
    const telling = whys.flatMap(({ earlier, later }) => [earlier?.broken?.what, later?.broken?.what]).filter(Boolean);
    expect(telling.length).toBeGreaterThan(0);
    // Where a potful fewer would do as well as all of it, the answer would not have cooked it.
    expect(whys.flatMap(({ pots }) => pots).some(({ fewer }) => fewer !== undefined)).toBe(true);
  },
  PATIENT,
);

test('a dog whose pot comes too late has nothing only where nothing is there: else it eats out of turn, and that is said', () => {
  const dog = { ...made.dogs[0]!, needs: made.dogs[0]!.needs.map(() => 500) };
  const own = recipeKey(dog.eats[0]!);
  const goat = stockKey('goat', [dog.dogId], 20);
  const of = (kcal: number) => ({
    ...made,
    dogs: [dog],
    stock: [{ key: goat, protein: 'goat', dogIds: [dog.dogId], kcal, frozenGrams: 0, last: 20 }],
  });
  // Nothing is cooked: day 0 goat, from day 1 on the recipe that is not there.
  const answer = { cooks: [], eats: { [dog.dogId]: dog.needs.map((_, day) => (day === 0 ? goat : own)) } };
  const unfed = (kcal: number) => playWeeks(of(kcal), answer).broken.find(({ what }) => what === 'unfed')!;
  const names = { today: '2026-11-25' as LocalDate, recipe: String, dog: () => 'Otto', set: 'metric' as const };
  expect(unfed(1600)).toMatchObject({ day: 1, outOfTurn: true });
  expect(sayBroken(unfed(1600), names)).toBe('Otto would have to eat out of turn on Thu 26 Nov');
  expect(unfed(900)).not.toHaveProperty('outOfTurn');
  expect(sayBroken(unfed(900), names)).toBe('Otto has nothing on Thu 26 Nov');
});

test('the usual way cooks whenever less than three days are left, and keeps hours and freezer', () => {
  for (let seed = 1; seed <= 20; seed++) {
    const problem = seededWeeks(seed);
    const usual = usualWeeks(problem);
    const { broken } = playWeeks(problem, usual);
    expect([seed, broken.filter(({ what }) => what === 'litres' || what === 'minutes' || what === 'day')]).toEqual([
      seed,
      [],
    ]);
    if (broken.some(({ what }) => what === 'unfed')) continue;
    const kcal = (upTo: number) =>
      addUp(problem.stock, (group) => group.kcal) +
      addUp(
        usual.cooks.filter((each) => each.day < upTo),
        ({ pots }) =>
          addUp(pots, (pot) => pot.potfuls * problem.recipes.find((each) => each.recipeId === pot.recipeId)!.kcal),
      );
    const need = (through: number) =>
      addUp([...Array(through + 1).keys()], (day) => needOn(problem, Math.min(problem.days - 1, day)));
    for (const { day } of usual.cooks) {
      const next = problem.cookable.find((each) => each.day > day)?.day ?? problem.days;
      // Without this pot fewer than three days would be left on the next chance.
      expect([seed, day, kcal(day) < need(next + 2)]).toEqual([seed, day, true]);
    }
  }
});
