'use client';

import { useSyncExternalStore } from 'react';
import { keep, readKept } from './storage';

const KEY = 'hodman-shortcuts';
const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether single letters are shortcuts in this browser (WCAG 2.1.4: they can be switched off). */
export function useShortcutsOn(): [boolean, (on: boolean) => void] {
  const on = useSyncExternalStore(
    subscribe,
    () => readKept('local', KEY) !== 'off',
    () => true,
  );
  const set = (next: boolean) => {
    keep('local', KEY, next ? 'on' : 'off');
    listeners.forEach((listener) => listener());
  };
  return [on, set];
}
