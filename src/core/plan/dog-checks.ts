import { lifeStage } from '../dog/stage';
import { balanceOf } from '../nutrition/balance';
import { lowAtRation, tooMuchForPups } from '../nutrition/for-dogs';
import { rotationLines } from '../nutrition/rotation';
import type { ProfileId } from '../nutrition/profiles';
import { linesOfWeights } from '../recipe/bases';
import { namedDog } from '../recipe/preview';
import { answerPlan, type PlanAnswer } from './answer';
import type { PlanGround } from './ground';
import type { PlanEntry } from './plan-entry';

/** What a plan's food is for one dog, nutrient by nutrient. */
export interface DogCheck {
  readonly dogId: number;
  readonly name: string;
  readonly profile: string;
  readonly over: readonly string[];
  readonly short: readonly string[];
  /** Short as far as the table knows. */
  readonly perhaps: readonly string[];
  readonly unknown: readonly string[];
  /** Enough per 1000 kcal, too little because the dog eats little. */
  readonly low: readonly string[];
}

const profileFor = (stage: ReturnType<typeof lifeStage>['kind']): ProfileId =>
  stage === 'pup' || stage === 'gestation' || stage === 'lactation' ? 'aafco-growth' : 'aafco-adult';

/**
 * The balance of a plan dog by dog: one batch may feed a pup and an adult, and each is looked at by its own profile
 * and with the recipes in the parts in which it gets them.
 *
 * Source: AAFCO 2016, NRC 2006 (from memory); composition USDA SR 24.
 */
export function checkDogs(ground: PlanGround, answer: PlanAnswer): DogCheck[] {
  const { nutrients, profiles, pups } = ground.profiles;
  const profileOf = (id: ProfileId) => profiles.find((profile) => profile.id === id)!;
  const { firstDay, dogs } = answer.read;
  const lines = answer.dishes.map(({ read, amounts }) => linesOfWeights(read.written, amounts));
  return dogs.map((dog, index) => {
    const eaten = rotationLines(
      answer.dishes.map(({ read }, dish) => ({
        name: read.name,
        lines: lines[dish]!,
        days: answer.needs[index]!.byDish[dish]!,
      })),
      ground.factors,
    );
    const { kind } = lifeStage(dog, firstDay);
    const profile = profileOf(profileFor(kind));
    const balance = balanceOf(eaten, nutrients, profile, ground.factors);
    const named = namedDog(dog, firstDay);
    const of = (verdict: (typeof balance.rows)[number]['verdict']) =>
      balance.rows.filter((row) => row.verdict === verdict).map((row) => row.name);
    return {
      dogId: dog.id,
      name: dog.name,
      profile: profile.name,
      over: [...new Set([...of('over'), ...tooMuchForPups(balance, pups, [named]).map((each) => each.nutrient)])],
      short: of('short'),
      perhaps: of('perhaps'),
      unknown: of('unknown'),
      low: lowAtRation(balance, profileOf('nrc-adult'), [named]).map((each) => each.nutrient),
    };
  });
}

/** The dogs for whom a plan is the same, nutrient by nutrient: said once for all of them. */
export function alike(checks: readonly DogCheck[]): readonly (readonly DogCheck[])[] {
  const groups = new Map<string, DogCheck[]>();
  for (const check of checks) {
    const key = JSON.stringify({ ...check, dogId: 0, name: '' });
    groups.set(key, [...(groups.get(key) ?? []), check]);
  }
  return [...groups.values()];
}

/** What swapping foods changes: the weight of the food, and what each dog is short of or has too much of. */
export interface SwapEffect {
  /** The part by which the finished weight moves: 0.04 is 4 % more for the same energy. */
  readonly weight: number;
  readonly dogs: readonly {
    readonly name: string;
    readonly worse: readonly string[];
    readonly better: readonly string[];
  }[];
}

/** A plan beside itself without its swaps; undefined where it has none. Source: as the checks themselves. */
export function swapEffect(ground: PlanGround, entry: PlanEntry, answer: PlanAnswer): SwapEffect | undefined {
  if (entry.dishes.every((dish) => Object.keys(dish.swaps ?? {}).length === 0)) return undefined;
  const plain = answerPlan(ground, { ...entry, dishes: entry.dishes.map((dish) => ({ ...dish, swaps: {} })) });
  if (!plain.ok) return undefined;
  const [before, after] = [checkDogs(ground, plain.value), checkDogs(ground, answer)];
  const wrong = (check: DogCheck) => [
    ...check.over.map((nutrient) => `too much ${nutrient}`),
    ...check.short.map((nutrient) => `short of ${nutrient}`),
  ];
  return {
    weight: answer.bound.finished / plain.value.bound.finished - 1,
    dogs: after.map((check, index) => {
      const [was, is] = [wrong(before[index]!), wrong(check)];
      return {
        name: check.name,
        worse: is.filter((each) => !was.includes(each)),
        better: was.filter((each) => !is.includes(each)),
      };
    }),
  };
}
