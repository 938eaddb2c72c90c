import 'server-only';

/** The one clock. A test may fix it with HODMAN_NOW (an ISO 8601 instant); it then stands still. */
export function now(): Date {
  const fixed = process.env.HODMAN_NOW;
  if (!fixed) return new Date();
  const instant = new Date(fixed);
  if (Number.isNaN(instant.getTime())) throw new Error(`HODMAN_NOW is no instant: ${fixed}`);
  return instant;
}
