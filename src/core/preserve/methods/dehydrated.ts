import type { DryingMethod } from '../drying-method';

export const dehydrated = { key: 'dehydrated', machine: 'dehydrator' } as const satisfies DryingMethod;
