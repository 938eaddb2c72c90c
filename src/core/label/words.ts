import { writeDayOnLabel, type LocalDate } from '../calendar/local-date';
import { countOf } from '../quantity/count-words';
import type { UnitSet } from '../quantity/units';
import { writeKcal, writeMassIn } from '../quantity/write';
import { UNPROVEN } from '../stock/say-pot';

/** A pack as its label knows it: g and kcal/g as they are labelled. */
export interface LabelledPack {
  readonly code: string;
  readonly recipeName: string;
  readonly grams: number;
  readonly density: number;
  readonly waterPerGram: number;
  readonly pieces: number | undefined;
  /** The dog that it is for, or several with the g of each; empty: anybody. */
  readonly dogs: readonly { readonly name: string; readonly grams: number }[];
  /** Dogs that do not get it. */
  readonly notFor: readonly string[];
  readonly madeOn: LocalDate;
  readonly safeUntil: LocalDate | undefined;
  readonly bestBy: LocalDate | undefined;
  readonly isFrozen: boolean;
  readonly short: boolean;
  readonly estimated: boolean;
  readonly unproven: boolean;
  /** It is no meal: broth, or fat. */
  readonly beside: boolean;
  readonly lots: readonly string[];
}

/** What stands on a label, line by line; what has no room is left out from the end. */
export interface LabelWords {
  readonly code: string;
  readonly title: string;
  /** Until when it is fed, or at its best: it never gives way to anything else. */
  readonly until: string;
  readonly lines: readonly string[];
  /** What must be read before it is fed. */
  readonly cautions: readonly string[];
}

/**
 * What a label says: weight and energy, whom it feeds and how, its days, what to do before, and its cautions. In the
 * household's units. Source: what a bag must say to be fed by somebody else (common practice, no source).
 */
export function labelWords(pack: LabelledPack, set: UnitSet): LabelWords {
  const kcal = `${pack.estimated ? 'about ' : ''}${writeKcal(pack.grams * pack.density)} kcal`;
  const pieces = pack.pieces === undefined ? '' : ` in ${countOf(pack.pieces, 'piece')}`;
  const water = Math.round(pack.grams * pack.waterPerGram);
  const until = pack.safeUntil
    ? `feed by ${writeDayOnLabel(pack.safeUntil)}`
    : pack.bestBy
      ? `best by ${writeDayOnLabel(pack.bestBy)}`
      : '';
  return {
    code: pack.code,
    title: pack.recipeName,
    until,
    lines: [
      `${writeMassIn(pack.grams, set)}${pieces} · ${kcal}${pack.short ? ' · short, use first' : ''}`,
      feeds(pack, set),
      water > 0
        ? `stir in ${water} mL of warm water, wait 10 min`
        : pack.isFrozen
          ? 'thaw in the fridge overnight'
          : '',
      `made ${writeDayOnLabel(pack.madeOn)}`,
      pack.lots.length > 0 ? `lot ${pack.lots.join(', ')}` : '',
    ].filter((line) => line !== ''),
    cautions: [
      ...(pack.unproven ? [UNPROVEN] : []),
      ...(pack.notFor.length > 0 ? [`not for ${pack.notFor.join(', ')}`] : []),
      ...(pack.beside ? ['no meal by itself'] : []),
    ],
  };
}

function feeds({ dogs, beside }: LabelledPack, set: UnitSet): string {
  const [only, ...others] = dogs;
  if (beside) return '';
  if (!only) return 'for anybody';
  return others.length === 0
    ? `${only.name}: all of it`
    : dogs.map((dog) => `${dog.name} ${writeMassIn(dog.grams, set)}`).join(' · ');
}
