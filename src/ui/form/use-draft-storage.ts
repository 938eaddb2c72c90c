'use client';

import { useMemo, useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/**
 * State of a form that outlives a reload: what was typed stays in this tab until it is forgotten.
 * `slot` names the form and what it is about; `initial` is shown while nothing was typed; the last function lets go
 * of what has been stored.
 */
export function useDraftStorage<Value>(
  slot: string,
  initial: Value,
): [Value, (next: Value) => void, (stored: Value) => void] {
  const key = `hodman-kept-${slot}`;
  const kept = useSyncExternalStore(
    subscribe,
    () => sessionStorage.getItem(key),
    () => null,
  );
  const value = useMemo(() => (kept === null ? undefined : (JSON.parse(kept) as Value)), [kept]);
  const tell = () => listeners.forEach((listener) => listener());
  return [
    value ?? initial,
    (next) => {
      sessionStorage.setItem(key, JSON.stringify(next));
      tell();
    },
    (stored) => {
      // What was typed on while the answer was under way is not stored yet: it stays.
      if (sessionStorage.getItem(key) !== JSON.stringify(stored)) return;
      sessionStorage.removeItem(key);
      tell();
    },
  ];
}
