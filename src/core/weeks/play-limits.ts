import { addUp } from '../add-up';
import { sure } from '../sure';
import { cyclesWithin, dryingOf, EVENING, mayDry } from './drying';
import {
  candidatesOf,
  fridgeOfAll,
  proteinsCooked,
  recipeKey,
  sourcesFor,
  type WeeksAnswer,
  type WeeksProblem,
} from './weeks';

/** What a played day comes to, on its evening. */
export interface PlayedDay {
  /** L that lie in the freezer; what is eaten tomorrow lies in the fridge. */
  readonly litres: number;
  /** Whole days after this one for which everybody is provided without cooking again. */
  readonly cover: number;
}

/** Something that the weeks do not keep. */
export interface Broken {
  readonly what:
    'unfed' | 'litres' | 'freezing' | 'drying' | 'date' | 'cover' | 'minutes' | 'run' | 'fortnight' | 'day';
  readonly day: number;
  readonly dogId?: number;
  readonly by?: number;
  /** It has something else to eat, which these weeks keep for another day. */
  readonly outOfTurn?: boolean;
}

/** g by which a load may be over: the same. */
const A_LITTLE = 5;

/** g of each cook day that are not eaten while the fridge keeps them, and go into the freezer. */
export function freezingOf(
  { recipes, dogs }: WeeksProblem,
  { cooks, eats, dryEaten = {} }: Pick<WeeksAnswer, 'cooks' | 'eats' | 'dryEaten'>,
): { readonly day: number; readonly by: number }[] {
  return cooks.map(({ day, pots }) => ({
    day,
    by: addUp(pots, ({ recipeId, potfuls, dried = [] }) => {
      const recipe = sure(recipes.find((each) => each.recipeId === recipeId));
      const { fridgeDays } = recipe;
      const soon = addUp(dogs, ({ dogId, needs }) =>
        addUp(needs.slice(day + 1, day + fridgeDays + 1), (need, later) =>
          eats[dogId]?.[day + 1 + later] === recipeKey(recipeId) ? need : 0,
        ),
      );
      const soonDry = addUp(Object.entries(dryEaten), ([key, kcal]) =>
        key.startsWith(`${recipeKey(recipeId)} `) ? addUp(kcal.slice(day + 1, day + fridgeDays + 1), (own) => own) : 0,
      );
      const driedGrams = addUp(dried, ({ grams }) => grams);
      return Math.max(0, (potfuls * recipe.kcal - soon + soonDry) * (recipe.grams / recipe.kcal) - driedGrams);
    }),
  }));
}

/** Every limit that an answer does not keep, day by day. Takes what was played beside what was answered. Source: arithmetic. */
export function limitsBroken(
  problem: WeeksProblem,
  answer: Pick<WeeksAnswer, 'cooks' | 'eats' | 'dryEaten'>,
  played: readonly PlayedDay[],
): Broken[] {
  const broken: Broken[] = [];
  const { cooks } = answer;
  const { freezer, recipes, cover, days, stock } = problem;
  const candidates = candidatesOf(problem);
  const first = candidates[0]?.day ?? days;
  const frozen = addUp(stock, ({ frozenGrams }) => frozenGrams) / 1000;
  const before = freezer ? freezer.taken + frozen : 0;
  for (const { day, pots } of cooks) {
    const own = candidates.find((each) => each.day === day);
    if (!own) broken.push({ what: 'day', day });
    const minutes = addUp(
      pots,
      ({ recipeId, potfuls }) => potfuls * sure(recipes.find((each) => each.recipeId === recipeId)).minutes,
    );
    if (own && !own.said && minutes > own.minutes + 1e-6)
      broken.push({ what: 'minutes', day, by: minutes - own.minutes });
  }
  for (const { day, by } of freezingOf(problem, answer))
    if (
      freezer &&
      !candidates.find((each) => each.day === day)?.said &&
      by > freezer.gramsADay * Math.max(1, fridgeOfAll(problem)) + 5
    )
      broken.push({ what: 'freezing', day, by: by / 1000 });
  for (let day = 0; day < days; day++) {
    // A freezer that was overfull before may stay so until it is eaten down.
    const room = freezer ? Math.max(freezer.litres, before) : Infinity;
    const { litres, cover: covered } = sure(played[day]);
    if (litres > room + 0.005) broken.push({ what: 'litres', day, by: litres - room });
    // From the first day on which the cook can; what is there beyond the last day is asked for as a whole.
    if (day >= first && day + cover < days && covered < Math.max(1, cover)) broken.push({ what: 'cover', day });
  }
  return [...broken, ...dryersBroken(problem, answer), ...dishesBroken(problem, answer)];
}

/** A dryer that would have to take more than it does, have more cycles than the household wants, or be at two loads at once. */
function dryersBroken(problem: WeeksProblem, { cooks }: Pick<WeeksAnswer, 'cooks'>): Broken[] {
  const { dryers, recipes } = problem;
  return dryers.flatMap((dryer) => {
    const { equipmentId, hours, freeIn, cyclesAWeek, grams } = dryer;
    const { readyIn } = dryingOf(dryer, fridgeOfAll(problem));
    const broken: Broken[] = [];
    // One load after the other, each from the evening of its cook day.
    let free = freeIn;
    for (const { day, pots, cycles = [] } of cooks) {
      const count = cycles.find((each) => each.equipmentId === equipmentId)?.cycles ?? 0;
      const own = pots.flatMap((pot) =>
        (pot.dried ?? []).flatMap((each) => (each.equipmentId === equipmentId ? [{ ...pot, mass: each.grams }] : [])),
      );
      const over = addUp(own, ({ mass }) => mass) - count * grams;
      if (over > A_LITTLE) broken.push({ what: 'drying', day, by: over / 1000 });
      for (const { recipeId, potfuls, mass } of own) {
        const recipe = sure(recipes.find((each) => each.recipeId === recipeId));
        if (mass > potfuls * recipe.grams + A_LITTLE || !mayDry(dryer, recipe))
          broken.push({ what: 'drying', day, by: mass / 1000 });
      }
      if (cyclesWithin(cooks, equipmentId, day, day + 6) > cyclesAWeek) broken.push({ what: 'drying', day });
      if (count === 0) continue;
      free = Math.max(free, day * 24 + EVENING) + count * hours;
      if (free > (day + readyIn) * 24) broken.push({ what: 'drying', day });
    }
    return broken;
  });
}

/** One protein for too long, or too few of them in a fortnight, once something new is there to be eaten. */
function dishesBroken(problem: WeeksProblem, { eats }: Pick<WeeksAnswer, 'eats'>): Broken[] {
  const { days, dogs, proteinDays, proteinsAFortnight } = problem;
  const firstNew = candidatesOf(problem)[0]?.from ?? days;
  return dogs.flatMap((dog) => {
    const sources = sourcesFor(problem, dog);
    const had = (eats[dog.dogId] ?? []).map((key) => sources.find((source) => source.key === key)?.protein);
    const possible = proteinsCooked(problem, dog);
    if (possible.size < 2) return [];
    const broken: Broken[] = [];
    let run = 0;
    for (let day = firstNew; day < days; day++) {
      run = had[day] !== undefined && day > firstNew && had[day] === had[day - 1] ? run + 1 : 1;
      if (proteinDays !== undefined && had[day] !== undefined && run > proteinDays)
        broken.push({ what: 'run', day, dogId: dog.dogId });
    }
    for (let from = firstNew; from + 14 <= days; from += 7) {
      const some = new Set(had.slice(from, from + 14).filter((word) => word !== undefined));
      if (some.size > 0 && some.size < Math.min(proteinsAFortnight, possible.size))
        broken.push({ what: 'fortnight', day: from, dogId: dog.dogId });
    }
    return broken;
  });
}
