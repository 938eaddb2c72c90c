import type { LocalDate } from '../calendar/local-date';
import type { Outcome } from '../problem';
import type { At } from '../recipe/bases';
import type { Demand } from './demand';
import type { Equipment } from './equipment';
import type { FigureParts, Figures, Measured } from './figures';
import type { FillLimit, Loads } from './loads';
import type { RecipeEnergy } from './scale';
import { nth } from '../sure';
import { addUp } from '../add-up';

/** One recipe of a plan, made ready. */
export interface BatchToBind {
  readonly name: string;
  readonly recipe: Measured;
  readonly parts: FigureParts;
  readonly choices: At['choices'];
  /** The vessel of each component; undefined where none is set down. */
  readonly vessels: readonly (Equipment | undefined)[];
  /** How far each of them is filled with one load. */
  readonly limits: readonly (FillLimit | undefined)[];
  /** mL of one g of the finished food; undefined until a cup of it was weighed. */
  readonly mlPerGram: number | undefined;
  /** How many feeding days from the first one the fridge keeps it. */
  readonly fridgeFeedingDays: number;
  /** The last day on which it is at its best, frozen on the cook day. */
  readonly frozenBestBy: LocalDate | undefined;
}

/** What a plan is made of, whatever binds it. */
export interface ToPlan {
  readonly batches: readonly BatchToBind[];
  readonly demand: Demand;
}

/** One recipe of a bound plan. */
export interface BoundBatch {
  readonly at: At;
  readonly figures: Figures;
  /** kcal that is asked of it, and its energy over the scale. */
  readonly need: number;
  readonly energy: RecipeEnergy;
  /** The vesselfuls of each component; undefined where no vessel is set down. */
  readonly loads: readonly (Outcome<Loads> | undefined)[];
  /** g of finished food that the fridge cannot keep. */
  readonly frozen: number;
}

/** The plan's figures at one number of days, which need not be whole. */
export interface Bound {
  readonly days: number;
  readonly batches: readonly BoundBatch[];
  readonly need: number;
  /** g of finished food, as predicted. */
  readonly finished: number;
}

/** Frozen food is packed with a tenth of headspace (handbook 10). */
export const HEADSPACE = 1.1;

/** The room in the freezer of what the fridge cannot keep, in mL; 1 mL a g where no cup of the food was weighed. */
export const frozenRoom = (plan: ToPlan, bound: Bound): number =>
  addUp(bound.batches, (batch, index) => batch.frozen * (nth(plan.batches, index).mlPerGram ?? 1) * HEADSPACE);
