import { z } from 'zod';
import { USUAL_WATER } from '../preserve/dryer-loads';
import { freezeTime, PACK_FORMS, type PackToFreeze } from '../preserve/freezing';
import { fine, refused, type Outcome } from '../problem';
import { readCount } from '../quantity/typed';
import { writeFixed, writeNumber } from '../quantity/write';
import { learnedFigure, type LearnedFigure, type Observation } from './figure';

/** From so many measurements on the kitchen's own figure is taken: one may be a slip (ours, no source). */
const TAKEN_FROM = 2;

/** By what this kitchen is off what is reckoned, and on how many measurements that stands; 1 of 0: the table's figure holds. */
export interface Beside {
  readonly factor: number;
  readonly of: number;
}
export const AS_RECKONED: Beside = { factor: 1, of: 0 };

/** Whether so many are enough to be taken. */
export const isEnough = ({ of }: Pick<LearnedFigure, 'of'>): boolean => of >= TAKEN_FROM;

/** Takes measurements in % of what was reckoned; those that were struck out do not count. Source: the mean. */
export function besideReckoned(observations: readonly Observation[]): Beside {
  const figure = learnedFigure(observations);
  return figure.mean !== undefined && isEnough(figure) ? { factor: figure.mean / 100, of: figure.of } : AS_RECKONED;
}

/** Less than this part of what a container takes is no filling of it (ours, no source). */
const HALF_EMPTY = 0.5;

/** Whether a weighed pack says how much its container takes. Takes g in it, and g that were reckoned. */
export const isFilling = (grams: number, reckoned: number): boolean => reckoned > 0 && grams >= HALF_EMPTY * reckoned;

const typed = z.string().max(10);
/** How long something froze, as typed; shared by the form and the action. */
export const frozenEntrySchema = z.object({
  form: z.enum(PACK_FORMS),
  centimetres: typed,
  sides: z.enum(['1', '2']),
  fan: z.boolean(),
  hours: typed,
});
export type FrozenEntry = Readonly<z.infer<typeof frozenEntrySchema>>;

/** Thicker, or longer, nothing of a home is frozen. */
const [THICKEST, LONGEST] = [30, 96];

const numberOf = (text: string): number => {
  const read = readCount(text);
  return read.ok ? read.value : NaN;
};

/**
 * Reads how long food from the fridge took until it was frozen through, beside what is reckoned for it. Refuses at its field what
 * cannot be. Source: Plank's equation (`freezeTime`), for food of 70 % water.
 */
export function readFrozen(
  entry: FrozenEntry,
): Outcome<{ readonly of: string; readonly hours: number; readonly reckoned: number }> {
  const centimetres = numberOf(entry.centimetres);
  if (!(centimetres > 0 && centimetres <= THICKEST)) return refused('Centimetres, up to 30.', 'centimetres');
  const hours = numberOf(entry.hours);
  if (!(hours > 0 && hours <= LONGEST)) return refused('Hours until it was hard all through, up to 96.', 'hours');
  const pack: PackToFreeze = {
    form: entry.form,
    centimetres,
    sides: entry.sides === '1' ? 1 : 2,
    fan: entry.fan,
    water: USUAL_WATER,
  };
  const lay = `${entry.sides === '1' ? 'on a shelf' : 'on a rack'}${entry.fan ? ', with a fan' : ''}`;
  return fine({
    of: `${entry.form}, ${writeNumber(centimetres, 1)} cm, ${lay}`,
    hours,
    reckoned: freezeTime(pack).hours,
  });
}

/** How long food takes to freeze through in this kitchen: as reckoned, or by so much off it as was measured. Source: `freezeTime`. */
export function freezeHere(pack: PackToFreeze, { factor, of }: Beside): ReturnType<typeof freezeTime> {
  const reckoned = freezeTime(pack);
  if (of === 0) return reckoned;
  const hours = reckoned.hours * factor;
  const [before, after] = [reckoned.hours, hours].map((each) => writeFixed(each, 1));
  return {
    hours,
    explanation: {
      title: reckoned.explanation.title.replace(`${before} h`, `${after} h`),
      steps: [
        ...reckoned.explanation.steps,
        {
          what: 'this kitchen',
          sum: `${before} h × ${writeNumber(factor, 2)} = ${after} h, the mean of ${of} measured`,
        },
      ],
      source: 'What was measured in this kitchen, beside Plank’s equation, from memory.',
    },
  };
}
