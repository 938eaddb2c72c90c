import { addUp } from '../add-up';
import { countOf } from '../quantity/count-words';
import { grams, type UnitSet } from '../quantity/units';
import { writeMassIn, writeSumIn } from '../quantity/write';
import { nth } from '../sure';
import type { ShoppingItem } from './shopping';

/** The list of one kept plan, and what was said of it: keys of what is ticked as bought. */
export interface PlanToBuy {
  readonly planId: number;
  readonly items: readonly ShoppingItem[];
  readonly bought: ReadonlySet<string>;
}

/** One thing that is bought once for several plans. */
export interface BoughtOnce {
  readonly key: string;
  readonly name: string;
  /** g that all of the plans together still want. */
  readonly grams: number;
  readonly amount: string;
  readonly packs: string | undefined;
  /** Bought for all of them. */
  readonly ticked: boolean;
  /** The plans that want it, the first to be cooked first. */
  readonly planIds: readonly number[];
  /** The same as one plan's thing, for what it is and where it goes. */
  readonly item: ShoppingItem;
}

/**
 * What is bought once for several plans: the same food of all of them together, most first. What is in the house already, or is taken
 * from there by an earlier pot, each plan's own list has counted. Takes the lists in the order in which they are cooked. Source: arithmetic.
 */
export function boughtOnce(plans: readonly PlanToBuy[], set: UnitSet): BoughtOnce[] {
  const byKey = new Map<string, { readonly planId: number; readonly item: ShoppingItem; readonly ticked: boolean }[]>();
  for (const { planId, items, bought } of plans)
    for (const item of items)
      if (item.toBuy > 0 || bought.has(item.key))
        byKey.set(item.key, [...(byKey.get(item.key) ?? []), { planId, item, ticked: bought.has(item.key) }]);
  return [...byKey]
    .map(([key, wants]): BoughtOnce => {
      const { item } = nth(wants, 0);
      const ticked = wants.every((want) => want.ticked);
      const mass = addUp(wants, (want) => (ticked ? want.item.grams : want.ticked ? 0 : want.item.toBuy));
      const pack = item.packGrams;
      const count = pack === undefined ? 0 : Math.ceil(mass / pack - 1e-9);
      return {
        key,
        name: item.name,
        grams: mass,
        amount: writeSumIn(mass, set),
        packs: pack === undefined ? undefined : `${countOf(count, 'pack')} of ${writeMassIn(pack, set)}`,
        ticked,
        planIds: wants.map((want) => want.planId),
        item,
      };
    })
    .sort((a, b) => Number(a.ticked) - Number(b.ticked) || b.grams - a.grams);
}

/** A thing as it is bought for all of them: what comes into the house by its tick. */
export const asOneItem = ({
  item,
  grams: mass,
}: BoughtOnce): Pick<ShoppingItem, 'kind' | 'place' | 'grams' | 'toBuy' | 'packGrams'> => ({
  ...item,
  grams: grams(mass),
  toBuy: grams(mass),
});
