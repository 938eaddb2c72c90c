import 'server-only';
import { readFileSync } from 'node:fs';

/**
 * The one clock. A test may fix it with HODMAN_NOW (an ISO 8601 instant): it then stands still; or name a file with `@`
 * that holds one, and move it on.
 */
export function now(): Date {
  const fixed = process.env.HODMAN_NOW;
  if (!fixed) return new Date();
  const said = fixed.startsWith('@') ? readFileSync(/*turbopackIgnore: true*/ fixed.slice(1), 'utf8').trim() : fixed;
  const instant = new Date(said);
  if (Number.isNaN(instant.getTime())) throw new Error(`HODMAN_NOW is no instant: ${said}`);
  return instant;
}
