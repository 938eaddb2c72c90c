/** What every answer carries, whatever it is of. */
export const ALWAYS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'cross-origin-resource-policy': 'same-origin',
};

/**
 * The policy of one answer: what it may load, and who may show it. Scripts and style elements carry the nonce; style attributes
 * may stay. The development server writes styles and evaluates scripts of its own, and is let. Labels are shown in a frame of
 * the house's own page, nothing else is in any.
 */
export function policyOf({ nonce, path, isDev }: { nonce: string; path: string; isDev: boolean }): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${isDev ? " 'unsafe-eval'" : ''}`,
    `style-src-elem 'self' ${isDev ? "'unsafe-inline'" : `'nonce-${nonce}'`}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    `frame-ancestors ${path === '/api/labels' ? "'self'" : "'none'"}`,
  ].join('; ');
}
