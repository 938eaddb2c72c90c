import fc from 'fast-check';
import { entryOf, ownHosts, refusalOf, wayOn, type Knock } from './door';
import { doorPage } from './door-page';
import { policyOf } from './headers';

const HOME = '127.0.0.1:3000';
const knock = (over: Partial<Knock> = {}): Knock => ({
  method: 'GET',
  host: HOME,
  origin: null,
  contentType: null,
  path: '/',
  ...over,
});
const post = (over: Partial<Knock> = {}) =>
  knock({ method: 'POST', origin: `http://${HOME}`, contentType: 'text/plain;charset=UTF-8', ...over });
const status = (of: Knock, port = 3000) => refusalOf(of, port)?.status;

// Names of the loopback: RFC 6761 (localhost) and RFC 1122 (127.0.0.1); a Host header without a port means 80 (RFC 9110).
test('who calls the house by a name of its own comes in, on its own port alone', () => {
  for (const host of ['127.0.0.1:3000', 'localhost:3000', '[::1]:3000', 'LocalHost:3000'])
    expect([host, status(knock({ host }))]).toEqual([host, undefined]);
  for (const host of [
    null,
    '',
    'evil.example',
    'evil.example:3000',
    '127.0.0.1',
    '127.0.0.1:3001',
    '127.0.0.1:30000',
    'localhost.evil.example:3000',
    'evil@localhost:3000',
    'localhost:3000, evil.example',
    '0.0.0.0:3000',
    '127.1:3000',
    '192.168.1.20:3000',
  ])
    expect([host, status(knock({ host }))]).toEqual([host, 403]);
  expect(status(knock({ host: 'localhost' }), 80)).toBeUndefined();
  expect(status(knock({ host: 'localhost:80' }), 80)).toBeUndefined();
});

test('property: no other host comes in, however it is written', () => {
  fc.assert(
    fc.property(fc.oneof(fc.domain(), fc.ipV4(), fc.string(), fc.webAuthority()), (host) => {
      fc.pre(!ownHosts(3000).includes(host.toLowerCase()));
      expect(status(knock({ host }))).toBe(403);
      expect(status(post({ origin: `http://${host}` }))).toBe(403);
    }),
    { numRuns: 500, seed: 16 },
  );
});

// Origin: RFC 6454; a page without one of its own says "null".
test('something is changed only from a page of this house, with the content type that is read there', () => {
  expect(status(post())).toBeUndefined();
  expect(status(post({ contentType: 'multipart/form-data; boundary=x' }))).toBeUndefined();
  for (const origin of [
    null,
    'null',
    '',
    'http://evil.example',
    'https://127.0.0.1:3000',
    'http://127.0.0.1:3000/',
    'http://127.0.0.1',
  ])
    expect([origin, status(post({ origin }))]).toEqual([origin, 403]);
  for (const contentType of [
    null,
    '',
    'application/x-www-form-urlencoded',
    'application/json',
    'text/html',
    'text/plainer',
  ])
    expect([contentType, status(post({ contentType }))]).toEqual([contentType, 415]);
  for (const path of ['/api/lines', '/api/machines', '/api/instruments']) {
    expect(status(post({ path, contentType: 'application/json' }))).toBeUndefined();
    expect(status(post({ path }))).toBe(415);
  }
  expect(status(post({ path: '/api/recipes/read' }))).toBeUndefined();
  // Where nothing is read, nothing is taken.
  expect(status(post({ path: '/api/timers' }))).toBe(415);
  expect(status(post({ path: '/api/constructor' }))).toBe(415);
});

test('only what is known is done, and an address is text', () => {
  for (const method of ['TRACE', 'OPTIONS', 'PUT', 'PATCH', 'DELETE', 'get'])
    expect([method, status(knock({ method }))]).toEqual([method, 405]);
  for (const path of ['/p/%E0%A4%A', '/p/%00', '/dogs/%ff', '/api/find?q=%00', '/?a=%', '/p/%ed%a0%80'])
    expect([path, status(knock({ path }))]).toEqual([path, 400]);
  for (const path of ['/p/V20', '/api/find?q=b%C3%B6se+bones', '/store?pack=V20&x=100%25'])
    expect([path, status(knock({ path }))]).toEqual([path, undefined]);
});

// Content Security Policy Level 3: 'none', nonces, style-src-attr.
test('the policy lets in what carries the nonce, and nobody shows the house in a frame', () => {
  const policy = policyOf({ nonce: 'abc', path: '/', isDev: false });
  const of = (name: string) => policy.split('; ').find((each) => each.startsWith(`${name} `));
  expect(of('script-src')).toBe("script-src 'self' 'nonce-abc' 'strict-dynamic'");
  expect(of('style-src-elem')).toBe("style-src-elem 'self' 'nonce-abc'");
  expect(of('frame-ancestors')).toBe("frame-ancestors 'none'");
  expect(policy).not.toMatch(/unsafe-eval|\*|https?:/);
  expect(policyOf({ nonce: 'abc', path: '/api/labels', isDev: false })).toMatch("frame-ancestors 'self'");
});

test('a name of the home network is one of the house’s only where it was set on purpose', () => {
  const at = '192.168.1.20:3000';
  const names = ['192.168.1.20', '[fd00::2]', 'kitchen.local'];
  expect(status(knock({ host: at }))).toBe(403);
  for (const name of names) {
    const host = `${name}:3000`;
    expect(refusalOf(knock({ host }), 3000, names)).toBeUndefined();
    expect(refusalOf(post({ host, origin: `http://${host}` }), 3000, names)).toBeUndefined();
  }
  expect(refusalOf(knock({ host: '192.168.1.21:3000' }), 3000, names)?.status).toBe(403);
  expect(refusalOf(post({ host: at, origin: 'http://evil.example' }), 3000, names)?.status).toBe(403);
});

test('who has not come in sees the door, is told no, and gets what is open to everybody', () => {
  const of = (path: string, over: { from?: string; method?: string; isIn?: boolean } = {}) =>
    entryOf({ from: over.from ?? '192.168.1.30', path, method: over.method ?? 'GET' }, over.isIn ?? false);
  for (const path of ['/', '/dogs/1', '/household', '/doors', '/door/x', '/_next/data', '/_next/static'])
    expect([path, of(path)]).toEqual([path, 'door']);
  for (const path of ['/api/find', '/api/calendar/file', '/api/backups/x', '/api/changes', '/api/calendar/short'])
    expect([path, of(path)]).toEqual([path, 'no']);
  expect(of('/', { method: 'POST' })).toBe('no');
  for (const path of ['/door', '/icon.svg', '/_next/static/chunks/x.js', `/api/calendar/${'a'.repeat(32)}`])
    expect([path, of(path)]).toEqual([path, 'in']);
  expect(of('/dogs/1', { isIn: true })).toBe('in');
  expect(of('/dogs/1', { from: 'here' })).toBe('in');
  expect(of('/api/find', { from: '127.0.0.1' })).toBe('no');
});

test('the way on after the door stays in the house', () => {
  expect(wayOn('/p/V7?x=1')).toBe('/p/V7?x=1');
  for (const to of [
    null,
    '',
    'https://evil.example',
    '//evil.example',
    '/\\evil.example',
    '/door?to=/',
    'javascript:1',
  ])
    expect(wayOn(to)).toBe('/');
});

test('what a stranger sends is text on the door, whatever it looks like', async () => {
  const text = await doorPage({ nonce: 'n', to: '/"><script>', name: '<b>', wrong: "'&" }).text();
  expect(text).not.toMatch(/"><script>|<b>/);
  expect(text).toContain('&lt;b&gt;');
  expect(text).toContain('&#39;&amp;');
});
