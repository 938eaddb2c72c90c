import { addUp } from '../add-up';
import type { DryMethod } from '../preserve/methods';
import { nth } from '../sure';
import type { Fate } from './shares';

/** So many g that are to go into a dryer. */
export interface DryWanted {
  readonly method: DryMethod;
  readonly machineId: number;
  readonly grams: number;
}

interface Dryable {
  readonly fate: Fate;
  readonly grams: number;
  readonly method?: DryMethod | undefined;
  readonly machineId?: number | undefined;
}

/**
 * Shares with more of them dried, so that a dryer has as much as is wanted: taken from what would be frozen, then from what would lie in
 * the fridge, and no more than that. It goes to the share of that dryer, else to one of which nobody said where it is dried, else to
 * one more; what is to go into another dryer stays. Takes the shares in order, what is wanted, and the shares of parts that are kept
 * apart, of which the dryer may have some already; returns the shares, and how many g moved. Source: arithmetic.
 */
export function driedFromRest<T extends Dryable>(
  shares: readonly T[],
  { method, machineId, grams: wanted }: DryWanted,
  elsewhere: readonly Dryable[] = [],
): { readonly shares: readonly (T | (Dryable & { readonly fate: 'dry' }))[]; readonly moved: number } {
  const isOwn = (share: Dryable) => share.fate === 'dry' && share.machineId === machineId;
  const isOpen = (share: Dryable) =>
    share.fate === 'dry' &&
    (share.grams === 0 || (share.machineId === undefined && (share.method === undefined || share.method === method)));
  const own = shares.findIndex(isOwn);
  const into = own >= 0 ? own : shares.findIndex(isOpen);
  const already =
    addUp(shares, (share, at) => (at === into || isOwn(share) ? share.grams : 0)) +
    addUp(elsewhere.filter(isOwn), ({ grams }) => grams);
  const free = addUp(shares, ({ fate, grams }) => (fate === 'freezer' || fate === 'fridge' ? grams : 0));
  const moved = Math.max(0, Math.min(Math.round(wanted) - already, free));
  if (moved === 0) return { shares, moved };
  const left = shares.map(({ grams }) => grams);
  let open = moved;
  for (const from of ['freezer', 'fridge'] as const)
    shares.forEach(({ fate }, at) => {
      const takes = fate === from ? Math.min(nth(left, at), open) : 0;
      left[at] = nth(left, at) - takes;
      open -= takes;
    });
  const dried = { fate: 'dry' as const, method, machineId };
  const kept = shares.map((share, at) =>
    at === into ? { ...share, ...dried, grams: share.grams + moved } : { ...share, grams: nth(left, at) },
  );
  return { shares: into >= 0 ? kept : [...kept, { ...dried, grams: moved }], moved };
}
