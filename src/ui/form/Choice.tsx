'use client';

import { nth } from '@/core/sure';
import { useId, type ChangeEvent } from 'react';
import styles from './form.module.css';

interface ChoiceProps<Value extends string> {
  label: string;
  value: Value;
  options: readonly { readonly value: Value; readonly label: string }[];
  onChange: (value: Value) => void;
  hideLabel?: boolean;
  name?: string;
  /** It came by a press: the focus goes on to it. */
  isFocused?: boolean;
}

const focusOnce = (select: HTMLSelectElement | null) => select?.focus();

/** One of a few, as the platform's own select: it works with wet thumbs, keys and screen readers alike. */
export function Choice<Value extends string>({
  label,
  value,
  options,
  onChange,
  hideLabel,
  name,
  isFocused,
}: ChoiceProps<Value>) {
  const id = useId();
  return (
    <div className={styles.field}>
      <label htmlFor={id} className={hideLabel ? 'away' : styles.label}>
        {label}
      </label>
      <select
        id={id}
        name={name}
        className={styles.select}
        value={value}
        ref={isFocused ? focusOnce : undefined}
        onChange={(event: ChangeEvent<HTMLSelectElement>) => onChange(nth(options, event.target.selectedIndex).value)}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    </div>
  );
}
