'use client';

import { sure } from '@/core/sure';
import { useCommand } from '@/ui/form/use-command';
import type { DryHow } from '@/core/batch/steps/dry';
import { forecastCycle, type CycleForecast } from '@/core/preserve/cycle-time';
import { dryingLeft, TARGET_MOISTURE } from '@/core/preserve/drying-curve';
import { atKnownTray, onTrays, type TraySlip } from '@/core/preserve/tray-slips';
import { cycleAct, sayHowDried } from '../actions';
import type { BatchView } from '../view';
import type { SheetShare } from '../weighed/view';
import type { CycleView, DryerView, DryingView } from './queries';

export interface DryingProps {
  view: BatchView;
  share: SheetShare;
}

export const dryingOf = ({ drying }: BatchView): DryingView => sure(drying);

/** The cycle that a share's trays lie or lay in last. */
export const cycleOf = (view: BatchView, { trays }: SheetShare): CycleView | undefined => {
  const ids = trays.flatMap(({ cycleId }) => (cycleId === undefined ? [] : [cycleId]));
  return dryingOf(view).cycles.findLast(({ id }) => ids.includes(id));
};

/** The machine of a share: the one that it lies in, the one that was chosen, or the first of its kind. */
export function dryerOf(view: BatchView, share: SheetShare): DryerView | undefined {
  const { dryers } = dryingOf(view);
  const kind = share.method === 'dehydrated' ? 'dehydrator' : 'freeze-dryer';
  const id = cycleOf(view, share)?.machineId ?? share.machineId;
  return dryers.find((each) => each.id === id) ?? dryers.find((each) => each.kind === kind);
}

/** Part of a share's food that is solids. */
export const solidsOf = (view: BatchView, share: SheetShare): number =>
  1 - sure(sure(view.weighed).yields.find(({ place }) => place === share.yield)).water;

/** How long its machine takes for what is to be dried of a share. */
export function forecastOf(
  view: BatchView,
  share: SheetShare,
  machine: DryerView | undefined,
): CycleForecast | undefined {
  if (!machine || !share.method) return undefined;
  const wet = share.trays.length > 0 ? onTrays(share.trays) : share.grams;
  return forecastCycle(wet * (1 - solidsOf(view, share)), machine.past, share.method, {
    ...(share.form ? { form: share.form } : {}),
    ...(machine.watts === undefined ? {} : { watts: machine.watts }),
  });
}

const runningOf = (view: BatchView, share: SheetShare): number | undefined => {
  const cycle = cycleOf(view, share);
  return cycle && cycle.state.endedAt === undefined ? cycle.state.running : undefined;
};

/** How long it still takes by the curve through its weighings, to a part of water. */
export const byItsCurve = (view: BatchView, share: SheetShare, moisture: number) =>
  dryingLeft(share.trays, solidsOf(view, share), runningOf(view, share), moisture);

/** Hours that it still takes: by its own curve where it dehydrates and was weighed often enough, else as its machine usually takes. */
export function hoursLeft(view: BatchView, share: SheetShare): number | undefined {
  const own = share.method === 'dehydrated' ? byItsCurve(view, share, TARGET_MOISTURE) : undefined;
  if (own) return own.left;
  const usual = forecastOf(view, share, dryerOf(view, share));
  const running = runningOf(view, share);
  return usual && running !== undefined ? usual.hours - running : undefined;
}

/** Says how a share is dried. */
export function useHow(view: BatchView, share: SheetShare) {
  const command = useCommand(sayHowDried, `how-dried-${share.id}`);
  return { ...command, say: (of: DryHow['of']) => command.run({ batchId: view.id, shareId: share.id, of }) };
}

/** Says what happened to a cycle. */
export const useCycle = (cycleId: number) => useCommand(cycleAct, `cycle-${cycleId}`);

/** It lies in warm air still: what it weighs is on its way, and says nothing of a slip. */
export const isStillDrying = (view: BatchView, share: SheetShare): boolean => {
  const cycle = cycleOf(view, share);
  const runs = share.method === 'dehydrated' && cycle !== undefined && cycle.state.endedAt === undefined;
  return runs && (share.dried?.moisture ?? 1) > TARGET_MOISTURE;
};

/** What of a load's weights does not fit; nothing while it is still drying. */
export const slipsOf = (view: BatchView, share: SheetShare): readonly TraySlip[] =>
  isStillDrying(view, share)
    ? []
    : (share.dried?.slips ?? []).map((slip) => atKnownTray(slip, dryerOf(view, share)?.tare));
