/** What style elements of this page carry, as its own scripts do: for a component that writes its own. */
export const pageNonce = (): string | undefined =>
  typeof document === 'undefined' ? undefined : document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce;
