import { addUp } from '../add-up';
import { sure } from '../sure';
import { dryingOf } from './drying';
import { limitsBroken, type Broken, type PlayedDay } from './play-limits';
import {
  dryKey,
  fridgeOfAll,
  needOn,
  recipeKey,
  sourcesFor,
  type WeeksAnswer,
  type WeeksPot,
  type WeeksProblem,
} from './weeks';

export interface PlayedWeeks {
  readonly days: readonly PlayedDay[];
  /** Of each dog's days, the day on which what it eats was cooked; -1: it lies in the store already; undefined: nothing. */
  readonly cookedOn: Readonly<Record<number, readonly (number | undefined)[]>>;
  /** Of each dog's days, the part of what it eats that a dryer dried, 0 to 1, and which one did. */
  readonly dried: Readonly<Record<number, readonly (EatenDry | undefined)[]>>;
  readonly broken: readonly Broken[];
}

export interface EatenDry {
  readonly part: number;
  readonly equipmentId: number;
}

/** A pot, a part of one that is dried, or a kind of packs that was there, and what of it is left. */
interface Pile {
  readonly madeOn: number;
  /** The first day on which it may be eaten, where it is dried. */
  readonly dry?: { readonly key: string; readonly equipmentId: number; readonly readyOn: number };
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
export function playWeeks(
  problem: WeeksProblem,
  answer: Pick<WeeksAnswer, 'cooks' | 'eats' | 'dryEaten'>,
): PlayedWeeks {
  const { days, dogs, stock, freezer } = problem;
  const broken: Broken[] = [];
  const piles = new Map<string, Pile[]>(
    stock.map(({ key, kcal, last, frozenGrams }) => [
      key,
      [{ madeOn: -1, last, frozenPerKcal: frozenGrams / kcal, kcal }],
    ]),
  );
  for (const cook of answer.cooks)
    for (const pot of cook.pots) {
      const key = recipeKey(pot.recipeId);
      piles.set(
        key,
        [...(piles.get(key) ?? []), ...pilesOf(problem, cook.day, pot)].sort((x, y) => x.madeOn - y.madeOn),
      );
    }
  /** Of each day, the pots that feed it: when the latest of them was cooked, and kcal by pile. */
  const fedBy = Array.from({ length: days }, () => ({ latest: -1, from: new Map<Pile, number>() }));
  const cookedOn: Record<number, (number | undefined)[]> = Object.fromEntries(
    dogs.map(({ dogId }) => [dogId, Array.from({ length: days }, () => undefined)]),
  );
  const dried: Record<number, (EatenDry | undefined)[]> = Object.fromEntries(
    dogs.map(({ dogId }) => [dogId, Array.from({ length: days }, () => undefined)]),
  );
  for (let day = 0; day < days; day++) {
    /** kcal that are eaten dried on the day, by what was dried where. */
    const asDry = new Map(Object.entries(answer.dryEaten ?? {}).map(([key, kcal]) => [key, kcal[day] ?? 0]));
    for (const dog of dogs) {
      const need = dog.needs[day] ?? 0;
      let open = need;
      if (open <= 0) continue;
      const key = answer.eats[dog.dogId]?.[day];
      const may = sourcesFor(problem, dog).some((source) => source.key === key);
      const take = (pile: Pile, most: number) => {
        const takes = Math.min(open, pile.kcal, most);
        if (takes <= 0) return 0;
        if (pile.last < day) broken.push({ what: 'date', day, dogId: dog.dogId });
        pile.kcal -= takes;
        open -= takes;
        const fed = sure(fedBy[day]);
        fed.latest = Math.max(fed.latest, pile.madeOn);
        sure(cookedOn[dog.dogId])[day] = pile.madeOn;
        fed.from.set(pile, (fed.from.get(pile) ?? 0) + takes);
        if (pile.dry)
          sure(dried[dog.dogId])[day] = {
            equipmentId: pile.dry.equipmentId,
            part: (dried[dog.dogId]?.[day]?.part ?? 0) + takes / need,
          };
        else if (pile.madeOn >= day) broken.push({ what: 'unfed', day, dogId: dog.dogId });
        return takes;
      };
      const own = may && key !== undefined ? (piles.get(key) ?? []) : [];
      const dry = own.filter((pile) => pile.dry && pile.dry.readyOn <= day);
      for (const pile of dry) {
        const named = pile.dry?.key ?? '';
        const left = asDry.get(named) ?? 0;
        asDry.set(named, left - take(pile, left));
      }
      // What was to be eaten frozen is; only where there is none any more, something dried.
      for (const pile of [...own.filter((each) => !each.dry), ...dry]) {
        if (open <= CRUMB) break;
        take(pile, Infinity);
      }
      if (open > CRUMB) {
        // What these weeks keep for a later day is there all the same: then it eats out of turn, and not nothing.
        const others = sourcesFor(problem, dog)
          .filter((source) => source.key !== key)
          .flatMap((source) => piles.get(source.key) ?? [])
          .filter((pile) => pile.last >= day && pile.madeOn < day && (pile.dry?.readyOn ?? day) <= day);
        const isThere = addUp(others, ({ kcal }) => kcal) >= open - CRUMB;
        broken.push({ what: 'unfed', day, dogId: dog.dogId, by: open, ...(isThere ? { outOfTurn: true } : {}) });
      }
    }
  }
  const played = Array.from({ length: days }, (_, day) => ({
    litres: litresOn(day, piles, fedBy, freezer?.taken ?? 0),
    cover: coverOn(day, problem, piles, fedBy),
  }));
  return { cookedOn, dried, days: played, broken: [...broken, ...limitsBroken(problem, answer, played)] };
}

/** A pot as piles: what is frozen, and what each dryer dries of it. */
function pilesOf(problem: WeeksProblem, day: number, pot: WeeksPot): Pile[] {
  const { recipes, dryers } = problem;
  const { recipeId, potfuls, dried = [] } = pot;
  const recipe = sure(recipes.find((each) => each.recipeId === recipeId));
  const perKcal = recipe.grams / recipe.kcal;
  let open = recipe.kcal * potfuls;
  const dry = dried.flatMap(({ equipmentId, grams }): Pile[] => {
    const dryer = dryers.find((each) => each.equipmentId === equipmentId);
    const kcal = dryer ? Math.min(open, grams / perKcal) : 0;
    open -= kcal;
    return dryer && kcal > 0
      ? [
          {
            madeOn: day,
            dry: {
              key: dryKey(recipeId, equipmentId),
              equipmentId,
              readyOn: day + dryingOf(dryer, fridgeOfAll(problem)).readyIn,
            },
            last: day + dryer.keepsDays,
            frozenPerKcal: 0,
            kcal,
          },
        ]
      : [];
  });
  return [{ madeOn: day, last: day + recipe.freezerDays, frozenPerKcal: perKcal, kcal: open }, ...dry];
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
