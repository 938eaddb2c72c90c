/** What is there for certain by what the code knows and the types cannot. Throws for programmers where it is not. */
export function sure<T>(value: T | null | undefined): T {
  if (value === undefined || value === null) throw new TypeError('A value that must be there is missing.');
  return value;
}

/** The element of a list at a place that it has. Throws for programmers where it has not. */
export function nth<T>(list: ArrayLike<T>, place: number): T {
  if (place < 0 || place >= list.length) throw new RangeError(`There is no element ${place} of ${list.length}.`);
  return list[place]!;
}

/** Whether a text is one of a list's. */
export const isAmong = <Of extends string>(list: readonly Of[], text: string): text is Of =>
  list.some((each) => each === text);

/** The keys of a record that has no others than its type says. */
export const keysOf = <Key extends string>(record: Readonly<Partial<Record<Key, unknown>>>): Key[] =>
  Object.keys(record) as Key[];
