import { dehydrated } from './methods/dehydrated';
import { freezeDried } from './methods/freeze-dried';

/** The ways of drying, the usual one first. */
export const DRYING_METHODS = [freezeDried, dehydrated] as const;

export type DryMethod = (typeof DRYING_METHODS)[number]['key'];
export type DryerKind = (typeof DRYING_METHODS)[number]['machine'];

/** The kind of machine that a method needs; the usual method where none is said. */
export const machineOf = (method: DryMethod = DRYING_METHODS[0].key): DryerKind =>
  (DRYING_METHODS.find((each) => each.key === method) ?? DRYING_METHODS[0]).machine;

/** Their names alone, as a schema lists them. */
export const DRY_METHODS = DRYING_METHODS.map(({ key }): DryMethod => key);
