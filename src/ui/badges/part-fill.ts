import type { Part } from '@/core/recipe/recipe';
import type { Protein } from '@/core/recipe/protein';
import { hatchFill } from './hatch-defs';

const tint = (colour: string, percent: number) =>
  `color-mix(in srgb, var(--${colour}) ${percent}%, var(--enamel-raised))`;

const TINTS: Partial<Record<Part, string>> = {
  liquid: 'var(--fjord-pale)',
  carbohydrate: tint('carrot', 18),
  vegetable: tint('kale', 28),
  fruit: tint('kale', 18),
  herb: tint('kale', 45),
  egg: tint('honey', 18),
  fat: tint('honey', 35),
};

/** Parts that are drawn by the hatch of the recipe's animal. */
export const isOfAnimal = (part: Part): boolean => part.startsWith('muscle') || part.includes('organ');

/** How a part of a recipe is drawn: the animal by its hatch, the rest by its tint. */
export const fillOfPart = (part: Part, protein: Protein): string =>
  isOfAnimal(part) ? hatchFill(protein.hatch) : (TINTS[part] ?? tint('honey', 25));
