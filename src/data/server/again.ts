import 'server-only';

/** PostgreSQL's words for two transactions that could not both be: serialization failure, and deadlock. */
const NOT_BOTH = new Set(['40001', '40P01']);
/** So often a transaction is tried; after that it is too busy. */
const TRIES = 12;

/** The code of PostgreSQL's error, also where another one was wrapped around it. */
function codeOf(error: unknown): string | undefined {
  for (let at = error; at instanceof Error; at = at.cause)
    if ('code' in at && typeof at.code === 'string') return at.code;
  return undefined;
}

/** Does `work` again where PostgreSQL says that it and another one could not both be; anything else is thrown as it came. */
export async function again<T>(work: () => Promise<T>): Promise<T> {
  for (let tried = 1; ; tried += 1)
    try {
      return await work();
    } catch (error) {
      if (tried === TRIES || !NOT_BOTH.has(codeOf(error) ?? '')) throw error;
      await new Promise((resolve) => setTimeout(resolve, Math.random() * 10 * 2 ** Math.min(tried, 6)));
    }
}
