import 'server-only';
import { eq, sql } from 'drizzle-orm';
import { proposePacks } from '@/core/portion/proposals';
import { keepingDates, type FoodKind, type PlaceKind } from '@/core/preserve/shelf-life';
import { grams, type EnergyDensity } from '@/core/quantity/units';
import { packCode } from '@/core/stock/code';
import { tenths } from '@/core/stock/ledger';
import { tray } from '../schema/batches';
import { recipe } from '../schema/recipes';
import { holding, pack, packContent } from '../schema/stock';
import { dry, driedOf, type WeighedBatch } from '../repositories/batches';
import { readDogs } from '../repositories/dogs';
import { readPlaces } from '../repositories/household';
import { markSealed, shareIn } from './batches';
import { writeMovement } from './ledger';
import { inMass, need, refuse, type Context } from './run';

/** Fat above a fifth of the dry matter halves the shelf life of freeze-dried food (common practice, no source). */
const FATTY = 0.2;

export interface TrayEntry {
  readonly tare: number;
  readonly wetGross: number;
  readonly dryGross?: number;
}

/** Keeps the readings of the trays: first empty and wet, after the dryer dry as well. */
export async function saveTrays(
  context: Context,
  input: { batchId: number; shareId: number; trays: readonly TrayEntry[] },
): Promise<{ warning: string | undefined }> {
  const { tx } = context;
  const { batch, share } = await shareIn(context, input.batchId, input.shareId);
  if (share.fate !== 'dry') refuse('Only the dry share lies on trays.');
  if (input.trays.length === 0) refuse('Weigh at least one tray.', 'trays');
  for (const [index, each] of input.trays.entries()) {
    if (!(each.tare >= 0)) refuse('Weigh the empty tray; 0 if the scale was tared.', `trays.${index}.tare`);
    if (!(each.wetGross > each.tare))
      refuse('The full tray weighs no more than the empty one.', `trays.${index}.wetGross`);
  }
  const wet = input.trays.reduce((total, each) => total + each.wetGross - each.tare, 0);
  if (wet > share.grams * 1.02 + 5) {
    refuse(
      `The trays hold ${Math.round(wet)} g, but only ${share.grams} g were set aside to dry. Was a tray’s own weight taken off?`,
      'trays',
    );
  }
  const done = input.trays.filter((each) => each.dryGross !== undefined);
  let warning: string | undefined;
  if (done.length > 0) {
    if (done.length < input.trays.length) {
      refuse(
        'Weigh this tray dry too, or leave all of them empty until the dryer is done.',
        `trays.${input.trays.findIndex((each) => each.dryGross === undefined)}.dryGross`,
      );
    }
    warning = need(
      dry(
        batch,
        done.map(({ tare, wetGross, dryGross }) => ({
          tare: grams(tare),
          wetGross: grams(wetGross),
          dryGross: grams(dryGross!),
        })),
        inMass(context),
      ),
    ).warning;
  }
  await tx.delete(tray).where(eq(tray.shareId, share.id));
  await tx.insert(tray).values(
    input.trays.map((each, position) => ({
      shareId: share.id,
      position,
      tare: each.tare,
      wetGross: each.wetGross,
      dryGross: each.dryGross ?? null,
    })),
  );
  return { warning };
}

const PLACE_OF: Readonly<Record<'fridge' | 'freezer' | 'dry', PlaceKind>> = {
  fridge: 'fridge',
  freezer: 'freezer',
  dry: 'cupboard',
};

/** Seals a share into packs: each gets its code, weight, dates and place, and is stock from now on. */
export async function sealShare(
  context: Context,
  input: { batchId: number; shareId: number },
): Promise<{ codes: string[] }> {
  const { tx } = context;
  const { batch, share } = await shareIn(context, input.batchId, input.shareId);
  if (share.fate === 'today') return refuse('What is eaten today is fed from the pot, not bagged.');
  const dogs = (await readDogs(tx)).filter((dog) => batch.dogIds.includes(dog.id));
  if (dogs.length === 0) refuse('None of the dogs of this plan is here any more.');
  const dried = driedOf(batch);
  if (share.fate === 'dry' && !dried) refuse('Weigh every tray dry first.', 'trays');
  const packs = proposePacks({ ...batch, density: batch.yield.density }, dogs, dried).get(share.id) ?? [];
  const places = await readPlaces(tx);
  const place = places.find((each) => each.kind === PLACE_OF[share.fate as 'fridge'])!;
  const foodKind: FoodKind = share.fate === 'dry' ? share.dryMethod! : 'cooked';
  const numbers = await takeNumbers(context, batch.recipeId, packs.length);
  const codes: string[] = [];
  for (const [index, proposed] of packs.entries()) {
    const code = packCode(batch.letter, numbers + index);
    codes.push(code);
    await sealPack(context, batch, {
      code,
      place,
      foodKind,
      grams: proposed.grams,
      short: proposed.short,
      dogId: proposed.dogId,
      density: share.fate === 'dry' ? dried!.density : batch.yield.density,
      waterPerGram: share.fate === 'dry' ? dried!.waterPerGram : 0,
      trayId: share.fate === 'dry' && share.trays.length === 1 ? share.trays[0]!.id : undefined,
    });
  }
  await markSealed(context, share.id);
  return { codes };
}

/** The first of `count` running numbers of a recipe; they are never given out again. */
async function takeNumbers({ tx }: Context, recipeId: number, count: number): Promise<number> {
  const [row] = await tx
    .update(recipe)
    .set({ nextPack: sql`${recipe.nextPack} + ${count}` })
    .where(eq(recipe.id, recipeId))
    .returning({ next: recipe.nextPack });
  return row!.next - count;
}

interface Sealed {
  readonly code: string;
  readonly place: { readonly id: number; readonly kind: PlaceKind };
  readonly foodKind: FoodKind;
  readonly grams: number;
  readonly short: boolean;
  readonly dogId: number | undefined;
  readonly density: EnergyDensity;
  readonly waterPerGram: number;
  readonly trayId: number | undefined;
}

async function sealPack(context: Context, batch: WeighedBatch, sealed: Sealed): Promise<void> {
  const { tx, today, reference, household } = context;
  const dryMatter = Number(batch.sheet.solids);
  const fatty = dryMatter > 0 && (batch.sheet.fat?.amount ?? 0) / dryMatter > FATTY;
  const dates = keepingDates(
    reference.shelfLives,
    { kind: sealed.foodKind, place: sealed.place.kind, packedOn: today, since: today, fridgeDaysUsed: 0, fatty },
    household.fridgeDays,
  );
  const amount = tenths(sealed.grams);
  const [made] = await tx
    .insert(holding)
    .values({
      kind: 'pack',
      foodKind: sealed.foodKind,
      fatty,
      placeId: sealed.place.id,
      amount: 0,
      since: today,
      rule: dates.rule,
    })
    .returning({ id: holding.id });
  const holdingId = made!.id;
  await tx.insert(pack).values({
    holdingId,
    code: sealed.code,
    recipeId: batch.recipeId,
    dogId: sealed.dogId ?? null,
    packedOn: today,
    labelAmount: amount,
    density: sealed.density,
    waterPerGram: sealed.waterPerGram,
    labelSafeUntil: dates.safeUntil ?? null,
    labelBestBy: dates.bestBy ?? null,
    labelRule: dates.rule,
    short: sealed.short,
    estimated: batch.yield.estimated,
  });
  await tx.insert(packContent).values({ holdingId, batchId: batch.id, trayId: sealed.trayId ?? null, amount });
  await writeMovement(context, {
    kind: 'packed',
    legs: [
      { account: 'cooked', amount: -amount },
      { holdingId, placeId: sealed.place.id, amount },
    ],
  });
}
