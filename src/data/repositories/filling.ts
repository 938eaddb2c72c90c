import 'server-only';
import { eq } from 'drizzle-orm';
import type { ByProduct } from '@/core/batch/by-product';
import { AS_RECKONED } from '@/core/learned/beside';
import { HEADSPACE, type Container } from '@/core/portion/containers';
import { gramsPerMlOf, type ToFill } from '@/core/portion/pack-plan';
import type { Fate } from '@/core/portion/shares';
import type { UnitSet } from '@/core/quantity/units';
import type { Tx } from '../database';
import { recipe } from '../schema/recipes';
import { readEquipment } from './equipment';
import { readFills } from './measured-here';

/** What packs of a batch are filled by: g of a cup and of a mL of its food, and what each container takes of it. */
export interface Filled extends Pick<ToFill, 'gramsPerMl'> {
  readonly cupGrams: number | undefined;
  readonly containers: (share: { readonly fate: Fate }) => readonly (Container & {
    /** g as stands under Household, and on how many weighed ones another figure stands. */
    readonly reckoned: number;
    readonly of: number;
  })[];
}

/** What a batch's packs are filled into: what a mL of its food weighs, and the household's containers by what they take of it. */
export async function readFilling(
  tx: Tx,
  batch: { readonly recipeId: number; readonly byProduct?: ByProduct | undefined },
  set: UnitSet,
): Promise<Filled> {
  const [own] = await tx.select({ cupGrams: recipe.cupGrams }).from(recipe).where(eq(recipe.id, batch.recipeId));
  // A cup of the food says nothing of its broth, which is about water.
  const gramsPerMl = batch.byProduct === 'broth' ? 1 : gramsPerMlOf(own?.cupGrams ?? undefined, set);
  const fills = await readFills(tx);
  const all = (await readEquipment(tx)).filter((each) => each.kind === 'container');
  return {
    cupGrams: batch.byProduct ? undefined : (own?.cupGrams ?? undefined),
    gramsPerMl,
    containers: ({ fate }) =>
      all.flatMap(({ name, grams, millilitres, count }) => {
        const takes = grams ?? (millilitres === undefined || gramsPerMl === undefined ? 0 : millilitres * gramsPerMl);
        const room = batch.byProduct === 'broth' && fate === 'freezer' ? 1 - HEADSPACE : 1;
        const reckoned = Math.floor(takes * room);
        // What this kitchen puts into it, where it has weighed that.
        const { factor, of } = fills.get(name) ?? AS_RECKONED;
        // A sum of floating point is no gram less.
        const whole = Math.floor(reckoned * factor + 1e-6);
        return whole > 0 ? [{ name, grams: whole, count, reckoned, of }] : [];
      }),
  };
}
