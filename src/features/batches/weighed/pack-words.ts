import type { ProposedPack } from '@/core/portion/packs';
import type { UnitSet } from '@/core/quantity/units';
import { writeMassIn } from '@/core/quantity/write';

/** What is in a box of several parts. */
export const partsOf = (
  pack: {
    readonly contents: readonly {
      readonly grams: number;
      readonly partName: string | undefined;
      readonly recipeName: string;
    }[];
  },
  set: UnitSet,
): string | undefined =>
  pack.contents.length < 2
    ? undefined
    : pack.contents.map((each) => `${writeMassIn(each.grams, set)} ${each.partName ?? each.recipeName}`).join(' + ');

/** Whom a pack is for: one dog, or several with the g of each. */
export const forWhom = (
  { dogId, split }: { readonly dogId?: number | undefined; readonly split?: ProposedPack['split'] | undefined },
  nameOf: (dogId: number | undefined) => string | undefined,
  set: UnitSet,
): string | undefined =>
  split
    ? split.map((each) => `${nameOf(each.dogId) ?? 'a dog'} ${writeMassIn(each.grams, set)}`).join(' + ')
    : nameOf(dogId);
