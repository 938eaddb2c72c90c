import type { Food } from './food';
import type { FoodIndex } from './search';

/** A food found for a cook's words, and whether every word of them was in its name. */
export interface Match {
  readonly food: Food;
  readonly sure: boolean;
}

/** Words that say how a food looks or was cut, not which food it is. */
const DRESS =
  /^(fresh|freshly|thawed|defrosted|organic|boneless|skinless|lean|extra|chopped|diced|cubed|sliced|grated|shredded|minced|mashed|crushed|washed|rinsed|peeled|drained|trimmed|finely|roughly|coarsely|large|small|medium|big|ripe|baby|whole|local|homemade|plain|about|taste|approx|approximately|some|good|heaped|level|of|the|and|or|in|with|for|to|my|our|any|mixed|leafy|wild|pastured|frozen-thawed|[a-z]+-(?:fed|raised|caught|range|free|grown|in))$/i;

/** Words that make another food of what they stand with: kelp is not kelp powder, chicken no chicken stock. */
const FORM =
  /^(stock|broth|bouillon|cubes?|powder|oil|extract|juice|sauce|butter|flour|milk|capsules?|tablets?|softgels?|vinegar|premix|supplement|meal|shells?|eggshells?|seasoning|chips|bread)$/;

const bare = (words: readonly string[]) => words.filter((word) => !DRESS.test(word));

const fold = (word: string) => word.replace(/(?:es|s)$/, '');

/** The words that a name's parts begin with: "Game meat, goat, raw" has game, goat and raw. */
const heads = (name: string) =>
  new Set(
    name
      .toLowerCase()
      .split(',')
      .map((part) => fold(part.trim().split(/[^a-zà-ÿ]+/)[0]!)),
  );

/**
 * The food of the table that a cook's words mean, without anybody looking: only foods that every word is in, then
 * with words of look and cut left out, then with fewer words from the end. Undefined where nothing
 * fits: the line stays as it was written. Source: the order is ours (common practice, no source).
 */
export function matchFood(food: string, note: string, index: Pick<FoodIndex, 'exactly'>): Match | undefined {
  const plain = food.replace(/\([^)]*\)/g, ' ');
  const all = words(food);
  const kept = bare(words(plain));
  const told = bare(words(note.split(/[,;]/)[0] ?? '')).filter((word) => word.length > 2);
  const ask = (asked: readonly string[], sure: boolean): Match | undefined => {
    const found = asked.length > 0 ? index.exactly(asked.join(' '), 1)[0] : undefined;
    return found && { food: found, sure };
  };
  const named = (asked: readonly string[]): Match | undefined => {
    const found = index.exactly(asked.join(' '), 12).find(({ name }) => heads(name).has(fold(asked[0]!)));
    return found && { food: found, sure: false };
  };
  const whole =
    (told.length > 0 && told.length < 4 && kept.length > 0 ? ask([...kept, ...told], true) : undefined) ??
    ask(all, true) ??
    ask(words(plain), true) ??
    ask(kept, true);
  if (whole) return whole;
  if (kept.some((word) => FORM.test(word))) return undefined;
  // "goat shoulder" is goat: the cut stands behind the food.
  for (let count = kept.length - 1; count > 0; count--) {
    const found = named(kept.slice(0, count));
    if (found) return found;
  }
  return undefined;
}

const words = (text: string) =>
  text
    .toLowerCase()
    .split(/[^a-zà-ÿ0-9%'’-]+/)
    .filter(Boolean);
