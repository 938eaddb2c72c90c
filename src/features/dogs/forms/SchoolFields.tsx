'use client';

import { useFormContext } from 'react-hook-form';
import type { SchoolEntry } from '@/core/dog/schools/school';
import { SCHOOLS, type SchoolKind } from '@/core/dog/schools/schools';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import styles from '../dogs.module.css';
import { BandRows } from './BandRows';

interface SchoolFieldsProps {
  kind: SchoolKind;
  entry: SchoolEntry;
  at: (field: string) => string | undefined;
  setUnit: (unit: SchoolEntry['unit']) => void;
}

/** The figures of one portion school, with the words that it counts in. */
export function SchoolFields({ kind, entry, at, setUnit }: SchoolFieldsProps) {
  const { register } = useFormContext();
  const { fields, units } = SCHOOLS[kind];
  return (
    <>
      <div className={styles.fields}>
        {(['amount', 'per', 'makes', 'by'] as const).map(
          (name) =>
            fields[name] && (
              <Field
                key={name}
                label={fields[name]}
                inputMode={name === 'by' ? undefined : 'decimal'}
                {...register(`school.${name}`)}
                problem={at(`school.${name}`)}
                hint={name === 'makes' ? '1: fed as printed; 3: one cup of mix makes three of food.' : undefined}
                autoComplete="off"
              />
            ),
        )}
        {fields.unit && (
          <Choice
            label={fields.unit}
            value={entry.unit}
            options={units.map((value) => ({ value, label: value === 'cup' ? 'cups' : value }))}
            onChange={setUnit}
          />
        )}
      </div>
      {fields.bands && (
        <BandRows
          name="school.bands"
          at={at}
          amountLabel={`${entry.unit === 'cup' ? 'cups' : 'g'} ${fields.bands}`}
          weightHint="such as up to 5 kg, 5-10 kg or over 25 kg"
        />
      )}
    </>
  );
}
