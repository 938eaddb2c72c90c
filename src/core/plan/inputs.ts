import type { Learned } from '../cook/learned';
import type { LocalDate } from '../calendar/local-date';
import type { Avoid } from '../dog/avoid';
import type { Dog } from '../dog/dog';
import type { KnownFood } from '../food/food';
import type { EnergyFactors } from '../nutrition/energy';
import type { Profiles } from '../nutrition/profiles';
import type { DatingRules } from '../preserve/shelf-life';
import type { Quantity } from '../quantity/quantity';
import type { UnitSet } from '../quantity/units';
import type { Hazard } from '../recipe/hazards';
import type { Protein } from '../recipe/protein';
import type { Uncounted } from '../recipe/uncounted';
import type { WrittenLine } from '../recipe/written';
import type { Lot } from '../stock/lot';
import type { Equipment } from './equipment';
import type { Promised } from './promised';

/** What is cooked in one vessel, as a recipe says it. */
export interface PlannableComponent {
  readonly name: string;
  /** The vessel in the recipe's own words. */
  readonly vessel?: string;
  readonly minutes?: number;
  /** °C of the oven. */
  readonly celsius?: number;
}

export interface PlannableRecipe {
  readonly id: number;
  /** Its latest version: what a batch is cooked from. */
  readonly versionId: number;
  readonly name: string;
  readonly protein: Protein;
  readonly written: readonly (WrittenLine & { readonly quantity: Quantity })[];
  readonly components: readonly PlannableComponent[];
  /** Its lines that were kept as words. */
  readonly uncounted: readonly Uncounted[];
  /** g in a cup of the finished food, where one was weighed. */
  readonly cupGrams: number | undefined;
  /** Of each weighed pot, what was there of each g that went in; newest first. */
  readonly pots: readonly number[];
  /** What its cook days taught; absent: nothing yet. */
  readonly learned?: readonly Learned[];
}

export interface PlannableDog extends Dog {
  readonly id: number;
  readonly badge: number;
  readonly letters: string;
  readonly biteSize: string | undefined;
  readonly avoids: readonly Avoid[];
  readonly vetNotes: readonly { readonly hazardId: string }[];
}

/** All that a plan stands on: what the kitchen, its dogs and its tables say. Plain data, for the screen and the store alike. */
export interface PlanInputs {
  readonly today: LocalDate;
  readonly tomorrow: LocalDate;
  readonly set: UnitSet;
  readonly factors: EnergyFactors;
  /** How long what is made keeps. */
  readonly dating: DatingRules;
  readonly hazards: readonly Hazard[];
  readonly profiles: Profiles;
  /** What the foods of the avoid lists are called, by their number. */
  readonly names: Readonly<Record<string, string>>;
  readonly recipes: readonly PlannableRecipe[];
  readonly dogs: readonly PlannableDog[];
  readonly equipment: readonly Equipment[];
  /** The ingredients that are in the house. */
  readonly lots: readonly Lot[];
  /** What other kept plans take of them. */
  readonly promised: readonly Promised[];
  /** The kept plan that this is; absent: it is not kept. */
  readonly planId?: number | undefined;
  /** mL of all freezers, and g that lie in them. */
  readonly freezer: { readonly capacity: number | undefined; readonly used: number };
  /** Foods beside those of the recipes that may stand in for a line: supplies, and what a plan has swapped. */
  readonly foods: readonly KnownFood[];
  /** kcal that the stock holds for a dog on a day, by dog and day. */
  readonly covered: Readonly<Record<number, Readonly<Record<LocalDate, number>>>>;
}
