import type { Food } from '../food/food';
import { proteinsOf } from '../recipe/protein';
import type { Part } from '../recipe/recipe';
import { stateOf } from '../recipe/written';

/** The temperature in the middle of the thickest piece at which a food is safe. */
export interface SafeCore {
  readonly celsius: number;
  /** Minutes that it rests at that before it is cut. */
  readonly rest?: number;
  /** The line that asks for it, and as what it does. */
  readonly because: string;
  readonly as: string;
}

export const SAFE_CORE_SOURCE = 'USDA FSIS chart, from memory';

interface Rule {
  readonly as: string;
  readonly celsius: number;
  readonly rest?: number;
  readonly holds: (of: Cooked) => boolean;
}
interface Cooked {
  readonly food: Pick<Food, 'name' | 'group'>;
  readonly part: Part;
  readonly text: string;
}

const GROUND = /\b(ground|minced?|patty|patties|sausage|burger)\b/i;
const ORGANS: ReadonlySet<Part> = new Set(['muscular organ', 'secreting organ']);
const WHOLE: ReadonlySet<string> = new Set(['beef', 'pork', 'lamb']);
const animals = (of: Cooked) => proteinsOf(of.food);

/** In the order in which they are asked: the first that holds of a food decides. */
const RULES: readonly Rule[] = [
  { as: 'poultry', celsius: 74, holds: ({ food }) => food.group === 'Poultry' },
  { as: 'cooked before, heated again', celsius: 74, holds: ({ food }) => stateOf(food.name) === 'cooked' },
  { as: 'egg', celsius: 71, holds: ({ part }) => part === 'egg' },
  { as: 'organ meat', celsius: 71, holds: ({ part }) => ORGANS.has(part) },
  { as: 'game', celsius: 71, holds: ({ food }) => /game meat|\b(rabbit|deer|venison)\b/i.test(food.name) },
  { as: 'fish', celsius: 63, holds: ({ food }) => food.group === 'Fish and shellfish' },
  { as: 'ground meat', celsius: 71, holds: ({ food, text }) => GROUND.test(food.name) || GROUND.test(text) },
  {
    as: 'whole cuts',
    celsius: 63,
    rest: 3,
    holds: (of) => of.part !== 'bone' && animals(of).some((animal) => WHOLE.has(animal)),
  },
  // An animal that the chart does not name: its highest.
  { as: 'meat', celsius: 74, holds: ({ part }) => part === 'muscle' || part === 'bone' },
];

/** What one food asks for; undefined for plants, dairy, fat and what comes from a label. */
export function safeCoreOfFood(of: Cooked): SafeCore | undefined {
  const isAnimal = animals(of).length > 0 || ORGANS.has(of.part) || ['muscle', 'bone', 'egg'].includes(of.part);
  if (!isAnimal || of.part === 'fat' || of.part === 'dairy') return undefined;
  const rule = RULES.find(({ holds }) => holds(of));
  if (!rule) return undefined;
  const { as, celsius, rest } = rule;
  return { celsius, ...(rest === undefined ? {} : { rest }), because: of.text, as };
}

/** The one that asks for most: the hottest, and of these the longest rest. */
export const strictest = (of: readonly SafeCore[]): SafeCore | undefined =>
  of.reduce<SafeCore | undefined>(
    (most, each) =>
      !most || each.celsius > most.celsius || (each.celsius === most.celsius && (each.rest ?? 0) > (most.rest ?? 0))
        ? each
        : most,
    undefined,
  );

/**
 * The core temperature of what is cooked together, in °C: that of the part that asks for most. Undefined where nothing
 * of it needs one.
 *
 * Source: USDA FSIS chart of safe internal temperatures (handbook 6, from memory).
 */
export const safeCoreOf = (lines: readonly Cooked[]): SafeCore | undefined =>
  strictest(lines.flatMap((line) => safeCoreOfFood(line) ?? []));
