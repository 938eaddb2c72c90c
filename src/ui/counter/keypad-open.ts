'use client';

import { useSyncExternalStore } from 'react';

let chosen: boolean | undefined;
const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether the keypad is open: as was chosen, else wherever fingers do the pointing. */
export function useKeypadOpen(): [boolean, (open: boolean) => void] {
  const open = useSyncExternalStore(
    subscribe,
    () => chosen ?? matchMedia('(pointer: coarse)').matches,
    () => false,
  );
  const set = (next: boolean) => {
    chosen = next;
    listeners.forEach((listener) => listener());
  };
  return [open, set];
}
