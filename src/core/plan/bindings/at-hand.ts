import { fine, refused } from '../../problem';
import type { LocalDate } from '../../calendar/local-date';
import { typedMass, writeFixed, writeMassIn, writeNumber, writeSumIn } from '../../quantity/write';
import { inHouse } from '../../stock/lot';
import type { PlanInputs } from '../inputs';
import { lotsLeft } from '../promised';
import type { PlanResult } from '../result';
import { readWeight } from '../typed-amount';
import type { PlanBinding, Typed } from './binding';
import type { BindingRow } from './row';
import { nth, sure } from '../../sure';

/** g of a food that are in the house, good on the cook day and promised to no earlier pot; undefined: none is in the books, which is not to say that there is none. */
export function gramsInHouse(
  key: string,
  inputs: Pick<PlanInputs, 'lots' | 'promised' | 'planId' | 'today'>,
  cookDay: LocalDate,
): number | undefined {
  const { ready, frozen } = inHouse(key, lotsLeft(inputs, cookDay), cookDay, inputs.today);
  return ready + frozen > 0 ? ready + frozen : undefined;
}

/** The line that binds, else of those that are in the house, or of all, the one that weighs most. */
function atHandRow({ batches, read }: PlanResult, typed: Typed, inputs: PlanInputs): BindingRow {
  const { set } = inputs;
  const all = batches.flatMap((batch, index) =>
    batch.takes.map((take) => {
      const mass = sure(batch.amounts[take.place]);
      const house = gramsInHouse(take.of.source.food.ndb, inputs, read.cookDay);
      return { batch, index, take, mass, house, used: house === undefined ? 0 : mass / house };
    }),
  );
  const here = all.filter(({ house }) => house !== undefined);
  const first = [...(here.length > 0 ? here : all)].sort((a, b) => b.take.grams - a.take.grams)[0] ?? nth(all, 0);
  const bound = all.find((each) => each.index === typed.batch && each.take.place === typed.line);
  const { batch, index, take, mass, house, used } = typed.by === 'at hand' ? (bound ?? first) : first;
  const { of } = take;
  const name = of.text;
  return {
    key: 'at hand',
    label: name,
    said: writeSumIn(mass, set),
    ...(house === undefined
      ? set !== 'us' && take.measure
        ? { note: take.measure }
        : {}
      : { note: `${writeSumIn(house, set)} in the house`, used }),
    over: typed.by === 'at hand' && used > 1 + WHOLE_GRAMS,
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
        { what: 'goes into the pot, as bought', sum: writeMassIn(mass, set) },
        ...(house === undefined
          ? []
          : [
              {
                what: 'in the house, good on the cook day and for no other pot',
                sum: `${writeMassIn(house, set)}: ${writeNumber(used * 100, 0)} % of it`,
              },
            ]),
      ],
      source: 'The recipe’s own amount, scaled with everything that it is bound to.',
    },
  };
}

/** What a press writes in whole g may be more than there is by so much of it (ours, no source). */
const WHOLE_GRAMS = 0.001;

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
