'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { additionOf } from '@/core/dog/bowl-line';
import { weightOn } from '@/core/dog/day-energy';
import { bowlLineEntrySchema, readBowlLine, type BowlLineEntry } from '@/core/dog/keeping-entry';
import { mealsOn } from '@/core/dog/meals';
import { writeDose, writeNumber, writeWeight } from '@/core/quantity/write';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { HouseForm } from '@/ui/form/HouseForm';
import { useHouseForm } from '@/ui/form/use-house-form';
import { addBowlLine, endBowlLine } from '../actions';
import styles from '../dogs.module.css';
import type { DogView } from '../queries';
import { BandRows } from './BandRows';
import { DogForm } from './DogForm';
import { sure } from '@/core/sure';

const RULES = [
  { value: 'flat', label: 'the same every day' },
  { value: 'body weight', label: 'so much for so many kg of dog' },
  { value: 'bands', label: 'as a label prints it, by weight bands' },
] as const;

/** What goes into one dog's bowl beside the food, at which meal. */
export function BowlLinesForm({ view }: { view: DogView }) {
  const { dog, today, set } = view;
  const router = useRouter();
  const meals = mealsOn(dog, today);
  const weight = weightOn(dog, today);
  const blank: BowlLineEntry = {
    what: '',
    unit: '',
    by: 'flat',
    amount: '',
    perKg: '',
    bands: [],
    slotId: sure(meals.at(-1)).id,
    kcal: '',
  };
  const house = useHouseForm({
    slot: `bowl-line-${dog.id}`,
    entry: blank,
    shape: bowlLineEntrySchema,
    read: (typed) => readBowlLine(typed, set),
    action: addBowlLine,
    input: (typed) => ({ dogId: dog.id, entry: typed }),
    onDone: () => {
      form.reset(blank);
      router.refresh();
    },
  });
  const { form, entry, at } = house;
  const end = useCommand(endBowlLine, `end-bowl-line-${dog.id}`);
  const read = readBowlLine(entry, set);
  const dose = read.ok ? additionOf({ ...read.value, id: 1 }, weight) : undefined;
  return (
    <DogForm
      dog={dog}
      title={`At ${dog.name}’s bowl`}
      said="Oils, tablets and drops that belong to one dog, or that heat and air spoil."
      beside={
        <section aria-labelledby="lines">
          <h2 id="lines">Into the bowl</h2>
          <Problems problems={end.problems} />
          {dog.bowlLines.length === 0 ? (
            <p className="soft">Nothing is added yet.</p>
          ) : (
            <ul className="rows">
              {dog.bowlLines.map((line) => {
                const { amount, kcal } = additionOf(line, weight);
                return (
                  <li key={line.id} className="spread">
                    <span>
                      <b>
                        {amount === undefined ? 'no row for its weight' : `${writeDose(amount)} ${line.unit}`}{' '}
                        {line.what}
                      </b>{' '}
                      <span className="note">
                        {dog.slots.find((slot) => slot.id === line.slotId)?.name}
                        {line.kcalPerUnit === undefined
                          ? ' · kcal not known: nothing taken off the food'
                          : ` · ${writeNumber(kcal, 0)} kcal, off the food`}
                      </span>
                    </span>
                    <Button
                      variant="text"
                      size="small"
                      aria-label={`Leave out ${line.what}`}
                      disabled={end.pending}
                      onClick={() => end.run({ dogId: dog.id, lineId: line.id })}
                    >
                      leave out
                    </Button>
                  </li>
                );
              })}
            </ul>
          )}
        </section>
      }
    >
      <HouseForm of={house} shown={['what', 'unit', 'amount', 'perKg', 'kcal', 'slotId']} act="Add it">
        <div className={styles.fields}>
          <Field
            label="What"
            {...form.register('what')}
            problem={at('what')}
            hint="such as fish oil"
            autoComplete="off"
          />
          <Field
            label="Counted in"
            {...form.register('unit')}
            problem={at('unit')}
            hint="mL, tsp, tablets, g"
            autoComplete="off"
          />
        </div>
        <Choice
          label="How much"
          value={entry.by}
          options={RULES}
          onChange={(value) => form.setValue('by', value, { shouldDirty: true })}
        />
        {entry.by === 'bands' ? (
          <BandRows
            name="bands"
            at={at}
            amountLabel={entry.unit.trim() || 'amount'}
            weightHint="such as under 10 kg, 10-25 kg, 30 lb and more"
          />
        ) : (
          <div className={styles.fields}>
            <Field
              label="Amount a day"
              inputMode="decimal"
              {...form.register('amount')}
              problem={at('amount')}
              autoComplete="off"
            />
            {entry.by === 'body weight' && (
              <Field
                label="For so much dog"
                {...form.register('perKg')}
                problem={at('perKg')}
                hint={set === 'us' ? '20 lb' : '10 kg'}
                autoComplete="off"
              />
            )}
          </div>
        )}
        <div className={styles.fields}>
          <Choice
            label="Into"
            value={String(entry.slotId)}
            options={meals.map((meal) => ({ value: String(meal.id), label: meal.name }))}
            onChange={(value) => form.setValue('slotId', Number(value), { shouldDirty: true })}
          />
          <Field
            label="kcal in one"
            inputMode="decimal"
            {...form.register('kcal')}
            problem={at('kcal')}
            hint="From its label, if it has any: it is taken off the food."
            autoComplete="off"
          />
        </div>
        {dose && (
          <p aria-live="polite">
            {dog.name} at {writeWeight(weight, set)}:{' '}
            <b>
              {dose.amount === undefined
                ? 'the label has no row for this weight'
                : `${writeDose(dose.amount)} ${dose.unit}`}
            </b>
          </p>
        )}
      </HouseForm>
    </DogForm>
  );
}
