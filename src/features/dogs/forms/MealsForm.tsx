'use client';

import { writePlain } from '@/core/quantity/write';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useRouter } from 'next/navigation';
import { Controller, useFieldArray } from 'react-hook-form';
import { rationOn } from '@/core/dog/dog';
import { MOST_MEALS, partsOn } from '@/core/dog/meals';
import { mealsEntrySchema, readMeals, type MealsEntry } from '@/core/dog/meals-entry';
import { Choice } from '@/ui/form/Choice';
import { Field, FieldNote } from '@/ui/form/Field';
import { HouseForm } from '@/ui/form/HouseForm';
import { useHouseForm } from '@/ui/form/use-house-form';
import { setMeals } from '../actions';
import styles from '../dogs.module.css';
import type { DogView } from '../queries';
import { DogForm } from './DogForm';
import { sure } from '@/core/sure';

function entryOf({ dog, today }: DogView): MealsEntry {
  const rows = partsOn(dog, today)
    .map((part) => ({ ...part, slot: sure(dog.slots.find((slot) => slot.id === part.slotId)) }))
    .sort((a, b) => a.slot.clock.localeCompare(b.slot.clock));
  return {
    usual: rationOn(dog, today).meals === undefined,
    rows: rows.map(({ slot, fraction, recipeId }) => ({
      slotId: slot.id,
      name: slot.name,
      clock: slot.clock,
      percent: writePlain(fraction * 100, 1),
      recipeId: recipeId ?? null,
    })),
  };
}

/** When a dog eats, how much of the day each time, and of which recipe. */
export function MealsForm({ view }: { view: DogView }) {
  const { dog, recipes } = view;
  const router = useRouter();
  const house = useHouseForm({
    slot: `meals-${dog.id}`,
    entry: entryOf(view),
    shape: mealsEntrySchema,
    read: readMeals,
    action: setMeals,
    input: (typed) => ({ dogId: dog.id, entry: typed }),
    onDone: () => router.push(`/dogs/${dog.id}`),
  });
  const { form, entry, at } = house;
  const rows = useFieldArray({ control: form.control, name: 'rows' });
  return (
    <DogForm
      dog={dog}
      title={`${dog.name}’s meals`}
      said="Two a day for adults, more for pups and nursing dogs (common practice)."
    >
      <HouseForm of={house} shown={['rows']} act="Keep the meals">
        <Controller
          control={form.control}
          name="usual"
          render={({ field }) => (
            <label className={styles.tick}>
              <Checkbox checked={field.value} onChange={(_, on) => field.onChange(on)} />
              The usual meals for its age: they change by themselves as it grows
            </label>
          )}
        />
        {!entry.usual && (
          <>
            {rows.fields.map((row, index) => (
              <fieldset key={row.id} className={styles.meal}>
                <legend className="away">Meal {index + 1}</legend>
                <Field
                  label={`Meal ${index + 1}`}
                  {...form.register(`rows.${index}.name`)}
                  problem={at(`rows.${index}.name`)}
                  autoComplete="off"
                />
                <Field
                  label={`Time of meal ${index + 1}`}
                  type="time"
                  {...form.register(`rows.${index}.clock`)}
                  problem={at(`rows.${index}.clock`)}
                />
                <Field
                  label={`Part of meal ${index + 1}`}
                  inputMode="decimal"
                  unit="%"
                  {...form.register(`rows.${index}.percent`)}
                  problem={at(`rows.${index}.percent`)}
                />
                <Choice
                  label={`Recipe of meal ${index + 1}`}
                  value={String(entry.rows[index]?.recipeId ?? '')}
                  options={[
                    { value: '', label: 'whatever is at hand' },
                    ...recipes.map((recipe) => ({ value: String(recipe.recipeId), label: recipe.facts.name })),
                  ]}
                  onChange={(value) =>
                    form.setValue(`rows.${index}.recipeId`, value === '' ? null : Number(value), { shouldDirty: true })
                  }
                />
                <Button
                  variant="text"
                  size="small"
                  aria-label={`Remove meal ${index + 1}`}
                  onClick={() => rows.remove(index)}
                >
                  remove
                </Button>
              </fieldset>
            ))}
            {at('rows') && <FieldNote problem={at('rows')} />}
            <div>
              <Button
                variant="outlined"
                disabled={rows.fields.length >= MOST_MEALS}
                onClick={() => rows.append({ slotId: null, name: '', clock: '', percent: '', recipeId: null })}
              >
                One more meal
              </Button>
            </div>
          </>
        )}
      </HouseForm>
    </DogForm>
  );
}
