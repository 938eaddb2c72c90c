import 'server-only';
import { parse, protocol, type PGlite, type QueryOptions, type Results, type Transaction } from '@electric-sql/pglite';
import { nth } from '@/core/sure';

type Bound = string | null;

/** A text that PostgreSQL has parsed and may have planned, and the types of its parameters. */
interface Statement {
  readonly name: string;
  readonly types: readonly number[];
}

/** So many texts are kept parsed; the one that was asked longest ago goes first. */
const KEPT = 400;

const { serialize } = protocol;

function oneMessage(...parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((length, part) => length + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** The client's parsers with those of one question before them. There are hundreds: copied for each answer they cost more than it. */
const parsersOf = (client: PGlite, options: QueryOptions | undefined): PGlite['parsers'] =>
  Object.assign(Object.create(client.parsers) as PGlite['parsers'], options?.parsers);

/**
 * PGlite parses and plans a text each time that it is asked, in six messages. This keeps what was parsed and sends one
 * (decision 0054): the same answers, the same errors.
 */
function preparing(client: PGlite) {
  const known = new Map<string, Statement>();
  let count = 0;

  const send = (...parts: readonly Uint8Array[]) =>
    client.execProtocolStream(oneMessage(...parts, serialize.sync()), { syncToFs: false });

  async function statementOf(text: string): Promise<Statement> {
    const before = known.get(text);
    if (before) {
      known.delete(text);
      known.set(text, before);
      return before;
    }
    const name = `s${(count += 1)}`;
    const types = parse.parseDescribeStatementResults(
      await send(serialize.parse({ name, text }), serialize.describe({ type: 'S', name })),
    );
    const made = { name, types };
    known.set(text, made);
    const [oldest] = known;
    if (known.size > KEPT && oldest) {
      known.delete(oldest[0]);
      await send(serialize.close({ type: 'S', name: oldest[1].name }));
    }
    return made;
  }

  return <T>(text: string, params: unknown[] = [], options?: QueryOptions): Promise<Results<T>> =>
    client.runExclusive(async () => {
      const { name, types } = await statementOf(text);
      const values = params.map((value, index): Bound => {
        if (value === null || value === undefined) return null;
        const write = client.serializers[types[index] ?? NaN];
        return write ? (write(value) as Bound) : String(value as string);
      });
      const answer = await send(
        serialize.bind({ statement: name, values }),
        serialize.describe({ type: 'P' }),
        serialize.execute({}),
      );
      return nth(
        parse.parseResults(answer, parsersOf(client, options), { ...options, parsers: undefined }),
        0,
      ) as Results<T>;
    });
}

const KEY = Symbol.for('hodman prepared');

/** The client with transactions whose queries are kept parsed; asked again, the same one. */
export function prepared(client: PGlite & { [KEY]?: PGlite }): PGlite {
  return (client[KEY] ??= make(client));
}

function make(client: PGlite): PGlite {
  const query = preparing(client);
  const inside = (tx: Transaction): Transaction => ({
    ...tx,
    query: (text, params, options) => {
      if (tx.closed) throw new Error('Transaction is closed');
      return query(text, params, options);
    },
    get closed() {
      return tx.closed;
    },
  });
  return new Proxy(client, {
    get(target, key) {
      if (key === 'transaction')
        return <T>(run: (tx: Transaction) => Promise<T>) => target.transaction((tx) => run(inside(tx)));
      const value = Reflect.get(target, key, target) as unknown;
      return typeof value === 'function' ? (value.bind(target) as unknown) : value;
    },
  });
}
