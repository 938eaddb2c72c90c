'use client';

import OutlinedInput, { type OutlinedInputProps } from '@mui/material/OutlinedInput';
import { useId, type ReactNode, type Ref } from 'react';
import { useKeypadOpen } from '@/ui/counter/keypad-open';
import styles from './form.module.css';

interface FieldProps extends Omit<OutlinedInputProps, 'error' | 'label' | 'id'> {
  label: string;
  /** The sentence that says what is wrong here. */
  problem?: string;
  hint?: ReactNode;
  unit?: string;
  hideLabel?: boolean;
  inputRef?: Ref<HTMLInputElement>;
}

/** A labelled input; its problem stands under it and is read out with it. */
export function Field({ label, problem, hint, unit, hideLabel, inputProps, ...input }: FieldProps) {
  const id = useId();
  const [keypad] = useKeypadOpen();
  const noteId = `${id}-note`;
  return (
    <div className={styles.field}>
      <label htmlFor={id} className={hideLabel ? 'away' : styles.label}>
        {label}
      </label>
      <OutlinedInput
        {...input}
        id={id}
        error={problem !== undefined}
        fullWidth
        endAdornment={unit ? <span className={styles.unit}>{unit}</span> : input.endAdornment}
        inputProps={{
          ...inputProps,
          // Our keypad takes the place of the device's where a number is asked for.
          inputMode: keypad && input.inputMode ? 'none' : input.inputMode,
          'aria-describedby': problem || hint ? noteId : undefined,
          'aria-invalid': problem !== undefined,
        }}
      />
      <FieldNote id={noteId} problem={problem} hint={hint} />
    </div>
  );
}

/** What stands under a field: its problem, or else its hint. */
export function FieldNote({ id, problem, hint }: { id?: string; problem?: string; hint?: ReactNode }) {
  if (problem) {
    return (
      <p id={id} className={styles.problem} role="alert">
        {problem}
      </p>
    );
  }
  return hint ? (
    <p id={id} className="note">
      {hint}
    </p>
  ) : null;
}
