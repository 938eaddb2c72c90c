import { NextResponse, type NextRequest } from 'next/server';
import { COOKIE, isIn } from './doors/book';
import { entryOf, refusalOf } from './doors/door';
import { ALWAYS, policyOf } from './doors/headers';
import { fromOf, networkNames } from './doors/network';

/** The door: every request comes by here first, pages, actions, files and what is asked of `/api` alike. */
export function proxy(request: NextRequest): NextResponse {
  const { method, headers } = request;
  const { pathname } = request.nextUrl;
  const url = new URL(request.url);
  const path = url.pathname + url.search;
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('base64');
  const policy = policyOf({ nonce, path: pathname, isDev: process.env.NODE_ENV === 'development' });
  const said = { ...ALWAYS, 'content-security-policy': policy };
  const plainly = (status: number, words: string, more: Record<string, string> = {}) =>
    new NextResponse(words, {
      status,
      headers: { ...said, 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store', ...more },
    });
  const refusal = refusalOf(
    {
      method,
      host: headers.get('host'),
      origin: headers.get('origin'),
      contentType: headers.get('content-type'),
      path,
    },
    Number(process.env.PORT ?? 3000),
    networkNames(),
  );
  if (refusal) return plainly(refusal.status, refusal.said);
  const from = fromOf(headers);
  const entry = entryOf(
    { from, path: pathname, method },
    from !== 'here' && isIn(request.cookies.get(COOKIE)?.value, Date.now()),
  );
  if (entry === 'no') return plainly(401, 'This device has to come in first: open the first page, and say the PIN.');
  if (entry === 'door') {
    const location = `http://${headers.get('host')}/door?to=${encodeURIComponent(path)}`;
    return plainly(303, 'Say the PIN first.', { location });
  }
  const onward = new Headers(headers);
  for (const name of ['x-forwarded-host', 'x-forwarded-proto', 'x-forwarded-port', 'forwarded']) onward.delete(name);
  onward.set('x-nonce', nonce);
  onward.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers: onward } });
  for (const [name, value] of Object.entries(said)) response.headers.set(name, value);
  return response;
}
