import 'server-only';
import { and, asc, desc, eq, gte, isNull, sql } from 'drizzle-orm';
import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { dayEnergy } from '@/core/dog/day-energy';
import { mealsOn } from '@/core/dog/meals';
import type { IntakeOn } from '@/core/dog/upkeep';
import type { Tx } from '../database';
import { intake, proposalAnswer } from '../schema/dogs';
import { bowl, bowlPart } from '../schema/bowls';
import type { StoredDog } from './dogs';
import { addUp } from '@/core/add-up';

/**
 * What a dog really got, by day, in kcal: what the cook reported, or else the day's bowls with the extras of its
 * ration. A day on which not every meal was pressed, or of which nobody knows what something held that it got besides, is
 * unknown, never less.
 */
export async function readIntake(tx: Tx, dog: StoredDog, from: LocalDate, to: LocalDate): Promise<IntakeOn> {
  const left = sql`coalesce((select sum(l.kcal) from bowl_left l where l.bowl_id = ${bowl.id} and l.reversed_by is null), 0)`;
  const bowls = await tx
    .select({ day: bowl.day, slotId: bowl.slotId, kcal: sql<number>`(sum(${bowlPart.kcal}) - ${left})::float8` })
    .from(bowl)
    .innerJoin(bowlPart, eq(bowlPart.bowlId, bowl.id))
    .where(and(eq(bowl.dogId, dog.id), isNull(bowl.reversedBy), gte(bowl.day, from)))
    .groupBy(bowl.id, bowl.day, bowl.slotId);
  const reports = await tx.select().from(intake).where(eq(intake.dogId, dog.id)).orderBy(asc(intake.id));
  const byDay = new Map<LocalDate, number>();
  const fedOn = new Map<LocalDate, typeof bowls>();
  for (const row of bowls) fedOn.set(row.day, [...(fedOn.get(row.day) ?? []), row]);
  for (const [day, fed] of fedOn) {
    const energy = dayEnergy(dog, day);
    const meals = mealsOn(dog, day, energy);
    // A meal that the pot brings nothing to is never pressed.
    if (!meals.filter((meal) => meal.kcal > 0).every((meal) => fed.some((row) => row.slotId === meal.id))) continue;
    const added = addUp(
      meals.flatMap((meal) => meal.additions),
      (each) => each.kcal,
    );
    const between = dog.given.filter((each) => each.day === day && each.kind !== 'meal');
    if (between.some(({ kcal }) => kcal === undefined)) continue;
    const beside = energy.extras.kcal + (energy.oldFood?.kcal ?? 0) + added + addUp(between, (each) => each.kcal ?? 0);
    byDay.set(day, addUp(fed, (row) => row.kcal) + beside);
  }
  for (const report of reports) {
    for (let day = report.from; day <= report.to && day <= to; day = addDays(day, 1)) byDay.set(day, report.kcal);
  }
  return (day) => byDay.get(day);
}

export interface StoredIntake {
  readonly from: LocalDate;
  readonly to: LocalDate;
  readonly kcal: number;
}

export const readReports = async (tx: Tx, dogId: number): Promise<StoredIntake[]> =>
  tx
    .select({ from: intake.from, to: intake.to, kcal: intake.kcal })
    .from(intake)
    .where(eq(intake.dogId, dogId))
    .orderBy(asc(intake.from), asc(intake.id));

/** What was proposed and answered, newest first. */
export const readAnswers = async (tx: Tx, dogId: number) =>
  tx.select().from(proposalAnswer).where(eq(proposalAnswer.dogId, dogId)).orderBy(desc(proposalAnswer.id));
