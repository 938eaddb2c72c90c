import type { ShareState } from '@/core/batch/share-state';
import type { Explanation } from '@/core/explanation';
import type { Beside } from '@/core/learned/beside';
import type { DogPortion } from '@/core/portion/dog-portions';
import type { PackSpread, ProposedPack } from '@/core/portion/packs';
import type { PlatingEntry } from '@/core/portion/plated';
import type { Shares } from '@/core/portion/shares';
import type { Weighing } from '@/core/portion/yield';
import type { KeepsDays, Packaging } from '@/core/preserve/shelf-life';

export interface SheetShare extends Omit<ShareState, 'packs'> {
  readonly sealedPacks: number;
  /** Stored g in them. */
  readonly packedGrams: number;
  readonly placeName: string | undefined;
  /** Days that it keeps in the fridge. */
  readonly fridgeDays: KeepsDays;
  /** How long it keeps, by what it is packed in; without one, where nobody has said. */
  readonly keeps: readonly { readonly packaging: Packaging | undefined; readonly said: string }[];
  readonly proposed: readonly (ProposedPack & { readonly forWhom: string | undefined })[];
  /** What goes into the household's containers where this kitchen's own weighings say it. */
  readonly ownFills: readonly string[];
  /** Why its plan of packs cannot be filled. */
  readonly problem: string | undefined;
  /** kcal in a pack, where they are not all alike: least, mean and most. */
  readonly spread: PackSpread | undefined;
  /** kcal of the packs that each dog gets, and how far one of them is off the mean, as a part of the dog's day. */
  readonly perDog: readonly {
    readonly name: string;
    readonly least: number;
    readonly most: number;
    readonly off: number;
  }[];
  /** How far whole pieces are off what each dog's days ask for. */
  readonly drift: readonly { readonly name: string; readonly kcal: number }[];
}

export interface SealedPack {
  readonly holdingId: number;
  readonly shareId: number;
  readonly code: string;
  /** What its label says is not what it holds, as it is known now: write it again. */
  readonly label: string | undefined;
  readonly grams: number;
  /** g that were sealed in it, as it is known now; whole: nothing was taken of it. */
  readonly sealedGrams: number;
  readonly whole: boolean;
  readonly dogName: string | undefined;
  /** Of a box of several parts, what of each is in it. */
  readonly parts: string | undefined;
  readonly short: boolean;
  readonly unproven: boolean;
  /** It was sealed by its target, and not weighed. */
  readonly byTarget: boolean;
  readonly waterMl: number;
  readonly place: string;
  readonly until: string;
}

/** One yield: the whole pot, or what is kept apart of it. */
export interface YieldView extends TakenOut {
  readonly place: number;
  readonly name: string;
  readonly net: number;
  readonly density: number;
  readonly why: Explanation;
  readonly estimated: boolean;
  readonly weighing: Weighing;
  readonly suggested: Shares;
  /** g that no share takes yet. */
  readonly undivided: number;
  /** Part of it that is not solids. */
  readonly water: number;
  /** It holds so much water that liquid stands on it: it is stirred before every pack, or strained. */
  readonly isWet: boolean;
}

export interface TakenOut {
  readonly eatenBefore: number;
  readonly kept: number;
  readonly skimmed: number;
  /** g of bones and spent vegetables that were weighed out of it; 0: nobody weighed them. */
  readonly strained: number;
}

/** All of a batch that was weighed, with its yields. */
export interface WeighedView extends TakenOut {
  readonly net: number;
  readonly estimated: boolean;
  readonly density: number;
  readonly why: Explanation;
  readonly yields: readonly YieldView[];
  /** By what this kitchen's freezer is off what is reckoned. */
  readonly freezing: Beside;
  /** Part of its dry matter that is fat, where that is too much to keep long once it is dried. */
  readonly fatty: number | undefined;
  /** The lines that bring most of its fat, where that is too much. */
  readonly fatLines: readonly { readonly name: string; readonly grams: number }[];
  /** How what is kept apart goes into the bowls; undefined: nothing is. */
  readonly plating: PlatingEntry | undefined;
  /** Foods of which a macronutrient is unknown: portions are at most what is needed. */
  readonly energyUnknown: readonly string[];
  readonly portions: readonly (DogPortion & {
    readonly dogId: number;
    readonly name: string;
    readonly badge: number;
    readonly letters: string;
    /** Days that the pot lasts for this dog alone. */
    readonly alone: number | undefined;
    /** A day and each meal in cups, where a cup of this food was weighed. */
    readonly cups: string | undefined;
    readonly cupsOf: readonly (string | undefined)[];
  })[];
  /** The other dogs of the house, with the g a day that they would get of it. */
  readonly others: readonly { readonly dogId: number; readonly name: string; readonly gramsADay: number }[];
  /** Days that the pot lasts for its dogs together. */
  readonly lasts: number | undefined;
  readonly fridgeUntil: string;
  readonly shares: readonly SheetShare[];
  readonly packs: readonly SealedPack[];
  /** g that its packs, trays and bowls hold over what was weighed; 0: rounding. */
  readonly over: number;
  /** Bowls that were fed with other kcal than is known of their food now. */
  readonly off: string | undefined;
}
