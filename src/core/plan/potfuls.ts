import type { Figures } from './figures';
import { evenLoads, fewestLoads, type FillLimit } from './loads';
import type { Bound, BoundBatch, BatchToBind, ToPlan } from './to-plan';
import { nth } from '../sure';

/** What each load of a component takes in its vessel by itself, and all the rest, in the unit of the vessel's limit. */
function roomIn(batch: BatchToBind, figures: Figures, place: number, loads: number, { unit }: FillLimit) {
  const of = (own: Figures) => nth(unit === 'g' ? own.weights : own.rooms, place);
  const added = of(nth(batch.parts.perLoad, place));
  return { added, rest: Math.max(0, of(figures) - loads * added) };
}

/** Whether a line is bound to the loads of a component: else their number changes nothing but the cook's work. */
const isBoundToLoads = (batch: BatchToBind, place: number): boolean =>
  (batch.parts.perLoad[place]?.bought ?? []).some((mass) => mass > 0);

/**
 * How many loads each component of a recipe asks for at these figures, where a line is bound to them; else, and where
 * it cannot fit, 1.
 */
export const loadsAsked = (batch: BatchToBind, figures: Figures, counts: readonly number[]): number[] =>
  batch.limits.map((limit, place) => {
    if (!limit || !isBoundToLoads(batch, place)) return 1;
    const { added, rest } = roomIn(batch, figures, place, counts[place] ?? 1, limit);
    const loads = fewestLoads(rest, added, limit.limit);
    return Number.isFinite(loads) ? loads : 1;
  });

/** The vesselfuls of each component of a recipe at these figures. */
export const loadsOf = (batch: BatchToBind, figures: Figures, counts: readonly number[]): BoundBatch['loads'] =>
  batch.vessels.map((vessel, place) => {
    const limit = batch.limits[place];
    if (!vessel || !limit) return undefined;
    const { added, rest } = roomIn(batch, figures, place, counts[place] ?? 1, limit);
    return evenLoads(rest, added, limit, vessel.name, isBoundToLoads(batch, place) ? counts[place] : 1);
  });

/** Of how many full vesselfuls a plan is, by the component that needs most. */
export const potfulsOf = (plan: ToPlan, bound: Pick<Bound, 'batches'>): number =>
  Math.max(
    0,
    ...bound.batches.flatMap((own, index) =>
      nth(plan.batches, index).limits.map((limit, place) => {
        if (!limit) return 0;
        const { added, rest } = roomIn(nth(plan.batches, index), own.figures, place, own.at.loads[place] ?? 1, limit);
        return rest / Math.max(1e-9, limit.limit - added);
      }),
    ),
  );
