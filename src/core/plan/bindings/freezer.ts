import { fine, refused } from '../../problem';
import { writeSumIn } from '../../quantity/write';
import type { PlanInputs } from '../inputs';
import type { PlanResult } from '../result';
import { frozenRoom, HEADSPACE } from '../to-plan';
import { readAmount } from '../typed-amount';
import type { PlanBinding, Typed } from './binding';
import { many, writeRoom, type BindingRow } from './row';
import { addUp } from '../../add-up';

/** What the freezer is asked for. */
function freezerRow({ keeping, bound }: PlanResult, typed: Typed, { set }: PlanInputs): BindingRow {
  const { room, free, freezeDays } = keeping;
  const over = free !== undefined && room > free;
  const frozen = addUp(bound.batches, (batch) => batch.frozen);
  return {
    key: 'freezer',
    label: 'freezer',
    said:
      free === undefined
        ? writeRoom(room, set)
        : `${writeRoom(room, set)} of ${writeRoom(free, set)} free${over ? `, over by ${writeRoom(room - free, set)}` : ''}`,
    note:
      free === undefined
        ? 'its size is not known: say it under Household'
        : freezeDays !== undefined && freezeDays > 1
          ? `freezes over ${freezeDays} days`
          : '',
    ...(free === undefined ? {} : { used: free === 0 ? (room > 0 ? 9 : 0) : room / free }),
    over,
    binds: typed.by === 'freezer',
    bind: { by: 'freezer', space: writeRoom(free ?? room, set) },
    why: {
      title: `${writeRoom(room, set)} in the freezer`,
      steps: [
        { what: 'that the fridge does not keep', sum: writeSumIn(frozen, set) },
        { what: 'headspace, and mL in a g', sum: `× ${HEADSPACE}, by a weighed cup or 1 mL a g` },
        ...(free === undefined ? [] : [{ what: 'free in the freezer', sum: writeRoom(free, set) }]),
        ...(freezeDays === undefined ? [] : [{ what: 'at 0.9 kg for each 28 L a day', sum: many(freezeDays, 'day') }]),
      ],
      source: 'Fridge days: yours (USDA 3–4). Headspace a tenth; freezing 0.9–1.4 kg for each 28 L a day (NCHFP).',
    },
  };
}

/** As much as the freezer has room for. */
export const freezer: PlanBinding<{ readonly by: 'freezer'; readonly millilitres: number }> = {
  key: 'freezer',
  offer: 'to fill the freezer:',
  sentence: () => [{ text: 'space', label: 'Free in the freezer', size: 'amount' }, 'free'],
  usual: (set) => ({ space: set === 'us' ? '20 qt' : '20 L' }),
  begins: () => ({}),
  read(typed, set) {
    const asked = 'How much room is there? Write it like 20 L.';
    const read = readAmount(typed.space, set, 'space', asked);
    if (!read.ok) return read;
    return 'millilitres' in read.value ? fine({ by: 'freezer', ...read.value }) : refused(asked, 'space');
  },
  wanted: (plan, { millilitres }) =>
    millilitres > 0
      ? fine({ wanted: millilitres, figure: (bound) => frozenRoom(plan, bound) })
      : refused('The freezer has no room left: free some of it first.', 'space'),
  rows: (result, typed, inputs) => [freezerRow(result, typed, inputs)],
};
