/** So many steps a group of packs is divided into: finer says little more and takes longer (ours). */
const STEPS = 2000;

/**
 * The most of some packs that whole bowls can take: a dog eats one thing a day, so that what is left beside the last whole bowl is eaten
 * by nobody. Takes kcal of the packs and of each bowl that they might fill; never less than the true most, and no more than if the packs
 * were larger by two 2000ths for each bowl. Source: arithmetic (subset sum, in whole steps).
 */
export function inWholeBowls(kcal: number, bowls: readonly number[]): number {
  const fitting = bowls.filter((bowl) => bowl > 0 && bowl <= kcal);
  if (fitting.length === 0) return 0;
  const step = kcal / STEPS;
  const reached = new Uint8Array(STEPS + 1);
  reached[0] = 1;
  let most = 0;
  for (const bowl of fitting) {
    const steps = Math.floor(bowl / step);
    for (let sum = Math.min(STEPS, most + steps); sum >= steps; sum--)
      if (reached[sum - steps] === 1) {
        reached[sum] = 1;
        if (sum > most) most = sum;
      }
    if (most === STEPS) return kcal;
  }
  // Each bowl was taken as whole steps, less than it is.
  const count = Math.min(fitting.length, Math.floor(kcal / Math.min(...fitting)));
  return Math.min(kcal, (most + count) * step);
}
