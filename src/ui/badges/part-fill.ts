import type { Part } from '@/core/recipe/recipe';
import type { Protein } from '@/core/recipe/protein';
import { hatchFill } from './hatch-defs';

const tint = (colour: string, percent: number) =>
  `color-mix(in srgb, var(--${colour}) ${percent}%, var(--enamel-raised))`;

/** How a part of a recipe is drawn in a flow: the animal by its hatch, the rest by its tint. */
export function fillOfPart(part: Part, protein: Protein): string {
  if (part === 'liquid') return 'var(--fjord-pale)';
  if (part.startsWith('muscle') || part.includes('organ')) return hatchFill(protein.hatch);
  if (part === 'carbohydrate') return tint('carrot', 18);
  if (part === 'vegetable' || part === 'fruit' || part === 'herb') return tint('kale', 28);
  return tint('honey', 25);
}
