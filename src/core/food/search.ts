import MiniSearch from 'minisearch';
import type { Food } from './food';

/** Words that cooks use, each with the words of the table that it means ("swede": "rutabagas"). */
export type FoodWords = Readonly<Record<string, string>>;

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

/** Plurals are folded, so that "parsnip" is as near to "Parsnips" as a word can be. */
function stem(term: string): string {
  const word = term.toLowerCase();
  if (word.length > 4 && word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (word.length > 4 && /(oes|ches|shes|sses)$/.test(word)) return word.slice(0, -2);
  return word.length > 3 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word;
}

const words = (text: string) =>
  text
    .toLowerCase()
    .split(/[^a-zà-ÿ0-9%]+/)
    .filter(Boolean);

/** Where in the name the first of the typed words stands: "Millet" answers "millet" better than "Bread, millet". */
function headBonus(name: string, terms: readonly string[]): number {
  const segments = name
    .toLowerCase()
    .split(',')
    .map((segment) => words(segment).map(stem));
  const head = segments[0] ?? [];
  const inHead = terms.filter((term) => head.some((word) => word === term)).length;
  const begins = terms.filter((term) => head.some((word) => word.startsWith(term))).length;
  const second = terms.filter((term) => (segments[1] ?? []).includes(term)).length;
  const isFirst = head[0] !== undefined && terms.some((term) => head[0]!.startsWith(term));
  return 1 + inHead * 1.2 + (begins - inHead) * 0.4 + second * 0.9 + (isFirst ? 0.6 : 0);
}

/** The table's words for what was typed: "minced venison" becomes "ground deer". Longest phrases first. */
function translate(query: string, synonyms: FoodWords): string {
  let text = ` ${words(query).join(' ')} `;
  for (const phrase of Object.keys(synonyms).sort((a, b) => b.length - a.length)) {
    if (text.includes(` ${phrase} `)) text = text.replace(` ${phrase} `, ` ${synonyms[phrase]} `);
  }
  return text.trim();
}

/**
 * An index over the food table that answers a query while it is typed.
 *
 * Takes the foods and the cooks' words for them. A search wants every typed word (the last may be unfinished),
 * allows one slip in longer words, and puts everyday raw and plain forms before cuts, grades and cooked ones.
 * Errors: none; a query without a letter finds nothing. Source: the ranking is ours (common practice, no source).
 */
export function indexFoods(foods: readonly Food[], synonyms: FoodWords): FoodIndex {
  const byNdb = new Map(foods.map((food) => [food.ndb, food]));
  const plain = new Map(foods.map((food) => [food.ndb, plainness(food)]));
  const index = new MiniSearch<Food>({
    idField: 'ndb',
    fields: ['name'],
    tokenize: words,
    processTerm: stem,
  });
  index.addAll(foods);

  const find = (query: string, limit: number, loosely: boolean): readonly Food[] => {
    const translated = translate(query, synonyms);
    const terms = words(translated).map(stem);
    if (terms.length === 0) return [];
    // Read without being looked at, only a number may go on: "80" is "80%", but "lots" is no lotus.
    const options = { prefix: loosely || ((term: string) => /^\d/.test(term)), combineWith: 'AND' as const };
    let hits = index.search(translated, options);
    if (hits.length === 0 && !loosely) return [];
    if (hits.length === 0)
      hits = index.search(translated, { ...options, fuzzy: (term) => (term.length > 4 ? 0.25 : false) });
    if (hits.length === 0) hits = index.search(translated, { prefix: true, combineWith: 'OR' });
    return hits
      .map((hit) => {
        const food = byNdb.get(hit.id as string)!;
        return { food, score: headBonus(food.name, terms) * plain.get(food.ndb)! };
      })
      .sort((a, b) => b.score - a.score || a.food.name.length - b.food.name.length)
      .slice(0, limit)
      .map(({ food }) => food);
  };
  return {
    search: (query, limit) => find(query, limit, true),
    exactly: (query, limit) => find(query, limit, false),
  };
}
