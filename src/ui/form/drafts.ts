import type { z } from 'zod';
import { forget, keep, readKept } from '../storage';

const keyOf = (slot: string) => `hodman-draft-${slot}`;
const listeners = new Set<() => void>();

/** Calls back when any draft of this tab changes. */
export function onDrafts(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** What was typed into a form and not stored, as text: the same text is the same draft. */
export const draftText = (slot: string): string | null =>
  typeof window === 'undefined' ? null : readKept('session', keyOf(slot));

/** A draft's text as its shape; undefined where there is none, or where it is of another version of the form. */
export function draftIn<Value>(text: string | null, shape: z.ZodType<Value>): Value | undefined {
  if (text === null) return undefined;
  try {
    const read = shape.safeParse(JSON.parse(text));
    return read.success ? read.data : undefined;
  } catch {
    return undefined;
  }
}

/** Keeps what is typed in this tab; where the browser keeps nothing, until the page is left. */
export function keepDraft(slot: string, value: unknown): void {
  keep('session', keyOf(slot), JSON.stringify(value));
  for (const listener of listeners) listener();
}

export function forgetDraft(slot: string): void {
  forget('session', keyOf(slot));
  for (const listener of listeners) listener();
}
