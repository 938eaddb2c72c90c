import 'server-only';
import { writeDay } from '@/core/calendar/local-date';
import type { Explanation } from '@/core/explanation';
import { writeMassIn } from '@/core/quantity/write';
import { sayCost } from '@/core/stock/cost';
import { inOrderToUse, isGoodOn } from '@/core/stock/lot';
import type { Page } from '@/data/page';
import type { StoredBatch } from '@/data/repositories/batches';
import { readCosts } from '@/data/repositories/costs';
import { readLotsById, readLotsOf, readUses, type StoredLot } from '@/data/repositories/lots';

/** An ingredient in the house that a line may be of. */
export interface LotOffered {
  readonly holdingId: number;
  readonly said: string;
  readonly grams: number;
  /** By the books it lies in the freezer: it goes in frozen, or was thawed and nobody said so. */
  readonly inFreezer: boolean;
  /** It is past its safe day. */
  readonly caution: string | undefined;
}

const saidOf = (lot: StoredLot, { today }: Pick<Page, 'today'>): string => {
  const date = lot.safeUntil ?? lot.bestBy;
  return [
    `in the ${lot.placeName.toLowerCase()}`,
    `of ${writeDay(lot.receivedOn, today)}`,
    ...(date === undefined ? [] : [`${lot.safeUntil ? 'use by' : 'best by'} ${writeDay(date, today)}`]),
    ...(lot.code === undefined ? [] : [`lot ${lot.code}`]),
  ].join(', ');
};

/** What is in the house of each food, by its key, the first to be used first. */
export async function lotsOffered(read: Page, keys: readonly string[]): Promise<ReadonlyMap<string, LotOffered[]>> {
  const stored = (await readLotsOf(read.db, keys)).filter(({ blocked }) => !blocked);
  const byId = new Map(stored.map((lot) => [lot.holdingId, lot]));
  const out = new Map<string, LotOffered[]>();
  const good = inOrderToUse(stored.filter((lot) => isGoodOn(lot, read.today)));
  for (const { holdingId } of [...good, ...stored.filter((lot) => !isGoodOn(lot, read.today))]) {
    const lot = byId.get(holdingId);
    if (!lot) continue;
    const caution = isGoodOn(lot, read.today) ? undefined : 'it is past its safe day: throw it away';
    const inFreezer = lot.place === 'freezer';
    out.set(lot.key, [
      ...(out.get(lot.key) ?? []),
      { holdingId, grams: lot.grams, said: saidOf(lot, read), inFreezer, caution },
    ]);
  }
  return out;
}

/** Of which ingredients each line of a batch was taken, in words, by its place. */
export async function linesTaken(read: Page, batch: StoredBatch): Promise<ReadonlyMap<number, string>> {
  const uses = batch.state === 'planned' ? [] : await readUses(read.db, { batchIds: [batch.id] });
  const lots = new Map(
    (await readLotsById(read.db, [...new Set(uses.map(({ holdingId }) => holdingId))])).map((lot) => [
      lot.holdingId,
      lot,
    ]),
  );
  const said = new Map<number, string[]>();
  for (const { line, holdingId, grams } of uses) {
    const lot = lots.get(holdingId);
    if (!lot) continue;
    const words = `${writeMassIn(grams, read.household.unitSet)} of what came ${writeDay(lot.receivedOn, read.today)}${lot.code === undefined ? '' : ` (lot ${lot.code})`}`;
    said.set(line, [...(said.get(line) ?? []), words]);
  }
  return new Map([...said].map(([line, words]) => [line, words.join(', ')]));
}

export interface CostView {
  readonly minor: number;
  readonly said: string;
  /** For a kg of it, once it was weighed. */
  readonly aKilo: string | undefined;
  readonly unknown: readonly string[];
  readonly why: Explanation;
}

/** What a batch cost, as far as it is known; undefined: nothing of it has a price. */
export async function costView(read: Page, batch: StoredBatch): Promise<CostView | undefined> {
  if (batch.state === 'planned' || batch.byProduct) return undefined;
  const { db: tx, reference, household, now } = read;
  const cost = (await readCosts({ tx, reference, household, now }, [batch])).get(batch.id);
  if (!cost) return undefined;
  const { currency } = household;
  return {
    minor: cost.minor,
    said: sayCost(cost, currency),
    aKilo: batch.state === 'weighed' ? sayCost(cost, currency, 1000 / batch.whole.net) : undefined,
    unknown: cost.unknown,
    why: cost.explanation,
  };
}
