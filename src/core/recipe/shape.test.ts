import { readFileSync } from 'node:fs';
import { testMeasures } from '../../../tests/fixtures/reference-files';
import { asWritten, lineOf, pouredWaterLine, workedExample } from '../../../tests/fixtures/worked-example';
import { energyOf } from '../nutrition/energy';
import { ALONE, linesAt } from './bases';
import { boneShare } from './bone';
import { shapeAgainst, shapeFigures, shapeSchema, volumeShares } from './shape';
import { recipeSheet } from './sheet';

const measures = testMeasures();
const measuresOf = (ndb: string) => measures.get(ndb) ?? [];
const shapes = (JSON.parse(readFileSync('data/shapes.json', 'utf8')) as { shapes: unknown[] }).shapes.map((shape) =>
  shapeSchema.parse(shape),
);
const kcalOf = (line: Parameters<typeof energyOf>[0][number]) => energyOf([line], '4-9-4');
const against = (id: string, lines: ReturnType<typeof workedExample>) =>
  Object.fromEntries(
    shapeAgainst(
      shapes.find((shape) => shape.id === id)!,
      lines,
      measuresOf,
      kcalOf,
    ).map((row) => [row.name, row]),
  );

// Common practice (handbook 4): ground meat is about 2 cups a pound; USDA SR 24: barley 200 g, kale 67 g a cup.
test('a recipe of a pound of meat, a cup of barley and a cup of kale is half meat by volume', () => {
  const lines = [
    lineOf('17343', 453.59237, 'muscle'),
    lineOf('20005', 200, 'carbohydrate'),
    lineOf('11233', 67, 'vegetable'),
    pouredWaterLine(500),
  ];
  const volumes = volumeShares(lines, measuresOf);
  expect(volumes.of.get('muscle')).toBeCloseTo(0.5, 6);
  expect(volumes.of.get('carbohydrate')).toBeCloseTo(0.25, 6);
  expect(volumes.coverage).toBe(1);
  const rows = against('half-by-volume', lines);
  expect(Object.values(rows).map((row) => row.verdict)).toEqual(['met', 'met', 'met']);
  // The same by weight is far more meat.
  expect(recipeSheet(lines, '4-9-4').shares.find((share) => share.part === 'muscle')!.weight).toBeCloseTo(0.63, 2);
});

test('a food without a cup counts in the coverage, not as no volume', () => {
  const goat = lineOf('17168', 300, 'dairy');
  const { of, coverage } = volumeShares([goat, lineOf('20005', 100, 'carbohydrate')], measuresOf);
  expect(of.get('carbohydrate')).toBe(1);
  expect(coverage).toBeCloseTo(0.25, 9);
});

// Common practice (handbook 4): muscle, 10–15 % bone, about 5 % liver, 5 % another secreting organ; wings 45 % bone.
test('an assembled prep of wings, heart, liver and kidney has the shape that cooks ask for', () => {
  const written = asWritten([
    { ...lineOf('05100', 280, 'bone', 'bowl'), text: '280 g chicken wings' },
    lineOf('17343', 620, 'muscle', 'bowl'),
    { ...lineOf('05027', 50, 'secreting organ', 'bowl'), text: '50 g liver' },
    { ...lineOf('10106', 50, 'secreting organ', 'bowl'), text: '50 g kidney' },
  ]).map((line) => ({ ...line, moment: 'stir-in' as const }));
  const lines = linesAt(written, ALONE);
  const rows = against('assembled-raw', lines);
  expect(rows.bone!.share).toBeCloseTo(0.126, 6);
  expect(rows.liver!.share).toBeCloseTo(0.05, 6);
  expect(rows['another secreting organ']!.share).toBeCloseTo(0.05, 6);
  expect(Object.values(rows).every((row) => row.verdict === 'met')).toBe(true);
  const figures = shapeFigures(lines, recipeSheet(lines, '4-9-4'));
  expect(figures.bone).toBeCloseTo(0.126, 6);
  expect(figures.secreting).toBeCloseTo(0.1, 6);
});

test.each([
  ['chicken feet', 0.6],
  ['Duck neck, skinned', 0.36],
  ['wings', 0.45],
  ['necktie stew', undefined],
  ['drumstick', undefined],
])('%s is bone to %s', (name, share) => expect(boneShare(name)).toBe(share));

// By hand from USDA SR 24: protein of venison 217.8 g in 1000 g; fat 91.68 g in 670.65 g of solids.
test('figures of the worked example', () => {
  const sheet = recipeSheet(workedExample(), '4-9-4');
  const figures = shapeFigures(workedExample(), sheet);
  expect(figures.animalProtein).toBeCloseTo(217.8 / 2.83456, 1);
  expect(figures.fatInDryMatter).toBeCloseTo(91.68 / sheet.solids, 4);
  expect(figures.water).toBeCloseTo(1144.35 / 1815, 4);
});
