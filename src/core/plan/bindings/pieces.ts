import { fine, refused } from '../../problem';
import type { UnitSet } from '../../quantity/units';
import { writeMassIn, writeSumIn } from '../../quantity/write';
import type { PlanInputs } from '../inputs';
import type { PlanResult } from '../result';
import { readAmount, readCount, readWeight } from '../typed-amount';
import { countAndSize, wholeCount, type PlanBinding, type Typed } from './binding';
import { many, type BindingRow } from './row';
import { addUp } from '../../add-up';

/** A piece as cooks form them, until another size is typed: about an ounce (common practice, no source). */
const usualPiece = (set: UnitSet): string => (set === 'us' ? '1 oz' : '30 g');

function piecesRows({ bound }: PlanResult, typed: Typed, inputs: PlanInputs): BindingRow[] {
  const size = typed.by === 'pieces' ? typed.size : usualPiece(inputs.set);
  const read = readAmount(size, inputs.set, 'size', '');
  if (!read.ok || !('grams' in read.value)) return [];
  const raw = addUp(bound.batches, (batch) => batch.figures.inPot);
  const pieces = raw / read.value.grams;
  return [
    {
      key: 'pieces',
      label: `pieces of ${writeMassIn(read.value.grams, inputs.set)} raw`,
      said: many(Math.floor(pieces + 1e-6), 'piece'),
      over: false,
      binds: typed.by === 'pieces',
      bind: { by: 'pieces', count: String(Math.max(1, Math.round(pieces))), size },
      why: {
        title: many(Math.floor(pieces + 1e-6), 'piece'),
        steps: [
          { what: 'goes in raw', sum: writeSumIn(raw, inputs.set) },
          { what: 'one piece raw', sum: writeMassIn(read.value.grams, inputs.set) },
        ],
        source: 'Cooked they weigh less: weigh ten (common practice).',
      },
    },
  ];
}

/** So many pieces of a weight as they go in raw. */
export const pieces: PlanBinding<{ readonly by: 'pieces'; readonly count: number; readonly grams: number }> = {
  key: 'pieces',
  offer: 'to form pieces:',
  sentence: () => countAndSize('Pieces', 'One piece weighs raw', 'raw'),
  usual: () => ({}),
  begins: ({ set }) => ({ count: '100', size: usualPiece(set) }),
  read(typed) {
    const count = readCount(typed.count, 'count', 'How many pieces? A whole number from 1.');
    if (!count.ok) return count;
    const grams = readWeight(typed.size, 'size', 'What does one piece weigh raw? Write it like 30 g or 1 oz.');
    return grams.ok ? fine({ by: 'pieces', count: count.value, grams: grams.value }) : grams;
  },
  wanted: (_, { count, grams }) =>
    wholeCount(count, 'pieces') ??
    (grams > 0
      ? fine({
          wanted: count * grams,
          figure: (bound) => addUp(bound.batches, (batch) => batch.figures.inPot),
        })
      : refused('How much? A weight above 0.', 'size')),
  rows: piecesRows,
};
