import { readJson, readText } from './body';

/** A request whose body comes in parts; says how many of them were asked for. */
function inParts(parts: readonly (string | Uint8Array)[], headers: Record<string, string> = {}) {
  let asked = 0;
  let isGivenUp = false;
  const body = new ReadableStream<Uint8Array>(
    {
      pull(controller) {
        const part = parts[asked];
        asked += 1;
        if (part === undefined) controller.close();
        else controller.enqueue(typeof part === 'string' ? new TextEncoder().encode(part) : part);
      },
      cancel: () => void (isGivenUp = true),
    },
    { highWaterMark: 0 },
  );
  const request = new Request('http://127.0.0.1/', { method: 'POST', body, headers, duplex: 'half' } as RequestInit);
  return { request, asked: () => asked, wasGivenUp: () => isGivenUp };
}

test('what is short enough is read, a character that is cut between two parts too', async () => {
  const bytes = new TextEncoder().encode('🐶 böse');
  expect(await readText(inParts([bytes.slice(0, 2), bytes.slice(2)]).request, 100)).toEqual({
    ok: true,
    text: '🐶 böse',
  });
  expect(await readText(inParts([]).request, 0)).toEqual({ ok: true, text: '' });
  expect(await readText(inParts(['x'.repeat(100)]).request, 100)).toMatchObject({ ok: true });
});

// 413 Content Too Large: RFC 9110, 15.5.14.
test('what is longer is not read to its end, whatever its length is said to be', async () => {
  const long = inParts(Array<string>(1000).fill('x'.repeat(1000)));
  expect(await readText(long.request, 5000)).toEqual({ ok: false, status: 413 });
  expect(long.asked()).toBeLessThan(10);
  expect(long.wasGivenUp()).toBe(true);
  const said = inParts(['x'], { 'content-length': '6000' });
  expect(await readText(said.request, 5000)).toEqual({ ok: false, status: 413 });
  expect(said.asked()).toBe(0);
});

test('what is no text is said to be none', async () => {
  for (const part of [new Uint8Array([0xff, 0xfe]), 'a\0b', new Uint8Array([0xed, 0xa0, 0x80])])
    expect(await readText(inParts([part]).request, 100)).toEqual({ ok: false, status: 400 });
});

test('JSON is read as what it says; what its escapes write is text as well', async () => {
  const of = (text: string) => readJson(inParts([text]).request, 1000);
  expect(await of('{"a":["b"]}')).toEqual({ ok: true, value: { a: ['b'] } });
  expect(await of('{"a":')).toEqual({ ok: true, value: undefined });
  expect(await of('{"a":"\\u0000"}')).toEqual({ ok: false, status: 400 });
  expect(await of('{"a":"\\ud83d"}')).toEqual({ ok: false, status: 400 });
  expect(await of(`"${'x'.repeat(1000)}"`)).toEqual({ ok: false, status: 413 });
});
