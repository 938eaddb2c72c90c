import type { PGlite, Transaction } from '@electric-sql/pglite';
import { bareClient } from './fixtures/database';
import { prepared } from './prepared';

// PGlite's own answer to the same text is what each answer is held against.
let plain: PGlite;
let kept: PGlite;

beforeAll(async () => {
  plain = await bareClient();
  kept = prepared(plain);
  await plain.exec(`
    create table thing (id serial primary key, name text, grams integer, part float8, facts jsonb, at timestamptz,
      day date, tags text[], counts integer[], raw bytea, yes boolean, big bigint);
  `);
});

const both = async <T>(work: (tx: Transaction) => Promise<T>): Promise<[T, T]> => [
  await plain.transaction(work),
  await kept.transaction(work),
];

const TEXTS: readonly (readonly [string, unknown[]?])[] = [
  ['select 1 as one'],
  [
    `insert into thing (name, grams, part, facts, at, day, tags, counts, raw, yes, big)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11) returning *`,
    [
      'O’Liver "böse" \\ {x}',
      12,
      0.1,
      '{"a":[1,null]}',
      '2026-11-27T20:00:00.5Z',
      '2026-10-25',
      ['a', 'b,c'],
      [1, 2],
      new Uint8Array([0, 255]),
      true,
      '9007199254740993',
    ],
  ],
  ['insert into thing (name, facts, at) values ($1, $2, $3) returning *', [null, { b: 2 }, new Date(0)]],
  ['select * from thing where name is not distinct from $1 order by id', [null]],
  ['select * from thing where id = any($1) and part > $2', [[1, 2, 3], -1.5]],
  ['update thing set grams = grams + $1', [3]],
  ['select count(*) as n, max(grams) as most from thing'],
  ['delete from thing where id < $1', [0]],
  ['set transaction read only'],
];

test('a text that is kept parsed answers as PGlite does, the first time and again, as rows and as columns', async () => {
  for (const round of [1, 2])
    for (const [text, params] of TEXTS)
      for (const rowMode of ['array', 'object'] as const) {
        const [theirs, ours] = await both(async (tx) => {
          const answer = await tx.query(text, params, { rowMode });
          await tx.rollback();
          return answer;
        });
        // Serial numbers go on when a row is taken back.
        const plainly = (answer: unknown) =>
          JSON.stringify(answer, (_, value: unknown) => (typeof value === 'bigint' ? `${value}n` : value)).replace(
            /(\[|"id":)\d+,"?/g,
            '$1#,',
          );
        expect({ round, text, rowMode, is: plainly(ours) }).toEqual({ round, text, rowMode, is: plainly(theirs) });
      }
});

test('what fails says why with its code, and the text can be asked again', async () => {
  const code = async (client: PGlite, text: string, params?: unknown[]) =>
    client
      .transaction((tx) => tx.query(text, params))
      .then(
        () => 'nothing failed',
        (error: unknown) => (error as { code?: string }).code,
      );
  for (const [text, params, expected] of [
    ['select nothing from nowhere', undefined, '42P01'],
    ['select $1::int', ['twelve'], '22P02'],
    ['select 1 / $1::int', [0], '22012'],
    ['insert into thing (id) values ($1), ($1)', [7], '23505'],
  ] as const)
    for (const client of [kept, plain, kept]) expect(await code(client, text, params && [...params])).toBe(expected);
  await kept.transaction(async (tx) => {
    expect((await tx.query<{ n: number }>('select $1::int as n', ['12'])).rows).toEqual([{ n: 12 }]);
    expect((await tx.query<{ n: number }>('select 6 / $1::int as n', [3])).rows).toEqual([{ n: 2 }]);
  });
});

test('a transaction that failed takes back all of it, and goes no further', async () => {
  const tried = kept.transaction(async (tx) => {
    await tx.query('insert into thing (name) values ($1)', ['half']);
    await tx.query('select 1 / $1::int', [0]).catch(() => undefined);
    await tx.query('insert into thing (name) values ($1)', ['more']);
  });
  await expect(tried).rejects.toMatchObject({ code: '25P02' });
  expect((await plain.query("select 1 from thing where name in ('half', 'more')")).rows).toEqual([]);
  let after: Transaction | undefined;
  await kept.transaction(async (tx) => void (after = tx));
  expect(() => after!.query('select 1')).toThrow('closed');
});

test('more texts than are kept: the oldest goes, and is parsed again when it is asked', async () => {
  await kept.transaction(async (tx) => {
    for (const round of [0, 1])
      for (let each = 0; each < 450; each++) {
        const { rows } = await tx.query<{ n: number }>(`select ${each} + $1::int as n`, [round]);
        expect(rows).toEqual([{ n: each + round }]);
      }
    const held = await tx.query<{ n: number }>(
      "select count(*)::int as n from pg_prepared_statements where name <> ''",
    );
    expect(held.rows[0]!.n).toBeLessThanOrEqual(401);
  });
});

test('a column that is added, and statistics that are new, do not spoil what was kept', async () => {
  const ask = () => kept.transaction((tx) => tx.query('select name, grams from thing order by id limit 1'));
  await ask();
  await plain.exec('alter table thing add column more text; analyze thing; create index thing_grams on thing (grams);');
  expect((await ask()).fields.map(({ name }) => name)).toEqual(['name', 'grams']);
});
