import 'server-only';
import type { ShareState } from '@/core/batch/share-state';
import { kindOfShare } from '@/core/batch/kind-of-share';
import { fridgeDaysOf } from '@/core/preserve/shelf-life';
import { rulesNow } from '../repositories/shelf-rules';
import type { FillEntry, SealEntry } from '@/core/batch/steps/pack';
import { addDays } from '@/core/calendar/local-date';
import { bagTrays, leftOnTrays, type FromTray } from '@/core/preserve/bagging';
import { tenths } from '@/core/stock/ledger';
import { readPlaces } from '../repositories/household';
import { spreadRest, withGrams } from '@/core/portion/filling';
import type { ProposedPack } from '@/core/portion/packs';
import { proposePacks } from '@/core/portion/proposals';
import type { WeighedBatch } from '../repositories/batches';
import { isFilling } from '@/core/learned/beside';
import { readFilling } from '../repositories/filling';
import { writeMeasured } from '../repositories/measured-here';
import { readDogs } from '../repositories/dogs';
import { refreshBatch } from './batch-at-hand';
import { inMass, need, refuse, type Context } from './run';
import { datingIn } from './ledger';
import { sealPacks, takeCodes } from './seal';
import { shareIn } from './shares';
import { nth, sure } from '@/core/sure';

/** The packs that are still to be filled of a share, as its page shows them. */
async function toBeFilled(context: Context, batch: WeighedBatch, share: WeighedBatch['shares'][number]) {
  const { tx, household } = context;
  if (share.fate === 'today') return refuse('What is eaten today is fed from the pot, not bagged.');
  if (share.sealed) refuse('This share is sealed already: its packs are in the store.');
  const dogs = (await readDogs(tx)).filter((dog) => batch.dogIds.includes(dog.id));
  if (dogs.length === 0 && !batch.byProduct) refuse('None of the dogs of this plan is here any more.');
  if (share.fate === 'dry' && !share.dried) refuse('Weigh every tray dry first.', 'trays');
  const kitchen = await readFilling(tx, batch, household.unitSet);
  const filled = proposePacks(batch, dogs, kitchen).get(share.id);
  const proposed = filled ? need(filled) : [];
  if (proposed.length === 0) refuse('Nothing of it is left to be packed.');
  return proposed;
}

/** Seals what is left of a share into packs by their targets: each gets its code, dates and place, and is stock from now on. */
export async function sealShare(context: Context, input: SealEntry): Promise<{ codes: string[] }> {
  const { batch, share } = await shareIn(context, input);
  const proposed = await toBeFilled(context, batch, share);
  const waits = new Map((input.freezeOn ?? []).map(({ index, days }) => [index, days]));
  const waitsAt = waits.size > 0 ? await fridgeFor(context, batch, share, Math.max(...waits.values())) : undefined;
  const trays = traysFor(share, proposed, input.trayByTray);
  const codes = await takeCodes(context, batch.recipeId, proposed.length);
  await sealPacks(
    context,
    proposed.map((each, index) => ({
      ...each,
      code: nth(codes, index),
      weighed: false,
      contents: [{ batch, share, grams: each.grams }],
      ...(input.packaging ? { packaging: input.packaging } : {}),
      ...(trays ? { trays: nth(trays, index) } : {}),
      ...(waitsAt !== undefined && waits.has(index)
        ? { freeze: { on: addDays(context.today, sure(waits.get(index))), waitsAt } }
        : {}),
    })),
    input.damp,
  );
  await refreshBatch(context, batch.id);
  return { codes: [...codes] };
}

/** The fridge where packs wait for their day in the freezer; refused where they would wait longer than it keeps them. */
async function fridgeFor(context: Context, batch: WeighedBatch, share: ShareState, days: number): Promise<number> {
  if (share.fate !== 'freezer') return refuse('Only what is to be frozen waits for it.', 'freezeOn');
  const kind = kindOfShare(batch, share);
  const keeps = fridgeDaysOf(datingIn(context)(rulesNow(context.rules).id), kind);
  if (days > keeps)
    refuse(`The last of them would wait ${days} days: ${kind} food keeps ${keeps} in the fridge.`, 'freezeOn');
  const fridge = (await readPlaces(context.tx)).find(({ kind }) => kind === 'fridge');
  return fridge?.id ?? refuse('There is no fridge for them to wait in.', 'freezeOn');
}

/** Which trays go into which bag: its own where each becomes one, else in their order, of what packs before left on them. */
function traysFor(
  share: ShareState,
  bags: readonly Pick<ProposedPack, 'grams' | 'trayId'>[],
  trayByTray = false,
): readonly (readonly FromTray[])[] | undefined {
  if (bags.every(({ trayId }) => trayId !== undefined))
    return bags.map(({ trayId, grams }) => [{ trayId: sure(trayId), amount: tenths(grams) }]);
  if (!trayByTray || !share.dried) return undefined;
  return bagTrays(
    leftOnTrays(
      share.trays,
      share.packs.map(({ trays }) => trays ?? []),
    ),
    bags.map(({ grams }) => tenths(grams)),
  );
}

/** Seals one pack that was filled on the scale: what was weighed is what it holds, whatever it was to hold. */
export async function fillPack(context: Context, input: FillEntry): Promise<{ code: string; grams: number }> {
  const { batch, share } = await shareIn(context, input);
  const proposed = await toBeFilled(context, batch, share);
  const pack = (input.spread ? spreadRest(proposed) : proposed)[input.index];
  if (!pack) return refuse('This pack is not to be filled any more. Look again.', 'revision');
  const grams = Math.round(input.grams * 10) / 10;
  if (!(grams > 0)) return refuse('The container with the food weighs no more than without. Check the tare.', 'grams');
  const left = share.left ?? 0;
  // A scale and a pot differ by a little; more than that was weighed with something else.
  if (grams > left * (1 + MOST_OVER) + 5)
    return refuse(
      `Only ${inMass(context)(left)} of this share are left: is the container’s own weight taken off?`,
      'grams',
    );
  const [trays] = traysFor(share, [{ ...pack, grams }], input.trayByTray) ?? [];
  const code = nth(await takeCodes(context, batch.recipeId, 1), 0);
  await sealPacks(
    context,
    [
      {
        ...withGrams(pack, grams),
        code,
        weighed: true,
        contents: [{ batch, share, grams }],
        ...(input.packaging ? { packaging: input.packaging } : {}),
        ...(trays ? { trays } : {}),
      },
    ],
    input.damp,
  );
  await noteFill(context, batch, share, pack, grams);
  await refreshBatch(context, batch.id);
  return { code, grams };
}

/** A container that was filled on the scale says how much it takes here. */
async function noteFill(
  { tx, household, now }: Context,
  batch: WeighedBatch,
  share: WeighedBatch['shares'][number],
  { container, short }: ProposedPack,
  grams: number,
): Promise<void> {
  if (container === undefined || short) return;
  const { containers } = await readFilling(tx, batch, household.unitSet);
  const reckoned = containers(share).find(({ name }) => name === container)?.reckoned ?? 0;
  if (isFilling(grams, reckoned))
    await writeMeasured(tx, { kind: 'fill', of: container, value: grams, reckoned, at: now });
}

/** Packs together may weigh so much more than their share before it is asked about (ours, no source). */
const MOST_OVER = 0.02;
