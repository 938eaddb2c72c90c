import { addUp } from '../add-up';
import { capital, writeGrams, writeNumber } from '../quantity/write';
import { nth } from '../sure';

/** A tray by its scale: empty, with wet and with dry food, in g. */
export interface TrayWeighed {
  readonly tare: number;
  readonly wetGross: number;
  readonly dryGross: number;
}

/** What a tray's weights do not fit, and what probably happened; `tray` is its place. */
export type TraySlip =
  /** The tray's own weight stands in both weighings. */
  | { readonly kind: 'tare in both'; readonly tray: number; readonly grams: number }
  /** It stands in the wet one alone. */
  | { readonly kind: 'tare in the wet one'; readonly tray: number; readonly grams: number }
  | { readonly kind: 'swapped'; readonly tray: number; readonly with: number }
  | { readonly kind: 'wet core'; readonly tray: number; readonly moisture: number }
  /** Lighter than the table's solids, and possible: the table is a mean. */
  | { readonly kind: 'light'; readonly tray: number; readonly solids: number }
  /** Far lighter: asked, with its causes, and kept by a press. */
  | { readonly kind: 'too light'; readonly tray: number; readonly solids: number };

/** How well the table knows the solids of a pot, and a kitchen scale its load (ours, no source). */
const TABLE = 0.02;
const SCALE = 0.01;
/** Above this moisture dried food is taken for wet inside (FSIS, NCHFP: 10 % and less for keeping). */
export const WET_CORE = 0.1;
/** What is usually left of the water when a machine stops (common practice, no source). */
const USUAL_LEFT = 0.03;
/** Under this part of the solids a dry weight is asked about: this tray's part was leaner or wetter, or a weight is wrong (ours, no source). */
const ASKED_UNDER = 0.85;
/** A guess of a tray's weight so near to the household's own tray means that one, in g: four ounces (ours, no source). */
const NEAR_TRAY = 115;
/** What trays of home machines weigh, in g (common practice, no source). */
const [LIGHTEST, HEAVIEST] = [150, 2500];

interface Net {
  readonly tare: number;
  readonly wet: number;
  readonly dry: number;
}

/** What part of its wet weight a tray can weigh dry, by the solids of its food: from dry to the bone to a tenth of water. */
export const canLeave = (solids: number): { readonly low: number; readonly high: number } => ({
  low: solids * (1 - TABLE) * (1 - SCALE),
  high: ((solids * (1 + TABLE)) / (1 - WET_CORE)) * (1 + SCALE),
});

const isTray = (grams: number) => grams >= LIGHTEST && grams <= HEAVIEST;
const isHigh = ({ wet, dry }: Net, solids: number) => dry > wet * canLeave(solids).high;
const isLow = ({ wet, dry }: Net, solids: number) => dry < wet * canLeave(solids).low;
const fits = (tray: Net, solids: number) => !isHigh(tray, solids) && !isLow(tray, solids);

/**
 * What of a load of trays cannot be right by the solids of its food, with the likely g: a tray's own weight left in, two trays
 * taken for each other, a wet core, or less than the table's solids.
 *
 * Takes the readings of each tray in g and the share of solids in the wet food (0 to 1). What fits is not named; nothing is
 * refused here. A guess says perhaps: who dried it knows. Source: conservation of mass; 3 % left is common practice, no source.
 */
export function traySlips(trays: readonly TrayWeighed[], solids: number): readonly TraySlip[] {
  const nets = trays.map(({ tare, wetGross, dryGross }): Net => ({ tare, wet: wetGross - tare, dry: dryGross - tare }));
  const slips: TraySlip[] = [];
  const told = new Set<number>();
  for (const [one, a] of nets.entries())
    for (const [other, b] of nets.entries()) {
      if (other <= one || told.has(one) || told.has(other)) continue;
      const opposite = (isHigh(a, solids) && isLow(b, solids)) || (isLow(a, solids) && isHigh(b, solids));
      const changed = (own: Net, from: Net) => ({ ...own, dry: from.dry + from.tare - own.tare });
      if (!opposite || !fits(changed(a, b), solids) || !fits(changed(b, a), solids)) continue;
      slips.push({ kind: 'swapped', tray: one, with: other });
      told.add(one).add(other);
    }
  for (const [tray, own] of nets.entries()) {
    if (told.has(tray) || fits(own, solids)) continue;
    slips.push(isHigh(own, solids) ? high(tray, own, solids) : low(tray, own, solids));
  }
  return [...slips].sort((a, b) => a.tray - b.tray);
}

function high(tray: number, { tare, wet, dry }: Net, solids: number): TraySlip {
  const left = 1 - USUAL_LEFT;
  const grams = (left * dry - solids * wet) / (left - solids);
  // A tray whose own weight was taken off already has no second one.
  return isTray(grams) && tare < LIGHTEST
    ? { kind: 'tare in both', tray, grams }
    : { kind: 'wet core', tray, moisture: 1 - (wet * solids) / dry };
}

function low(tray: number, { tare, wet, dry }: Net, solids: number): TraySlip {
  const grams = wet - (dry * (1 - USUAL_LEFT)) / solids;
  return isTray(grams) && tare < LIGHTEST
    ? { kind: 'tare in the wet one', tray, grams }
    : { kind: dry < wet * solids * ASKED_UNDER ? 'too light' : 'light', tray, solids: wet * solids };
}

/** A slip with the household's own tray in the place of a guess that is near it: its weight is known. Takes g of an empty tray. */
export const atKnownTray = (slip: TraySlip, known: number | undefined): TraySlip =>
  known !== undefined &&
  (slip.kind === 'tare in both' || slip.kind === 'tare in the wet one') &&
  Math.abs(slip.grams - known) <= NEAR_TRAY
    ? { ...slip, grams: known }
    : slip;

/** Whether a slip says that a weight cannot be right: something was left in, or taken for something else. The others are kept. */
export const isWrongWeight = ({ kind }: TraySlip): boolean =>
  kind === 'tare in both' || kind === 'tare in the wet one' || kind === 'swapped';

/** A slip in a sentence; `write` says a weight. */
export function saySlip(slip: TraySlip, write: (mass: number) => string = writeGrams): string {
  const tray = `tray ${slip.tray + 1}`;
  switch (slip.kind) {
    case 'tare in both':
      return `On ${tray} perhaps its own weight, about ${write(slip.grams)}, was left in both weighings; or it is still wet inside.`;
    case 'tare in the wet one':
      return `On ${tray} perhaps its own weight, about ${write(slip.grams)}, was left in the wet weighing.`;
    case 'swapped':
      return `Perhaps ${tray} and tray ${slip.with + 1} were taken for each other when they came out.`;
    case 'wet core':
      return `About ${writeNumber(slip.moisture * 100, 0)} % water is left on ${tray}, more than 10 %: perhaps a wet core. Dry on and weigh again.`;
    case 'too light':
      return `${capital(tray)} is far lighter than the solids that its part of the pot should have (${write(slip.solids)}). Was its own weight taken off twice, was its part leaner or wetter than the pot, was the pot’s yield weighed wrongly, or did a crumb get lost?`;
    case 'light':
      return `${capital(tray)} is lighter than the table’s solids of its food (${write(slip.solids)}). It is kept: the table is a mean, and your food is your own.`;
  }
}

/** The trays with a slip put right as it probably was; undefined where that is not for a press to do. */
export function mendSlip<T extends TrayWeighed>(trays: readonly T[], slip: TraySlip): readonly T[] | undefined {
  switch (slip.kind) {
    case 'tare in both':
      return trays.map((tray, at) => (at === slip.tray ? { ...tray, tare: tray.tare + Math.round(slip.grams) } : tray));
    case 'tare in the wet one':
      return trays.map((tray, at) =>
        at === slip.tray ? { ...tray, wetGross: tray.wetGross - Math.round(slip.grams) } : tray,
      );
    case 'swapped':
      return trays.map((tray, at) =>
        at === slip.tray
          ? { ...tray, dryGross: nth(trays, slip.with).dryGross }
          : at === slip.with
            ? { ...tray, dryGross: nth(trays, slip.tray).dryGross }
            : tray,
      );
    default:
      return undefined;
  }
}

/** g of wet food that lie on trays. */
export const onTrays = (trays: readonly Pick<TrayWeighed, 'tare' | 'wetGross'>[]): number =>
  addUp(trays, ({ tare, wetGross }) => wetGross - tare);

/** Two weighings in a row that differ by less than this part are dry (handbook 10, common practice). */
export const SAME_WEIGHT = 0.005;

/** How far the last two dry weighings of a tray are apart, as a part; undefined before there are two. Takes net g. */
export function lastChange(dryings: readonly number[]): number | undefined {
  const [before, last] = dryings.slice(-2);
  return before === undefined || last === undefined ? undefined : Math.abs(before - last) / before;
}
