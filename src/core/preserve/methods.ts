import { dehydrated } from './methods/dehydrated';
import { freezeDried } from './methods/freeze-dried';

/** The ways of drying, the usual one first. */
export const DRYING_METHODS = [freezeDried, dehydrated] as const;

export type DryMethod = (typeof DRYING_METHODS)[number]['key'];
export type DryerKind = (typeof DRYING_METHODS)[number]['machine'];

/** Their names alone, as a schema lists them. */
export const DRY_METHODS = DRYING_METHODS.map(({ key }): DryMethod => key);
