import { addUp } from '../add-up';
import type { DryMethod } from '../preserve/methods';
import type { KeepsDays } from '../preserve/shelf-life';

/** A dog of some weeks: what it needs on each of them, and what it may eat. Day 0 is today. */
export interface WeeksDog {
  /** The dog's, or that of its meals which eat for themselves (`apartId`). */
  readonly dogId: number;
  readonly name: string;
  /** kcal of home-cooked food a day; 0 where it is away or fed otherwise. */
  readonly needs: readonly number[];
  /** The recipes that it may eat. */
  readonly eats: readonly number[];
  /** Of meals that are always of one recipe: what they are called, and the recipes that they might be of else. */
  readonly apart?: { readonly meal: string; readonly orElse: readonly number[] };
}

/** A recipe as whole potfuls. */
export interface WeeksRecipe {
  readonly recipeId: number;
  readonly name: string;
  /** The word of its protein. */
  readonly protein: string;
  /** kcal and g of finished food in a full potful, as predicted. */
  readonly kcal: number;
  readonly grams: number;
  /** Minutes at the stove for one potful. */
  readonly minutes: number;
  /** Money of one potful on each day, in minor units; undefined: nobody knows. */
  readonly costOn: readonly number[] | undefined;
  /** It may be cooked anew; false: it stands here for what is planned already. */
  readonly offered: boolean;
  /** g as bought of each food in one potful, by its key. */
  readonly takes: Readonly<Record<string, number>>;
  /** Days after the cook day that the fridge keeps it, and the freezer at its best. */
  readonly fridgeDays: KeepsDays;
  readonly freezerDays: number;
  /** Known to hold so little fat that a dehydrator may dry it. */
  readonly lean: boolean;
}

/** A dryer of the kitchen, and how much of it may be counted on. */
export interface WeeksDryer {
  readonly equipmentId: number;
  readonly name: string;
  readonly method: DryMethod;
  /** g of wet food that a cycle takes. */
  readonly grams: number;
  /** Hours from one load to the next, and until the machine is free. */
  readonly hours: number;
  readonly freeIn: number;
  /** Cycles in any seven days at most; 0: it is not counted on. */
  readonly cyclesAWeek: number;
  /** Days after the cook day through which dried food is good. */
  readonly keepsDays: number;
  /** Electricity of a cycle in minor units; undefined: nobody knows. */
  readonly costACycle: number | undefined;
}

/** Packs of one kind that are in store. */
export interface StockGroup {
  readonly key: string;
  readonly protein: string;
  readonly dogIds: readonly number[];
  readonly kcal: number;
  /** g of it that lie in the freezer; 0: it lies elsewhere. */
  readonly frozenGrams: number;
  /** The last day on which it is good. */
  readonly last: number;
}

/** An ingredient that is at hand. */
export interface WeeksLot {
  readonly key: string;
  readonly grams: number;
  readonly last: number;
  /** Minor units that all of it is worth; undefined: nobody knows. */
  readonly worth: number | undefined;
}

export const WISHES = ['fewest cook days', 'least cost', 'freshest', 'most varied'] as const;
export type Wish = (typeof WISHES)[number];

/** A day on which the cook can, with the minutes at the stove. */
export interface CookableDay {
  readonly day: number;
  readonly minutes: number;
}

/** What the cook, or a kept plan, has said of a day; the rest is solved around it. */
export interface SaidOfDay {
  readonly day: number;
  /** Exactly these potfuls; undefined: nothing is cooked. */
  readonly pots: readonly { readonly recipeId: number; readonly potfuls: number }[] | undefined;
}

export interface WeeksProblem {
  readonly days: number;
  readonly dogs: readonly WeeksDog[];
  readonly recipes: readonly WeeksRecipe[];
  readonly stock: readonly StockGroup[];
  readonly lots: readonly WeeksLot[];
  readonly cookable: readonly CookableDay[];
  readonly said: readonly SaidOfDay[];
  /** A protein that nobody gets on some days. */
  readonly without: readonly { readonly protein: string; readonly from: number; readonly to: number }[];
  /** L of all freezers, and of them what other things take; undefined: nobody has said how large they are. */
  readonly freezer: { readonly litres: number; readonly taken: number; readonly gramsADay: number } | undefined;
  readonly dryers: readonly WeeksDryer[];
  /** Days that everybody is always provided for. */
  readonly cover: number;
  /** Days in a row of one protein at most; undefined: as many as it comes to. */
  readonly proteinDays: number | undefined;
  /** Proteins in any fortnight at least. */
  readonly proteinsAFortnight: number;
  /** In the order in which they count. */
  readonly wishes: readonly Wish[];
}

/** A pot of an answer, and g of it that go into each dryer. */
export interface WeeksPot {
  readonly recipeId: number;
  readonly potfuls: number;
  readonly dried?: readonly { readonly equipmentId: number; readonly grams: number }[] | undefined;
}

/** What is cooked on a day, and in how many cycles some of it is dried from then on. */
export interface WeeksCook {
  readonly day: number;
  readonly pots: readonly WeeksPot[];
  readonly cycles?: readonly { readonly equipmentId: number; readonly cycles: number }[] | undefined;
}

/** Potfuls to a tenth: what is in a pot already may be a part of one. */
export const toTenth = (potfuls: number): number => Math.round(potfuls * 10) / 10;

/** Potfuls of the pots of a cook day, to a tenth. */
export const potfulsIn = (pots: readonly Pick<WeeksPot, 'potfuls'>[]): number =>
  toTenth(addUp(pots, ({ potfuls }) => potfuls));

/** Potfuls of some cook days, to a tenth. */
export const potfulsOf = (cooks: readonly Pick<WeeksCook, 'pots'>[]): number =>
  potfulsIn(cooks.flatMap(({ pots }) => pots));

/** What is cooked, and what each dog eats on each day: a recipe `r3`, a group of the stock by its key, or nothing where it needs nothing. */
export interface WeeksAnswer {
  readonly cooks: readonly WeeksCook[];
  readonly eats: Readonly<Record<number, readonly (string | undefined)[]>>;
  /** kcal of each day that are eaten dried, by `dryKey`; absent: none. */
  readonly dryEaten?: Readonly<Record<string, readonly number[]>> | undefined;
  /** Part by which a cheaper answer could still be there, 0 to 1. */
  readonly gap: number;
}

export const recipeKey = (recipeId: number): string => `r${recipeId}`;
/** Packs of one protein for the same dogs, good through a day of the weeks. */
export const stockKey = (word: string, dogIds: readonly number[], last: number): string =>
  `s ${word} ${dogIds.join('+')} ${last}`;
/** The same packs so many days later; what is good to the end of the weeks or longer still is. Other keys stay. */
export const stockKeyLater = (key: string, days: number, over: number): string =>
  key.replace(/^(s .+ )(\d+)$/, (_, packs: string, last: string) =>
    Number(last) >= days - 1 ? `${packs}${last}` : `${packs}${Number(last) - over}`,
  );
/** What of a recipe a dryer dried. */
export const dryKey = (recipeId: number, equipmentId: number): string => `r${recipeId} d${equipmentId}`;

/** Days that the fridge keeps whatever of these recipes waits there: as long as the one that keeps the shortest. */
export const fridgeOfAll = ({ recipes }: Pick<WeeksProblem, 'recipes'>): KeepsDays =>
  recipes.reduce<KeepsDays | undefined>(
    (least, { fridgeDays }) => (least === undefined || fridgeDays < least ? fridgeDays : least),
    undefined,
  ) ?? (0 as KeepsDays);

/** kcal of all dogs on a day. */
export const needOn = ({ dogs }: Pick<WeeksProblem, 'dogs'>, day: number): number =>
  addUp(dogs, ({ needs }) => needs[day] ?? 0);

/** The proteins that can be cooked for a dog. */
export const proteinsCooked = ({ recipes }: Pick<WeeksProblem, 'recipes'>, dog: WeeksDog): ReadonlySet<string> =>
  new Set(
    recipes.filter(({ recipeId, offered }) => offered && dog.eats.includes(recipeId)).map(({ protein }) => protein),
  );

/** What a dog can be fed from: the recipes that it may eat and what of the stock is for it. */
export interface FeedSource {
  readonly key: string;
  readonly protein: string;
  readonly last: number;
}

export function sourcesFor({ recipes, stock, days }: WeeksProblem, dog: WeeksDog): FeedSource[] {
  return [
    ...recipes
      .filter(({ recipeId }) => dog.eats.includes(recipeId))
      .map(({ recipeId, protein }) => ({ key: recipeKey(recipeId), protein, last: days - 1 })),
    ...stock
      .filter(({ dogIds, kcal }) => kcal > 0 && dogIds.includes(dog.dogId))
      .map(({ key, protein, last }) => ({ key, protein, last })),
  ];
}

/** A cook day that may be: one on which the cook can, or one of which something was said. */
export interface Candidate extends CookableDay {
  readonly said: SaidOfDay | undefined;
  /** The first day on which what is cooked then is eaten: everybody stays provided for as many days as asked. */
  readonly from: number;
}

/**
 * The days that come into question, in order. What is cooked on the first of them may be eaten on the next day; of every later one what
 * it brings is not counted on before the days of cover are over, so that the stock never provides for fewer.
 */
export function candidatesOf({ cookable, said, cover, days }: WeeksProblem): Candidate[] {
  const byDay = new Map(cookable.filter(({ day }) => day < days).map((each) => [each.day, each]));
  for (const { day, pots } of said) if (pots && day < days && !byDay.has(day)) byDay.set(day, { day, minutes: 0 });
  const sorted = [...byDay.values()].sort((a, b) => a.day - b.day);
  const first = sorted[0]?.day ?? 0;
  return sorted.map(({ day, minutes }, index) => ({
    day,
    minutes,
    said: said.find((each) => each.day === day),
    from: index === 0 ? day + 1 : Math.max(first + 1, day + Math.max(1, cover)),
  }));
}
