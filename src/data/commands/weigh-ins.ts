import 'server-only';
import { eq } from 'drizzle-orm';
import { addDays, daysBetween, readLocalDate } from '@/core/calendar/local-date';
import { dayEnergy } from '@/core/dog/day-energy';
import { rationOn } from '@/core/dog/dog';
import { methodFor, proposalFor } from '@/core/dog/proposal';
import { TREND_WEEKS } from '@/core/dog/trend';
import { readWeighIn, type WeighInEntry } from '@/core/dog/weigh-in-entry';
import { intake, proposalAnswer, weighIn } from '../schema/dogs';
import { readIntake } from '../repositories/eaten';
import { dogIn } from './dog-at-hand';
import { storeRation } from './rations';
import { Refusal, refuse, type Context } from './run';

/** Keeps a weigh-in. Two on one day are both kept; the later counts. */
export async function saveWeighIn(context: Context, input: { dogId: number; entry: WeighInEntry }): Promise<void> {
  const { tx, today, now, household } = context;
  const dog = await dogIn(context, input.dogId);
  const { entry } = input;
  const read = readWeighIn(entry, dog, household.unitSet, today);
  if (!read.ok) throw new Refusal(...read.problems);
  await tx.insert(weighIn).values({
    dogId: dog.id,
    day: read.value.date,
    grams: read.value.grams,
    bodyCondition: read.value.bodyCondition ?? null,
    appetite: entry.appetite || null,
    stool: entry.stool || null,
    note: entry.note.trim() || null,
    createdAt: now,
  });
}

/** Takes a weigh-in back: it stays on record and does not count. The last one of a dog cannot go. */
export async function strikeWeighIn(context: Context, input: { dogId: number; weighInId: number }): Promise<void> {
  const dog = await dogIn(context, input.dogId);
  if (!dog.weighIns.some((entry) => entry.id === input.weighInId)) refuse('This weigh-in was taken back already.');
  if (dog.weighIns.length === 1) refuse('A dog needs one weigh-in. Weigh it again first.');
  await context.tx.update(weighIn).set({ struckAt: context.now }).where(eq(weighIn.id, input.weighInId));
}

export interface IntakeEntry {
  readonly dogId: number;
  readonly from: string;
  readonly to: string;
  readonly kcal: number;
}

/** Writes down what a dog really got over some days, where no bowls were pressed. */
export async function reportIntake(context: Context, entry: IntakeEntry): Promise<void> {
  const dog = await dogIn(context, entry.dogId);
  const from = readLocalDate(entry.from) ?? refuse('From which day?', 'from');
  const to = readLocalDate(entry.to) ?? refuse('To which day?', 'to');
  if (from < dog.birthDate) refuse(`${dog.name} was not born yet.`, 'from');
  if (to > context.today) refuse('This day has not come yet.', 'to');
  if (to < from) refuse('The last day lies before the first.', 'to');
  if (daysBetween(from, to) > 366) refuse('A year at a time.', 'from');
  if (!(entry.kcal >= 20 && entry.kcal <= 20_000)) refuse('kcal a day, from 20 to 20 000.', 'kcal');
  await context.tx.insert(intake).values({ dogId: dog.id, from, to, kcal: entry.kcal, createdAt: context.now });
}

/**
 * Answers what the scale proposes: accepted, adapted to another figure, or left alone. A changed ration carries the
 * proposal's sentence as its reason. The proposal is worked out anew, so that a stale page cannot change a ration.
 */
export async function answerProposal(
  context: Context,
  input: { dogId: number; answer: 'accepted' | 'adapted' | 'ignored'; seen: number | null; kcal: number | null },
): Promise<void> {
  const { tx, today, now, household } = context;
  const dog = await dogIn(context, input.dogId);
  const eaten = await readIntake(tx, dog, addDays(today, -7 * TREND_WEEKS - 7), today);
  const proposal = proposalFor(dog, today, eaten, household.unitSet);
  if (input.answer === 'accepted' && (proposal.to ?? null) !== input.seen) {
    refuse('The figures have moved since this page was opened. Look again.');
  }
  const kcal = input.answer === 'accepted' ? proposal.to : input.answer === 'adapted' ? input.kcal : undefined;
  if (input.answer !== 'ignored' && !(kcal !== undefined && kcal !== null && kcal >= 20 && kcal <= 20_000)) {
    refuse('kcal a day, from 20 to 20 000.', 'kcal');
  }
  const current = rationOn(dog, today);
  const stored =
    kcal === undefined || kcal === null
      ? undefined
      : await storeRation(
          context,
          dog.id,
          {
            ...current,
            from: today,
            method: methodFor(current.method, kcal, input.answer === 'accepted' ? 'weigh-ins' : 'the cook'),
          },
          `${proposal.said}${input.answer === 'adapted' ? ' Adapted by you.' : ''}`,
        );
  await tx.insert(proposalAnswer).values({
    dogId: dog.id,
    day: today,
    answer: input.answer,
    fromKcal: dayEnergy(dog, today).kcal,
    proposedKcal: proposal.to ?? null,
    said: proposal.said,
    rationId: stored?.rationId ?? null,
    createdAt: now,
  });
}
