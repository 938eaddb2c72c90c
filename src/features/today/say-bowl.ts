import { writeMassIn } from '@/core/quantity/write';
import type { UnitSet } from '@/core/quantity/units';

interface Fed {
  readonly parts: readonly { readonly grams: number; readonly code: string; readonly frozen: boolean }[];
  readonly ticked: readonly string[];
  readonly left: { readonly grams: number; readonly fate: 'thrown' | 'fridge' } | undefined;
}

/** "250 g from V11, left 60 g: thrown away". */
export function sayBowl({ parts, ticked, left }: Fed, set: UnitSet): string {
  const fed = [
    ...parts.map(({ grams, code, frozen }) => `${writeMassIn(grams, set)} from ${code}${frozen ? ', frozen' : ''}`),
    ...ticked.map((said) => `with ${said}`),
  ].join(', ');
  if (!left) return fed;
  return `${fed}, left ${writeMassIn(left.grams, set)}: ${left.fate === 'thrown' ? 'thrown away' : 'back in the fridge'}`;
}
