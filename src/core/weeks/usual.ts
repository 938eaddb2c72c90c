import { addUp } from '../add-up';
import { sure } from '../sure';
import { candidatesOf, needOn, recipeKey, sourcesFor, type WeeksAnswer, type WeeksProblem } from './weeks';

/** Cover below which a cook who plans nothing cooks again, in days (common practice, no source). */
const UNDER = 3;

/**
 * The weeks as they go without a plan: whenever less than three days are left before the next chance, the pot is filled as often as hours
 * and freezer allow, of the recipe whose turn it is. Dogs eat what was cooked first. It keeps hours and freezer; nobody counts proteins.
 *
 * Takes the problem; returns what is cooked and eaten. Source: common practice, no source.
 */
export function usualWeeks(problem: WeeksProblem): Omit<WeeksAnswer, 'gap'> {
  const { days, dogs, recipes, stock, freezer } = problem;
  const candidates = candidatesOf(problem);
  const left = new Map<string, number>(stock.map(({ key, kcal }) => [key, kcal]));
  const order: string[] = stock.map(({ key }) => key);
  const cooks: { day: number; pots: { recipeId: number; potfuls: number }[] }[] = [];
  const eats: Record<number, (string | undefined)[]> = Object.fromEntries(dogs.map(({ dogId }) => [dogId, []]));
  const kcalLeft = () => addUp([...left.values()], (kcal) => kcal);
  let turn = 0;
  for (let day = 0; day < days; day++) {
    for (const dog of dogs) {
      const need = dog.needs[day] ?? 0;
      const may = new Set(sourcesFor(problem, dog).map(({ key }) => key));
      const key = need > 0 ? order.find((each) => may.has(each) && (left.get(each) ?? 0) >= need - 1) : undefined;
      sure(eats[dog.dogId]).push(key);
      if (key !== undefined) left.set(key, (left.get(key) ?? 0) - need);
    }
    const at = candidates.findIndex((each) => each.day === day);
    if (at === -1 || recipes.length === 0) continue;
    // Would there be less than three days of it on the next chance?
    const next = candidates[at + 1]?.day ?? days;
    let ahead = kcalLeft();
    for (let later = day + 1; later <= next + UNDER - 1; later++) ahead -= needOn(problem, Math.min(days - 1, later));
    if (ahead >= 0) continue;
    const recipe = sure(recipes[turn++ % recipes.length]);
    const grams = addUp([...left], ([key, kcal]) => kcal * gramsPerKcal(problem, key));
    const room = freezer
      ? freezer.litres * 1000 -
        freezer.taken * 1000 -
        grams +
        needOn(problem, Math.min(days - 1, day + 1)) * (recipe.grams / recipe.kcal)
      : Infinity;
    const potfuls = Math.min(
      Math.floor(sure(candidates[at]).minutes / recipe.minutes + 1e-9),
      Math.floor(room / recipe.grams + 1e-9),
    );
    if (potfuls < 1) continue;
    cooks.push({ day, pots: [{ recipeId: recipe.recipeId, potfuls }] });
    const key = recipeKey(recipe.recipeId);
    left.set(key, (left.get(key) ?? 0) + potfuls * recipe.kcal);
    order.splice(0, order.length, ...order.filter((each) => each !== key), key);
  }
  return { cooks, eats };
}

function gramsPerKcal({ recipes, stock }: WeeksProblem, key: string): number {
  const recipe = recipes.find(({ recipeId }) => recipeKey(recipeId) === key);
  if (recipe) return recipe.grams / recipe.kcal;
  const group = stock.find((each) => each.key === key);
  return group && group.kcal > 0 ? group.frozenGrams / group.kcal : 0;
}
