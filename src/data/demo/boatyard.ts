import 'server-only';
import { addDays, dayIn, instantAt, type LocalDate } from '@/core/calendar/local-date';
import { dayEnergy } from '@/core/dog/day-energy';
import { projectedWeight } from '@/core/dog/growth';
import { cautionOf } from '@/core/dog/stage';
import { mealsOn } from '@/core/dog/meals';
import { grams } from '@/core/quantity/units';
import { sharesOf } from '@/core/portion/shares';
import { plainPlan } from '@/core/plan/plan-entry';
import { linesOfWeights } from '@/core/recipe/bases';
import { bowlPart, drawMeal, fitFor, inOrderOfUse } from '@/core/stock/draw';
import { contextFor, type Context } from '../commands/run';
import { weighBatch } from '../commands/batches';
import { startCooking } from '../commands/start-batch';
import { cookBatch } from '../commands/cook-day';
import { setShares } from '../commands/shares';
import { feedBowl } from '../commands/bowls';
import { saveDog, seeCaution } from '../commands/dogs';
import { addAvoid, addBowlLine } from '../commands/keeping';
import { weighCup } from '../commands/rations';
import { reportIntake } from '../commands/weigh-ins';
import { saveEquipment, savePlace } from '../commands/kitchen';
import { savePlan } from '../commands/plans';
import { sealShare } from '../commands/packs';
import { saveTrays } from '../commands/trays';
import { saveRecipe } from '../commands/recipes';
import { discardPacks, putPacks } from '../commands/stock';
import { saveSupply } from '../commands/supplies';
import type { Database, Tx } from '../database';
import type { Reference } from '../reference/reference';
import { readBatch, type WeighedBatch } from '../repositories/batches';
import { readDogs } from '../repositories/dogs';
import { changeHousehold, readHousehold, readPlaces } from '../repositories/household';
import { readPlannedLines } from '../repositories/planned';
import { readStock } from '../repositories/stock';
import { readWarmShares, sourceOf, warmSourceOf } from '../repositories/sources';
import { weighIn } from '../schema/dogs';
import { freezeRest, shopFor } from './market';
import { writeDemoDiary } from './diary';
import { DOGS, EQUIPMENT, RECIPES, SUPPLIES } from './cast';
import { nth, sure } from '@/core/sure';
import { addUp } from '@/core/add-up';

/**
 * The boatyard cottage: three made-up dogs, three recipes, five weeks with four pots: one of pollock whose last day is in
 * the freezer, one of venison that was eaten up, one of goat that was mostly freeze-dried, and the venison of this week. It
 * is played through the same commands that the application uses, with the days counted back from `now`.
 */
export async function loadDemo(db: Database, reference: Reference, now: Date): Promise<void> {
  await db.transaction(async (tx) => {
    const { timeZone, unitSet } = await readHousehold(tx);
    await changeHousehold(tx, { unitSet, unitsSaid: true, kwhMinor: 31 });
    const today = dayIn(now, timeZone);
    const at = (days: number, clock: string) =>
      contextFor(tx, reference, instantAt(addDays(today, days), clock, timeZone));

    await storeDogs(tx, await at(-42, '09:00'), today);
    const recipeIds: number[] = [];
    const kitchen = await at(-41, '18:00');
    for (const entry of EQUIPMENT) await saveEquipment(kitchen, { entry });
    const freezer = sure((await readPlaces(tx)).find((place) => place.kind === 'freezer'));
    await savePlace(kitchen, { ...freezer, size: '60 L' });
    for (const entry of SUPPLIES) await saveSupply(await at(-41, '19:00'), { entry });
    for (const entry of RECIPES) recipeIds.push((await saveRecipe(await at(-40, '10:00'), { entry })).recipeId);
    const dogIds = (await readDogs(tx)).map((dog) => dog.id);

    const [venisonId, pollockId, goatId] = [nth(recipeIds, 0), nth(recipeIds, 1), nth(recipeIds, 2)];
    const grown = dogIds.slice(0, 2);

    // Four days of fish for the grown dogs, a month ago: eaten from its supper to a breakfast, the last of the days frozen.
    const pollock = await cook(at, tx, -31, { recipeId: pollockId, dogIds: grown, days: 4 }, { gross: 0.9 });
    const oneDay = pollock.whole.net / 4;
    await divide(at, -31, pollock, { today: Math.round(oneDay / 2), fridge: Math.round(oneDay * 2.5) });
    await sealWet(at, tx, -31, pollock.id);
    for (let days = -31; days <= -29; days++) await feedDay(at, tx, days, now, -31, grown);
    const { now: afterBreakfast } = await at(-28, '08:00');
    await feedDay(at, tx, -28, afterBreakfast, -31, grown);
    await throwCrumbs(await at(-28, '09:00'), pollock.id);

    // A pot that was eaten up in two days: it taught what the next one comes to.
    const first = await cook(at, tx, -17, { recipeId: venisonId, dogIds, days: 2 }, { gross: 0.86 });
    await divide(at, -17, first, { today: 1250, fridge: Math.round(first.whole.net) - 1250 });
    await sealWet(at, tx, -17, first.id);
    for (let days = -17; days <= -15; days++) await feedDay(at, tx, days, now, -17);
    await throwCrumbs(await at(-13, '09:00'), first.id);

    const goat = await cook(at, tx, -13, { recipeId: goatId, dogIds, days: 7 }, { gross: 0.85 });
    await divide(at, -13, goat, { dry: Math.round(goat.whole.net * 0.8) });
    await sealWet(at, tx, -13, goat.id);
    await freezeDry(at, tx, goat.id);

    for (let days = -6; days < COOK_DAY; days++) await feedDay(at, tx, days, now);

    const venison = await cook(at, tx, COOK_DAY, { recipeId: venisonId, dogIds, days: 7 }, { gross: 0.88 });
    await divide(at, COOK_DAY, venison, { today: 1250, fridge: 7700 });
    await sealWet(at, tx, COOK_DAY, venison.id);

    for (let days = COOK_DAY; days <= 0; days++) await feedDay(at, tx, days, now, COOK_DAY);
    await keepNotes(await at(-1, '19:00'), nth(recipeIds, 0));
    const otto = sure((await readDogs(tx)).find(({ name }) => name === 'Otto'));
    await writeDemoDiary(at, otto.id);
  });
}

/** What the household knows about its dogs beside figures: what is not for them, what goes into their bowls. */
async function keepNotes(context: Context, recipeId: number): Promise<void> {
  const { tx, today } = context;
  await weighCup(context, { recipeId, grams: 240 });
  for (const dog of await readDogs(tx)) {
    if (cautionOf(dog, today)) await seeCaution(context, { dogId: dog.id });
    const notes = sure(DOGS.find((each) => each.name === dog.name));
    const slotId = sure(dog.slots.find((slot) => slot.name === 'supper')).id;
    if (notes.avoids)
      await addAvoid(context, { dogId: dog.id, entry: { ...notes.avoids, tryAgainOn: addDays(today, 110) } });
    for (const line of notes.bowl ?? []) {
      await addBowlLine(context, {
        dogId: dog.id,
        entry: { ...line, perKg: '', bands: [], kcal: '', by: 'flat', slotId },
      });
    }
    if (!notes.adultKg) {
      const [from, to] = [addDays(today, -41), addDays(today, -7)];
      await reportIntake(context, { dogId: dog.id, from, to, kcal: Math.round(dayEnergy(dog, today).kcal) });
    }
  }
}

/** The day, counted from today, on which the venison was cooked: its first warm supper. */
const COOK_DAY = -3;

type At = (days: number, clock: string) => Promise<Context>;

async function storeDogs(tx: Tx, context: Context, today: LocalDate): Promise<void> {
  for (const dog of DOGS) {
    const birthDate = addDays(today, -dog.ageDays);
    const { dogId } = await saveDog(context, {
      entry: {
        ...dog,
        birthDate,
        weight: `${dog.kg - dog.gained} kg`,
        expectedAdultWeight: dog.adultKg ? `${dog.adultKg} kg` : '',
      },
    });
    for (const daysAgo of [35, 28, 21, 14, 7, 0]) {
      const ageDays = dog.ageDays - daysAgo;
      const then = dog.adultKg
        ? backwards(dog.kg, dog.adultKg, dog.ageDays, ageDays)
        : dog.kg - (dog.gained * daysAgo) / 42;
      // A bathroom scale and a dog that does not stand still: a little off, a little on.
      const off = dog.adultKg ? 0 : nth([0, 0.004, -0.005, 0.003, -0.002, 0.002], daysAgo / 7);
      const kg = daysAgo === 0 ? dog.kg : Math.round(then * (1 + off) * 10) / 10;
      await tx.insert(weighIn).values({
        dogId,
        day: addDays(today, -daysAgo),
        grams: kg * 1000,
        bodyCondition: daysAgo === 7 ? dog.bodyCondition : null,
        createdAt: context.now,
      });
    }
  }
}

/** The weight at an earlier age of a pup that now weighs `kg`, along the growth curve of core, found by bisection. */
function backwards(kg: number, adultKg: number, ageNow: number, ageThen: number): number {
  let [low, high] = [0.3, kg];
  for (let step = 0; step < 40; step++) {
    const middle = (low + high) / 2;
    const reached = projectedWeight({ grams: grams(middle * 1000), ageDays: ageThen }, grams(adultKg * 1000), ageNow);
    if (reached < kg * 1000) low = middle;
    else high = middle;
  }
  return low;
}

async function weighedBatch(context: Context, batchId: number): Promise<WeighedBatch> {
  const found = await readBatch(context.tx, batchId, context.household.energyFactors);
  if (found?.state !== 'weighed') throw new Error('the demo batch is not weighed');
  return found;
}

async function cook(
  at: At,
  tx: Tx,
  days: number,
  of: { recipeId: number; dogIds: number[]; days: number },
  pot: { gross: number },
): Promise<WeighedBatch> {
  const context = await at(days, '11:00');
  const entry = plainPlan(of.recipeId, of.dogIds, context.today, {
    binding: { days: String(of.days) },
    seen: [
      ...context.reference.hazards.map((hazard) => hazard.id).slice(0, 30),
      ...of.dogIds.map((id) => `calcium-${id}`),
    ],
  });
  const batchId = nth((await savePlan(context, { entry })).batchIds, 0);
  const planned = sure(await readBatch(tx, batchId, context.household.energyFactors));
  const { written, bought, takes } = await readPlannedLines(tx, context.reference, planned);
  await shopFor(await at(days, '10:00'), takes);
  await startCooking(context, { batchId, grams: takes.map((take) => Math.round(take.bought)) });
  const inPot = addUp(linesOfWeights(written, bought), (line) => line.grams);
  const net = Math.round(inPot * pot.gross);
  const vessels = [
    { name: 'stockpot', gross: grams(Math.round(net * 0.62) + 2140), tare: grams(2140) },
    { name: 'casserole', gross: grams(net - Math.round(net * 0.62) + 1865), tare: grams(1865) },
  ];
  const cooked = sure(await readBatch(tx, batchId, context.household.energyFactors));
  if (cooked.state === 'planned') throw new Error('the demo batch did not start');
  for (const load of cooked.day.loads)
    if (load.asked)
      await cookBatch(await at(days, '12:15'), {
        batchId,
        of: { act: 'core', load: load.key, celsius: 78 + load.load },
      });
  for (const { line, grams: mass } of cooked.day.stirIns)
    await cookBatch(await at(days, '13:40'), {
      batchId,
      of: { act: 'stir in', line, grams: mass, when: 'before weighing' },
    });
  for (const { key } of cooked.day.loads)
    await cookBatch(await at(days, '13:50'), { batchId, of: { act: 'pan', load: key, celsius: 5 } });
  const evening = await at(days, '14:00');
  await freezeRest(evening);
  await weighBatch(evening, { batchId, weighing: { by: 'scale', vessels }, eatenBefore: 0 });
  return weighedBatch(evening, batchId);
}

async function divide(
  at: At,
  days: number,
  batch: WeighedBatch,
  split: { today?: number; fridge?: number; dry?: number },
): Promise<void> {
  const today = split.today ?? 0;
  const fridge = split.fridge ?? 0;
  const dry = split.dry ?? 0;
  const freezer = Math.round(batch.whole.net) - today - fridge - dry;
  await setShares(await at(days, '15:00'), {
    batchId: batch.id,
    shares: sharesOf({ today, fridge, freezer, dry }),
  });
}

async function freezeDry(at: At, tx: Tx, batchId: number): Promise<void> {
  const start = await at(-13, '18:00');
  const loaded = await weighedBatch(start, batchId);
  const share = sure(loaded.shares.find((each) => each.fate === 'dry'));
  const solids = nth(loaded.yields, 0).solidsPerGram;
  const count = Math.ceil(share.grams / 1400);
  const trays = Array.from({ length: count }, (_, index) => {
    const wet = Math.floor(share.grams / count) - (index % 2);
    const tare = 602 + index * 3;
    return { tare, wetGross: tare + wet, dryGross: tare + Math.round((wet * solids) / 0.97) };
  });
  await saveTrays(start, {
    batchId,
    shareId: share.id,
    trays: trays.map(({ tare, wetGross }) => ({ tare, wetGross })),
  });
  const done = await at(-11, '08:00');
  await saveTrays(done, { batchId, shareId: share.id, trays });
  await sealShare(done, { batchId, shareId: share.id });
}

async function sealWet(at: At, tx: Tx, day: number, batchId: number): Promise<void> {
  const context = await at(day, '16:00');
  for (const share of (await weighedBatch(context, batchId)).shares) {
    if (share.fate !== 'today' && share.fate !== 'dry') await sealShare(context, { batchId, shareId: share.id });
  }
}

/**
 * Feeds every meal of a day whose time has come; on the day before today, packs for today are moved to the fridge. A pot
 * that was cooked at noon is fed from its first supper on.
 */
async function feedDay(
  at: At,
  tx: Tx,
  days: number,
  now: Date,
  cookDay?: number,
  dogIds?: readonly number[],
): Promise<void> {
  for (const clock of ['07:30', '12:30', '18:00']) {
    const context = await at(days, clock);
    if (context.now > now) return;
    if (days === cookDay && clock !== '18:00') continue;
    for (const dog of await readDogs(tx)) {
      if (dogIds && !dogIds.includes(dog.id)) continue;
      const meal = mealsOn(dog, context.today).find((each) => each.clock === clock);
      if (!meal) continue;
      const warm = await readWarmShares(tx, context.today, context.household.energyFactors);
      const packs = (await readStock(tx)).filter((pack) => pack.placeKind !== 'freezer');
      const ready = inOrderOfUse(
        [...warm.map((each) => warmSourceOf(each)), ...packs.map((pack) => sourceOf(pack))],
        context.today,
      );
      const { drawn } = drawMeal(meal.kcal, fitFor(ready, dog.id));
      if (drawn.length === 0) continue;
      await feedBowl(context, { dogId: dog.id, slotId: meal.id, day: context.today, parts: drawn.map(bowlPart) });
    }
  }
  if (days === -1) await thawForToday(await at(days, '20:00'), tx);
}

/** What a pot leaves in the fridge when its days are over, and its last crumbs, are thrown, and it says so. */
async function throwCrumbs(context: Context, batchId: number): Promise<void> {
  for (const pack of await readStock(context.tx))
    if (
      (pack.placeKind === 'fridge' || pack.dogId === undefined) &&
      pack.contents.some((content) => content.batchId === batchId)
    )
      await discardPacks(context, { holdingIds: [pack.holdingId], why: 'crumbs' });
}

async function thawForToday(context: Context, tx: Tx): Promise<void> {
  const fridge = sure((await readPlaces(tx)).find((place) => place.kind === 'fridge'));
  const frozen = (await readStock(tx))
    .filter((pack) => pack.placeKind === 'freezer' && pack.recipeName.startsWith('Venison'))
    .slice(0, 2);
  if (frozen.length > 0)
    await putPacks(context, { holdingIds: frozen.map((pack) => pack.holdingId), placeId: fridge.id });
}
