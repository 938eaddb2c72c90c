import { fine, refused } from '../../problem';
import { typedMass, writeMassIn, writeNumber, writeSumIn } from '../../quantity/write';
import { isDryer, sizeOf } from '../equipment';
import type { PlanInputs } from '../inputs';
import type { PlanResult } from '../result';
import { writeCountOf } from '../shopping';
import { readCount, readWeight } from '../typed-amount';
import { countAndSize, finished, wholeCount, type PlanBinding, type Typed } from './binding';
import { many, type BindingRow } from './row';

/** The trays and cycles of each dryer, were all of it dried. */
function dryerRows({ bound }: PlanResult, typed: Typed, inputs: PlanInputs): BindingRow[] {
  return inputs.equipment.filter(isDryer).map((dryer) => {
    const perTray = dryer.grams ?? 1;
    const trays = bound.finished / perTray;
    const cycles = Math.max(1, Math.ceil(trays / dryer.count - 1e-9));
    return {
      key: `dryer-${dryer.id}`,
      label: `${dryer.name}, ${many(dryer.count, 'tray')}`,
      said: `${writeCountOf(trays, 'tray', 'trays')} of ${writeMassIn(perTray, inputs.set)}`,
      note: many(cycles, 'cycle'),
      used: trays / dryer.count,
      over: cycles > 1,
      binds: typed.by === 'trays',
      bind: { by: 'trays', count: String(Math.max(1, Math.round(trays))), size: typedMass(perTray, inputs.set) },
      why: {
        title: `${many(cycles, 'cycle')} of ${dryer.name}`,
        steps: [
          { what: 'all of it dried', sum: writeSumIn(bound.finished, inputs.set) },
          { what: 'on one tray', sum: writeMassIn(perTray, inputs.set) },
          {
            what: 'trays at once',
            sum: `${writeNumber(trays, 2)} ÷ ${dryer.count} → ${many(cycles, 'cycle')}`,
          },
        ],
        source: 'Your own figures of the dryer.',
      },
    };
  });
}

/** So many dryer trays, each with so much. */
export const trays: PlanBinding<{ readonly by: 'trays'; readonly count: number; readonly grams: number }> = {
  key: 'trays',
  offer: 'to fill dryer trays:',
  sentence: () => countAndSize('Trays', 'On one tray'),
  usual: () => ({}),
  begins(inputs) {
    const dryer = inputs.equipment.find(isDryer);
    return {
      count: String(dryer?.count ?? 4),
      size: dryer ? sizeOf(dryer, inputs.set) : inputs.set === 'us' ? '1 lb' : '450 g',
    };
  },
  read(typed) {
    const count = readCount(typed.count, 'count', 'How many trays? A whole number from 1.');
    if (!count.ok) return count;
    const grams = readWeight(typed.size, 'size', 'What goes on one tray? Write it like 1.4 kg.');
    return grams.ok ? fine({ by: 'trays', count: count.value, grams: grams.value }) : grams;
  },
  wanted: (_, { count, grams }) =>
    wholeCount(count, 'trays') ??
    (grams > 0 ? fine({ wanted: count * grams, figure: finished }) : refused('How much? A weight above 0.', 'size')),
  rows: dryerRows,
};
