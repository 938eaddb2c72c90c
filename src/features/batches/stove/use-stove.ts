'use client';

import { useMemo } from 'react';
import type { CookAct } from '@/core/batch/steps/cook';
import { clockIn } from '@/core/calendar/local-date';
import { planDay, tasksAtHand, type DayPlan } from '@/core/cook/day-plan';
import { mayRing } from '@/ui/alarm';
import { useCommand } from '@/ui/form/use-command';
import { useServerNow } from '@/ui/server-time';
import { cookBatch } from '../actions';
import type { BatchView } from '../view';
import type { StoveView } from './queries';

/** The cook day as it stands this second: what is at hand, what rings, and the way to write down what happened. */
export function useStove(view: BatchView, stove: StoveView) {
  const now = useServerNow(stove.now);
  // The plan moves with the minute, not with the second.
  const minute = Math.floor(now.getTime() / 60_000);
  const plan = useMemo(
    () => planDay(stove.day, stove.startedAt, new Date(Math.max(minute * 60_000, stove.now.getTime()))),
    [stove, minute],
  );
  const command = useCommand(cookBatch, `cook-${view.id}`);
  return {
    now,
    plan: plan.ok ? plan.value : undefined,
    problem: plan.ok ? undefined : plan.problem.message,
    atHand: plan.ok ? tasksAtHand(stove.day, plan.value, now) : [],
    clock: (instant: Date) => clockIn(instant, stove.timeZone),
    command,
    act: (of: CookAct) => {
      // A press is what a browser asks for before it may ring later.
      if (of.act === 'done' || of.act === 'timer') mayRing();
      command.run({ batchId: view.id, of });
    },
  };
}

export type Stove = ReturnType<typeof useStove>;
export type { DayPlan };
