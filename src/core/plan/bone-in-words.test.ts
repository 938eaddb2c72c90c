import { DOGS, inputsOf, POT, recipeOf, TODAY } from '../../../tests/fixtures/plans';
import { balanceOf } from '../nutrition/balance';
import { linesOfWeights } from '../recipe/bases';
import { boneInWords } from '../recipe/bone';
import type { LineEntry } from '../recipe/entry-schema';
import { recipeSheet } from '../recipe/sheet';
import { shapeFigures } from '../recipe/shape';
import { uncountedLines, uncountedOf } from '../recipe/uncounted';
import { testProfiles } from '../../../tests/fixtures/reference-files';
import { plainPlan } from './plan-entry';
import { workOutPlan } from './result';
import { standingAgainst } from './stops';

const words = (text: string): LineEntry => ({
  amount: '',
  ndb: '',
  preparation: text,
  part: 'muscle',
  moment: 'cook',
  words: true,
});
const counted = (preparation: string, ndb: string, over: Partial<LineEntry> = {}): LineEntry => ({
  amount: '2 lb',
  ndb,
  preparation,
  part: 'muscle',
  moment: 'cook',
  ...over,
});
const barley: LineEntry = { amount: '1 cup', ndb: '20005', part: 'carbohydrate', moment: 'cook' };
const venison = counted('venison, boned', '17343');

/** What stops a plan of lines, those that are words beside those that are counted. */
function stopsOf(lines: readonly LineEntry[]): string[] {
  const recipe = recipeOf(
    7,
    lines.filter((line) => line.words !== true),
    { uncounted: uncountedOf(lines, 'us') },
  );
  const inputs = inputsOf({ recipes: [recipe], equipment: [POT], dogs: DOGS });
  const entry = plainPlan(
    7,
    DOGS.map(({ id }) => id),
    inputs.tomorrow,
    { cookDay: TODAY, binding: { by: 'days', days: '3' } },
    'us',
  );
  const result = workOutPlan(inputs, entry);
  if (!result.ok) throw new Error(result.problem.message);
  return standingAgainst(inputs, result.value).stops.map(({ message }) => message);
}

// Cooked bone is never fed (ASPCA and FDA lists, from memory); which words mean bone is common practice, no source.
const BONES = [
  '2 lb lamb bones',
  'one chicken carcass, whatever is left',
  'a turkey frame',
  'chicken necks, a bag of them',
  '6 chicken feet',
  '1 whole chicken',
  'duck neck and feet',
  'a soup bone from the butcher',
  'pig trotters',
  'oxtail, 3 lb',
  'two lamb shanks',
  'beef knuckle bones',
  'spareribs of pork',
  '2 fryers, cut up (chicken)',
  'rabbit, jointed',
  '4 quail',
] as const;
const NONE = [
  'celery ribs',
  'bone broth, 2 cups',
  '2 tbsp bone meal',
  'chicken thighs, boneless',
  'carcass strained out after an hour',
  'butternut squash, the neck of it',
  'For the pot:',
  'turkey neck, meat only',
  'simmer and stir',
] as const;

test.each(BONES)('“%s” kept as words stops a cooked plan', (text) => {
  expect(boneInWords(text)).toBe(true);
  expect(stopsOf([venison, barley, words(text)]).join(' ')).toMatch(/cooked bone/);
});

test.each(NONE)('“%s” kept as words stops nothing', (text) => {
  expect(boneInWords(text)).toBe(false);
  expect(stopsOf([venison, barley, words(text)])).toEqual([]);
});

// Matched with a food of the table and said by its cut: asked or taken off with its share, and never cooked.
test.each([
  ['2 whole fryers', '05006'],
  ['a roaster', '05006'],
  ['capon', '05006'],
  ['cornish game hens', '05006'],
  ['chicken quarters', '05006'],
  ['pork chops', '10070'],
  ['lamb chops', '17007'],
])('%s hold bone: a cooked plan is stopped', (text, ndb) => {
  expect(stopsOf([counted(text, ndb), barley]).join(' ')).toMatch(/cooked bone/);
  expect(stopsOf([counted(`${text}, boneless`, ndb), barley])).toEqual([]);
});

test('onion in words hurts as it does in a counted line', () => {
  expect(stopsOf([venison, barley, words('1 tsp onion powder')]).join(' ')).toMatch(/onion/);
});

test('bone in words makes calcium and phosphorus unknown; a premix in words makes short perhaps', () => {
  const recipe = recipeOf(7, [venison, barley]);
  const lines = linesOfWeights(
    recipe.written,
    recipe.written.map(({ grams }) => grams),
  );
  const { nutrients, profiles } = testProfiles();
  const profile = profiles.find(({ id }) => id === 'aafco-adult')!;
  const verdict = (name: string, text?: string) => {
    const own = text === undefined ? [] : uncountedLines(uncountedOf([words(text)], 'us'));
    return balanceOf([...lines, ...own], nutrients, profile, '4-9-4').rows.find((row) => row.name === name)!.verdict;
  };
  expect(verdict('calcium')).toBe('short');
  expect([verdict('calcium', '2 tbsp premix'), verdict('calcium', '2 lb lamb bones')]).toEqual(['perhaps', 'unknown']);
  // A heading or a step holds nothing.
  expect(verdict('calcium', 'For the pot:')).toBe('short');
  expect(verdict('calcium', 'stir well')).toBe('short');
});

// Handbook 4: feet are about 60 % bone (common practice, no source).
test('a recipe of feet shows its bone in its shape', () => {
  const recipe = recipeOf(7, [counted('chicken feet', '05335', { moment: 'raw' })]);
  const lines = linesOfWeights(
    recipe.written,
    recipe.written.map(({ grams }) => grams),
  );
  expect(shapeFigures(lines, recipeSheet(lines, '4-9-4')).bone).toBeCloseTo(0.6, 6);
});
