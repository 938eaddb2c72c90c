import type { FoodKind } from '../preserve/shelf-life';
import type { Moment } from './recipe';

/** What kind of food a recipe makes, before it is divided: raw where something of it is never cooked, else cooked. */
export const kindOfRecipe = (lines: readonly { readonly moment: Moment }[]): Extract<FoodKind, 'raw' | 'cooked'> =>
  lines.some(({ moment }) => moment === 'raw') ? 'raw' : 'cooked';
