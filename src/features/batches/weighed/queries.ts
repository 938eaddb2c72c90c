import 'server-only';
import { withWater } from '@/core/preserve/rehydrate';
import { bowlOff } from '@/core/stock/pack-kcal';
import { asIfHere } from '@/core/dog/days-off';
import { storedAs, type BatchYield } from '@/core/batch/fold';
import type { ShareState } from '@/core/batch/share-state';
import { kindOfShare } from '@/core/batch/kind-of-share';
import { fatOfDry, fattest, isFatty } from '@/core/preserve/fat';
import { fridgeDaysOf, PACKAGINGS, type DatingRules, type PlaceKind } from '@/core/preserve/shelf-life';
import { freshLife, keepingDates } from '@/core/preserve/food-life';
import { isWet } from '@/core/portion/liquid';
import { heldOver } from '@/core/batch/held-over';
import { writeDay, writeDayOnLabel, type LocalDate } from '@/core/calendar/local-date';
import { homeEnergyOn, mealsFilledBy } from '@/core/dog/meals';
import { sum } from '@/core/plan/scale';
import { inCups, lastsOf } from '@/core/portion/lasts';
import { portionOf, type NamedPlate } from '@/core/portion/dog-portions';
import { plateOf, typedPlating } from '@/core/portion/plated';
import { driftOf, spreadByDog, spreadOf, type ProposedPack } from '@/core/portion/packs';
import type { Outcome } from '@/core/problem';
import { demandsOf, feedingFrom, proposePacks, servingOf } from '@/core/portion/proposals';
import { suggestShares } from '@/core/portion/shares';
import { countOf } from '@/core/quantity/count-words';
import { writeKcal, writeMassIn } from '@/core/quantity/write';
import { isWhole, labelOff } from '@/core/stock/label';
import { type Page } from '@/data/page';
import { type WeighedBatch } from '@/data/repositories/batches';
import { readBowlsOn, readFedOfBatch } from '@/data/repositories/bowls';
import { readDogs, type StoredDog } from '@/data/repositories/dogs';
import { readFilling } from '@/data/repositories/filling';
import { readFreezing } from '@/data/repositories/measured-here';
import { readAllPlaces } from '@/data/repositories/household';
import { readDatingNow } from '@/data/repositories/shelf-rules';
import { waitsForFreezer } from '@/core/preserve/freezing-plan';
import { readPacksOfBatch } from '@/data/repositories/stock';
import { nth, sure } from '@/core/sure';
import { forWhom, partsOf } from './pack-words';
import type { SheetShare, WeighedView, YieldView } from './view';

export async function weighedView(
  read: Page,
  batch: WeighedBatch,
  dogs: readonly StoredDog[],
  today: LocalDate,
): Promise<WeighedView> {
  const { db, household } = read;
  const { whole } = batch;
  const { density, net } = whole;
  const from = feedingFrom(batch.firstDay, batch.shares[0]?.day ?? today);
  const bowls = await readBowlsOn(db, today);
  const places = new Map((await readAllPlaces(db)).map((place) => [place.id, place.name]));
  const packs = await readPacksOfBatch(db, batch.id);
  const kitchen = await readFilling(db, batch, household.unitSet);
  const dating = await readDatingNow(db, read.reference.shelfLives);
  const wet = kindOfShare(batch, { fate: 'fridge' });
  const fridgeUntil = keepingDates(dating, freshLife({ kind: wet, place: 'fridge' }, today)).safeUntil ?? today;
  const proposed = proposePacks(batch, dogs, kitchen);
  const nameOf = (dogId: number | undefined) => dogs.find((dog) => dog.id === dogId)?.name;
  const filledWith = (
    filled: Outcome<readonly ProposedPack[]> | undefined,
    perGram: number,
  ): Pick<SheetShare, 'proposed' | 'problem' | 'spread' | 'perDog' | 'drift'> => {
    const all = filled?.ok ? filled.value : [];
    return {
      proposed: all.map((pack) => ({ ...pack, forWhom: forWhom(pack, nameOf, household.unitSet) })),
      problem: filled && !filled.ok ? filled.problem.message : undefined,
      spread: spreadOf(all, perGram),
      perDog: [...spreadByDog(all, perGram)].flatMap(([dogId, { least, mean, most }]) => {
        const dog = dogs.find(({ id }) => id === dogId);
        const day = dog ? homeEnergyOn(asIfHere(dog), from, batch.filling) : 0;
        return dog && day > 0 ? [{ name: dog.name, least, most, off: Math.max(most - mean, mean - least) / day }] : [];
      }),
      drift: [...driftOf(all, perGram)].map(([dogId, kcal]) => ({ name: nameOf(dogId) ?? '', kcal })),
    };
  };
  const fractionLeft = (dogId: number) => {
    const dog = sure(dogs.find((each) => each.id === dogId));
    const fed = bowls.filter((bowl) => bowl.dogId === dogId).map((bowl) => bowl.slotId);
    const meals = mealsFilledBy(dog, today, batch.filling);
    const all = sum(meals.map((meal) => meal.kcal));
    return all === 0 ? 0 : sum(meals.filter((meal) => !fed.includes(meal.id)).map((meal) => meal.kcal)) / all;
  };
  const portions = dogs.map((dog) => portionOf(dog, from, density, batch.filling, plateIn(batch)));
  const yieldView = (each: BatchYield): YieldView => ({
    place: each.place,
    name: each.name,
    net: each.net,
    density: each.density,
    why: each.explanation,
    estimated: each.estimated,
    weighing: each.weighing,
    eatenBefore: each.eatenBefore,
    kept: each.kept,
    skimmed: each.skimmed,
    strained: each.strained,
    undivided: each.undivided,
    water: 1 - each.solidsPerGram,
    isWet: isWet(each.solidsPerGram),
    suggested: suggestShares(
      Math.round(each.net),
      demandsOf(
        { from: feedingFrom(batch.firstDay, today), today, days: batch.days, filling: batch.filling },
        dogs,
        servingOf(batch, each.place),
        fractionLeft,
      ),
      fridgeDaysOf(dating, wet),
    ),
  });
  const lasts = lastsOf(
    net,
    portions.map(({ gramsADay }) => gramsADay),
  );
  const cup = kitchen.cupGrams;
  return {
    lasts: lasts.together,
    others: batch.byProduct
      ? []
      : (await readDogs(db))
          .filter((dog) => !dogs.some(({ id }) => id === dog.id))
          .map((dog) => ({ dogId: dog.id, name: dog.name, gramsADay: portionOf(dog, from, density).gramsADay })),
    net,
    eatenBefore: whole.eatenBefore,
    kept: whole.kept,
    skimmed: whole.skimmed,
    strained: whole.strained,
    estimated: whole.estimated,
    density,
    why: whole.explanation,
    yields: batch.yields.map(yieldView),
    freezing: await readFreezing(db, household.timeZone),
    fatty: isFatty(batch.sheet) ? fatOfDry(batch.sheet) : undefined,
    fatLines: isFatty(batch.sheet) ? fattest(batch.takes) : [],
    plating: batch.yields.length > 1 ? typedPlating(batch.plating, batch.yields, household.unitSet) : undefined,
    energyUnknown: batch.sheet.energyUnknown,
    portions: dogs.map((dog, index) => {
      const portion = nth(portions, index);
      return {
        ...portion,
        alone: nth(lasts.alone, index),
        cups: inCups(portion.gramsADay, cup),
        cupsOf: portion.meals.map((meal) => inCups(meal.grams, cup)),
        dogId: dog.id,
        name: dog.name,
        badge: dog.badge,
        letters: dog.letters,
      };
    }),
    fridgeUntil: writeDay(fridgeUntil, today),
    shares: batch.shares.map(({ packs: sealed, ...share }) => ({
      ...share,
      sealedPacks: sealed.length,
      packedGrams: sum(sealed.map((pack) => pack.grams)),
      placeName: share.placeId === undefined ? undefined : places.get(share.placeId),
      // What waits to be dried is wet still.
      fridgeDays: fridgeDaysOf(dating, wet),
      keeps:
        share.fate === 'today'
          ? []
          : keepsOf(dating, batch, share.fate === 'dry' ? 'cupboard' : share.fate, share, today),
      ownFills: kitchen.containers(share).flatMap(({ name, grams, reckoned, of }) => {
        const [own, other] = [grams, reckoned].map((mass) => writeMassIn(mass, household.unitSet));
        return of === 0 ? [] : [`${name}: ${own}, this kitchen’s own of ${of} weighed; the Household says ${other}`];
      }),
      ...filledWith(proposed.get(share.id), storedAs(share, batch.yields)?.density ?? density),
    })),
    packs: packs.map((pack) => ({
      holdingId: pack.holdingId,
      shareId: pack.contents.find((each) => each.batchId === batch.id)?.shareId ?? NaN,
      code: pack.code,
      label: labelOff(pack, (mass) => writeMassIn(mass, household.unitSet)),
      grams: pack.labelGrams,
      sealedGrams: pack.sealedGrams,
      whole: isWhole(pack),
      dogName: forWhom(pack, nameOf, household.unitSet),
      parts: partsOf(pack, household.unitSet),
      short: pack.short,
      unproven: pack.unproven,
      byTarget: pack.byTarget,
      waterMl: withWater(pack.labelGrams, pack.waterPerGram).water,
      place: pack.placeKind,
      until: waitsForFreezer(pack)
        ? `into the freezer ${writeDay(sure(pack.freezeOn), today)}${pack.labelBestBy ? `, best by ${writeDayOnLabel(pack.labelBestBy)}` : ''}`
        : pack.safeUntil
          ? `feed by ${writeDayOnLabel(pack.safeUntil)}`
          : pack.bestBy
            ? `best by ${writeDayOnLabel(pack.bestBy)}`
            : '',
    })),
    over: sum(batch.yields.map((each) => heldOver(each, batch.shares))),
    off: await bowlsOff(db, batch),
  };
}

/** How long a share would keep in its place, by what it is packed in. */
function keepsOf(
  dating: DatingRules,
  batch: WeighedBatch,
  place: PlaceKind,
  share: Pick<ShareState, 'fate' | 'method'>,
  today: LocalDate,
): SheetShare['keeps'] {
  const kind = kindOfShare(batch, share);
  const fatty = isFatty(batch.sheet);
  return [undefined, ...PACKAGINGS].map((packaging) => {
    const { bestBy, safeUntil, rule } = keepingDates(dating, freshLife({ kind, place, packaging, fatty }, today));
    return {
      packaging,
      said: bestBy === undefined || safeUntil !== undefined ? '' : `best by ${writeDay(bestBy, today)} so: ${rule}`,
    };
  });
}

/** What each dog gets of what is kept apart; undefined: it is one pot. */
function plateIn({ yields, plating }: WeighedBatch): NamedPlate | undefined {
  if (yields.length < 2) return undefined;
  const plate = plateOf(yields, plating);
  return (kcal) =>
    plate(kcal).map((part) => {
      const own = sure(yields.find(({ place }) => place === part.place));
      return { ...part, name: own.name, density: own.density };
    });
}

/** How far the bowls that were fed from a batch were off, by what is known of its food now. */
async function bowlsOff(db: Page['db'], batch: WeighedBatch): Promise<string | undefined> {
  const fed = await readFedOfBatch(db, batch.id);
  const off = fed.flatMap(({ kcal, grams, density, place }) => {
    const own = batch.yields.find((each) => each.place === place) ?? batch.whole;
    return bowlOff({ kcal, grams }, density ?? own.density) ?? [];
  });
  if (off.length === 0) return undefined;
  const total = sum(off);
  return `${countOf(off.length, 'bowl')} fed from it held ${writeKcal(Math.abs(total))} kcal ${total > 0 ? 'more' : 'less'} than was said, all together: they stay as they were fed.`;
}
