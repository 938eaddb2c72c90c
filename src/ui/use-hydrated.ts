'use client';

import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** Whether the page answers to presses yet: a button that does not must not look as if it did. */
export const useHydrated = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
