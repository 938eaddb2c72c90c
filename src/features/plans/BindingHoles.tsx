'use client';

import { Fragment } from 'react';
import { BINDING_KINDS, BINDINGS } from '@/core/plan/bindings/bindings';
import { readLocalDate } from '@/core/calendar/local-date';
import { gramsInHouse } from '@/core/plan/bindings/at-hand';
import { typedMass } from '@/core/quantity/write';
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
  /** As much of a line as the books say is here. */
  const asInHouse = (batch: number, line: number) => {
    const recipe = inputs.recipes.find((each) => each.id === entry.batches[batch]?.recipeId);
    const key = recipe?.written[line]?.source.food.ndb;
    const cookDay = readLocalDate(entry.cookDay) ?? inputs.today;
    const here = key === undefined ? undefined : gramsInHouse(key, inputs, cookDay);
    return here === undefined ? {} : { atHand: typedMass(here, inputs.set) };
  };
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
          const [batch = 0, line = 0] = value.split('.').map(Number);
          bind({ batch, line, ...asInHouse(batch, line) });
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
        onChange={(by) =>
          bind({
            by,
            ...BINDINGS[by].begins(inputs),
            ...(by === 'at hand' ? asInHouse(binding.batch, binding.line) : {}),
          })
        }
      />
      {BINDINGS[binding.by].sentence(binding).map((part, index) => (
        <Fragment key={index}> {typeof part === 'string' ? part : holeOf(part)}</Fragment>
      ))}
    </span>
  );
}
