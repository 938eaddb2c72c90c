import 'server-only';
import { eq, inArray } from 'drizzle-orm';
import { workOutPlan } from '@/core/plan/result';
import { checkDogs, mustBeSeen } from '@/core/plan/dog-checks';
import type { PlanEntry } from '@/core/plan/plan-entry';
import { standingAgainst } from '@/core/plan/stops';
import { sayHazard } from '@/core/recipe/hazards';
import { batch, plan, planDog } from '../schema/batches';
import { readPlanInputs } from '../repositories/plan-inputs';
import { readStoredPlan } from '../repositories/plans';
import { need, Refusal, refuse, type Context } from './run';
import { nth, sure } from '@/core/sure';

export interface PlanInput {
  readonly entry: PlanEntry;
  /** The plan that is changed; without one a new plan is made. */
  readonly planId?: number;
}

/**
 * Keeps a plan: a batch of each of its recipes, with their amounts. A kept plan may be changed until the first of its
 * batches is cooked; its batches keep their ids as far as they go.
 */
export async function savePlan(
  context: Context,
  { entry, planId }: PlanInput,
): Promise<{ planId: number; batchIds: number[] }> {
  const { tx, now } = context;
  const before = planId === undefined ? undefined : await readStoredPlan(tx, planId);
  if (planId !== undefined) {
    if (!before) refuse('This plan is not here any more.');
    if (!sure(before).open) refuse('Something of this plan is being cooked already: it stands. Copy it to plan anew.');
  }
  const inputs = await readPlanInputs(context, entry, planId);
  const result = need(workOutPlan(inputs, entry));
  const { stops, cautions } = standingAgainst(inputs, result);
  if (stops.length > 0) throw new Refusal(...stops);
  for (const hazard of cautions)
    if (!entry.seen.includes(hazard.id)) refuse(`Look first at ${sayHazard(hazard)}`, 'seen');
  for (const { id, name, why } of mustBeSeen(inputs, entry.lessStock, result, checkDogs(inputs, result)))
    if (!entry.seen.includes(id)) refuse(`Look first: ${name} ${why}`, 'seen');

  const values = {
    firstDay: result.read.firstDay,
    cookDay: result.read.cookDay,
    days: result.days,
    entry,
  };
  const id =
    before?.id ??
    nth(
      await tx
        .insert(plan)
        .values({ ...values, createdAt: now })
        .returning(),
      0,
    ).id;
  if (before) {
    await tx.update(plan).set(values).where(eq(plan.id, id));
    await tx.delete(planDog).where(eq(planDog.planId, id));
  }
  await tx.insert(planDog).values(result.needs.map(({ dogId }) => ({ planId: id, dogId })));
  const batchIds: number[] = [];
  for (const [index, { read, bound, amounts }] of result.batches.entries()) {
    const row = {
      planId: id,
      versionId: read.of.versionId,
      scale: bound.at.scale,
      choices: read.entry.choices ?? null,
      swaps: read.entry.swaps ?? null,
      amounts: [...amounts],
      loads: bound.loads.map((each) => (each?.ok ? each.value.loads : 1)),
    };
    const old = before?.batches[index];
    const [kept] = old
      ? await tx.update(batch).set(row).where(eq(batch.id, old.id)).returning({ id: batch.id })
      : await tx
          .insert(batch)
          .values({ ...row, createdAt: now })
          .returning({ id: batch.id });
    batchIds.push(sure(kept).id);
  }
  const left = (before?.batches ?? []).slice(result.batches.length).map((each) => each.id);
  if (left.length > 0) await tx.update(batch).set({ droppedAt: now }).where(inArray(batch.id, left));
  return { planId: id, batchIds };
}
