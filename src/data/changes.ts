import 'server-only';

/** Who wants to hear of changes; modules are copied, what lives once hangs here. */
const KEY = Symbol.for('hodman changes');
const shelf = globalThis as unknown as Record<symbol, Set<() => void> | undefined>;
const listeners = () => (shelf[KEY] ??= new Set());

/** Tells everybody who looks at something that it may be another by now. */
export function tellOfChange(): void {
  for (const listener of listeners()) listener();
}

/** Calls back after every change that was kept, until the returned function is called. */
export function onChange(listener: () => void): () => void {
  listeners().add(listener);
  return () => listeners().delete(listener);
}
