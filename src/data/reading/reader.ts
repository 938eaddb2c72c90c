import 'server-only';
import { Worker } from 'node:worker_threads';
import { reading, type Reading, type ReadingThread } from './reading';

/** Routes and actions each get a copy of this module; there is one thread. */
const KEY = Symbol.for('hodman reader');
const shelf = globalThis as unknown as Record<symbol, Reading | undefined>;

/** Megabytes; more than the tables and the largest file take many times over. */
const MEMORY = 768;

function start(): ReadingThread {
  const worker = new Worker(new URL('./thread.ts', import.meta.url), {
    resourceLimits: { maxOldGenerationSizeMb: MEMORY },
  });
  // It waits for questions as long as the house stands, and must not keep it from closing.
  worker.unref();
  return worker;
}

/** The thread of this process that reads lines and files; it begins with the first question. */
export const reader = (): Reading => (shelf[KEY] ??= reading(start));
