import 'server-only';
import { sayKind } from '@/core/preserve/shelf-life';
import { tipOf } from '@/core/standing';
import { lossOf } from '@/core/stock/blocked';
import { reversedLegs, tenths } from '@/core/stock/ledger';
import type { CountEntry } from '@/core/stock/store-acts';
import { sure } from '@/core/sure';
import { readPlaces } from '../repositories/household';
import { readHistory } from '../repositories/movements';
import { readKept } from '../repositories/kept';
import { readPackByCode, type StoredPack } from '../repositories/stock';
import { writeMovements, type NewMovement } from './ledger';
import { atHand, belongs } from './pack-at-hand';
import { refuse, type Context } from './run';
import { lost } from './said-of-packs';

/** What a count came to: the codes of what is gone, what lay elsewhere, and what was lost and is found. */
export interface Counted {
  readonly lost: readonly string[];
  readonly moved: readonly string[];
  readonly found: readonly string[];
  readonly movementIds: readonly number[];
}

/** A place was counted: what differs from the ledger becomes movements, all of them or none. What nobody named stays. */
export async function countPlace(context: Context, input: CountEntry): Promise<Counted> {
  const { tx } = context;
  const place = (await readPlaces(tx)).find(({ id }) => id === input.placeId) ?? refuse('This place is not known.');
  const packs = await readKept(tx, input.missing);
  const entries: NewMovement[] = [];
  const said = { lost: [] as string[], moved: [] as string[], found: [] as string[] };
  for (const holdingId of new Set(input.missing)) {
    const pack = atHand(packs, holdingId);
    if (pack.placeId !== place.id)
      refuse(`${pack.code} is not in the ${place.name.toLowerCase()} any more: somebody was quicker. Count again.`);
    entries.push(lost(pack, `not there when the ${place.name.toLowerCase()} was counted`));
    said.lost.push(pack.code);
  }
  const seen = new Set<string>();
  for (const [index, code] of input.also.entries()) {
    const field = `also.${index}`;
    const pack = (await readPackByCode(tx, code)) ?? refuse(`No pack has the code ${code}. Is it read right?`, field);
    if (seen.has(pack.code)) refuse(`${pack.code} stands here twice.`, field);
    seen.add(pack.code);
    if (!belongs(context, pack, place.kind))
      refuse(`${pack.code} is ${sayKind(pack.foodKind)}: it does not keep in the ${place.name.toLowerCase()}.`, field);
    const { moves, wasLost } = await foundHere(context, pack, place.id, field);
    entries.push(...moves);
    said[wasLost ? 'found' : 'moved'].push(pack.code);
  }
  if (entries.length === 0) return { ...said, movementIds: [] };
  const made = await writeMovements(context, entries);
  return { ...said, movementIds: made.map(({ id }) => id) };
}

/** A pack lies where nobody thought: it was moved unseen, or it was lost. */
async function foundHere(
  context: Context,
  pack: StoredPack,
  placeId: number,
  field: string,
): Promise<{ moves: NewMovement[]; wasLost: boolean }> {
  if (pack.void) refuse(`${pack.code} was taken back: its food is in its share again.`, field);
  const move = (amount: number): NewMovement => ({
    kind: 'moved',
    note: 'lay there when it was counted',
    legs: [
      { holdingId: pack.holdingId, placeId: pack.placeId, amount: -amount },
      { holdingId: pack.holdingId, placeId, amount },
    ],
  });
  if (pack.grams > 0) {
    if (pack.placeId === placeId) refuse(`${pack.code} is on the list above: tick it there.`, field);
    return { moves: [move(tenths(pack.grams))], wasLost: false };
  }
  const history = await readHistory(context.tx, pack.holdingId);
  const loss = lossOf(history);
  if (!loss) return refuse(`${pack.code} was used up or thrown away. Is the code read right?`, field);
  const back: NewMovement = { kind: 'reversed', legs: reversedLegs(loss.legs), takesBack: tipOf(history, loss.id) };
  const leg = sure(back.legs.find((each) => 'holdingId' in each));
  return { moves: [back, ...(pack.placeId === placeId ? [] : [move(leg.amount)])], wasLost: true };
}
