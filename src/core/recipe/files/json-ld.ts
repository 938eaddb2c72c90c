import { withDegrees } from '../../quantity/temperature';
import type { RecipeEntry } from '../entry-schema';
import { sure } from '../../sure';

/** A schema.org Recipe as this project writes it: ingredient lines that a person can read. */
export interface RecipeJsonLd {
  readonly '@context': 'https://schema.org';
  readonly '@type': 'Recipe';
  readonly name: string;
  readonly recipeIngredient: readonly string[];
  readonly recipeInstructions?: readonly { readonly '@type': 'HowToStep'; readonly text: string }[];
  readonly cookTime?: string;
  readonly nutrition?: { readonly '@type': 'NutritionInformation'; readonly calories: string };
}

/** A recipe for others: amounts and words as the cook wrote them, and the way of each vessel. */
export function writeJsonLd(
  entry: RecipeEntry,
  nameOf: (key: string) => string | undefined,
  kcal: number,
): RecipeJsonLd {
  const lines = entry.lines.map((line) => {
    const words = line.preparation?.trim() || nameOf(line.ndb) || '';
    return [line.amount.trim(), words].filter(Boolean).join(' ');
  });
  const steps = (entry.components ?? []).flatMap(({ name, vessel, method, minutes, celsius }) => {
    const way = [method, minutes && `${minutes} min`, celsius && withDegrees(celsius, 'metric')]
      .filter(Boolean)
      .join(', ');
    const where = [name, vessel && vessel !== name ? `in ${vessel}` : ''].filter(Boolean).join(' ');
    return way === '' ? [] : [{ '@type': 'HowToStep' as const, text: `${where}: ${way}` }];
  });
  const minutes = Math.max(0, ...(entry.components ?? []).map((component) => Number(component.minutes ?? 0) || 0));
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: entry.name,
    recipeIngredient: lines,
    ...(steps.length > 0 ? { recipeInstructions: steps } : {}),
    ...(minutes > 0 ? { cookTime: `PT${minutes}M` } : {}),
    ...(kcal > 0
      ? { nutrition: { '@type': 'NutritionInformation', calories: `${Math.round(kcal)} kcal in all` } }
      : {}),
  };
}

/** A Recipe from elsewhere, as far as it goes. */
export interface ReadJsonLd {
  readonly name: string;
  readonly ingredients: readonly string[];
  readonly method: string;
  readonly minutes: number | undefined;
  /** What could not be kept, in words. */
  readonly left: readonly string[];
}

type Node = Readonly<Record<string, unknown>>;
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null && !Array.isArray(value);
const listed = (value: unknown): readonly unknown[] =>
  value === undefined ? [] : Array.isArray(value) ? value : [value];

const isRecipe = (node: Node) => listed(node['@type']).some((type) => /(^|\/)Recipe$/.test(String(type)));

/** Recipes that may stand in a graph or in a list, never deeper than a page has them. */
export function findRecipes(value: unknown, depth = 0): readonly Node[] {
  if (depth > 4) return [];
  if (Array.isArray(value)) return value.flatMap((each) => findRecipes(each, depth + 1));
  if (!isNode(value)) return [];
  return isRecipe(value) ? [value] : findRecipes(value['@graph'], depth + 1);
}

const MARKUP = /<[a-z!/]/i;
/** Tabs and other control characters become spaces. */
const plain = (text: string) =>
  text
    .replace(/[\p{Cc}\p{Cf}]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** Steps may stand in sections, sections hardly in more. */
function stepsOf(value: unknown, depth = 0): string[] {
  if (depth > 4) return [];
  return listed(value).flatMap((step) => {
    if (typeof step === 'string') return [plain(step)];
    if (!isNode(step)) return [];
    return typeof step.text === 'string' ? [plain(step.text)] : stepsOf(step.itemListElement, depth + 1);
  });
}

/** Minutes of an ISO 8601 duration: PT1H30M is 90. */
export function readDuration(value: unknown): number | undefined {
  const match = typeof value === 'string' ? /^P(?:(\d+)D)?T?(?:(\d+)H)?(?:(\d+)M)?(?:\d+S)?$/.exec(value) : null;
  if (!match) return undefined;
  const [days, hours, minutes] = match.slice(1).map((part) => Number(part ?? 0));
  const whole = sure(days) * 1440 + sure(hours) * 60 + sure(minutes);
  return whole > 0 ? whole : undefined;
}

const KEPT = new Set([
  '@context',
  '@type',
  '@id',
  'name',
  'recipeIngredient',
  'ingredients',
  'recipeInstructions',
  'cookTime',
  'totalTime',
]);

/**
 * Reads one Recipe. Strings are text, never markup: a line that holds some is left out and said; what this project has
 * no place for (pictures, ratings, nutrition that it computes itself) is named.
 */
export function readJsonLd(node: Node): ReadJsonLd {
  const left: string[] = [];
  const said = (text: string) => (text.length > 60 ? `${text.slice(0, 60)}…` : text);
  const lines = listed(node.recipeIngredient ?? node.ingredients);
  const ingredients = lines.flatMap((line, index) => {
    if (typeof line !== 'string') {
      left.push(`ingredient ${index + 1} is no text`);
      return [];
    }
    if (MARKUP.test(line)) {
      left.push(`ingredient ${index + 1} holds markup: ${said(plain(line))}`);
      return [];
    }
    return plain(line) === '' ? [] : [plain(line)];
  });
  const steps = stepsOf(node.recipeInstructions).filter((step, index) => {
    if (!MARKUP.test(step)) return step !== '';
    left.push(`step ${index + 1} holds markup`);
    return false;
  });
  const others = Object.keys(node).filter((key) => !KEPT.has(key));
  if (others.length > 0) left.push(`not kept: ${others.slice(0, 12).map(said).join(', ')}`);
  const name = typeof node.name === 'string' && !MARKUP.test(node.name) ? plain(node.name).slice(0, 80) : '';
  if (name === '') left.push('it has no name that can be read');
  const method = steps.join('\n');
  if (method.length > 2000) left.push('its steps are longer than 2000 letters: cut there');
  return {
    name,
    ingredients,
    method: method.slice(0, 2000),
    minutes: readDuration(node.cookTime) ?? readDuration(node.totalTime),
    left,
  };
}
