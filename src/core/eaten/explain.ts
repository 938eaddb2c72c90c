import { addUp } from '../add-up';
import type { Explanation } from '../explanation';
import type { BalanceRow } from '../nutrition/balance';
import { countOf } from '../quantity/count-words';
import { writeKcal, writeNumber, writeNutrient } from '../quantity/write';
import type { EatenDay } from './days';

/** What part of its energy a dog got, by the days of which all is known; undefined: of none. */
export const partOfEnergy = (days: readonly EatenDay[]): number | undefined => {
  const known = days.filter(({ kcal }) => kcal !== undefined);
  const need = addUp(known, (day) => day.need);
  return need > 0 ? addUp(known, ({ kcal }) => kcal ?? 0) / need : undefined;
};

/** Where the part of its energy comes from: what it got on each known day over what its ration asked for. */
export function whyEnergy(days: readonly EatenDay[]): Explanation {
  const known = days.filter(({ kcal }) => kcal !== undefined);
  const [got, need] = [addUp(known, ({ kcal }) => kcal ?? 0), addUp(known, (day) => day.need)];
  const part = partOfEnergy(days);
  return {
    title: part === undefined ? 'Of no day all is known' : `${writeNumber(part * 100, 0)} % of its energy`,
    steps: [
      { what: `eaten on ${countOf(known.length, 'day')} of which all is known`, sum: `${writeKcal(got)} kcal` },
      { what: 'asked for by its ration on these days', sum: `${writeKcal(need)} kcal` },
      ...(part === undefined
        ? []
        : [{ what: 'part', sum: `${writeKcal(got)} ÷ ${writeKcal(need)} = ${writeNumber(part * 100, 0)} %` }]),
      {
        what: 'left out',
        sum: `${countOf(days.length - known.length, 'day')} on which a meal was not pressed, or of something whose kcal nobody knows`,
      },
    ],
    source: 'Its bowls less what was left, what it got besides, and the days that you reported; its ration.',
  };
}

/** So many lines are said one by one; the rest together. */
const SAID = 6;

/** Where a nutrient of what was eaten comes from: the lines that bring it, most first. */
export function whyNutrient({ name, unit, amount, coverage, lines }: BalanceRow, profile: string): Explanation {
  const said = lines.slice(0, SAID);
  const rest = addUp(lines.slice(SAID), (line) => line.amount);
  const write = (value: number) => `${writeNutrient(value)} ${unit}`;
  return {
    title: amount === undefined ? `${name}: not known` : `${write(amount)} of ${name} in 1000 kcal`,
    steps: [
      ...said.map((line) => ({ what: line.text, sum: write(line.amount) })),
      ...(rest > 0 ? [{ what: `${countOf(lines.length - SAID, 'other line')} together`, sum: write(rest) }] : []),
      { what: 'has a value for it', sum: `${writeNumber(coverage * 100, 0)} % of the weight` },
    ],
    source: `Each pot by the kcal that were eaten of it; composition of USDA SR 24 and of labels; limits of ${profile}.`,
  };
}
