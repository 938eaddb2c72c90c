import { demoDatabase } from '../fixtures/database';
import type { Database } from '../database';
import { loadReference, type Reference } from '../reference/reference';
import { readPacksFile } from '../repositories/stock-file';
import { readPackByCode, readStock } from '../repositories/stock';
import { runCommand, tryCommand } from './run';
import { takeStockTable } from './stock-table';

const NOW = '2026-11-25T12:00:00Z';
let db: Database;
let reference: Reference;
let count = 0;

beforeAll(async () => {
  reference = await loadReference();
  db = await demoDatabase(NOW, reference);
});
const house = () => ({ db, reference, now: new Date(NOW) });
const take = (text: string) =>
  runCommand(house(), { id: `table-${count++}`, kind: 'stock table', input: text }, (context) =>
    takeStockTable(context, { text }),
  );

test('what goes out comes in again as it is, whatever decides cells and decimals', async () => {
  const out = await readPacksFile({ db });
  const before = await readStock(db);
  for (const text of [out, '\uFEFF' + out, out.replace(/\n/g, '\r\n')]) {
    const taken = await take(text);
    expect(taken.ok && taken.value.rows.every(({ fate }) => fate === 'as it is')).toBe(true);
    expect(taken.ok && taken.value.rows.length).toBe(before.length);
  }
  const semicolons = 'code;grams;place\nV17;412,5;Fridge\n';
  const tried = await tryCommand(house(), (context) => takeStockTable(context, { text: semicolons }));
  expect(tried.ok && tried.value.rows).toMatchObject([{ row: 2, fate: 'changed' }]);
  // It was only looked at.
  expect(await readStock(db)).toEqual(before);
});

test('a weight is put right, a pack moved, and a row without a code is a pack that was found', async () => {
  const taken = await take(
    [
      'code,recipe,kind,for,place,grams,kcal,water_ml,packed',
      'V17,,,,Freezer,400.5,,,',
      ',"Goat, millet & beetroot",,Otto,Freezer,300,390,,2026-10-02',
      ',"Goat, millet & beetroot",Freeze-dried,,Cupboard,100,430,260,2026-10-02',
    ].join('\n'),
  );
  expect(taken.ok && taken.value.rows.map(({ fate }) => fate)).toEqual(['changed', 'new', 'new']);
  expect((await readPackByCode(db, 'V17'))!.grams).toBe(400.5);
  const [wet, dry] = taken.ok ? taken.value.codes : [];
  expect(await readPackByCode(db, wet!)).toMatchObject({
    grams: 300,
    density: 1.3,
    dogName: 'Otto',
    foodKind: 'cooked',
  });
  expect(await readPackByCode(db, dry!)).toMatchObject({ density: 4.3, waterPerGram: 2.6, foodKind: 'freeze-dried' });
});

test('water says that a row is dry, not how: it is asked, and raw food is not taken for cooked', async () => {
  const rows = (kind: string, water: string, place = 'Freezer') =>
    take(
      `recipe,kind,place,grams,kcal,water_ml,packed\n"Goat, millet & beetroot",${kind},${place},100,130,${water},2026-11-24`,
    );
  const asked = await rows('', '200', 'Cupboard');
  expect(!asked.ok && asked.problems[0]!.message).toMatch(/dehydrated or freeze-dried\?/);
  const raw = await rows('raw', '', 'Fridge');
  // Raw food two days (USDA, 1–2 days), not four.
  expect(raw.ok && (await readPackByCode(db, raw.value.codes[0]!))!.safeUntil).toBe('2026-11-26');
  const jerky = await rows('dehydrated', '200', 'Cupboard');
  // Two weeks (NCHFP, jerky), not a year.
  expect(jerky.ok && (await readPackByCode(db, jerky.value.codes[0]!))!.safeUntil).toBe('2026-12-08');
  const odd = await rows('smoked', '');
  expect(!odd.ok && odd.problems[0]!.message).toMatch(/no kind of food/);
});

test('one row that cannot be, and nothing of the file is taken; every such row is said', async () => {
  const before = await readStock(db);
  const taken = await take(
    [
      'code,recipe,place,grams,kcal,packed',
      'V18,,,111,,',
      'Z99,,,5,,',
      ',Unheard of,Freezer,5,6,',
      ',"Goat, millet & beetroot",Attic,5,6,',
      ',"Goat, millet & beetroot",Fridge,5,6,',
      'V1,,,5,,',
    ].join('\n'),
  );
  expect(!taken.ok && taken.problems.map(({ message }) => message)).toEqual([
    'Row 3: no pack has the code Z99. Leave it empty for a new one.',
    'Row 4: no recipe is called “Unheard of”.',
    'Row 5: No place is called “Attic”.',
    'Row 6: Nobody knows since when, and there it keeps for days only: throw it away.',
    'Row 7: V1 is used up or thrown away.',
  ]);
  expect(await readStock(db)).toEqual(before);
  const empty = await take('code,grams\n');
  expect(!empty.ok && empty.problems[0]!.message).toBe('There is no row in this file.');
});
