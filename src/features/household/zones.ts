/** The time zones and currencies that this machine knows, as lists to choose from; what is chosen stays among them. */
export const timeZones = (chosen: string) =>
  listed('timeZone', chosen).map((value) => ({ value, label: value.replaceAll('_', ' ') }));

export function currencies(chosen: string) {
  const names = new Intl.DisplayNames('en', { type: 'currency' });
  return listed('currency', chosen).map((value) => ({ value, label: `${value} · ${names.of(value) ?? value}` }));
}

const listed = (of: 'timeZone' | 'currency', chosen: string) =>
  [...new Set([chosen, ...Intl.supportedValuesOf(of)])].sort();
