import 'server-only';

/** Whatever answers a question in SQL: PGlite, a transaction of it, a server's client. */
export interface Asks {
  readonly query: <T>(text: string, values?: unknown[]) => Promise<{ readonly rows: T[] }>;
}

export interface Column {
  readonly name: string;
  /** PostgreSQL's own name of its type. */
  readonly type: string;
  readonly mayBeEmpty: boolean;
  /** The table whose row it names. */
  readonly of: string | undefined;
}

export interface Table {
  readonly name: string;
  readonly columns: readonly Column[];
  /** By which its rows are put in order. */
  readonly key: readonly string[];
}

export const isText = ({ type }: Pick<Column, 'type'>): boolean => type === 'text' || type.startsWith('character');
export const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

/** A table by its whole name: `line` alone is a type of PostgreSQL's own. */
export const tableIn = ({ name }: Pick<Table, 'name'>): string => `public.${quoted(name)}`;

/** The tables of a database as it is, a table after those that its rows name. Throws where two name each other. */
export async function tablesOf(asks: Asks): Promise<Table[]> {
  const { rows: columns } = await asks.query<{ of: string; name: string; type: string; empty: boolean }>(
    `select c.relname "of", a.attname "name", format_type(a.atttypid, a.atttypmod) "type", not a.attnotnull "empty"
     from pg_class c join pg_namespace n on n.oid = c.relnamespace
     join pg_attribute a on a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped
     where n.nspname = 'public' and c.relkind = 'r' order by c.relname, a.attnum`,
  );
  const { rows: names } = await asks.query<{ of: string; column: string; table: string }>(
    `select c.relname "of", a.attname "column", t.relname "table"
     from pg_constraint k join pg_class c on c.oid = k.conrelid join pg_class t on t.oid = k.confrelid
     join pg_namespace n on n.oid = c.relnamespace
     join pg_attribute a on a.attrelid = c.oid and a.attnum = k.conkey[1]
     where k.contype = 'f' and n.nspname = 'public'`,
  );
  const { rows: keys } = await asks.query<{ of: string; column: string }>(
    `select c.relname "of", a.attname "column"
     from pg_constraint k join pg_class c on c.oid = k.conrelid join pg_namespace n on n.oid = c.relnamespace
     cross join lateral unnest(k.conkey) with ordinality u(num, place)
     join pg_attribute a on a.attrelid = c.oid and a.attnum = u.num
     where k.contype = 'p' and n.nspname = 'public' order by c.relname, u.place`,
  );
  const open = new Map(
    [...new Set(columns.map(({ of }) => of))].map((name): [string, Table] => [
      name,
      {
        name,
        columns: columns
          .filter(({ of }) => of === name)
          .map(({ name: column, type, empty }) => ({
            name: column,
            type,
            mayBeEmpty: empty,
            of: names.find((each) => each.of === name && each.column === column)?.table,
          })),
        key: keys.filter(({ of }) => of === name).map(({ column }) => column),
      },
    ]),
  );
  const sorted: Table[] = [];
  while (open.size > 0) {
    const free = [...open.values()].filter(({ name, columns: own }) =>
      own.every(({ of }) => of === undefined || of === name || !open.has(of)),
    );
    if (free.length === 0) throw new Error(`Tables name each other: ${[...open.keys()].join(', ')}.`);
    for (const table of free) {
      sorted.push(table);
      open.delete(table.name);
    }
  }
  return sorted;
}
