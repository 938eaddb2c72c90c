import 'server-only';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { strFromU8, unzipSync } from 'fflate';
import Papa from 'papaparse';
import { valueOf } from '@/core/household/open-cells';
import { migrateToLatest, migrationsFolder, type Database } from '../database';
import { isText, quoted, tableIn, tablesOf, type Asks, type Table } from './tables';
import { metaSchema, type Meta } from './write';

/** Why a file is not taken in, in words. */
export class NotOpenData extends Error {}

interface OpenData {
  readonly meta: Meta;
  /** The text of each table's file, by its name. */
  readonly tables: ReadonlyMap<string, string>;
}

/** Takes a zip apart. Throws `NotOpenData`. */
export function unpack(zip: Uint8Array): OpenData {
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(zip, { filter: ({ name }) => name === 'hodman.json' || /^tables\/\w+\.csv$/.test(name) });
  } catch {
    throw new NotOpenData('This is no zip, or not a whole one.');
  }
  const said = files['hodman.json'];
  if (!said) throw new NotOpenData('There is no hodman.json in it: it is no open data of Hodman’s.');
  let json: unknown;
  try {
    json = JSON.parse(strFromU8(said));
  } catch {
    throw new NotOpenData('Its hodman.json cannot be read.');
  }
  const meta = metaSchema.safeParse(json);
  if (!meta.success) throw new NotOpenData('Its hodman.json says nothing that Hodman knows.');
  const tables = new Map(
    Object.entries(files).flatMap(([name, bytes]) => {
      const table = /^tables\/(\w+)\.csv$/.exec(name)?.[1];
      return table === undefined ? [] : [[table, strFromU8(bytes)] as const];
    }),
  );
  return { meta: meta.data, tables };
}

/** Makes a database's tables as they were at a migration. Throws `NotOpenData` where this Hodman does not know it. */
async function migrateTo(database: Database, migration: number): Promise<void> {
  const journal = JSON.parse(readFileSync(join(migrationsFolder(), 'meta/_journal.json'), 'utf8')) as {
    entries: readonly { readonly when: number }[];
  };
  if (!journal.entries.some(({ when }) => when === migration))
    throw new NotOpenData('It is of a newer Hodman than this one: take it in with that one.');
  const folder = mkdtempSync(join(tmpdir(), 'hodman-migrations-'));
  try {
    cpSync(migrationsFolder(), folder, { recursive: true });
    const entries = journal.entries.filter(({ when }) => when <= migration);
    writeFileSync(join(folder, 'meta/_journal.json'), JSON.stringify({ ...journal, entries }));
    await migrate(database, { migrationsFolder: folder });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** So many rows are put in with one question. */
const AT_ONCE = 2000;

/** The rows of a table as JSON, every value as the text that PostgreSQL reads. */
function rowsOf({ name, columns }: Table, csv: string): string[] {
  const { data, errors } = Papa.parse<string[]>(csv, { skipEmptyLines: true });
  const wrong = errors.find(({ code }) => code !== 'UndetectableDelimiter');
  if (wrong) throw new NotOpenData(`tables/${name}.csv, row ${(wrong.row ?? 0) + 1}: ${wrong.message}.`);
  const [head = [], ...rows] = data;
  const places = columns.map((column) => {
    const at = head.indexOf(column.name);
    if (at === -1) throw new NotOpenData(`tables/${name}.csv has no column ${column.name}.`);
    return { at, key: JSON.stringify(column.name), isText: isText(column) };
  });
  return rows.map((row, index) => {
    if (row.length !== head.length)
      throw new NotOpenData(`tables/${name}.csv, row ${index + 2}: ${row.length} cells, and ${head.length} columns.`);
    return `{${places
      .map(({ at, key, isText: text }) => {
        const value = valueOf(row[at] ?? '', text);
        return `${key}:${JSON.stringify(value)}`;
      })
      .join(',')}}`;
  });
}

async function fill(asks: Asks, table: Table, csv: string): Promise<number> {
  const rows = rowsOf(table, csv);
  const columns = table.columns.map(({ name }) => quoted(name)).join(', ');
  const texts = table.columns.map(({ name }) => `${quoted(name)} text`).join(', ');
  const read = table.columns.map(({ name, type }) => `${quoted(name)}::${type}`).join(', ');
  for (let from = 0; from < rows.length; from += AT_ONCE)
    try {
      await asks.query(
        `insert into ${tableIn(table)} (${columns}) select ${read} from json_to_recordset($1::json) as row (${texts})`,
        [`[${rows.slice(from, from + AT_ONCE).join(',')}]`],
      );
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      throw new NotOpenData(
        `tables/${table.name}.csv, rows ${from + 2} to ${Math.min(rows.length, from + AT_ONCE) + 1}: ${why}.`,
      );
    }
  return rows.length;
}

/** Does something in one transaction, in SQL. */
export type InOne = (work: (asks: Asks) => Promise<void>) => Promise<void>;

export const inOneOf =
  (client: PGlite): InOne =>
  (work) =>
    client.transaction((tx) => work(tx as unknown as Asks));

/**
 * Fills an empty database with open data: its tables as they were when it was made, then what came since. All of it or, where
 * anything does not fit, an error (`NotOpenData`); the database is of no use then.
 */
export async function readOpenData(database: Database, inOne: InOne, zip: Uint8Array): Promise<void> {
  const { meta, tables } = unpack(zip);
  await migrateTo(database, meta.migration);
  await inOne(async (asks) => {
    await asks.query("set local time zone 'UTC'");
    for (const table of await tablesOf(asks)) {
      const csv = tables.get(table.name);
      if (csv === undefined) throw new NotOpenData(`There is no tables/${table.name}.csv in it.`);
      // A migration may have put something in already.
      await asks.query(`truncate ${tableIn(table)} cascade`);
    }
    for (const table of await tablesOf(asks)) {
      const rows = await fill(asks, table, tables.get(table.name) ?? '');
      const said = meta.rows[table.name];
      if (said !== rows)
        throw new NotOpenData(`tables/${table.name}.csv has ${rows} rows, and hodman.json says ${said}.`);
    }
    for (const [name, last] of Object.entries(meta.sequences))
      await asks.query('select setval($1::regclass, $2::bigint)', [quoted(name), String(last)]);
    const { rows } = await asks.query<{ there: number }>('select count(*)::int there from household');
    if (rows[0]?.there !== 1) throw new NotOpenData('There is no household in it.');
  });
  await migrateToLatest(database);
}
