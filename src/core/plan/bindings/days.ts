import { fine, refused } from '../../problem';
import { writeNumber } from '../../quantity/write';
import type { PlanResult } from '../result';
import { explainScale, LONGEST_PLAN_DAYS, sum } from '../scale';
import { readCount } from '../typed-amount';
import type { PlanBinding, Typed } from './binding';
import { many, type BindingRow } from './row';
import { nth, sure } from '../../sure';

function daysRow(result: PlanResult, typed: Typed): BindingRow {
  const { bound, days, keeping, needs, read } = result;
  const rest = bound.days - days;
  const note =
    rest > 0.01
      ? `and ${writeNumber(rest * 100, 0)} % of one more: a short pack`
      : rest < -0.01
        ? bound.days < 1
          ? `not quite: ${writeNumber(bound.days * 100, 0)} % of it`
          : `the last one short by ${writeNumber(-rest * 100, 0)} %`
        : keeping.frozenFrom === undefined
          ? 'all of it may stay in the fridge'
          : keeping.frozenFrom === 1
            ? 'all of it to be frozen'
            : `from day ${keeping.frozenFrom} on to be frozen`;
  const [batch] = bound.batches;
  return {
    key: 'days',
    label: 'days',
    said: many(days, 'day'),
    note,
    fridgePart: Math.min(1, keeping.fridgeFeedingDays / Math.max(bound.days, 1)),
    over: false,
    binds: typed.by === 'days',
    bind: { by: 'days', days: String(days) },
    why:
      bound.batches.length === 1
        ? explainScale(needs, 0, {
            days: bound.days,
            need: sure(batch).need,
            energy: sure(batch).energy,
            scale: sure(batch).at.scale,
          })
        : {
            title: `${many(days, 'day')}: ${writeNumber(bound.need, 0)} kcal`,
            steps: [
              ...needs.map((need) => ({ what: need.name, sum: `${writeNumber(sum(need.byDay), 1)} kcal` })),
              ...bound.batches.map((own, index) => ({
                what: `of it ${nth(read.plan.batches, index).name}`,
                sum: `${writeNumber(own.need, 1)} kcal`,
              })),
            ],
            source: 'Each dog’s ration in force, summed day by day; recipes by their meals and shares.',
          },
  };
}

/** So many days for the chosen dogs. */
export const days: PlanBinding<{ readonly by: 'days'; readonly days: number }> = {
  key: 'days',
  offer: 'for',
  sentence: (typed) => [{ text: 'days', label: 'Days', size: 'count' }, typed.days.trim() === '1' ? 'day' : 'days'],
  usual: () => ({ days: '7' }),
  begins: () => ({}),
  read(typed) {
    if (typed.days.trim() === '') return refused('For how many days?', 'days');
    const read = readCount(typed.days, 'days', `Days are a whole number from 1 to ${LONGEST_PLAN_DAYS}.`);
    return read.ok ? fine({ by: 'days', days: read.value }) : read;
  },
  wanted(_, own) {
    if (!(own.days > 0)) return refused('Cook for at least one day.', 'days');
    return own.days > LONGEST_PLAN_DAYS
      ? refused(`Cook for ${LONGEST_PLAN_DAYS} days at the most.`, 'days')
      : fine({ wanted: own.days, figure: (bound) => bound.days });
  },
  rows: (result, typed) => [daysRow(result, typed)],
};
