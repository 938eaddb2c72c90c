import type { Apart } from '@/core/batch/apart';
import { staysOfTake } from '@/core/batch/evidence';
import { wentInOf, type BatchState } from '@/core/batch/fold';
import { strainedIn, type Strained } from '@/core/batch/strained';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { WentIn } from '@/core/portion/yield';
import { recipeSheet } from '@/core/recipe/sheet';
import type { WeighedView, YieldView } from './view';

/** What is weighed by itself: what went into it, what of that is strained out again (undefined: nothing), and what it weighed. */
export interface VesselView {
  readonly place: number;
  readonly name: string;
  readonly wentIn: WentIn;
  readonly strained: Strained | undefined;
  readonly weighed: YieldView | undefined;
}

type Cooked = Exclude<BatchState, { state: 'planned' }>;

/** Until it is divided, a cook may say what is kept apart. */
export function mayKeepApart(batch: BatchState): Apart[] {
  if (batch.state === 'planned' || batch.byProduct) return [];
  if (batch.state === 'weighed' && batch.shares.some((share) => share.grams > 0)) return [];
  const several = new Set(batch.takes.map((take) => take.component)).size > 1;
  const isCooked = batch.day.tasks.some(({ state }) => state === 'done' || state === 'running');
  return [...(several ? ['components' as const] : []), ...(isCooked ? [] : ['lines' as const])];
}

export function vesselsOf(batch: Cooked, factors: EnergyFactors, weighed: WeighedView | undefined): VesselView[] {
  const places =
    batch.apart === 'components'
      ? [...new Set(batch.takes.map((take) => take.component))].sort((a, b) => a - b)
      : batch.apart === 'lines'
        ? []
        : [0];
  return places.map((place) => {
    const takes = batch.apart ? batch.takes.filter((take) => take.component === place) : batch.takes;
    const lines = takes.flatMap((take) => staysOfTake(take, take.weighed)).filter((line) => line.grams > 0);
    return {
      place,
      name: batch.apart ? (batch.components[place]?.name ?? `vessel ${place + 1}`) : 'the pot',
      wentIn: wentInOf(recipeSheet(lines, factors), factors),
      strained: strainedOf(takes, factors),
      weighed: weighed?.yields.find((each) => each.place === place),
    };
  });
}

/** What of a cooked batch is strained out again, as the recipe supposes it. */
function strainedOf(all: Cooked['takes'], factors: EnergyFactors): Strained | undefined {
  const takes = all.filter((take) => take.strained);
  if (takes.length === 0) return undefined;
  const lines = takes.flatMap((take) => staysOfTake(take, take.weighed)).filter((line) => line.grams > 0);
  return { ...strainedIn(takes), holds: wentInOf(recipeSheet(lines, factors), factors) };
}
