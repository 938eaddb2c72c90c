import { addUp } from '../add-up';
import type { LocalDate } from '../calendar/local-date';
import type { Food } from '../food/food';
import type { FoodKind, PlaceKind } from '../preserve/shelf-life';
import { guessPart } from '../recipe/part-of-food';
import { stateOf } from '../recipe/written';

/** An ingredient as it lies in the house: so much of a food that came in together. */
export interface Lot {
  readonly holdingId: number;
  /** The key of its food. */
  readonly key: string;
  readonly name: string;
  readonly grams: number;
  readonly place: PlaceKind;
  readonly safeUntil: LocalDate | undefined;
  readonly bestBy: LocalDate | undefined;
  readonly receivedOn: LocalDate;
  readonly blocked: boolean;
}

/** What a lot may be, as its days are counted. */
export const LOT_KINDS = [
  'pantry',
  'whole meat',
  'raw',
  'cooked',
  'broth',
  'dehydrated',
  'freeze-dried',
] as const satisfies readonly FoodKind[];
export type LotKind = (typeof LOT_KINDS)[number];

type FoodWords = Pick<Food, 'name' | 'group' | 'ndb'> & Partial<Pick<Food, 'per100'>>;

const GROUND = /\b(ground|minced?|hamburger|sausage)\b/i;
const CANNED = /\b(canned|tinned|jarred)\b/i;
const COOKED_WORDS = /\b(cooked|boiled|steamed|stewed|braised|poached|roasted|baked|leftover)\b/i;
/** Cooked food with less water than this keeps like what is dry: toasted, popped, baked hard (common practice, no source). */
const WET = 40;
/** What is cooked to be kept in a cupboard: bread, nuts, sweets (common practice, no source). */
const BAKED_TO_KEEP: ReadonlySet<string> = new Set(['Baked', 'Nuts and seeds', 'Sweeteners', 'Fats and oils']);

/** Whether a food comes cooked, and wet enough to spoil in days: by the table's name or the cook's words. */
function isCookedWet({ name, group, per100 }: FoodWords, words: string): boolean {
  if (BAKED_TO_KEEP.has(group)) return false;
  const water = per100?.water_g;
  return (stateOf(name) === 'cooked' || COOKED_WORDS.test(words)) && (water === undefined || water >= WET);
}

/**
 * What a food is as its days are counted: cooked, ground meat, offal and fish, whole meat, broth, dried by a way, or what its label
 * alone dates. A first guess, which the cook can change.
 *
 * Takes the food of the table and the cook's words for it. Source: USDA's groups (ground meat, offal and fish 1–2 days, whole cuts
 * 3–5, cooked food 3–4 whatever it is of); the guess is ours.
 */
export function kindOfLot(food: FoodWords, words = ''): LotKind {
  if (food.ndb.startsWith('R')) return 'cooked';
  if (food.ndb.startsWith('L')) return 'pantry';
  const said = `${food.name} ${words}`;
  if (CANNED.test(said)) return 'pantry';
  const part = guessPart(food);
  const isMeat = part === 'muscle' || part === 'muscular organ' || part === 'secreting organ';
  if (isMeat && /\bfreeze[- ]dried\b/i.test(said)) return 'freeze-dried';
  if (isMeat && /\b(dehydrated|dried|jerky)\b/i.test(said)) return 'dehydrated';
  if (part === 'liquid' && /\b(home-prepared|home-?made|bone broth)\b/i.test(said)) return 'broth';
  if (isCookedWet(food, words)) return 'cooked';
  if (!isMeat) return 'pantry';
  if (part !== 'muscle' || food.group === 'Fish and shellfish' || GROUND.test(said)) return 'raw';
  return 'whole meat';
}

/** Foods that go soft or off in a cupboard (common practice, no source). */
const COLD_PARTS: ReadonlySet<string> = new Set(['dairy', 'egg', 'vegetable', 'herb']);

/** Where a food is put when it comes into the house, until the cook says otherwise. Source: common practice, no source. */
export function placeKindOf(food: FoodWords, kind: LotKind): PlaceKind {
  if (kind === 'dehydrated' || kind === 'freeze-dried') return 'cupboard';
  if (kind !== 'pantry') return 'fridge';
  if (/\b(dried|dry|dehydrated|powder|flour|canned|frozen)\b/i.test(food.name))
    return /\bfrozen\b/i.test(food.name) ? 'freezer' : 'cupboard';
  return COLD_PARTS.has(guessPart(food)) ? 'fridge' : 'cupboard';
}

/**
 * Whether food that spoils in days is about to lie in a cupboard without a date: then it is asked about. Takes the food, its words,
 * and what was said of it.
 */
export const spoilsUnsaid = (
  food: FoodWords,
  words: string,
  said: { readonly kind: LotKind; readonly place: PlaceKind; readonly hasDate: boolean },
): boolean =>
  said.place === 'cupboard' && said.kind === 'pantry' && !said.hasDate && kindOfLot(food, words) !== 'pantry';

/** The day that is held against a lot first: its safety, else its quality. */
const dateOf = (lot: Lot): string => lot.safeUntil ?? lot.bestBy ?? '9';

/** Whether a lot may go into a pot that is cooked on a day. */
export const isGoodOn = (lot: Lot, day: LocalDate): boolean =>
  !lot.blocked && lot.grams > 0 && (lot.safeUntil === undefined || lot.safeUntil >= day);

/**
 * Lots in the order in which they go into a pot: what is not frozen first, then the first to expire, then what came first.
 * Source: first expired first out (common practice, no source).
 */
export const inOrderToUse = (lots: readonly Lot[]): readonly Lot[] =>
  [...lots].sort(
    (a, b) =>
      Number(a.place === 'freezer') - Number(b.place === 'freezer') ||
      dateOf(a).localeCompare(dateOf(b)) ||
      a.receivedOn.localeCompare(b.receivedOn) ||
      a.holdingId - b.holdingId,
  );

export interface LotUse {
  readonly holdingId: number;
  readonly grams: number;
}

/**
 * Which lots so many g of a food are taken from: those that were named, in their order, then the others in order of use.
 *
 * Takes g, the lots of that food, the day and what the cook named. What no lot holds is `missing`: it was in no book, and is no
 * reason not to cook. What is past its date or blocked is taken only where the cook named it and it is not blocked.
 */
export function drawLots(
  grams: number,
  lots: readonly Lot[],
  day: LocalDate,
  named: readonly number[] = [],
): { readonly uses: readonly LotUse[]; readonly missing: number } {
  const first = named.flatMap((id) => lots.filter((lot) => lot.holdingId === id && !lot.blocked));
  const rest = inOrderToUse(lots.filter((lot) => isGoodOn(lot, day) && !named.includes(lot.holdingId)));
  let missing = grams;
  const uses: LotUse[] = [];
  for (const lot of [...first, ...rest]) {
    const taken = Math.min(missing, lot.grams);
    if (taken < 0.05) continue;
    uses.push({ holdingId: lot.holdingId, grams: taken });
    missing -= taken;
  }
  return { uses, missing: missing < 0.05 ? 0 : missing };
}

/** g that are more than the books hold of a food; 0: they hold enough. */
const missingOf = (grams: number, here: readonly Pick<Lot, 'grams'>[]): number =>
  Math.max(0, grams - addUp(here, (lot) => lot.grams));

/** g of what is on the scale that the books do not hold, and that they hold only of what is to be looked at first. Source: arithmetic. */
export function onTheBooks(
  grams: number,
  here: readonly (Pick<Lot, 'grams'> & { readonly isDoubtful: boolean })[],
): { readonly missing: number; readonly doubtful: number } {
  const missing = missingOf(grams, here);
  const sound = here.filter(({ isDoubtful }) => !isDoubtful);
  return { missing, doubtful: missingOf(grams, sound) - missing };
}

/** What of a food is in the house for a cook day, in g. */
export interface InHouse {
  readonly ready: number;
  readonly frozen: number;
  /** Good now, in the fridge, and not any more by then unless it is frozen. */
  readonly tooOld: number;
  /** The last day on which that may be frozen; undefined: there is none of it. */
  readonly freezeBy: LocalDate | undefined;
}

/**
 * What of a food is in the house, and how much of it will be good on a day. What is past its safe day already is in none of it: it
 * is not frozen but thrown away. Takes the day and today. Source: arithmetic.
 */
export function inHouse(key: string, lots: readonly Lot[], day: LocalDate, today: LocalDate): InHouse {
  const own = lots.filter((lot) => lot.key === key);
  const good = own.filter((lot) => isGoodOn(lot, day));
  const ends = own.filter((lot) => lot.place === 'fridge' && isGoodOn(lot, today) && !isGoodOn(lot, day));
  const sum = (of: readonly Lot[]) => addUp(of, (lot) => lot.grams);
  return {
    ready: sum(good.filter(({ place }) => place !== 'freezer')),
    frozen: sum(good.filter(({ place }) => place === 'freezer')),
    tooOld: sum(ends),
    freezeBy: ends.flatMap(({ safeUntil }) => safeUntil ?? []).sort()[0],
  };
}
