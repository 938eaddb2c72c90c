import 'server-only';
import { belongsIn, type PlaceKind } from '@/core/preserve/shelf-life';
import type { Kept } from '../repositories/kept';
import type { StoredPack } from '../repositories/stock';
import { readPacks } from '../repositories/stock';
import { refuse, type Context } from './run';

/** A known pack or ingredient with something in it; refused where it is empty by now. */
export function atHand<Of extends Pick<Kept, 'holdingId' | 'code' | 'grams'>>(
  packs: readonly Of[],
  holdingId: number,
): Of {
  const found = packs.find((each) => each.holdingId === holdingId);
  if (!found) return refuse('This pack is not known.');
  if (found.grams <= 0) return refuse(`${found.code} is empty by now: somebody was quicker.`);
  return found;
}

export const packWith = async (context: Context, holdingId: number): Promise<StoredPack> =>
  atHand(await readPacks(context.tx, [holdingId]), holdingId);

/** What may have been done with a pack since it was sealed, and goes back with it. */
export const GOES_BACK: ReadonlySet<string> = new Set([
  'packed',
  'moved',
  'thawed',
  'opened',
  'corrected',
  'redated',
  'put right',
]);

/** Whether a pack may lie in a place at all. */
export const belongs = ({ reference }: Pick<Context, 'reference'>, pack: Pick<Kept, 'foodKind'>, kind: PlaceKind) =>
  belongsIn(reference.shelfLives, pack.foodKind, kind);
