/** One of a list to choose from. */
export interface Listed {
  readonly value: string;
  readonly label: string;
}

const listed = (of: 'timeZone' | 'currency', chosen: string) =>
  [...new Set([chosen, ...Intl.supportedValuesOf(of)])].sort();

/** The time zones that this machine knows, as a list to choose from; what is chosen stays among them. */
export const timeZones = (chosen: string): Listed[] =>
  listed('timeZone', chosen).map((value) => ({ value, label: value.replaceAll('_', ' ') }));

/** The currencies that this machine knows, by code and name. */
export function currencies(chosen: string): Listed[] {
  const names = new Intl.DisplayNames('en', { type: 'currency' });
  return listed('currency', chosen).map((value) => ({ value, label: `${value} · ${names.of(value) ?? value}` }));
}
