/** Which recipes each recipe takes as lines, by the latest version of each. */
export type Takes = ReadonlyMap<number, Iterable<number>>;

/** Recipes may stand in each other so deep: a broth in a base in a stew is two (common practice, no source). */
export const DEEPEST_CHAIN = 5;

/** These recipes and all that stand in them; ends for a circle too. Errors: none. */
export function recipesWithin(takes: Takes, ids: Iterable<number>): Set<number> {
  const within = new Set<number>();
  const open = [...ids];
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (within.has(id)) continue;
    within.add(id);
    open.push(...(takes.get(id) ?? []));
  }
  return within;
}

/** How many recipes deep a recipe goes: 0 where it takes none. Infinity where it comes to a circle. */
export function depthOf(takes: Takes, id: number): number {
  const known = new Map<number, number>();
  const depth = (each: number): number => {
    const before = known.get(each);
    if (before !== undefined) return before;
    // Come to again before it is known, it stands in itself.
    known.set(each, Infinity);
    let deepest = 0;
    for (const taken of takes.get(each) ?? []) deepest = Math.max(deepest, 1 + depth(taken));
    known.set(each, deepest);
    return deepest;
  };
  return depth(id);
}

/** The same, seen from below: which recipes take each recipe. */
export function takenBy(takes: Takes): Takes {
  const by = new Map<number, number[]>();
  for (const [id, taken] of takes) for (const each of taken) by.set(each, [...(by.get(each) ?? []), id]);
  return by;
}

/**
 * Why a recipe cannot take another one as a line: it would stand in itself, or the chain of which it is a part would go deeper
 * than is allowed. Undefined where it can. `id` is undefined for a new recipe, which stands in none. Errors: none.
 */
export function whyNotTake(takes: Takes, id: number | undefined, other: number): string | undefined {
  if (id !== undefined && recipesWithin(takes, [other]).has(id))
    return 'This recipe would stand in itself. Choose another one.';
  const above = id === undefined ? 0 : depthOf(takenBy(takes), id);
  const deep = above + 1 + depthOf(takes, other);
  return deep > DEEPEST_CHAIN
    ? `With this line ${deep} recipes would stand in each other, and Hodman reads ${DEEPEST_CHAIN}. Take its own lines in its place.`
    : undefined;
}
