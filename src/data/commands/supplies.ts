import 'server-only';
import { eq } from 'drizzle-orm';
import { readSupply, type SupplyEntry } from '@/core/food/supply-entry';
import { measureSchema } from '@/core/food/measures';
import { bulkOf } from '@/core/quantity/units';
import { readScale } from '@/core/quantity/typed';
import { keepFoodFacts } from '../repositories/food-facts';
import { readPantry, readRecipeNames } from '../repositories/pantry';
import { additionSetting, ownMeasure, supply } from '../schema/recipes';
import { need, Refusal, refuse, type Context } from './run';
import { sure } from '@/core/sure';

/** Stores a label, new or corrected. What was cooked with it keeps the label of its day. */
export async function saveSupply(
  { tx, now, reference, household }: Context,
  input: { id?: number; entry: SupplyEntry },
): Promise<{ supplyId: number }> {
  const read = readSupply(input.entry);
  if (!read.ok) throw new Refusal(...read.problems);
  const { name, label } = read.value;
  if (input.id === undefined) {
    const [made] = await tx.insert(supply).values({ name, label, createdAt: now }).returning({ id: supply.id });
    return { supplyId: sure(made).id };
  }
  const changed = await tx.update(supply).set({ name, label }).where(eq(supply.id, input.id)).returning();
  if (changed.length === 0) refuse('This supply is not here any more.');
  // What recipes of it hold is known anew.
  await keepFoodFacts(tx, reference, household.energyFactors);
  return { supplyId: input.id };
}

/** Remembers what one measure of a food weighs in this kitchen; weighed again, the new weight holds. */
export async function saveMeasure(
  { tx, now, reference, household }: Context,
  input: { ndb: string; unit: string; weight: string },
): Promise<{ grams: number }> {
  const known = (await readPantry(tx, reference)).knownOf(input.ndb);
  const isRecipe = (await readRecipeNames(tx)).some((each) => `R${each.id}` === input.ndb);
  if (!known && !isRecipe) refuse('Choose a food first.', 'ndb');
  const weight = Number(need(readScale(input.weight, 'asked', household.unitSet)));
  const read = measureSchema.safeParse({ unit: input.unit, grams: weight });
  if (!read.success) {
    const field = read.error.issues[0]?.path[0];
    return refuse(field === 'unit' ? 'Of what?' : 'A weight above 0.', field === 'unit' ? 'unit' : 'weight');
  }
  const { unit, grams } = read.data;
  await tx
    .insert(ownMeasure)
    .values({ foodKey: input.ndb, unit, grams, createdAt: now })
    .onConflictDoUpdate({ target: [ownMeasure.foodKey, ownMeasure.unit], set: { grams, createdAt: now } });
  return { grams };
}

/** Whether something may be proposed in this household, up to how much, and at what price a kg, or a lb in a US household. */
export async function setAddition(
  { tx, reference, household }: Context,
  input: { key: string; allowed: boolean; cap: string; price: string },
): Promise<void> {
  if (!(await readPantry(tx, reference)).knownOf(input.key)) refuse('Choose a food from the table.', 'key');
  const { unitSet } = household;
  const cap = readScale(input.cap, 'zero', unitSet);
  if (!cap.ok) return refuse(cap.problem.message, 'cap');
  const typed = input.price.trim().replace(',', '.');
  const price = typed === '' ? undefined : /^\d{1,6}(\.\d{1,4})?$/.test(typed) ? Number(typed) : NaN;
  if (Number.isNaN(price)) refuse(`A price for one ${bulkOf(unitSet).unit}, 0 or more.`, 'price');
  const row = {
    allowed: input.allowed,
    cap: input.cap.trim() === '' ? null : cap.value,
    pricePerKg: price === undefined ? null : Math.round((price * 100 * 1000) / bulkOf(unitSet).grams),
  };
  await tx
    .insert(additionSetting)
    .values({ foodKey: input.key, ...row })
    .onConflictDoUpdate({ target: additionSetting.foodKey, set: row });
}
