import { writeDayOnLabel, type LocalDate } from '../calendar/local-date';
import { writeGrams, writeKcal } from '../quantity/write';
import { HALF_A_GRAM } from '../batch/share-state';

/** A pack as its label says it, and as it is known now. */
export interface Labelled {
  readonly grams: number;
  /** What was sealed in it, as it is known now. */
  readonly sealedGrams: number;
  readonly labelGrams: number;
  readonly density: number;
  readonly labelDensity: number;
  /** Since when it lies where it lies, and since when it would by its label. */
  readonly since: LocalDate;
  readonly packedOn: LocalDate;
  readonly freezeOn: LocalDate | undefined;
  readonly openedOn: LocalDate | undefined;
  readonly safeUntil: LocalDate | undefined;
  readonly bestBy: LocalDate | undefined;
  readonly labelSafeUntil: LocalDate | undefined;
  readonly labelBestBy: LocalDate | undefined;
}

/** Whether nothing was taken of a pack since it was sealed: it holds what was sealed in it. Takes g. */
export const isWhole = ({ grams, sealedGrams }: Pick<Labelled, 'grams' | 'sealedGrams'>): boolean =>
  grams > 0 && Math.abs(grams - sealedGrams) < HALF_A_GRAM;

/** kcal that differ by less than this part are the same figure on a label (ours, no source). */
const SAME = 0.005;

/** The date that a label says and the one that holds, where the pack lies as its label has it and other rules date it now. */
function datesOff(pack: Labelled): string | undefined {
  // Moved, thawed or opened, it has dates of its own: no label could have known them.
  if (pack.since !== (pack.freezeOn ?? pack.packedOn) || pack.openedOn !== undefined) return undefined;
  const said = (safeUntil: LocalDate | undefined, bestBy: LocalDate | undefined) => {
    const day = safeUntil ?? bestBy;
    return day === undefined ? 'no date' : `${safeUntil ? 'feed by' : 'best by'} ${writeDayOnLabel(day)}`;
  };
  const [now, label] = [said(pack.safeUntil, pack.bestBy), said(pack.labelSafeUntil, pack.labelBestBy)];
  return now === label ? undefined : `${now}, not ${label}`;
}

/**
 * Why a label is to be written again: the pot was put right since, and each gram holds other kcal; or the pack was weighed
 * again while it was whole; or it was dated by other rules. Undefined where it still says what is so, or nothing is left to be fed by it. Takes g and
 * kcal/g; `write` says a weight.
 */
export function labelOff(pack: Labelled, write: (mass: number) => string = writeGrams): string | undefined {
  const { grams, sealedGrams, labelGrams, density, labelDensity } = pack;
  if (grams <= 0) return undefined;
  const dates = datesOff(pack);
  const now = isWhole({ grams, sealedGrams }) ? grams : labelGrams;
  const otherWeight = Math.abs(now - labelGrams) >= HALF_A_GRAM;
  if (!otherWeight && Math.abs(density - labelDensity) <= labelDensity * SAME)
    return dates && `write it again: ${dates}`;
  const weight = otherWeight ? `${write(now)}, not ${write(labelGrams)}: ` : '';
  return `write it again: ${weight}${writeKcal(now * density)} kcal, not ${writeKcal(labelGrams * labelDensity)}${dates ? `; ${dates}` : ''}`;
}
