'use client';

import equal from 'fast-deep-equal';
import { useState } from 'react';
import { unstored } from '@/core/weeks/said';

/**
 * What is stored with what was typed over it and is not stored yet. What somebody else stores meanwhile shows, but for what was typed
 * here; what has been stored is no longer typed.
 */
export function useEdits<T extends object>(stored: T): readonly [T, (part: Partial<T>) => void] {
  const [edits, setEdits] = useState<Partial<T>>({});
  const [seen, setSeen] = useState(stored);
  if (!equal(seen, stored)) {
    setSeen(stored);
    setEdits(unstored(edits, stored));
  }
  return [{ ...stored, ...edits }, (part) => setEdits((own) => ({ ...own, ...part }))];
}
