import { addUp } from '../add-up';
import { energyDensity } from '../quantity/units';
import { writeFixed, writeGrams } from '../quantity/write';
import type { BatchYield } from './fold';
import type { ShareState } from './share-state';

/** Shares are whole grams, a yield may be none: so many g are no rounding any more (ours, no source). */
const NO_ROUNDING = 1.5;

/** How many times what its trays dried to its packs hold; 1: no more than that. They are cut to the whole gram. */
export const liftOf = ({ dried, packs }: Pick<ShareState, 'dried' | 'packs'>): number => {
  const packed = addUp(packs, (pack) => pack.grams);
  return dried && packed > Math.ceil(dried.dry) ? packed / dried.dry : 1;
};

/** g of a share as it came out of the pot that its packs, trays and bowls hold, or that it was set to, whichever is more. */
export function heldBy(share: ShareState): number {
  const { fate, grams, used, gone, trays, packs } = share;
  if (fate === 'today') return Math.max(grams, used);
  const off = gone.eaten + gone.thrown;
  if (fate !== 'dry') return Math.max(grams, addUp(packs, (pack) => pack.grams) + off);
  const onTrays = addUp(trays, ({ wetGross, tare }) => wetGross - tare);
  // What is not on a tray yet is still to be dried.
  return Math.max(grams, onTrays + off) + onTrays * (liftOf(share) - 1);
}

/** g that what is of a yield holds over what was weighed of it; 0: no more than rounding. Source: arithmetic. */
export function heldOver(of: Pick<BatchYield, 'place' | 'net'>, shares: readonly ShareState[]): number {
  const own = shares.filter((share) => share.yield === of.place);
  const set = addUp(own, ({ grams }) => grams);
  // What is not divided yet is still to be divided.
  const over = addUp(own, heldBy) - Math.min(set, of.net);
  return over >= NO_ROUNDING ? over : 0;
}

/**
 * A yield whose packs, trays and bowls hold more than was weighed: their weights stand, so the pot's energy lies in all of it. A pot
 * cannot feed more than went in. Source: conservation of energy.
 */
export function spreadOver(of: BatchYield, over: number, write: (mass: number) => string = writeGrams): BatchYield {
  if (over <= 0) return of;
  const whole = of.net + of.eatenBefore;
  const kcal = of.density * whole;
  const density = energyDensity(kcal / (whole + over));
  return {
    ...of,
    density,
    explanation: {
      ...of.explanation,
      title: `${writeFixed(density, 4)} kcal in each gram`,
      steps: [
        ...of.explanation.steps,
        {
          what: 'its packs, trays and bowls hold more, and stand',
          sum: `${writeFixed(kcal, 2)} ÷ ${write(whole + over)} = ${writeFixed(density, 4)} kcal/g`,
        },
      ],
    },
  };
}
