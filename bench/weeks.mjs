// Six weeks of three dogs and four recipes, made-up households: how near the best, and beside cooking as it comes.
import { register } from 'node:module';
import loadHighs from 'highs';
import { entry } from './measure.mjs';

register('../scripts/typescript.mjs', import.meta.url);
const { solveWeeks, secondsFor, SECONDS } = await import('../src/core/weeks/solve.ts');
const { highsSolver } = await import('../src/core/weeks/highs-mip.ts');
const { playWeeks } = await import('../src/core/weeks/play.ts');
const { usualWeeks } = await import('../src/core/weeks/usual.ts');
const { FREEZE_DRYER, seededWeeks } = await import('../tests/fixtures/weeks.ts');

const CASES = 30;
/** With a dryer a household takes longer: fewer of them, each with this part of its litres, so that there is something to dry. */
const [DRY_CASES, LITTLE_ROOM] = [8, 0.7];
const NEAR = 0.05;
const round = (value) => Number(value.toFixed(3));
const mean = (values) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** One household of the seed: how long it took, how near the best it is, and what it comes to beside the usual way. */
function solved(solve, problem, seconds) {
  const began = performance.now();
  const { answer } = solveWeeks(problem, solve, seconds);
  const took = performance.now() - began;
  if (!answer) return { took, gap: 1, near: false };
  const usual = usualWeeks(problem);
  const litres = (cooked) => Math.max(...playWeeks(problem, cooked).days.map((day) => day.litres));
  return {
    took,
    gap: answer.gap,
    near: answer.gap <= NEAR && took <= seconds * 1100,
    broken: playWeeks(problem, answer).broken.length,
    isDried: answer.cooks.some(({ pots }) => pots.some(({ dried }) => dried !== undefined && dried.length > 0)),
    usualUnfed: playWeeks(problem, usual).broken.some(({ what }) => what === 'unfed'),
    cookDays: answer.cooks.length / Math.max(1, usual.cooks.length),
    litres: litres(answer) / litres(usual),
  };
}

/**
 * `near` is the part of the cases that end in time within 5 % of the best; `gap` their mean and the worst. `cook_days` and `litres` are
 * beside the usual way, as ratios: the mean and the worst case. The usual way keeps neither proteins nor always everybody fed.
 */
function said(name, cases) {
  const answered = cases.filter(({ cookDays }) => cookDays !== undefined);
  const fair = answered.filter(({ usualUnfed }) => !usualUnfed);
  const worst = (of) => round(Math.max(...fair.map(of)));
  return {
    ...entry(
      name,
      cases.length,
      cases.map(({ took }) => took),
    ),
    near: round(cases.filter(({ near }) => near).length / cases.length),
    gap: round(mean(answered.map(({ gap }) => gap))),
    worst_gap: round(Math.max(...cases.map(({ gap }) => gap))),
    broken: answered.reduce((sum, { broken }) => sum + broken, 0),
    cook_days: round(mean(fair.map(({ cookDays }) => cookDays))),
    worst_cook_days: worst(({ cookDays }) => cookDays),
    litres: round(mean(fair.map(({ litres }) => litres))),
    worst_litres: worst(({ litres }) => litres),
    compared: fair.length,
  };
}

const seeds = (count) => Array.from({ length: count }, (_, index) => index + 1);

export async function weeksSix() {
  const solve = highsSolver(await loadHighs());
  return [
    said(
      'weeks-6',
      seeds(CASES).map((seed) => solved(solve, seededWeeks(seed), SECONDS)),
    ),
  ];
}

/** The same with a freeze-dryer and less room, in the time that the room gives it; `dried` is the part of the cases that dry anything. */
export async function weeksDry() {
  const solve = highsSolver(await loadHighs());
  const cases = seeds(DRY_CASES).map((seed) => {
    const made = seededWeeks(seed);
    const freezer = { ...made.freezer, litres: Math.round(made.freezer.litres * LITTLE_ROOM) };
    const problem = { ...made, freezer, dryers: [FREEZE_DRYER] };
    return solved(solve, problem, secondsFor(problem));
  });
  return [{ ...said('weeks-dry', cases), dried: round(cases.filter(({ isDried }) => isDried).length / cases.length) }];
}
