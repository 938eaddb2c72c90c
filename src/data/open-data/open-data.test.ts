import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import Papa from 'papaparse';
import { cellOf, valueOf } from '@/core/household/open-cells';
import { wrap, type Embedded } from '../database';
import { bareClient, demoDatabase, freshDatabase } from '../fixtures/database';
import { loadReference } from '../reference/reference';
import { docsOfSchema } from './docs';
import { inOneOf, NotOpenData, readOpenData, unpack } from './read';
import { tablesOf } from './tables';
import { tablesAsCsv, writeOpenData } from './write';

const AT = new Date('2026-11-25T12:00:00Z');
const docs = docsOfSchema();

/** All that a database holds, table by table. */
const contentOf = async ({ $client }: Embedded) =>
  Object.fromEntries([...(await tablesAsCsv($client, await tablesOf($client)))].map(([name, { csv }]) => [name, csv]));
const zipOf = ({ $client }: Embedded) => writeOpenData($client, docs, AT);
const takenIn = async (zip: Uint8Array): Promise<Embedded> => {
  const database = wrap(await bareClient());
  await readOpenData(database, inOneOf(database.$client), zip);
  return database;
};

test('property: any text or nothing is the same after a cell, a row of CSV and back', () => {
  const text = fc.oneof(
    fc.string({ unit: 'grapheme' }),
    fc.constantFrom('', '\\', '=1+1', '-5', '@x', '"', ',', '\r\n', ' ', '\\=', 'NULL'),
  );
  fc.assert(
    fc.property(fc.array(fc.option(text), { minLength: 2, maxLength: 6 }), (values) => {
      const csv = Papa.unparse([['id', ...values.map((value) => cellOf(value, true))]], { newline: '\r\n' });
      const [[, ...cells] = []] = Papa.parse<string[]>(`${csv}\r\n`, { skipEmptyLines: true }).data;
      expect(cells.map((cell) => valueOf(cell, true))).toEqual(values);
      // Nothing that a spreadsheet would carry out (OWASP, CSV injection).
      for (const value of values) expect(cellOf(value, true)).not.toMatch(/^[=+\-@\t\r]/);
    }),
    { numRuns: 500, seed: 18 },
  );
});

test('the demo goes out and comes in again equal, and goes on', async () => {
  const before = await demoDatabase(AT.toISOString(), loadReference());
  // A photograph is bytes, of every kind.
  await before.$client.query(
    `insert into diary (dog_id, day, said, photo, created_at) values (1, '2026-11-25', '', $1, now())`,
    [Uint8Array.from({ length: 256 }, (_, byte) => byte)],
  );
  const zip = await zipOf(before);
  const after = await takenIn(zip);
  const [was, is] = [await contentOf(before), await contentOf(after)];
  expect(Object.keys(is).length).toBeGreaterThan(30);
  expect(is.leg!.length).toBeGreaterThan(1000);
  for (const name of Object.keys(was)) expect([name, is[name]]).toEqual([name, was[name]]);
  // The next number of everything is as it was: a code or an id is never used again.
  const sequences = 'select sequencename, last_value from pg_sequences where schemaname = $1 order by 1';
  expect((await after.$client.query(sequences, ['public'])).rows).toEqual(
    (await before.$client.query(sequences, ['public'])).rows,
  );
  await after.$client.close();
});

test('property: whatever was typed, and every number, is equal after the way out and in', async () => {
  const text = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 40 }).filter((each) => !each.includes('\0'));
  const json = fc.jsonValue({ noUnicodeString: false }).filter((each) => !JSON.stringify(each).includes('\\u'));
  const row = fc.record({
    name: fc.oneof(text, fc.constantFrom('=cmd', '\\', '"', 'a\r\nb', ' ', '-1')),
    note: fc.option(fc.oneof(text, fc.constant(''))),
    grams: fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
    json,
    at: fc.date({ min: new Date('1970-01-01'), max: new Date('2100-01-01'), noInvalidDate: true }),
  });
  const before = await freshDatabase();
  await fc.assert(
    fc.asyncProperty(fc.array(row, { minLength: 1, maxLength: 12 }), async (rows) => {
      await before.$client.exec('truncate supply, recipe restart identity cascade');
      for (const [index, { name, note, grams, json: value, at }] of rows.entries()) {
        await before.$client.query('insert into supply (name, label, created_at) values ($1, $2::jsonb, $3)', [
          name,
          JSON.stringify(value),
          at.toISOString(),
        ]);
        await before.$client.query('insert into recipe (name, letter, cup_grams, created_at) values ($1, $2, $3, $4)', [
          name,
          `A${index}`,
          grams,
          at.toISOString(),
        ]);
        await before.$client.query(
          'insert into recipe_version (recipe_id, number, note, created_at) select max(id), 1, $1, $2 from recipe',
          [note, at.toISOString()],
        );
      }
      const after = await takenIn(await zipOf(before));
      expect(await contentOf(after)).toEqual(await contentOf(before));
      await after.$client.close();
    }),
    { numRuns: 4, seed: 19, endOnFailure: true },
  );
});

test('every table and every column is told of, most of them in words', async () => {
  const database = await freshDatabase();
  const tables = await tablesOf(database.$client);
  const readme = strFromU8(unzipSync(await zipOf(database))['README.md']!);
  for (const { name, columns } of tables) {
    expect(readme).toContain(`\n## ${name}\n`);
    for (const column of columns) expect(readme).toContain(`| ${column.name} | ${column.type} |`);
  }
  expect(docs.get('batch.revision')).toBe('Rises with every change: a page that shows an older one may not overwrite.');
  // What the comments name is there: no comment of a column that is gone.
  const known = new Set(
    tables.flatMap(({ name, columns }) => [name, ...columns.map((each) => `${name}.${each.name}`)]),
  );
  expect([...docs.keys()].filter((each) => !known.has(each))).toEqual([]);
});

describe('what is no open data of Hodman’s', () => {
  let whole: Record<string, Uint8Array>;
  beforeAll(async () => {
    const database = await freshDatabase();
    whole = unzipSync(await zipOf(database));
  });
  const changed = (over: Record<string, string | undefined>): Uint8Array =>
    zipSync(
      Object.fromEntries(
        Object.entries({ ...whole, ...over }).flatMap(([name, value]) =>
          value === undefined ? [] : [[name, typeof value === 'string' ? strToU8(value) : value]],
        ),
      ),
    );
  const meta = (over: object) =>
    JSON.stringify({ ...(JSON.parse(strFromU8(whole['hodman.json']!)) as object), ...over });

  test('is refused before anything is made', () => {
    for (const zip of [
      new Uint8Array(),
      strToU8('no zip'),
      zipSync({ 'x.txt': strToU8('x') }),
      changed({ 'hodman.json': '{' }),
      changed({ 'hodman.json': '{}' }),
    ])
      expect(() => unpack(zip)).toThrow(NotOpenData);
  });

  test.each([
    ['a newer state', () => changed({ 'hodman.json': meta({ migration: 4_102_444_800_000 }) }), /newer Hodman/],
    ['a table that is missing', () => changed({ 'tables/dog.csv': undefined }), /no tables\/dog\.csv/],
    [
      'a column that is missing',
      () => changed({ 'tables/place.csv': 'id,kind\r\n1,fridge\r\n' }),
      /place\.csv has no column/,
    ],
    [
      'rows that were cut off',
      () => changed({ 'tables/place.csv': `${strFromU8(whole['tables/place.csv']!).split('\r\n')[0]}\r\n` }),
      /has 0 rows, and hodman.json says 3/,
    ],
    [
      'what no column takes',
      () => changed({ 'tables/household.csv': strFromU8(whole['tables/household.csv']!).replace('metric', '') }),
      /household\.csv, rows 2 to 2/,
    ],
  ])('%s is said in words', async (_, zip, said) => {
    const database = wrap(await bareClient());
    await expect(readOpenData(database, inOneOf(database.$client), zip())).rejects.toThrow(said);
    await database.$client.close();
  });
});
