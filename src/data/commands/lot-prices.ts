import 'server-only';
import { eq } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import { sure } from '@/core/sure';
import { readLotsById, type StoredLot } from '../repositories/lots';
import { readHistory } from '../repositories/movements';
import { lot } from '../schema/stock';
import type { Context } from './run';

type Priced = Pick<StoredLot, 'priceMinor'> & { readonly grams: number };
const perGram = ({ priceMinor, grams: mass }: Priced) => (priceMinor === undefined ? undefined : priceMinor / mass);

/** What was parted from an ingredient, or made of it, cost its part of it: a price that was put right goes on to it, unless it has its own. */
export async function pricesFollow(context: Context, of: StoredLot, now: Priced): Promise<void> {
  const { tx } = context;
  const [was, is] = [perGram({ ...of, grams: of.receivedGrams }), perGram(now)];
  if (was === is) return;
  const parts = await tx.select({ holdingId: lot.holdingId }).from(lot).where(eq(lot.madeOf, of.holdingId));
  for (const { holdingId } of parts) {
    const part = sure((await readLotsById(tx, [holdingId]))[0]);
    const [came] = await readHistory(tx, holdingId);
    const taken = addUp(came?.legs ?? [], (leg) =>
      'holdingId' in leg && leg.holdingId === of.holdingId ? Math.max(0, -leg.amount) / 10 : 0,
    );
    const follows = (price: number | undefined) => (price === undefined ? undefined : Math.round(price * taken));
    // Within a minor unit, for it was rounded; a price of its own stands.
    const own = follows(was);
    if ((part.priceMinor === undefined) !== (own === undefined)) continue;
    if (Math.abs((part.priceMinor ?? 0) - (own ?? 0)) > 1) continue;
    const priceMinor = follows(is);
    await tx
      .update(lot)
      .set({ priceMinor: priceMinor ?? null })
      .where(eq(lot.holdingId, holdingId));
    await pricesFollow(context, part, { priceMinor, grams: part.receivedGrams });
  }
}
