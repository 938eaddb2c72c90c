import 'server-only';
import { headers } from 'next/headers';
import QRCode from 'qrcode';
import type { Visitor } from '@/core/household/pin';
import type { CommandResult } from '@/core/problem';
import { endSessions, hasPin, newTicket, setPin, TICKET_MINUTES, tryPin, visitors } from '@/doors/book';
import { fromOf, networkNames, ownAddresses } from '@/doors/network';

/** How this house stands on the home network. */
export interface NetworkView {
  readonly hasPin: boolean;
  /** It is asked from this machine itself, which needs no PIN. */
  readonly isHere: boolean;
  /** The addresses at which others reach it now; none: nobody does. */
  readonly addresses: readonly string[];
  /** Those that it could be reached at. */
  readonly possible: readonly string[];
  readonly visitors: readonly Visitor[];
}

const port = () => process.env.PORT ?? '3000';
const addressOf = (name: string) => `http://${name}${port() === '80' ? '' : `:${port()}`}`;

export async function readNetwork(): Promise<NetworkView> {
  return {
    hasPin: hasPin(),
    isHere: fromOf(await headers()) === 'here',
    addresses: networkNames().map(addressOf),
    possible: ownAddresses(),
    visitors: visitors(Date.now()),
  };
}

const no = (message: string, field?: string): CommandResult<never> => ({
  ok: false,
  problems: [field === undefined ? { message } : { message, field }],
});

/** Another PIN. Who asks from another device says the one that holds. */
export async function choosePin(input: { pin: string; now: string }): Promise<CommandResult<null>> {
  const from = fromOf(await headers());
  if (from !== 'here') {
    const tried = await tryPin(input.now, from, Date.now());
    if (tried !== 'right')
      return no(tried === 'wrong' ? 'This is not the PIN.' : 'Too many were wrong. Wait, and try again.', 'now');
  }
  await setPin(input.pin);
  return { ok: true, value: null };
}

/** A code that lets one phone in: as a picture, and as the address that is in it. */
export async function letIn(): Promise<CommandResult<{ address: string; picture: string; minutes: number }>> {
  const [name] = networkNames();
  if (name === undefined || !hasPin()) return no('Hodman is not on the home network now.');
  const address = `${addressOf(name)}/door?ticket=${newTicket(Date.now())}`;
  return {
    ok: true,
    value: { address, picture: await QRCode.toDataURL(address, { width: 320 }), minutes: TICKET_MINUTES },
  };
}

/** One device comes in anew, or all. */
export function endVisit(input: { id?: string | undefined }): Promise<CommandResult<null>> {
  endSessions(input.id);
  return Promise.resolve({ ok: true, value: null });
}
