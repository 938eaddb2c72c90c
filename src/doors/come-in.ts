import { readText } from './body';
import { beginSession, COOKIE, isIn, SESSION_DAYS, tryPin, spendTicket } from './book';
import { doorPage } from './door-page';
import { wayOn } from './door';
import { fromOf } from './network';

/** A PIN, a name and a way on fit into this many bytes. */
const MOST_BYTES = 4000;

const onTo = (where: string, cookie?: string): Response =>
  new Response(null, {
    status: 303,
    headers: { location: where, 'cache-control': 'no-store', ...(cookie ? { 'set-cookie': cookie } : {}) },
  });

/** "2 min", "40 s". */
const sayWait = (ms: number): string =>
  ms > 90_000 ? `${Math.ceil(ms / 60_000)} min` : `${Math.max(1, Math.ceil(ms / 1000))} s`;

const cookieOf = (request: Request): string | undefined =>
  request.headers
    .get('cookie')
    ?.split(';')
    .map((each) => each.trim().split('='))
    .find(([name]) => name === COOKIE)?.[1];

/** Shows the door, and lets in who knows the PIN or has a code from the Household screen. */
export async function comesIn(request: Request): Promise<Response> {
  const from = fromOf(request.headers);
  const asked = new URL(request.url).searchParams;
  const nonce = request.headers.get('x-nonce') ?? '';
  if (request.method !== 'POST') {
    const to = wayOn(asked.get('to'));
    if (from === 'here' || isIn(cookieOf(request), Date.now())) return onTo(to);
    return doorPage({ nonce, to, ticket: asked.get('ticket') ?? undefined });
  }
  const sent = await readText(request, MOST_BYTES);
  if (!sent.ok) return new Response('This is too long, or no text.', { status: sent.status });
  const form = new URLSearchParams(sent.text);
  const to = wayOn(form.get('to'));
  const name = form.get('name') ?? '';
  const letIn = () =>
    onTo(
      to,
      // SameSite=Strict: no other page makes this browser speak for who came in. Not Secure: the home network has no certificate.
      `${COOKIE}=${beginSession(name, from, Date.now())}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${SESSION_DAYS * 86_400}`,
    );
  const ticket = form.get('ticket');
  if (ticket) {
    if (spendTicket(ticket, Date.now())) return letIn();
    return doorPage({ nonce, to, name, wrong: 'This code was used, or is too old. Make a new one, or say the PIN.' });
  }
  const found = await tryPin(form.get('pin') ?? '', from, Date.now());
  if (found === 'right') return letIn();
  return doorPage({
    nonce,
    to,
    name,
    wrong:
      found === 'wrong'
        ? 'This is not the PIN. Nothing was let in.'
        : `Too many were wrong. The next one is looked at in ${sayWait(found.wait)}.`,
    status: found === 'wrong' ? 403 : 429,
  });
}
