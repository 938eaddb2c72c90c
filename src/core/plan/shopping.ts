import { countOf } from '../quantity/count-words';
import { addDays, writeDay, type LocalDate } from '../calendar/local-date';
import { isWater } from '../food/food';
import type { Explanation } from '../explanation';
import { grams, type Grams, type UnitSet } from '../quantity/units';
import { writeFraction, writeMassIn, writeNumber, writeSumIn } from '../quantity/write';
import type { WrittenLine } from '../recipe/written';
import type { Quantity } from '../quantity/quantity';
import { kitchenMeasure } from './kitchen-measure';
import type { PlanInputs } from './inputs';
import { lotsLeft } from './promised';
import { packOf } from './rounding';
import type { PlaceKind } from '../preserve/shelf-life';
import { inHouse, kindOfLot, placeKindOf, type InHouse, type Lot, type LotKind } from '../stock/lot';
import { nth } from '../sure';
import { addUp } from '../add-up';

/** Where an ingredient is fetched from. */
export const FETCHED_FROM = ['shop', 'freezer', 'cupboard'] as const;
export type FetchedFrom = (typeof FETCHED_FROM)[number];

/** One thing to buy or to take out, merged over all recipes of a plan. */
export interface ShoppingItem {
  /** The key of its food. */
  readonly key: string;
  readonly name: string;
  readonly grams: Grams;
  /** g of it that are not in the house. */
  readonly toBuy: Grams;
  /** What of it is in the house for the cook day. */
  readonly here: InHouse;
  /** g of it that are in the house for a pot that is cooked before. */
  readonly promised: number;
  /** What it is when it comes, as its days are counted, and where it goes first: a guess. */
  readonly kind: LotKind;
  readonly place: PlaceKind;
  /** In the household's first unit. */
  readonly amount: string;
  /** In kitchen units, whole things rounded up to what is sold; absent where the amount says it all. */
  readonly measure: string | undefined;
  /** "14 packs of 500 g", where this kitchen has said how it is sold. */
  readonly packs: string | undefined;
  /** g in one of them. */
  readonly packGrams: number | undefined;
  readonly recipes: readonly string[];
}

interface BoughtLine {
  readonly recipe: string;
  readonly line: WrittenLine & { readonly quantity: Quantity };
  readonly grams: number;
}

/** What is in the house, and the day that it is cooked on. */
export interface HouseFor extends Pick<PlanInputs, 'lots' | 'promised' | 'planId' | 'today'> {
  readonly cookDay: LocalDate;
}

/** What is missing by less than this part of what is needed is not bought (ours, no source). */
const NOT_MISSED = 0.005;

/**
 * What is bought or taken out for a plan: the lines of all its recipes, the same food once, most first, and what of it is in the
 * house already. Tap water is not bought. Source: arithmetic; kitchen measures common practice, no source.
 */
export function shoppingList(bought: readonly BoughtLine[], set: UnitSet, house?: HouseFor): ShoppingItem[] {
  const byFood = new Map<string, BoughtLine[]>();
  const left = house && lotsLeft(house, house.cookDay);
  for (const each of bought) {
    const { food } = each.line.source;
    if (isWater(food) || !(each.grams > 0)) continue;
    const own = byFood.get(food.ndb);
    if (own) own.push(each);
    else byFood.set(food.ndb, [each]);
  }
  return [...byFood]
    .map(([key, lines]): ShoppingItem => {
      const { line } = nth(lines, 0);
      const mass = grams(addUp(lines, (each) => each.grams));
      const { source } = line;
      const of = (lots: readonly Lot[] | undefined) =>
        house && lots
          ? inHouse(key, lots, house.cookDay < house.today ? house.today : house.cookDay, house.today)
          : NOTHING_HERE;
      const [here, whole] = [of(left), of(house?.lots)];
      const missing = mass - here.ready - here.frozen;
      const toBuy = grams(missing > mass * NOT_MISSED ? missing : 0);
      const kitchen = kitchenMeasure(line, toBuy > 0 ? toBuy : mass, set, 'bought');
      const pack = packOf(source.measures);
      const packs = pack === undefined ? 0 : Math.ceil((toBuy || mass) / pack - 1e-9);
      const kind = kindOfLot(source.food, line.text);
      return {
        key,
        name: line.text,
        grams: mass,
        toBuy,
        here,
        promised: whole.ready + whole.frozen - here.ready - here.frozen,
        kind,
        place: placeKindOf(source.food, kind),
        amount: writeSumIn(mass, set),
        measure: kitchen.byWeight ? undefined : kitchen.text,
        packs: pack === undefined ? undefined : `${countOf(packs, 'pack')} of ${writeMassIn(pack, set)}`,
        packGrams: pack,
        recipes: [...new Set(lines.map((each) => each.recipe))],
      };
    })
    .sort((a, b) => b.grams - a.grams);
}

const NOTHING_HERE: InHouse = { ready: 0, frozen: 0, tooOld: 0, freezeBy: undefined };

/** Where a thing of the list comes from as long as nobody has said: what is not in the house from the shop. */
export const usuallyFrom = ({ toBuy, here, grams: needed }: ShoppingItem): FetchedFrom =>
  toBuy > 0 ? 'shop' : here.ready < needed * (1 - NOT_MISSED) && here.frozen > 0 ? 'freezer' : 'cupboard';

/** g that are bought of a thing: what is missing, in whole packs where this kitchen has said how it is sold. */
export const boughtGrams = ({
  toBuy,
  grams: needed,
  packGrams,
}: Pick<ShoppingItem, 'toBuy' | 'grams' | 'packGrams'>): number => {
  const wanted = toBuy > 0 ? toBuy : needed;
  return packGrams === undefined ? Math.ceil(wanted) : Math.ceil(wanted / packGrams - 1e-9) * packGrams;
};

/** g of all that is to be bought or taken out. */
export const gramsToFetch = (items: readonly ShoppingItem[]): number => addUp(items, (item) => item.grams);

/** Where that comes from: the list, thing by thing. */
export const explainToFetch = (items: readonly ShoppingItem[], inSum: (grams: number) => string): Explanation => ({
  title: `${inSum(gramsToFetch(items))} to fetch`,
  steps: items.map((item) => ({ what: item.name, sum: item.amount })),
  source: 'The list, as bought: with peel, core and bone. Water from the tap is not fetched. Source: arithmetic.',
});

/** When the cook begins until the household says otherwise (common practice, no source). */
export const COOK_HOUR = 10;

/** When frozen food is moved to the fridge so that it has thawed when the cook begins. */
export interface TakeOut {
  readonly day: LocalDate;
  readonly hour: number;
  readonly explanation: Explanation;
}

/**
 * When to move frozen food to the fridge: about 12 h for each kg that lies in one piece (2 kg a day), at least
 * overnight. Packs thaw beside each other.
 *
 * Takes the g in one piece and the cook day. Source: handbook 10 (24 h for 2 kg, overnight for a day's pack).
 */
export function takeOutBy(piece: number, cookDay: LocalDate, set: UnitSet): TakeOut {
  const hours = Math.max(12, Math.ceil((piece / 2000) * 24));
  const back = Math.ceil((hours - COOK_HOUR) / 24);
  return {
    day: addDays(cookDay, -back),
    hour: COOK_HOUR + back * 24 - hours,
    explanation: {
      title: `Thawed in the fridge in ${hours} h`,
      steps: [
        { what: 'in one piece', sum: writeSumIn(piece, set) },
        { what: '24 h for 2 kg, at least overnight (12 h)', sum: `${writeNumber(hours, 0)} h` },
        { what: 'cooked from', sum: `${COOK_HOUR}:00` },
      ],
      source: 'Thawing in the fridge: USDA, about 24 h for 2 kg. The hour of cooking is ours.',
    },
  };
}

/** Frozen food of which nobody has said how it is packed is taken to lie in pieces of 2 kg at most (common practice, no source). */
const LARGEST_PIECE = 2000;

/** When a thing of the list is to be out of the freezer. */
export const thawOf = (item: Pick<ShoppingItem, 'grams' | 'packGrams'>, cookDay: LocalDate, set: UnitSet): TakeOut =>
  takeOutBy(Math.min(item.grams, item.packGrams ?? LARGEST_PIECE), cookDay, set);

/** When to take it out, in words; where that has passed, that it should lie in the fridge already. */
export function sayThaw({ day, hour }: TakeOut, today: LocalDate): string {
  const when = `${writeDay(day, today)} ${String(hour).padStart(2, '0')}:00`;
  return day < today ? `should be out since ${when}: else cook later` : `out of the freezer by ${when}`;
}

/** A number of things as it is said: "2½ trays". */
export const writeCountOf = (count: number, one: string, many: string): string =>
  `${writeFraction(count, 2)} ${count > 1 ? many : one}`;
