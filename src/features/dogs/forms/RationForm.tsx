'use client';

import Checkbox from '@mui/material/Checkbox';
import { Controller } from 'react-hook-form';
import { dayEnergy } from '@/core/dog/day-energy';
import { rationOn } from '@/core/dog/dog';
import { WORK_WORDS, WORKS } from '@/core/dog/maintenance-factor';
import { NRC_FACTORS } from '@/core/dog/method';
import { METHOD_OFFERS, type MethodChoice } from '@/core/dog/ration-entry';
import { beginSchool, isSchoolKind, needsFood } from '@/core/dog/schools/schools';
import { writeKcal, writeNumber } from '@/core/quantity/write';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/form/Choice';
import { Field, FieldNote } from '@/ui/form/Field';
import { HouseForm } from '@/ui/form/HouseForm';
import { Why } from '@/ui/Why';
import styles from '../dogs.module.css';
import type { DogView } from '../queries';
import { SchoolFields } from './SchoolFields';
import { DogForm } from './DogForm';
import { useRationForm } from './use-ration-form';

const WORK_OPTIONS = WORKS.map((value) => ({ value, label: WORK_WORDS[value] }));
const SHOWN = [
  'method',
  'goal',
  'factor',
  'k',
  'kcal',
  'recipeId',
  'from',
  'school.amount',
  'school.per',
  'school.by',
  'school.makes',
  'sure',
];

/** How a dog's day is set, from a day on; what it comes to stands beside it while it is typed. */
export function RationForm({ view }: { view: DogView }) {
  const { dog, today, recipes } = view;
  const {
    given,
    house,
    read: readTyped,
  } = useRationForm(view, `ration-${dog.id}`, ({ recipeId }) => ({
    recipeId: recipeId ?? view.recipe?.recipeId ?? null,
  }));
  const { form, entry, at } = house;
  const school = isSchoolKind(entry.method) ? entry.method : undefined;
  const read = readTyped(entry);
  const choose = (method: MethodChoice) => {
    form.setValue('method', method, { shouldDirty: true });
    if (isSchoolKind(method) && method !== given.method) form.setValue('school', beginSchool(method));
    form.clearErrors();
  };
  return (
    <DogForm
      dog={dog}
      title={`How ${dog.name}’s day is worked out`}
      beside={
        read.ok ? (
          <Outcome dog={{ ...dog, rations: [{ ...rationOn(dog, today), ...read.value, from: today }] }} today={today} />
        ) : (
          <p className="soft">What it comes to stands here as soon as the form can be read.</p>
        )
      }
    >
      <HouseForm of={house} shown={SHOWN} act="Set it">
        <Choice label="Worked out by" value={entry.method} options={METHOD_OFFERS} onChange={choose} />
        {entry.method === 'factor' && (
          <Field
            label="Factor × RER"
            inputMode="decimal"
            {...form.register('factor')}
            problem={at('factor')}
            hint="1.0 slims, 1.2 prone to gain, 1.6 neutered, 2 and more for work."
          />
        )}
        {entry.method === 'nrc' && (
          <Field
            label="k, kcal per kg^0.75"
            inputMode="decimal"
            {...form.register('k')}
            problem={at('k')}
            hint={NRC_FACTORS.map(({ k, words }) => `${k} ${words}`).join(' · ')}
          />
        )}
        {entry.method === 'kcal' && (
          <Field label="kcal a day" inputMode="decimal" {...form.register('kcal')} problem={at('kcal')} />
        )}
        {school && (
          <SchoolFields
            kind={school}
            entry={entry.school}
            at={at}
            setUnit={(unit) => form.setValue('school.unit', unit, { shouldDirty: true })}
          />
        )}
        {school && needsFood(school, entry.school) && (
          <Choice
            label="Worked out with"
            value={String(entry.recipeId ?? '')}
            options={[
              ...(entry.recipeId === null ? [{ value: '', label: 'choose a food' }] : []),
              ...recipes.map((recipe) => ({ value: String(recipe.recipeId), label: recipe.facts.name })),
            ]}
            onChange={(value) => form.setValue('recipeId', value === '' ? null : Number(value), { shouldDirty: true })}
          />
        )}
        {at('recipeId') && <FieldNote problem={at('recipeId')} />}
        {(entry.method === 'table' || entry.method === 'factor' || entry.method === 'short form') && (
          <>
            <Choice
              label="Its day"
              value={entry.work}
              options={WORK_OPTIONS}
              onChange={(value) => form.setValue('work', value, { shouldDirty: true })}
            />
            <Controller
              control={form.control}
              name="proneToGain"
              render={({ field }) => (
                <label className={styles.tick}>
                  <Checkbox checked={field.value} onChange={(_, on) => field.onChange(on)} />
                  Prone to gain weight
                </label>
              )}
            />
          </>
        )}
        {(at('sure') || entry.sure) && (
          <Caution role="alert">
            {at('sure')}
            <label className={styles.tick}>
              <Checkbox
                checked={entry.sure ?? false}
                onChange={(_, on) => form.setValue('sure', on, { shouldDirty: true, shouldValidate: true })}
              />
              Yes, it is meant so
            </label>
          </Caution>
        )}
        <div className={styles.fields}>
          <Field
            label="Goal weight"
            {...form.register('goal')}
            problem={at('goal')}
            hint="Empty: it keeps what it weighs. Under its weight it slims on 1.0 × RER of the goal."
            autoComplete="off"
          />
          <Field label="From" type="date" {...form.register('from')} problem={at('from')} />
        </div>
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

function Outcome({ dog, today }: { dog: DogView['dog']; today: DogView['today'] }) {
  const energy = dayEnergy(dog, today);
  return (
    <>
      <h2>
        {dog.name} {energy.verb}
      </h2>
      <p>
        <span className="figure">{writeKcal(energy.kcal)}</span> kcal a day{' '}
        <Why of={energy.explanation} about="the day’s energy" />
      </p>
      <p className="soft">
        {energy.because} · {writeNumber(energy.factor, 2)} × RER
        {energy.range[1] > energy.range[0] &&
          ` · ${writeNumber(energy.range[0], 0)} to ${writeNumber(energy.range[1], 0)} allowed`}
      </p>
      {energy.homeKcal < energy.kcal && (
        <p className="soft">{writeNumber(energy.homeKcal, 0)} kcal of it from the pot</p>
      )}
    </>
  );
}
