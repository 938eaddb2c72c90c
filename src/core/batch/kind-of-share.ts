import type { FoodKind } from '../preserve/shelf-life';
import { kindOfRecipe } from '../recipe/kind-of-recipe';
import { sure } from '../sure';
import type { WeighedState } from './fold';
import type { ShareState } from './share-state';

/** What kind of food a share is: dried, raw where something of it was never cooked, broth, or cooked. */
export function kindOfShare(
  { byProduct, apart, lines }: Pick<WeighedState, 'byProduct' | 'apart' | 'lines'>,
  share: Pick<ShareState, 'fate' | 'method'>,
): FoodKind {
  if (share.fate === 'dry') return sure(share.method);
  if (byProduct === 'broth') return 'broth';
  return apart === 'lines' ? 'raw' : kindOfRecipe(lines);
}
