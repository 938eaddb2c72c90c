// Six weeks of three dogs and four recipes, thirty made-up households: how near the best, and beside cooking as it comes.
import { register } from 'node:module';
import loadHighs from 'highs';
import { entry } from './measure.mjs';

register('../scripts/typescript.mjs', import.meta.url);
const { solveWeeks, SECONDS } = await import('../src/core/weeks/solve.ts');
const { highsSolver } = await import('../src/core/weeks/highs-mip.ts');
const { playWeeks } = await import('../src/core/weeks/play.ts');
const { usualWeeks } = await import('../src/core/weeks/usual.ts');
const { seededWeeks } = await import('../tests/fixtures/weeks.ts');

const CASES = 30;
const NEAR = 0.05;
const round = (value) => Number(value.toFixed(3));
const mean = (values) => values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * `near` is the part of the cases that end in time within 5 % of the best; `gap` their mean and the worst. `cook_days` and `litres` are
 * beside the usual way, as ratios: the mean and the worst case. The usual way keeps neither proteins nor always everybody fed.
 */
export async function weeksSix() {
  const solve = highsSolver(await loadHighs());
  const times = [];
  const cases = [];
  for (let seed = 1; seed <= CASES; seed++) {
    const problem = seededWeeks(seed);
    const began = performance.now();
    const { answer } = solveWeeks(problem, solve, SECONDS);
    times.push(performance.now() - began);
    if (!answer) {
      cases.push({ gap: 1 });
      continue;
    }
    const usual = usualWeeks(problem);
    const litres = (cooked) => Math.max(...playWeeks(problem, cooked).days.map((day) => day.litres));
    cases.push({
      gap: answer.gap,
      broken: playWeeks(problem, answer).broken.length,
      usualUnfed: playWeeks(problem, usual).broken.filter(({ what }) => what === 'unfed').length > 0,
      cookDays: answer.cooks.length / Math.max(1, usual.cooks.length),
      litres: litres(answer) / litres(usual),
    });
  }
  const solved = cases.filter((each) => each.cookDays !== undefined);
  const fair = solved.filter((each) => !each.usualUnfed);
  const worst = (of) => round(Math.max(...fair.map(of)));
  return [
    {
      ...entry('weeks-6', CASES, times),
      near: round(cases.filter(({ gap }, index) => gap <= NEAR && times[index] <= SECONDS * 1100).length / CASES),
      gap: round(mean(solved.map(({ gap }) => gap))),
      worst_gap: round(Math.max(...cases.map(({ gap }) => gap))),
      broken: solved.reduce((sum, { broken }) => sum + broken, 0),
      cook_days: round(mean(fair.map(({ cookDays }) => cookDays))),
      worst_cook_days: worst(({ cookDays }) => cookDays),
      litres: round(mean(fair.map(({ litres }) => litres))),
      worst_litres: worst(({ litres }) => litres),
      compared: fair.length,
    },
  ];
}
