import 'server-only';
import { eq, sql } from 'drizzle-orm';
import { isWhole } from '@/core/stock/label';
import { tenths } from '@/core/stock/ledger';
import { readAvoided } from '../repositories/avoided';
import { readDogs } from '../repositories/dogs';
import { readPackByCode, type StoredPack } from '../repositories/stock';
import { pack } from '../schema/stock';
import { writeMovements } from './ledger';
import { packWith } from './pack-at-hand';
import { refuse, type Context } from './run';
import { stays } from './said-of-packs';

/** A pack is for another dog than its label says, or for anybody. */
export async function packForDog(
  context: Context,
  input: { holdingId: number; dogId?: number | undefined },
): Promise<{ movementIds: number[] }> {
  const { tx, reference, today } = context;
  const found = await packWith(context, input.holdingId);
  const dog = (await readDogs(tx)).find(({ id }) => id === input.dogId);
  if (input.dogId !== undefined && !dog) return refuse('This dog is not here any more.', 'dogId');
  if (dog && found.split === undefined && found.dogId === dog.id)
    return refuse(`${found.code} is for ${dog.name} already.`, 'dogId');
  if (dog) {
    const never = (await readAvoided(tx, reference, [dog], today)).ofPack(found.holdingId, dog.id);
    if (never.some(({ stops }) => stops))
      return refuse(`${dog.name} does not get ${never.map(({ said }) => said).join(', ')}, and it is in it.`, 'dogId');
  }
  await tx
    .update(pack)
    .set({ dogId: dog?.id ?? null, split: null })
    .where(eq(pack.holdingId, found.holdingId));
  const note = `for ${dog?.name ?? 'anybody'}, not for ${found.dogName ?? 'anybody'}: its label was wrong`;
  await writeMovements(context, [{ kind: 'corrected', note, legs: stays(found) }]);
  return { movementIds: [] };
}

/** What was done with a pack since it was sealed, in words; undefined: nothing but moves that the other one made as well. */
function toldApart(first: StoredPack, second: StoredPack): string | undefined {
  for (const each of [first, second])
    if (!isWhole(each)) return `something was taken of ${each.code} since: take that back first, each by its own label`;
  const asOne =
    first.placeId === second.placeId &&
    first.since === second.since &&
    first.thawedOn === second.thawedOn &&
    first.openedOn === second.openedOn;
  return asOne
    ? undefined
    : `${first.code} and ${second.code} were not moved alike since: take those moves back first, each by its own label`;
}

/**
 * Two packs have each other's label, and keep it: the books give each code to the other food. Only while nothing was done with one of
 * them alone, for that was done with the other one; done again it is as it was.
 */
export async function swapLabels(
  context: Context,
  input: { holdingId: number; code: string },
): Promise<{ movementIds: number[] }> {
  const { tx } = context;
  const first = await packWith(context, input.holdingId);
  const known = await readPackByCode(tx, input.code.toUpperCase());
  if (!known) return refuse(`There is no pack ${input.code.toUpperCase()}.`, 'code');
  if (known.holdingId === first.holdingId) return refuse('That is this pack itself.', 'code');
  const second = await packWith(context, known.holdingId);
  const apart = toldApart(first, second);
  if (apart !== undefined) return refuse(`Their labels cannot just change places: ${apart}.`, 'code');
  const labelOf = (of: StoredPack) => ({
    labelAmount: tenths(of.labelGrams),
    labelDensity: of.labelDensity,
    labelWaterPerGram: of.labelWaterPerGram,
    labelSafeUntil: of.labelSafeUntil ?? null,
    labelBestBy: of.labelBestBy ?? null,
  });
  // A code is one pack's alone, also for the moment between.
  await tx
    .update(pack)
    .set({ code: sql`'swap ' || ${first.holdingId}` })
    .where(eq(pack.holdingId, first.holdingId));
  await tx
    .update(pack)
    .set({ code: first.code, ...labelOf(first) })
    .where(eq(pack.holdingId, second.holdingId));
  await tx
    .update(pack)
    .set({ code: second.code, ...labelOf(second) })
    .where(eq(pack.holdingId, first.holdingId));
  const note = `the labels of ${first.code} and ${second.code} had been swapped`;
  await writeMovements(
    context,
    [first, second].map((each) => ({ kind: 'corrected' as const, note, legs: stays(each) })),
  );
  return { movementIds: [] };
}
