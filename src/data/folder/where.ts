import { join, resolve } from 'node:path';

/** Where everything of this household lies. */
export const dataFolder = (): string =>
  resolve(/*turbopackIgnore: true*/ process.env.HODMAN_DATA ?? join(process.cwd(), '.hodman'));
