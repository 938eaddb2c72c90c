'use client';

import type { Control, FieldValues, UseFormRegister } from 'react-hook-form';
import { SCHOOL_FIELDS, type SchoolEntry } from '@/core/dog/school-entry';
import type { SchoolKind } from '@/core/dog/schools';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import styles from '../dogs.module.css';
import { BandRows } from './BandRows';

interface SchoolFieldsProps {
  kind: SchoolKind;
  entry: SchoolEntry;
  control: Control<FieldValues>;
  register: UseFormRegister<FieldValues>;
  at: (field: string) => string | undefined;
  setUnit: (unit: SchoolEntry['unit']) => void;
}

/** The figures of one portion school, with the words that it counts in. */
export function SchoolFields({ kind, entry, control, register, at, setUnit }: SchoolFieldsProps) {
  const labels = SCHOOL_FIELDS[kind];
  const units = kind === 'weight table' ? (['g', 'cup'] as const) : (['kcal', 'g', 'cup'] as const);
  return (
    <>
      <div className={styles.fields}>
        {(['amount', 'per', 'makes', 'by'] as const).map(
          (name) =>
            labels[name] && (
              <Field
                key={name}
                label={labels[name]}
                inputMode={name === 'by' ? undefined : 'decimal'}
                {...register(`school.${name}`)}
                problem={at(`school.${name}`)}
                hint={name === 'makes' ? '1: fed as printed; 3: one cup of mix makes three of food.' : undefined}
                autoComplete="off"
              />
            ),
        )}
        {labels.unit && (
          <Choice
            label={labels.unit}
            value={entry.unit}
            options={units.map((value) => ({ value, label: value === 'cup' ? 'cups' : value }))}
            onChange={setUnit}
          />
        )}
      </div>
      {kind === 'weight table' && (
        <BandRows
          control={control}
          register={register}
          name="school.bands"
          at={at}
          amountLabel={`${entry.unit === 'cup' ? 'cups' : 'g'} a day`}
          weightHint="such as up to 5 kg, 5-10 kg or over 25 kg"
        />
      )}
    </>
  );
}
