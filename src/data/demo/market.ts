import 'server-only';
import type { LotEntry } from '@/core/stock/lot-entry';
import { kindOfLot, placeKindOf } from '@/core/stock/lot';
import type { WrittenLine } from '@/core/recipe/written';
import { addDays } from '@/core/calendar/local-date';
import { sure } from '@/core/sure';
import { receiveLot } from '../commands/lots';
import type { Context } from '../commands/run';
import { discardPacks, putPacks } from '../commands/stock';
import { readPlaces } from '../repositories/household';
import { readLots } from '../repositories/lots';

/** What the made-up shops of the quay sell: g of a pack (1: loose), minor units for it, days until its label's date. */
const MARKET: Readonly<Record<string, readonly [grams: number, minor: number, bestDays?: number]>> = {
  '17343': [1000, 1480],
  '20005': [1000, 210, 300],
  '11298': [1, 0.19],
  '11233': [1, 0.75],
  '04582': [750, 420, 240],
  '15065': [1, 1.38],
  '11352': [1, 0.14],
  '11312': [750, 230, 400],
  '11124': [1, 0.12],
  '17168': [1000, 1650],
  '11080': [1, 0.28],
  '11507': [1, 0.34],
  '01123': [530, 320, 21],
  '20031': [500, 190, 300],
  L1: [250, 950, 700],
  L2: [460, 1800, 300],
  L3: [1000, 2400, 500],
};

/** Whatever a pot takes that is not in the house is bought, in whole packs. */
export async function shopFor(
  context: Context,
  takes: readonly { readonly written: WrittenLine; readonly bought: number }[],
): Promise<void> {
  const places = await readPlaces(context.tx);
  const wanted = new Map<string, { readonly written: WrittenLine; readonly grams: number }>();
  for (const { written, bought } of takes) {
    const key = written.source.food.ndb;
    wanted.set(key, { written, grams: (wanted.get(key)?.grams ?? 0) + Math.round(bought) });
  }
  for (const [key, { written, grams }] of wanted) {
    const sold = MARKET[key];
    if (!sold) continue;
    const here = (await readLots(context.tx)).filter((lot) => lot.key === key);
    const missing = grams - here.reduce((sum, lot) => sum + lot.grams, 0);
    if (missing <= 0) continue;
    const packs = Math.ceil(missing / sold[0] - 1e-9);
    const kind = kindOfLot(written.source.food, written.text);
    const entry: LotEntry = {
      amount: `${packs * sold[0]} g`,
      price: ((packs * sold[1]) / 100).toFixed(2),
      date: sold[2] === undefined ? '' : addDays(context.today, sold[2]),
      is: 'best',
      code: kind === 'pantry' ? '' : `Q${context.today.slice(5).replace('-', '')}`,
      kind,
      placeId: sure(places.find((place) => place.kind === placeKindOf(written.source.food, kind))).id,
    };
    await receiveLot(context, { came: 'received', key, name: written.text.split(',')[0] ?? written.text, entry });
  }
}

/** g of meat that nobody freezes. */
const SCRAPS = 60;

/** What is left of raw meat and fish when the pot is on goes into the freezer. */
export async function freezeRest(context: Context): Promise<void> {
  const freezer = sure((await readPlaces(context.tx)).find((place) => place.kind === 'freezer'));
  const left = (await readLots(context.tx)).filter((lot) => lot.foodKind !== 'pantry' && lot.place === 'fridge');
  const scraps = left.filter(({ grams }) => grams < SCRAPS);
  if (scraps.length > 0)
    await discardPacks(context, { holdingIds: scraps.map(({ holdingId }) => holdingId), why: 'scraps' });
  const raw = left.filter((lot) => !scraps.includes(lot));
  if (raw.length > 0)
    await putPacks(context, { holdingIds: raw.map(({ holdingId }) => holdingId), placeId: freezer.id });
}
