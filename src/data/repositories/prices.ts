import 'server-only';
import { desc, isNotNull } from 'drizzle-orm';
import { pricePerGram } from '@/core/food/supply-entry';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { lot } from '../schema/stock';
import { readPantry } from './pantry';

/** Minor units of a g of each food that has a price: what was paid for it last, else what its label says. */
export async function readPrices(tx: Tx, reference: Reference): Promise<ReadonlyMap<string, number>> {
  const { supplies } = await readPantry(tx, reference);
  const prices = new Map<string, number>();
  for (const { id, label } of supplies) {
    const price = pricePerGram(label);
    if (price !== undefined) prices.set(`L${id}`, price);
  }
  const rows = await tx
    .selectDistinctOn([lot.foodKey], { key: lot.foodKey, price: lot.priceMinor, amount: lot.receivedAmount })
    .from(lot)
    .where(isNotNull(lot.priceMinor))
    .orderBy(lot.foodKey, desc(lot.receivedOn), desc(lot.holdingId));
  for (const { key, price, amount } of rows) if (price !== null) prices.set(key, price / (amount / 10));
  return prices;
}
