/** How high food stands in a pot of 64 px, and where the mark is up to which it may be filled, from its floor. */
export function potLevel(
  load: { readonly each: number; readonly full: number },
  millilitres: number,
): { readonly food: number; readonly mark: number } {
  const high = (part: number) => Math.max(0, Math.min(1, part)) * POT_HEIGHT;
  return { food: high(load.each / millilitres), mark: high(load.each / load.full / millilitres) };
}

export const POT_HEIGHT = 64;
