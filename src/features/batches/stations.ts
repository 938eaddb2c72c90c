import type { Fate } from '@/core/portion/shares';
import type { BatchView } from './queries';

export type Station = 'weigh out' | 'pot' | 'divide' | 'pack';

export const FATE_WORDS: Readonly<Record<Fate, string>> = {
  today: 'Eaten today',
  fridge: 'Fridge',
  freezer: 'Freezer',
  dry: 'To dry',
};

/** Where a batch stands: the station that has the next act. */
export function stationOf(view: BatchView): Station {
  if (view.state === 'planned') return 'weigh out';
  if (view.state === 'cooking') return 'pot';
  return (view.weighed?.shares.length ?? 0) === 0 ? 'divide' : 'pack';
}
