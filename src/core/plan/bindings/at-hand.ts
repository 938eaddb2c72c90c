import { fine, refused } from '../../problem';
import { typedMass, writeFixed, writeMassIn, writeSumIn } from '../../quantity/write';
import type { PlanInputs } from '../inputs';
import type { PlanResult } from '../result';
import { readWeight } from '../typed-amount';
import type { PlanBinding, Typed } from './binding';
import type { BindingRow } from './row';
import { nth, sure } from '../../sure';

/** The line that weighs most, or the one that binds. */
function atHandRow({ batches }: PlanResult, typed: Typed, { set }: PlanInputs): BindingRow {
  const all = batches.flatMap((batch, index) => batch.takes.map((take) => ({ batch, index, take })));
  const heaviest = all.reduce((best, each) => (each.take.grams > best.take.grams ? each : best), nth(all, 0));
  const bound = all.find((each) => each.index === typed.batch && each.take.place === typed.line);
  const { batch, index, take } = typed.by === 'at hand' ? (bound ?? heaviest) : heaviest;
  const mass = sure(batch.amounts[take.place]);
  const { of } = take;
  const name = of.text;
  return {
    key: 'at hand',
    label: name,
    said: writeSumIn(mass, set),
    ...(set !== 'us' && take.measure ? { note: take.measure } : {}),
    over: false,
    binds: typed.by === 'at hand',
    bind: { by: 'at hand', batch: index, line: take.place, atHand: typedMass(mass, set) },
    why: {
      title: `${writeSumIn(mass, set)} of ${name}`,
      steps: [
        { what: 'in the recipe as written', sum: writeMassIn(of.grams, set) },
        {
          what: 'bound to',
          sum: of.basis === 'batch' ? `the batch, × ${writeFixed(batch.bound.at.scale, 4)}` : of.basis,
        },
        { what: 'to be bought', sum: writeMassIn(mass, set) },
      ],
      source: 'The recipe’s own amount, scaled with everything that it is bound to.',
    },
  };
}

interface AtHand {
  readonly by: 'at hand';
  readonly batch: number;
  readonly line: number;
  /** As bought. */
  readonly grams: number;
}

/** As much as one ingredient that is here allows. */
export const atHand: PlanBinding<AtHand> = {
  key: 'at hand',
  offer: 'from what is here:',
  sentence: () => [
    { text: 'atHand', label: 'How much is here', size: 'amount' },
    'of',
    { line: true, label: 'What is here' },
  ],
  usual: (set) => ({ atHand: set === 'us' ? '2 lb' : '1 kg' }),
  begins: () => ({}),
  read({ batch, line, atHand: here }) {
    const grams = readWeight(here, 'atHand', 'How much of it is there? Write it like 4.6 lb or 2 kg.');
    return grams.ok ? fine({ by: 'at hand', batch, line, grams: grams.value }) : grams;
  },
  wanted(plan, { batch, line, grams }) {
    if (!(grams > 0)) return refused('How much? A weight above 0.', 'atHand');
    const parts = plan.batches[batch]?.parts;
    const takes =
      parts &&
      [parts.perScale, parts.perDogDay, parts.perKgDay, ...parts.perLoad].some((own) => (own.bought[line] ?? 0) > 0);
    return takes
      ? fine({ wanted: grams, figure: (bound) => sure(nth(bound.batches, batch).figures.bought[line]) })
      : refused('This plan takes none of it. Choose another line.', 'line');
  },
  rows: (result, typed, inputs) => [atHandRow(result, typed, inputs)],
};
