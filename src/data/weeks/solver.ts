import 'server-only';
import { Worker } from 'node:worker_threads';
import { WeeksJob, type WeeksThread } from './job';

/** Routes and actions each get a copy of this module; there is one job. */
const KEY = Symbol.for('hodman weeks');
const shelf = globalThis as unknown as Record<symbol, WeeksJob | undefined>;

function start(): WeeksThread {
  const worker = new Worker(new URL('./thread.ts', import.meta.url));
  // It must not keep the house from closing.
  worker.unref();
  return worker;
}

/** The solving of this process. */
export const weeksJob = (): WeeksJob => (shelf[KEY] ??= new WeeksJob(start, () => Date.now()));
