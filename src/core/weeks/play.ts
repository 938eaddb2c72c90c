import { addUp } from '../add-up';
import { sure } from '../sure';
import {
  candidatesOf,
  needOn,
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
  readonly what: 'unfed' | 'litres' | 'freezing' | 'date' | 'cover' | 'minutes' | 'run' | 'fortnight' | 'day';
  readonly day: number;
  readonly dogId?: number;
  readonly by?: number;
}

export interface PlayedWeeks {
  readonly days: readonly PlayedDay[];
  /** Of each dog's days, the day on which what it eats was cooked; -1: it lies in the store already; undefined: nothing. */
  readonly cookedOn: Readonly<Record<number, readonly (number | undefined)[]>>;
  readonly broken: readonly Broken[];
}

/** A pot, or a kind of packs that was there, and what of it is left. */
interface Pile {
  readonly madeOn: number;
  readonly last: number;
  readonly frozenPerKcal: number;
  kcal: number;
}

/** kcal by which a day may fall short: sums of a solver are not exact. */
const CRUMB = 1;

/**
 * Lives the weeks day by day: every pot is a pile from which the oldest is eaten first, every evening the freezer is looked into. Says
 * all that does not hold. It knows nothing of how the answer was found. Takes the problem and an answer. Source: arithmetic.
 */
export function playWeeks(problem: WeeksProblem, answer: Pick<WeeksAnswer, 'cooks' | 'eats'>): PlayedWeeks {
  const { days, dogs, recipes, stock, freezer } = problem;
  const broken: Broken[] = [];
  const piles = new Map<string, Pile[]>(
    stock.map(({ key, kcal, last, frozenGrams }) => [
      key,
      [{ madeOn: -1, last, frozenPerKcal: frozenGrams / kcal, kcal }],
    ]),
  );
  for (const { day, pots } of answer.cooks)
    for (const { recipeId, potfuls } of pots) {
      const recipe = sure(recipes.find((each) => each.recipeId === recipeId));
      const own = piles.get(recipeKey(recipeId)) ?? [];
      own.push({
        madeOn: day,
        last: day + problem.keepsDays,
        frozenPerKcal: recipe.grams / recipe.kcal,
        kcal: recipe.kcal * potfuls,
      });
      piles.set(
        recipeKey(recipeId),
        own.sort((a, b) => a.madeOn - b.madeOn),
      );
    }
  /** Of each day, the pots that feed it: when the latest of them was cooked, and kcal by pile. */
  const fedBy = Array.from({ length: days }, () => ({ latest: -1, from: new Map<Pile, number>() }));
  const cookedOn: Record<number, (number | undefined)[]> = Object.fromEntries(
    dogs.map(({ dogId }) => [dogId, Array.from({ length: days }, () => undefined)]),
  );
  for (let day = 0; day < days; day++)
    for (const dog of dogs) {
      let open = dog.needs[day] ?? 0;
      if (open <= 0) continue;
      const key = answer.eats[dog.dogId]?.[day];
      const may = sourcesFor(problem, dog).some((source) => source.key === key);
      for (const pile of may && key !== undefined ? (piles.get(key) ?? []) : []) {
        const takes = Math.min(open, pile.kcal);
        if (takes <= 0) continue;
        if (pile.last < day) broken.push({ what: 'date', day, dogId: dog.dogId });
        pile.kcal -= takes;
        open -= takes;
        const fed = sure(fedBy[day]);
        fed.latest = Math.max(fed.latest, pile.madeOn);
        sure(cookedOn[dog.dogId])[day] = pile.madeOn;
        fed.from.set(pile, (fed.from.get(pile) ?? 0) + takes);
        if (pile.madeOn >= day) broken.push({ what: 'unfed', day, dogId: dog.dogId });
        if (open <= CRUMB) break;
      }
      if (open > CRUMB) broken.push({ what: 'unfed', day, dogId: dog.dogId, by: open });
    }
  return {
    cookedOn,
    days: Array.from({ length: days }, (_, day) => ({
      litres: litresOn(day, piles, fedBy, freezer?.taken ?? 0),
      cover: coverOn(day, problem, piles, fedBy),
    })),
    broken: [...broken, ...limitsBroken(problem, answer, piles, fedBy), ...dishesBroken(problem, answer)],
  };
}

type FedBy = readonly { readonly latest: number; readonly from: ReadonlyMap<Pile, number> }[];
type Piles = ReadonlyMap<string, readonly Pile[]>;

function litresOn(day: number, piles: Piles, fedBy: FedBy, taken: number): number {
  let grams = taken * 1000;
  for (const pile of [...piles.values()].flat()) {
    if (pile.madeOn > day) continue;
    // What is left at the end, and what is eaten from the day after tomorrow on.
    const later = addUp(fedBy.slice(day + 2), ({ from }) => from.get(pile) ?? 0);
    grams += (pile.kcal + later) * pile.frozenPerKcal;
  }
  return grams / 1000;
}

function coverOn(day: number, problem: WeeksProblem, piles: Piles, fedBy: FedBy): number {
  const missing = fedBy.findIndex(({ latest }, other) => other > day && latest > day);
  if (missing !== -1) return missing - day - 1;
  const need = needOn(problem, problem.days - 1);
  const left = addUp([...piles.values()].flat(), ({ kcal }) => kcal);
  return problem.days - 1 - day + (need > 0 ? Math.floor(left / need + 1e-6) : 0);
}

/** g of each cook day that are not eaten while the fridge keeps them, and go into the freezer. */
export function freezingOf(
  { recipes, dogs, fridgeDays }: WeeksProblem,
  { cooks, eats }: Pick<WeeksAnswer, 'cooks' | 'eats'>,
): { readonly day: number; readonly by: number }[] {
  return cooks.map(({ day, pots }) => ({
    day,
    by: addUp(pots, ({ recipeId, potfuls }) => {
      const recipe = sure(recipes.find((each) => each.recipeId === recipeId));
      const soon = addUp(dogs, ({ dogId, needs }) =>
        addUp(needs.slice(day + 1, day + fridgeDays + 1), (need, later) =>
          eats[dogId]?.[day + 1 + later] === recipeKey(recipeId) ? need : 0,
        ),
      );
      return Math.max(0, potfuls * recipe.kcal - soon) * (recipe.grams / recipe.kcal);
    }),
  }));
}

function limitsBroken(
  problem: WeeksProblem,
  answer: Pick<WeeksAnswer, 'cooks' | 'eats'>,
  piles: Piles,
  fedBy: FedBy,
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
      by > freezer.gramsADay * Math.max(1, problem.fridgeDays) + 5
    )
      broken.push({ what: 'freezing', day, by: by / 1000 });
  for (let day = 0; day < days; day++) {
    // A freezer that was overfull before may stay so until it is eaten down.
    const room = freezer ? Math.max(freezer.litres, before) : Infinity;
    const litres = litresOn(day, piles, fedBy, freezer?.taken ?? 0);
    if (litres > room + 0.005) broken.push({ what: 'litres', day, by: litres - room });
    // From the first day on which the cook can; what is there beyond the last day is asked for as a whole.
    if (day >= first && day + cover < days && coverOn(day, problem, piles, fedBy) < Math.max(1, cover))
      broken.push({ what: 'cover', day });
  }
  return broken;
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
