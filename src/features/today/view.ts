import type { LocalDate } from '@/core/calendar/local-date';
import type { Explanation } from '@/core/explanation';
import type { Hatch, Protein } from '@/core/recipe/protein';
import type { Drawn, Source } from '@/core/stock/draw';

/** A source of food with what its protein looks like. */
export interface ShownSource extends Source {
  readonly protein: Protein;
  readonly kind: 'warm' | 'wet' | 'dry';
  /** "Sunday’s venison pot". */
  readonly pot: string;
  /** Whose it is; undefined: warm from the pot. */
  readonly whose: string | undefined;
  /** What part of its dog's day it is by now, where it was made for another weight. */
  readonly madeFor?: string | undefined;
  /** g in a cup of it, and in one of its pieces, where that was weighed. */
  readonly cupGrams?: number | undefined;
  readonly pieceGrams?: number | undefined;
}

export interface FedMeal {
  readonly bowlId: number;
  readonly slotName: string;
  readonly clock: string;
  readonly said: string;
  /** The movement that wrote down what it left; undefined: it ate all of it, or nobody said. */
  readonly left: number | undefined;
}

export interface NextBowl {
  readonly slotId: number;
  readonly slotName: string;
  readonly clock: string;
  readonly kcal: number;
  readonly recipeId: number | undefined;
  /** What is added in the bowl, to tick. */
  readonly additions: readonly { readonly lineId: number; readonly said: string }[];
  /** By how much it is smaller for what the dog had besides. */
  readonly less: string | undefined;
  /** What it gets beside the bowl today. */
  readonly beside: readonly string[];
  readonly drawn: readonly Drawn[];
  readonly missing: number;
  readonly why: Explanation;
}

export interface DogToday {
  readonly id: number;
  readonly name: string;
  readonly badge: number;
  readonly letters: string;
  readonly next: NextBowl | undefined;
  readonly fed: readonly FedMeal[];
  /** Meals of today that nobody pressed and whose time is over. */
  readonly missed: readonly EarlierMeal[];
  /** What it got besides today. */
  readonly given: readonly {
    readonly id: number;
    readonly said: string;
    /** It can hurt, or is perhaps what this dog does not get. */
    readonly worry: string | undefined;
  }[];
  /** Too much of them. */
  readonly treats: string | undefined;
  readonly caution: string | undefined;
  /** Why it gets nothing today: away, fasting, a guest that is not here. */
  readonly off: string | undefined;
  /** Frozen packs that would feed it, where too little is thawed. */
  readonly frozen: readonly string[];
}

/** A meal of the last days, as it was fed, left out, or that nobody marked. */
export interface EarlierMeal {
  readonly dogId: number;
  readonly dogName: string;
  /** null: another meal, beside its own. */
  readonly slotId: number | null;
  readonly slotName: string;
  readonly clock: string;
  readonly day: LocalDate;
  readonly kcal: number;
  readonly bowl:
    | {
        readonly bowlId: number;
        readonly clock: string;
        readonly said: string;
        readonly left: number | undefined;
        readonly parts: readonly { readonly key: string; readonly code: string; readonly grams: number }[];
      }
    | undefined;
  /** The cook said that it got none: what takes that back. */
  readonly none?: number;
}

export interface AheadCell {
  readonly day: LocalDate;
  readonly hatch: Hatch | undefined;
  readonly said: string;
}

export interface TodayView {
  readonly day: LocalDate;
  readonly dayInFull: string;
  /** Asked where the clock lies before what is written down. */
  readonly clockAsked: string | undefined;
  readonly heading: string;
  readonly done: string;
  readonly dogs: readonly DogToday[];
  readonly sources: readonly ShownSource[];
  /** Frozen cubes, which are fed as they are. */
  readonly cubes: readonly ShownSource[];
  /** The meals of today and the last three days, latest day first. */
  readonly earlier: readonly { readonly said: string; readonly meals: readonly EarlierMeal[] }[];
  readonly ahead: readonly {
    readonly dogId: number;
    readonly name: string;
    readonly coverDays: number;
    readonly runsOut: string;
    readonly cells: readonly AheadCell[];
  }[];
  readonly horizon: number;
  readonly cookBy: { readonly index: number; readonly said: string } | undefined;
  readonly legend: readonly Protein[];
  readonly tonight: readonly {
    readonly holdingId: number;
    readonly code: string;
    readonly said: string;
    readonly hatch: Hatch;
    /** It should lie in the fridge by now. */
    readonly late: boolean;
    /** What could go in its place, by its place among the frozen. */
    readonly others: readonly number[];
  }[];
  /** The packs that stay in the freezer tonight, in order of use. */
  readonly frozen: readonly { readonly holdingId: number; readonly said: string }[];
  /** Packs whose day in the freezer has come, by the freezer. */
  readonly toFreezer: readonly {
    readonly placeId: number;
    readonly place: string;
    readonly said: string;
    readonly holdingIds: readonly number[];
    /** What waits for a later day. */
    readonly later: string | undefined;
  }[];
  readonly fridgePlaceId: number;
  readonly watch: readonly {
    readonly title: string;
    readonly said: string;
    readonly tone: 'danger' | 'caution' | 'plain';
    readonly href: string;
  }[];
}

/** Said of a dog that has no meal before it. */
export const sayOver = ({ off, missed }: Pick<DogToday, 'off' | 'missed'>): string =>
  off ?? (missed.length > 0 ? 'nothing more today' : 'has eaten for today');
