import type { Fate } from '@/core/portion/shares';

export const FATE_WORDS: Readonly<Record<Fate, string>> = {
  today: 'Eaten today',
  fridge: 'Fridge',
  freezer: 'Freezer',
  dry: 'To dry',
};
