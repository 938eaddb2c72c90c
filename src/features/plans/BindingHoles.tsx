'use client';

import { usualPiece } from '@/core/plan/ways';
import { usualBinding, type TypedBinding, type Way } from '@/core/plan/binding-entry';
import { isDryer, sizeOf } from '@/core/plan/equipment';
import { Hole, SelectHole } from './Hole';
import styles from './sentence.module.css';
import type { ThePlan } from './use-plan';

const WAYS: readonly { readonly value: Way; readonly label: string }[] = [
  { value: 'days', label: 'for' },
  { value: 'amount', label: 'as much as comes to' },
  { value: 'containers', label: 'to fill containers:' },
  { value: 'pieces', label: 'to form pieces:' },
  { value: 'trays', label: 'to fill dryer trays:' },
  { value: 'at hand', label: 'from what is here:' },
  { value: 'freezer', label: 'to fill the freezer:' },
  { value: 'potfuls', label: 'in full pots:' },
];

/** The hole that an amount stands in, by what binds. */
const AMOUNT_HOLES: Readonly<Partial<Record<Way, keyof TypedBinding>>> = {
  amount: 'amount',
  containers: 'size',
  pieces: 'size',
  trays: 'size',
  'at hand': 'atHand',
  freezer: 'space',
};

/** What binds the plan, and how much of it there is. */
export function BindingHoles({ plan, wrong }: { plan: ThePlan; wrong: string | undefined }) {
  const { entry, bind, ground } = plan;
  const { binding } = entry;
  const hole = (
    field: 'days' | 'amount' | 'count' | 'size' | 'atHand' | 'space',
    label: string,
    size: 'count' | 'amount',
  ) => (
    <Hole
      label={label}
      size={size}
      value={binding[field]}
      wrong={wrong === field || (wrong === 'amount' && AMOUNT_HOLES[binding.by] === field)}
      onChange={(value) => bind({ [field]: value })}
    />
  );
  const usual = usualBinding(ground.set);
  const container = ground.equipment.find((thing) => thing.kind === 'container');
  const dryer = ground.equipment.find(isDryer);
  /** What a count and a size begin with when another way is chosen: what this kitchen has. */
  const begins = (by: Way): Partial<TypedBinding> => {
    if (by === 'pieces') return { count: '100', size: usualPiece(ground.set) };
    if (by === 'potfuls') return { count: '1' };
    if (by === 'trays')
      return { count: String(dryer?.count ?? 4), size: dryer ? sizeOf(dryer, ground.set) : usual.size };
    if (by !== 'containers') return {};
    return {
      count: usual.count,
      size: container ? sizeOf(container, ground.set) : usual.size,
    };
  };
  const lines = entry.dishes.flatMap((dish, place) => {
    const recipe = ground.recipes.find((each) => each.id === dish.recipeId);
    return (recipe?.written ?? []).map((line, index) => ({
      value: `${place}.${index}`,
      label: line.preparation ?? line.source.food.name,
    }));
  });
  return (
    <span className={styles.together}>
      <SelectHole
        label="What binds the plan"
        quiet
        value={binding.by}
        options={WAYS}
        wrong={false}
        onChange={(by) => bind({ by, ...begins(by) })}
      />{' '}
      {binding.by === 'days' && (
        <>
          {hole('days', 'Days', 'count')} {binding.days.trim() === '1' ? 'day' : 'days'}
        </>
      )}
      {binding.by === 'amount' && hole('amount', 'Finished food', 'amount')}
      {binding.by === 'containers' && (
        <>
          {hole('count', 'Containers', 'count')} of {hole('size', 'One container holds', 'amount')}
        </>
      )}
      {binding.by === 'pieces' && (
        <>
          {hole('count', 'Pieces', 'count')} of {hole('size', 'One piece weighs raw', 'amount')} raw
        </>
      )}
      {binding.by === 'trays' && (
        <>
          {hole('count', 'Trays', 'count')} of {hole('size', 'On one tray', 'amount')}
        </>
      )}
      {binding.by === 'potfuls' && hole('count', 'Full pots', 'count')}
      {binding.by === 'freezer' && <>{hole('space', 'Free in the freezer', 'amount')} free</>}
      {binding.by === 'at hand' && (
        <>
          {hole('atHand', 'How much is here', 'amount')} of{' '}
          <SelectHole
            label="What is here"
            value={`${binding.dish}.${binding.line}`}
            wrong={wrong === 'line'}
            options={lines}
            onChange={(value) => {
              const [dish, line] = value.split('.').map(Number);
              bind({ dish, line });
            }}
          />
        </>
      )}
    </span>
  );
}
