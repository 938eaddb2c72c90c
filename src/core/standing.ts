import { sure } from './sure';

/** An entry of a history to which things are only added: one that is wrong is taken back by another. */
export interface Entry {
  readonly id: number;
  /** The entry that this one takes back. */
  readonly takesBack?: number;
}

/**
 * The entries that count, in their order: those that take nothing back and that nothing standing takes back. A taking
 * back can itself be taken back: then what it took back stands again.
 *
 * Takes entries whose ids rise in the order of writing. Source: ours; the fold of the ledger and of a batch share it.
 */
export function standing<T extends Entry>(entries: readonly T[]): T[] {
  const fallen = fallenIn(entries);
  return entries.filter((entry) => entry.takesBack === undefined && !fallen.has(entry.id));
}

/** The ids of the entries that something standing takes back. */
export function fallenIn(entries: readonly Entry[]): ReadonlySet<number> {
  const fallen = new Set<number>();
  for (const entry of [...entries].sort((a, b) => b.id - a.id))
    if (entry.takesBack !== undefined && !fallen.has(entry.id)) fallen.add(entry.takesBack);
  return fallen;
}

/**
 * The entry that is to be taken back so that `id` no longer counts, or counts again: itself, or the last of the takings
 * back that begin with it. Takes the whole history.
 */
export function tipOf<T extends Entry>(entries: readonly T[], id: number): number {
  const by = new Map(entries.flatMap((entry) => (entry.takesBack === undefined ? [] : [[entry.takesBack, entry.id]])));
  let tip = id;
  while (by.has(tip)) tip = sure(by.get(tip));
  return tip;
}
