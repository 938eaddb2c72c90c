'use client';

import { writeWeight } from '@/core/quantity/write';
import { sure } from '@/core/sure';
import { Field } from '@/ui/form/Field';
import { HouseForm } from '@/ui/form/HouseForm';
import type { DogView } from '../queries';
import { WeightCurve } from '../WeightCurve';
import { DogForm } from './DogForm';
import { useRationForm } from './use-ration-form';

/** The weight that a dog is to come to, alone: a ration from today that is otherwise as it is. */
export function GoalForm({ view }: { view: DogView }) {
  const { dog, today, set } = view;
  const { house } = useRationForm(view, `goal-${dog.id}`);
  const { form, at } = house;
  return (
    <DogForm
      dog={dog}
      title={`What ${dog.name} is to weigh`}
      said={`now ${writeWeight(sure(dog.weighIns.at(-1)).grams, set)}`}
      beside={<WeightCurve dog={dog} today={today} set={set} />}
    >
      <HouseForm of={house} shown={['goal', 'reason']} act="Set the goal">
        <Field
          label="Goal weight"
          {...form.register('goal')}
          problem={at('goal')}
          hint="Empty: it keeps what it weighs. Under its weight it slims on 1.0 × RER of the goal."
          autoComplete="off"
        />
        <Field
          label="Why"
          {...form.register('reason')}
          problem={at('reason')}
          hint="For the history: who said so, what was seen."
          autoComplete="off"
        />
      </HouseForm>
    </DogForm>
  );
}
