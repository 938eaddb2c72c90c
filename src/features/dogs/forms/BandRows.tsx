'use client';

import Button from '@mui/material/Button';
import { useFieldArray, useFormContext } from 'react-hook-form';
import type { BandEntry } from '@/core/dog/bands-entry';
import { Field, FieldNote } from '@/ui/form/Field';
import styles from '../dogs.module.css';

interface BandRowsProps {
  name: string;
  at: (field: string) => string | undefined;
  amountLabel: string;
  weightHint: string;
}

const EMPTY: BandEntry = { weight: '', amount: '' };

/** The rows of a printed table: for these weights, so much. */
export function BandRows({ name, at, amountLabel, weightHint }: BandRowsProps) {
  const { control, register } = useFormContext();
  const rows = useFieldArray({ control, name });
  return (
    <div className="stack">
      {rows.fields.map((row, index) => (
        <div key={row.id} className={styles.pair}>
          <Field
            label={`Row ${index + 1}: for dogs of`}
            {...register(`${name}.${index}.weight`)}
            problem={at(`${name}.${index}.weight`)}
            hint={index === 0 ? weightHint : undefined}
            autoComplete="off"
          />
          <Field
            label={`Row ${index + 1}: ${amountLabel}`}
            inputMode="decimal"
            {...register(`${name}.${index}.amount`)}
            problem={at(`${name}.${index}.amount`)}
            autoComplete="off"
          />
          <Button variant="text" size="small" aria-label={`Remove row ${index + 1}`} onClick={() => rows.remove(index)}>
            remove
          </Button>
        </div>
      ))}
      <div>
        <Button variant="outlined" onClick={() => rows.append(EMPTY)}>
          One more row
        </Button>
        {rows.fields.length === 0 && at(`${name}.0.weight`) && <FieldNote problem={at(`${name}.0.weight`)} />}
      </div>
    </div>
  );
}
