import 'server-only';
import { strToU8, zipSync } from 'fflate';
import Papa from 'papaparse';
import { z } from 'zod';
import { cellOf } from '@/core/household/open-cells';
import type { Docs } from './docs';
import { isText, quoted, tableIn, tablesOf, type Asks, type Table } from './tables';

/** What stands in `hodman.json`: of which state of the schema the tables are, and the next number of everything that is counted. */
export const metaSchema = z.object({
  hodman: z.literal('open data'),
  /** The last migration that is in it, by its time in ms. */
  migration: z.number().int().positive(),
  made: z.string().max(40),
  rows: z.record(z.string(), z.number().int().min(0)),
  sequences: z.record(z.string(), z.number().int().positive()),
});
export type Meta = z.infer<typeof metaSchema>;

const rowsOf = async (asks: Asks, { name, columns, key }: Table): Promise<(string | null)[][]> => {
  const { rows } = await asks.query<Record<string, string | null>>(
    `select ${columns.map((each) => `${quoted(each.name)}::text`).join(', ')} from ${tableIn({ name })} order by ${key.map(quoted).join(', ')}`,
  );
  return rows.map((row) => columns.map((each) => row[each.name] ?? null));
};

/** Every value as PostgreSQL writes it, which is how it reads it again without loss. */
export async function tablesAsCsv(
  asks: Asks,
  tables: readonly Table[],
): Promise<Map<string, { csv: string; rows: number }>> {
  await asks.query("set time zone 'UTC'");
  const made = new Map<string, { csv: string; rows: number }>();
  for (const table of tables) {
    const rows = await rowsOf(asks, table);
    const cells = rows.map((row) => row.map((value, at) => cellOf(value, isText(table.columns[at] ?? { type: '' }))));
    const fields = table.columns.map(({ name }) => name);
    made.set(table.name, {
      csv: `${Papa.unparse({ fields, data: cells }, { newline: '\r\n' })}\r\n`,
      rows: rows.length,
    });
  }
  return made;
}

async function sequencesOf(asks: Asks): Promise<Record<string, number>> {
  const { rows } = await asks.query<{ name: string; last: string | null }>(
    `select sequencename "name", last_value::text "last" from pg_sequences where schemaname = 'public' order by 1`,
  );
  return Object.fromEntries(rows.flatMap(({ name, last }) => (last === null ? [] : [[name, Number(last)]])));
}

const README = `# What is in here

Everything that this Hodman knows, as open data. Each file in \`tables/\` is a table as CSV (RFC 4180, UTF-8): the first row names
its columns, each further row is one thing. \`hodman.json\` says of which state of Hodman it is. \`npm run restore FILE\` takes it in
again.

- An empty cell is nothing (unknown, or not said). An empty text is a backslash alone. A text that begins with a backslash, or with
  what a spreadsheet would carry out (=, +, -, @), has a backslash before it.
- Times are in UTC, with their offset. Days are YYYY-MM-DD, in the household's own time zone.
- Amounts in store are tenths of a gram; weights are g; prices are minor units of the household's currency.
- A column of \`jsonb\` holds JSON.
- Movements and their legs are only ever added to: what was taken back is a movement of its own.
`;

const aboutTable = ({ name, columns }: Table, rows: number, docs: Docs): string =>
  [
    `## ${name}`,
    '',
    ...(docs.has(name) ? [`${docs.get(name)}`, ''] : []),
    `${rows} ${rows === 1 ? 'row' : 'rows'}.`,
    '',
    '| Column | Type | May be empty | Names a row of | |',
    '| --- | --- | --- | --- | --- |',
    ...columns.map(
      (each) =>
        `| ${each.name} | ${each.type} | ${each.mayBeEmpty ? 'yes' : ''} | ${each.of ?? ''} | ${(docs.get(`${name}.${each.name}`) ?? '').replaceAll('|', '\\|')} |`,
    ),
    '',
  ].join('\n');

/** Everything that a database holds as one zip: a CSV of each table, what it is in JSON, and a README of the columns. */
export async function writeOpenData(asks: Asks, docs: Docs, made: Date): Promise<Uint8Array> {
  const tables = await tablesOf(asks);
  const csv = await tablesAsCsv(asks, tables);
  const { rows } = await asks.query<{ last: string }>(
    'select max(created_at)::text "last" from drizzle.__drizzle_migrations',
  );
  const meta: Meta = {
    hodman: 'open data',
    migration: Number(rows[0]?.last),
    made: made.toISOString(),
    rows: Object.fromEntries([...csv].map(([name, each]) => [name, each.rows])),
    sequences: await sequencesOf(asks),
  };
  const about = tables.map((table) => aboutTable(table, csv.get(table.name)?.rows ?? 0, docs));
  return zipSync({
    'README.md': strToU8([README, ...about].join('\n')),
    'hodman.json': strToU8(`${JSON.stringify(meta, null, 2)}\n`),
    tables: Object.fromEntries([...csv].map(([name, each]) => [`${name}.csv`, strToU8(each.csv)])),
  });
}
