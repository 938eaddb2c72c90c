import 'server-only';
import { originOfFound, readFound, type FoundEntry } from '@/core/stock/found';
import { foldHolding, tenths } from '@/core/stock/ledger';
import { sayKind, belongsIn } from '@/core/preserve/shelf-life';
import { nth, sure } from '@/core/sure';
import { readDogs } from '../repositories/dogs';
import { readAllPlaces, readPlaces } from '../repositories/household';
import { readLatestVersion } from '../repositories/recipes';
import { rulesNow } from '../repositories/shelf-rules';
import { holding, pack } from '../schema/stock';
import { datingIn, writeMovements, type NewMovement } from './ledger';
import { need, refuse, Refusal, type Context } from './run';
import { takeCodes } from './seal';

/** Packs that lie there though no batch made them come into the books: each with a code, marked as found, all of them or none. */
export async function foundPacks(
  context: Context,
  entry: FoundEntry,
): Promise<{ codes: string[]; holdingIds: number[]; movementIds: number[] }> {
  const { tx, today, household, reference } = context;
  const read = readFound(entry, today, household.unitSet);
  if (!read.ok) throw new Refusal(...read.problems);
  const { count, grams, density, waterPerGram, packedOn } = read.value;
  const version =
    (await readLatestVersion(tx, reference, entry.recipeId)) ?? refuse('This recipe is not here any more.', 'recipeId');
  const place =
    (await readPlaces(tx)).find(({ id }) => id === entry.placeId) ?? refuse('Where does it lie?', 'placeId');
  if (!belongsIn(reference.shelfLives, entry.kind, place.kind))
    refuse(`${sayKind(entry.kind)} does not keep in the ${place.name.toLowerCase()}.`, 'placeId');
  if (entry.dogId !== undefined && !(await readDogs(tx)).some(({ id }) => id === entry.dogId))
    refuse('This dog is not here any more.', 'dogId');
  const dating = datingIn(context)(rulesNow(context.rules).id);
  const origin =
    originOfFound(dating, { kind: entry.kind, place: place.kind, packedOn }, today) ??
    refuse('Nobody knows since when, and there it keeps for days only: throw it away.', 'packedOn');
  const places = new Map((await readAllPlaces(tx)).map((each) => [each.id, each.kind]));
  const state = sure(
    need(
      foldHolding([{ id: 1, kind: 'found', day: today, legs: [{ holdingId: 0, placeId: place.id, amount: 1 }] }], {
        holdingId: 0,
        kind: entry.kind,
        fatty: false,
        places,
        dating: () => dating,
        origin,
      }),
    ),
  );
  if (state.safeUntil !== undefined && state.safeUntil < today)
    refuse(`It was safe until ${state.safeUntil}: throw it away.`, 'packedOn');
  const amount = tenths(grams);
  const rows = await tx
    .insert(holding)
    .values(
      Array.from({ length: count }, () => ({
        kind: 'pack' as const,
        foodKind: entry.kind,
        fatty: false,
        placeId: place.id,
        amount: 0,
        since: origin.since,
        density,
        waterPerGram,
        rule: '',
        origin,
      })),
    )
    .returning({ id: holding.id });
  const codes = await takeCodes(context, entry.recipeId, count);
  await tx.insert(pack).values(
    rows.map(({ id }, index) => ({
      holdingId: id,
      code: nth(codes, index),
      dogId: entry.dogId ?? null,
      weighed: false,
      packedOn: origin.packedOn,
      labelAmount: amount,
      labelDensity: density,
      labelWaterPerGram: waterPerGram,
      labelSafeUntil: state.safeUntil ?? null,
      labelBestBy: state.bestBy ?? null,
      labelRule: state.rule,
      short: false,
      estimated: true,
      found: { recipeId: entry.recipeId, name: version.name, isDated: packedOn !== undefined },
    })),
  );
  const made = await writeMovements(
    context,
    rows.map(({ id }): NewMovement => ({
      kind: 'found',
      note: packedOn === undefined ? 'nobody knows since when: it is fed first' : undefined,
      legs: [
        { account: 'found', amount: -amount },
        { holdingId: id, placeId: place.id, amount },
      ],
    })),
  );
  return { codes: [...codes], holdingIds: rows.map(({ id }) => id), movementIds: made.map(({ id }) => id) };
}
