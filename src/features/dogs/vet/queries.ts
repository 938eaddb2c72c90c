import 'server-only';
import { foodDensityOf } from '@/core/batch/whole';
import { addDays, type LocalDate } from '@/core/calendar/local-date';
import type { Problem } from '@/core/problem';
import { vetSheet } from '@/core/vet/pages';
import { readVetRange, type VetRange } from '@/core/vet/range';
import type { VetSheet } from '@/core/vet/sheet';
import { pageQuery } from '@/data/page';
import { readDiaryWords, readPressed } from '@/data/repositories/diary';
import { readDog } from '@/data/repositories/dogs';
import { readEaten } from '@/data/repositories/eaten-days';
import { readPantry } from '@/data/repositories/pantry';

/** Days before the range that say what in it was new. */
const BEFORE = 14;

export interface VetView {
  readonly dog: { readonly id: number; readonly name: string };
  readonly today: LocalDate;
  /** As it was asked for. */
  readonly from: string;
  readonly to: string;
  readonly problems: readonly Problem[];
  /** undefined: the days that were asked for cannot be. */
  readonly made: { readonly range: VetRange; readonly sheet: VetSheet } | undefined;
}

/** The pages for a dog's vet over the days that are asked for; undefined where there is no such dog. */
export const vetView = pageQuery(
  async (
    { db, reference, household, today },
    dogId: number,
    asked: { readonly from: string; readonly to: string },
  ): Promise<VetView | undefined> => {
    const dog = await readDog(db, dogId);
    if (!dog) return undefined;
    const named = { dog: { id: dog.id, name: dog.name }, today };
    const range = readVetRange(asked, today);
    if (!range.ok) return { ...named, ...asked, problems: range.problems, made: undefined };
    const { from, to } = range.value;
    const first = addDays(from, -BEFORE);
    const factors = household.energyFactors;
    const { days, batches, pots, given } = await readEaten(db, dog, { from: first, to, today, factors });
    const { supplies, knownOf } = await readPantry(db, reference, household.unitSet);
    const words = await readDiaryWords(db, dogId, from, to);
    const sheet = vetSheet({
      dog,
      range: range.value,
      today,
      set: household.unitSet,
      factors,
      profiles: reference.profiles,
      days,
      pots: pots.flatMap((pot) => {
        const batch = batches.get(pot.batchId);
        if (!batch) return [];
        const density = batch.state === 'weighed' ? foodDensityOf(batch) : undefined;
        return [{ ...pot, recipeId: batch.recipeId, number: batch.versionNumber, density }];
      }),
      besides: given.filter(({ kind }) => kind !== 'meal'),
      labels: new Map(supplies.map(({ id, name, label }) => [`L${id}`, { name, label }])),
      labelled: supplies.flatMap(({ id, label }) => {
        const food = knownOf(`L${id}`)?.food;
        return food ? [{ food, label }] : [];
      }),
      diary: await readPressed(db, dogId, from, to),
      words: words.filter(({ isBack }) => !isBack),
    });
    return { ...named, from, to, problems: [], made: { range: range.value, sheet } };
  },
);
