import type { DryingMethod } from '../drying-method';

export const freezeDried = { key: 'freeze-dried', machine: 'freeze-dryer' } as const satisfies DryingMethod;
