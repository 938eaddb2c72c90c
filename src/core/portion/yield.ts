import type { Explanation } from '../explanation';
import { fine, refused, type Outcome } from '../problem';
import { energyDensity, grams, type EnergyDensity, type Grams, type Kilocalories } from '../quantity/units';
import { writeFixed, writeGrams } from '../quantity/write';

/** How the finished pot was measured: on the scale, vessel by vessel, or counted in cups of which one was weighed. */
export type Weighing =
  | {
      readonly by: 'scale';
      readonly vessels: readonly { readonly name: string; readonly gross: Grams; readonly tare: Grams }[];
    }
  | { readonly by: 'cups'; readonly cups: number; readonly cupGrams: Grams };

/** What went in, as frozen when cooking began. */
export interface WentIn {
  /** Everything in the pot with the poured water, stir-ins included. */
  readonly inPot: Grams;
  /** What cannot boil away. */
  readonly solids: Grams;
  readonly kcal: Kilocalories;
  /** g of fat in it, where all of it is known, and kcal of each g by the household's factors. */
  readonly fatInPot?: number;
  readonly fatKcal?: number;
}

/** What left the pot before it was weighed, without having boiled away. */
export interface TakenOut {
  readonly eatenBefore: Grams;
  /** Liquid that was poured off and kept. */
  readonly kept: Grams;
  /** Fat that was skimmed off and weighed: its energy goes with it. */
  readonly skimmed?: Grams;
}

/** kcal of a gram of fat where nobody says otherwise. Source: NRC 2006 (4-9-4). */
const FAT_KCAL = 9;

export interface WeighedYield extends Required<TakenOut> {
  /** Energy of the food that is there, what was skimmed off taken away. */
  readonly kcal: number;
  readonly net: Grams;
  /** A counted yield is an estimate. */
  readonly estimated: boolean;
  readonly density: EnergyDensity;
  readonly explanation: Explanation;
}

/** Says a weight. */
type Write = (mass: number) => string;

function netOf(weighing: Weighing, write: Write): Outcome<{ net: number; sums: string[] }> {
  if (weighing.by === 'cups') {
    if (!(weighing.cups > 0)) return refused('Count the cups: a number above 0.', 'cups');
    if (!(weighing.cupGrams > 0)) return refused('Weigh one cup of the food, without the cup.', 'cupGrams');
    return fine({
      net: weighing.cups * weighing.cupGrams,
      sums: [`${weighing.cups} cups × ${write(weighing.cupGrams)}, one of them weighed`],
    });
  }
  if (weighing.vessels.length === 0) return refused('Weigh at least one vessel.', 'vessels');
  for (const [index, vessel] of weighing.vessels.entries()) {
    if (!(vessel.gross > 0))
      return refused('What does the scale say, vessel and food together?', `vessels.${index}.gross`);
    if (vessel.tare < 0) return refused('An empty vessel cannot weigh less than nothing.', `vessels.${index}.tare`);
    if (vessel.gross <= vessel.tare) {
      return refused(
        'The full vessel weighs no more than the empty one. Check both readings.',
        `vessels.${index}.gross`,
      );
    }
  }
  return fine({
    net: weighing.vessels.reduce((sum, vessel) => sum + vessel.gross - vessel.tare, 0),
    sums: weighing.vessels.map(
      ({ name, gross, tare }) => `${name}: ${write(gross)} − ${write(tare)} = ${write(gross - tare)}`,
    ),
  });
}

/**
 * The net yield of a pot and the energy density of its food.
 *
 * Takes the weighing, what was taken out before it (what was eaten is added back for the density, not divided; liquid
 * that is kept counts as water, so that the energy of the food is an upper bound; fat that was skimmed off takes its energy
 * along), what went in, and how a weight is said.
 * Returns g and kcal/g. Refuses readings that cannot be, a yield above everything that went in, and one below
 * the solids alone (a forgotten tare is the usual cause). Source: conservation of mass; NRC 2006 for the kcal.
 */
export function weighYield(
  weighing: Weighing,
  { eatenBefore, kept, skimmed = grams(0) }: TakenOut,
  wentIn: WentIn,
  write: Write = writeGrams,
): Outcome<WeighedYield> {
  const measured = netOf(weighing, write);
  if (!measured.ok) return measured;
  if (eatenBefore < 0) return refused('What was eaten cannot be less than nothing.', 'eatenBefore');
  const field = weighing.by === 'cups' ? 'cups' : 'vessels';
  const { net, sums } = measured.value;
  const whole = net + eatenBefore;
  if (kept < 0) return refused('What was poured off cannot be less than nothing.', 'kept');
  const eatenWords = eatenBefore > 0 ? ` with the ${write(eatenBefore)} eaten` : '';
  if (skimmed < 0) return refused('What was skimmed off cannot be less than nothing.', 'skimmed');
  if (wentIn.fatInPot !== undefined && skimmed > wentIn.fatInPot)
    return refused(
      `There were ${write(wentIn.fatInPot)} of fat in it: ${write(skimmed)} cannot be fat alone. Is broth with it?`,
      'skimmed',
    );
  const keptWords = kept > 0 ? ` with the ${write(kept)} poured off` : '';
  if (whole + kept + skimmed > wentIn.inPot) {
    return refused(
      `${write(net)}${eatenWords}${keptWords} is more than went in (${write(wentIn.inPot)}). Was the vessel’s own weight taken off?`,
      field,
    );
  }
  if (whole < wentIn.solids - skimmed) {
    return refused(
      `${write(net)}${eatenWords} is less than the solids alone (${write(wentIn.solids)}), and those cannot boil away. ` +
        'Was the tare taken off twice, or a vessel forgotten?',
      field,
    );
  }
  const perGram = wentIn.fatKcal ?? FAT_KCAL;
  const kcal = wentIn.kcal - skimmed * perGram;
  const density = energyDensity(kcal / whole);
  return fine({
    net: grams(net),
    eatenBefore,
    kept,
    skimmed,
    kcal,
    estimated: weighing.by === 'cups',
    density,
    explanation: {
      title: `${writeFixed(density, 4)} kcal in each gram`,
      steps: [
        ...sums.map((sum) => ({ what: 'weighed', sum })),
        ...(eatenBefore > 0 ? [{ what: 'eaten before, added back', sum: write(eatenBefore) }] : []),
        ...(kept > 0
          ? [{ what: 'liquid kept apart', sum: `${write(kept)}, as water: what it took along is still counted here` }]
          : []),
        { what: 'energy in the pot', sum: `${writeFixed(wentIn.kcal, 2)} kcal` },
        ...(skimmed > 0
          ? [
              {
                what: 'fat skimmed off',
                sum: `${write(skimmed)} × ${perGram} kcal = ${writeFixed(skimmed * perGram, 2)} kcal, left ${writeFixed(kcal, 2)}`,
              },
            ]
          : []),
        {
          what: 'density',
          sum: `${writeFixed(kcal, 2)} ÷ ${writeFixed(whole, 1)} = ${writeFixed(density, 4)} kcal/g`,
        },
        {
          what: 'limits',
          sum: `between ${write(wentIn.solids)} of solids and ${write(wentIn.inPot)} in the pot`,
        },
      ],
      source:
        weighing.by === 'cups'
          ? 'An estimate: counted cups, one of them weighed. Energy: NRC 2006, composition USDA SR 24.'
          : 'Your scale. Energy: NRC 2006, composition USDA SR 24.',
    },
  });
}
