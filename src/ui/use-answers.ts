'use client';

import { useEffect, useState } from 'react';

/** Asks the house while something is typed; a slow answer never overtakes a later one. */
export function useAnswers<Answer>(path: string, typed: string): { answers: readonly Answer[]; silent: boolean } {
  const [state, setState] = useState<{ answers: readonly Answer[]; silent: boolean }>({ answers: [], silent: false });
  useEffect(() => {
    if (typed.trim() === '') return;
    const stop = new AbortController();
    fetch(`${path}?q=${encodeURIComponent(typed.slice(0, 80))}`, { signal: stop.signal })
      .then((response) => response.json() as Promise<Answer[]>)
      .then((answers) => setState({ answers, silent: false }))
      .catch(() => {
        if (!stop.signal.aborted) setState((before) => ({ ...before, silent: true }));
      });
    return () => stop.abort();
  }, [path, typed]);
  return typed.trim() === '' ? { answers: [], silent: false } : state;
}
