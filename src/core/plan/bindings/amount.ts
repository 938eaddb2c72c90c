import { fine } from '../../problem';
import { volumeOf } from '../../quantity/units';
import { typedMass, writeSumIn } from '../../quantity/write';
import type { PlanInputs } from '../inputs';
import type { PlanResult } from '../result';
import { readAmount, type Amount } from '../typed-amount';
import { amountWanted, type PlanBinding, type Typed } from './binding';
import { many, type BindingRow } from './row';
import { sure } from '../../sure';
import { addUp } from '../../add-up';

function finishedRow(result: PlanResult, typed: Typed, inputs: PlanInputs): BindingRow {
  const { bound, finished, read, batches } = result;
  const cups = batches.every((batch) => batch.read.mlPerGram !== undefined)
    ? addUp(batches, (batch) => batch.bound.figures.finished * sure(batch.read.mlPerGram)) / volumeOf('cup', inputs.set)
    : undefined;
  const pots = Math.max(...read.plan.batches.map((batch) => batch.recipe.guess.pots));
  return {
    key: 'finished',
    label: 'finished food',
    said: writeSumIn(bound.finished, inputs.set),
    note: [
      `${writeSumIn(finished.low, inputs.set)} to ${writeSumIn(finished.high, inputs.set)}`,
      ...(cups === undefined ? [] : [`about ${many(cups, 'cup')}`]),
      pots === 0 ? 'no pot weighed yet' : `from your ${pots === 1 ? 'last pot' : `last ${pots} pots`}`,
    ].join(' · '),
    over: false,
    binds: typed.by === 'amount',
    bind: { by: 'amount', amount: typedMass(bound.finished, inputs.set) },
    why: finished.explanation,
  };
}

/** So much finished food, by weight or volume. */
export const amount: PlanBinding<{ readonly by: 'amount' } & Amount> = {
  key: 'amount',
  offer: 'as much as comes to',
  sentence: () => [{ text: 'amount', label: 'Finished food', size: 'amount' }],
  usual: (set) => ({ amount: set === 'us' ? '10 lb' : '5 kg' }),
  begins: () => ({}),
  read(typed, set) {
    const read = readAmount(typed.amount, set, 'amount', 'How much finished food? Write it like 5 kg, 11 lb or 4 L.');
    return read.ok ? fine({ by: 'amount', ...read.value }) : read;
  },
  wanted: (plan, own) => amountWanted(plan, own, 1, 'amount'),
  rows: (result, typed, inputs) => [finishedRow(result, typed, inputs)],
};
