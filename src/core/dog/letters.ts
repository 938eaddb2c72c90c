/** The first letter of a name, as a tag shows it. */
export const letterOf = (name: string): string => ([...name.trim()][0] ?? '?').toUpperCase();

/**
 * What each dog's tag says, by its id: its letter; two letters where dogs share the first; its letter and a number where they
 * share those too, or the whole name. Takes the dogs in their order. Source: ours.
 */
export function badgeLetters(dogs: readonly { readonly id: number; readonly name: string }[]): Map<number, string> {
  const two = (name: string) => `${letterOf(name)}${([...name.trim()][1] ?? '').toLowerCase()}`;
  const share = (of: (name: string) => string, name: string) => dogs.filter((dog) => of(dog.name) === of(name)).length;
  return new Map(
    dogs.map(({ id, name }) => {
      if (share(letterOf, name) === 1) return [id, letterOf(name)];
      if (share(two, name) === 1) return [id, two(name)];
      const place = dogs.filter((dog) => two(dog.name) === two(name)).findIndex((dog) => dog.id === id);
      return [id, `${letterOf(name)}${place + 1}`];
    }),
  );
}
