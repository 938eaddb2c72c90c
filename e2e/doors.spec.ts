import { readdirSync } from 'node:fs';
import { request as ask, type IncomingHttpHeaders } from 'node:http';
import { expect, test } from '@playwright/test';
import { addDog } from './actions';
import { NOON, startHodman, stopHodman, type Hodman } from './server';

let hodman: Hodman;

test.beforeAll(async () => {
  hodman = await startHodman({ demo: true, now: NOON });
});

test.afterAll(() => stopHodman(hodman));

interface Answer {
  readonly status: number | undefined;
  readonly headers: IncomingHttpHeaders;
  readonly body: string;
}

/** A request as a stranger can write it: with any Host, which a browser's fetch would not let through. */
const knock = (path: string, headers: Record<string, string> = {}, method = 'GET', body = ''): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(hodman.address);
    const request = ask({ hostname, port, path, method, headers }, (response) => {
      let said = '';
      const done = () => resolve({ status: response.statusCode, headers: response.headers, body: said });
      response.setEncoding('utf8').on('data', (part: string) => {
        said += part;
        // A stream of events goes on for ever.
        if (response.headers['content-type'] === 'text/event-stream') {
          done();
          response.destroy();
        }
      });
      response.on('end', done);
    });
    request.on('error', reject);
    request.end(body);
  });

/** Every route of the application, read from its folders, with something in the place of each parameter. */
function routes(folder = 'src/app', path = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory()) return routes(`${folder}/${entry.name}`, `${path}/${entry.name.replace(/^\[.*\]$/, '1')}`);
    return /^(page|route)\.tsx?$/.test(entry.name) ? [path || '/'] : [];
  });
}

test('by another name nobody gets in, on any route, and no data either', async () => {
  const all = routes();
  expect(all.length).toBeGreaterThan(40);
  const { host: own } = new URL(hodman.address);
  for (const path of [...all, '/icon.svg', '/nowhere']) {
    const refused = await knock(path, { host: 'evil.example', 'x-forwarded-host': own });
    expect([path, refused.status, refused.body]).toEqual([path, 403, expect.stringMatching(/^This is not an address/)]);
  }
  expect((await knock('/', { host: own, 'x-forwarded-host': 'evil.example' })).status).toBe(200);
});

test('every route’s answer carries the headers that keep it in the house', async () => {
  for (const path of [...routes(), '/icon.svg', '/nowhere']) {
    const { headers } = await knock(path);
    expect({
      path,
      sniff: headers['x-content-type-options'],
      referrer: headers['referrer-policy'],
      resource: headers['cross-origin-resource-policy'],
    }).toEqual({ path, sniff: 'nosniff', referrer: 'no-referrer', resource: 'same-origin' });
    expect(headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[^']{20,}' 'strict-dynamic';/);
    expect(headers['content-security-policy']).toMatch(
      path === '/api/labels' ? "frame-ancestors 'self'" : "frame-ancestors 'none'",
    );
  }
  const nonces = await Promise.all(
    ['/', '/'].map(async (path) => (await knock(path)).headers['content-security-policy']),
  );
  expect(nonces[0]).not.toBe(nonces[1]);
});

test('nothing is changed by a page that is not of this house', async () => {
  const json = { 'content-type': 'application/json' };
  const off = JSON.stringify({ on: true });
  const before = (await knock('/api/instruments')).status;
  for (const headers of [json, { ...json, origin: 'http://evil.example' }, { ...json, origin: 'null' }])
    expect((await knock('/api/instruments', headers, 'POST', off)).status).toBe(403);
  expect(
    (await knock('/api/instruments', { 'content-type': 'text/plain', origin: hodman.address }, 'POST', off)).status,
  ).toBe(415);
  expect((await knock('/api/instruments')).status).toBe(before);
  for (const path of ['/', '/store', '/dogs/1'])
    expect((await knock(path, { 'content-type': 'text/plain;charset=UTF-8' }, 'POST', '[]')).status).toBe(403);
});

test('what no text is gets 400, and what is not there 404', async () => {
  for (const path of ['/p/%E0%A4%A', '/p/%00', '/dogs/%ff', '/api/find?q=%00', '/store?pack=%00', '/api/calendar/%00'])
    expect([path, (await knock(path)).status]).toEqual([path, 400]);
  for (const path of ['/dogs/2147483648', '/batches/2147483648', '/plan/9999999999', '/bowl/99999999999999'])
    expect([path, (await knock(path)).status]).toEqual([path, 404]);
  for (const method of ['PUT', 'DELETE', 'PATCH', 'OPTIONS', 'TRACE'])
    expect([method, (await knock('/', {}, method)).status]).toEqual([method, 405]);
});

test('a body is read no further than it may be long, and a null byte is refused at its field', async () => {
  const json = { 'content-type': 'application/json', origin: hodman.address };
  const lines = (text: string) => knock('/api/lines', json, 'POST', JSON.stringify({ text, room: 5 }));
  expect((await lines('2 lb goat')).status).toBe(200);
  expect((await lines('x'.repeat(1_300_000))).status).toBe(413);
  expect((await lines('goat\0')).status).toBe(400);
  const file = { 'content-type': 'text/plain', origin: hodman.address };
  const long = await knock('/api/recipes/read', file, 'POST', 'x'.repeat(5_100_000));
  expect([long.status, long.body]).toEqual([413, expect.stringContaining('Hodman reads up to 2 MB of recipes.')]);
  expect((await knock('/api/recipes/read', file, 'POST', 'a\0b')).status).toBe(400);
  const answer = await addDog(hodman, 'null-byte-1', 'Ot\0to');
  expect(answer).toContain('{"field":"name","message":"A character in this cannot be kept: type it anew."}');
});
