import type { Apart } from '@/core/batch/apart';
import type { MassGraph } from '@/core/batch/graph';
import type { ByProduct } from '@/core/batch/by-product';
import type { StepKey } from '@/core/batch/steps';
import type { Drift } from '@/core/batch/drift';
import type { Asks } from '@/core/batch/steps/cook';
import type { LocalDate } from '@/core/calendar/local-date';
import type { WentIn } from '@/core/portion/yield';
import type { PlaceKind } from '@/core/preserve/shelf-life';
import type { Protein } from '@/core/recipe/protein';
import type { Moment, Part } from '@/core/recipe/recipe';
import type { Equipment } from '@/core/plan/equipment';
import type { BatchState } from '@/core/batch/fold';
import type { StoveView } from './stove/queries';
import type { CostView, LotOffered } from './lots/queries';
import type { BoxesView } from './boxes/queries';
import type { ShownQuality } from '@/ui/quality/Quality';
import type { CompareView } from './compare/queries';
import type { DryingView } from './drying/queries';
import type { WeighedView } from './weighed/view';
import type { VesselView } from './weighed/vessels';

export interface SheetLine {
  /** In the cook's words. */
  readonly name: string;
  /** What of it stays in the food. */
  readonly grams: number;
  /** What goes onto the scale: as bought. */
  readonly toWeigh: number;
  readonly measure: string | undefined;
  /** Of a batch that is cooked, the place of the line as it was weighed. */
  readonly line: number;
  /** Its lot or label date, where the cook has said it. */
  readonly lot?: string;
  /** Of a planned batch, what of it is in the house, the first to be used first. */
  readonly house?: readonly LotOffered[];
  /** Of a cooked one, of which ingredients it was taken. */
  readonly taken?: string;
  /** It went in frozen. */
  readonly frozen?: true;
  /** "10 % peel or bone comes off", "strained out". */
  readonly note: string | undefined;
  readonly moment: Moment;
  readonly part: Part;
}

/** What was struck out, with its reason: it stays to be seen. */
export interface StruckReading {
  readonly said: string;
  readonly when: string;
}

export interface BatchView {
  readonly id: number;
  readonly revision: number;
  readonly state: BatchState['state'];
  /** The step at hand, and those that are open. */
  readonly step: StepKey;
  readonly opens: readonly StepKey[];
  readonly graph: MassGraph;
  readonly struck: readonly StruckReading[];
  readonly places: readonly {
    readonly id: number;
    readonly kind: PlaceKind;
    readonly name: string;
    readonly capacityMl: number | undefined;
    /** mL that what lies there takes: 1 g about 1 mL. */
    readonly usedMl: number;
    /** Of a freezer, g that it takes already today and on each day after. */
    readonly taken: readonly number[];
  }[];
  readonly dryers: readonly { readonly id: number; readonly kind: Equipment['kind']; readonly name: string }[];
  readonly today: LocalDate;
  readonly name: string;
  readonly version: number;
  readonly protein: Protein;
  readonly about: string;
  readonly lines: readonly SheetLine[];
  /** Lines of its recipe that were kept as words. */
  readonly uncounted: readonly string[];
  readonly wentIn: WentIn;
  /** What of it is kept apart; undefined: it is one pot. */
  readonly apart: Apart | undefined;
  /** What of it may still be kept apart, before it is divided. */
  readonly mayKeepApart: readonly Apart[];
  /** What is weighed by itself: the whole pot, or every part that is kept apart. */
  readonly vessels: readonly VesselView[];
  readonly food: number;
  readonly weighed: WeighedView | undefined;
  readonly boxes: BoxesView;
  /** How its shares are dried; undefined before it is weighed. */
  readonly drying: DryingView | undefined;
  /** What its fates are compared with; undefined before it is weighed. */
  readonly compare: CompareView | undefined;
  /** What was noted of how it turned out. */
  readonly quality: readonly ShownQuality[];
  readonly dogs: readonly { readonly id: number; readonly name: string }[];
  /** Vessels whose empty weight is known, by name. */
  readonly tares: readonly { readonly name: string; readonly tare: number }[];
  /** What the kitchen's weighed pots of this recipe came to, of each g that went in. */
  readonly pots: readonly number[];
  /** Of a planned batch, how long its cook day takes; undefined where that cannot be placed. */
  readonly dayMinutes: number | undefined;
  /** What this kitchen's own cook days say of it: the minutes of each component, and how fast its pans cool. */
  readonly habits: readonly string[];
  /** What it cost, as far as it is known. */
  readonly cost: CostView | undefined;
  /** What went in otherwise than planned. */
  readonly drift: Drift | undefined;
  readonly stove: StoveView | undefined;
  /** Vessels that another batch of the day is given too, in words. */
  readonly sharedVessels: readonly string[];
  readonly asks: Asks;
  readonly byProduct: ByProduct | undefined;
  /** Of which batch it is a by-product. */
  readonly parent: { readonly id: number; readonly name: string; readonly protein: Protein } | undefined;
  readonly beside: readonly KeptBeside[];
}

/** What was kept of a pot beside its food, and the batch of its own that it became. */
export interface KeptBeside {
  readonly of: ByProduct;
  readonly grams: number;
  readonly batch: { readonly id: number; readonly name: string; readonly next: string | undefined } | undefined;
}
