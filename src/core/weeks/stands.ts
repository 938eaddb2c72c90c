import { addUp } from '../add-up';
import { nth } from '../sure';
import { busiestWeek, mostAWeek } from './drying';
import type { SolveMip } from './mip';
import { weeksModel, type Give } from './model';
import { freezingOf } from './play-limits';
import { segmentsOf, solveWeeks } from './solve';
import { candidatesOf, sourcesFor, type WeeksDog, type WeeksProblem } from './weeks';

/** What stands in the way by itself, before anything is solved. */
export type InTheWay =
  | { readonly is: 'nobody' }
  | { readonly is: 'no day' }
  | { readonly is: 'no recipe' }
  | { readonly is: 'no food for'; readonly dog: WeeksDog }
  | { readonly is: 'no freezer'; readonly litres: number; readonly taken: number }
  | { readonly is: 'too late'; readonly dog: WeeksDog; readonly lasts: number; readonly first: number };

/** One limit that could give, and by how much, so that the weeks work out. */
export type WayOut =
  | { readonly is: 'litres'; readonly by: number }
  | { readonly is: 'freezing'; readonly by: number }
  | { readonly is: 'minutes'; readonly on: readonly { readonly day: number; readonly by: number }[] }
  | { readonly is: 'days'; readonly on: readonly number[] }
  | { readonly is: 'cycles'; readonly name: string; readonly aWeek: number }
  | { readonly is: 'cover'; readonly to: number }
  | { readonly is: 'proteins' }
  | { readonly is: 'always'; readonly whose: readonly string[] }
  | { readonly is: 'said' };

/**
 * What cannot work whatever is cooked: nobody to feed, no day, no recipe, a dog that may eat nothing, a freezer without room, food that
 * is gone before the first pot. Takes the problem; returns all of it. Source: arithmetic.
 */
export function inTheWay(problem: WeeksProblem): InTheWay[] {
  const { dogs, recipes, freezer, days } = problem;
  const hungry = dogs.filter(({ needs }) => needs.some((kcal) => kcal > 0));
  if (hungry.length === 0) return [{ is: 'nobody' }];
  const candidates = candidatesOf(problem);
  const found: InTheWay[] = [];
  if (recipes.length === 0) found.push({ is: 'no recipe' });
  if (candidates.length === 0) found.push({ is: 'no day' });
  for (const dog of hungry)
    if (recipes.length > 0 && sourcesFor(problem, dog).length === 0) found.push({ is: 'no food for', dog });
  const smallest = Math.min(...recipes.map(({ grams }) => grams)) / 1000;
  if (freezer && freezer.litres <= 0 && recipes.length > 0 && smallest > 0)
    found.push({ is: 'no freezer', litres: freezer.litres, taken: freezer.taken });
  const firstNew = candidates[0]?.from ?? days;
  for (const dog of hungry) {
    const own = sourcesFor(problem, dog).filter(({ key }) => problem.stock.some((group) => group.key === key));
    let has = addUp(own, ({ key }) => problem.stock.find((group) => group.key === key)?.kcal ?? 0);
    const lasts = dog.needs.findIndex((need) => (has -= need) < -1);
    if (lasts !== -1 && lasts < firstNew && dog.needs.slice(0, firstNew).some((kcal) => kcal > 0))
      found.push({ is: 'too late', dog, lasts, first: firstNew });
  }
  return found;
}

/** Seconds that the search for one way out may take. */
const SECONDS = 4;

/**
 * Which single limit would have to give, and by how much at least, so that everything else can be kept. Each way is solved whole before
 * it is offered. Takes a problem that nothing solves, and whoever solves. Source: arithmetic (elastic rows, one limit at a time).
 */
export function waysOut(problem: WeeksProblem, solve: SolveMip, seconds: number = SECONDS): WayOut[] {
  const works = (other: WeeksProblem) => solveWeeks(other, solve, seconds).answer !== undefined;
  const giving = (give: Give, of: WeeksProblem = problem) => {
    const model = weeksModel(of, segmentsOf(of), give);
    const columns = new Set(
      [model.gives.litres, model.gives.proteins, ...model.gives.minutes].filter((each) => each !== undefined),
    );
    const found = solve(
      { ...model.mip, cost: model.mip.cost.map((_, column) => (columns.has(column) ? 1 : 0)) },
      { seconds, gap: 0.01 },
    );
    return { model, values: found.values };
  };
  const ways: WayOut[] = [];
  if (problem.said.length + problem.without.length > 0 && works({ ...problem, said: [], without: [] }))
    ways.push({ is: 'said' });

  const { freezer } = problem;
  if (freezer) {
    const { model, values } = giving({ litres: 1 });
    const least = values && model.gives.litres !== undefined ? nth(values, model.gives.litres) : undefined;
    // Whole packs ask for a little more than the outline does.
    for (
      let by = Math.max(1, Math.ceil((least ?? Infinity) - 1e-6)), tries = 0;
      Number.isFinite(by) && tries < 3;
      by = Math.ceil(by * 1.15), tries++
    )
      if (works({ ...problem, freezer: { ...freezer, litres: Math.max(0, freezer.litres) + by } })) {
        ways.push({ is: 'litres', by });
        break;
      }
  }
  if (freezer) {
    const faster = { ...problem, freezer: { ...freezer, gramsADay: Infinity } };
    const { answer } = solveWeeks(faster, solve, seconds);
    if (answer) ways.push({ is: 'freezing', by: Math.max(...freezingOf(faster, answer).map(({ by }) => by)) / 1000 });
  }
  for (const { equipmentId, hours, cyclesAWeek, grams, name } of problem.dryers) {
    const most = mostAWeek(hours);
    if (cyclesAWeek >= most || grams <= 0) continue;
    const more = problem.dryers.map((each) =>
      each.equipmentId === equipmentId ? { ...each, cyclesAWeek: most } : each,
    );
    const { answer } = solveWeeks({ ...problem, dryers: more }, solve, seconds);
    if (answer) ways.push({ is: 'cycles', name, aWeek: busiestWeek(answer.cooks, equipmentId) });
  }
  const more = giving({ minutes: 1 });
  if (more.values) {
    const open = candidatesOf(problem).filter(({ said }) => !said);
    const on = open.flatMap(({ day }, at) => {
      const column = more.model.gives.minutes[at];
      const by = column === undefined ? 0 : Math.ceil(nth(more.values ?? [], column) / 5) * 5;
      return by > 0 ? [{ day, by }] : [];
    });
    const longer = problem.cookable.map((each) => ({
      ...each,
      minutes: each.minutes + (on.find(({ day }) => day === each.day)?.by ?? 0),
    }));
    if (on.length > 0 && works({ ...problem, cookable: longer })) ways.push({ is: 'minutes', on });
  }
  const days = moreDays(problem, solve, seconds);
  if (days && works({ ...problem, cookable: [...problem.cookable, ...days] }))
    ways.push({ is: 'days', on: days.map(({ day }) => day) });
  for (let to = problem.cover - 1; to >= 0; to--)
    if (works({ ...problem, cover: to })) {
      ways.push({ is: 'cover', to });
      break;
    }
  if (works({ ...problem, proteinDays: undefined, proteinsAFortnight: 0 })) ways.push({ is: 'proteins' });
  const always = problem.dogs.filter(({ apart }) => apart);
  if (
    always.length > 0 &&
    works({ ...problem, dogs: problem.dogs.map((dog) => ({ ...dog, eats: dog.apart?.orElse ?? dog.eats })) })
  )
    ways.push({ is: 'always', whose: always.map(({ name }) => name) });
  return ways;
}

/** The fewest days more on which the cook would have to cook, each as long as on the longest day. */
function moreDays(problem: WeeksProblem, solve: SolveMip, seconds: number) {
  const minutes = Math.max(180, ...problem.cookable.map((each) => each.minutes));
  const known = new Set([...problem.cookable, ...problem.said].map(({ day }) => day));
  const others = Array.from({ length: problem.days }, (_, day) => ({ day, minutes })).filter(
    ({ day }) => !known.has(day),
  );
  const all = { ...problem, cookable: [...problem.cookable, ...others] };
  const model = weeksModel(all, segmentsOf(all));
  const added = new Set(model.candidates.flatMap(({ day }, at) => (known.has(day) ? [] : [nth(model.cooked, at)])));
  const { values } = solve(
    { ...model.mip, cost: model.mip.cost.map((_, column) => (added.has(column) ? 1 : 0)) },
    { seconds, gap: 0, within: 0.9 },
  );
  const on =
    values &&
    model.candidates.filter((_, at) => added.has(nth(model.cooked, at)) && nth(values, nth(model.cooked, at)) > 0.5);
  return on && on.length > 0 ? on.map(({ day }) => ({ day, minutes })) : undefined;
}
