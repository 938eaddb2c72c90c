'use client';

import { useEffect, useState } from 'react';

/** Asks the house while something is typed; a slow answer never overtakes a later one. */
export function useAnswers<Row>(path: string, typed: string): { answers: readonly Row[]; silent: boolean } {
  const [state, setState] = useState<{ answers: readonly Row[]; silent: boolean }>({ answers: [], silent: false });
  useEffect(() => {
    if (typed.trim() === '') return;
    const stop = new AbortController();
    fetch(`${path}?q=${encodeURIComponent(typed.slice(0, 80))}`, { signal: stop.signal })
      .then((response) => response.json() as Promise<Row[]>)
      .then((answers) => setState({ answers, silent: false }))
      .catch(() => {
        if (!stop.signal.aborted) setState((before) => ({ ...before, silent: true }));
      });
    return () => stop.abort();
  }, [path, typed]);
  return typed.trim() === '' ? { answers: [], silent: false } : state;
}
