import { writeDayOnLabel, type LocalDate } from '../calendar/local-date';
import { countOf } from '../quantity/count-words';
import type { UnitSet } from '../quantity/units';
import { writeFraction, writeKcal, writeMassIn } from '../quantity/write';
import { sayPutBack } from '../preserve/rehydrate';
import { packKcal } from '../stock/pack-kcal';
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
  /** Of a pack for anybody, what part of it each dog gets a day; 1 and more: all of it. */
  readonly parts: readonly { readonly name: string; readonly part: number }[];
  /** What is added in the bowl, as it is said for a day. */
  readonly additions: readonly string[];
  /** Of several batches: what of each is in it. */
  readonly contents: readonly { readonly name: string; readonly grams: number }[];
  /** Nothing of it is cooked. */
  readonly isRaw: boolean;
  /** Dogs that do not get it. */
  readonly notFor: readonly string[];
  /** Undefined: it was found, and nobody knows. */
  readonly madeOn: LocalDate | undefined;
  readonly safeUntil: LocalDate | undefined;
  readonly bestBy: LocalDate | undefined;
  readonly isFrozen: boolean;
  readonly short: boolean;
  readonly estimated: boolean;
  readonly unproven: boolean;
  /** It is no meal: broth, or fat. */
  readonly beside: boolean;
  readonly lots: readonly string[];
  /** What of its recipe was kept as words. */
  readonly uncounted: readonly string[];
}

/** What stands on a label, line by line; what has no room is left out from the end. */
export interface LabelWords {
  readonly code: string;
  readonly title: string;
  /** Until when it is fed, or at its best: it never gives way to anything else. */
  readonly until: string;
  readonly lines: readonly string[];
  /** Whom it is for, in a word or two. */
  readonly whom: string;
  /** What is put back into dry food; empty: it is not dry. */
  readonly water: string;
  /** What must be read before it is fed. */
  readonly cautions: readonly string[];
}

/**
 * What a label says: weight and energy, whom it feeds and how, its days, what to do before, and its cautions. In the
 * household's units. Source: what a bag must say to be fed by somebody else (common practice, no source).
 */
export function labelWords(pack: LabelledPack, set: UnitSet): LabelWords {
  const kcal = `${pack.estimated ? 'about ' : ''}${writeKcal(packKcal(pack))} kcal`;
  const pieces = pack.pieces === undefined ? '' : ` in ${countOf(pack.pieces, 'piece')}`;
  const water = sayPutBack(pack.grams, pack.waterPerGram, (mass) => writeMassIn(mass, set)) ?? '';
  const until = pack.safeUntil
    ? `feed by ${writeDayOnLabel(pack.safeUntil)}`
    : pack.bestBy
      ? `best by ${writeDayOnLabel(pack.bestBy)}`
      : '';
  return {
    code: pack.code,
    title: pack.recipeName,
    whom: pack.beside
      ? pack.recipeName
      : pack.dogs.length > 0
        ? pack.dogs.map(({ name }) => name).join(' + ')
        : 'anybody',
    until,
    water,
    lines: [
      `${writeMassIn(pack.grams, set)}${pieces} · ${kcal}${pack.short ? ' · short, use first' : ''}`,
      feeds(pack, set),
      water || (pack.isFrozen ? 'thaw in the fridge overnight' : ''),
      ...(pack.contents.length > 1
        ? [pack.contents.map(({ name, grams }) => `${name} ${writeMassIn(grams, set)}`).join(' + ')]
        : []),
      pack.additions.length > 0 ? `in the bowl: ${pack.additions.join(', ')}` : '',
      pack.madeOn === undefined ? 'found, date unknown' : `made ${writeDayOnLabel(pack.madeOn)}`,
      pack.lots.length > 0 ? `lot ${pack.lots.join(', ')}` : '',
    ].filter((line) => line !== ''),
    cautions: [
      ...(pack.notFor.length > 0 ? [`not for ${pack.notFor.join(', ')}`] : []),
      ...(pack.isRaw ? ['raw: keep it cold, wash your hands'] : []),
      ...(pack.unproven ? [UNPROVEN] : []),
      ...(pack.beside ? ['no meal by itself'] : []),
      ...(pack.uncounted.length > 0 ? [`not counted: ${pack.uncounted.join('; ')}`] : []),
    ],
  };
}

/** A part of a pack to an eighth; from just under the whole on it is all of it. */
const writePartOf = (part: number): string =>
  part >= 15 / 16 ? 'all' : writeFraction(Math.max(1, Math.round(part * 8)) / 8, 8);

/**
 * What to write by hand, with a marker, in three short lines: the code, whom it is for, and its day. Takes the words of a
 * label. Common practice, no source.
 */
export const penLines = ({ code, lines, until, cautions, whom, water }: LabelWords): readonly string[] => [
  code,
  [whom, lines[0]?.split(' · ')[0] ?? '', water].filter((each) => each !== '').join(' '),
  [until, ...cautions.slice(0, 1).map((each) => each.split(':')[0] ?? '')].filter((each) => each !== '').join(', '),
];

function feeds({ dogs, beside, parts }: LabelledPack, set: UnitSet): string {
  const [only, ...others] = dogs;
  if (beside) return '';
  if (!only)
    return parts.length === 0
      ? 'for anybody'
      : `a day: ${parts.map(({ name, part }) => `${name} ${writePartOf(part)}`).join(' · ')}`;
  return others.length === 0
    ? `${only.name}: all of it`
    : dogs.map((dog) => `${dog.name} ${writeMassIn(dog.grams, set)}`).join(' · ');
}
