'use client';

import { useMemo, useSyncExternalStore } from 'react';
import type { z } from 'zod';
import { draftIn, draftText, forgetDraft, keepDraft, onDrafts } from './drafts';

/**
 * State of a form that outlives a reload: what was typed stays in this tab until it is forgotten.
 * `slot` names the form and what it is about; `initial` is shown while nothing was typed; the last function lets go
 * of what has been stored.
 */
export function useDraftStorage<Value>(
  slot: string,
  shape: z.ZodType<Value>,
  initial: Value,
): [Value, (next: Value) => void, (stored: Value) => void] {
  const text = useSyncExternalStore(
    onDrafts,
    () => draftText(slot),
    () => null,
  );
  const value = useMemo(() => draftIn(text, shape), [text, shape]);
  return [
    value ?? initial,
    (next) => keepDraft(slot, next),
    (stored) => {
      // What was typed on while the answer was under way is not stored yet: it stays.
      if (JSON.stringify(draftIn(draftText(slot), shape)) === JSON.stringify(stored)) forgetDraft(slot);
    },
  ];
}
