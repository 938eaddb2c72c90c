import type { Food } from '../food/food';
import type { Part } from './recipe';

const MEAT_GROUPS = new Set(['Beef', 'Pork', 'Poultry', 'Lamb, veal and game', 'Fish and shellfish']);

/** The part that a food usually plays, as a first guess that the cook can change (common practice, no source). */
export function guessPart(food: Pick<Food, 'name' | 'group'>): Part {
  const name = food.name.toLowerCase();
  if (MEAT_GROUPS.has(food.group)) {
    if (/\b(liver|kidneys?|spleen|pancreas|brain|thymus|testes)\b/.test(name)) return 'secreting organ';
    if (/\b(heart|gizzards?|tongue|tripe|lungs?)\b/.test(name)) return 'muscular organ';
    return 'muscle';
  }
  if (/^egg,/.test(name)) return 'egg';
  if (food.group === 'Grains and pasta' || food.group === 'Legumes' || food.group === 'Baked') return 'carbohydrate';
  if (food.group === 'Vegetables')
    return /^(potato|sweet potato|cassava|yam)/.test(name) ? 'carbohydrate' : 'vegetable';
  if (food.group === 'Fruits' || food.group === 'Sweeteners') return 'fruit';
  if (food.group === 'Spices and herbs') return 'herb';
  if (food.group === 'Fats and oils' || food.group === 'Nuts and seeds') return 'fat';
  if (food.group === 'Dairy and egg') return /^butter/.test(name) ? 'fat' : 'dairy';
  if (food.group === 'Yeast' || food.group === 'Supplement') return 'supplement';
  return 'liquid';
}
