import 'server-only';
import type { CannotBeRead } from '@/core/unreadable';
import { addDays, daysBetween, type LocalDate } from '@/core/calendar/local-date';
import { writeAge } from '@/core/dog/ages';
import { dayEnergy, weightOn, type DayEnergy } from '@/core/dog/day-energy';
import { rationOn } from '@/core/dog/dog';
import type { DogEntry } from '@/core/dog/entry';
import type { FoodFacts } from '@/core/dog/food-facts';
import { partsOn } from '@/core/dog/meals';
import { proposalFor, type Proposal } from '@/core/dog/proposal';
import { isGrowing } from '@/core/dog/stage';
import { TREND_WEEKS } from '@/core/dog/trend';
import type { Hazard } from '@/core/recipe/hazards';
import type { UnitSet } from '@/core/quantity/units';
import { writeNumber, writeWeight } from '@/core/quantity/write';
import { pageQuery } from '@/data/page';
import { readDog, readDogs, type StoredDog, WEIGHED_DAYS } from '@/data/repositories/dogs';
import { readAnswers, readIntake, readReports, type StoredIntake } from '@/data/repositories/eaten';
import { readLatestPots } from '@/data/repositories/batches';
import { readFoodFacts } from '@/data/repositories/food-facts';
import { sure } from '@/core/sure';

export interface DogRow {
  readonly id: number;
  readonly name: string;
  readonly badge: number;
  readonly letters: string;
  readonly said: string;
  readonly energy: DayEnergy;
}

const inWords = (dog: StoredDog, today: LocalDate, set: UnitSet) =>
  [
    writeAge(dog.birthDate, today),
    writeWeight(weightOn(dog, today), set),
    dog.neutered ? 'neutered' : 'entire',
    dayEnergy(dog, today).because,
  ].join(' · ');

export interface DogsView {
  readonly rows: readonly DogRow[];
  readonly archived: readonly { readonly id: number; readonly name: string }[];
  readonly unread: readonly CannotBeRead[];
}

export const dogsView = pageQuery(async ({ db, today, household }): Promise<DogsView> => {
  const dogs = await readDogs(db, 'archived too');
  return {
    rows: dogs
      .filter((dog) => !dog.archived)
      .map((dog) => ({
        id: dog.id,
        name: dog.name,
        badge: dog.badge,
        letters: dog.letters,
        said: inWords(dog, today, household.unitSet),
        energy: dayEnergy(dog, today),
      })),
    unread: dogs.flatMap((dog) => dog.unread ?? []),
    archived: dogs.filter((dog) => dog.archived).map(({ id, name }) => ({ id, name })),
  };
});

export interface KnownRecipe {
  readonly recipeId: number;
  readonly facts: FoodFacts;
}

/** Everything that one dog's room shows; what follows from it is reckoned by core where it is shown. */
export interface DogView {
  readonly dog: StoredDog;
  readonly today: LocalDate;
  readonly set: UnitSet;
  readonly said: string;
  readonly recipes: readonly KnownRecipe[];
  /** The recipe that its day is shown in first. */
  readonly recipe: KnownRecipe | undefined;
  readonly proposal: Proposal;
  /** What only a vet may allow. */
  readonly forVets: readonly Hazard[];
  /** The proposal was left alone already, and nothing was weighed since. */
  readonly answered: boolean;
}

export const dogView = pageQuery(
  async ({ db, today, household, reference }, id: number, weighed?: 'lately'): Promise<DogView | undefined> => {
    const dog = await readDog(db, id, weighed && addDays(today, -WEIGHED_DAYS));
    if (!dog) return undefined;
    const facts = await readFoodFacts(db);
    const recipes = [...facts].map(([recipeId, each]) => ({ recipeId, facts: each }));
    const ration = rationOn(dog, today);
    // What the newest pot was of is what the dog is eating.
    const lately = [...(await readLatestPots(db))].sort(([, a], [, b]) => b - a)[0]?.[0];
    const own = ration.method.kind === 'school' ? ration.method.food : undefined;
    const slotRecipe = partsOn(dog, today).find((part) => part.recipeId !== undefined)?.recipeId;
    const eaten = await readIntake(db, dog, addDays(today, -7 * TREND_WEEKS - 7), today);
    const proposal = proposalFor(dog, today, eaten, household.unitSet);
    const [lastAnswer] = await readAnswers(db, id);
    const lastWeighed = sure(dog.weighIns.at(-1)).date;
    return {
      dog,
      today,
      set: household.unitSet,
      said: inWords(dog, today, household.unitSet),
      recipes,
      recipe:
        recipes.find((recipe) =>
          own?.recipeId === undefined ? recipe.facts.name === own?.name : recipe.recipeId === own.recipeId,
        ) ??
        recipes.find((recipe) => recipe.recipeId === slotRecipe) ??
        recipes.find((recipe) => recipe.recipeId === lately) ??
        recipes.find((recipe) => recipe.facts.measured) ??
        recipes[0],
      proposal,
      forVets: reference.hazards.filter((hazard) => hazard.level === 'vet'),
      answered: lastAnswer?.answer === 'ignored' && lastAnswer.day >= lastWeighed && lastAnswer.said === proposal.said,
    };
  },
);

export interface DogHistory {
  readonly reports: readonly StoredIntake[];
  readonly entries: readonly {
    readonly key: string;
    readonly day: LocalDate;
    readonly title: string;
    readonly said: string;
  }[];
}

/** What was in force when, and why, newest first; with what was proposed and left alone. */
export const dogHistory = pageQuery(async ({ db }, id: number): Promise<DogHistory> => {
  const dog = await readDog(db, id);
  if (!dog) return { reports: [], entries: [] };
  const rations = dog.rations.map((ration) => {
    // Reckoned on its first day, with the weight of that day.
    const energy = dayEnergy({ ...dog, rations: [ration] }, ration.from);
    return {
      key: `ration-${ration.id}`,
      day: ration.from,
      at: ration.createdAt.getTime(),
      title: `${writeNumber(energy.kcal, 0)} kcal a day, ${energy.because}`,
      said: ration.reason ?? '',
    };
  });
  const ignored = (await readAnswers(db, id))
    .filter((answer) => answer.answer === 'ignored')
    .map((answer) => ({
      key: `answer-${answer.id}`,
      day: answer.day,
      at: answer.createdAt.getTime(),
      title: `Left at ${writeNumber(answer.fromKcal, 0)} kcal`,
      said: answer.said,
    }));
  const entries = [...rations, ...ignored].sort((a, b) => b.day.localeCompare(a.day) || b.at - a.at);
  return { reports: await readReports(db, id), entries };
});

export interface DogForm {
  readonly id: number | undefined;
  readonly set: UnitSet;
  readonly today: LocalDate;
  readonly entry: DogEntry;
  readonly badge: number;
  readonly curve: StoredDog | undefined;
}

const NEW_DOG: DogEntry = {
  name: '',
  birthDate: '',
  weight: '',
  neutered: true,
  work: 'none',
  proneToGain: false,
  expectedAdultWeight: '',
  meals: '',
};

/** The form of a new dog. */
export const newDogForm = pageQuery(async ({ db, today, household }): Promise<DogForm> => {
  const dogs = await readDogs(db, 'archived too');
  return { id: undefined, set: household.unitSet, today, entry: NEW_DOG, badge: dogs.length, curve: undefined };
});

/** The form of a stored dog, filled with what is in force; undefined where there is none. */
export const dogForm = pageQuery(async ({ db, today, household }, id: number): Promise<DogForm | undefined> => {
  const dog = await readDog(db, id);
  if (!dog) return undefined;
  const ration = rationOn(dog, today);
  const last = sure(dog.weighIns.at(-1));
  const set = household.unitSet;
  const current = isGrowing(dog, today) && daysBetween(last.date, today) > 0 ? weightOn(dog, today) : last.grams;
  return {
    id,
    set,
    today,
    badge: dog.badge,
    entry: {
      name: dog.name,
      birthDate: dog.birthDate,
      weight: writeWeight(current, set),
      neutered: dog.neutered,
      work: ration.work,
      proneToGain: ration.proneToGain,
      expectedAdultWeight: dog.expectedAdultWeight ? writeWeight(dog.expectedAdultWeight, set) : '',
      meals: ration.meals ? String(ration.meals.length) : '',
    },
    curve: dog,
  };
});

/** The groups of the food table, to name one that a dog does not get. */
export const foodGroups = pageQuery(async ({ reference }): Promise<string[]> => {
  return [...new Set([...reference.foods.values()].map((food) => food.group))]
    .filter((group) => group !== 'Water')
    .sort();
});
