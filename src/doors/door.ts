/** What a request says of itself before anything of it is read. */
export interface Knock {
  readonly method: string;
  readonly host: string | null;
  readonly origin: string | null;
  readonly contentType: string | null;
  /** Path and query as they stand in the request, escapes and all. */
  readonly path: string;
}

/** Why a request is turned away, in a sentence, and with which status. */
export interface Refusal {
  readonly status: 400 | 403 | 405 | 415;
  readonly said: string;
}

/** Names by which this machine calls itself. Another name that leads here belongs to somebody else's page (DNS rebinding). */
const OWN_NAMES = ['localhost', '127.0.0.1', '[::1]'];

/**
 * The addresses under which this house is at home, as they stand in a Host header; `names` are those by which the household calls
 * it on its network.
 */
export const ownHosts = (port: number, names: readonly string[] = []): string[] =>
  [...OWN_NAMES, ...names].flatMap((name) => (port === 80 ? [name, `${name}:80`] : [`${name}:${port}`]));

/** What is read at an address of its own; everything else that is posted is an action's. */
const POSTED: Readonly<Record<string, string>> = {
  '/api/lines': 'application/json',
  '/api/machines': 'application/json',
  '/api/instruments': 'application/json',
  '/api/recipes/read': 'text/plain',
  '/door': 'application/x-www-form-urlencoded',
};
const ACTIONS = ['text/plain', 'multipart/form-data'];

/** A path or query that is no text: a broken escape, half a character, a null byte. */
function isNoText(path: string): boolean {
  try {
    return decodeURIComponent(path.replaceAll('+', ' ')).includes('\0');
  } catch {
    return true;
  }
}

/**
 * Who may come in: whoever calls this house by a name of its own; who changes something comes from a page of its own as well
 * (Origin), and with the content type that is read there. Headers by which a proxy says what the host was are not asked: nobody
 * stands before this server. undefined: come in.
 */
export function refusalOf(
  { method, host, origin, contentType, path }: Knock,
  port: number,
  names: readonly string[] = [],
): Refusal | undefined {
  const own = ownHosts(port, names);
  if (host === null || !own.includes(host.toLowerCase()))
    return { status: 403, said: `This is not an address of this house. It is at http://127.0.0.1:${port}.` };
  if (!['GET', 'HEAD', 'POST'].includes(method)) return { status: 405, said: 'Hodman knows GET, HEAD and POST.' };
  if (isNoText(path)) return { status: 400, said: 'This address is broken.' };
  if (method !== 'POST') return undefined;
  if (origin === null || !own.some((each) => `http://${each}` === origin.toLowerCase()))
    return { status: 403, said: 'Only a page of this house changes something here.' };
  const type = contentType?.split(';')[0]?.trim().toLowerCase() ?? '';
  const [at = ''] = path.split('?');
  const read = Object.hasOwn(POSTED, at) ? [POSTED[at]] : at.startsWith('/api/') ? [] : ACTIONS;
  return read.includes(type) ? undefined : { status: 415, said: 'What was sent is not what is read here.' };
}

/** What is open to whoever knows the address: the door, what a page is drawn with, and a calendar by its secret. */
const OPEN = [/^\/door$/, /^\/_next\/static\//, /^\/icon\.svg$/, /^\/api\/calendar\/[\w-]{32}$/];

/**
 * Whether a request goes on: from this machine itself, of somebody who came in, or to what is open. Else its page is shown the door,
 * and anything else is told no.
 */
export function entryOf(
  { from, path, method }: { readonly from: string; readonly path: string; readonly method: string },
  isIn: boolean,
): 'in' | 'door' | 'no' {
  if (from === 'here' || isIn || OPEN.some((each) => each.test(path))) return 'in';
  return method !== 'POST' && !path.startsWith('/api/') ? 'door' : 'no';
}

/** Where somebody wanted to go, as long as it is in this house. */
export const wayOn = (to: string | null | undefined): string =>
  to && /^\/(?![/\\])/.test(to) && !to.startsWith('/door') ? to : '/';
