import 'server-only';
import { eq } from 'drizzle-orm';
import { dayEnergy } from '@/core/dog/day-energy';
import { rationOn, type Ration } from '@/core/dog/dog';
import { readMeals, type MealsEntry } from '@/core/dog/meals-entry';
import { readOtherwise, type OtherwiseEntry } from '@/core/dog/otherwise-entry';
import { readRationEntry, type RationEntry } from '@/core/dog/ration-entry';
import type { SchoolEntry } from '@/core/dog/schools/school';
import { readSchool, type SchoolKind } from '@/core/dog/schools/schools';
import { knownSchool, mealSlot, ration, rationSlot } from '../schema/dogs';
import { recipe } from '../schema/recipes';
import { keepFoodFacts, readFoodFacts } from '../repositories/food-facts';
import { dogIn, usualSlots } from './dog-at-hand';
import { Refusal, refuse, type Context } from './run';
import { nth, sure } from '@/core/sure';

/** Writes a ration down; the ones before it stay in the history. */
export async function storeRation(
  { tx, now }: Context,
  dogId: number,
  asked: Ration,
  reason: string,
): Promise<{ rationId: number }> {
  const [made] = await tx
    .insert(ration)
    .values({
      dogId,
      from: asked.from,
      work: asked.work,
      proneToGain: asked.proneToGain,
      method: asked.method,
      goalGrams: asked.goal ?? null,
      extras: asked.extras,
      transition: asked.transition ?? null,
      reason: reason.trim() || null,
      createdAt: now,
    })
    .returning({ id: ration.id });
  const rationId = sure(made).id;
  if (asked.meals) {
    await tx.insert(rationSlot).values(
      asked.meals.map(({ slotId, fraction, recipeId }) => ({
        rationId,
        slotId,
        fraction,
        recipeId: recipeId ?? null,
      })),
    );
  }
  return { rationId };
}

/** Sets how a dog's day is reckoned, from a day on. */
export async function setRation(
  context: Context,
  input: { dogId: number; entry: RationEntry },
): Promise<{ rationId: number }> {
  const { tx, today, household } = context;
  const dog = await dogIn(context, input.dogId);
  const foods = await readFoodFacts(tx);
  const read = readRationEntry(input.entry, dog, { set: household.unitSet, today, foods });
  if (!read.ok) throw new Refusal(...read.problems);
  const current = rationOn(dog, read.value.from);
  return storeRation(context, dog.id, { ...current, ...read.value }, input.entry.reason);
}

/** Sets the meals of a dog's day from today: how many, when, how large, and of which recipe. */
export async function setMeals(context: Context, input: { dogId: number; entry: MealsEntry }): Promise<void> {
  const { tx, today } = context;
  const dog = await dogIn(context, input.dogId);
  const read = readMeals(input.entry);
  if (!read.ok) throw new Refusal(...read.problems);
  const current = rationOn(dog, today);
  const slots = await usualSlots(context, dog.id, dog.slots);
  if (!read.value) {
    await storeRation(context, dog.id, { ...current, from: today, meals: undefined }, 'the usual meals for its age');
    return;
  }
  const meals: { slotId: number; fraction: number; recipeId: number | undefined }[] = [];
  for (const meal of read.value) {
    // A slot is told by its name: renaming makes another meal, so that old bowls keep theirs.
    const known = slots.find((slot) => slot.name === meal.name);
    if (known && known.clock !== meal.clock) {
      await tx.update(mealSlot).set({ clock: meal.clock }).where(eq(mealSlot.id, known.id));
    }
    const slotId =
      known?.id ??
      nth(
        await tx
          .insert(mealSlot)
          .values({ dogId: dog.id, name: meal.name, clock: meal.clock, position: 0 })
          .returning({ id: mealSlot.id }),
        0,
      ).id;
    if (meal.recipeId !== undefined) await needRecipe(context, meal.recipeId);
    meals.push({ slotId, fraction: meal.fraction, recipeId: meal.recipeId });
  }
  await storeRation(context, dog.id, { ...current, from: today, meals }, 'its meals changed');
}

async function needRecipe({ tx }: Context, recipeId: number): Promise<void> {
  const [found] = await tx.select({ id: recipe.id }).from(recipe).where(eq(recipe.id, recipeId));
  if (!found) refuse('This recipe is not here any more.');
}

/** Sets what a dog gets beside the pot, from today: bought food, treats, toppers, and a change of food. */
export async function setOtherwise(context: Context, input: { dogId: number; entry: OtherwiseEntry }): Promise<void> {
  const { today } = context;
  const dog = await dogIn(context, input.dogId);
  const read = readOtherwise(input.entry, today, dayEnergy(dog, today).kcal);
  if (!read.ok) throw new Refusal(...read.problems);
  const current = rationOn(dog, today);
  const running = current.transition;
  const asked = read.value.transition;
  // A change of food that is under way keeps its first day.
  const transition = asked && running && running.from === asked.from ? { ...asked, starts: running.starts } : asked;
  const extras = [...read.value.extras];
  await storeRation(context, dog.id, { ...current, from: today, extras, transition }, 'what it eats otherwise changed');
}

/** Keeps what a label prints, or what was fed before, to lay it beside the other schools. */
export async function keepSchool(
  context: Context,
  input: { dogId: number; kind: SchoolKind; school: SchoolEntry },
): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  const read = readSchool(input.kind, input.school, context.household.unitSet);
  if (!read.ok) throw new Refusal(...read.problems.map((each) => ({ ...each, field: `school.${each.field}` })));
  await context.tx
    .insert(knownSchool)
    .values({ dogId: dog.id, kind: input.kind, school: read.value })
    .onConflictDoUpdate({ target: [knownSchool.dogId, knownSchool.kind], set: { school: read.value } });
}

/** What one cup of a recipe's finished food weighs, in g. */
export async function weighCup(context: Context, input: { recipeId: number; grams: number }): Promise<void> {
  await needRecipe(context, input.recipeId);
  if (!(input.grams >= 50 && input.grams <= 400)) {
    refuse('A cup of food weighs from 50 to 400 g. Weigh it without the cup.', 'cup');
  }
  const { tx, reference, household } = context;
  await tx.update(recipe).set({ cupGrams: input.grams }).where(eq(recipe.id, input.recipeId));
  await keepFoodFacts(tx, reference, household.energyFactors, [input.recipeId]);
}
