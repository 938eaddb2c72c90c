import type { Explanation } from '../explanation';
import { fine, refused, type Outcome } from '../problem';
import { energyDensity, grams, millilitres, type EnergyDensity, type Grams, type Millilitres } from '../quantity/units';
import { writeFixed, writeGrams } from '../quantity/write';
import { addUp } from '../add-up';
import { traySlips, type TraySlip } from './tray-slips';

/** Readings of one tray: empty, with wet food, with dry food, all with the tray on the scale. */
export interface TrayReadings {
  readonly tare: Grams;
  readonly wetGross: Grams;
  readonly dryGross: Grams;
}

export interface Dried {
  readonly trays: readonly { readonly wet: Grams; readonly dry: Grams; readonly water: Millilitres }[];
  readonly wet: Grams;
  readonly dry: Grams;
  /** Water to put back: wet − dry, 1 g is 1 mL. */
  readonly water: Millilitres;
  /** mL of water for each gram of dry food. */
  readonly waterPerGram: number;
  /** kcal in each gram of dry food. */
  readonly density: EnergyDensity;
  /** Part of the dry food that is water, by the table's solids; under nothing where it weighs less than those. */
  readonly moisture: number;
  /** What of the readings does not fit the solids: said, not refused. */
  readonly slips: readonly TraySlip[];
  readonly explanation: Explanation;
}

/**
 * What a load of trays came to: dry weight, water to put back, energy density.
 *
 * Takes the readings of each tray in g, the share of solids in the wet food (0 to 1; a lower bound) and its density.
 * Refuses readings that cannot be: nothing on a tray, or a dry weight above the wet one. What does not fit the solids is among the
 * slips: asked about, and kept where it is so.
 * Source: conservation of mass; moisture limit FSIS and NCHFP, from memory.
 */
export function dryTrays(
  readings: readonly TrayReadings[],
  solidsShare: number,
  wetDensity: EnergyDensity,
  write: (mass: number) => string = writeGrams,
): Outcome<Dried> {
  if (readings.length === 0) return refused('Weigh at least one tray.', 'trays');
  const trays = [];
  for (const [index, { tare, wetGross, dryGross }] of readings.entries()) {
    const at = (name: string) => `trays.${index}.${name}`;
    if (!(tare >= 0)) return refused('Weigh the empty tray; 0 if the scale was tared.', at('tare'));
    if (!(wetGross > tare)) return refused('The full tray weighs no more than the empty one.', at('wetGross'));
    if (!(dryGross > tare)) return refused('The dried tray weighs no more than the empty one.', at('dryGross'));
    const wet = wetGross - tare;
    const dry = dryGross - tare;
    if (dry > wet) {
      return refused(
        `Dry (${write(dry)}) is more than wet (${write(wet)}). Were the readings swapped?`,
        at('dryGross'),
      );
    }
    trays.push({ wet: grams(wet), dry: grams(dry), water: millilitres(wet - dry) });
  }
  const wet = addUp(trays, (tray) => tray.wet);
  const dry = addUp(trays, (tray) => tray.dry);
  const density = energyDensity((wet * wetDensity) / dry);
  const waterPerGram = (wet - dry) / dry;
  return fine({
    trays,
    wet: grams(wet),
    dry: grams(dry),
    water: millilitres(wet - dry),
    waterPerGram,
    density,
    moisture: 1 - (wet * solidsShare) / dry,
    slips: traySlips(readings, solidsShare),
    explanation: {
      title: `${writeGrams(wet - dry).replace(' g', ' mL')} of water to put back`,
      steps: [
        { what: 'wet', sum: `${writeFixed(wet, 1)} g` },
        { what: 'dry', sum: `${writeFixed(dry, 1)} g` },
        {
          what: 'water to put back',
          sum: `${writeFixed(wet, 1)} − ${writeFixed(dry, 1)} = ${writeFixed(wet - dry, 1)} mL, ${writeFixed(waterPerGram, 2)} mL for each gram`,
        },
        {
          what: 'energy',
          sum: `${writeFixed(wetDensity, 4)} × ${writeFixed(wet, 1)} ÷ ${writeFixed(dry, 1)} = ${writeFixed(density, 3)} kcal/g dry`,
        },
      ],
      source: 'Your scale: what left the tray is water, and 1 g of it is 1 mL.',
    },
  });
}
