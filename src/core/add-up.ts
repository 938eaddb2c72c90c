/** The sum of a figure over a list, in its order; 0 of nothing. A figure that is not a number makes the sum none. */
export function addUp<T>(list: Iterable<T>, of: (each: T, place: number) => number): number {
  let sum = 0;
  let place = 0;
  for (const each of list) sum += of(each, place++);
  return sum;
}
