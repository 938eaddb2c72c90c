import MiniSearch from 'minisearch';
import type { Food } from './food';
import { foldWords } from './fold';
import type { KitchenWords } from './kitchen-words';
import { nth, sure } from '../sure';

export interface FoodIndex {
  /** The best `limit` foods for what has been typed so far, everyday forms first. */
  readonly search: (query: string, limit: number) => readonly Food[];
  /** The same, but only foods that every word is in, as written: for lines that are read without being looked at. */
  readonly exactly: (query: string, limit: number) => readonly Food[];
}

/** Words of a name that make it less of an everyday form, with what each costs. */
const LESS_EVERYDAY: readonly [RegExp, number][] = [
  [
    /\b(cooked|baked|boiled|broiled|braised|roasted|stewed|simmered|grilled|steamed|microwaved|pan-broiled|toasted|smoked|scrambled|poached|hard-boiled|omelet)\b/,
    0.45,
  ],
  [
    /\b(canned|dried|dehydrated|freeze-dried|pickled|powder|flour|flakes|salted|cured|sulfured|juice|nectar|concentrate|sauce|syrup|puree|paste|glucose)\b/,
    0.45,
  ],
  [/\bfrozen\b/, 0.6],
  [/\b(baby|glutinous|flowers|leaves|sprouted)\b/, 0.5],
  [
    /\b(imported|new zealand|australian|wagyu|alaska native|natreon|industrial|usda commodity|commodity|imitation|infant)\b/,
    0.4,
  ],
  [/\b(choice|select|prime|all grades|trimmed to|separable|1\/8"|1\/4"|0" fat)\b/, 0.6],
  [/\b(with salt|with added|fortified|enriched with|reduced|low fat|nonfat|fat free|imbibed|seed sprouts)\b/, 0.7],
  [/\b(with skin|skin only|separated fat|drippings|by-products|mechanically deboned)\b/, 0.7],
  [/\b(duck|goose|quail|turkey), whole\b/, 0.8],
];

/** How plain a food is, from 0 to 1: "Kale, raw" is plainer than "Kale, scotch, cooked, boiled, drained, with salt". */
export function plainness(food: Pick<Food, 'name'>): number {
  const name = food.name.toLowerCase();
  let score = /\b(raw|fresh|unprepared|dry|uncooked)\b/.test(name) || !name.includes(',') ? 1 : 0.8;
  for (const [words, cost] of LESS_EVERYDAY) if (words.test(name)) score *= cost;
  return score * Math.pow(0.93, Math.max(0, name.split(/[ ,]+/).length - 3));
}

/** Where in the name the first of the typed words stands: "Millet" answers "millet" better than "Bread, millet". */
function headBonus(name: string, terms: readonly string[]): number {
  const segments = name.toLowerCase().split(',').map(foldWords);
  const head = segments[0] ?? [];
  const inHead = terms.filter((term) => head.some((word) => word === term)).length;
  const begins = terms.filter((term) => head.some((word) => word.startsWith(term))).length;
  const second = terms.filter((term) => (segments[1] ?? []).includes(term)).length;
  const isFirst = head[0] !== undefined && terms.some((term) => nth(head, 0).startsWith(term));
  return 1 + inHead * 1.2 + (begins - inHead) * 0.4 + second * 0.9 + (isFirst ? 0.6 : 0);
}

/** Rows of which little was measured come late: from 20 values on all are alike (common practice, no source). */
const told = (food: Food) => 0.4 + 0.6 * Math.min(1, Object.keys(food.per100).length / 20);

/** Phrases that are looked at for what was typed so far. */
const PHRASES = 24;

/**
 * An index over the food table that answers a query while it is typed.
 *
 * Takes the foods and the phrases of the kitchen. A search first gives the rows that those phrases mean which hold
 * what was typed, the whole phrase before longer ones; then the names of the table that hold every typed word (the
 * last may be unfinished), one slip allowed in longer words, everyday raw and plain forms before cuts, grades and
 * cooked ones, rows with few values last. Errors: none; a query without a letter finds nothing.
 * Source: the ranking is ours (common practice, no source).
 */
export function indexFoods(foods: readonly Food[], phrases: KitchenWords): FoodIndex {
  const byNdb = new Map(foods.map((food) => [food.ndb, food]));
  const plain = new Map(foods.map((food) => [food.ndb, plainness(food) * told(food)]));
  const index = new MiniSearch<Food>({
    idField: 'ndb',
    fields: ['name'],
    // As it is written too: who types “fee” is on the way to feet.
    tokenize: (name) => [
      ...foldWords(name),
      ...name
        .toLowerCase()
        .split(/[^\p{L}]+/u)
        .filter(Boolean),
    ],
    searchOptions: { tokenize: foldWords },
    processTerm: (term) => term,
  });
  index.addAll(foods);
  const named = foods.map((food) => ({ food, words: new Set(foldWords(food.name)) }));
  const holding = new Map<string, typeof named>();
  for (const each of named)
    for (const word of each.words) {
      const others = holding.get(word);
      if (others) others.push(each);
      else holding.set(word, [each]);
    }

  const ranked = (found: readonly Food[], terms: readonly string[]): readonly Food[] =>
    found
      .map((food) => ({ food, score: headBonus(food.name, terms) * sure(plain.get(food.ndb)) }))
      .sort((a, b) => b.score - a.score || a.food.name.length - b.food.name.length)
      .map(({ food }) => food);

  const find = (query: string): readonly Food[] => {
    const terms = [...new Set(foldWords(query))];
    if (terms.length === 0) return [];
    const asked = terms.join(' ');
    const options = { prefix: true, combineWith: 'AND' as const };
    let hits = index.search(asked, options);
    if (hits.length === 0)
      hits = index.search(asked, { ...options, fuzzy: (term) => (term.length > 4 ? 0.25 : false) });
    if (hits.length === 0) hits = index.search(asked, { prefix: true, combineWith: 'OR' });
    return ranked(
      hits.map((hit) => sure(byNdb.get(hit.id as string))),
      terms,
    );
  };

  /** Read without being looked at, only a number may go on: "80" is "80%", but "lots" is no lotus. */
  const exactly = (query: string): readonly Food[] => {
    const terms = [...new Set(foldWords(query))];
    const whole = terms.filter((term) => !/^\d/.test(term));
    const numbers = terms.filter((term) => /^\d/.test(term));
    // The names with the rarest word are few: the others are looked for in them alone.
    const rarest = whole
      .map((term) => holding.get(term) ?? [])
      .reduce((fewest, each) => (each.length < fewest.length ? each : fewest), terms.length === 0 ? [] : named);
    const found = rarest.filter(
      ({ words }) =>
        whole.every((term) => words.has(term)) &&
        numbers.every((number) => [...words].some((word) => word.startsWith(number))),
    );
    return ranked(
      found.map(({ food }) => food),
      terms,
    );
  };

  const byPhrase = (query: string): readonly Food[] => {
    const begun = phrases.begun(query, PHRASES);
    const inside = begun.length > 0 ? undefined : phrases.find(query, '');
    const found = inside ? [inside.phrase] : begun;
    return found
      .flatMap((phrase, at) => (at === 0 && phrase.ask.length > 0 ? phrase.ask : [phrase.ndb ?? '']))
      .flatMap((ndb) => byNdb.get(ndb) ?? []);
  };
  return {
    search: (query, limit) =>
      [...new Set([...(/\p{L}/u.test(query) ? byPhrase(query) : []), ...find(query)])].slice(0, limit),
    exactly: (query, limit) => exactly(query).slice(0, limit),
  };
}
