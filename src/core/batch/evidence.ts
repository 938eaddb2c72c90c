import type { Food } from '../food/food';
import { grams } from '../quantity/units';
import { linesOfWeights } from '../recipe/bases';
import type { Moment, Part, WeighedLine } from '../recipe/recipe';
import type { WrittenLine } from '../recipe/written';
import type { ByProduct } from './by-product';

/** What of a weighed line stays in the food: one entry, or several where it is a recipe or holds bone. */
export interface TakenPart {
  readonly text: string;
  readonly food: Food;
  readonly part: Part;
  readonly moment: Moment;
  /** g that stay of each g weighed. */
  readonly share: number;
}

/** One line as it goes onto the scale, with the composition of its food as it was when cooking began. */
export interface Take {
  /** The key of what it is; absent in what was frozen before ingredients were kept. */
  readonly key?: string;
  readonly name: string;
  readonly words: string;
  /** g as bought, as planned. */
  readonly planned: number;
  /** The component it is cooked in, by its place. */
  readonly component: number;
  readonly parts: readonly TakenPart[];
  /** It is strained out again: bones of a broth. */
  readonly strained?: true;
  /** g asked for each g of finished food, where it is bound to that. */
  readonly perFinished?: number;
}

/** What a batch froze when cooking began: nothing that changes later in a recipe or a label can reach it. */
export interface Evidence {
  readonly takes: readonly Take[];
  /** What is cooked in a vessel of its own, by its place, and in how many even vesselfuls; absent: one, in one. */
  readonly components?: readonly CookedComponent[];
  /** In which order things were taken apart the last time that this recipe was cooked, by the words of the tasks. */
  readonly order?: readonly string[];
  /** What of its parent it is; absent: a pot that was cooked. */
  readonly byProduct?: ByProduct;
}

export interface CookedComponent {
  readonly name: string;
  readonly loads: number;
  /** How long it cooks by the recipe; absent where nobody has written it down. */
  readonly minutes?: number;
  /** The vessel that it is cooked in, and how many of it there are. */
  readonly vessel?: string;
  readonly vessels?: number;
  /** The vessel is a pressure cooker: it comes up, and is let off, by itself. */
  readonly pressure?: true;
  /** The vessel is a slow cooker: meat is thawed before it. */
  readonly slow?: true;
  /** °C of the oven, by the recipe. */
  readonly celsius?: number;
}

/** A written line as it is frozen, for so many g as bought. What stays of it is linear in what is weighed. */
export const takeOf = (written: WrittenLine, planned: number): Take => ({
  key: written.source.food.ndb,
  name: written.source.food.name,
  words: written.text,
  planned,
  component: written.component ?? 0,
  ...(written.strained ? { strained: true as const } : {}),
  ...(written.basis === 'finished food' && written.per ? { perFinished: written.grams / written.per.amount } : {}),
  parts: linesOfWeights([written], [1]).map(({ text, food, part, moment, grams: share }) => ({
    text,
    food,
    part,
    moment,
    share,
  })),
});

/** The key of what a line is; of a line that was frozen before keys were, of its one food; undefined: of several. */
export const keyOfTake = ({ key, parts }: Pick<Take, 'key' | 'parts'>): string | undefined =>
  key ?? (parts.length === 1 ? parts[0]?.food.ndb : undefined);

/** What stays in the food of so many g of a frozen line. */
export const staysOfTake = ({ parts }: Take, weighed: number): WeighedLine[] =>
  parts.map(({ text, food, part, moment, share }) => ({ text, food, part, moment, grams: grams(share * weighed) }));
