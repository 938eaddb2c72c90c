import fc from 'fast-check';
import { addUp } from '../add-up';
import { mealsAhead } from '../stock/meals-ahead';
import { mealsAlways } from '../dog/meals';
import { dogOf } from '../../../tests/fixtures/dogs';
import { solverHere } from '../../../tests/fixtures/highs';
import { seededWeeks } from '../../../tests/fixtures/weeks';
import { fromStore } from './kept';
import { alwaysOf, apartFrom, apartId, dogOfEater, dogsAmong, heldFrom } from './meals-apart';
import type { SolveMip } from './mip';
import { playWeeks } from './play';
import { solveWeeks } from './solve';
import { waysOut } from './stands';
import { candidatesOf, recipeKey, type WeeksProblem } from './weeks';
import type { LocalDate } from '../calendar/local-date';

const TODAY = '2026-11-25' as LocalDate;
let solve: SolveMip;
beforeAll(async () => {
  solve = await solverHere();
});
/** Longer than any of these takes on a busy machine. */
const PATIENT = 600_000;

test('a breakfast of 40 % that is always of one recipe: 0.4 of what the dog needs of each day', () => {
  const dog = dogOf(20, TODAY, {
    ration: {
      meals: [
        { slotId: 1, fraction: 0.4, recipeId: 3 },
        { slotId: 2, fraction: 0.6 },
      ],
    },
  });
  const mealsOn = mealsAhead(dog, TODAY, '00:00', new Set());
  const whole = addUp(mealsOn(5), ({ kcal }) => kcal);
  const [own, ...others] = alwaysOf(mealsOn, 6);
  expect(others).toEqual([]);
  expect(own).toMatchObject({ recipeId: 3 });
  expect(own!.kcal).toHaveLength(6);
  expect(own!.kcal[5]).toBeCloseTo(0.4 * whole, 9);
  expect(mealsAlways(dog, 3, TODAY)).toBe(dog.slots[0]!.name);
  expect(mealsAlways(dog, 4, TODAY)).toBe('');
});

test('property: apart or not, a dog gets what it needs of each day, and an eater says whose it is', () => {
  const kcal = fc.array(fc.integer({ min: 0, max: 900 }), { minLength: 7, maxLength: 7 });
  fc.assert(
    fc.property(kcal, kcal, kcal, fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }), (needs, one, two, held) => {
      const dog = { dogId: 4, name: 'Dog', needs: needs.map((need) => need + 1800), eats: [1, 2, 3] };
      const eaters = apartFrom(
        dog,
        [
          { recipeId: 1, kcal: one },
          { recipeId: 2, kcal: two },
        ],
        (recipeId, day) => recipeId === 2 || held[day]!,
        (recipeId) => `meal ${recipeId}`,
      );
      for (let day = 0; day < 7; day++)
        expect(addUp(eaters, (each) => each.needs[day]!)).toBeCloseTo(dog.needs[day]!, 9);
      expect(dogsAmong(eaters)).toEqual([4]);
      expect(new Set(eaters.map(({ dogId }) => dogId)).size).toBe(eaters.length);
      // On a day on which nobody gets its protein the meal is one of the others.
      const own = eaters.find(({ dogId }) => dogId === apartId(4, 1));
      own?.needs.forEach((need, day) => expect(held[day] || need === 0).toBe(true));
    }),
  );
});

test('a dog all of whose meals are always of one recipe eats by them alone; one without such meals is as it was', () => {
  const dog = { dogId: 4, name: 'Dog', needs: [500, 500], eats: [1, 2] };
  const named = () => 'breakfast';
  expect(apartFrom(dog, [], () => true, named)).toEqual([dog]);
  expect(apartFrom(dog, [{ recipeId: 9, kcal: [500, 500] }], () => false, named)).toEqual([dog]);
  expect(apartFrom(dog, [{ recipeId: 2, kcal: [500, 500] }], () => true, named)).toEqual([
    {
      dogId: apartId(4, 2),
      name: 'Dog’s breakfast',
      needs: [500, 500],
      eats: [2],
      apart: { meal: 'breakfast', orElse: [1, 2] },
    },
  ]);
  expect([dogOfEater(apartId(4, 2)), dogOfEater(4)]).toEqual([4, 4]);
});

test('a pot that the cook has fixed without its recipe is no chance to cook it', () => {
  const whole = { dogId: apartId(4, 2), name: 'breakfast', needs: [], eats: [2] };
  const held = { ...whole, apart: { meal: 'breakfast', orElse: [1, 2] } };
  const on = (day: number, pots?: readonly number[]) => ({
    day,
    minutes: 240,
    from: day + 2,
    said: pots && { day, pots: pots.map((recipeId) => ({ recipeId, potfuls: 1 })) },
  });
  expect(heldFrom(held, [on(1), on(4), on(8)])).toBe(6);
  expect(heldFrom(held, [on(1), on(4, [1]), on(8)])).toBe(10);
  expect(heldFrom(held, [on(1), on(4, [1, 2]), on(8)])).toBe(6);
  expect(heldFrom(held, [on(1)])).toBe(Infinity);
  expect(heldFrom(whole, [on(1), on(4)])).toBe(Infinity);
});

/** The seeded household, its first dog's breakfast always of the second recipe. */
function withBreakfast(seed: number): WeeksProblem {
  const made = seededWeeks(seed, { days: 21, dogs: 2, recipes: 3 });
  const [first, ...others] = made.dogs;
  const eaters = apartFrom(
    first!,
    [{ recipeId: 2, kcal: first!.needs.map((need) => need * 0.4) }],
    () => true,
    () => 'breakfast',
  );
  return {
    ...made,
    dogs: [...eaters, ...others],
    stock: made.stock.map((group) => ({
      ...group,
      dogIds: [...eaters, ...others].map(({ dogId }) => dogId).filter((id) => group.dogIds.includes(dogOfEater(id))),
    })),
  };
}

test(
  'from the second chance to cook on the meal is of its recipe on every day; played, all limits hold',
  () => {
    let fed = 0;
    for (const seed of [1, 2, 3, 4, 6, 7]) {
      const problem = withBreakfast(seed);
      const { answer } = solveWeeks(problem, solve, 60);
      if (!answer) continue;
      expect(playWeeks(problem, answer).broken).toEqual([]);
      const own = answer.eats[apartId(1, 2)]!;
      const [, second] = candidatesOf(problem);
      own.slice(second!.from).forEach((key) => expect(key).toBe(recipeKey(2)));
      fed += own.filter((key) => key === recipeKey(2)).length;
    }
    expect(fed).toBeGreaterThan(60);
  },
  PATIENT,
);

test(
  'an answer found before a ration was changed still says what the dog gets; where that is not the meal’s recipe it is said',
  () => {
    const now = withBreakfast(1);
    const before = seededWeeks(1, { days: 21, dogs: 2, recipes: 3 });
    const { answer } = solveWeeks(before, solve, 60);
    const read = fromStore(now, answer!);
    const breakfasts = read.eats[apartId(1, 2)]!;
    expect(breakfasts.every((key) => key !== undefined)).toBe(true);
    const other = breakfasts.filter((key) => key?.startsWith('r') && key !== recipeKey(2)).length;
    expect(other).toBeGreaterThan(0);
    const unfed = playWeeks(now, read).broken.filter((each) => each.what === 'unfed');
    expect(unfed.filter(({ dogId }) => dogId === apartId(1, 2))).toHaveLength(other);
    // And back: a dog that ate by its meals alone is one dog again.
    const whole = { ...before, dogs: before.dogs.slice(0, 1) };
    const meals = { ...answer!, eats: { [apartId(1, 2)]: answer!.eats[1]! } };
    expect(fromStore(whole, meals).eats).toEqual(fromStore(whole, answer!).eats);
  },
  PATIENT,
);

test(
  'what is in store of its protein is such a meal as well, whenever it is eaten',
  () => {
    const made = withBreakfast(1);
    // Its recipe is never cooked: of goat there is enough for all of its breakfasts, of venison for the rest.
    const kcal = addUp(made.dogs, ({ needs }) => addUp(needs, (need) => need)) * 1.2;
    const group = { dogIds: made.dogs.map(({ dogId }) => dogId), kcal, frozenGrams: 1000, last: 20 };
    const stock = [
      { ...group, key: 'goats', protein: 'goat' },
      { ...group, key: 'deer', protein: 'venison' },
    ];
    const recipes = made.recipes.map((each) => ({ ...each, minutes: 900 }));
    const problem = { ...made, stock, recipes, proteinDays: undefined, proteinsAFortnight: 1 };
    const { answer } = solveWeeks(problem, solve, 60);
    expect(answer!.cooks).toEqual([]);
    const [, second] = candidatesOf(problem);
    expect(new Set(answer!.eats[apartId(1, 2)]!.slice(second!.from))).toEqual(new Set(['goats']));
  },
  PATIENT,
);

test(
  'where a meal that is always of one recipe stands in the way, it is among the ways out',
  () => {
    const made = withBreakfast(1);
    // Its recipe takes longer than the cook ever has.
    const slow = {
      ...made,
      recipes: made.recipes.map((each) => (each.recipeId === 2 ? { ...each, minutes: 900 } : each)),
      proteinDays: undefined,
      proteinsAFortnight: 1,
    };
    expect(solveWeeks(slow, solve, 30).answer).toBeUndefined();
    expect(waysOut(slow, solve, 30)).toContainEqual({ is: 'always', whose: ['Dog 1’s breakfast'] });
  },
  PATIENT,
);
