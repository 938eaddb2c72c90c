import { fine, refused, type Outcome } from '../problem';

/**
 * Reads the address that the codes on labels open: "http://kitchen.local:3000", or "kitchen.local:3000" as it is said. Nothing
 * typed: none. Refuses what no browser opens, and anything behind the host: `/p/` and the code come there.
 */
export function readLabelAddress(text: string): Outcome<string | undefined> {
  const typed = text.trim();
  if (typed === '') return fine(undefined);
  const whole = /^[a-z][a-z\d+.-]*:\/\//i.test(typed) ? typed : `http://${typed}`;
  const url = URL.canParse(whole) ? new URL(whole) : undefined;
  if (!url || !/^https?:$/.test(url.protocol) || !/^[a-z\d.\-[\]:]+$/i.test(url.hostname))
    return refused('An address such as http://kitchen.local:3000.', 'labelAddress');
  if (url.pathname !== '/' || url.search !== '' || url.hash !== '' || url.username !== '')
    return refused('The address alone, up to the port: the code comes behind it.', 'labelAddress');
  return fine(url.origin);
}
