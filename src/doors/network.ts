import { networkInterfaces } from 'node:os';

const bracketed = (address: string): string => (address.includes(':') ? `[${address}]` : address);

/** Addresses of this machine that others can reach, as they stand in an address bar. */
export const ownAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((all) =>
    (all ?? [])
      // A link-local address is of one cable, and no browser takes it without saying which.
      .filter(({ internal, address }) => !internal && !address.toLowerCase().startsWith('fe80:'))
      .map(({ address }) => bracketed(address)),
  );

/** The names by which the household calls this machine on its network, by HODMAN_HOST (scripts/front.mjs); none: it is not there. */
export function networkNames(host = process.env.HODMAN_HOST): string[] {
  const typed = (host ?? '')
    .split(',')
    .map((each) => each.trim().toLowerCase())
    .filter((each) => each !== '');
  const isAll = typed.some((each) => each === '0.0.0.0' || each === '::');
  return [
    ...typed.filter((each) => each !== '0.0.0.0' && each !== '::').map(bracketed),
    ...(isAll ? ownAddresses() : []),
  ];
}

/** Where a request comes from, as the front says it: `here` is this machine itself. Without a front nobody else can be there. */
export const fromOf = (headers: { get(name: string): string | null }): string =>
  headers.get('x-hodman-from') ?? (process.env.HODMAN_HOST ? 'nowhere' : 'here');
