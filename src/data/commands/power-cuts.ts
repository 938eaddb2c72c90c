import 'server-only';
import { and, eq } from 'drizzle-orm';
import { instantAt, readLocalDate } from '@/core/calendar/local-date';
import type { CutAct, SettleCut } from '@/core/preserve/power-cut';
import { sure } from '@/core/sure';
import { readPlaces } from '../repositories/household';
import { readOpenCut, type StoredCut } from '../repositories/power-cuts';
import { powerCut, powerCutEvent } from '../schema/household';
import { refuse, type Context } from './run';
import { sayOfPacks } from './said-of-packs';
import { discardPacks } from './stock';

/** Longer ago nobody asks what a cut did (ours, no source). */
const MOST_HOURS = 14 * 24;
const HOUR = 3_600_000;

/** An instant as a form says it in the household's time; nothing said: now. */
function instantOf({ now, household }: Context, at: string | undefined, field = 'at'): Date {
  if (at === undefined || at === '') return now;
  const [day, clock] = at.split('T');
  const read = day === undefined ? undefined : readLocalDate(day);
  if (!read || clock === undefined || !/^([01]\d|2[0-3]):[0-5]\d/.test(clock))
    return refuse('A day and a time, such as 24 November, 22:05.', field);
  const instant = instantAt(read, clock.slice(0, 5), household.timeZone);
  if (instant.getTime() > now.getTime() + 60_000) refuse('That is still to come.', field);
  if (now.getTime() - instant.getTime() > MOST_HOURS * HOUR) refuse('That is more than two weeks ago.', field);
  return instant;
}

const cutWith = async (context: Context, cutId: number): Promise<StoredCut> => {
  const open = await readOpenCut(context.tx);
  return open?.id === cutId ? open : refuse('This power cut is settled already. Look again.');
};

/** The power is away, from now on or since a while. */
export async function beginCut(context: Context, input: { at?: string }): Promise<{ cutId: number }> {
  if (await readOpenCut(context.tx)) refuse('A power cut is open already: say first what became of it.');
  const startedAt = instantOf(context, input.at);
  const rows = await context.tx.insert(powerCut).values({ startedAt }).returning({ id: powerCut.id });
  return { cutId: sure(rows[0]).id };
}

/** Something that is said of a cut: when, how often a door was opened, what was read, that it is over, that there was none. */
export async function sayOfCut(context: Context, { cutId, of }: CutAct): Promise<void> {
  const { tx, now } = context;
  const cut = await cutWith(context, cutId);
  const own = eq(powerCut.id, cut.id);
  const place = async (placeId: number) => {
    const found = (await readPlaces(tx)).find(({ id }) => id === placeId) ?? refuse('This place is not known.');
    return found.kind === 'cupboard' ? refuse('A cupboard does not mind a power cut.') : found.id;
  };
  const during = (at: Date, field: string) => {
    if (at < cut.startedAt) refuse('That was before the power went.', field);
    return at;
  };
  switch (of.what) {
    case 'from': {
      const startedAt = instantOf(context, of.at);
      if (cut.endedAt && startedAt >= cut.endedAt) refuse('It came back before that.', 'at');
      if (cut.events.some((event) => event.kind === 'read' && event.at < startedAt))
        refuse('A temperature was read before that: unsay it first.', 'at');
      await tx.update(powerCut).set({ startedAt }).where(own);
      return;
    }
    case 'back':
      await tx
        .update(powerCut)
        .set({ endedAt: during(instantOf(context, of.at), 'at') })
        .where(own);
      return;
    case 'still away':
      await tx.update(powerCut).set({ endedAt: null }).where(own);
      return;
    case 'never':
      await tx.update(powerCut).set({ droppedAt: now }).where(own);
      return;
    case 'unsay':
      await tx
        .update(powerCutEvent)
        .set({ unsaidAt: now })
        .where(and(eq(powerCutEvent.id, of.eventId), eq(powerCutEvent.cutId, cut.id)));
      return;
    default: {
      const placeId = await place(of.placeId);
      const at = of.what === 'read' ? during(instantOf(context, of.at), 'at') : now;
      const value = of.what === 'read' ? of.celsius : of.what === 'full' ? of.full : 1;
      await tx.insert(powerCutEvent).values({ cutId: cut.id, placeId, kind: of.what, value, at });
    }
  }
}

/** What a cut had to cost is carried out, after a look: thrown away, frozen again; all of it or nothing. */
export async function settleCut(context: Context, input: SettleCut): Promise<{ movementIds: number[] }> {
  const cut = await cutWith(context, input.cutId);
  if (!cut.endedAt) refuse('The power is still away: nothing is settled yet.');
  const both = input.throwAway.find((id) => input.refreeze.includes(id));
  if (both !== undefined) refuse('A pack is thrown away or frozen again, not both.');
  const why = 'power cut';
  const thrown =
    input.throwAway.length > 0 ? await discardPacks(context, { holdingIds: input.throwAway, why }) : undefined;
  const frozen =
    input.refreeze.length > 0
      ? await sayOfPacks(context, { holdingIds: input.refreeze, is: 'thawed', why })
      : undefined;
  await context.tx.update(powerCut).set({ settledAt: context.now }).where(eq(powerCut.id, cut.id));
  return { movementIds: [...(thrown?.movementIds ?? []), ...(frozen?.movementIds ?? [])] };
}
