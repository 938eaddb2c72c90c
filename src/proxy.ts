import { NextResponse, type NextRequest } from 'next/server';
import { refusalOf } from './doors/door';
import { ALWAYS, policyOf } from './doors/headers';

/** The door: every request comes by here first, pages, actions, files and what is asked of `/api` alike. */
export function proxy(request: NextRequest): NextResponse {
  const { method, headers } = request;
  const { pathname } = request.nextUrl;
  const url = new URL(request.url);
  const refusal = refusalOf(
    {
      method,
      host: headers.get('host'),
      origin: headers.get('origin'),
      contentType: headers.get('content-type'),
      path: url.pathname + url.search,
    },
    Number(process.env.PORT ?? 3000),
  );
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('base64');
  const policy = policyOf({ nonce, path: pathname, isDev: process.env.NODE_ENV === 'development' });
  const said = { ...ALWAYS, 'content-security-policy': policy };
  if (refusal)
    return new NextResponse(refusal.said, {
      status: refusal.status,
      headers: { ...said, 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' },
    });
  const onward = new Headers(headers);
  for (const name of ['x-forwarded-host', 'x-forwarded-proto', 'x-forwarded-port', 'forwarded']) onward.delete(name);
  onward.set('x-nonce', nonce);
  onward.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers: onward } });
  for (const [name, value] of Object.entries(said)) response.headers.set(name, value);
  return response;
}
