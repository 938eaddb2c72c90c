import { DOGS, inputsOf, plainRecipe, recipeOf, TODAY } from '../../../tests/fixtures/plans';
import type { LineEntry } from '../recipe/entry-schema';
import { workOutPlan } from './result';
import { checkDogs, seriousIn } from './dog-checks';
import { plainPlan } from './plan-entry';
import { littleLeft } from './stops';

const cook = (amount: string, ndb: string, part: LineEntry['part'], over: Partial<LineEntry> = {}): LineEntry => ({
  amount,
  ndb,
  part,
  moment: 'cook',
  ...over,
});
const checked = (lines: readonly LineEntry[], over = {}) => {
  const inputs = inputsOf({ recipes: [recipeOf(2, lines)], ...over });
  const result = workOutPlan(inputs, plainPlan(2, [1, 2], TODAY));
  if (!result.ok) throw new Error(result.problem.message);
  return { inputs, result: result.value, checks: checkDogs(inputs, result.value) };
};
const MEAT = [cook('1 kg', '17343', 'muscle'), cook('300 g', '20005', 'carbohydrate')];

// AAFCO 2016, growth (from memory): at least 3.0 g of calcium in 1000 kcal; under half of it is serious (ours).
test('a pup whose food is far short of calcium must be seen first; a grown dog is told below', () => {
  const { checks } = checked(MEAT);
  const [grown, pup] = checks;
  expect(grown!.serious).toBeUndefined();
  expect(pup!.serious).toMatch(/at least 3 g is needed/);
  expect(seriousIn(checks)).toEqual([{ id: 'calcium-2', name: 'Pup', why: pup!.serious }]);
});

test('with bone of unknown content it is unknown, and said so', () => {
  const { checks } = checked([
    ...MEAT,
    cook('500 g', '05048', 'muscle', { preparation: 'chicken backs', moment: 'stir-in' }),
  ]);
  expect(checks[1]).toMatchObject({ serious: undefined, growth: expect.stringContaining('unknown') });
  expect(checks[0]!.unknown).toEqual(expect.arrayContaining(['calcium', 'phosphorus']));
});

// NRC 2006, safe upper limit (from memory): vitamin D 800 IU in 1000 kcal; AAFCO's most is 750. Fat: NRC 82.5 g, AAFCO none.
test('what NRC calls too much is said of a plan, with the table that says so', () => {
  const { checks } = checked([cook('300 g', '17343', 'muscle'), cook('700 g', '04002', 'fat')]);
  expect(checks[0]!.over.join()).toContain('fat (NRC’s safe upper limit)');
});

test('little left over what the store holds asks; nothing left is no plan', () => {
  const inputs = inputsOf({ recipes: [plainRecipe()] });
  const whole = workOutPlan(inputs, plainPlan(2, [1], TODAY, { binding: { days: '1' } }));
  if (!whole.ok) throw new Error(whole.problem.message);
  const need = whole.value.needs[0]!.byDay[0]!;
  const covered = (part: number) => ({ 1: { [TODAY]: need * part } });
  const asked = (part: number) => {
    const own = inputsOf({ recipes: [plainRecipe()], covered: covered(part) });
    const result = workOutPlan(own, plainPlan(2, [1], TODAY, { lessStock: true, binding: { days: '1' } }));
    return result.ok ? littleLeft(own, true, result.value) : result.problem;
  };
  expect(asked(0.1)).toBeUndefined();
  expect(asked(0.9)).toMatchObject({ id: 'little-left' });
  expect(asked(1)).toMatchObject({ field: 'lessStock' });
  expect(DOGS).toHaveLength(2);
});
