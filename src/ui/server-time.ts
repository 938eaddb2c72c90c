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
/** After which a broken line is taken up again. */
const TAKEN_UP = 2000;

/** Shows what another device changed: the page is asked for anew after each change, and when somebody looks again. */
export function useLive(): void {
  const { refresh } = useRouter();
  useEffect(() => {
    let source: EventSource | undefined;
    let soon: ReturnType<typeof setTimeout> | undefined;
    let later: ReturnType<typeof setTimeout> | undefined;
    const again = () => {
      clearTimeout(soon);
      soon = setTimeout(refresh, TOGETHER);
    };
    const listen = () => {
      clearTimeout(later);
      source?.close();
      source = undefined;
      if (document.visibilityState === 'hidden') return;
      const line = new EventSource('/api/changes');
      line.onmessage = again;
      // What was said before the line stood, or while it was broken, was not heard.
      line.onopen = again;
      // One that broke for good the browser does not take up again.
      line.onerror = () => {
        if (line.readyState === EventSource.CLOSED) later = setTimeout(listen, TAKEN_UP);
      };
      source = line;
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
      clearTimeout(later);
      document.removeEventListener('visibilitychange', look);
      source?.close();
    };
  }, [refresh]);
}
