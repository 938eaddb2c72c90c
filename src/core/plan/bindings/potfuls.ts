import { fine, refused } from '../../problem';
import type { UnitSet } from '../../quantity/units';
import { writeNumber } from '../../quantity/write';
import type { Equipment } from '../equipment';
import type { PlanInputs } from '../inputs';
import { potfulsOf } from '../potfuls';
import type { PlannedBatch, PlanResult } from '../result';
import { readCount } from '../typed-amount';
import { wholeCount, type PlanBinding, type Typed } from './binding';
import { many, writeRoom, type BindingRow } from './row';

/** The vesselfuls of each component. */
function potRows({ batches }: PlanResult, typed: Typed, { set }: PlanInputs): BindingRow[] {
  const fills = batches.flatMap(({ bound }) =>
    bound.loads.flatMap((loads) => (loads?.ok ? [loads.value.loads * loads.value.full] : [])),
  );
  // Full pots are those of the component that needs most: the others follow.
  const most = Math.max(0, ...fills);
  return batches.flatMap((batch) =>
    batch.bound.loads.flatMap((loads, place): BindingRow[] => {
      const vessel = batch.read.vessels[place];
      if (!loads?.ok || !vessel) return [];
      const { loads: count, full, explanation } = loads.value;
      return [
        {
          key: `pot-${batch.read.recipeId}-${place}`,
          label: nameOfLoad(batch, place, batches.length > 1, vessel, set),
          said: `${many(count, count === 1 ? 'load' : 'even load')}, ${writeNumber(full * 100, 0)} % full`,
          used: full,
          over: false,
          binds: typed.by === 'potfuls' && count * full > most - 1e-9,
          bind: { by: 'potfuls', count: String(count) },
          why: explanation,
        },
      ];
    }),
  );
}

/** A vessel with its size and, where there are several, what is cooked in it. */
function nameOfLoad(batch: PlannedBatch, place: number, several: boolean, vessel: Equipment, set: UnitSet): string {
  const size = vessel.millilitres === undefined ? '' : `, ${writeRoom(vessel.millilitres, set)}`;
  const of = [
    ...(batch.read.vessels.length > 1 ? [batch.read.of.components[place]?.name ?? ''] : []),
    ...(several ? [batch.read.of.protein.word] : []),
  ].filter(Boolean);
  return `${vessel.name}${size}${of.length > 0 ? `: ${of.join(', ')}` : ''}`;
}

/** So many full potfuls. */
export const potfuls: PlanBinding<{ readonly by: 'potfuls'; readonly count: number }> = {
  key: 'potfuls',
  offer: 'in full pots:',
  sentence: () => [{ text: 'count', label: 'Full pots', size: 'count' }],
  usual: () => ({}),
  begins: () => ({ count: '1' }),
  read(typed) {
    const count = readCount(typed.count, 'count', 'How many potfuls? A whole number from 1.');
    return count.ok ? fine({ by: 'potfuls', count: count.value }) : count;
  },
  wanted(plan, { count }) {
    if (plan.batches.every((batch) => batch.vessels.every((vessel) => vessel === undefined)))
      return refused('No vessel is known yet: add the pot under Household.', 'vessel');
    return wholeCount(count, 'potfuls') ?? fine({ wanted: count, figure: (bound) => potfulsOf(plan, bound) });
  },
  rows: potRows,
};
