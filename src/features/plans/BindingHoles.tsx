'use client';

import { Fragment } from 'react';
import { BINDING_KINDS, BINDINGS } from '@/core/plan/bindings/bindings';
import type { BindingHole } from '@/core/plan/bindings/binding';
import { Hole, SelectHole } from './Hole';
import styles from './sentence.module.css';
import type { ThePlan } from './use-plan';

const OFFERS = BINDING_KINDS.map((value) => ({ value, label: BINDINGS[value].offer }));

/** What binds the plan, and how much of it there is. */
export function BindingHoles({ plan, wrong }: { plan: ThePlan; wrong: string | undefined }) {
  const { entry, bind, inputs } = plan;
  const { binding } = entry;
  const lines = entry.batches.flatMap((batch, place) => {
    const recipe = inputs.recipes.find((each) => each.id === batch.recipeId);
    return (recipe?.written ?? []).map((line, index) => ({
      value: `${place}.${index}`,
      label: line.text,
    }));
  });
  const holeOf = (hole: BindingHole) =>
    'text' in hole ? (
      <Hole
        label={hole.label}
        size={hole.size}
        value={binding[hole.text]}
        wrong={wrong === hole.text || (wrong === 'binding' && hole.size === 'amount')}
        onChange={(value) => bind({ [hole.text]: value })}
      />
    ) : (
      <SelectHole
        label={hole.label}
        value={`${binding.batch}.${binding.line}`}
        wrong={wrong === 'line'}
        options={lines}
        onChange={(value) => {
          const [batch, line] = value.split('.').map(Number);
          bind({ batch, line });
        }}
      />
    );
  return (
    <span className={styles.together}>
      <SelectHole
        label="What binds the plan"
        quiet
        value={binding.by}
        options={OFFERS}
        wrong={false}
        onChange={(by) => bind({ by, ...BINDINGS[by].begins(inputs) })}
      />
      {BINDINGS[binding.by].sentence(binding).map((part, index) => (
        <Fragment key={index}> {typeof part === 'string' ? part : holeOf(part)}</Fragment>
      ))}
    </span>
  );
}
