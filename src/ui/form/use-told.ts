'use client';

import { useEffect, useRef, useState } from 'react';
import type { Told } from '@/doors/told';

/** How far a long reading is. */
interface Progress {
  readonly read: number;
  readonly of: number;
}

interface Body {
  readonly type: 'application/json' | 'text/plain';
  readonly text: string;
}

async function askTold<Answer>(
  address: string,
  body: Body,
  signal: AbortSignal,
  onProgress: (progress: Progress) => void,
): Promise<Answer> {
  const headers = { 'content-type': body.type };
  const response = await fetch(address, { method: 'POST', headers, body: body.text, signal });
  if (!response.body || !/ndjson/.test(response.headers.get('content-type') ?? ''))
    return (await response.json()) as Answer;
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let open = '';
  for (;;) {
    const { done, value } = await reader.read();
    open += value ?? '';
    const lines = open.split('\n');
    open = lines.pop() ?? '';
    for (const line of lines) {
      const told = JSON.parse(line) as Told<Answer>;
      if ('answer' in told) return told.answer;
      onProgress(told);
    }
    if (done) throw new Error('The answer broke off.');
  }
}

/**
 * Sends text that takes its time to read. While it is read it says so, with how far it is, and `stop` ends it here and at the
 * server, as leaving the page does. `undefined` is what a stopped question comes to; it throws where no answer comes.
 */
export function useTold() {
  const [said, setSaid] = useState<string>();
  const asking = useRef<AbortController>(undefined);
  useEffect(() => () => asking.current?.abort(), []);

  const ask = async <Answer>(address: string, body: Body): Promise<Answer | undefined> => {
    asking.current?.abort();
    const mine = new AbortController();
    asking.current = mine;
    setSaid('Reading …');
    try {
      return await askTold<Answer>(address, body, mine.signal, ({ read, of }) =>
        setSaid(`Reading: ${read} of ${of} lines`),
      );
    } catch (error) {
      if (mine.signal.aborted) return undefined;
      throw error;
    } finally {
      // Another question may have taken its place.
      if (asking.current === mine) setSaid(undefined);
    }
  };
  return { ask, said, stop: () => asking.current?.abort() };
}
