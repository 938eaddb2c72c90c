'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

const SECOND = 1000;

/** The server's time, going on from what a page said: two devices with wrong clocks show the same minutes. */
export function useServerNow(said: Date): Date {
  const at = said.getTime();
  const [gone, setGone] = useState({ at, ms: 0 });
  useEffect(() => {
    const from = performance.now();
    const tick = setInterval(() => setGone({ at, ms: performance.now() - from }), SECOND);
    return () => clearInterval(tick);
  }, [at]);
  return new Date(at + (gone.at === at ? gone.ms : 0));
}

/** After the page has settled, and how soon one change after another is shown. */
const SETTLED = 1500;
const TOGETHER = 150;

/** Shows what another device changed: the page is asked for anew after each change, and when somebody looks again. */
export function useLive(): void {
  const { refresh } = useRouter();
  useEffect(() => {
    let source: EventSource | undefined;
    let soon: ReturnType<typeof setTimeout> | undefined;
    const again = () => {
      clearTimeout(soon);
      soon = setTimeout(refresh, TOGETHER);
    };
    const listen = () => {
      source?.close();
      source = undefined;
      if (document.visibilityState === 'hidden') return;
      source = new EventSource('/api/changes');
      source.onmessage = again;
    };
    const look = () => {
      if (document.visibilityState === 'visible') again();
      listen();
    };
    const begin = setTimeout(listen, SETTLED);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearTimeout(begin);
      clearTimeout(soon);
      document.removeEventListener('visibilitychange', look);
      source?.close();
    };
  }, [refresh]);
}
