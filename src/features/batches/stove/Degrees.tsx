'use client';

import Button from '@mui/material/Button';
import { readFoodTemperature } from '@/core/heat/heat-check';
import type { Outcome } from '@/core/problem';
import { Field } from '@/ui/form/Field';
import { writePlain } from '@/core/quantity/write';
import { FromInstrument } from '@/ui/counter/FromInstrument';
import { useUnits } from '@/ui/units';
import styles from './stove.module.css';

/** A temperature as it is typed, and whether its unit was asked about and confirmed. */
export interface TypedDegrees {
  readonly text: string;
  readonly sure: boolean;
  /** It was taken from the probe as it stands. */
  readonly instrument?: 'probe';
}
export const NO_DEGREES: TypedDegrees = { text: '', sure: false };

/** Reads typed degrees in the household's unit; `about` is what is likely. */
export function useDegrees(
  typed: TypedDegrees,
  about: { readonly low: number; readonly high: number },
): Outcome<number> {
  const { set } = useUnits();
  return readFoodTemperature(typed.text, set, about, typed.sure);
}

interface DegreesProps {
  label: string;
  value: TypedDegrees;
  read: Outcome<number>;
  onChange: (typed: TypedDegrees) => void;
  /** What else is wrong, or worth knowing. */
  problem?: string;
  hint?: string;
}

/** A field for the temperature of food: a slip of the unit is asked about, and put right with one press. */
export function Degrees({ label, value, read, onChange, problem, hint }: DegreesProps) {
  const { inDegrees, set } = useUnits();
  const own = set === 'us' ? '°F' : '°C';
  const slip = !read.ok && read.problem.field === 'unit';
  const figure = value.text.replace(/[^\d.,−-]/g, '');
  const isFahrenheit = /f/i.test(value.text) || (set === 'us' && !/c/i.test(value.text));
  return (
    <div>
      <Field
        label={label}
        unit={/[cf]/i.test(value.text) ? undefined : own}
        inputMode="decimal"
        autoComplete="off"
        className={styles.degrees}
        value={value.text}
        onChange={(event) => onChange({ text: event.target.value, sure: false })}
        problem={!read.ok && value.text !== '' ? read.problem.message : problem}
        hint={hint}
        inputProps={{ 'data-next-act': true }}
      />
      <FromInstrument
        kind="probe"
        write={(celsius) => inDegrees(celsius, 1)}
        onTake={(celsius) => onChange({ text: `${writePlain(celsius, 1)} °C`, sure: false, instrument: 'probe' })}
      />
      {slip && (
        <div className={styles.acts}>
          <Button
            variant="outlined"
            onClick={() => onChange({ text: `${figure} ${isFahrenheit ? '°C' : '°F'}`, sure: false })}
          >
            Yes, {figure} {isFahrenheit ? '°C' : '°F'}
          </Button>
          <Button variant="text" onClick={() => onChange({ ...value, sure: true })}>
            No, it is as I wrote it
          </Button>
        </div>
      )}
    </div>
  );
}
