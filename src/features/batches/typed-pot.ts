import { z } from 'zod';
import type { Weighing } from '@/core/portion/yield';
import { refused, type Outcome, type Problem } from '@/core/problem';
import { readCount } from '@/core/quantity/typed';
import { grams } from '@/core/quantity/units';
import type { useUnits } from '@/ui/units';
import type { VesselView } from './weighed/vessels';

/** A weighed pot as it is typed. */
export const typedPot = z.object({
  by: z.enum(['scale', 'cups']),
  vessels: z.array(z.object({ name: z.string(), gross: z.string(), tare: z.string() })),
  cups: z.string(),
  cupGrams: z.string(),
  eaten: z.string(),
  kept: z.string(),
  skimmed: z.string(),
  strained: z.string().default(''),
});
export type Typed = z.infer<typeof typedPot>;

/** What stands in the form at first: what was weighed, else one vessel. */
export function before({ name, weighed }: VesselView, toType: (grams: number) => string): Typed {
  const weighing = weighed?.weighing;
  return {
    by: weighing?.by ?? 'scale',
    vessels:
      weighing?.by === 'scale'
        ? weighing.vessels.map((vessel) => ({
            name: vessel.name,
            gross: toType(vessel.gross),
            tare: vessel.tare > 0 ? toType(vessel.tare) : '0',
          }))
        : [{ name: name === 'the pot' ? 'big pot' : name, gross: '', tare: '' }],
    cups: weighing?.by === 'cups' ? String(weighing.cups) : '',
    cupGrams: weighing?.by === 'cups' ? toType(weighing.cupGrams) : '',
    eaten: weighed && weighed.eatenBefore > 0 ? toType(weighed.eatenBefore) : '',
    kept: weighed && weighed.kept > 0 ? toType(weighed.kept) : '',
    skimmed: weighed && weighed.skimmed > 0 ? toType(weighed.skimmed) : '',
    strained: weighed && weighed.strained > 0 ? toType(weighed.strained) : '',
  };
}

export const isTyped = (typed: Typed, field: string) => {
  const [, index, name] = field.split('.');
  if (name === 'gross' || name === 'tare') return typed.vessels[Number(index)]?.[name] !== '';
  return field === 'cups' ? typed.cups !== '' : field === 'cupGrams' ? typed.cupGrams !== '' : false;
};

const WHICH_VESSEL = 'Which vessel did it stand in? Type what it weighs empty, or press “none: it was tared”.';

/** The typed readings as a weighing, or what cannot be read at its field. */
export function readWeighing(
  typed: Typed,
  readScale: ReturnType<typeof useUnits>['readScale'],
): { weighing: Weighing | undefined; problems: Problem[] } {
  const problems: Problem[] = [];
  const take = <T>(outcome: Outcome<T>, field: string, instead: T): T => {
    if (outcome.ok) return outcome.value;
    problems.push({ ...outcome.problem, field });
    return instead;
  };
  const zero = grams(0);
  const weighing: Weighing =
    typed.by === 'cups'
      ? {
          by: 'cups',
          cups: take(readCount(typed.cups), 'cups', 0),
          cupGrams: take(readScale(typed.cupGrams), 'cupGrams', zero),
        }
      : {
          by: 'scale',
          vessels: typed.vessels.map((vessel, index) => ({
            name: vessel.name.trim() || `vessel ${index + 1}`,
            gross: take(readScale(vessel.gross), `vessels.${index}.gross`, zero),
            // A blank is a question: a forgotten tare is in every bowl of the pot.
            tare: take(
              vessel.tare.trim() === '' ? refused(WHICH_VESSEL) : readScale(vessel.tare),
              `vessels.${index}.tare`,
              zero,
            ),
          })),
        };
  return { weighing: problems.length === 0 ? weighing : undefined, problems };
}
